/** A cabinet of any family at its usual size, out of the starter sheets. */
import { entered, familyOf, type FamilyId, type CabinetSpec } from '@keen/core';

export function newSpecOf(family: FamilyId, id = 'u1'): CabinetSpec {
  const kind = familyOf({ family });
  const [width, height, depth] = kind.usual.mm.map((text) => entered(text));
  return kind.create({
    id,
    name: 'Cabinet',
    order: 1,
    unit: 'mm',
    width: width!,
    height: height!,
    depth: depth!,
    stock: 'birch-18',
    backStock: 'birch-6',
    contents: { preset: 'general', kg: null },
    place: { along: entered('300 mm'), up: entered('1350 mm') },
  }) as CabinetSpec;
}
