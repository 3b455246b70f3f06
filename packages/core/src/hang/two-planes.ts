/**
 * A cabinet in a vehicle or boat, bolted through two planes: each plane alone takes the greatest road or sea load. Crash loads are for the vehicle's
 * certifier. Source: docs/formulas/two-planes.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Wall } from '../model/wall.ts';
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import { movingHold } from './grounds.ts';
import { JOINT_UTILIZATION, link, type Link } from './link.ts';

/** Accelerations of a moving wall, as multiples of the cabinet's weight. [ASSUME] order of magnitude */
export const MOVING = [
  { key: 'road-forward', ways: 0.8, up: 1 },
  { key: 'road-aside', ways: 0.5, up: 1 },
  { key: 'road-bump', ways: 0, up: 2 },
  { key: 'road-dip', ways: 0, up: -1 },
  { key: 'sea-slam', ways: 0, up: 3 },
  { key: 'sea-roll', ways: 1, up: 1 },
] as const;

/** Load on each of two planes. */
export const PLANE_LOAD = formula({
  label: 'moving-plane',
  unit: 'N',
  text: 'W √(ways² + up²)',
  source: '[ASSUME] docs/formulas/moving-walls.md',
  terms: { W: 'N', ways: 'factor', up: 'factor' },
  compute: ({ W, ways, up }) => W * Math.hypot(ways, up),
});
const PLANE_HOLDS = formula({
  label: 'plane-holds',
  unit: 'N',
  text: 'n · each',
  source: 'docs/formulas/two-planes.md',
  terms: { n: 'count', each: 'N' },
  compute: ({ n, each }) => n * each,
});
const SECOND_EACH = formula({
  label: 'second-each',
  unit: 'N',
  text: 'rating · share',
  source: '[ASSUME] docs/formulas/two-planes.md',
  terms: { rating: 'N', share: 'factor' },
  compute: ({ rating, share }) => rating * share,
});

/** Whether a cabinet may hang in a moving wall: bolted to a second plane in a vehicle or boat. On a door leaf nothing may. */
export const heldByTwoPlanes = ({ hanging }: ResolvedCabinet, { structure }: Pick<Wall, 'structure'>): boolean =>
  structure === 'vehicle' && hanging.second !== null;

/** Both planes under the worst acceleration; `places` along the back, each with its screws. */
export function planeLinks({ hanging }: ResolvedCabinet, wall: Wall, weight: ExplainedValue, places: number): Link[] {
  const { second, wallScrew, wallHalf } = hanging;
  if (!second) return [];
  const worst = MOVING.reduce((a, b) => (Math.hypot(a.ways, a.up) >= Math.hypot(b.ways, b.up) ? a : b));
  const load = evaluate(PLANE_LOAD, { W: weight, ways: worst.ways, up: worst.up });
  const back = evaluate(PLANE_HOLDS, { n: places * (wallScrew.upper + wallScrew.lower), each: movingHold(wall) });
  const each = evaluate(SECOND_EACH, { rating: { value: second.ratedN, source: second.ratedFrom }, share: ASSUMED.planeWorking.value });
  const other = evaluate(PLANE_HOLDS, { n: second.count, each });
  return [
    link({
      id: 'plane-back',
      kind: 'plane-back',
      name: { key: 'link-plane-back' },
      use: evaluate(JOINT_UTILIZATION, { load, capacity: back }),
      panels: [wallHalf],
    }),
    link({
      id: 'plane-second',
      kind: 'plane-second',
      name: { key: second.plane === 'top' ? 'link-plane-top' : 'link-plane-bottom' },
      use: evaluate(JOINT_UTILIZATION, { load, capacity: other }),
      panels: [],
    }),
  ];
}
