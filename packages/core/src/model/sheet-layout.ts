/** Layouts of parts on sheets as a project keeps them: placements, cut trees, pins, and the preferences of cutting. */
import type { Length } from '../length/length.ts';

export interface SheetRect {
  readonly x: Length;
  readonly y: Length;
  readonly dx: Length;
  readonly dy: Length;
}

export interface Placement extends SheetRect {
  readonly part: string;
  readonly turned: boolean;
}

/**
 * A cut through a piece of sheet, from edge to edge: across x ('x': the blade runs along y) or across y. `at` is the near side of the kerf. `first` lies
 * before it, `second` after it; a leaf is a part or waste.
 */
export type CutTree =
  | { readonly kind: 'cut'; readonly axis: 'x' | 'y'; readonly at: Length; readonly first: CutTree; readonly second: CutTree }
  | { readonly kind: 'part'; readonly part: string }
  | { readonly kind: 'waste'; readonly x: Length; readonly y: Length; readonly dx: Length; readonly dy: Length };

export interface Cutting {
  /** First cuts: strips, lengths, pieces of a size that can be handled (or go in the car), or whatever needs the fewest sheets. */
  readonly first: 'any' | 'rip' | 'crosscut' | 'breakdown';
  /** Among plans with equally few sheets: fewest settings and cuts, one large offcut, or least turning of heavy pieces. */
  readonly then: 'settings' | 'offcut' | 'handling';
}

/** Place of a pinned part on its sheet. */
export interface PinnedPart {
  /** Part id. */
  readonly id: string;
  readonly product: string;
  /** An offcut in the store, or a new sheet by number: 'birch-18#1'. */
  readonly sheet: string;
  /** From the corner of the untrimmed sheet. */
  readonly x: Length;
  readonly y: Length;
  /** Its length lies across the sheet. */
  readonly turned: boolean;
}

/** A settled layout, with everything needed to cut it. */
export interface KeptLayout {
  readonly id: string;
  readonly order: number;
  readonly product: string;
  /** Hash of the pieces it was made for: it differs once pieces are added or changed. */
  readonly made: string;
  readonly kerf: Length;
  readonly sheets: readonly KeptSheet[];
}

export interface KeptSheet {
  /** Id of a product, of an offcut, or of a piece of an earlier layout. */
  readonly sheet: string;
  readonly length: Length;
  readonly width: Length;
  readonly trim: Length;
  readonly offcut: boolean;
  readonly placements: readonly Placement[];
  readonly cuts: CutTree;
}

/** Pieces (ids of panels, or of cleat blanks) that are cut from the sheet of a product with this label written on it. */
export interface SheetCut {
  readonly product: string;
  readonly sheet: string;
  readonly pieces: readonly string[];
}
