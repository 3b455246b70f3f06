/** What the shop record and the settled layouts say about parts: the sheet each came from, whether it is cut, and its measured size. */
import type { BuiltFacts } from '../joints/as-built.ts';
import type { Length } from '../length/length.ts';
import type { Design } from '../model/design.ts';
import type { ShopFacts } from '../model/shop-facts.ts';
import { sheetThickness } from '../stock/thickness.ts';

type Recorded = Pick<ShopFacts, 'readings' | 'slots' | 'asCut' | 'openings' | 'kept'>;

export function builtFacts({ cutFrom }: Pick<Design, 'cutFrom'>, { readings, slots, asCut, openings, kept }: Recorded): BuiltFacts {
  const ofSheets = readings.filter(({ sheet }) => sheet !== undefined);
  const thicknesses = cutFrom.flatMap(({ product, sheet, pieces }) => {
    const measured = sheetThickness(product, sheet, ofSheets);
    return measured === null ? [] : pieces.map((piece): [string, Length] => [`${product} ${piece}`, measured]);
  });
  return {
    parts: new Map(
      [...asCut].map(
        ([
          panel,
          {
            cut: { length, width, thickness },
          },
        ]) => [panel, { ...(length ? { length: length.nm } : {}), ...(width ? { width: width.nm } : {}), ...(thickness ? { thickness: thickness.nm } : {}) }],
      ),
    ),
    slots: new Map([...slots].map(([operation, { width, depth, at }]) => [operation, { width: width.nm, depth: depth.nm, at: at.nm }])),
    openings: new Map(
      [...openings].map(
        ([
          space,
          {
            opening: { width, height },
          },
        ]) => [space, { ...(width ? { width: width.nm } : {}), ...(height ? { height: height.nm } : {}) }],
      ),
    ),
    kept,
    sheetThickness: new Map(thicknesses),
  };
}

/** The facts about one cabinet: ids of its panels, operations and spaces begin with its own. */
export function builtFactsOf(all: BuiltFacts, cabinetId: string): BuiltFacts {
  const isOwn = (id: string): boolean => id.startsWith(`${cabinetId}/`);
  const own = <T>(facts: ReadonlyMap<string, T>, idOf = (key: string) => key): ReadonlyMap<string, T> =>
    facts.size === 0 ? facts : new Map([...facts].filter(([key]) => isOwn(idOf(key))));
  return {
    parts: own(all.parts),
    slots: own(all.slots),
    openings: own(all.openings),
    kept: all.kept.size === 0 ? all.kept : new Set([...all.kept].filter(isOwn)),
    sheetThickness: own(all.sheetThickness, (key) => key.slice(key.indexOf(' ') + 1)),
  };
}

/** Whether two cabinets' facts say the same. */
export function sameBuiltFacts(a: BuiltFacts, b: BuiltFacts): boolean {
  const content = ({ parts, slots, openings, kept, sheetThickness: sheets }: BuiltFacts): string =>
    JSON.stringify([[...parts], [...slots], [...openings], [...kept], [...sheets]]);
  return a === b || content(a) === content(b);
}
