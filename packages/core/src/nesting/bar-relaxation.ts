/**
 * Lower bounds by the bar relaxation. Every line across a sheet meets parts whose sizes along it, kerfs included, sum to at most the sheet's size. So each
 * sheet is a stack of one-dimensional cutting patterns (bars), and the demand for bars is a linear covering program solved by column generation. Its dual
 * prices weigh sizes so that no bar weighs more than 1; sizes along the other axis are weighed by the prices of the program before, at first by their share
 * of the side. The axes alternate, and each program is at least as strong as the one before. Sources: Scheithauer, "LP-based bounds for the container and
 * multi-container loading problem", 1999; Belov, Kartak, Rohling and Scheithauer, "One-dimensional relaxations and LP bounds for orthogonal packing", 2009;
 * Farley, "A note on bounding a class of linear programming problems, including cutting stock problems", 1990 (a bound from non-optimal prices).
 */
import { BarProgram, type BarAxis, type BarPartKind, type BarPlace, type SheetInequality, type BarSheetKind } from './bar-program.ts';
import { lieOf, type StockArea } from './pieces.ts';
import type { NestPart } from './problem.ts';

export interface BarRelaxation {
  /** Work of the next step, in pieces placed; Infinity once finished. */
  work(): number;
  /** One pivot, or the end of one program. Returns the inequality of a finished program. */
  step(): SheetInequality | null;
}

/**
 * The programs in order: bars along the shorter or the longer side of a sheet, and whether sizes across start again from their share of the side. Few parts
 * fit along the shorter side, so that program is fast, and gives most.
 */
const PROGRAMS: readonly { readonly along: 'shorter' | 'longer'; readonly afresh: boolean }[] = [
  { along: 'shorter', afresh: true },
  { along: 'longer', afresh: false },
  { along: 'shorter', afresh: false },
  { along: 'longer', afresh: true },
  { along: 'shorter', afresh: false },
];
/** More part kinds than this are left to the other bounds: a program would take longer than the search. */
const MAX_KINDS = 60;
/** Null where it cannot help: free sheets in unlimited supply, or too many part kinds. */
export function barRelaxation(parts: readonly NestPart[], beds: readonly StockArea[], prices: readonly number[], kerf: number): BarRelaxation | null {
  const isAnyEndless = beds.some(({ sheet }) => sheet.count === null);
  const sheets = beds.map(({ dx, dy, sheet }, index): BarSheetKind => ({
    size: { x: dx + kerf, y: dy + kerf },
    price: prices[index]!,
    // Without an unlimited sheet kind the limits are dropped, which only lowers the bound.
    limit: isAnyEndless ? (sheet.count ?? Infinity) : Infinity,
  }));
  const kinds = kindsOf(parts, beds, sheets, kerf);
  if (kinds.length === 0 || kinds.length > MAX_KINDS || sheets.some(({ price, limit }) => limit === Infinity && price <= 0)) return null;
  const [shorter, longer]: readonly BarAxis[] = sheets[0]!.size.x < sheets[0]!.size.y ? ['x', 'y'] : ['y', 'x'];
  const programAt = (turn: number): BarProgram | null => {
    const next = PROGRAMS[turn];
    if (next?.afresh) for (const { places } of kinds) for (const { weight, share } of places) Object.assign(weight, share);
    return next ? new BarProgram(kinds, sheets, next.along === 'shorter' ? shorter! : longer!) : null;
  };
  let turn = 0;
  let program = programAt(turn);
  return {
    work: () => (program ? program.work() : Infinity),
    step() {
      const inequality = program?.step() ?? null;
      if (!inequality) return null;
      program = programAt(++turn);
      return inequality;
    },
  };
}

/** Groups identical parts into kinds. Parts that fit only on limited sheets are dropped, which only lowers the bound. */
function kindsOf(parts: readonly NestPart[], beds: readonly StockArea[], sheets: readonly BarSheetKind[], kerf: number): BarPartKind[] {
  const byPlaces = new Map<string, BarPartKind>();
  for (const part of parts) {
    if (part.count <= 0) continue;
    const lies = beds.flatMap(({ dx, dy }, sheet) =>
      lieOf(part)
        .filter((lie) => lie.dx <= dx && lie.dy <= dy)
        .map((lie) => ({ sheet, x: lie.dx + kerf, y: lie.dy + kerf })),
    );
    if (!lies.some(({ sheet }) => sheets[sheet]!.limit === Infinity)) continue;
    const key = lies.map(({ sheet, x, y }) => `${sheet} ${x} ${y}`).join('\n');
    const known = byPlaces.get(key);
    if (known) known.count += part.count;
    else {
      const kind = byPlaces.size;
      const places = lies.map(({ sheet, x, y }): BarPlace => {
        const share = { x: x / sheets[sheet]!.size.x, y: y / sheets[sheet]!.size.y };
        return { kind, sheet, size: { x, y }, share, weight: { ...share } };
      });
      byPlaces.set(key, { count: part.count, places });
    }
  }
  return [...byPlaces.values()];
}
