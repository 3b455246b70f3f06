/** Sheet pictures as PDF. Black on white: lines, gray areas and words only. */
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
  setFillingGrayscaleColor,
  setLineJoin,
  setLineWidth,
  setStrokingGrayscaleColor,
  stroke,
  LineJoinStyle,
  PDFOperator,
  PDFOperatorNames,
  type PDFPage,
} from 'pdf-lib';
import { printFonts, type PrintFonts } from './fonts.ts';
import { CAPITAL } from './letters.ts';
import { fitted } from './print-text.ts';
import type { SheetPatch, SheetPicture, SheetStroke, SheetWords } from './sheet-picture.ts';

const PT_PER_MM = 72 / 25.4;
const MIN_PT = 4;

/**
 * Sheets in order. `drawn` is called after each page.
 * @throws RangeError without a sheet
 */
export async function picturesPdf(pictures: Iterable<SheetPicture>, title: string, drawn: (pages: number) => void = () => {}): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  const fonts = await printFonts(pdf);
  let pages = 0;
  for (const { width, height, patches } of pictures) {
    const page = pdf.addPage([width * PT_PER_MM, height * PT_PER_MM]);
    for (const patch of patches) drawPatch(page, patch, fonts);
    drawn(++pages);
  }
  if (pages === 0) throw new RangeError('there is nothing to print');
  return pdf.save();
}

function drawPatch(page: PDFPage, { clip: within, strokes, words }: SheetPatch, fonts: PrintFonts): void {
  const operators: PDFOperator[] = [pushGraphicsState(), setStrokingGrayscaleColor(0), setLineJoin(LineJoinStyle.Round)];
  if (within) {
    const { low, high } = within;
    operators.push(rectangle(pt(low.x), pt(low.y), pt(high.x - low.x), pt(high.y - low.y)), clip(), endPath());
  }
  for (const each of strokes) operators.push(...strokeOperators(each));
  page.pushOperators(...operators);
  for (const each of words) drawWords(page, each, fonts);
  page.pushOperators(popGraphicsState());
}

function* strokeOperators({ points, others = [], closed, thick, dash, fill }: SheetStroke): Iterable<PDFOperator> {
  if (fill !== undefined) yield setFillingGrayscaleColor(fill);
  if (thick > 0) {
    yield setLineWidth(pt(thick));
    yield setDashPattern(dash.map(pt), 0);
  }
  for (const ring of [points, ...others]) {
    const [first, ...more] = ring;
    yield moveTo(pt(first!.x), pt(first!.y));
    for (const { x, y } of more) yield lineTo(pt(x), pt(y));
    if (closed) yield closePath();
  }
  yield fill === undefined ? stroke() : PDFOperator.of(thick > 0 ? PDFOperatorNames.FillEvenOddAndStroke : PDFOperatorNames.FillEvenOdd);
}

const pt = (mm: number): number => mm * PT_PER_MM;

function drawWords(page: PDFPage, { text, x, y, high, bold, from, upright, most = Infinity }: SheetWords, fonts: PrintFonts): void {
  const font = bold ? fonts.bold : fonts.plain;
  const shown = fitted(text, bold, pt(high / CAPITAL), MIN_PT, most === Infinity ? Infinity : pt(most));
  const back = from === 'start' ? 0 : shown.width * (from === 'middle' ? 0.5 : 1);
  page.drawText(shown.text, {
    x: pt(x) - (upright ? 0 : back),
    y: pt(y) - (upright ? back : 0),
    size: shown.size,
    font,
    ...(upright ? { rotate: degrees(90) } : {}),
  });
}
