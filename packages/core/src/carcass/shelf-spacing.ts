/**
 * Where shelves stand: free shelves share the space between their fixed neighbours in equal
 * openings. Each position is rounded from the whole, so the last opening takes no remainder.
 */
import type { Length } from '../length/length.ts';
import { thicknessSource } from '../stock/thickness.ts';
import { dimension, minus, plus, type Dimension, type Label } from '../worked/dimension.ts';
import { own, type BoxFrame } from './box-frame.ts';
import { shelvesInOrder, type ShelfBox, type ShelfElement } from './shelf-box.ts';

export interface PlacedShelf {
  readonly element: ShelfElement;
  /** Counted from the bottom, from 1. */
  readonly number: number;
  /** Above the unit's bottom. */
  readonly underside: Length;
}

export interface Opening {
  readonly keptBy: string;
  readonly name: Label;
  /** Upper face of what things stand on, above the unit's bottom. */
  readonly floorUp: Length;
  readonly height: Dimension;
}

export interface Spacing {
  readonly shelves: readonly PlacedShelf[];
  readonly openings: readonly Opening[];
}

export type SpacingFrame = Pick<BoxFrame, 'T' | 'floor' | 'ceiling' | 'stockOf'>;

/** A run of free shelves between two fixed faces. */
interface Run {
  readonly from: Length;
  readonly to: Length;
  readonly shelves: ShelfElement[];
  readonly span: Dimension;
  /** The fixed shelf that ends the run; none at the ceiling. */
  readonly closedBy?: ShelfElement;
}

export function spaceShelves(box: ShelfBox, base: SpacingFrame): Spacing {
  const { product, used } = base.stockOf(box.stock);
  const source = thicknessSource(product, used);
  const shelves: PlacedShelf[] = [];
  const openings: Opening[] = [];
  let keptBy = 'bottom';
  for (const run of runsOf(box, base)) {
    const count = run.shelves.length;
    const free = run.to - run.from - count * base.T;
    const height =
      count === 0
        ? run.span
        : dimension([plus('space', run.span.value, { inner: run.span }), minus('shelf-thickness', base.T, { times: count, source })], count + 1);
    for (let k = 0; k <= count; k++) {
      const below = Math.round((free * k) / (count + 1)) + k * base.T;
      const number = shelves.length;
      openings.push({
        keptBy,
        name: number === 0 ? { key: 'opening-bottom' } : { key: 'opening-over', of: String(number) },
        floorUp: (run.from + below) as Length,
        height,
      });
      const element = run.shelves[k];
      if (element) {
        const underside = (run.from + Math.round((free * (k + 1)) / (count + 1)) + k * base.T) as Length;
        shelves.push({ element, number: number + 1, underside });
        keptBy = element.id;
      }
    }
    if (run.closedBy) {
      shelves.push({ element: run.closedBy, number: shelves.length + 1, underside: run.to });
      keptBy = run.closedBy.id;
    }
  }
  return { shelves, openings };
}

function runsOf(box: ShelfBox, { floor, ceiling, T }: SpacingFrame): Run[] {
  const runs: Run[] = [];
  let from = floor;
  let free: ShelfElement[] = [];
  let startTerm = plus('inside-floor', 0 as Length);
  for (const element of shelvesInOrder(box)) {
    if (!element.at) {
      free.push(element);
      continue;
    }
    const to = (floor + element.at.nm) as Length;
    const span = dimension([plus('shelf-at', element.at.nm, { source: own(box, 'shelves', element.id, 'at') }), ...(startTerm.value ? [startTerm] : [])]);
    runs.push({ from, to, shelves: free, span, closedBy: element });
    from = (to + T) as Length;
    startTerm = minus('top-of-shelf-below', (from - floor) as Length);
    free = [];
  }
  const span = dimension([plus('inside-height', (ceiling - floor) as Length), ...(startTerm.value ? [startTerm] : [])]);
  runs.push({ from, to: ceiling, shelves: free, span });
  return runs;
}
