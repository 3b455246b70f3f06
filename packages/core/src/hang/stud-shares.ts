/**
 * How studs share a cabinet's weight spread along the wall cleat: as simple spans with cantilever ends, as a beam on unyielding supports, and as a rigid
 * rail on equal springs. The greatest of the three counts at each stud. Source: docs/formulas/stud-shares.md [eq].
 */
export interface StudShares {
  /** Reactions in the order of the given studs, N. */
  readonly simple: readonly number[];
  readonly continuous: readonly number[];
  readonly rigid: readonly number[];
  readonly worst: number;
}

/**
 * Weight N, positions mm.
 * @throws RangeError without studs, or with two studs at one position
 */
export function studShares(weight: number, left: number, right: number, studs: readonly number[], centre = (left + right) / 2): StudShares {
  const half = Math.min(centre - left, right - centre);
  if (studs.length > 0 && !(half > 0)) throw new RangeError('the centre of gravity is not between the ends');
  return sharesOf([{ from: centre - half, to: centre + half, perMm: weight / (2 * half) }], weight, centre, studs);
}

/** The same for a cabinet on brackets, over all contact patterns (`bracketPatterns`): the greatest at each stud. */
export function bracketShares(
  patterns: readonly (readonly number[])[],
  brackets: readonly { readonly from: number; readonly to: number }[],
  studs: readonly number[],
): StudShares {
  const each = patterns.map((pattern) => {
    const weight = pattern.reduce((sum, newtons) => sum + newtons, 0);
    const moment = brackets.reduce((sum, { from, to }, index) => sum + (pattern[index]! * (from + to)) / 2, 0);
    return sharesOf(
      brackets.map(({ from, to }, index) => ({ from, to, perMm: pattern[index]! / (to - from) })),
      weight,
      weight > 0 ? moment / weight : 0,
      studs,
    );
  });
  const greatest = (way: 'simple' | 'continuous' | 'rigid'): number[] => studs.map((_, index) => Math.max(...each.map((shares) => shares[way][index]!)));
  return { simple: greatest('simple'), continuous: greatest('continuous'), rigid: greatest('rigid'), worst: Math.max(...each.map(({ worst }) => worst)) };
}

/**
 * Contact patterns of a weight on brackets: the two ends alone, the two beside its center alone, or all as springs of one stiffness. With two brackets they
 * coincide. The reactions depend on millimeter-level fit, so all patterns count. Bracket middles in order, mm; N each.
 */
export function bracketPatterns(weight: number, middles: readonly number[], centre: number): number[][] {
  const last = middles.length - 1;
  const right = Math.max(
    1,
    middles.findIndex((middle, index) => middle >= centre || index === last),
  );
  const onTwo = (a: number, b: number): number[] => {
    const far = (weight * (centre - middles[a]!)) / (middles[b]! - middles[a]!);
    return middles.map((_, index) => (index === a ? weight - far : index === b ? far : 0));
  };
  return [onTwo(0, last), ...(last > 1 ? [onTwo(right - 1, right), rigidRail(weight, centre, middles)] : [])];
}

function sharesOf(loads: readonly Load[], weight: number, centre: number, studs: readonly number[]): StudShares {
  if (studs.length === 0) throw new RangeError('there is no stud to carry anything');
  if (!studs.every((x, i) => i === 0 || x > studs[i - 1]!)) return sharesInOrder(loads, weight, centre, studs);
  const simple = studs.length === 1 ? [weight] : summed(loads, studs, simpleSpans);
  const continuous = studs.length < 3 ? simple : summed(loads, studs, continuousBeam);
  const rigid = rigidRail(weight, centre, studs);
  return { simple, continuous, rigid, worst: Math.max(...simple, ...continuous, ...rigid) };
}

function sharesInOrder(loads: readonly Load[], weight: number, centre: number, studs: readonly number[]): StudShares {
  const order = studs.map((_, index) => index).sort((a, b) => studs[a]! - studs[b]!);
  const at = order.map((index) => studs[index]!);
  if (at.some((x, i) => i > 0 && x === at[i - 1])) throw new RangeError('two studs stand in one place');
  const { simple, continuous, rigid, worst } = sharesOf(loads, weight, centre, at);
  const back = (values: readonly number[]): readonly number[] => studs.map((_, index) => values[order.indexOf(index)]!);
  return { simple: back(simple), continuous: back(continuous), rigid: back(rigid), worst };
}

/** Superposition: reactions to several loads are the sums of those to each. */
function summed(loads: readonly Load[], at: readonly number[], way: (load: Load, at: readonly number[]) => number[]): number[] {
  const sums = way(loads[0]!, at);
  for (let n = 1; n < loads.length; n++) way(loads[n]!, at).forEach((value, index) => (sums[index]! += value));
  return sums;
}

