/** Whether panels come together along a line without going through one another: moved back step by step, and looked at each time. Test support. */
import { intersection, piecesOf, volumeOf, type ConvexBody } from '../solid/convex.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { plusVector, scale, type Vector } from '../solid/vector.ts';

/** Less than this is a touch: mm³. */
const TOUCH_MM3 = 12;

const moved = (body: ConvexBody, by: Vector): ConvexBody => body.map((face) => face.map((corner) => plusVector(corner, by)));

const overlaps = (a: readonly ConvexBody[], b: readonly ConvexBody[]): boolean =>
  a.some((one) =>
    b.some((other) => {
      const both = intersection(one, other);
      return both !== null && volumeOf(both).volume > TOUCH_MM3;
    }),
  );

/** The first pair that collides while `groups` are drawn apart along `way`, each further than the one before; null for none. */
export function collision(groups: readonly (readonly ResolvedPanel[])[], way: Vector): string | null {
  const bodies = groups.map((group) => group.flatMap(piecesOf));
  for (const off of [0.5, 3, 8, 40, 400])
    for (let a = 0; a < bodies.length; a++)
      for (let b = a + 1; b < bodies.length; b++) {
        const apart = bodies[b]!.map((body) => moved(body, scale(way, off * (b - a))));
        if (overlaps(bodies[a]!, apart)) return `${groups[a]![0]!.id} and ${groups[b]![0]!.id}, ${off} mm apart`;
      }
  return null;
}
