/**
 * True-size drawings laid out on sheets: tiled, with crop marks, alignment lines, and bars to check the printer by. In paper millimeters, y up, with the
 * printer's correction: PDF and screen draw the same.
 */
import type { PieceSpot as Spot } from '@keen/core';
import { wideAs } from './letters.ts';
import type { Stroke, TrueDrawing, Weight, Words } from './marks.ts';
import { across, BAR_MM, MARGIN_MM, TRUE_PRINTER, type PaperId, type PrinterCorrection, type Sheet } from './paper.ts';
import type { SheetPatch, SheetPicture, SheetStroke, SheetWords } from './sheet-picture.ts';
import { onSheets, OVERLAP_MM, tilesOf, type Placed } from './tiles.ts';
import { MM_PER_INCH } from '@keen/core';

const BAR_INCHES = 4;
/** Above the window: the title. Below: the check bars and their instructions. */
const HEAD_MM = 14;
const FOOT_MM = 26;
/** Margin of the window for crop marks; at the left also the vertical bar. */
const RIM_MM = 5;
const LEFT_MM = 14;

const WEIGHTS: Readonly<Record<Weight, Pick<SheetStroke, 'thick' | 'dash'>>> = {
  heavy: { thick: 0.25, dash: [] },
  light: { thick: 0.12, dash: [] },
  dashed: { thick: 0.18, dash: [2, 1.2] },
};

export interface TrueSizeOptions {
  readonly paper: PaperId;
  readonly correction?: PrinterCorrection;
  /** Owner of the drawings, at the head of every sheet. */
  readonly project: string;
  /** Its revision. */
  readonly revision: string;
}

/** Extent of a drawing on one sheet of a paper, mm of the drawing. */
export function windowOf({ paper, correction = TRUE_PRINTER }: Pick<TrueSizeOptions, 'paper' | 'correction'>): Sheet {
  const { width, height } = across(paper);
  return {
    width: (width - 2 * MARGIN_MM - LEFT_MM - RIM_MM) * (correction.along / BAR_MM),
    height: (height - 2 * (MARGIN_MM + RIM_MM) - HEAD_MM - FOOT_MM) * (correction.up / BAR_MM),
  };
}

/** Sheets of every drawing, in order. */
export function trueSizeSheets(drawings: readonly TrueDrawing[], options: TrueSizeOptions): SheetPicture[] {
  const { paper, correction = TRUE_PRINTER, project, revision } = options;
  const window = windowOf(options);
  const sheets = drawings.flatMap((drawing) => onSheets(tilesOf(drawing, window), window).map((tiles) => ({ drawing, tiles })));
  const size = across(paper);
  const laid = new Laid(size, correction);
  return sheets.map(({ drawing, tiles }, index): SheetPicture => ({
    ...size,
    title: drawing.title,
    patches: [
      laid.head(`${project}: ${drawing.title}`, `${revision}, sheet ${index + 1} of ${sheets.length}, true size`),
      ...tiles.flatMap((tile) => laid.tile(drawing, tile)),
      laid.bars(),
    ],
  }));
}

/** Scales true millimeters for a printer. */
class Laid {
  constructor(
    private readonly paper: Sheet,
    private readonly correction: PrinterCorrection,
  ) {}

  /** From the corner of the margins. */
  private at(x: number, y: number): Spot {
    return { x: MARGIN_MM + (x * BAR_MM) / this.correction.along, y: MARGIN_MM + (y * BAR_MM) / this.correction.up };
  }

  head(title: string, right: string): SheetPatch {
    const { width, height } = this.paper;
    const y = height - MARGIN_MM - 5;
    const room = width - 2 * MARGIN_MM;
    return {
      clip: null,
      strokes: [],
      words: [
        { text: title, x: MARGIN_MM, y, high: 3.3, bold: true, from: 'start', upright: false, most: room * 0.62 },
        { text: right, x: width - MARGIN_MM, y, high: 2.3, bold: false, from: 'end', upright: false, most: room * 0.36 },
      ],
    };
  }

  tile(drawing: TrueDrawing, tile: Placed): SheetPatch[] {
    const at = ({ x, y }: Spot): Spot => this.at(LEFT_MM + tile.at.x + x - tile.x, FOOT_MM + RIM_MM + tile.at.y + y - tile.y);
    const [low, high] = [at({ x: tile.x, y: tile.y }), at({ x: tile.x + tile.width, y: tile.y + tile.height })];
    // Half a line's weight belongs to the very edge.
    const edge = 0.3;
    const name = tileName(tile);
    return [
      {
        clip: { low: { x: low.x - edge, y: low.y - edge }, high: { x: high.x + edge, y: high.y + edge } },
        strokes: [...drawing.strokes.filter((each) => reaches(each, tile)), ...joinLines(tile)].map(({ points, closed, weight }) => ({
          points: points.map(at),
          closed,
          ...WEIGHTS[weight],
        })),
        words: drawing.words.flatMap((each) => {
          const left = leftOn(tile, each);
          if (left === null) return [];
          const { text, at: spot, high: tall, centred = false } = each;
          const { x, y } = at({ x: left, y: spot.y });
          return [
            {
              text,
              x: centred ? x + wideAs(each) / 2 : x,
              y: centred ? y - tall / 2 : y,
              high: tall,
              bold: false,
              from: centred ? 'middle' : 'start',
              upright: false,
            },
          ];
        }),
      },
      {
        clip: null,
        strokes: cropMarks(low, high),
        words: name === '' ? [] : [{ text: name, x: low.x + 3, y: high.y + 1.2, high: 1.8, bold: false, from: 'start', upright: false }],
      },
    ];
  }

