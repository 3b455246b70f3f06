/** Drawings of one cabinet as a file: side by side at one stated scale, in millimeters of an A3 sheet in landscape. */
import type { DisplayUnit, PartLine, CabinetPlan, ViewId } from '@keen/core';
import { across } from '../paper.ts';
import { pictureSvg } from '../picture-svg.ts';
import { Canvas } from './canvas.ts';
import { pictureFigure } from './exploded.ts';
import { drawFigure, drawPair } from './figure.ts';
import type { Figure } from './figure-parts.ts';
import { linesByPanel, sectionFigure, viewFigure } from './cabinet-figures.ts';

/** Available drawings: from a side, in section, isometric, exploded. */
export type DrawingId = ViewId | 'section' | 'picture' | 'apart';

export interface ViewsWish {
  readonly plan: CabinetPlan;
  /** Of the whole project: parts are named by their marks. */
  readonly parts: readonly PartLine[];
  readonly display: DisplayUnit;
  /** The front without its doors. */
  readonly open: boolean;
}

/**
 * One drawing, or two.
 * @throws RangeError for none
 */
export function viewsSvg([one, other]: readonly DrawingId[], { plan, parts, display, open }: ViewsWish): string {
  if (one === undefined) throw new RangeError('no drawing is asked for');
  const lines = linesByPanel(parts);
  const figureOf = (id: DrawingId): Figure => {
    switch (id) {
      case 'section':
        return sectionFigure(plan, lines, display);
      case 'picture':
      case 'apart':
        return pictureFigure(plan, id === 'apart' ? APART_MM : 0, lines);
      default:
        return viewFigure(plan, id, lines, display, open && id === 'front');
    }
  };
  const canvas = new Canvas(across('a3'), plan.name);
  if (other === undefined) drawFigure(canvas, figureOf(one), canvas.room);
  else drawPair(canvas, [figureOf(one), figureOf(other)], canvas.room);
  return pictureSvg(canvas.bare());
}

/** Displacement of the outermost parts. */
const APART_MM = 240;
