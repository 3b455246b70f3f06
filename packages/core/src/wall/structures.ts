import type { StructureId } from '../model/wall.ts';

export interface Structure {
  readonly id: StructureId;
  readonly name: string;
  /** It has studs or ribs to be found. */
  readonly ribs: boolean;
  /** What carries: timber studs; metal studs; masonry, by plugs; a moving wall, on which no hook alone may hang. */
  readonly carries: 'timber' | 'metal' | 'masonry' | 'moving';
  /** Soundness for a plug, as a share of solid brick. [ASSUME] */
  readonly sound: number;
  /** Usual thickness between cleat and ground, mm. [ASSUME] */
  readonly coveringMm: number;
}

const row = (id: StructureId, name: string, ribs: boolean, carries: Structure['carries'], coveringMm: number, sound = 0): Structure => ({
  id,
  name,
  ribs,
  carries,
  coveringMm,
  sound,
});

export const STRUCTURES: Readonly<Record<StructureId, Structure>> = {
  'timber-wallboard': row('timber-wallboard', 'timber studs behind wallboard', true, 'timber', 12.5),
  'timber-sheathed': row('timber-sheathed', 'timber studs behind plywood or OSB', true, 'timber', 12),
  'timber-lath': row('timber-lath', 'timber studs behind lath and plaster', true, 'timber', 25),
  'metal-studs': row('metal-studs', 'metal studs behind wallboard', true, 'metal', 12.5),
  'dabs-block': row('dabs-block', 'plasterboard on dabs over block', false, 'masonry', 25, 0.5),
  brick: row('brick', 'solid brick', false, 'masonry', 15, 1),
  concrete: row('concrete', 'concrete', false, 'masonry', 5, 1),
  'hollow-block': row('hollow-block', 'hollow block', false, 'masonry', 15, 0.5),
  'aerated-block': row('aerated-block', 'aerated block', false, 'masonry', 15, 0.25),
  'panel-door': row('panel-door', 'a panelled door', false, 'moving', 0),
  vehicle: row('vehicle', 'ribs of a vehicle or boat', true, 'moving', 5),
};
