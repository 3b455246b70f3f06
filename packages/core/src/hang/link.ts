/** One link of the chain from the thing on the shelf to the stud. */
import type { Label } from '../worked/dimension.ts';
import type { Figure } from '../worked/figure.ts';

export type LinkKind = 'wall-screws' | 'wall-half-bending' | 'cabinet-screws' | 'rail-joint' | 'floor-joint' | 'tip' | 'spacer' | 'hold-down';

export interface Link {
  readonly id: string;
  readonly kind: LinkKind;
  readonly name: Label;
  /** Demand over capacity. */
  readonly use: Figure;
  /** Up to here the link is fine; past 1 it is over. */
  readonly fineTo: number;
  readonly limit: number;
  /** Panels to light up. */
  readonly panels: readonly string[];
  /** The straight sum, shown beside the interpolation where screws are pulled and sheared at once. */
  readonly straightSum?: number;
}

export const link = (row: Omit<Link, 'fineTo' | 'limit'> & Partial<Pick<Link, 'fineTo'>>): Link => ({ fineTo: 0.8, limit: 1, ...row });
