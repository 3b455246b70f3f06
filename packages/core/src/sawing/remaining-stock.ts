/** Stock left after some cuts: finished parts, and pieces that more parts can be cut from. */
import type { Length } from '../length/length.ts';
import type { CutStep, SheetPiece } from './pieces.ts';

export interface RemainingStock {
  readonly sheet: number;
  readonly piece: SheetPiece;
  /** Uncut: its edges are the factory's. */
  readonly whole: boolean;
}

export interface WholeSheet {
  readonly length: Length;
  readonly width: Length;
}

/** Everything there after the cuts in `done`, parts included. Cuts on pieces that do not exist yet are skipped. */
export function remainingStockAfter(sheets: readonly WholeSheet[], steps: readonly CutStep[], done: ReadonlySet<string>): RemainingStock[] {
  const lying = new Map<string, RemainingStock>(
    sheets.map(({ length, width }, sheet) => {
      const piece: SheetPiece = {
        id: `${sheet}`,
        at: { x: 0 as Length, y: 0 as Length, dx: length, dy: width },
        dx: length,
        dy: width,
        part: null,
        left: false,
      };
      return [piece.id, { sheet, piece, whole: true }];
    }),
  );
  for (const { id, sheet, piece, near, far } of steps) {
    if (!done.has(id) || !lying.delete(piece.id)) continue;
    for (const made of far ? [near, far] : [near]) lying.set(made.id, { sheet, piece: made, whole: false });
  }
  return [...lying.values()];
}
