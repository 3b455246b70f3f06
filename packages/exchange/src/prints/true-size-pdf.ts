/** Drawings at their true size as PDF: tiled, with crop marks, lines to lay on one another, and bars to check the printer by. Black on white. */
import {
  clip,
  closePath,
  endPath,
  lineTo,
  moveTo,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  degrees,
  rgb,
  setDashPattern,
  setLineWidth,
  setStrokingGrayscaleColor,
  StandardFonts,
  stroke,
  type PDFFont,
  type PDFPage,
} from 'pdf-lib';
import type { Stroke, TrueDrawing, Weight, Words } from './marks.ts';
import { across, BAR_MM, MARGIN_MM, TRUE_PRINTER, type PaperId, type PrinterCorrection, type Sheet } from './paper.ts';
import { fitted, printable } from './print-text.ts';
import { onSheets, tilesOf, type Placed } from './tiles.ts';

const PT_PER_MM = 72 / 25.4;
const INCH_MM = 25.4;
const BAR_INCHES = 4;
/** Above the window: what it is. Below: the check bars and what they are for. */
const HEAD_MM = 14;
const FOOT_MM = 26;
/** Round the window: crop marks stand there; at the left the upright bar too. */
const RIM_MM = 5;
const LEFT_MM = 14;

const WEIGHTS: Readonly<Record<Weight, { readonly mm: number; readonly dash: readonly number[] }>> = {
  heavy: { mm: 0.25, dash: [] },
  light: { mm: 0.12, dash: [] },
  dashed: { mm: 0.18, dash: [2, 1.2] },
};

export interface TrueSizeOptions {
  readonly paper: PaperId;
  readonly correction?: PrinterCorrection;
  /** Of whose drawings these are, at the head of every sheet. */
  readonly project: string;
  /** Which state of it. */
  readonly revision: string;
}

/** How far a drawing may go on one sheet of a paper, mm. */
export function windowOf({ paper, correction = TRUE_PRINTER }: Pick<TrueSizeOptions, 'paper' | 'correction'>): Sheet {
  const { width, height } = across(paper);
  return {
    width: (width - 2 * MARGIN_MM - LEFT_MM - RIM_MM) * (correction.along / BAR_MM),
    height: (height - 2 * (MARGIN_MM + RIM_MM) - HEAD_MM - FOOT_MM) * (correction.up / BAR_MM),
  };
}

/** Sheets of every drawing, in their order. Throws a RangeError where there is nothing to draw. */
export async function trueSizePdf(drawings: readonly TrueDrawing[], options: TrueSizeOptions): Promise<Uint8Array> {
  if (drawings.length === 0) throw new RangeError('there is nothing to print');
  const pdf = await PDFDocument.create();
  pdf.setTitle(options.project);
  const fonts = { plain: await pdf.embedFont(StandardFonts.Helvetica), bold: await pdf.embedFont(StandardFonts.HelveticaBold) };
  const window = windowOf(options);
  const sheets = drawings.flatMap((drawing) => onSheets(tilesOf(drawing, window), window).map((tiles) => ({ drawing, tiles })));
  const paper = across(options.paper);
  sheets.forEach(({ drawing, tiles }, index) => {
    const page = pdf.addPage([paper.width * PT_PER_MM, paper.height * PT_PER_MM]);
    const pen = new Pen(page, fonts, options.correction ?? TRUE_PRINTER);
    pen.head(paper, `${options.project}: ${drawing.title}`, `${options.revision}, sheet ${index + 1} of ${sheets.length}, true size`);
    for (const tile of tiles) pen.tile(drawing, tile);
    pen.bars();
  });
  return pdf.save();
}

/** Draws on a page in millimetres that come out true on the printer it is for. */
class Pen {
  constructor(
    private readonly page: PDFPage,
    private readonly fonts: { readonly plain: PDFFont; readonly bold: PDFFont },
    private readonly correction: PrinterCorrection,
  ) {}

  /** From the corner of the margins, in points. */
  private x(mm: number): number {
    return (MARGIN_MM + (mm * BAR_MM) / this.correction.along) * PT_PER_MM;
  }

  private y(mm: number): number {
    return (MARGIN_MM + (mm * BAR_MM) / this.correction.up) * PT_PER_MM;
  }

  head({ width, height }: Sheet, title: string, right: string): void {
    const up = (height - MARGIN_MM - 5) * PT_PER_MM;
    const { plain, bold } = this.fonts;
    const marked = printable(right, plain);
    const beside = plain.widthOfTextAtSize(marked, 9);
    this.page.drawText(marked, { x: (width - MARGIN_MM) * PT_PER_MM - beside, y: up, size: 9, font: plain });
    const shown = fitted(title, bold, 13, 7, (width - 2 * MARGIN_MM - 5) * PT_PER_MM - beside);
    this.page.drawText(shown.text, { x: MARGIN_MM * PT_PER_MM, y: up, size: shown.size, font: bold });
  }

