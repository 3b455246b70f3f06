/** What the shop record and the settled layouts say about parts: the sheet each came from, whether it is cut, and its measured size. */
import type { BuiltFacts } from '../joints/as-built.ts';
import { sheetThickness } from '../stock/thickness.ts';
import { type Design } from '../model/design.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

export function builtFacts({ cutFrom }: Pick<Design, 'cutFrom'>, record: readonly RecordEntry[]): BuiltFacts {
  const readings = shopFacts(record).readings.filter(({ sheet }) => sheet !== undefined);
  const sheetOf = new Map(cutFrom.flatMap(({ product, sheet, pieces }) => pieces.map((piece) => [`${product} ${piece}`, sheet] as const)));
  const slots = [...shopFacts(record).slots].map(([operation, { width, depth, at }]) => [operation, { width: width.nm, depth: depth.nm, at: at.nm }] as const);
  const parts = [...shopFacts(record).asCut].map(
    ([panel, { cut }]) =>
      [
        panel,
        {
          ...(cut.length ? { length: cut.length.nm } : {}),
          ...(cut.width ? { width: cut.width.nm } : {}),
          ...(cut.thickness ? { thickness: cut.thickness.nm } : {}),
        },
      ] as const,
  );
  return {
    parts: new Map(parts),
    slots: new Map(slots),
    openings: new Map(
      [...shopFacts(record).openings].map(([space, { opening }]) => [
        space,
        { ...(opening.width ? { width: opening.width.nm } : {}), ...(opening.height ? { height: opening.height.nm } : {}) },
      ]),
    ),
    kept: shopFacts(record).kept,
    sheetThickness:
      sheetOf.size === 0
        ? null
        : (panel, product) => {
            const sheet = sheetOf.get(`${product} ${panel}`);
            return sheet === undefined ? null : sheetThickness(product, sheet, readings);
          },
  };
}
