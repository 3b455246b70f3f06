/** Panels as triangles and edge lines for a 3D view: the same bodies the drawings are cut from. Millimeters in the cabinet frame. */
import { cutHalfSpacesOf, normalOf, piecesOf, slabOf } from './convex.ts';
import type { ResolvedPanel } from './resolve.ts';
import type { ResolvedCabinet } from './cabinet.ts';
import { boundsOf } from './views.ts';
import { dot, plusVector, scale, vector, type Vector } from './vector.ts';

export type { Vector } from './vector.ts';

export interface PanelMesh {
  readonly panel: string;
  /** Corners of triangles, nine numbers each: along, up, out. */
  readonly positions: readonly number[];
  /** The face normals, one for each corner. */
  readonly normals: readonly number[];
  /** Ends of the slab's edges, six numbers each. */
  readonly edges: readonly number[];
  /** Which way, and how far in mm at a full spread, the panel leaves the others in an exploded view. */
  readonly apart: Vector;
}

/** The faces of a panel's slab, each with its outward normal, before anything is cut into it: what is seen of it from afar. */
export const slabFaces = (panel: ResolvedPanel): { readonly corners: readonly Vector[]; readonly normal: Vector }[] =>
  slabOf(panel).map((corners) => ({ corners, normal: normalOf(corners) }));

/** One mesh a panel. `spread` is how far the outermost panels leave in an exploded view, mm. */
export function meshesOf(cabinet: ResolvedCabinet, spread = 160): PanelMesh[] {
  const boxes = cabinet.panels.map(boundsOf);
  const middle = (axis: 'along' | 'up' | 'out'): number =>
    (Math.min(...boxes.map(({ low }) => low[axis])) + Math.max(...boxes.map(({ high }) => high[axis]))) / 2;
  const centre = vector(middle('along'), middle('up'), middle('out'));
  return cabinet.panels.map((panel, index) => meshOf(panel, away(panel, boxes[index]!, centre, spread)));
}

/** Along the panel's own normal, to the side it lies on; the cleat's halves go back to the wall one after the other. */
function away({ frame, role }: ResolvedPanel, { low, high }: ReturnType<typeof boundsOf>, centre: Vector, spread: number): Vector {
  const own = scale(plusVector(low, high), 0.5);
  const from = plusVector(own, scale(centre, -1));
  const side = dot(frame.w, from) >= 0 ? 1 : -1;
  const inside = INSIDE.has(role);
  const far = role === 'wall-half' ? 1.8 : role === 'cabinet-half' || role === 'spacer' ? 1.2 : inside ? 0 : 1;
  const outward = scale(frame.w, side * spread * far);
  // What stands inside comes out to the front, and what closes the front further, so that both are seen.
  const forward = inside ? 1 : role === 'door' || role === 'frame' || role === 'front' ? 1.6 : 0;
  return plusVector(outward, vector(0, 0, spread * forward));
}

const INSIDE: ReadonlySet<ResolvedPanel['role']> = new Set(['shelf', 'divider', 'holder', 'tilted-panel', 'ledge']);

function meshOf(panel: ResolvedPanel, apart: Vector): PanelMesh {
  const positions: number[] = [];
  const normals: number[] = [];
  const bodies = cutHalfSpacesOf(panel).length === 0 ? [slabOf(panel)] : piecesOf(panel);
  for (const body of bodies)
    for (const face of body) {
      const n = normalOf(face);
      for (let index = 1; index + 1 < face.length; index++)
        for (const corner of [face[0]!, face[index]!, face[index + 1]!]) {
          positions.push(corner.along, corner.up, corner.out);
          normals.push(n.along, n.up, n.out);
        }
    }
  const edges = slabOf(panel).flatMap((face) =>
    face.flatMap((a, index) => {
      const b = face[(index + 1) % face.length]!;
      return [a.along, a.up, a.out, b.along, b.up, b.out];
    }),
  );
  return { panel: panel.id, positions, normals, edges, apart };
}
