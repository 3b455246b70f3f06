/** Links inside the unit: what carries each floor, then what hands the unit over to the cabinet half (carrier-links.ts). */
import type { CompartmentLoad } from '../parts/weights.ts';
import { toMm } from '../length/length.ts';
import { apply, formula, greatest, termOf, total, type Figure } from '../worked/figure.ts';
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
/** What a load lays on the end that is `c` away from its middle. */
const END_SHARE = formula({
  label: 'end-share',
  unit: 'N',
  text: 'm · g₀ · (L − c) / L',
  source: '[eq]',
  terms: { m: 'kg', c: 'mm', L: 'mm' },
  compute: ({ m, c, L }) => (m * G0 * (L - c)) / L,
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
  return weights.contents.flatMap((held) => {
    const { compartment } = held;
    const floor = unit.byId.get(compartment.floor)!;
    const capacity = floors.get(floor.id);
    if (!capacity) return [];
    const load = floorLoad(held, weights.panels.get(floor.id)!, factor);
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

/** Half of a load spread evenly; of things that stand where they stand, the heavier end. */
function floorLoad({ compartment, mass, strips }: CompartmentLoad, own: Figure, factor: number): Figure {
  if (strips.length === 0) return apply(HALF, { contents: { value: mass.value * factor, label: mass.label }, own });
  const L = toMm(compartment.width.value);
  const end = (key: string, from: (middle: number) => number): Figure =>
    total(key, 'N', [
      ...strips.map(({ mass: kg, from: a, to: b }) =>
        termOf(apply(END_SHARE, { m: { value: kg.value * factor, label: kg.label }, c: from((a + b) / 2), L }, kg.label)),
      ),
      termOf(apply(END_SHARE, { m: own, c: L / 2, L }, { key: 'joint-load.own' })),
    ]);
  return greatest('joint-load', 'N', [termOf(end('left-end', (middle) => middle)), termOf(end('right-end', (middle) => L - middle))]);
}
