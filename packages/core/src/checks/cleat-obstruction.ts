/** Obstacles under a cabinet's own wall cleat: outlets and rails that it can be notched around, or must make way for. */
import { wallHalfEnds, wallHalfFoot } from '../hang/wall-links.ts';
import { enteredFromNm } from '../length/entered.ts';
import { NM_PER, type Length } from '../length/length.ts';
import { blocksCabinets, mustBeReached, overlap, thingRect, type WallRect } from '../wall/placed.ts';
import { railRect } from '../wall/rails.ts';
import { railsInOrder, type Wall, type WallThing } from '../model/wall.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { withFixes, type Finding, type Fix } from './finding.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** Clearance of a notch around its obstacle. [A] */
const NOTCH_PLAY = 5 * NM_PER.mm;
/** Least share of the cleat that must remain under its bevel. [A] */
const MAX_NOTCH = 0.5;

interface Placed {
  readonly wall: Wall;
  readonly things: readonly WallThing[];
  readonly spec: CabinetSpec;
  readonly cabinet: ResolvedCabinet;
}

/** Obstacles under the wall cleat that its notch does not clear. `elsewhere`: other places for the cabinet, searched on demand. */
export function cleatObstruction({ wall, things, spec, cabinet }: Placed, elsewhere: () => readonly Fix[]): Finding[] {
  const { hanging } = cabinet;
  if (!hanging.rip || hanging.onRail) return [];
  const ends = wallHalfEnds(cabinet);
  const foot = wallHalfFoot(cabinet, spec.place.up.nm).value;
  const half: WallRect = {
    left: spec.place.along.nm + ends.from * NM_PER.mm,
    right: spec.place.along.nm + ends.to * NM_PER.mm,
    bottom: foot,
    top: foot + hanging.shortFace,
  };
  const { notch } = hanging;
  const cleared = ({ left, right, top }: WallRect): boolean =>
    notch !== null && left >= spec.place.along.nm + notch.from && right <= spec.place.along.nm + notch.to && top <= foot + notch.depth;
  const inWay = [
    // Hidden pipes and cables do not matter here: holes keep clear of them.
    ...things.filter((thing) => mustBeReached(thing) || blocksCabinets(thing)).map((thing) => ({ name: thing.name, rect: thingRect(thing) })),
    ...railsInOrder(wall).map((rail) => ({ name: rail.name, rect: railRect(rail, hanging.shortFace) })),
  ].filter(({ rect }) => overlap(half, rect) && !cleared(rect));
  return inWay.map(({ name, rect }) =>
    withFixes<Finding>({ check: 'half-in-way', unit: spec.id, severity: 'change', station: 'wall', panels: [hanging.wallHalf], other: name, fixes: [] }, () => [
      ...notchRound(spec, half, rect, hanging.shortFace),
      ...elsewhere(),
    ]),
  );
}

/** Notched from below, where enough of the cleat remains above. */
function notchRound({ id }: Pick<CabinetSpec, 'id'>, half: WallRect, rect: WallRect, shortFace: Length): Fix[] {
  const depth = rect.top + NOTCH_PLAY - half.bottom;
  if (depth > MAX_NOTCH * shortFace) return [];
  const from = Math.max(half.left, rect.left - NOTCH_PLAY);
  const to = Math.min(half.right, rect.right + NOTCH_PLAY);
  const value = {
    at: enteredFromNm(Math.round(from - half.left)),
    length: enteredFromNm(Math.round(to - from)),
    depth: enteredFromNm(Math.round(depth)),
  };
  return [{ label: { key: 'notch-half', lengthNm: value.length.nm, otherNm: value.depth.nm }, edit: [{ path: ['units', id, 'hanging', 'notch'], value }] }];
}
