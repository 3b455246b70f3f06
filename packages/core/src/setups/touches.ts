/** Where a part butts against the face of another: no cut, but laid out like a slot. */
import type { Length } from '../length/length.ts';
import { isLess, ONE_SIZE } from '../length/same-size.ts';
import { isFace, type Connection } from '../solid/connection.ts';
import { place } from '../solid/panel.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { dot, plusVector, scale } from '../solid/vector.ts';
import type { OperationBlank } from './operations.ts';

export interface Touch {
  readonly id: string;
  /** The part it is marked on. */
  readonly panel: string;
  readonly guest: string;
  /** Both faces of the guest, from the blank's start end. */
  readonly near: Length;
  readonly far: Length;
}

/** Only parts square across their host; a part along it, or at a slant, is positioned by other means. */
export function touchesOf({ byId, connections }: Pick<ResolvedCabinet, 'byId' | 'connections'>, blanks: ReadonlyMap<string, OperationBlank>): Touch[] {
  return connections.flatMap((connection): Touch[] => {
    const blank = blanks.get(connection.host);
    const { kind, glue, fastening } = connection.joint;
    // A part that only touches another, held elsewhere, lies where it is held.
    if (!blank || kind !== 'butt' || !(glue || fastening) || !isFace(connection.face) || isFace(connection.edge)) return [];
    const walls = wallsOn(blank, connection, byId);
    return walls && !isLess(walls.near, 0) && !isLess(blank.length, walls.far)
      ? [{ id: connection.id, panel: connection.host, guest: connection.guest, ...walls }]
      : [];
  });
}

function wallsOn({ panel: host, box }: OperationBlank, { guest, edge }: Connection, byId: ResolvedCabinet['byId']): Pick<Touch, 'near' | 'far'> | null {
  const own = byId.get(guest);
  const at = own ? own.outline.findIndex(({ id }) => id === edge) : -1;
  if (!own || at < 0) return null;
  const ends = [own.outline[at]!.from, own.outline[(at + 1) % own.outline.length]!.from];
  const along = ends.flatMap((end) =>
    [0, own.thickness].map((deep) => dot(plusVector(place(own.frame, end, deep), scale(host.frame.origin, -1)), host.frame.u) - box.u0),
  );
  const [near, far] = [Math.min(...along), Math.max(...along)];
  return far - near <= own.thickness + ONE_SIZE ? { near: Math.round(near) as Length, far: Math.round(far) as Length } : null;
}
