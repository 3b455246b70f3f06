/** Spec of a slot rack. */
import type { Shelled } from './shell.ts';
import type { Entered } from '../../length/entered.ts';

export interface RackSlot {
  readonly id: string;
  readonly order: number;
}

export interface SlotRack extends Shelled {
  readonly family: 'slot-rack';
  /** shelves: from side to side. tabs: a short piece at each side, open between. */
  readonly holds: 'shelves' | 'tabs';
  readonly slotStock: string;
  /** Back from level. */
  readonly tiltDeg: number;
  /** Clearance under the lowest corner of the first; over the highest of the last. */
  readonly first: Entered;
  readonly last: Entered;
  /** Of a tab, from the side inwards. */
  readonly tabLength: Entered;
  /** Setback of tabs and shelves from the front edges. */
  readonly setback: Entered;
  readonly slots: Readonly<Record<string, RackSlot>>;
}
