/** Spec of a ledge rack. */
import type { Entered } from '../../length/entered.ts';
import type { Shelled } from './shell.ts';

export interface Ledge {
  readonly id: string;
  readonly order: number;
  /** Underside above the inside floor; null shares the height. The first is the bottom itself. */
  readonly at: Entered | null;
  /** plain: items stand on it. notched: stems hang in it. scooped: its strip has hollows for bottles. */
  readonly kind: 'plain' | 'notched' | 'scooped';
  /** Strips across the front, one above the other; the lowest stands on the shelf. */
  readonly strips: number;
  readonly stripHeight: Entered;
  /** Clear between two strips. */
  readonly stripGap: Entered;
  /** An upright behind the middle of the strips. */
  readonly support: boolean;
  /** Notches or hollows: number, width, depth. */
  readonly count: number;
  readonly notchWidth: Entered;
  readonly notchDepth: Entered;
}

export interface LedgeRack extends Shelled {
  readonly family: 'ledge-rack';
  readonly stripStock: string;
  readonly shelfJoint: 'butt' | 'dado';
  readonly ledges: Readonly<Record<string, Ledge>>;
}
