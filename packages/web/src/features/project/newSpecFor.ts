/** A sound default cabinet of a family, from the sheets the project uses, or else from any. */
import { capital, entered, familyOf, labelWords, specsInOrder, type Design, type FamilyId, type ShelfBox, type CabinetSpec, type Workshop } from '@keen/core';

export function newSpecFor(family: FamilyId, design: Pick<Design, 'unit' | 'units'>, workshop: Workshop): CabinetSpec {
  const specs = specsInOrder(design);
  const { unit } = design;
  const stocks = Object.values(workshop.products).filter((row) => row.kind === 'sheet' && row.unit === unit && row.material.endsWith('plywood'));
  const usedFirst = [...specs].reverse().flatMap((each) => [each.stock, backStockOf(each)].flatMap((id) => stocks.find((row) => row.id === id) ?? []));
  const pick = (suits: (nm: number) => boolean) => [...usedFirst, ...stocks].find(({ nominal }) => suits(nominal.nm));
  const thick = pick((nm) => nm > 15e6) ?? stocks[0]!;
  const thin = pick((nm) => nm < 8e6) ?? thick;
  const kind = familyOf({ family });
  const [width, height, depth] = kind.usual[unit].map((text) => entered(text));
  return kind.create({
    id: `u${crypto.randomUUID().slice(0, 8)}`,
    name: `${family === 'shelf-box' ? 'Cabinet' : capital(labelWords({ key: `family-${family}` }))} ${specs.length + 1}`,
    order: (specs.at(-1)?.order ?? 0) + 1,
    unit,
    width: width!,
    height: height!,
    depth: depth!,
    stock: thick.id,
    backStock: thin.id,
    contents: { preset: 'general', kg: null },
    place: { along: entered('300 mm'), up: entered('1350 mm') },
  }) as CabinetSpec;
}

function backStockOf(spec: CabinetSpec): string | undefined {
  if ('back' in spec) return spec.back.stock;
  return 'backStock' in spec ? spec.backStock : undefined;
}

/** The everyday cabinet. */
export const freshBox = (design: Pick<Design, 'unit' | 'units'>, workshop: Workshop): ShelfBox => newSpecFor('shelf-box', design, workshop) as ShelfBox;
