/**
 * Cuts a drawing into overlapping tiles that fit a sheet, and places them on sheets. Low tiles share a sheet, so that a stick of several lengths comes out
 * of one.
 */
import type { Sheet } from './paper.ts';

/** Overlap of two neighbors; its middle line aligns them. */
export const OVERLAP_MM = 12;
/** Gap between tiles on one sheet, for crop marks. */
export const GAP_MM = 8;

export interface Tile {
  /** Row from below, column from the left, both from 0. */
  readonly row: number;
  readonly column: number;
  /** Its part of the drawing. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Alignment lines, where it has a neighbor. */
  readonly joins: { readonly left: number | null; readonly right: number | null; readonly low: number | null; readonly high: number | null };
}

export interface Placed extends Tile {
  /** Its lower left corner in the window of its sheet. */
  readonly at: { readonly x: number; readonly y: number };
}

interface Stretch {
  readonly from: number;
  readonly long: number;
}

/** Equal stretches of at most `most`, each overlapping the next. */
function stretches(whole: number, most: number): Stretch[] {
  if (whole <= most) return [{ from: 0, long: whole }];
  if (most <= 2 * OVERLAP_MM) throw new RangeError('the sheet is too small to print on');
  const count = Math.ceil((whole - OVERLAP_MM) / (most - OVERLAP_MM));
  const long = (whole + (count - 1) * OVERLAP_MM) / count;
  return Array.from({ length: count }, (_, k) => ({ from: k * (long - OVERLAP_MM), long }));
}

export function tilesOf({ width, height }: Sheet, window: Sheet): Tile[] {
  const columns = stretches(width, window.width);
  const rows = stretches(height, window.height);
  const join = (stretch: Stretch | undefined): number | null => (stretch ? stretch.from + OVERLAP_MM / 2 : null);
  return rows.flatMap((up, row) =>
    columns.map((along, column): Tile => ({
      row,
      column,
      x: along.from,
      y: up.from,
      width: along.long,
      height: up.long,
      joins: {
        left: column > 0 ? join(along) : null,
        right: join(columns[column + 1]),
        low: row > 0 ? join(up) : null,
        high: join(rows[row + 1]),
      },
    })),
  );
}

/** Tiles on sheets, from the top down, as many as fit. */
export function onSheets(tiles: readonly Tile[], window: Sheet): Placed[][] {
  const sheets: Placed[][] = [];
  let left = 0;
  for (const tile of tiles) {
    if (sheets.length === 0 || tile.height > left) {
      sheets.push([]);
      left = window.height;
    }
    sheets.at(-1)!.push({ ...tile, at: { x: 0, y: left - tile.height } });
    left -= tile.height + GAP_MM;
  }
  return sheets;
}
