/**
 * A beam cut into small elements, each with the usual cubic shape, to check closed formulas of sag by. Knows no formula for a whole
 * beam: stiffnesses are put together and solved. Lengths mm, forces N, stiffness N mm².
 */

export interface BeamModel {
  readonly L: number;
  readonly EI: number;
  /** Places that cannot move up or down. */
  readonly held: readonly number[];
  /** Resistance of a place against turning, N mm a radian; Infinity clamps it. */
  readonly springs?: readonly { readonly at: number; readonly stiffness: number }[];
  /** P spread from a to b; a point where they are one. */
  readonly loads: readonly { readonly P: number; readonly a: number; readonly b: number }[];
}

const ELEMENTS = 80;
/** As good as immovable beside the beam itself, and not so stiff that digits are lost. */
const CLAMP = 1e7;

/** Downward movement at x, mm. */
export function beamSags({ L, EI, held, springs = [], loads }: BeamModel): (x: number) => number {
  const h = L / ELEMENTS;
  const size = 2 * (ELEMENTS + 1);
  const K = Array.from({ length: size }, () => new Float64Array(size));
  const F = new Float64Array(size);
  const k = EI / h ** 3;
  const element = [
    [12 * k, 6 * h * k, -12 * k, 6 * h * k],
    [6 * h * k, 4 * h * h * k, -6 * h * k, 2 * h * h * k],
    [-12 * k, -6 * h * k, 12 * k, -6 * h * k],
    [6 * h * k, 2 * h * h * k, -6 * h * k, 4 * h * h * k],
  ];
  for (let n = 0; n < ELEMENTS; n++) for (let i = 0; i < 4; i++) for (let j = 0; j < 4; j++) K[2 * n + i]![2 * n + j]! += element[i]![j]!;
  for (const { P, a, b } of loads) {
    // A strip as many points: each goes to the ends of its element by the element's own shapes.
    const points = b > a ? 2000 : 1;
    for (let p = 0; p < points; p++) {
      const x = points === 1 ? a : a + ((p + 0.5) * (b - a)) / points;
      const [n, shapes] = shapesAt(x, h);
      for (let i = 0; i < 4; i++) F[2 * n + i]! += (P / points) * shapes[i]!;
    }
  }
  const fixed = (dof: number, stiffness: number): void => void (K[dof]![dof]! += stiffness);
  for (const at of held) fixed(2 * Math.round(at / h), CLAMP * k * 12);
  for (const { at, stiffness } of springs) fixed(2 * Math.round(at / h) + 1, Math.min(stiffness, CLAMP * k * h * h));
  const moved = solved(K, F);
  return (x) => {
    const [n, shapes] = shapesAt(x, h);
    return shapes.reduce((sum, shape, i) => sum + shape * moved[2 * n + i]!, 0);
  };
}

/** The element a place lies in, and what its ends' movements and turns count for there. */
function shapesAt(x: number, h: number): [element: number, shapes: number[]] {
  const n = Math.min(ELEMENTS - 1, Math.floor(x / h));
  const s = x / h - n;
  return [n, [1 - 3 * s ** 2 + 2 * s ** 3, h * (s - 2 * s ** 2 + s ** 3), 3 * s ** 2 - 2 * s ** 3, h * (s ** 3 - s ** 2)]];
}

/** Elimination in the band: an element's ends touch only their neighbors. */
function solved(K: Float64Array[], F: Float64Array): Float64Array {
  const size = F.length;
  for (let column = 0; column < size; column++)
    for (let row = column + 1; row < Math.min(size, column + 4); row++) {
      const share = K[row]![column]! / K[column]![column]!;
      for (let at = column; at < Math.min(size, column + 4); at++) K[row]![at]! -= share * K[column]![at]!;
      F[row]! -= share * F[column]!;
    }
  const x = new Float64Array(size);
  for (let row = size - 1; row >= 0; row--) {
    let rest = F[row]!;
    for (let at = row + 1; at < Math.min(size, row + 4); at++) rest -= K[row]![at]! * x[at]!;
    x[row] = rest / K[row]![row]!;
  }
  return x;
}
