/** Paper sizes, and the margin a printer cannot reach. Millimeters. */

export const PAPERS = {
  a4: { name: 'A4', width: 210, height: 297 },
  a3: { name: 'A3', width: 297, height: 420 },
  letter: { name: 'US Letter', width: 215.9, height: 279.4 },
  tabloid: { name: 'Tabloid', width: 279.4, height: 431.8 },
} as const;

export type PaperId = keyof typeof PAPERS;
export const isPaper = (id: string): id is PaperId => Object.hasOwn(PAPERS, id);

/** What most printers leave white, and a little more. */
export const MARGIN_MM = 10;

export interface Sheet {
  readonly width: number;
  readonly height: number;
}

/** Landscape: true-size prints are longer than high. */
export const across = (paper: PaperId): Sheet => ({ width: PAPERS[paper].height, height: PAPERS[paper].width });

/** Measured check bars, mm, along and across the sheet; the print is scaled by them. */
export interface PrinterCorrection {
  readonly along: number;
  readonly up: number;
}

/** True length of the check bars. */
export const BAR_MM = 100;
export const TRUE_PRINTER: PrinterCorrection = { along: BAR_MM, up: BAR_MM };
/** A larger deviation means that it was printed to fit the page. */
export const MIN_BAR_MM = 90;
export const MAX_BAR_MM = 110;
