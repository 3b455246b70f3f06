/** The embedded fonts of a print, read from where they are installed, by programs only. */
import type { PDFDocument, PDFFont } from 'pdf-lib';
import { installed } from '../installed.ts';

export interface PrintFonts {
  readonly plain: PDFFont;
  readonly bold: PDFFont;
}

/** Letters are set one by one, as their widths are computed (letters.ts). */
const FEATURES = { liga: false, kern: false, clig: false };

let read: Promise<readonly [plain: Uint8Array, bold: Uint8Array]> | undefined;

async function files(): Promise<readonly [plain: Uint8Array, bold: Uint8Array]> {
  const { readFile } = await import('node:fs/promises');
  const font = async (name: string): Promise<Uint8Array> => readFile(await installed(`dejavu-fonts-ttf/ttf/${name}.ttf`));
  return Promise.all([font('DejaVuSansCondensed'), font('DejaVuSansCondensed-Bold')]);
}

/** Embeds the used subset. */
export async function printFonts(pdf: PDFDocument): Promise<PrintFonts> {
  // Loaded only for printing: threads and pages start without it.
  const [{ default: fontkit }, [plain, bold]] = await Promise.all([import('@pdf-lib/fontkit'), (read ??= files())]);
  pdf.registerFontkit(fontkit);
  return { plain: await pdf.embedFont(plain, { subset: true, features: FEATURES }), bold: await pdf.embedFont(bold, { subset: true, features: FEATURES }) };
}
