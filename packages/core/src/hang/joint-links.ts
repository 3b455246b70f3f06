/** Links inside the cabinet: the support of each floor, then the path from the cabinet to its cleat (carrier-links.ts). */
import { floorLoads, type FloorLoad } from '../parts/weights.ts';
import { toMm } from '../length/length.ts';
import { evaluate, formula, greatest, termOf, total, type ExplainedValue } from '../explained/explained-value.ts';
import { cabinetCapacity, cabinetLinks, carrierCapacities, carrierLinks, lowerCapacity, type CabinetCapacity, type Carriers } from './carrier-links.ts';
import { boxesOf, railsBeside } from './boxes.ts';
import type { WallForces } from './forces.ts';
import type { HangInput } from './hang-input.ts';
import { supportCapacity } from './joint-capacity.ts';
import { JOINT_UTILIZATION, link, type Link } from './link.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

const HALF = formula({
  label: 'joint-load',
  unit: 'N',
  text: '(contents + own mass) · g₀ / 2',
  source: '[eq]',
  terms: { contents: 'kg', own: 'kg' },
  compute: ({ contents, own }) => ((contents + own) * STANDARD_GRAVITY) / 2,
});
const END_LOAD = formula({
  label: 'joint-load',
  unit: 'N',
  text: 'contents + own mass · g₀ / 2',
  source: '[eq]',
  terms: { contents: 'N', own: 'kg' },
  compute: ({ contents, own }) => contents + (own * STANDARD_GRAVITY) / 2,
});

/** Load on the end that is `c` away from the load's center. */
const END_SHARE = formula({
  label: 'end-share',
  unit: 'N',
  text: 'm · g₀ · (L − c) / L',
  source: '[eq]',
  terms: { m: 'kg', c: 'mm', L: 'mm' },
  compute: ({ m, c, L }) => (m * STANDARD_GRAVITY * (L - c)) / L,
});

/** Capacities of the joints, independent of the load. */
export interface JointCapacities extends Carriers {
  /** Capacity of one end of a floor, by panel id. */
  readonly floors: ReadonlyMap<string, ExplainedValue>;
  /** Load of placed items on the heavier end of each floor, by panel id. */
  readonly ends: ReadonlyMap<string, ExplainedValue>;
  readonly cabinet: CabinetCapacity | null;
}

export function jointCapacities(input: HangInput): JointCapacities {
  const floors = new Map<string, ExplainedValue>();
  for (const { floor } of input.cabinet.compartments) {
    const capacity = supportCapacity(input, input.cabinet.byId.get(floor)!);
    if (capacity) floors.set(floor, capacity);
  }
  const loads = jointLoads(input);
  return { floors, ...loads, carriers: carrierCapacities(input, loads.boxes), lower: lowerCapacity(input), cabinet: cabinetCapacity(input) };
}

/** The part of the joint inputs that depends on the weights. */
export function jointLoads(input: HangInput): Pick<JointCapacities, 'ends' | 'boxes'> {
  const { cabinet, weights } = input;
  const ends = new Map(floorLoads(weights.contents).flatMap((load) => (load.strips.length > 0 ? [[load.floor, heavierEnd(load)] as const] : [])));
  const rail = cabinet.hanging.hangingRail ? cabinet.byId.get(cabinet.hanging.hangingRail) : undefined;
  return { ends, boxes: rail ? boxesOf(input, railsBeside(cabinet, rail)) : [] };
}

export function jointLinks(input: HangInput, capacities: JointCapacities, forces: WallForces, factor: number): Link[] {
  const { floors, ends, boxes, cabinet } = capacities;
  return [...floorLinks(input, floors, ends, factor), ...carrierLinks(capacities, forces, factor), ...cabinetLinks(input, cabinet, boxes, forces, factor)];
}

/** Each floor and loaded shelf: the load at each end against the weaker of its two joints. */
function floorLinks(input: HangInput, floors: JointCapacities['floors'], ends: JointCapacities['ends'], factor: number): Link[] {
  const { cabinet, weights } = input;
  return floorLoads(weights.contents).flatMap((held) => {
    const floor = cabinet.byId.get(held.floor)!;
    const capacity = floors.get(floor.id);
    if (!capacity) return [];
    const load = floorLoad(held, weights.panels.get(floor.id)!, ends.get(floor.id), factor);
    const use = evaluate(JOINT_UTILIZATION, { load, capacity });
    return [
      link({
        id: `joint-${floor.id}`,
        kind: 'floor-joint',
        name: { key: 'link-joint', of: `${floor.name.key}${floor.name.of ? ` ${floor.name.of}` : ''}` },
        use,
        panels: [floor.id],
      }),
    ];
  });
}

/** Half of an evenly spread load; for placed items, the heavier end. */
function floorLoad({ alone }: FloorLoad, own: ExplainedValue, end: ExplainedValue | undefined, factor: number): ExplainedValue {
  if (!end && alone) return evaluate(HALF, { contents: { value: alone.mass.value * factor, label: alone.mass.label }, own });
  if (!end) return evaluate(END_LOAD, { contents: 0, own });
  return evaluate(END_LOAD, { contents: factor === 1 ? end : { value: end.value * factor, label: end.label }, own });
}

/** Load of placed items on the end that takes more of it. Proportional to the load. */
function heavierEnd({ span, strips }: FloorLoad): ExplainedValue {
  const L = toMm(span.value);
  const end = (key: 'left-end' | 'right-end', from: (middle: number) => number): ExplainedValue =>
    total(
      key,
      'N',
      strips.map(({ mass, from: a, to: b }) => termOf(evaluate(END_SHARE, { m: mass, c: from((a + b) / 2), L }, mass.label))),
    );
  return greatest('things-end', 'N', [termOf(end('left-end', (middle) => middle)), termOf(end('right-end', (middle) => L - middle))]);
}