  /** A bar of 100 mm and one of 4 in along the sheet, one of 100 mm up it, and what to do when they measure otherwise. */
  bars(): SheetPatch {
    const strokes: SheetStroke[] = [];
    const words: SheetWords[] = [];
    const line = (from: Spot, to: Spot): void => void strokes.push({ points: [from, to], closed: false, thick: 0.2, dash: [] });
    const said = (text: string, { x, y }: Spot, bold: boolean, upright = false): void =>
      void words.push({ text, x, y, high: 2.3, bold, from: 'start', upright });
    const along = (up: number, marks: readonly number[], name: string): void => {
      const end = marks.at(-1)!;
      line(this.at(0, up), this.at(end, up));
      for (const mark of marks) {
        const foot = this.at(mark, up);
        line(foot, { x: foot.x, y: foot.y + (mark === 0 || mark === end ? 4 : 2.5) });
      }
      const { x, y } = this.at(end, up);
      said(name, { x: x + 2, y }, true);
    };
    along(
      13,
      Array.from({ length: 11 }, (_, k) => 10 * k),
      '100 mm',
    );
    along(
      5,
      Array.from({ length: 2 * BAR_INCHES + 1 }, (_, k) => (MM_PER_INCH / 2) * k),
      '4 in',
    );
    const foot = FOOT_MM + RIM_MM;
    line(this.at(0, foot), this.at(0, foot + BAR_MM));
    for (let mark = 0; mark <= BAR_MM; mark += 10) {
      const from = this.at(0, foot + mark);
      line(from, { x: from.x + (mark % BAR_MM === 0 ? 4 : 2.5), y: from.y });
    }
    const middle = this.at(0, foot + 42);
    said('100 mm', { x: middle.x + 8, y: middle.y }, true, true);
    const beside = this.at(BAR_MM, 15);
    [
      'Measure the three bars before anything is cut by this sheet.',
      'If they are off: print again at 100 %, with nothing fitted to the page.',
      'If they are off still: enter what the 100 mm measure, along and up,',
      "as this printer's, and print again. Glue tiles with line on line.",
    ].forEach((text, index) => said(text, { x: beside.x + 22, y: beside.y - index * 4 }, false));
    return { clip: null, strokes, words };
  }
}

/** Start of words on a tile, in the drawing; null where a neighbor shows them whole. Words that fit neither move into the tile they start on. */
function leftOn({ x, y, width, height, joins }: Placed, words: Words): number | null {
  const { at, high, centred = false } = words;
  const long = wideAs(words);
  const low = centred ? at.y - high / 2 : at.y;
  if (low < y || low + high > y + height) return null;
  const wanted = centred ? at.x - long / 2 : at.x;
  const left = joins.left === null ? Math.max(wanted, x) : wanted;
  if (left >= x && left + long <= x + width) return left;
  const begins = left >= x && left < x + width - (joins.right === null ? 0 : OVERLAP_MM);
  return begins ? x + width - long : null;
}

/** Whether a stroke can lie on a tile. */
function reaches({ points }: Stroke, { x, y, width, height }: Placed): boolean {
  const [xs, ys] = [points.map((point) => point.x), points.map((point) => point.y)];
  return Math.min(...xs) <= x + width && Math.max(...xs) >= x && Math.min(...ys) <= y + height && Math.max(...ys) >= y;
}

/** Crop marks, outside the cut area. */
function cropMarks(low: Spot, high: Spot): SheetStroke[] {
  const [off, long] = [1, 3];
  const line = (from: Spot, to: Spot): SheetStroke => ({ points: [from, to], closed: false, thick: 0.2, dash: [] });
  return [-1, 1].flatMap((outX) =>
    [-1, 1].flatMap((outY) => {
      const { x, y } = { x: outX < 0 ? low.x : high.x, y: outY < 0 ? low.y : high.y };
      return [line({ x: x + outX * off, y }, { x: x + outX * (off + long), y }), line({ x, y: y + outY * off }, { x, y: y + outY * (off + long) })];
    }),
  );
}

/** Rows are counted from below, tiles of a row from the left. Empty for a single tile. */
function tileName({ row, column, joins }: Placed): string {
  const { left, right, low, high } = joins;
  const alone = low === null && high === null;
  if (alone && left === null && right === null) return '';
  return `${alone ? '' : `row ${row + 1}, `}tile ${column + 1}: thin line on thin line of the next`;
}

/** Alignment lines with the neighbors. */
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
