/** A page being drawn: paper millimeters, y up. Words reserve their place, so that none overlap. */
import type { PieceSpot as Spot } from '@keen/core';
import { BELOW, shortened, wideAs } from '../letters.ts';
import { MARGIN_MM, type Sheet } from '../paper.ts';
import type { SheetPatch, SheetPicture, SheetStroke, SheetWords } from '../sheet-picture.ts';

/** A rectangle of the page. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export type Pen = 'bold' | 'heavy' | 'light' | 'dashed' | 'none';

const PENS: Readonly<Record<Pen, Pick<SheetStroke, 'thick' | 'dash'>>> = {
  bold: { thick: 0.5, dash: [] },
  heavy: { thick: 0.28, dash: [] },
  light: { thick: 0.13, dash: [] },
  dashed: { thick: 0.16, dash: [1.6, 1] },
  none: { thick: 0, dash: [] },
};

export interface Lettering {
  readonly high?: number;
  readonly bold?: boolean;
  readonly from?: SheetWords['from'];
  readonly upright?: boolean;
  /** Truncated with dots where longer. */
  readonly most?: number;
}

/** Cap height for reading at the bench, mm: about ten points. */
export const TEXT_MM = 2.5;
/** The smallest text anywhere. */
export const SMALL_MM = 2.1;

const HEAD_MM = 9;
const FOOT_MM = 8;

/** The free area of a page. */
export const roomOn = ({ width, height }: Sheet): Box => ({
  x: MARGIN_MM,
  y: MARGIN_MM + FOOT_MM,
  width: width - 2 * MARGIN_MM,
  height: height - 2 * MARGIN_MM - HEAD_MM - FOOT_MM,
});

export class Canvas {
  private patches: { clip: SheetPatch['clip']; strokes: SheetStroke[]; words: SheetWords[] }[] = [{ clip: null, strokes: [], words: [] }];
  readonly room: Box;

  constructor(
    readonly sheet: Sheet,
    /** Title of the page. */
    readonly title: string,
  ) {
    this.room = roomOn(sheet);
  }

  line(points: readonly Spot[], pen: Pen = 'heavy'): void {
    if (points.length > 1) this.now.strokes.push({ points, closed: false, ...PENS[pen] });
  }

  /** A closed outline with holes; without `fill` it is transparent. */
  area(points: readonly Spot[], pen: Pen, fill?: number, others: readonly (readonly Spot[])[] = []): void {
    this.now.strokes.push({ points, closed: true, ...PENS[pen], ...(fill === undefined ? {} : { fill }), ...(others.length > 0 ? { others } : {}) });
  }

  box({ x, y, width, height }: Box, pen: Pen, fill?: number): void {
    this.area(
      [
        { x, y },
        { x: x + width, y },
        { x: x + width, y: y + height },
        { x, y: y + height },
      ],
      pen,
      fill,
    );
  }

  text(text: string, { x, y }: Spot, { high = TEXT_MM, bold = false, from = 'start', upright = false, most = Infinity }: Lettering = {}): void {
    const shown = most === Infinity ? text : shortened(text, high, most, bold);
    if (shown !== '') this.now.words.push({ text: shown, x, y, high, bold, from, upright });
  }

  /** A tick box, on the line of a text that starts there. */
  tick({ x, y }: Spot, high = TEXT_MM): void {
    this.box({ x: x + 0.2, y, width: high, height: high }, 'heavy');
  }

  /** Clips everything drawn in `draw` to a box. */
  within({ x, y, width, height }: Box, draw: () => void): void {
    this.patches.push({ clip: { low: { x, y }, high: { x: x + width, y: y + height } }, strokes: [], words: [] });
    draw();
    this.patches.push({ clip: null, strokes: [], words: [] });
  }

  /** The drawing without head and foot. */
  bare(): SheetPicture {
    const { width, height } = this.sheet;
    return { width, height, title: this.title, patches: this.patches.filter(({ strokes, words }) => strokes.length + words.length > 0) };
  }

  /** The finished page, with head and foot. */
  picture({ project, revision, page, of }: { readonly project: string; readonly revision: string; readonly page: number; readonly of: number }): SheetPicture {
    const { width, height } = this.sheet;
    const [left, right] = [MARGIN_MM, width - MARGIN_MM];
    const top = height - MARGIN_MM - 3.5;
    this.text(this.title, { x: left, y: top }, { high: 3, bold: true, most: (right - left) * 0.62 });
    this.text(project, { x: right, y: top }, { high: TEXT_MM, from: 'end', most: (right - left) * 0.34 });
    this.line([
      { x: left, y: top - 2.4 },
      { x: right, y: top - 2.4 },
    ]);
    this.text(revision, { x: left, y: MARGIN_MM + 1 }, { high: SMALL_MM });
    this.text(`page ${page} of ${of}`, { x: right, y: MARGIN_MM + 1 }, { high: TEXT_MM, bold: true, from: 'end' });
    return this.bare();
  }

  private get now(): { strokes: SheetStroke[]; words: SheetWords[] } {
    return this.patches.at(-1)!;
  }
}

/** Area of words on the paper, from their base line to their cap height. */
export function boxOf({ text, x, y, high, bold, from, upright }: SheetWords): Box {
  const long = wideAs({ text, high, bold });
  const back = from === 'start' ? 0 : from === 'middle' ? long / 2 : long;
  const below = high * BELOW;
  return upright ? { x: x - high, y: y - back, width: high + below, height: long } : { x: x - back, y: y - below, width: long, height: high + below };
}
