/**
 * How wide the letters of the print font are, written into packages/exchange/src/prints/font-widths.ts: pages are laid out where the font itself
 * is not at hand.
 *   node --import tsx scripts/font-widths.ts
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import fontkit from '@pdf-lib/fontkit';

const TARGET = new URL('../packages/exchange/src/prints/font-widths.ts', import.meta.url);
const FONTS = { plain: 'DejaVuSansCondensed', bold: 'DejaVuSansCondensed-Bold' } as const;
/** Scripts that are set letter by letter from the left, and signs. */
const BLOCKS: readonly (readonly [from: number, to: number])[] = [
  [0x20, 0x52f],
  [0x10a0, 0x10ff],
  [0x1e00, 0x1fff],
  [0x2000, 0x27bf],
];

const require = createRequire(import.meta.url);

/** Runs of neighbors: 'first,width,width,…', letters and widths in base 36. */
function runs(name: string): { readonly text: string; readonly unitsPerEm: number } {
  const font = fontkit.create(readFileSync(require.resolve(`dejavu-fonts-ttf/ttf/${name}.ttf`)));
  const rows: number[][] = [];
  let before = -1;
  for (const [from, to] of BLOCKS)
    for (let point = from; point <= to; point++) {
      if (!font.hasGlyphForCodePoint(point)) continue;
      if (point !== before + 1) rows.push([point]);
      rows.at(-1)!.push(font.glyphForCodePoint(point).advanceWidth);
      before = point;
    }
  return { text: rows.map((row) => row.map((number) => Math.round(number).toString(36)).join()).join(' '), unitsPerEm: font.unitsPerEm };
}

const [plain, bold] = [runs(FONTS.plain), runs(FONTS.bold)];
writeFileSync(
  TARGET,
  `/** Made by scripts/font-widths.ts: widths of letters in ${plain.unitsPerEm}ths of the size. Runs of neighbors, 'first,width,width,…' in base 36. */
export const UNITS_PER_EM = ${plain.unitsPerEm};
export const PLAIN =
  '${plain.text}';
export const BOLD =
  '${bold.text}';
`,
);
