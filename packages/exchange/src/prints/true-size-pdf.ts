/** Sheets at their true size as PDF. Black on white, lines and words only. */
import {
  clip,
  closePath,
  degrees,
  endPath,
  lineTo,
  moveTo,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  setDashPattern,
  setLineWidth,
  setStrokingGrayscaleColor,
  StandardFonts,
  stroke,
  type PDFFont,
  type PDFPage,
} from 'pdf-lib';
import type { TrueDrawing } from './marks.ts';
import { fitted } from './print-text.ts';
import { trueSizeSheets, type SheetPatch, type SheetWords, type TrueSizeOptions } from './true-size-sheets.ts';

const PT_PER_MM = 72 / 25.4;
/** Capitals are about so high for the size of the font. */
const CAPITAL = 0.72;
const LEAST_PT = 4;

interface Fonts {
  readonly plain: PDFFont;
  readonly bold: PDFFont;
}

/** Sheets of every drawing, in their order. Throws a RangeError where there is nothing to draw. */
export async function trueSizePdf(drawings: readonly TrueDrawing[], options: TrueSizeOptions): Promise<Uint8Array> {
  if (drawings.length === 0) throw new RangeError('there is nothing to print');
  const pdf = await PDFDocument.create();
  pdf.setTitle(options.project);
  const fonts = { plain: await pdf.embedFont(StandardFonts.Helvetica), bold: await pdf.embedFont(StandardFonts.HelveticaBold) };
  for (const { width, height, patches } of trueSizeSheets(drawings, options)) {
    const page = pdf.addPage([width * PT_PER_MM, height * PT_PER_MM]);
    for (const patch of patches) drawPatch(page, patch, fonts);
  }
  return pdf.save();
}

function drawPatch(page: PDFPage, { clip: within, strokes, words }: SheetPatch, fonts: Fonts): void {
  page.pushOperators(pushGraphicsState(), setStrokingGrayscaleColor(0));
  if (within) {
    const { low, high } = within;
    page.pushOperators(rectangle(pt(low.x), pt(low.y), pt(high.x - low.x), pt(high.y - low.y)), clip(), endPath());
  }
  for (const { points, closed, thick, dash } of strokes) {
    const [first, ...more] = points;
    page.pushOperators(
      setLineWidth(pt(thick)),
      setDashPattern(dash.map(pt), 0),
      moveTo(pt(first!.x), pt(first!.y)),
      ...more.map(({ x, y }) => lineTo(pt(x), pt(y))),
      ...(closed ? [closePath()] : []),
      stroke(),
    );
  }
  for (const each of words) drawWords(page, each, fonts);
  page.pushOperators(popGraphicsState());
}

const pt = (mm: number): number => mm * PT_PER_MM;

function drawWords(page: PDFPage, { text, x, y, high, bold, from, upright, most = Infinity }: SheetWords, fonts: Fonts): void {
  const font = bold ? fonts.bold : fonts.plain;
  const shown = fitted(text, font, pt(high / CAPITAL), LEAST_PT, most === Infinity ? Infinity : pt(most));
  const back = from === 'start' ? 0 : font.widthOfTextAtSize(shown.text, shown.size) * (from === 'middle' ? 0.5 : 1);
  page.drawText(shown.text, {
    x: pt(x) - (upright ? 0 : back),
    y: pt(y) - (upright ? back : 0),
    size: shown.size,
    font,
    ...(upright ? { rotate: degrees(90) } : {}),
  });
}
