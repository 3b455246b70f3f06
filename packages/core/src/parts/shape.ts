/** Canonical form of a blank: every cut as points on named faces, in all four orientations. Mirror images differ by their faces alone. */
import { NM_PER } from '../length/length.ts';
import type { Drilled } from '../joints/drilling.ts';
import { notchFrame } from '../solid/convex.ts';
import { isFace } from '../solid/connection.ts';
import type { EdgeId, Face } from '../solid/panel.ts';
import { alongStrip, type ResolvedPanel } from '../solid/resolve.ts';
import { sliceOf } from '../solid/volume.ts';
import type { BlankBox } from './features.ts';
import { snapped } from './snap-sizes.ts';

interface Trait {
  readonly what: string;
  /** Measures that do not change with the orientation. */
  readonly sizes: readonly number[];
  readonly face: Face | 'both';
  /** From the blank's corner, whole nanometers. */
  readonly points: readonly (readonly [u: number, v: number])[];
}

export type PieceShape = readonly Trait[];

/** Every cut of a panel, from the corner of its blank; pockets are distinguished by their face. */
export function shapeOf(panel: ResolvedPanel, { u0, v0, plain }: BlankBox, drilled: readonly Drilled[] = []): PieceShape {
  const at = (u: number, v: number): [number, number] => [Math.round(u - u0) + 0, Math.round(v - v0) + 0];
  const traits: Trait[] = panel.slots.map(({ kind, face, normal, near, far, from, to, depth }) => {
    const run = alongStrip(normal);
    const corner = (n: number, r: number): [number, number] => at(normal.u * n + run.u * r, normal.v * n + run.v * r);
    return { what: kind, sizes: [depth], face, points: [corner(near, from), corner(near, to), corner(far, from), corner(far, to)] };
  });
  for (const cut of panel.cuts) {
    if (cut.kind === 'holes') {
      const last = cut.count - 1;
      const ends = [at(cut.at.u, cut.at.v), at(cut.at.u + cut.step.u * last, cut.at.v + cut.step.v * last)];
      const through = cut.depth === null;
      traits.push({ what: `holes ${cut.count}`, sizes: [cut.diameter, cut.depth ?? 0], face: through ? 'both' : cut.face, points: ends });
    } else if (cut.kind === 'edge-groove') {
      const { from } = notchFrame(panel, cut.edge);
      traits.push({ what: `groove ${cut.edge}`, sizes: [cut.width, cut.depth, cut.from], face: 'reference', points: [at(from.u, from.v)] });
    } else {
      const { from, along } = notchFrame(panel, cut.edge);
      const point = at(from.u + along.u * cut.at, from.v + along.v * cut.at);
      traits.push({ what: cut.round ? 'round notch' : 'notch', sizes: [cut.width, cut.depth], face: 'both', points: [point] });
    }
  }
  for (const { on, at: first, step, count, diameter, depth } of drilled) {
    const last = count - 1;
    const ends = [at(first.u, first.v), at(first.u + step.u * last, first.v + step.v * last)];
    const face = isFace(on) && depth !== null ? on : 'both';
    traits.push({ what: `drilled ${isFace(on) ? 'face' : 'edge'} ${count}`, sizes: [diameter, depth ?? 0], face, points: ends });
  }
  if (!plain) {
    const outline = (depth: number) => sliceOf(panel.outline, depth).map(({ u, v }) => at(u * NM_PER.mm, v * NM_PER.mm));
    const other = outline(panel.thickness / NM_PER.mm);
    traits.push({ what: 'outline', sizes: [], face: 'reference', points: outline(0) }, { what: 'outline', sizes: [], face: 'other', points: other });
  }
  return traits;
}

/** Shapes of blanks of one size with equal measures snapped to one number; `length` and `width` of the blank, snapped too. */
export function levelledShapes(shapes: readonly PieceShape[], length: number, width: number): PieceShape[] {
  const [alongs, acrosses, all] = [new Set<number>(), new Set<number>(), new Set<number>()];
  for (const shape of shapes)
    for (const { points, sizes } of shape) {
      // A snapped length is twice the middle of its chain, so its own mirror image lies about half of it.
      for (const [u, v] of points) {
        alongs.add(u).add(length / 2 - u);
        acrosses.add(v).add(width / 2 - v);
      }
      for (const measure of sizes) all.add(measure);
    }
  const [along, across, size] = [snapped(alongs), snapped(acrosses), snapped(all)];
  return shapes.map((shape) => shape.map((trait) => ({ ...trait, sizes: trait.sizes.map(size), points: trait.points.map(([u, v]) => [along(u), across(v)]) })));
}

