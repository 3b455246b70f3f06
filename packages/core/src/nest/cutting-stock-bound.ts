/**
 * What any boards that hold the pieces must satisfy: the dual prices of the cutting stock program, by column generation. A board of one kind
 * never holds pieces of more than its best pattern is worth, so Σ count · worth >= what all pieces are worth, whatever the prices.
 * Sources: Gilmore and Gomory, "A linear programming approach to the cutting-stock problem", 1961; Farley, "A note on bounding a class of linear
 * programming problems, including cutting stock problems", 1990.
 */
import type { SheetInequality } from './bar-relaxation.ts';
import type { SizedPieces } from './bin-completion.ts';
import { CoveringLp } from './covering-lp.ts';
import { greedyKnapsack, knapsack, maxWorth, type KnapsackRows } from './knapsack.ts';

export interface PricedRoom {
  readonly room: number;
  readonly price: number;
  /** Infinity when there are as many as wanted. */
  readonly limit: number;
}

/** Pivots at most, for each size of piece. */
const MAX_PIVOTS_PER_ROW = 10;
/** Patterns that are filled greedily before the best is searched for. */
const GREEDY_STARTS = 3;
/** A pattern must be worth this share more than its price to enter. */
const GAIN = 1e-7;

/** By room alone: pieces are worth what they take. */
export const roomInequality = ({ size, count }: SizedPieces, rooms: readonly Pick<PricedRoom, 'room'>[]): SheetInequality => ({
  needs: size.reduce((sum, each, index) => sum + each * count[index]!, 0),
  holds: rooms.map(({ room }) => room),
});

/**
 * The inequality of the best dual prices for boards at these prices. Pieces that fit on no kind without end are left out, which only weakens it.
 * Null where a kind without end costs nothing, or no piece is left.
 */
export function pricedInequality({ size, count }: SizedPieces, rooms: readonly PricedRoom[]): SheetInequality | null {
  const endless = rooms.filter(({ limit }) => limit === Infinity);
  if (endless.some(({ price }) => price <= 0)) return null;
  const kept = size.flatMap((each, index) => (count[index]! > 0 && endless.some(({ room }) => room >= each) ? [index] : []));
  if (kept.length === 0) return null;
  const limited = rooms.flatMap(({ limit }, kind) => (limit < Infinity ? [kind] : []));
  const demand = Float64Array.from([...kept.map((index) => count[index]!), ...limited.map((kind) => -rooms[kind]!.limit)]);
  const timesIn = (index: number, room: number): number => Math.min(count[index]!, Math.floor(room / size[index]!));
  const lp = new CoveringLp(demand, [
    ...kept.map((index) =>
      endless
        .filter(({ room }) => room >= size[index]!)
        .map(({ room, price }) => ({ covers: timesIn(index, room), price }))
        .reduce((best, each) => (each.price / each.covers < best.price / best.covers ? each : best)),
    ),
    ...limited.map(() => ({ covers: -1, price: 0 })),
  ]);
  const rowsFor = (room: number, duals: Float64Array): KnapsackRows => ({
    count: kept.length,
    size: kept.map((index) => size[index]!),
    worth: kept.map((_, row) => Math.max(0, duals[row]!)),
    most: kept.map((index) => timesIn(index, room)),
  });
  let duals = lp.duals();
  for (let pivot = 0; pivot < MAX_PIVOTS_PER_ROW * demand.length; pivot++) {
    if (lp.dropNegative()) continue;
    duals = lp.duals();
    const find = (fill: typeof knapsack) => bestPattern(rooms, limited, duals, rowsFor, fill);
    const entering = find((rows, room) => greedyKnapsack(rows, room, GREEDY_STARTS)) ?? find(knapsack);
    if (!entering || !lp.add(entering)) break;
  }
  return {
    needs: kept.reduce((sum, index, row) => sum + count[index]! * Math.max(0, duals[row]!), 0),
    // The patterns that priced the program may miss a hair of worth; what counts is searched without.
    holds: rooms.map(({ room }) => maxWorth(rowsFor(room, duals), room)),
  };
}

/** The pattern that gains most on its price; null where none gains. */
function bestPattern(
  rooms: readonly PricedRoom[],
  limited: readonly number[],
  duals: Float64Array,
  rowsFor: (room: number, duals: Float64Array) => KnapsackRows,
  fill: typeof knapsack,
): { readonly covers: Float64Array; readonly price: number } | null {
  let best: { covers: Float64Array; price: number } | null = null;
  let most = GAIN;
  rooms.forEach(({ room, price }, kind) => {
    const rows = rowsFor(room, duals);
    const times = fill(rows, room);
    const at = limited.indexOf(kind);
    const cost = price + (at < 0 ? 0 : Math.max(0, duals[rows.count + at]!));
    const worth = times.reduce((sum, each, row) => sum + each * rows.worth[row]!, 0);
    const gain = (worth - cost) / Math.max(cost, 1e-9);
    if (gain <= most) return;
    const covers = new Float64Array(duals.length);
    times.forEach((each, row) => (covers[row] = each));
    if (at >= 0) covers[rows.count + at] = -1;
    [best, most] = [{ covers, price }, gain];
  });
  return best;
}
