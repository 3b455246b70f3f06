/** Loose parts outside any cabinet: drawn elsewhere, or for somebody else, cut from the same sheets. Rectangles, or outlines cut out of one. */
import { nanometers, toMm } from '../length/length.ts';
import { entered, type Entered } from '../length/entered.ts';
import { thicknessSource } from '../stock/thickness.ts';
import type { ThicknessUsed } from '../stock/workshop.ts';
import { explainedLength, plus } from '../explained/explained-length.ts';
import type { Corner } from './corner.ts';
import type { PartLine } from './part-line.ts';
import type { UnpricedProduct } from '../model/workshop.ts';
import type { LoosePart, OutlineCorner } from '../model/loose-part.ts';

/** Prefix of marks and ids of loose parts. */
export const LOOSE = 'loose';

export const looseInOrder = (loose: Readonly<Record<string, LoosePart>>): LoosePart[] =>
  Object.values(loose).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** Cut list lines; each piece has an id of its own, so that it can be pinned, ticked and spoiled. */
export const looseLines = (
  loose: Readonly<Record<string, LoosePart>>,
  stockOf: (id: string) => { readonly product: UnpricedProduct; readonly used: ThicknessUsed },
): PartLine[] =>
  looseInOrder(loose).map(({ id, name, stock, count, length, width, grain, outline }, index): PartLine => {
    const { product, used } = stockOf(stock);
    const from = (field: string) => ({ source: { kind: 'entered' as const, path: [LOOSE, id, field] } });
    return {
      id: `${LOOSE}/${id}`,
      mark: `P.${index + 1}`,
      unit: LOOSE,
      role: 'loose',
      names: [{ key: 'loose-part', of: name }],
      panels: Array.from({ length: count }, (_, n) => `${LOOSE}/${id}${n === 0 ? '' : `/${n + 1}`}`),
      count,
      length: explainedLength([plus('loose-length', length.nm, from('length'))]),
      width: explainedLength([plus('loose-width', width.nm, from('width'))]),
      thickness: used.value,
      thicknessFrom: thicknessSource(product, used),
      stock,
      grain: product.grain === 'none' ? 'none' : grain,
      bands: [],
      features: [],
      lie: { length: 'along', width: 'up' },
      mirrorOf: null,
      ...(outline.length > 0 ? { outline: outline.map(({ x, y, bulge }): Corner => ({ x: toMm(x), y: toMm(y), bulge })) } : {}),
    };
  });

/** Corners as stored, to a ten-thousandth of a millimeter. */
export const keptCorners = (corners: readonly Corner[]): OutlineCorner[] =>
  corners.map(({ x, y, bulge }) => ({
    x: nanometers(Math.round(x * 1e4) * 100),
    y: nanometers(Math.round(y * 1e4) * 100),
    bulge: Math.round(bulge * 1e6) / 1e6,
  }));

/** A part from an imported outline: the smallest blank, to a ten-thousandth of a millimeter. */
export function drawnPart(
  { corners, lengthMm, widthMm }: { readonly corners: readonly Corner[]; readonly lengthMm: number; readonly widthMm: number },
  named: Pick<LoosePart, 'id' | 'order' | 'name' | 'stock'>,
): LoosePart {
  // Never smaller than the outline, also where its last digit was rounded up.
  const size = (measured: number): Entered => entered(`${Math.ceil(measured * 1e4 - 1e-3) / 1e4} mm`);
  return { ...named, count: 1, length: size(lengthMm), width: size(widthMm), grain: 'length', outline: keptCorners(corners) };
}
