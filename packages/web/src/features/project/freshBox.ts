/** A sound box to start a cabinet from, out of the sheets there are. */
import { entered, newShelfBox, unitsInOrder, type Design, type UnitDesign, type Workshop } from '@keen/core';

export function freshBox(design: Design, workshop: Workshop): UnitDesign {
  const units = unitsInOrder(design);
  const { unit } = design;
  const stocks = Object.values(workshop.products).filter((row) => row.kind === 'sheet' && row.unit === unit && row.material.endsWith('plywood'));
  const thick = stocks.find(({ nominal }) => nominal.nm > 15e6) ?? stocks[0]!;
  const thin = stocks.find(({ nominal }) => nominal.nm < 8e6) ?? thick;
  return newShelfBox({
    id: `u${crypto.randomUUID().slice(0, 8)}`,
    name: `Cabinet ${units.length + 1}`,
    order: (units.at(-1)?.order ?? 0) + 1,
    unit,
    width: entered(unit === 'mm' ? '600 mm' : '24 in'),
    height: entered(unit === 'mm' ? '700 mm' : '28 in'),
    depth: entered(unit === 'mm' ? '280 mm' : '11 in'),
    stock: thick.id,
    backStock: thin.id,
    shelves: 2,
    contents: { preset: 'general', kg: null },
    place: { along: entered('300 mm'), up: entered('1350 mm') },
  });
}
