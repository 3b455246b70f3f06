/**
 * The inside of a box divided by shelves and dividers, nested to any depth. A space with n elements becomes n + 1: the lowest or leftmost keeps the name,
 * each element names the space above it or to its right, so that adding or deleting one changes no other name. Elements without a position share the rest
 * in equal openings; each position is rounded from the whole, so the last takes no remainder.
 */
import type { Length } from '../length/length.ts';
import type { OverriddenSize } from '../solid/cabinet.ts';
import { explainedLength, minus, plus, type ExplainedLength, type Label, type Source } from '../explained/explained-length.ts';
import type { SpaceElement } from '../model/specs/shelf-box.ts';

/** A space with the panels that bound it; positions in the cabinet frame. */
export interface SpaceBox {
  readonly id: string;
  readonly name: Label;
  readonly left: Length;
  readonly floor: Length;
  readonly width: ExplainedLength;
  readonly height: ExplainedLength;
  readonly leftPanel: string;
  readonly rightPanel: string;
  readonly floorPanel: string;
  readonly ceilingPanel: string;
}

export interface PlacedElement<E> {
  readonly element: E;
  readonly kind: 'shelf' | 'divider';
  /** The space it divides. */
  readonly within: SpaceBox;
  /** Underside of a shelf, left face of a divider, in the cabinet frame. */
  readonly at: Length;
  /** Counted through the cabinet, from 1, shelves and dividers separately. */
  readonly number: number;
}

export interface CutUp<E> {
  readonly placed: readonly PlacedElement<E>[];
  /** Undivided spaces, in order of creation. */
  readonly spaces: readonly SpaceBox[];
}

export interface CutUpJob<S extends SpaceElement, D extends SpaceElement> {
  readonly inside: SpaceBox;
  readonly shelves: readonly S[];
  readonly dividers: readonly D[];
  readonly thickness: Length;
  readonly thicknessFrom: Source;
  readonly panelOf: (kind: 'shelf' | 'divider', id: string) => string;
  readonly enteredAt: (kind: 'shelf' | 'divider', id: string) => Source;
  /** Where a free or entered shelf comes to rest above the space's floor: pin holes are in steps. */
  readonly rest?: (shelf: S, above: Length, within: SpaceBox) => Length;
}

export const inOrder = <E extends { readonly id: string; readonly order: number }>(rows: Readonly<Record<string, E>>): E[] =>
  Object.values(rows).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

export function cutUp<S extends SpaceElement, D extends SpaceElement>(job: CutUpJob<S, D>): CutUp<S | D> {
  const placed: PlacedElement<S | D>[] = [];
  const spaces: SpaceBox[] = [];
  const counts = { shelf: 0, divider: 0 };
  const used = new Set<SpaceElement>();

  /** `done`: the levels at which this space was divided by shelves and by dividers. Shelves of a level come before dividers of it. */
  const visit = (space: SpaceBox, done: { readonly shelf: number; readonly divider: number }): void => {
    // Each element divides once: one that names its own space, or is part of a cycle, is ignored.
    const here = <E extends SpaceElement>(rows: readonly E[], after: number): E[] =>
      rows.filter((row) => row.in === space.id && row.level > after && !used.has(row));
    const [shelves, dividers] = [here(job.shelves, done.shelf), here(job.dividers, done.divider)];
    const next = Math.min(...shelves.map((row) => row.level), ...dividers.map((row) => row.level));
    // A space without room is not divided further: the checks report it.
    if (!Number.isFinite(next) || space.width.value <= 0 || space.height.value <= 0) {
      spaces.push(space);
      return;
    }
    const levelShelves = shelves.filter((row) => row.level === next);
    const kind = levelShelves.length > 0 ? 'shelf' : 'divider';
    const rows: readonly (S | D)[] = kind === 'shelf' ? levelShelves : dividers.filter((row) => row.level === next);
    const past = kind === 'shelf' ? { shelf: next, divider: Math.max(done.divider, next - 1) } : { shelf: next, divider: next };
    rows.forEach((row) => used.add(row));
    const split = splitSpace(job, space, kind, rows);
    split.parts.forEach((part, index) => {
      const cut = split.cuts[index];
      const panel = cut ? job.panelOf(kind, cut.element.id) : '';
      const bounds = kind === 'shelf' ? { ceilingPanel: cut ? panel : space.ceilingPanel } : { rightPanel: cut ? panel : space.rightPanel };
      const before = split.cuts[index - 1];
      const from = before ? job.panelOf(kind, before.element.id) : '';
      const base = before ? (kind === 'shelf' ? { floorPanel: from } : { leftPanel: from }) : {};
      const number = counts[kind];
      const child: SpaceBox = {
        ...space,
        ...part,
        ...base,
        ...bounds,
        id: before ? before.element.id : space.id,
        name: nameOf(space, kind, before ? number : 0),
      };
      visit(child, before ? UNCUT : past);
      if (cut) placed.push({ element: cut.element, kind, within: space, at: cut.at, number: ++counts[kind] });
    });
  };
  visit(job.inside, UNCUT);
  return { placed, spaces };
}

const UNCUT = { shelf: -1, divider: -1 } as const;

const nameOf = (space: SpaceBox, kind: 'shelf' | 'divider', number: number): Label =>
  number === 0 ? space.name : { key: kind === 'shelf' ? 'opening-over' : 'opening-right', of: String(number) };

