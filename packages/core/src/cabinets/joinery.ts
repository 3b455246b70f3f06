/** Joints and connections of every family, from a cabinet's spec. Nothing here adds a depth to a length: solid/resolve.ts does. */
import { END_PLAY, playOf } from '../joints/fits.ts';
import { ZERO, type Length } from '../length/length.ts';
import type { Fastening, Joint, Connection } from '../solid/connection.ts';
import type { EdgeId, Face } from '../solid/panel.ts';
import type { SpecBase } from '../model/specs/spec-base.ts';
import type { FastenedBy, JointKind } from '../model/joinery.ts';

type Joined = Pick<SpecBase, 'assembly' | 'fit' | 'glue' | 'jointDepth' | 'place'>;

/** Eye height above the floor. [ASSUME] */
export const EYE = 1_600_000_000;

/** Fasteners of each joint beside glue; null for none. `by` overrides the cabinet's own. */
export function fasteningOf({ assembly, place }: Joined, count = assembly.perJoint, by: FastenedBy = assembly.by): Fastening | null {
  if (count <= 0) return null;
  const { screw, length, pilot, pocketsOn } = assembly;
  const base = { by, screw, length: length.nm, count, pilot };
  return by === 'pockets' ? { ...base, pockets: { on: pocketsOn, eyeUp: (EYE - place.up.nm) as Length } } : base;
}

/** Ends of a hanging rail or nailing strip between the sides: screwed through them, whatever else joins the cabinet. */
export const railEndsOf = (design: Joined & Pick<SpecBase, 'hanging'>): Joint =>
  jointOf(design, 'butt', { fastening: fasteningOf(design, Math.max(design.hanging.railScrews, design.assembly.perJoint), 'screws') });

/** A joint with the cabinet's own depth, fit, glue and screws. */
export function jointOf(design: Joined, kind: JointKind, more: Partial<Joint> = {}): Joint {
  const cut = kind === 'dado' || kind === 'rabbet';
  return {
    kind,
    depth: cut ? design.jointDepth.nm : ZERO,
    endPlay: cut ? END_PLAY : ZERO,
    ...(cut ? playOf(design.fit) : { play: ZERO }),
    glue: design.glue,
    fastening: fasteningOf(design),
    ...more,
  };
}

/** Loose, held only by its surroundings. */
export const LOOSE: Joint = { kind: 'butt', depth: ZERO, endPlay: ZERO, play: ZERO, glue: false, fastening: null };

/** On pins, with a clearance at each end. */
export const onPins = (clearance: Length): Joint => ({ ...LOOSE, kind: 'pins', endPlay: clearance });

export const connect = (guest: string, edge: EdgeId | Face, host: string, face: Face | EdgeId, joint: Joint, designPath?: readonly string[]): Connection => ({
  id: `${guest}:${edge}`,
  guest,
  edge,
  host,
  face,
  joint,
  ...(designPath ? { designPath } : {}),
});

/** A level panel between two uprights: its left end against the right face of one, its right end against the left face of the other. */
export const between = (panel: string, left: string, right: string, joint: Joint, decided?: readonly string[]): Connection[] => [
  connect(panel, 'start', left, 'other', joint, decided),
  connect(panel, 'end', right, 'reference', joint, decided),
];

/** Face on face: a strip screwed or glued to a panel, never pocketed or doweled. */
export const laidOn = (guest: string, face: Face, host: string, hostFace: Face, design: Joined, more: Partial<Joint> = {}): Connection =>
  connect(
    guest,
    face,
    host,
    hostFace,
    jointOf(design, 'laid', { fastening: fasteningOf(design, design.assembly.perJoint, design.assembly.by === 'brads' ? 'brads' : 'screws'), ...more }),
  );

/** A part of a set is screwed to the one cabinet cleat behind all of them, through its own rail. */
export function hungBy(design: Joined & Pick<SpecBase, 'id' | 'hanging'>, host: string, part: string): Connection {
  const { count, screw, length } = design.hanging.cabinetScrew;
  const fastening: Fastening = { by: 'screws', screw, length: length.nm, count, pilot: true };
  const connection = laidOn(`${design.id}/cabinet-half`, 'other', host, 'reference', { ...design, glue: false }, { fastening });
  return { ...connection, id: `${connection.id}:${part}` };
}
