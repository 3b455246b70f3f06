export { partsDxf, sheetsDxf, type SheetToDraw } from './dxf.ts';
export { layOut, sheetsToDraw } from './sheets.ts';
export { unitsGlb, unitsStl } from './solids.ts';
export { isPaper, LEAST_BAR_MM, MOST_BAR_MM, PAPERS, TRUE_PRINTER, type PaperId, type PrinterCorrection } from './prints/paper.ts';
export { fitted } from './prints/print-text.ts';
export { trueSizePdf } from './prints/true-size-pdf.ts';
export { trueSizeSheets, type SheetPicture, type TrueSizeOptions } from './prints/true-size-sheets.ts';
export { isTrueSizeKind, TRUE_SIZE_KINDS, trueSizeDrawings, type TrueSizeKind } from './prints/true-size.ts';