const OTHER: Readonly<Record<Trait['face'], Trait['face']>> = { reference: 'other', other: 'reference', both: 'both' };

/** The mirror image: the same from the other face. */
export const mirror = (shape: PieceShape): PieceShape => shape.map((trait) => ({ ...trait, face: OTHER[trait.face] }));

/** A blank as it lies, in the order of its cuts: identical texts need no comparison of orientations. */
export function asItLies(shape: PieceShape, bands: readonly EdgeId[]): string {
  let text = bands.join();
  for (const { what, sizes, face, points } of shape) {
    text += `|${what} ${sizes.join()} ${face}`;
    for (const [u, v] of points) text += ` ${u},${v}`;
  }
  return text;
}

/** One of the four orientations of a blank: turned end for end, edge for edge, or both. */
interface Turn {
  readonly alongFlips: boolean;
  readonly acrossFlips: boolean;
}

/** The four orientations of a blank. Turned once the face changes, turned twice it does not. */
const TURNS: readonly Turn[] = [false, true].flatMap((alongFlips) => [false, true].map((acrossFlips) => ({ alongFlips, acrossFlips })));

/** Least hash over the four orientations: different hashes mean different pieces; equal ones rarely do. */
export function minSignature(shape: PieceShape, bands: readonly EdgeId[], length: number, width: number): number {
  let least = Infinity;
  for (const turn of TURNS) least = Math.min(least, signOf(shape, bands, length, width, turn));
  return least;
}

/** Least text over the four orientations: equal texts mean the same piece. */
export function canonicalText(shape: PieceShape, bands: readonly EdgeId[], length: number, width: number): string {
  const lowest = minSignature(shape, bands, length, width);
  return TURNS.filter((turn) => signOf(shape, bands, length, width, turn) === lowest)
    .map((turn) => turned(shape, bands, length, width, turn))
    .reduce((least, way) => (way < least ? way : least));
}

const FACE_SIGN: Readonly<Record<Trait['face'], number>> = { reference: 1, other: 2, both: 3 };

/** A hash independent of the order of cuts, points and bands. */
function signOf(shape: PieceShape, bands: readonly EdgeId[], length: number, width: number, { alongFlips, acrossFlips }: Turn): number {
  let sign = 0;
  for (const edge of bands) sign = (sign + mixed(swapped(edge, alongFlips, acrossFlips).charCodeAt(0), 7)) | 0;
  for (const { face, points } of shape) {
    let trait = 0;
    for (const point of points) trait = (trait + mixed(alongFlips ? length - point[0] : point[0], acrossFlips ? width - point[1] : point[1])) | 0;
    sign = (sign + mixed(trait, FACE_SIGN[alongFlips === acrossFlips ? face : OTHER[face]])) | 0;
  }
  return sign;
}

function mixed(a: number, b: number): number {
  const both = Math.imul(a | 0, 0x2c1b3c6d) ^ Math.imul((b | 0) + 0x5bd1, 0x297a2d39);
  return both ^ (both >>> 15);
}

function swapped(edge: EdgeId, alongFlips: boolean, acrossFlips: boolean): EdgeId {
  if (edge === 'start' || edge === 'end') return alongFlips ? (edge === 'start' ? 'end' : 'start') : edge;
  if (edge === 'near' || edge === 'far') return acrossFlips ? (edge === 'near' ? 'far' : 'near') : edge;
  return edge;
}

function turned(shape: PieceShape, bands: readonly EdgeId[], length: number, width: number, { alongFlips, acrossFlips }: Turn): string {
  const rows = shape.map(({ what, sizes, face, points }) => {
    const there = points.map(([u, v]) => `${alongFlips ? length - u : u},${acrossFlips ? width - v : v}`).sort();
    return `${what} ${sizes.join()} ${alongFlips === acrossFlips ? face : OTHER[face]} ${there.join(' ')}`;
  });
  return [...bands.map((edge) => swapped(edge, alongFlips, acrossFlips)), ...rows].sort().join('|');
}
