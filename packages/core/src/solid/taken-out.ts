/**
 * A panel as a convex slab and the convex bodies removed from it, each by its corners, mm, for consumers with Boolean operations that make one closed body.
 * Holes stay filled.
 */
import { clipBody, cutHalfSpacesOf, notchFrame, slabOf, type ConvexBody, type HalfSpace } from './convex.ts';
import { NM_PER } from '../length/length.ts';
import { place, type PanelCut, type PanelPoint } from './panel.ts';
import type { ResolvedPanel } from './resolve.ts';
import { scale, vector, type Vector } from './vector.ts';
import { scoopRadius } from './volume.ts';

/** Extension of removed bodies past the slab where they are open, mm. */
const PAST = 10;
/** Sides of a half circle: on a radius of 50 mm the deviation is at most 0.02 mm. */
const HALF_CIRCLE = 48;

type Notch = Extract<PanelCut, { kind: 'notch' }>;

export interface TakenOut {
  readonly slab: readonly Vector[];
  readonly taken: readonly (readonly Vector[])[];
}

export function takenOut(panel: ResolvedPanel): TakenOut {
  const slab = cornersOf(slabOf(panel));
  const room = boxRound(slab);
  const isRound = (cut: PanelCut): cut is Notch => cut.kind === 'notch' && cut.round;
  const straight = cutHalfSpacesOf({ ...panel, cuts: panel.cuts.filter((cut) => !isRound(cut)) }).flatMap((spaces) => within(room, spaces));
  return { slab, taken: [...straight, ...panel.cuts.filter(isRound).map((cut) => roundNotch(panel, cut))] };
}

const cornersOf = (body: ConvexBody): Vector[] => {
  const seen = new Map<string, Vector>();
  for (const corner of body.flat()) seen.set(`${corner.along} ${corner.up} ${corner.out}`, corner);
  return [...seen.values()];
};

/** The part of a box inside all half-spaces: its corners, or nothing. */
function within(room: ConvexBody, spaces: readonly HalfSpace[]): Vector[][] {
  const body = spaces.reduce<ConvexBody | null>((left, space) => left && clipBody(left, space), room);
  return body ? [cornersOf(body)] : [];
}

function boxRound(corners: readonly Vector[]): ConvexBody {
  const least = (axis: keyof Vector): number => Math.min(...corners.map((corner) => corner[axis])) - PAST;
  const most = (axis: keyof Vector): number => Math.max(...corners.map((corner) => corner[axis])) + PAST;
  const at = (a: 0 | 1, u: 0 | 1, o: 0 | 1): Vector => vector((a ? most : least)('along'), (u ? most : least)('up'), (o ? most : least)('out'));
  // Counterclockwise seen from outside.
  return [
    [at(0, 0, 0), at(0, 1, 0), at(1, 1, 0), at(1, 0, 0)],
    [at(0, 0, 1), at(1, 0, 1), at(1, 1, 1), at(0, 1, 1)],
    [at(0, 0, 0), at(0, 0, 1), at(0, 1, 1), at(0, 1, 0)],
    [at(1, 0, 0), at(1, 1, 0), at(1, 1, 1), at(1, 0, 1)],
    [at(0, 0, 0), at(1, 0, 0), at(1, 0, 1), at(0, 0, 1)],
    [at(0, 1, 0), at(0, 1, 1), at(1, 1, 1), at(1, 1, 0)],
  ];
}

/** Straight from the edge, a half circle at its end; a scoop shallower than half its width is a circular segment. */
function roundNotch(panel: ResolvedPanel, cut: Notch): Vector[] {
  const [width, depth] = [cut.width / NM_PER.mm, cut.depth / NM_PER.mm];
  const scoop = depth < width / 2;
  const radius = scoop ? scoopRadius(width, depth) : width / 2;
  const middle = depth - radius;
  const half = scoop ? Math.asin(Math.min(1, width / (2 * radius))) : Math.PI / 2;
  const arc = Array.from({ length: HALF_CIRCLE + 1 }, (_, index) => {
    const angle = -half + (2 * half * index) / HALF_CIRCLE;
    return { along: radius * Math.sin(angle), inward: middle + radius * Math.cos(angle) };
  });
  const outside = [-1, 1].map((side) => ({ along: (side * width) / 2, inward: -PAST }));
  const { from, along, inward } = notchFrame(panel, cut.edge);
  const on = (far: { readonly along: number; readonly inward: number }, w: number): Vector => {
    const a = cut.at + far.along * NM_PER.mm;
    const i = far.inward * NM_PER.mm;
    const at: PanelPoint = { u: from.u + along.u * a + inward.u * i, v: from.v + along.v * a + inward.v * i };
    return scale(place(panel.frame, at, w), 1 / NM_PER.mm);
  };
  const past = PAST * NM_PER.mm;
  return [...outside, ...arc].flatMap((each) => [on(each, -past), on(each, panel.thickness + past)]);
}
