/** Cabinets of every family to start a test from, on the starter workshop's stock. */
import { FAMILIES, familyOf } from '../cabinets/families.ts';
import { entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { FamilyId, CabinetSpec } from '../model/specs/cabinet-spec.ts';
import type { NewSpec } from '../cabinets/new-spec.ts';

export const FAMILY_IDS = FAMILIES.map(({ id }) => id as FamilyId);

/** What a new cabinet of a family starts from: its usual size, birch or hardwood plywood. */
export function startOf(family: FamilyId, unit: DisplayUnit = 'mm'): NewSpec {
  const [width, height, depth] = familyOf({ family }).usual[unit].map((text) => entered(text)) as [NewSpec['width'], NewSpec['height'], NewSpec['depth']];
  return {
    id: 'u1',
    name: 'Unit',
    order: 1,
    unit,
    width,
    height,
    depth,
    stock: unit === 'mm' ? 'birch-18' : 'ply-3-4',
    backStock: unit === 'mm' ? 'birch-6' : 'ply-1-4',
    contents: { preset: 'general', kg: null },
    place: { along: entered('900 mm'), up: entered('1300 mm') },
  };
}

export const newSpec = (family: FamilyId, unit: DisplayUnit = 'mm'): CabinetSpec => familyOf({ family }).create(startOf(family, unit)) as CabinetSpec;
