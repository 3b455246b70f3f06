/**
 * One program of the bar relaxation: bars along one axis cover the demand, min Σ price·bars, solved by column generation. With unit sizes across it is the
 * cutting stock program. Sources: Gilmore and Gomory, "A linear programming approach to the cutting-stock problem", 1961; Farley, "A note on bounding a
 * class of linear programming problems, including cutting stock problems", 1990 (a bound from non-optimal prices).
 */
import { CoveringLp, type LpColumn } from './covering-lp.ts';
import { greedyKnapsack, boundedKnapsack, maxWorth, type KnapsackRows } from './knapsack.ts';

/** Valid inequality for every set of sheets that holds the parts: Σ count · holds >= needs, with one `holds` per sheet kind in the given order. */
export interface SheetInequality {
  readonly needs: number;
  readonly holds: readonly number[];
}

export type BarAxis = 'x' | 'y';

/** Pivot limit of one program: proportional to its rows, and never below `min`. */
const MAX_PIVOTS = { perRow: 10, min: 60 } as const;
/** Relative gain over its price that a bar needs to enter. */
const GAIN = 1e-7;
/** Weights below this count as zero. */
const NO_WEIGHT = 1e-9;
/** Work accounting: one pivot costs as much as placing this many pieces, one knapsack state or one multiplication as much as the fraction below. */
const PIECES_A_PIVOT = 3;
const STATES_A_PIECE = 25;
const PRODUCTS_A_PIECE = 8000;

/** One orientation of a part kind on one sheet kind. Sizes include the kerf; weights are shares of the sheet's capacity. */
export interface BarPlace {
  readonly kind: number;
  readonly sheet: number;
  readonly size: Readonly<Record<BarAxis, number>>;
  readonly share: Readonly<Record<BarAxis, number>>;
  readonly weight: Record<BarAxis, number>;
}

/** Parts with the same sizes and orientations. */
export interface BarPartKind {
  count: number;
  readonly places: readonly BarPlace[];
}

export interface BarSheetKind {
  readonly size: Readonly<Record<BarAxis, number>>;
  readonly price: number;
  /** Number available; Infinity when unlimited. */
  readonly limit: number;
}

/** Knapsack rows of the bars of one sheet kind along the axis, with the orientations they stand for. */
interface Bars {
  readonly places: readonly BarPlace[];
  readonly rows: KnapsackRows;
  readonly room: number;
}

/** Pricing: finds a good bar, or the best one. */
type FillBar = (rows: KnapsackRows, room: number) => Int32Array;

/** Once finished, the orientations carry their new weights along the axis. */
export class BarProgram {
  private readonly across: BarAxis;
  /** Part kinds with a positive weight in every orientation; one that weighs zero somewhere can always be placed there for free. */
  private readonly weighed: readonly number[];
  private readonly rowOf: ReadonlyMap<number, number>;
  /** Sheet kinds in limited supply. */
  private readonly limits: readonly number[];
  private readonly bars: readonly Bars[];
  private readonly rows: number;
  private readonly lp: CoveringLp;
  private pivots = 0;
  private states = 0;
  private best: { readonly needs: number; readonly duals: Float64Array };

  /** Every part kind fits on some sheet kind in unlimited supply. `greedyStarts`: greedy bars tried before exact pricing. */
  constructor(
    private readonly kinds: readonly BarPartKind[],
    private readonly sheets: readonly BarSheetKind[],
    private readonly axis: BarAxis,
    private readonly greedyStarts = Infinity,
  ) {
    this.across = axis === 'x' ? 'y' : 'x';
    this.weighed = kinds.flatMap((kind, index) => (kind.places.every(({ weight }) => weight[this.across] > NO_WEIGHT) ? [index] : []));
    this.rowOf = new Map(this.weighed.map((kind, row) => [kind, row]));
    this.limits = sheets.flatMap(({ limit }, sheet) => (limit < Infinity ? [sheet] : []));
    const demand = Float64Array.from([...this.weighed.map((kind) => kinds[kind]!.count), ...this.limits.map((sheet) => -sheets[sheet]!.limit)]);
    this.rows = demand.length;
    this.bars = sheets.map(({ size }, sheet): Bars => {
      const places = this.weighed.flatMap((kind) => kinds[kind]!.places.filter((place) => place.sheet === sheet));
      const room = size[axis];
      const most = places.map((place) => Math.min(kinds[place.kind]!.count, Math.floor(room / place.size[axis])));
      return { places, room, rows: { count: places.length, size: places.map((place) => place.size[axis]), worth: places.map(() => 0), most } };
    });
    this.lp = new CoveringLp(demand, [
      ...this.weighed.map((kind) => cheapestAlone(kinds[kind]!, sheets, axis, this.across)),
      ...this.limits.map(() => ({ covers: -1, price: 0 })),
    ]);
    this.best = { needs: -Infinity, duals: new Float64Array(this.rows) };
  }

