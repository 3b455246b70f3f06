/** A printed sheet: lines, areas and words in paper millimeters, y up. PDF, SVG and screen draw the same. */
import type { PieceSpot as Spot } from '@keen/core';
import type { Sheet } from './paper.ts';

export interface SheetStroke {
  readonly points: readonly Spot[];
  /** Further rings of the same area: holes in it, or separate pieces. */
  readonly others?: readonly (readonly Spot[])[];
  readonly closed: boolean;
  /** 0 draws no line. */
  readonly thick: number;
  readonly dash: readonly number[];
  /** Filled first: from 0, black, to 1, white, which hides what was drawn before. */
  readonly fill?: number;
}

export interface SheetWords extends Spot {
  readonly text: string;
  /** Cap height. */
  readonly high: number;
  readonly bold: boolean;
  /** Anchor of the text. */
  readonly from: 'start' | 'middle' | 'end';
  readonly upright: boolean;
  /** Set smaller where it would be longer. */
  readonly most?: number;
}

/** A part of a sheet, clipped. */
export interface SheetPatch {
  readonly clip: { readonly low: Spot; readonly high: Spot } | null;
  readonly strokes: readonly SheetStroke[];
  readonly words: readonly SheetWords[];
}

export interface SheetPicture extends Sheet {
  readonly title: string;
  readonly patches: readonly SheetPatch[];
}
