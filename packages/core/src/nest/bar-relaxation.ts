/**
 * Lower bounds by the bar relaxation. Every line across a sheet meets parts whose sizes along it, kerfs included, add up to no more than the
 * sheet's. So each sheet is a stack of one-dimensional cutting patterns (bars), and what the parts need of them is a linear covering program
 * solved by column generation. The dual prices weigh sizes so that no bar weighs more than 1; along the other axis sizes are weighed by the
 * prices of the program before, at first by their share of the side. Axes take turns, and each program is at least as strong as the one before.
 * Sources: Scheithauer, "LP-based bounds for the container and multi-container loading problem", 1999; Belov, Kartak, Rohling and Scheithauer,
 * "One-dimensional relaxations and LP bounds for orthogonal packing", 2009; Farley, "A note on bounding a class of linear programming problems,
 * including cutting stock problems", 1990 (a bound from prices that are not final).
 */
import { CoveringLp, type Column } from './covering-lp.ts';
import { greedyKnapsack, knapsack, maxWorth, type KnapsackRows } from './knapsack.ts';
import { lieOf, type Bed } from './pieces.ts';
import type { NestPart } from './problem.ts';

/** What any sheets that hold the parts must satisfy: Σ count · holds >= needs, `holds` for each sheet kind in the order given. */
export interface SheetInequality {
  readonly needs: number;
  readonly holds: readonly number[];
}

export interface BarRelaxation {
  /** Work of the next step, in pieces placed; Infinity when there is none left. */
  work(): number;
  /** One pivot, or one program finished. Returns the inequality that a finished program gives. */
  step(): SheetInequality | null;
}

type Axis = 'x' | 'y';

/**
 * Programs in turn: bars along the shorter or the longer side of a sheet, and whether sizes along the other one weigh their share of the side
 * again. Few parts lie along the shorter side: such a program is quick, and says most.
 */
const PROGRAMS: readonly { readonly along: 'shorter' | 'longer'; readonly afresh: boolean }[] = [
  { along: 'shorter', afresh: true },
  { along: 'longer', afresh: false },
  { along: 'shorter', afresh: false },
  { along: 'longer', afresh: true },
  { along: 'shorter', afresh: false },
];
/** Pivots of one program at most: so many for each row, and never fewer than `min`. */
const MAX_PIVOTS = { perRow: 10, min: 60 } as const;
/** Parts of more kinds than this are left to the other bounds: a program would take longer than the search. */
const MAX_KINDS = 60;
/** A bar must be worth this share more than its price to enter. */
const GAIN = 1e-7;
/** Weights under this count as none. */
const NO_WEIGHT = 1e-9;
/** A pivot takes as long as placing so many pieces; and as long as one, so many knapsack states, or multiplications. */
const PIECES_A_PIVOT = 3;
const STATES_A_PIECE = 25;
const PRODUCTS_A_PIECE = 8000;

/** One way a kind of part may lie on one kind of sheet. Sizes include the kerf; weights are shares of what the sheet's side can hold. */
interface Place {
  readonly kind: number;
  readonly sheet: number;
  readonly size: Readonly<Record<Axis, number>>;
  readonly share: Readonly<Record<Axis, number>>;
  readonly weight: Record<Axis, number>;
}

interface Kind {
  count: number;
  readonly places: readonly Place[];
}

interface SheetKind {
  readonly size: Readonly<Record<Axis, number>>;
  readonly price: number;
  /** How many there are; Infinity when as many as wanted. */
  readonly limit: number;
}

