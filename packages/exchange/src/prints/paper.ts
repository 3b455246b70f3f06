/** Papers that are printed on, and what a printer cannot reach of them. Millimeters. */

export const PAPERS = {
  a4: { name: 'A4', width: 210, height: 297 },
  a3: { name: 'A3', width: 297, height: 420 },
  letter: { name: 'US Letter', width: 215.9, height: 279.4 },
  tabloid: { name: 'Tabloid', width: 279.4, height: 431.8 },
} as const;

export type PaperId = keyof typeof PAPERS;
export const isPaper = (id: string): id is PaperId => Object.hasOwn(PAPERS, id);

/** What most printers leave white all round, and a little more. */
export const MARGIN_MM = 10;

export interface Sheet {
  readonly width: number;
  readonly height: number;
}

/** Laid across: what is printed at its true size is longer than it is high. */
export const across = (paper: PaperId): Sheet => ({ width: PAPERS[paper].height, height: PAPERS[paper].width });

/** What was measured of the check bar, in mm, along and across the sheet as it is laid; what comes out true is printed larger or smaller by it. */
export interface PrinterCorrection {
  readonly along: number;
  readonly up: number;
}

/** The check bars' true length. */
export const BAR_MM = 100;
export const TRUE_PRINTER: PrinterCorrection = { along: BAR_MM, up: BAR_MM };
/** Further off no printer is: then it was printed to fit the page. */
export const MIN_BAR_MM = 90;
export const MAX_BAR_MM = 110;
