/** Positions of joints in a drawing: the middle line of the guest's edge. */
import { NM_PER } from '../length/length.ts';
import { isFace, type Connection } from './connection.ts';
import { place } from './panel.ts';
import type { ResolvedCabinet } from './cabinet.ts';
import { scale, type Vector } from './vector.ts';

/** Both ends of a joint's seam in the cabinet, mm; null for faces laid on one another. */
export function seamOf({ byId }: Pick<ResolvedCabinet, 'byId'>, { guest, edge }: Connection): readonly [Vector, Vector] | null {
  const panel = byId.get(guest);
  if (!panel || isFace(edge)) return null;
  const at = panel.outline.findIndex(({ id }) => id === edge);
  const next = panel.outline[(at + 1) % panel.outline.length];
  if (at < 0 || !next) return null;
  const middle = (point: { readonly u: number; readonly v: number }): Vector => scale(place(panel.frame, point, panel.thickness / 2), 1 / NM_PER.mm);
  return [middle(panel.outline[at]!.from), middle(next.from)];
}