/** Null where it has nothing to say: sheets that cost nothing without end, or too many kinds of part. */
export function barRelaxation(parts: readonly NestPart[], beds: readonly Bed[], prices: readonly number[], kerf: number): BarRelaxation | null {
  const isAnyEndless = beds.some(({ sheet }) => sheet.count === null);
  const sheets = beds.map(({ dx, dy, sheet }, index): SheetKind => ({
    size: { x: dx + kerf, y: dy + kerf },
    price: prices[index]!,
    // With no kind without end the limits are passed over: that only lowers the bound.
    limit: isAnyEndless ? (sheet.count ?? Infinity) : Infinity,
  }));
  const kinds = kindsOf(parts, beds, sheets, kerf);
  if (kinds.length === 0 || kinds.length > MAX_KINDS || sheets.some(({ price, limit }) => limit === Infinity && price <= 0)) return null;
  const [shorter, longer]: readonly Axis[] = sheets[0]!.size.x < sheets[0]!.size.y ? ['x', 'y'] : ['y', 'x'];
  const programAt = (turn: number): Program | null => {
    const next = PROGRAMS[turn];
    if (next?.afresh) for (const { places } of kinds) for (const { weight, share } of places) Object.assign(weight, share);
    return next ? programOf(kinds, sheets, next.along === 'shorter' ? shorter! : longer!) : null;
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

/** Parts that lie alike, as one kind; those that fit only on sheets that run out are left out, which only lowers the bound. */
function kindsOf(parts: readonly NestPart[], beds: readonly Bed[], sheets: readonly SheetKind[], kerf: number): Kind[] {
  const byPlaces = new Map<string, Kind>();
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
      const places = lies.map(({ sheet, x, y }): Place => {
        const share = { x: x / sheets[sheet]!.size.x, y: y / sheets[sheet]!.size.y };
        return { kind, sheet, size: { x, y }, share, weight: { ...share } };
      });
      byPlaces.set(key, { count: part.count, places });
    }
  }
  return [...byPlaces.values()];
}

interface Program {
  work(): number;
  /** One pivot; the inequality when the program is finished. */
  step(): SheetInequality | null;
}

/** The bars of one sheet kind along the axis: rows of a knapsack, side by side with the places they stand for. */
interface Bars {
  readonly places: readonly Place[];
  readonly rows: KnapsackRows;
  readonly room: number;
}

