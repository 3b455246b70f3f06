/** Pinned parts: which of their places are still valid, and what a place means while a part is dragged. */
import type { Length } from '../length/length.ts';
import { framesOf } from '../nesting/frames.ts';
import { stockAreasOf } from '../nesting/pieces.ts';
import { trimOf, type NestPart, type NestProblem, type NestSheet } from '../nesting/problem.ts';
import type { Design } from '../model/design.ts';
import type { Placement, SheetRect, PinnedPart } from '../model/sheet-layout.ts';

/** Why a part cannot lie somewhere. */
export type WrongPlace =
  | { readonly why: 'off' }
  | { readonly why: 'grain' }
  | { readonly why: 'flaw' }
  /** Closer to a pinned part than one kerf. */
  | { readonly why: 'near'; readonly part: string }
  /** With the others pinned there, no edge-to-edge cut can free it. */
  | { readonly why: 'no-cut' };

/** A new sheet with pinned parts, by number. */
export const newSheetId = (product: string, number: number): string => `${product}#${number}`;

/** Whether a sheet of a layout is to be bought, rather than on hand or a remaining piece. */
export const isNewSheet = (sheet: string, product: string): boolean => sheet === product || sheet.startsWith(`${product}#`);

/** The placement of a pinned part; undefined for a part that does not exist. */
export function placementOf({ parts }: Pick<NestProblem, 'parts'>, { id, x, y, turned }: Pick<PinnedPart, 'id' | 'x' | 'y' | 'turned'>): Placement | undefined {
  const part = parts.find((each) => each.id === id);
  return part && { part: id, x, y, dx: turned ? part.width : part.length, dy: turned ? part.length : part.width, turned };
}

const isApart = (a: SheetRect, b: SheetRect, gap: number): boolean =>
  a.x + a.dx + gap <= b.x || b.x + b.dx + gap <= a.x || a.y + a.dy + gap <= b.y || b.y + b.dy + gap <= a.y;

const grainAllows = ({ grain }: NestPart, sheet: Pick<NestSheet, 'grain'>, turned: boolean): boolean =>
  sheet.grain === 'none' || grain === 'either' || (grain === 'length') === !turned;

/** What is wrong with a place on a sheet with pinned parts; null when it is valid. Unpinned parts make way. */
export function wrongPlace(problem: NestProblem, sheet: NestSheet, at: Placement, pinned: readonly Placement[]): WrongPlace | null {
  const trim = trimOf(problem, sheet);
  const part = problem.parts.find(({ id }) => id === at.part);
  if (at.x < trim || at.y < trim || at.x + at.dx > sheet.length - trim || at.y + at.dy > sheet.width - trim) return { why: 'off' };
  if (part && !grainAllows(part, sheet, at.turned)) return { why: 'grain' };
  if ((sheet.flaws ?? []).some((flaw) => !isApart(at, flaw, 0))) return { why: 'flaw' };
  const [near] = inTheWay(problem, at, pinned);
  if (near) return { why: 'near', part: near.part };
  const pins = [...pinned.filter((other) => other.part !== at.part), at];
  const [bed] = stockAreasOf({ ...problem, sheets: [{ ...sheet, count: 1, pins }] });
  return problem.cuts === 'guillotine' && framesOf(bed!, problem).length === 0 ? { why: 'no-cut' } : null;
}

/** Parts that lie there and would have to move. */
export const inTheWay = ({ kerf }: Pick<NestProblem, 'kerf'>, at: Placement, others: readonly Placement[]): Placement[] =>
  others.filter((other) => other.part !== at.part && !isApart(at, other, kerf));

/** Snap positions of a dragged part along one axis: trimmed edges of the sheet, a kerf from other parts, and flush with them. */
export function snapped(problem: NestProblem, sheet: NestSheet, at: Placement, others: readonly SheetRect[], within: number): Placement {
  const trim = trimOf(problem, sheet);
  const { kerf } = problem;
  const nearest = (value: number, candidates: readonly number[]): Length => {
    const best = candidates.reduce((a, b) => (Math.abs(b - value) < Math.abs(a - value) ? b : a), Infinity);
    return (Math.abs(best - value) <= within ? best : Math.round(value)) as Length;
  };
  const along = others.flatMap(({ x, dx }) => [x + dx + kerf, x, x - kerf - at.dx, x + dx - at.dx]);
  const across = others.flatMap(({ y, dy }) => [y + dy + kerf, y, y - kerf - at.dy, y + dy - at.dy]);
  return {
    ...at,
    x: nearest(at.x, [trim, sheet.length - trim - at.dx, ...along]),
    y: nearest(at.y, [trim, sheet.width - trim - at.dy, ...across]),
  };
}

/** The first valid place on a sheet beside the parts pinned there; null when there is none. */
export function placeOn(problem: NestProblem, sheet: NestSheet, part: string, pinned: readonly Placement[]): Placement | null {
  const trim = trimOf(problem, sheet);
  const beyond = (from: number, by: number): number => from + by + problem.kerf;
  const along = [trim, ...pinned.map(({ x, dx }) => beyond(x, dx))].sort((a, b) => a - b);
  const across = [trim, ...pinned.map(({ y, dy }) => beyond(y, dy))].sort((a, b) => a - b);
  for (const turned of [false, true])
    for (const x of along)
      for (const y of across) {
        const at = placementOf(problem, { id: part, x: x as Length, y: y as Length, turned });
        if (at && wrongPlace(problem, sheet, at, pinned) === null) return at;
      }
  return null;
}

/**
 * A problem with its pins applied. A pin on a piece on hand belongs to that piece; pins on the first, second … new sheet make it a sheet of its own.
 * Invalid pins (the part grew, its sheet is gone) are left out and listed by pinsThatFail().
 */
export function withPins(problem: NestProblem, product: string, pins: Design['pins']): NestProblem {
  const holding = heldPins(problem, product, pins);
  if (holding.size === 0) return problem;
  const bought = problem.sheets.find(({ id }) => id === product);
  const own = problem.sheets.map((sheet) => (holding.has(sheet.id) ? { ...sheet, pins: holding.get(sheet.id)! } : sheet));
  const fresh = [...holding]
    .filter(([id]) => bought && !problem.sheets.some((sheet) => sheet.id === id))
    .map(([id, placements]): NestSheet => ({ ...bought!, id, count: 1, pins: placements }));
  return { ...problem, sheets: [...fresh, ...own] };
}

/** Ids of parts whose pin is invalid; parts that are cut or gone are not listed. */
export function pinsThatFail(problem: NestProblem, product: string, pins: Design['pins']): string[] {
  const held = new Set([...heldPins(problem, product, pins).values()].flat().map(({ part }) => part));
  return Object.values(pins)
    .filter((pin) => pin.product === product && !held.has(pin.id) && problem.parts.some(({ id }) => id === pin.id))
    .map(({ id }) => id);
}

function heldPins(problem: NestProblem, product: string, pins: Design['pins']): Map<string, Placement[]> {
  const held = new Map<string, Placement[]>();
  const sorted = Object.values(pins)
    .filter((pin) => pin.product === product)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  for (const pin of sorted) {
    const sheet =
      problem.sheets.find(({ id }) => id === pin.sheet) ?? (isNewSheet(pin.sheet, product) ? problem.sheets.find(({ id }) => id === product) : undefined);
    const at = placementOf(problem, pin);
    if (!sheet || !at) continue;
    const there = held.get(pin.sheet) ?? [];
    if (wrongPlace(problem, sheet, at, there) === null) held.set(pin.sheet, [...there, at]);
  }
  return held;
}
