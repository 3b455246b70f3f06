/** Labels as PDF: vector, black on white, the code to scan included. */
import { fitted, printFonts, type PrintFonts } from '@keen/exchange';
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib';
import QRCode from 'qrcode';
import type { LabelDto } from './labels.dto.ts';

const PT_PER_MM = 72 / 25.4;
const mm = (value: number): number => value * PT_PER_MM;
const BLACK = rgb(0, 0, 0);
const HAIR = rgb(0.7, 0.7, 0.7);

interface Box {
  /** Lower left corner and size, points. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A4 with three columns of eight: what office shops sell. */
const SHEET = { width: mm(210), height: mm(297), columns: 3, rows: 8, label: { width: mm(70), height: mm(37.125) } } as const;
/** The roll of the label printer. */
const ROLL = { width: mm(62), height: mm(34) } as const;

/** Many to a sheet, from its upper left corner row by row. */
export async function labelSheet(labels: readonly LabelDto[]): Promise<Uint8Array> {
  const { pdf, fonts } = await fresh();
  const each = SHEET.columns * SHEET.rows;
  for (let first = 0; first < labels.length; first += each) {
    const page = pdf.addPage([SHEET.width, SHEET.height]);
    labels.slice(first, first + each).forEach((label, index) => {
      const [column, row] = [index % SHEET.columns, Math.floor(index / SHEET.columns)];
      const box = { x: column * SHEET.label.width, y: SHEET.height - (row + 1) * SHEET.label.height, ...SHEET.label };
      drawLabel(page, label, box, fonts);
    });
  }
  return pdf.save();
}

/** One to a page, as a roll is printed. */
export async function labelRoll(labels: readonly LabelDto[]): Promise<Uint8Array> {
  const { pdf, fonts } = await fresh();
  for (const label of labels) drawLabel(pdf.addPage([ROLL.width, ROLL.height]), label, { x: 0, y: 0, ...ROLL }, fonts);
  return pdf.save();
}

async function fresh(): Promise<{ pdf: PDFDocument; fonts: PrintFonts }> {
  const pdf = await PDFDocument.create();
  return { pdf, fonts: await printFonts(pdf) };
}

const CODE = mm(20);

function drawLabel(page: PDFPage, label: LabelDto, box: Box, { plain, bold }: PrintFonts): void {
  const edge = mm(3.5);
  const [left, top] = [box.x + edge, box.y + box.height - edge];
  const code = { x: box.x + box.width - edge - CODE, y: top - CODE };
  drawCode(page, label.link, code);
  const beside = code.x - left - mm(2);
  const across = box.width - 2 * edge;
  const line = (text: string, font: PDFFont, size: number, least: number, width: number, down: number): void => {
    const shown = fitted(text, font === bold, size, least, width);
    page.drawText(shown.text, { x: left, y: top - down, size: shown.size, font, color: BLACK });
  };
  line(label.mark, bold, 22, 12, beside, mm(6.5));
  line(label.size, bold, 12, 7, beside, mm(12.5));
  line(label.name, plain, 8, 6, beside, mm(16.5));
  drawGrain(page, label.grain, { x: left, y: top - mm(20.5) });
  const stock = fitted(label.stock, false, 7, 5.5, beside - mm(11));
  page.drawText(stock.text, { x: left + mm(10.5), y: top - mm(21.3), size: stock.size, font: plain, color: BLACK });
  // Under the code the whole width is free.
  const under = [label.band === '' ? '' : `band: ${label.band}`, label.next === '' ? '' : `next: ${label.next}`].filter(Boolean);
  under.forEach((text, index) => line(text, plain, 9, 6, across, mm(25.6 + 3.8 * index)));
  page.drawRectangle({ ...box, borderColor: HAIR, borderWidth: 0.25 });
}

/** Which way the grain runs by the first measure of the size: an arrow along, across, or two crossed for either way. */
function drawGrain(page: PDFPage, grain: LabelDto['grain'], { x, y }: { readonly x: number; readonly y: number }): void {
  const long = mm(8);
  const arrow = (from: { x: number; y: number }, to: { x: number; y: number }): void => {
    page.drawLine({ start: from, end: to, thickness: 1, color: BLACK });
    const [dx, dy] = [Math.sign(to.x - from.x), Math.sign(to.y - from.y)];
    for (const side of [-1, 1])
      page.drawLine({
        start: to,
        end: { x: to.x - mm(1.3) * dx + mm(0.8) * side * dy, y: to.y - mm(1.3) * dy + mm(0.8) * side * dx },
        thickness: 1,
        color: BLACK,
      });
  };
  if (grain !== 'across') arrow({ x, y }, { x: x + long, y });
  if (grain !== 'along') arrow({ x: x + long / 2, y: y - mm(1.8) }, { x: x + long / 2, y: y + mm(1.8) });
}

/** One path for the whole code, its modules joined along each row: no hairlines between them. */
function drawCode(page: PDFPage, link: string, { x, y }: { readonly x: number; readonly y: number }): void {
  const { modules } = QRCode.create(link, { errorCorrectionLevel: 'M' });
  const { size: count } = modules;
  let path = '';
  for (let row = 0; row < count; row++)
    for (let column = 0; column < count; column++) {
      const from = column;
      while (column < count && modules.get(row, column)) column++;
      if (column > from) path += `M${from} ${row}h${column - from}v1h${from - column}z`;
    }
  // Downwards from its upper left corner, as such paths are drawn.
  page.drawSvgPath(path, { x, y: y + CODE, scale: CODE / count, color: BLACK });
}
