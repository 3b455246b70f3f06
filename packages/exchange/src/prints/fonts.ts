/** The fonts of a print, carried in it: read from where they are installed, which is a program's, never a page's. */
import fontkit from '@pdf-lib/fontkit';
import type { PDFDocument, PDFFont } from 'pdf-lib';

export interface PrintFonts {
  readonly plain: PDFFont;
  readonly bold: PDFFont;
}

/** Letters are set one by one, as their widths are reckoned (letters.ts). */
const FEATURES = { liga: false, kern: false, clig: false };

let read: Promise<readonly [plain: Uint8Array, bold: Uint8Array]> | undefined;

async function files(): Promise<readonly [plain: Uint8Array, bold: Uint8Array]> {
  const [{ createRequire }, { readFile }] = await Promise.all([import('node:module'), import('node:fs/promises')]);
  const find = createRequire(import.meta.url).resolve;
  return Promise.all([readFile(find('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf')), readFile(find('dejavu-fonts-ttf/ttf/DejaVuSansCondensed-Bold.ttf'))]);
}

/** Embeds what of the fonts is used. */
export async function printFonts(pdf: PDFDocument): Promise<PrintFonts> {
  const [plain, bold] = await (read ??= files());
  pdf.registerFontkit(fontkit);
  return { plain: await pdf.embedFont(plain, { subset: true, features: FEATURES }), bold: await pdf.embedFont(bold, { subset: true, features: FEATURES }) };
}
