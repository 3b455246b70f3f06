/** One machine at one setting, with all the cuts made at it. */
import type { Operation, Stage } from './operations.ts';
import type { Setting, Way } from './setting.ts';

/** One operation as it is made at a setup. */
export interface Cut {
  readonly operation: Operation;
  readonly way: Way;
}

export interface Setup {
  /** The setting's key: stays while the setting does. */
  readonly id: string;
  readonly stage: Stage;
  readonly setting: Setting;
  readonly cuts: readonly Cut[];
  /** Ids of setups that come before it: they cut the same parts while they are still square. */
  readonly after: readonly string[];
}