/** A program along one axis. When it is finished the places have their new weights along it. */
function programOf(kinds: readonly Kind[], sheets: readonly SheetKind[], axis: Axis): Program {
  const across: Axis = axis === 'x' ? 'y' : 'x';
  // A kind that weighs nothing in some place can always be had for nothing there.
  const weighed = kinds.flatMap((kind, index) => (kind.places.every(({ weight }) => weight[across] > NO_WEIGHT) ? [index] : []));
  const rowOf = new Map(weighed.map((kind, row) => [kind, row]));
  const limits = sheets.flatMap(({ limit }, sheet) => (limit < Infinity ? [sheet] : []));
  const demand = Float64Array.from([...weighed.map((kind) => kinds[kind]!.count), ...limits.map((sheet) => -sheets[sheet]!.limit)]);
  const bars = sheets.map(({ size }, sheet): Bars => {
    const places = weighed.flatMap((kind) => kinds[kind]!.places.filter((place) => place.sheet === sheet));
    const room = size[axis];
    const most = places.map((place) => Math.min(kinds[place.kind]!.count, Math.floor(room / place.size[axis])));
    return { places, room, rows: { count: places.length, size: places.map((place) => place.size[axis]), worth: places.map(() => 0), most } };
  });
  const lp = new CoveringLp(demand, [
    ...weighed.map((kind) => cheapestAlone(kinds[kind]!, sheets, axis, across)),
    ...limits.map(() => ({ covers: -1, price: 0 })),
  ]);
  let pivots = 0;
  let states = 0;
  let best = { needs: -Infinity, duals: new Float64Array(demand.length) };

  /** Sets what each place is worth at these duals. */
  const price = (duals: Float64Array): void => {
    for (const { places, rows } of bars)
      places.forEach((place, index) => {
        rows.worth[index] = Math.max(0, duals[rowOf.get(place.kind)!]!) / place.weight[across];
      });
  };
  const needsOf = (duals: Float64Array): number => weighed.reduce((sum, kind, row) => sum + kinds[kind]!.count * Math.max(0, duals[row]!), 0);
  /** The share of these duals, and what limited sheets are worth beyond their price, that no bar is worth more than it costs. */
  const scaled = (worths: readonly number[]): { share: number; given: number } => {
    const share = sheets.reduce(
      (least, { price: own, limit }, sheet) => (limit === Infinity ? Math.min(least, own / Math.max(worths[sheet]!, 1e-300)) : least),
      1,
    );
    const given = sheets.reduce((sum, { price: own, limit }, sheet) => (limit < Infinity ? sum + limit * Math.max(0, share * worths[sheet]! - own) : sum), 0);
    return { share, given };
  };

  const finished = (): SheetInequality => {
    price(best.duals);
    // The patterns that priced the program may miss a hair of worth; what counts is searched without.
    const holds = bars.map(({ rows, room }) => maxWorth(rows, room));
    for (const { places } of bars)
      for (const place of places) {
        const most = holds[place.sheet]!;
        place.weight[axis] = most > 0 ? Math.max(0, best.duals[rowOf.get(place.kind)!]!) / place.weight[across] / most : 0;
      }
    for (const [kind, { places }] of kinds.entries()) if (!rowOf.has(kind)) for (const { weight } of places) weight[axis] = 0;
    return { needs: needsOf(best.duals), holds };
  };

  /** The bar found that gains most on its price, and what the best bar of each sheet kind is worth. */
  const priced = (duals: Float64Array, bestBar: (rows: KnapsackRows, room: number) => Int32Array): { entering: Column | null; worths: number[] } => {
    let entering: Column | null = null;
    let gain = GAIN;
    const worths = bars.map(({ places, rows, room }, sheet) => {
      const times = bestBar(rows, room);
      const covers = new Float64Array(demand.length);
      let worth = 0;
      places.forEach((place, index) => {
        worth += times[index]! * rows.worth[index]!;
        covers[rowOf.get(place.kind)!]! += times[index]! / place.weight[across];
      });
      const limit = limits.indexOf(sheet);
      const cost = sheets[sheet]!.price + (limit < 0 ? 0 : Math.max(0, duals[weighed.length + limit]!));
      const reduced = (worth - cost) / Math.max(cost, 1e-9);
      if (reduced > gain) {
        if (limit >= 0) covers[weighed.length + limit] = -1;
        [entering, gain] = [{ covers, price: sheets[sheet]!.price }, reduced];
      }
      return worth;
    });
    return { entering, worths };
  };

  return {
    work: () => Math.ceil(PIECES_A_PIVOT + states / STATES_A_PIECE + (3 * demand.length ** 2) / PRODUCTS_A_PIECE),
    step() {
      states = 0;
      if (++pivots > Math.max(MAX_PIVOTS.min, MAX_PIVOTS.perRow * demand.length)) return finished();
      if (lp.dropNegative()) return null;
      const duals = lp.duals();
      price(duals);
      const { entering: quick } = priced(duals, greedyKnapsack);
      if (quick && lp.add(quick)) return null;
      const { entering, worths } = priced(duals, (rows, room) => {
        const times = knapsack(rows, room);
        states += rows.states ?? 0;
        return times;
      });
      const { share, given } = scaled(worths);
      const needs = share * needsOf(duals) - given;
      if (needs > best.needs) best = { needs, duals: duals.map((dual) => dual * share) };
      return entering && lp.add(entering) ? null : finished();
    },
  };
}

/** The cheapest bar of one kind alone. */
function cheapestAlone({ places, count }: Kind, sheets: readonly SheetKind[], axis: Axis, across: Axis): { covers: number; price: number } {
  const alone = places
    .filter(({ sheet }) => sheets[sheet]!.limit === Infinity)
    .map(({ sheet, size, weight }) => ({
      covers: Math.min(count, Math.floor(sheets[sheet]!.size[axis] / size[axis])) / weight[across],
      price: sheets[sheet]!.price,
    }));
  return alone.reduce((best, each) => (each.price / each.covers < best.price / best.covers ? each : best));
}
