/** One machine at one setting, with all the cuts made at it. */
import type { Operation, ToolingStage } from './operations.ts';
import type { Setting, OperationWay } from './setting.ts';

/** One operation as it is made at a setup. */
export interface SetupCut {
  readonly operation: Operation;
  readonly way: OperationWay;
}

export interface Setup {
  /** The setting's key: stays while the setting does. */
  readonly id: string;
  readonly stage: ToolingStage;
  readonly setting: Setting;
  readonly cuts: readonly SetupCut[];
  /** Ids of setups that come before it: they cut the same parts while they are still square. */
  readonly after: readonly string[];
}
