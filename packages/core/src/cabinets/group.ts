/** Cabinets within a cabinet: a box of a run, a module of a set. Moved to its place, with its names under its part's. */
import type { Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import type { Panel } from '../solid/panel.ts';
import type { Compartment, Hardware, CabinetGeometry } from '../solid/cabinet.ts';
import { vector } from '../solid/vector.ts';

export interface NestedAt {
  /** Name of the part; appended to the role in every id. */
  readonly part: string;
  readonly along: number;
  readonly up: number;
  /** Stands on the floor: its contents do not hang. */
  readonly stands?: boolean;
  /** Contents of a space of the part. */
  readonly keptBy: (space: string) => string;
}

/** A cabinet without its cleat and spacer, as part of another. Hanging rails stay: they pass its load on. */
export function nested(cabinet: CabinetGeometry, { part, along, up, stands, keptBy }: NestedAt): CabinetGeometry {
  const names = new Map<string, string>();
  /** Interned: the same few names recur in panels, connections and spaces. */
  const named = (name: string): string => {
    const known = names.get(name);
    if (known !== undefined) return known;
    const role = name.indexOf('/') + 1;
    const after = name.indexOf('/', role);
    const made = after < 0 ? `${name}/${part}` : `${name.slice(0, after)}/${part}${name.slice(after)}`;
    names.set(name, made);
    return made;
  };
  const flag = stands ? { stands: true } : {};
  const kept = cabinet.panels.filter(({ role }) => role !== 'cabinet-half' && role !== 'wall-half' && role !== 'spacer');
  const move = (panel: Panel): Panel => {
    const { origin } = panel.frame;
    return { ...panel, ...flag, id: named(panel.id), frame: { ...panel.frame, origin: vector(origin.along + along, origin.up + up, origin.out) } };
  };
  const spaceOf = (space: Compartment): Compartment => ({
    ...space,
    ...flag,
    id: named(space.id),
    floor: named(space.floor),
    keptBy: keptBy(space.keptBy),
    at: { along: (space.at.along + along) as Length, up: (space.at.up + up) as Length, out: space.at.out },
  });
  const connectionOf = (connection: Connection): Connection => ({
    ...connection,
    id: named(connection.id),
    guest: named(connection.guest),
    host: named(connection.host),
  });
  return {
    ...cabinet,
    panels: kept.map(move),
    connections: cabinet.connections.map(connectionOf),
    compartments: cabinet.compartments.map(spaceOf),
    hardware: cabinet.hardware.map((each): Hardware => ({ ...each, id: named(each.id), panel: named(each.panel) })),
    hanging: {
      ...cabinet.hanging,
      hangingRail: cabinet.hanging.hangingRail && named(cabinet.hanging.hangingRail),
      standoffUp: (cabinet.hanging.standoffUp + up) as Length,
    },
  };
}
