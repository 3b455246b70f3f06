/**
 * What makes two blanks the same piece: everything cut into them as points on named faces, so that a
 * piece can be turned over in the mind and compared. Mirror images differ by their faces alone.
 */
import { NM_PER } from '../length/length.ts';
import type { Drilled } from '../joints/drilling.ts';
import { notchFrame } from '../solid/convex.ts';
import { isFace } from '../solid/meeting.ts';
import type { EdgeId, Face } from '../solid/panel.ts';
import { alongStrip, type ResolvedPanel } from '../solid/resolve.ts';
import { sliceOf } from '../solid/volume.ts';
import type { BlankBox } from './features.ts';

interface Trait {
  /** What it is, with every measure that does not change when the piece is turned. */
  readonly what: string;
  readonly face: Face | 'both';
  /** From the blank's corner, whole nanometres. */
  readonly points: readonly (readonly [u: number, v: number])[];
}

export type Shape = readonly Trait[];

/** Everything that is cut into a panel, from the corner of its blank; pockets are told apart by their face. */
export function shapeOf(panel: ResolvedPanel, { u0, v0, plain }: BlankBox, drilled: readonly Drilled[] = []): Shape {
  const at = (u: number, v: number): [number, number] => [Math.round(u - u0) + 0, Math.round(v - v0) + 0];
  const traits: Trait[] = panel.strips.map(({ kind, face, normal, near, far, from, to, depth }) => {
    const run = alongStrip(normal);
    const corner = (n: number, r: number): [number, number] => at(normal.u * n + run.u * r, normal.v * n + run.v * r);
    return { what: `${kind} ${depth}`, face, points: [corner(near, from), corner(near, to), corner(far, from), corner(far, to)] };
  });
  for (const cut of panel.cuts) {
    if (cut.kind === 'holes') {
      const last = cut.count - 1;
      const ends = [at(cut.at.u, cut.at.v), at(cut.at.u + cut.step.u * last, cut.at.v + cut.step.v * last)];
      traits.push({ what: `holes ${cut.count} ${cut.diameter} ${cut.depth}`, face: cut.depth === null ? 'both' : cut.face, points: ends });
    } else if (cut.kind === 'edge-groove') {
      const { from } = notchFrame(panel, cut.edge);
      traits.push({ what: `groove ${cut.edge} ${cut.width} ${cut.depth} ${cut.from}`, face: 'reference', points: [at(from.u, from.v)] });
    } else {
      const { from, along } = notchFrame(panel, cut.edge);
      const point = at(from.u + along.u * cut.at, from.v + along.v * cut.at);
      traits.push({ what: `notch ${cut.width} ${cut.depth} ${cut.round}`, face: 'both', points: [point] });
    }
  }
  for (const { on, at: first, step, count, diameter, depth } of drilled) {
    const last = count - 1;
    const ends = [at(first.u, first.v), at(first.u + step.u * last, first.v + step.v * last)];
    const face = isFace(on) && depth !== null ? on : 'both';
    traits.push({ what: `drilled ${isFace(on) ? 'face' : 'edge'} ${count} ${diameter} ${depth}`, face, points: ends });
  }
  if (!plain) {
    const outline = (depth: number) => sliceOf(panel.outline, depth).map(({ u, v }) => at(u * NM_PER.mm, v * NM_PER.mm));
    traits.push({ what: 'outline', face: 'reference', points: outline(0) }, { what: 'outline', face: 'other', points: outline(panel.thickness / NM_PER.mm) });
  }
  return traits;
}

const OTHER: Readonly<Record<Trait['face'], Trait['face']>> = { reference: 'other', other: 'reference', both: 'both' };

/** The mirror image: the same from the other face. */
export const mirror = (shape: Shape): Shape => shape.map((trait) => ({ ...trait, face: OTHER[trait.face] }));

/** A blank as it lies: what lies alike need not be turned to be known as the same. The order of its cuts counts here, so that nothing is sorted. */
export function asItLies(shape: Shape, bands: readonly EdgeId[]): string {
  let text = bands.join();
  for (const { what, face, points } of shape) {
    text += `|${what} ${face}`;
    for (const [u, v] of points) text += ` ${u},${v}`;
  }
  return text;
}

/** The least of the four ways a blank can be turned. Turned over once the face changes, turned twice it does not. */
export function leastTurn(shape: Shape, bands: readonly EdgeId[], length: number, width: number): string {
  if (shape.length === 0 && bands.length === 0) return '';
  let least = '';
  for (const alongFlips of [false, true])
    for (const acrossFlips of [false, true]) {
      const way = turned(shape, bands, length, width, alongFlips, acrossFlips);
      if (least === '' || way < least) least = way;
    }
  return least;
}

function turned(shape: Shape, bands: readonly EdgeId[], length: number, width: number, alongFlips: boolean, acrossFlips: boolean): string {
  const swap: Readonly<Partial<Record<EdgeId, EdgeId>>> = {
    start: alongFlips ? 'end' : 'start',
    end: alongFlips ? 'start' : 'end',
    near: acrossFlips ? 'far' : 'near',
    far: acrossFlips ? 'near' : 'far',
  };
  const rows = shape.map(({ what, face, points }) => {
    const there = points.map(([u, v]) => `${alongFlips ? length - u : u},${acrossFlips ? width - v : v}`).sort();
    return `${what} ${alongFlips === acrossFlips ? face : OTHER[face]} ${there.join(' ')}`;
  });
  return [...bands.map((edge) => swap[edge] ?? edge), ...rows].sort().join('|');
}