interface Load {
  readonly from: number;
  readonly to: number;
  readonly perMm: number;
}

/** Weight of the load between two positions, N. */
const weightBetween = ({ from, to, perMm }: Load, a: number, b: number): number => Math.max(0, Math.min(to, b) - Math.max(from, a)) * perMm;
/** Middle of that part, mm; arbitrary where the part is empty. */
const middleBetween = ({ from, to }: Load, a: number, b: number): number => (Math.max(from, a) + Math.min(to, b)) / 2;

/** Simple beams between supports; overhangs belong to the first and last span. */
function simpleSpans(load: Load, at: readonly number[]): number[] {
  const reactions = at.map(() => 0);
  for (let i = 0; i + 1 < at.length; i++) {
    const a = i === 0 ? -Infinity : at[i]!;
    const b = i + 2 === at.length ? Infinity : at[i + 1]!;
    const weight = weightBetween(load, a, b);
    const right = weight === 0 ? 0 : (weight * (middleBetween(load, a, b) - at[i]!)) / (at[i + 1]! - at[i]!);
    reactions[i]! += weight - right;
    reactions[i + 1]! += right;
  }
  return reactions;
}

/** Three-moment equations with the overhangs' moments at the end supports. */
function continuousBeam(load: Load, at: readonly number[]): number[] {
  const n = at.length;
  const moments = at.map(() => 0);
  const leftOver = weightBetween(load, -Infinity, at[0]!);
  const rightOver = weightBetween(load, at[n - 1]!, Infinity);
  if (leftOver > 0) moments[0] = -leftOver * (at[0]! - middleBetween(load, -Infinity, at[0]!));
  if (rightOver > 0) moments[n - 1] = -rightOver * (middleBetween(load, at[n - 1]!, Infinity) - at[n - 1]!);
  solveInterior(load, at, moments);
  const reactions = at.map(() => 0);
  reactions[0]! += leftOver;
  reactions[n - 1]! += rightOver;
  for (let i = 0; i + 1 < n; i++) {
    const span = at[i + 1]! - at[i]!;
    const weight = weightBetween(load, at[i]!, at[i + 1]!);
    const moment = weight === 0 ? 0 : weight * (middleBetween(load, at[i]!, at[i + 1]!) - at[i]!);
    const right = (moment + moments[i]! - moments[i + 1]!) / span;
    reactions[i]! += weight - right;
    reactions[i + 1]! += right;
  }
  return reactions;
}

/** Solves the tridiagonal system of interior support moments by elimination. */
function solveInterior(load: Load, at: readonly number[], moments: number[]): void {
  const n = at.length;
  const diagonal: number[] = [];
  const rhs: number[] = [];
  for (let i = 1; i + 1 < n; i++) {
    const before = at[i]! - at[i - 1]!;
    const after = at[i + 1]! - at[i]!;
    diagonal[i] = 2 * (before + after);
    rhs[i] = -(loadTerm(load, at[i - 1]!, at[i]!, false) + loadTerm(load, at[i]!, at[i + 1]!, true));
    if (i === 1) rhs[i]! -= before * moments[0]!;
    if (i === n - 2) rhs[i]! -= after * moments[n - 1]!;
    if (i > 1) {
      const factor = before / diagonal[i - 1]!;
      diagonal[i]! -= factor * before;
      rhs[i]! -= factor * rhs[i - 1]!;
    }
  }
  for (let i = n - 2; i >= 1; i--) {
    const after = at[i + 1]! - at[i]!;
    moments[i] = (rhs[i]! - (i === n - 2 ? 0 : after * moments[i + 1]!)) / diagonal[i]!;
  }
}

/** Load term 6 A x̄ / L of the span's own load, x measured from the far support. */
function loadTerm({ from, to, perMm }: Load, a: number, b: number, fromRight: boolean): number {
  const L = b - a;
  const start = Math.max(from, a);
  const end = Math.min(to, b);
  if (end <= start) return 0;
  const [p, q] = fromRight ? [b - end, b - start] : [start - a, end - a];
  const primitive = (x: number): number => (L * L * x * x) / 2 - x ** 4 / 4;
  return (perMm / L) * (primitive(q) - primitive(p));
}

function rigidRail(weight: number, centre: number, at: readonly number[]): number[] {
  const mean = at.reduce((sum, x) => sum + x, 0) / at.length;
  const spread = at.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  return at.map((x) => weight / at.length + (spread === 0 ? 0 : (weight * (centre - mean) * (x - mean)) / spread));
}
