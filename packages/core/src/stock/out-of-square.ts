/** Usable size of a sheet that is out of square. Formula and source: docs/formulas/out-of-square.md */
import { nanometers, type Length } from '../length/length.ts';
import type { StockPiece } from '../model/workshop.ts';

type Measured = Pick<StockPiece, 'length' | 'width' | 'diagonals'>;

/** Greatest plausible deviation of the diagonals from those of a square sheet; more is a misreading. [ASSUME] */
const BELIEVED = 0.05;

/**
 * Skew: how far one end of the far edge is ahead of the near edge's, in nanometers: (d1² − d2²) / 4L. Zero without diagonals; null where no sheet of that
 * size can have them.
 */
export function skewOf({ length, width, diagonals }: Measured): number | null {
  if (!diagonals) return 0;
  const square = Math.hypot(length.nm, width.nm);
  const { one, other } = diagonals;
  if ([one, other].some(({ nm }) => Math.abs(nm - square) > BELIEVED * square)) return null;
  return Math.abs((one.nm - other.nm) / length.nm) * ((one.nm + other.nm) / 4);
}

/** The largest rectangle along the sheet's long edges, rounded down to whole micrometers. */
export function usableSize(piece: Measured): { readonly length: Length; readonly width: Length } {
  const skew = skewOf(piece) ?? 0;
  if (skew === 0) return { length: piece.length.nm, width: piece.width.nm };
  const down = (nm: number): Length => nanometers(Math.floor(nm / 1000) * 1000);
  return { length: down(piece.length.nm - skew), width: down(Math.sqrt(piece.width.nm ** 2 - skew ** 2)) };
}
