/** Panels as triangles and edge lines for a 3D view, from the same bodies as the drawings. Millimeters in the cabinet frame. */
import { cutHalfSpacesOf, normalOf, piecesOf, slabOf } from './convex.ts';
import type { ResolvedPanel } from './resolve.ts';
import type { ResolvedCabinet } from './cabinet.ts';
import { boundsOf } from './views.ts';
import { dot, plusVector, scale, vector, type Vector } from './vector.ts';

export type { Vector } from './vector.ts';

export interface PanelMesh {
  readonly panel: string;
  /** Triangle corners, nine numbers each: along, up, out. */
  readonly positions: readonly number[];
  /** Face normals, one per corner. */
  readonly normals: readonly number[];
  /** Ends of the slab's edges, six numbers each. */
  readonly edges: readonly number[];
  /** Direction and distance, mm at full spread, a panel moves in an exploded view. */
  readonly apart: Vector;
}

/** The faces of a panel's slab with outward normals, before any cuts: its appearance from afar. */
export const slabFaces = (panel: ResolvedPanel): { readonly corners: readonly Vector[]; readonly normal: Vector }[] =>
  slabOf(panel).map((corners) => ({ corners, normal: normalOf(corners) }));

/** One mesh per panel. `spread`: how far the outermost panels move in an exploded view, mm. */
export function meshesOf(cabinet: ResolvedCabinet, spread = 160): PanelMesh[] {
  const boxes = cabinet.panels.map(boundsOf);
  const middle = (axis: 'along' | 'up' | 'out'): number =>
    (Math.min(...boxes.map(({ low }) => low[axis])) + Math.max(...boxes.map(({ high }) => high[axis]))) / 2;
  const centre = vector(middle('along'), middle('up'), middle('out'));
  return cabinet.panels.map((panel, index) => meshOf(panel, away(panel, boxes[index]!, centre, spread)));
}

/** Along the panel's own normal, to the side it lies on; the cleats move back to the wall one after the other. */
function away({ frame, role }: ResolvedPanel, { low, high }: ReturnType<typeof boundsOf>, centre: Vector, spread: number): Vector {
  const own = scale(plusVector(low, high), 0.5);
  const from = plusVector(own, scale(centre, -1));
  const side = dot(frame.w, from) >= 0 ? 1 : -1;
  const inside = INSIDE.has(role);
  const far = role === 'wall-half' ? 1.8 : role === 'cabinet-half' || role === 'spacer' ? 1.2 : inside ? 0 : 1;
  const outward = scale(frame.w, side * spread * far);
  // Inside panels move to the front, and closing panels further, so that both are visible.
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
