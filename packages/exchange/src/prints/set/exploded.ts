/**
 * A cabinet seen from above and beside, whole or exploded. Painter's algorithm: one part is behind another where a plane between the two has it on the far
 * side.
 */
import { boundsOf, meshesOf, slabFaces, type PartLine, type PieceSpot as Spot, type SeenPanel, type CabinetPlan, type Vector } from '@keen/core';
import type { Figure, FigureShape } from './figure-parts.ts';
import { notesOf } from './cabinet-figures.ts';

/** Isometric, from the right, the front and above. */
const EYE: Vector = { along: Math.sqrt(1 / 3), up: Math.sqrt(1 / 3), out: Math.sqrt(1 / 3) };
const COS = Math.cos(Math.PI / 6);

/** On the paper: along runs down to the right, out runs down to the left. */
const flat = ({ along, up, out }: Vector): Spot => ({ x: (along - out) * COS, y: up - (along + out) / 2 });

const dot = (a: Vector, b: Vector): number => a.along * b.along + a.up * b.up + a.out * b.out;
const moved = (at: Vector, by: Vector): Vector => ({ along: at.along + by.along, up: at.up + by.up, out: at.out + by.out });

/** Light from above, less from the front, least from the side. */
const shadeOf = ({ along, up, out }: Vector): number => 0.78 + 0.22 * Math.max(0, up) + 0.13 * Math.max(0, out) + 0.02 * Math.max(0, along);

interface Body {
  readonly panel: string;
  readonly role: SeenPanel['role'];
  readonly low: Vector;
  readonly high: Vector;
  readonly faces: readonly { readonly points: Spot[]; readonly shade: number }[];
}

/** Its picture; `apart`: displacement of the outermost parts, mm, 0 for none. Exploded parts are named. */
export function pictureFigure({ cabinet }: CabinetPlan, apart: number, lines: ReadonlyMap<string, PartLine>): Figure {
  const away = new Map(meshesOf(cabinet, apart).map((mesh) => [mesh.panel, apart === 0 ? { along: 0, up: 0, out: 0 } : mesh.apart]));
  const bodies = cabinet.panels
    .filter(({ role }) => role !== 'wall-half' || apart > 0)
    .map((panel): Body => {
      const by = away.get(panel.id)!;
      const { low, high } = boundsOf(panel);
      return {
        panel: panel.id,
        role: panel.role,
        low: moved(low, by),
        high: moved(high, by),
        faces: slabFaces(panel)
          .filter(({ normal }) => dot(normal, EYE) > 1e-6)
          .map(({ corners, normal }) => ({ points: corners.map((corner) => flat(moved(corner, by))), shade: Math.min(1, shadeOf(normal)) })),
      };
    });
  const drawn = farthestFirst(bodies);
  return {
    title: apart > 0 ? 'drawn apart' : 'as it hangs',
    shapes: drawn.flatMap(({ faces }) => faces.map(({ points, shade }): FigureShape => ({ points, closed: true, pen: 'heavy', fill: shade }))),
    notes: apart > 0 ? notesOf(drawn.flatMap(seenAs), lines) : [],
  };
}

/** Each face is named and sorted by itself. */
const seenAs = ({ panel, role, faces }: Body): SeenPanel[] =>
  faces.map(({ points }) => ({ panel, role, points: points.map(({ x, y }) => [x, y] as const), others: [], holes: [], hidden: false }));

/** Parts let into a host this far, mm, still sort before or behind it. */
const LET_IN_MM = 15;
const AXES = ['along', 'up', 'out'] as const;

/** Topological order in which none hides a later one; in a cycle, the farther one first. */
function farthestFirst(bodies: readonly Body[]): Body[] {
  const near = bodies.map(({ low, high }) => dot(moved(low, high), EYE));
  const left = new Set(bodies.keys());
  const behind = bodies.map((_, index) => new Set([...bodies.keys()].filter((other) => other !== index && isBehind(bodies[other]!, bodies[index]!))));
  const order: Body[] = [];
  while (left.size > 0) {
    const free = [...left].filter((index) => ![...behind[index]!].some((other) => left.has(other)));
    const [next] = (free.length > 0 ? free : [...left]).sort((a, b) => near[a]! - near[b]!);
    left.delete(next!);
    order.push(bodies[next!]!);
  }
  return order;
}

/** Whether `a` is drawn before `b`: on the axis that separates them most it lies away from the eye. */
function isBehind(a: Body, b: Body): boolean {
  let most = -LET_IN_MM;
  let behind = false;
  for (const axis of AXES) {
    const [before, after] = [b.low[axis] - a.high[axis], a.low[axis] - b.high[axis]];
    if (before > most) [most, behind] = [before, true];
    if (after > most) [most, behind] = [after, false];
  }
  return behind;
}
