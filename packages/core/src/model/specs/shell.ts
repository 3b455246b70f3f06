/** Top, bottom and back of the families built as a shell. */
import type { JointKind } from '../joinery.ts';
import type { Entered } from '../../length/entered.ts';
import type { SpecBase } from './spec-base.ts';

/** How the top or the bottom meets the sides. */
export interface EndJoint {
  /** between: the sides run through. over: this panel covers the sides' ends. */
  readonly runs: 'between' | 'over';
  readonly joint: Extract<JointKind, 'butt' | 'dado' | 'rabbet'>;
  /** Between, in a dado: inset from the sides' ends. */
  readonly lip: Entered;
}

export interface BackChoice {
  readonly kind: 'rabbet' | 'groove' | 'over' | 'none';
  readonly stock: string;
  readonly rabbetDepth: Entered;
  /** In a groove: inset of its rear face from the rear edges. */
  readonly setback: Entered;
  /** Clearance at each of its edges in a rabbet or groove. */
  readonly play: Entered;
  /** Two-piece back: height of the seam above the inside floor; null for one piece. */
  readonly split: Entered | null;
}

export interface Shelled extends SpecBase {
  readonly top: EndJoint;
  readonly bottom: EndJoint;
  readonly back: BackChoice;
}
