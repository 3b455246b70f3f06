/** Sizes places by the items assigned to them: a till's bays, drawer fronts, number of slots. Each family has its rule; this collects the items. */
import { familyOf } from '../cabinets/families.ts';
import type { Thing } from '../cabinets/family.ts';
import { footprintOf } from '../contents/item.ts';
import { massOfOne } from '../contents/item-mass.ts';
import { entered, type Entered } from '../length/entered.ts';
import { toMm, type DisplayUnit } from '../length/length.ts';
import type { EditStep } from '../model/edit.ts';
import type { CabinetPlan } from '../planner/plan.ts';
import { MM_PER_INCH } from '../length/constants.ts';
import type { Item } from '../model/item.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** Rounds a required length up to one that is easy to type: half millimeters, thirty-seconds of an inch. */
function roundedUp(nm: number, unit: DisplayUnit): Entered {
  const mm = nm / 1e6;
  return unit === 'mm' ? entered(`${Math.ceil(mm * 2 - 1e-9) / 2} mm`) : entered(`${Math.ceil((mm / MM_PER_INCH) * 32 - 1e-9)}/32 in`);
}

const thingOf = (item: Item, unit: DisplayUnit): Thing => {
  const foot = footprintOf(item);
  return { name: item.name, width: foot.along, depth: foot.out, height: foot.up, kg: massOfOne(item).value, size: (nm) => roundedUp(nm, unit) };
};

/** The change; null for a family without such places, without items, or already at size. */
export function sizedByItems(spec: CabinetSpec, { weights }: Pick<CabinetPlan, 'weights'>): EditStep[] {
  const family = familyOf(spec);
  if (!family.fromThings) return [];
  const things = new Map(weights.contents.map(({ compartment, lots }) => [compartment.keptBy, lots.map(({ item }) => thingOf(item, spec.unit))]));
  return family
    .fromThings(spec, (space) => things.get(space) ?? [])
    .filter(
      ({ path, value }) =>
        !same(
          path.reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], spec),
          value,
        ),
    )
    .map(({ path, value }) => ({ path: ['units', spec.id, ...path], value }));
}

/** Equal values; two ways to type one length are equal. */
function same(a: unknown, b: unknown): boolean {
  const length = (value: unknown): number | null => (typeof value === 'object' && value !== null && 'nm' in value ? toMm(value.nm as Entered['nm']) : null);
  const [x, y] = [length(a), length(b)];
  return x !== null && y !== null ? x === y : a === b;
}
