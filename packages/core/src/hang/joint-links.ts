/** Links inside the unit: what carries each floor, then what hands the unit over to the cabinet half (carrier-links.ts). */
import { apply, formula, type Figure } from '../worked/figure.ts';
import { cabinetCapacity, cabinetLinks, carrierCapacity, carrierLinks, type CabinetCapacity, type CarrierCapacity } from './carrier-links.ts';
import type { CleatForces } from './cleat-forces.ts';
import { G0 } from './fasteners.ts';
import type { HangInput } from './hang-input.ts';
import { supportCapacity } from './joint-capacity.ts';
import { JOINT_USE, link, type Link } from './link.ts';

const HALF = formula({
  label: 'joint-load',
  unit: 'N',
  text: '(contents + own mass) · g₀ / 2',
  source: '[eq]',
  terms: { contents: 'kg', own: 'kg' },
  compute: ({ contents, own }) => ((contents + own) * G0) / 2,
});
/** What the joints hold, whatever they have to. */
export interface JointCapacities {
  /** One end of a floor, by panel id. */
  readonly floors: ReadonlyMap<string, Figure>;
  readonly carrier: CarrierCapacity | null;
  readonly cabinet: CabinetCapacity | null;
}

export function jointCapacities(input: HangInput): JointCapacities {
  const floors = new Map<string, Figure>();
  for (const { floor } of input.unit.compartments) {
    const capacity = supportCapacity(input, input.unit.byId.get(floor)!);
    if (capacity) floors.set(floor, capacity);
  }
  return { floors, carrier: carrierCapacity(input), cabinet: cabinetCapacity(input) };
}

export function jointLinks(input: HangInput, { floors, carrier, cabinet }: JointCapacities, forces: CleatForces, factor: number): Link[] {
  return [...floorLinks(input, floors, factor), ...carrierLinks(carrier, forces), ...cabinetLinks(input.unit, cabinet, forces)];
}

/** Each floor and loaded shelf: half its load at each end, against the weaker of its two joints. */
function floorLinks(input: HangInput, floors: JointCapacities['floors'], factor: number): Link[] {
  const { unit, weights } = input;
  return weights.contents.flatMap(({ compartment, mass }) => {
    const floor = unit.byId.get(compartment.floor)!;
    const capacity = floors.get(floor.id);
    if (!capacity) return [];
    const load = apply(HALF, { contents: { value: mass.value * factor, label: mass.label }, own: weights.panels.get(floor.id)! });
    const use = apply(JOINT_USE, { load, capacity });
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
