/** Wall rails: the studs each crosses, its notches, and its pieces. */
import { NM_PER, type Length } from '../length/length.ts';
import { mustBeReached, overlap, thingRect, type WallRect } from './placed.ts';
import { studCentres } from './studs.ts';
import { thingsInOrder, type Wall, type WallRail } from '../model/wall.ts';

export interface RailPiece {
  readonly from: Length;
  readonly to: Length;
}

export interface RailLayout {
  readonly studs: readonly Length[];
  readonly pieces: readonly RailPiece[];
  /** Things it is notched around, with clearance. */
  readonly notches: readonly { readonly thing: string; readonly from: Length; readonly to: Length }[];
}

/** Clearance of a notch around its obstacle. [A] */
export const NOTCH_PLAY = 5 * NM_PER.mm;

/** The face of a rail in elevation: from its foot up to the foot of its bevel, `shortFace` high. */
export const railRect = ({ left, right, up }: WallRail, shortFace: number): WallRect => ({
  left: left.nm,
  right: right.nm,
  bottom: up.nm - shortFace,
  top: up.nm,
});

/** Pieces of a rail no longer than the board, joined over the middle of a stud where one is in reach. */
export function layRail(wall: Wall, rail: WallRail, shortFace: number): RailLayout {
  const [left, right] = [rail.left.nm, rail.right.nm];
  const studs = studCentres(wall).filter((at) => at >= left && at <= right);
  const pieces: RailPiece[] = [];
  let from: number = left;
  while (right - from > rail.pieceLength.nm && pieces.length < 100) {
    const most = from + rail.pieceLength.nm;
    const joint = [...studs].reverse().find((at) => at <= most && at > from + NM_PER.mm) ?? most;
    pieces.push({ from: from as Length, to: joint as Length });
    from = joint;
  }
  pieces.push({ from: from as Length, to: right });
  const face = railRect(rail, shortFace);
  const notches = thingsInOrder(wall)
    .filter((thing) => mustBeReached(thing) && overlap(thingRect(thing), face))
    .map((thing) => {
      const rect = thingRect(thing);
      return { thing: thing.id, from: Math.max(left, rect.left - NOTCH_PLAY) as Length, to: Math.min(right, rect.right + NOTCH_PLAY) as Length };
    });
  return { studs, pieces, notches };
}

/** The next stud beyond an end, to extend the rail to; null when there is none. */
export function nextStud(wall: Wall, at: number, towards: 'left' | 'right', past: number): Length | null {
  const studs = studCentres(wall);
  const found = towards === 'right' ? studs.find((stud) => stud > at) : [...studs].reverse().find((stud) => stud < at);
  if (found === undefined) return null;
  return Math.min(wall.width.nm, Math.max(0, found + (towards === 'right' ? past : -past))) as Length;
}