  /** Work of the next step, in pieces placed. */
  work(): number {
    return Math.ceil(PIECES_A_PIVOT + this.states / STATES_A_PIECE + (3 * this.rows ** 2) / PRODUCTS_A_PIECE);
  }

  /** One pivot; the inequality once the program is finished. */
  step(): SheetInequality | null {
    this.states = 0;
    if (++this.pivots > Math.max(MAX_PIVOTS.min, MAX_PIVOTS.perRow * this.rows)) return this.finished();
    if (this.lp.dropNegative()) return null;
    const duals = this.lp.duals();
    this.price(duals);
    const { entering: quick } = this.priced(duals, (rows, room) => greedyKnapsack(rows, room, this.greedyStarts));
    if (quick && this.lp.add(quick)) return null;
    const { entering, worths } = this.priced(duals, (rows, room) => {
      const times = boundedKnapsack(rows, room);
      this.states += rows.states ?? 0;
      return times;
    });
    const { share, given } = this.scaled(worths);
    const needs = share * this.needsOf(duals) - given;
    if (needs > this.best.needs) this.best = { needs, duals: duals.map((dual) => dual * share) };
    return entering && this.lp.add(entering) ? null : this.finished();
  }

  /** Sets the value of each orientation at the current duals. */
  private price(duals: Float64Array): void {
    for (const { places, rows } of this.bars)
      places.forEach((place, index) => {
        rows.worth[index] = Math.max(0, duals[this.rowOf.get(place.kind)!]!) / place.weight[this.across];
      });
  }

  private needsOf(duals: Float64Array): number {
    return this.weighed.reduce((sum, kind, row) => sum + this.kinds[kind]!.count * Math.max(0, duals[row]!), 0);
  }

  /** Farley's bound: the share of these duals, and of the value of limited sheets beyond their price, at which no bar is worth more than its cost. */
  private scaled(worths: readonly number[]): { readonly share: number; readonly given: number } {
    const share = this.sheets.reduce(
      (least, { price, limit }, sheet) => (limit === Infinity ? Math.min(least, price / Math.max(worths[sheet]!, 1e-300)) : least),
      1,
    );
    const given = this.sheets.reduce((sum, { price, limit }, sheet) => (limit < Infinity ? sum + limit * Math.max(0, share * worths[sheet]! - price) : sum), 0);
    return { share, given };
  }

  /** The bar with the greatest reduced gain, and the value of the best bar of each sheet kind. */
  private priced(duals: Float64Array, fill: FillBar): { readonly entering: LpColumn | null; readonly worths: readonly number[] } {
    let entering: LpColumn | null = null;
    let gain = GAIN;
    const worths = this.bars.map(({ places, rows, room }, sheet) => {
      const times = fill(rows, room);
      const covers = new Float64Array(this.rows);
      let worth = 0;
      places.forEach((place, index) => {
        worth += times[index]! * rows.worth[index]!;
        covers[this.rowOf.get(place.kind)!]! += times[index]! / place.weight[this.across];
      });
      const { price } = this.sheets[sheet]!;
      const limit = this.limits.indexOf(sheet);
      const cost = price + (limit < 0 ? 0 : Math.max(0, duals[this.weighed.length + limit]!));
      const reduced = (worth - cost) / Math.max(cost, 1e-9);
      if (reduced > gain) {
        if (limit >= 0) covers[this.weighed.length + limit] = -1;
        [entering, gain] = [{ covers, price }, reduced];
      }
      return worth;
    });
    return { entering, worths };
  }

  private finished(): SheetInequality {
    const { duals } = this.best;
    this.price(duals);
    // The knapsack that priced the program may miss a rounding of value; the final bound is computed without that shortcut.
    const holds = this.bars.map(({ rows, room }) => maxWorth(rows, room));
    for (const { places } of this.bars)
      for (const place of places) {
        const most = holds[place.sheet]!;
        place.weight[this.axis] = most > 0 ? Math.max(0, duals[this.rowOf.get(place.kind)!]!) / place.weight[this.across] / most : 0;
      }
    for (const [kind, { places }] of this.kinds.entries()) if (!this.rowOf.has(kind)) for (const { weight } of places) weight[this.axis] = 0;
    return { needs: this.needsOf(duals), holds };
  }
}

/** The cheapest bar of one part kind alone. */
function cheapestAlone({ places, count }: BarPartKind, sheets: readonly BarSheetKind[], axis: BarAxis, across: BarAxis): { covers: number; price: number } {
  const alone = places
    .filter(({ sheet }) => sheets[sheet]!.limit === Infinity)
    .map(({ sheet, size, weight }) => ({
      covers: Math.min(count, Math.floor(sheets[sheet]!.size[axis] / size[axis])) / weight[across],
      price: sheets[sheet]!.price,
    }));
  return alone.reduce((best, each) => (each.price / each.covers < best.price / best.covers ? each : best));
}
