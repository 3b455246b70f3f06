/**
 * A clique of parts of which no two share a sheet: each needs a sheet of its own. Two parts can share a sheet if, in some orientation each, they fit side
 * by side along x or along y, a kerf apart.
 */
import { lieOf, type StockArea } from './pieces.ts';
import type { NestPart } from './problem.ts';

/** Node limit of the clique search. */
const MAX_NODES = 4000;

/** Size of the largest clique found. A part whose own copies cannot share a sheet counts once per copy. */
export function apartFromEachOther(parts: readonly NestPart[], beds: readonly StockArea[], kerf: number): number {
  const rows = parts.map((part) => ({ part, lies: lieOf(part) }));
  const share = (a: (typeof rows)[number], b: (typeof rows)[number]): boolean =>
    beds.some(({ dx, dy }) =>
      a.lies.some((one) =>
        b.lies.some((two) => (one.dx + kerf + two.dx <= dx && one.dy <= dy && two.dy <= dy) || (one.dy + kerf + two.dy <= dy && one.dx <= dx && two.dx <= dx)),
      ),
    );
  const weights = rows.map((row) => (share(row, row) ? 1 : row.part.count));
  // Only parts with a conflict can be in a clique of more than one.
  const size = (n: number): number => Math.min(...rows[n]!.lies.map(({ dx, dy }) => Math.min(dx, dy)));
  const order = rows.map((_, n) => n).sort((a, b) => size(b) - size(a));
  const conflicts = rows.map((row, a) => new Set(rows.map((_, b) => b).filter((b) => a !== b && !share(row, rows[b]!))));
  let best = 0;
  let nodes = 0;
  const visit = (chosen: number, candidates: readonly number[]): void => {
    if (chosen > best) best = chosen;
    let room = candidates.reduce((sum, n) => sum + weights[n]!, chosen);
    for (let at = 0; at < candidates.length; at++) {
      if (room <= best || ++nodes > MAX_NODES) return;
      const n = candidates[at]!;
      visit(
        chosen + weights[n]!,
        candidates.slice(at + 1).filter((other) => conflicts[n]!.has(other)),
      );
      room -= weights[n]!;
    }
  };
  visit(0, order);
  return best;
}