  tile(drawing: TrueDrawing, tile: Placed): void {
    const [left, low] = [LEFT_MM, FOOT_MM + RIM_MM];
    const at = ({ x, y }: { readonly x: number; readonly y: number }) => ({
      x: this.x(left + tile.at.x + x - tile.x),
      y: this.y(low + tile.at.y + y - tile.y),
    });
    const [from, to] = [at({ x: tile.x, y: tile.y }), at({ x: tile.x + tile.width, y: tile.y + tile.height })];
    const lines: Stroke[] = [...drawing.strokes, ...joinLines(tile)];
    // Half a line's weight belongs to what lies at the very edge.
    const edge = 0.3 * PT_PER_MM;
    this.page.pushOperators(
      pushGraphicsState(),
      rectangle(from.x - edge, from.y - edge, to.x - from.x + 2 * edge, to.y - from.y + 2 * edge),
      clip(),
      endPath(),
      setStrokingGrayscaleColor(0),
    );
    for (const { points, closed, weight } of lines) {
      const { mm, dash } = WEIGHTS[weight];
      const [first, ...more] = points.map(at);
      this.page.pushOperators(
        setLineWidth(mm * PT_PER_MM),
        setDashPattern(
          dash.map((each) => each * PT_PER_MM),
          0,
        ),
        moveTo(first!.x, first!.y),
        ...more.map(({ x, y }) => lineTo(x, y)),
        ...(closed ? [closePath()] : []),
        stroke(),
      );
    }
    for (const words of drawing.words) this.words(words, at(words.at));
    this.page.pushOperators(popGraphicsState());
    this.cropMarks(from, to);
    const name = tileName(tile);
    if (name !== '') this.page.drawText(name, { x: from.x + 3 * PT_PER_MM, y: to.y + 1.2 * PT_PER_MM, size: 7, font: this.fonts.plain });
  }

  private words({ text, high, centred = false, upright = false }: Words, { x, y }: { readonly x: number; readonly y: number }): void {
    const shown = printable(text, this.fonts.plain);
    // Capitals are about 0.72 of the size.
    const size = (high / 0.72) * PT_PER_MM;
    const back = centred ? this.fonts.plain.widthOfTextAtSize(shown, size) / 2 : 0;
    const down = centred ? (high / 2) * PT_PER_MM : 0;
    this.page.drawText(shown, {
      x: upright ? x + down : x - back,
      y: upright ? y - back : y - down,
      size,
      font: this.fonts.plain,
      ...(upright ? { rotate: degrees(90) } : {}),
    });
  }

  /** Where to cut, drawn outside what is cut out. */
  private cropMarks(from: { x: number; y: number }, to: { x: number; y: number }): void {
    const [off, long] = [1 * PT_PER_MM, 3 * PT_PER_MM];
    for (const [x, outX] of [
      [from.x, -1],
      [to.x, 1],
    ] as const)
      for (const [y, outY] of [
        [from.y, -1],
        [to.y, 1],
      ] as const) {
        this.line(x + outX * off, y, x + outX * (off + long), y);
        this.line(x, y + outY * off, x, y + outY * (off + long));
      }
  }

  private line(x1: number, y1: number, x2: number, y2: number): void {
    this.page.drawLine({ start: { x: x1, y: y1 }, end: { x: x2, y: y2 }, thickness: 0.2 * PT_PER_MM, color: rgb(0, 0, 0) });
  }

  /** A bar of 100 mm and one of 4 in along the sheet, one of 100 mm up it, and what to do when they measure otherwise. */
  bars(): void {
    const bar = (up: number, marks: readonly number[], name: string): void => {
      const y = this.y(up);
      this.line(this.x(0), y, this.x(marks.at(-1)!), y);
      for (const mark of marks) this.line(this.x(mark), y, this.x(mark), y + (mark === 0 || mark === marks.at(-1)! ? 4 : 2.5) * PT_PER_MM);
      this.page.drawText(name, { x: this.x(marks.at(-1)!) + 2 * PT_PER_MM, y, size: 9, font: this.fonts.bold });
    };
    bar(
      13,
      Array.from({ length: 11 }, (_, k) => 10 * k),
      '100 mm',
    );
    bar(
      5,
      Array.from({ length: 2 * BAR_INCHES + 1 }, (_, k) => (INCH_MM / 2) * k),
      '4 in',
    );
    const upright = FOOT_MM + RIM_MM;
    this.line(this.x(0), this.y(upright), this.x(0), this.y(upright + BAR_MM));
    for (let mark = 0; mark <= BAR_MM; mark += 10)
      this.line(this.x(0), this.y(upright + mark), this.x(0) + (mark % BAR_MM === 0 ? 4 : 2.5) * PT_PER_MM, this.y(upright + mark));
    this.page.drawText('100 mm', { x: this.x(0) + 8 * PT_PER_MM, y: this.y(upright + 42), size: 9, font: this.fonts.bold, rotate: degrees(90) });
    const said = [
      'Measure the three bars before anything is cut by this sheet.',
      'If they are off: print again at 100 %, with nothing fitted to the page.',
      'If they are off still: enter what the 100 mm measure, along and up,',
      "as this printer's, and print again. Glue tiles with line on line.",
    ];
    said.forEach((text, index) =>
      this.page.drawText(text, { x: this.x(BAR_MM) + 22 * PT_PER_MM, y: this.y(15) - index * 4 * PT_PER_MM, size: 8.5, font: this.fonts.plain }),
    );
  }
}

/** Rows are counted from below, tiles of a row from the left. Nothing for what is whole. */
function tileName({ row, column, joins }: Placed): string {
  const { left, right, low, high } = joins;
  const alone = low === null && high === null;
  if (alone && left === null && right === null) return '';
  return `${alone ? '' : `row ${row + 1}, `}tile ${column + 1}: thin line on thin line of the next`;
}

/** The lines that are laid on the neighbours'. */
function joinLines({ x, y, width, height, joins }: Placed): Stroke[] {
  const upright = (at: number | null): Stroke[] =>
    at === null
      ? []
      : [
          {
            points: [
              { x: at, y },
              { x: at, y: y + height },
            ],
            closed: false,
            weight: 'light',
          },
        ];
  const level = (at: number | null): Stroke[] =>
    at === null
      ? []
      : [
          {
            points: [
              { x, y: at },
              { x: x + width, y: at },
            ],
            closed: false,
            weight: 'light',
          },
        ];
  return [...upright(joins.left), ...upright(joins.right), ...level(joins.low), ...level(joins.high)];
}
