/** Spec of a corner unit. */
import type { SpecBase } from './spec-base.ts';
import type { Entered } from '../../length/entered.ts';

export interface CornerShelf {
  readonly id: string;
  readonly order: number;
}

export interface CornerUnit extends SpecBase {
  readonly family: 'corner-unit';
  /** Depth of the right side, and of the wing that closes the left wall. */
  readonly rightDepth: Entered;
  readonly wing: Entered;
  readonly shelves: Readonly<Record<string, CornerShelf>>;
}
