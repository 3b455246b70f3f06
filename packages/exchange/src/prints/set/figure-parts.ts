/** What a drawing is made of, in millimeters of what it shows: shapes, and all that is written about them. */
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

/** A length between two places along one side of the drawing. */
export interface Span {
  readonly side: 'below' | 'left';
  /** 0 is nearest to the drawing. */
  readonly row: number;
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** A place measured from one end. */
export interface Ordinate {
  readonly side: 'below' | 'left';
  readonly at: number;
  /** From where its line comes: the place in the drawing across the side. */
  readonly inTo: number;
  readonly text: string;
}

/** A name with a line to what it names. */
export interface Note {
  readonly text: string;
  readonly at: Spot;
}

/** Words in the drawing itself, about a place; left out where `within` it has no room. */
export interface Inset {
  readonly text: string;
  readonly at: Spot;
  /** How far it may go, mm of what is shown. */
  readonly within: { readonly width: number; readonly height: number };
}

/** A number on a line, on white: at the first of the places where no other word is. */
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
  /** No larger than so many times itself. */
  readonly maxTimes?: number;
  /** Only this much of it is shown. */
  readonly window?: Box;
}
