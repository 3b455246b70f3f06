/** Joints and meetings as every family makes them from a unit's decisions. Nothing here adds a depth to a length: solid/resolve.ts does. */
import { END_PLAY, FIT_PLAY } from '../joints/fits.ts';
import { ZERO, type Length } from '../length/length.ts';
import type { Fastening, Joint, JointKind, Meeting } from '../solid/meeting.ts';
import type { EdgeId, Face } from '../solid/panel.ts';
import type { UnitBase } from './unit-base.ts';

type Joined = Pick<UnitBase, 'assembly' | 'fit' | 'glue' | 'jointDepth'>;

/** The screws each joint of a unit gets; null for none. */
export function fasteningOf({ assembly }: Joined, count = assembly.perJoint): Fastening | null {
  return count > 0 ? { screw: assembly.screw, length: assembly.length.nm, count } : null;
}

/** A joint of the unit's own depth, fit, glue and screws. */
export function jointOf(design: Joined, kind: JointKind, more: Partial<Joint> = {}): Joint {
  const cut = kind === 'dado' || kind === 'rabbet';
  return {
    kind,
    depth: cut ? design.jointDepth.nm : ZERO,
    endPlay: cut ? END_PLAY : ZERO,
    play: cut ? FIT_PLAY[design.fit] : ZERO,
    glue: design.glue,
    fastening: fasteningOf(design),
    ...more,
  };
}

/** Held by nothing but what stands round it. */
export const LOOSE: Joint = { kind: 'butt', depth: ZERO, endPlay: ZERO, play: ZERO, glue: false, fastening: null };

/** On pins, with so much free at each end. */
export const onPins = (clearance: Length): Joint => ({ ...LOOSE, kind: 'pins', endPlay: clearance });

export const meet = (guest: string, edge: EdgeId | Face, host: string, face: Face | EdgeId, joint: Joint, decided?: readonly string[]): Meeting => ({
  id: `${guest}:${edge}`,
  guest,
  edge,
  host,
  face,
  joint,
  ...(decided ? { decided } : {}),
});

/** A level panel between two uprights: its left end against the right face of one, its right end against the left face of the other. */
export const between = (panel: string, left: string, right: string, joint: Joint, decided?: readonly string[]): Meeting[] => [
  meet(panel, 'start', left, 'other', joint, decided),
  meet(panel, 'end', right, 'reference', joint, decided),
];

/** Face on face: a strip screwed or glued to a panel. */
export const laidOn = (guest: string, face: Face, host: string, hostFace: Face, design: Joined, more: Partial<Joint> = {}): Meeting =>
  meet(guest, face, host, hostFace, jointOf(design, 'laid', more));