interface Split<E> {
  readonly cuts: readonly { readonly element: E; readonly at: Length }[];
  readonly parts: readonly (Pick<SpaceBox, 'left' | 'width'> | Pick<SpaceBox, 'floor' | 'height'>)[];
}

/** Elements of one direction in a space: runs of free ones between those with a position. */
function splitSpace<S extends SpaceElement, D extends SpaceElement, E extends S | D>(
  job: CutUpJob<S, D>,
  space: SpaceBox,
  kind: 'shelf' | 'divider',
  rows: readonly E[],
): Split<E> {
  const T = job.thickness;
  const [from, whole] = kind === 'shelf' ? [space.floor, space.height] : [space.left, space.width];
  const sorted = [...rows].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
  const cuts: { element: E; at: Length }[] = [];
  const openings: { at: Length; size: ExplainedLength }[] = [];
  const words = WORDS_OF[kind];
  let start = 0;
  let free: E[] = [];
  const run = (to: number, span: ExplainedLength): void => {
    const count = free.length;
    const left = to - start - count * T;
    const size =
      count === 0
        ? span
        : explainedLength([plus('space', span.value, { inner: span }), minus(words.thickness, T, { times: count, source: job.thicknessFrom })], count + 1);
    for (let k = 0; k <= count; k++) {
      openings.push({ at: (from + start + Math.round((left * k) / (count + 1)) + k * T) as Length, size });
      const element = free[k];
      if (element) cuts.push({ element, at: (from + start + Math.round((left * (k + 1)) / (count + 1)) + k * T) as Length });
    }
  };
  let below: readonly ReturnType<typeof plus>[] = [];
  for (const element of sorted) {
    if (!element.at) {
      free.push(element);
      continue;
    }
    const at = element.at.nm;
    run(at, explainedLength([plus(words.at, at, { source: job.enteredAt(kind, element.id) }), ...below]));
    cuts.push({ element, at: (from + at) as Length });
    start = at + T;
    below = [minus(words.below, start as Length)];
    free = [];
  }
  // The whole span keeps its own explanation.
  run(whole.value, below.length === 0 ? whole : explainedLength([plus(words.whole, whole.value, { inner: whole }), ...below]));
  const rested = kind === 'shelf' && job.rest ? restOn(job, space, cuts as unknown as { element: S; at: Length }[], openings) : openings;
  return {
    cuts,
    parts: rested.map(({ at, size }) => (kind === 'shelf' ? { floor: at, height: size } : { left: at, width: size })),
  };
}

const WORDS_OF = {
  shelf: { thickness: 'shelf-thickness', at: 'shelf-at', below: 'top-of-shelf-below', whole: 'inside-height' },
  divider: { thickness: 'divider-thickness', at: 'divider-at', below: 'right-of-divider-before', whole: 'space' },
} as const;

/** Shelves on pins rest at the nearest hole; the openings around them are measured from there. */
function restOn<S extends SpaceElement, D extends SpaceElement>(
  job: CutUpJob<S, D>,
  space: SpaceBox,
  cuts: { element: S; at: Length }[],
  openings: readonly { at: Length; size: ExplainedLength }[],
): readonly { at: Length; size: ExplainedLength }[] {
  const rested = cuts.map((cut) => {
    const at = (space.floor + job.rest!(cut.element, (cut.at - space.floor) as Length, space)) as Length;
    const moved = at !== cut.at;
    cut.at = at;
    return moved;
  });
  return openings.map((opening, index) => {
    if (!rested[index] && !rested[index - 1]) return opening;
    const low = index === 0 ? 0 : cuts[index - 1]!.at + job.thickness - space.floor;
    const high = index === cuts.length ? space.height.value : cuts[index]!.at - space.floor;
    const top = index === cuts.length ? plus('inside-height', high as Length, { inner: space.height }) : plus('shelf-on-pins', high as Length);
    return { at: (space.floor + low) as Length, size: explainedLength([top, ...(low > 0 ? [minus('top-of-shelf-below', low as Length)] : [])]) };
  });
}

/** Entered positions, beside the position each element would have as an equal share. Shelves on pins go to the nearest hole anyway. */
export function overriddenPlaces<S extends SpaceElement, D extends SpaceElement>(
  job: CutUpJob<S, D>,
  { placed }: CutUp<S | D>,
  lists: Readonly<Record<'shelf' | 'divider', string>>,
): OverriddenSize[] {
  return placed.flatMap(({ element, kind, number }): OverriddenSize[] => {
    if (!element.at) return [];
    const freed = <E extends SpaceElement>(rows: readonly E[]): E[] => rows.map((row) => (row.id === element.id ? { ...row, at: null } : row));
    const free = cutUp({ ...job, ...(kind === 'shelf' ? { shelves: freed(job.shelves) } : { dividers: freed(job.dividers) }) });
    const there = free.placed.find((each) => each.kind === kind && each.element.id === element.id);
    if (!there) return [];
    const from = kind === 'shelf' ? there.within.floor : there.within.left;
    return [
      {
        name: { key: kind, of: String(number) },
        panel: job.panelOf(kind, element.id),
        path: [lists[kind], element.id, 'at'],
        value: element.at.nm,
        derived: (there.at - from) as Length,
        thickness: job.thickness,
      },
    ];
  });
}
