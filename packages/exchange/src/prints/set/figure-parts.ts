/** Elements of a drawing, in millimeters of what it shows: shapes, and everything written about them. */
import type { PieceSpot as Spot } from '@keen/core';
import type { Box, Pen } from './canvas.ts';

export interface FigureShape {
  readonly points: readonly Spot[];
  readonly others?: readonly (readonly Spot[])[];
  readonly closed: boolean;
  readonly pen: Pen;
  /** White hides what was drawn before. */
  readonly fill?: number;
}

/** A dimension between two positions along one side of the drawing. */
export interface Span {
  readonly side: 'below' | 'left';
  /** 0 is nearest to the drawing. */
  readonly row: number;
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** A position measured from one end. */
export interface Ordinate {
  readonly side: 'below' | 'left';
  readonly at: number;
  /** Start of its line: the position in the drawing across the side. */
  readonly inTo: number;
  readonly text: string;
}

/** A label with a line to its part. */
export interface Note {
  readonly text: string;
  readonly at: Spot;
}

/** Words inside the drawing, about a point; left out where `within` has no room. */
export interface Inset {
  readonly text: string;
  readonly at: Spot;
  /** Room for it, mm of the drawing. */
  readonly within: { readonly width: number; readonly height: number };
}

/** A number on a line, on white: at the first free of its positions. */
export interface Tag {
  readonly text: string;
  readonly places: readonly Spot[];
}

export interface Figure {
  readonly title: string;
  readonly shapes: readonly FigureShape[];
  readonly spans?: readonly Span[];
  readonly ordinates?: readonly Ordinate[];
  readonly notes?: readonly Note[];
  readonly insets?: readonly Inset[];
  readonly tags?: readonly Tag[];
  /** Greatest scale. */
  readonly maxTimes?: number;
  /** Clip of the drawing. */
  readonly window?: Box;
}
