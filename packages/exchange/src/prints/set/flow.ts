/** Flows text and tables over as many pages as needed, in columns, keeping together what belongs together. */
import type { Sheet } from '../paper.ts';
import { linesOf } from '../letters.ts';
import { Canvas, TEXT_MM, type Box } from './canvas.ts';

/** Pages of a set in order. */
export class Pages {
  readonly all: Canvas[] = [];

  constructor(readonly sheet: Sheet) {}

  begin(title: string): Canvas {
    const page = new Canvas(this.sheet, title);
    this.all.push(page);
    return page;
  }
}

export interface Column {
  readonly title: string;
  /** Relative width. */
  readonly share: number;
  /** Right-aligned, for numbers. */
  readonly right?: boolean;
  readonly bold?: boolean;
}

export interface Paragraph {
  readonly high?: number;
  readonly bold?: boolean;
  readonly indent?: number;
  /** Before the first line, in the indent. */
  readonly bullet?: Bullet;
}

/** A tick box, a hazard, or one of several. */
export type Bullet = 'tick' | '!' | '•';

/** A cell with this many tick boxes. */
export const ticks = (count: number): string => TICK.repeat(count);
const TICK = '\u2610';

const topOf = ({ room }: Canvas): number => room.y + room.height;
const COLUMN_GAP_MM = 9;
const leading = (high: number): number => high * 1.55;
const CELL_MM = 1.4;

export class Flow {
  private page: Canvas;
  private column = 0;
  private y: number;
  /** Top of the columns of this page. */
  private top: number;

  constructor(
    private readonly pages: Pages,
    private readonly title: string,
    private columns = 1,
  ) {
    this.page = pages.begin(title);
    this.top = this.y = topOf(this.page);
  }

  /** Starts this many columns under the current content. */
  inColumns(columns: number): void {
    this.columns = columns;
    if (this.column > 0) this.next();
    if (this.y < this.top) this.y -= 3;
    this.top = this.y;
    this.column = 0;
  }

  heading(text: string, { high = 3.4, keep = 20 }: { readonly high?: number; readonly keep?: number } = {}): void {
    const lines = linesOf(text, high, this.width, true);
    const tall = lines.length * leading(high) + 1;
    this.need(tall + keep);
    if (this.y < this.top) this.y -= 2.5;
    for (const line of lines) {
      this.y -= leading(high);
      this.page.text(line, { x: this.left, y: this.y + high * 0.3 }, { high, bold: true });
    }
    this.y -= 1;
  }

  paragraph(text: string, { high = TEXT_MM, bold = false, indent = 0, bullet }: Paragraph = {}): void {
    const lines = linesOf(text, high, this.width - indent, bold);
    // At least two lines stay together.
    if (lines.length <= 4) this.need(lines.length * leading(high));
    lines.forEach((line, index) => {
      this.need(leading(high));
      this.y -= leading(high);
      const foot = { x: this.left, y: this.y + high * 0.3 };
      if (index === 0 && bullet === 'tick') this.page.tick(foot, high);
      else if (index === 0 && bullet) this.page.text(bullet, foot, { high, bold: true });
      this.page.text(line, { x: this.left + indent, y: this.y + high * 0.3 }, { high, bold });
    });
    this.y -= high * 0.3;
  }

  space(mm: number): void {
    if (this.y < this.top) this.y = Math.max(this.foot, this.y - mm);
  }

  /** An unbreakable area of this height. */
  block(height: number, draw: (canvas: Canvas, box: Box) => void): void {
    this.need(height);
    this.y -= height;
    draw(this.page, { x: this.left, y: this.y, width: this.width, height });
  }

  table(columns: readonly Column[], rows: readonly (readonly string[])[], high = TEXT_MM): void {
    const shares = columns.reduce((sum, { share }) => sum + share, 0);
    const widths = columns.map(({ share }) => (share / shares) * this.width);
    const cells = (row: readonly string[], bold: boolean): string[][] =>
      row.map((text, index) => linesOf(text, high, widths[index]! - 2 * CELL_MM, bold || columns[index]!.bold === true));
    const titles = columns.map(({ title }) => title);
    const head = cells(titles, true);
    const tallOf = (lines: readonly (readonly string[])[]): number => Math.max(1, ...lines.map(({ length }) => length)) * leading(high) + 1.2;
    const put = (lines: readonly (readonly string[])[], bold: boolean): void => {
      const tall = tallOf(lines);
      let x = this.left;
      lines.forEach((own, index) => {
        const { right = false, bold: strong = false } = columns[index]!;
        own.forEach((line, n) => {
          const y = this.y - (n + 1) * leading(high) + high * 0.3;
          if (line.startsWith(TICK)) [...line].forEach((_, k) => this.page.tick({ x: x + CELL_MM + k * (high + 1.2), y }, high));
          else
            this.page.text(line, { x: right ? x + widths[index]! - CELL_MM : x + CELL_MM, y }, { high, bold: bold || strong, from: right ? 'end' : 'start' });
        });
        x += widths[index]!;
      });
      this.y -= tall;
      this.page.line(
        [
          { x: this.left, y: this.y },
          { x: this.left + this.width, y: this.y },
        ],
        bold ? 'heavy' : 'light',
      );
    };
    this.need(tallOf(head) + 12);
    put(head, true);
    for (const row of rows) {
      const lines = cells(row, false);
      if (this.y - tallOf(lines) < this.foot) {
        this.next();
        put(head, true);
      }
      put(lines, false);
    }
    this.y -= 2;
  }

  /** Moves to the next column or page where less room is left. */
  need(height: number): void {
    if (this.y - height < this.foot - 1e-6 && this.y < this.top) this.next();
  }

  private next(): void {
    this.column += 1;
    if (this.column >= this.columns) {
      this.column = 0;
      this.page = this.pages.begin(this.title);
      this.top = topOf(this.page);
    }
    this.y = this.top;
  }

  /** Of one column. */
  get room(): { readonly width: number; readonly height: number } {
    return { width: this.width, height: this.page.room.height };
  }

  private get width(): number {
    return (this.page.room.width - (this.columns - 1) * COLUMN_GAP_MM) / this.columns;
  }

  private get left(): number {
    return this.page.room.x + this.column * (this.width + COLUMN_GAP_MM);
  }

  private get foot(): number {
    return this.page.room.y;
  }
}
