/**
 * Items side by side: slots, notches, cells between dividers, a ledge, two supports, modules. How many fit, at which pitch and margins, and what one more
 * would need.
 */
import { mm, type Length } from '../length/length.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { footprintOf } from './item.ts';
import type { Item, Row } from '../model/item.ts';

export interface SlotLayout {
  readonly count: number;
  readonly pitch: number;
  /** Remainder, half at each end. */
  readonly margin: number;
  /** Near edges, from the datum end. */
  readonly positions: readonly number[];
}

/** Tolerance for sizes in millimeters that end just under a whole number of pitches. */
const ROUNDING_SHARE = 1e-9;

/**
 * As many slots of `thickness` at `pitch` as leave at least `margin` at both ends; all in one unit of length.
 * @throws RangeError on a pitch that is not positive. docs/formulas/slots.md
 */
export function slotsIn({ inside, pitch, thickness, margin }: { inside: number; pitch: number; thickness: number; margin: number }): SlotLayout {
  if (pitch <= 0) throw new RangeError(`a pitch of ${pitch} is none`);
  const room = inside - 2 * margin - thickness;
  const count = room < -ROUNDING_SHARE ? 0 : Math.floor(room / pitch + ROUNDING_SHARE) + 1;
  const used = count === 0 ? 0 : (count - 1) * pitch + thickness;
  const left = (inside - used) / 2;
  return { count, pitch, margin: left, positions: Array.from({ length: count }, (_, index) => left + index * pitch) };
}

export interface RowAnswer {
  readonly row: Row;
  readonly items: readonly Item[];
  readonly inside: ExplainedLength;
  readonly pitch: ExplainedLength;
  readonly wanted: number;
  readonly fits: number;
  readonly margin: Length;
  /** Near edges of slots and notches, or of dividers, from the left end. */
  readonly positions: readonly Length[];
  /** Clear width of each cell or module, in order. */
  readonly widths: readonly ExplainedLength[];
  /** Width of everything wanted, with its margins. */
  readonly needs: ExplainedLength;
  /** Inside width that one more would need. */
  readonly oneMore: Length;
}

const wantedOf = (row: Row, items: readonly Item[]): number => row.wanted ?? items.reduce((sum, { count, growth }) => sum + count + growth, 0);

/** Answers a row in a space of this width. Null when none of its items exists any more. */
export function answerRow(row: Row, itemOf: (id: string) => Item | undefined, inside: ExplainedLength): RowAnswer | null {
  const items = row.items.flatMap((id) => itemOf(id) ?? []);
  if (items.length === 0) return null;
  return row.kind === 'slots' || row.kind === 'notches' || row.kind === 'supports' ? pitched(row, items, inside) : sideBySide(row, items, inside);
}

/** Slots and notches at one pitch; items over supports side by side at theirs. */
function pitched(row: Row, items: readonly Item[], inside: ExplainedLength): RowAnswer {
  const item = items[0]!;
  const { along } = footprintOf(item);
  const notch = row.kind === 'notches';
  const gapOnly = row.kind === 'supports';
  const own = plus('row-item', along, { of: item.name });
  const pitch = row.pitch
    ? explainedLength([plus('row-pitch', row.pitch.nm)])
    : explainedLength([own, plus('row-clearance', row.clearance.nm), ...(notch || gapOnly ? [] : [plus('row-thickness', row.thickness.nm)])]);
  const slot = notch ? (((item.neck?.nm ?? along) + row.clearance.nm) as Length) : gapOnly ? ((along + row.clearance.nm) as Length) : row.thickness.nm;
  // A glass in the last notch must not project past the end.
  const margin = (notch ? Math.max(row.margin.nm, Math.ceil((pitch.value - slot) / 2)) : row.margin.nm) as Length;
  const { count, margin: left, positions } = slotsIn({ inside: inside.value, pitch: pitch.value, thickness: slot, margin });
  const wanted = wantedOf(row, [item]);
  const needsFor = (n: number): ExplainedLength =>
    explainedLength([
      ...(n > 1 ? [plus('row-pitch', pitch.value, { times: n - 1, inner: pitch })] : []),
      ...(n > 0 ? [plus(notch ? 'row-notch' : 'row-thickness', slot)] : []),
      plus('row-margin', margin, { times: 2 }),
    ]);
  return {
    row,
    items: [item],
    inside,
    pitch,
    wanted,
    fits: count,
    margin: Math.round(left) as Length,
    positions: positions.map((at) => Math.round(at) as Length),
    widths: [],
    needs: needsFor(wanted),
    oneMore: needsFor(count + 1).value,
  };
}

/** Cells, ledges and modules: each item its own width; dividers between neighbors, two sides per module. */
function sideBySide(row: Row, items: readonly Item[], inside: ExplainedLength): RowAnswer {
  const thick = row.thickness.nm;
  const clearance = row.kind === 'ledge' ? mm(0) : row.clearance.nm;
  const one = (item: Item): ExplainedLength =>
    explainedLength([
      plus('row-item', footprintOf(item).along, { of: item.name }),
      ...(clearance ? [plus('row-clearance', clearance)] : []),
      ...(row.kind === 'modules' ? [plus('row-side', thick, { times: 2 })] : []),
    ]);
  const between = row.kind === 'cells' ? thick : mm(0);
  const list = items.flatMap((item) =>
    Array.from({ length: row.wanted !== null && items.length === 1 ? row.wanted : item.count + item.growth }, () => one(item)),
  );
  const margins = explainedLength([minus('row-margin', row.margin.nm, { times: 2 })]).value;
  const room = inside.value + margins;
  let fits = 0;
  let taken = 0;
  for (const { value } of list) {
    const next = taken + value + (fits > 0 ? between : 0);
    if (next > room) break;
    taken = next;
    fits++;
  }
  // More of the last kind, as long as they fit.
  const last = list.at(-1) ?? one(items[0]!);
  while (fits >= list.length && last.value > 0 && fits < 10_000 && taken + last.value + (fits > 0 ? between : 0) <= room) {
    taken += last.value + (fits > 0 ? between : 0);
    fits++;
  }
  const margin = Math.round((inside.value - taken) / 2) as Length;
  const positions: Length[] = [];
  let at = margin as number;
  for (let index = 0; index < fits; index++) {
    at += (list[index] ?? last).value;
    if (between > 0 && index + 1 < fits) {
      positions.push(at as Length);
      at += between;
    }
  }
  const next = list[fits] ?? last;
  return {
    row,
    items,
    inside,
    pitch: last,
    wanted: list.length,
    fits,
    margin,
    positions,
    widths: list,
    needs: explainedLength([
      ...list.map((width) => plus('row-width', width.value, { inner: width })),
      ...(between && list.length > 1 ? [plus('row-divider', between, { times: list.length - 1 })] : []),
      plus('row-margin', row.margin.nm, { times: 2 }),
    ]),
    oneMore: (taken + next.value + (fits > 0 ? between : 0) + 2 * row.margin.nm) as Length,
  };
}
