/** A sound unit of a family to start from: out of the sheets the project is made of, or else of those there are. */
import { capital, entered, familyOf, labelWords, unitsInOrder, type Design, type FamilyId, type ShelfBox, type UnitDesign, type Workshop } from '@keen/core';

export function freshUnit(family: FamilyId, design: Pick<Design, 'unit' | 'units'>, workshop: Workshop): UnitDesign {
  const units = unitsInOrder(design);
  const { unit } = design;
  const stocks = Object.values(workshop.products).filter((row) => row.kind === 'sheet' && row.unit === unit && row.material.endsWith('plywood'));
  const usedFirst = [...units].reverse().flatMap((each) => [each.stock, backStockOf(each)].flatMap((id) => stocks.find((row) => row.id === id) ?? []));
  const pick = (suits: (nm: number) => boolean) => [...usedFirst, ...stocks].find(({ nominal }) => suits(nominal.nm));
  const thick = pick((nm) => nm > 15e6) ?? stocks[0]!;
  const thin = pick((nm) => nm < 8e6) ?? thick;
  const kind = familyOf({ family });
  const [width, height, depth] = kind.usual[unit].map((text) => entered(text));
  return kind.create({
    id: `u${crypto.randomUUID().slice(0, 8)}`,
    name: `${family === 'shelf-box' ? 'Cabinet' : capital(labelWords({ key: `family-${family}` }))} ${units.length + 1}`,
    order: (units.at(-1)?.order ?? 0) + 1,
    unit,
    width: width!,
    height: height!,
    depth: depth!,
    stock: thick.id,
    backStock: thin.id,
    contents: { preset: 'general', kg: null },
    place: { along: entered('300 mm'), up: entered('1350 mm') },
  }) as UnitDesign;
}

function backStockOf(unit: UnitDesign): string | undefined {
  if ('back' in unit) return unit.back.stock;
  return 'backStock' in unit ? unit.backStock : undefined;
}

/** The everyday cabinet. */
export const freshBox = (design: Pick<Design, 'unit' | 'units'>, workshop: Workshop): ShelfBox => freshUnit('shelf-box', design, workshop) as ShelfBox;
