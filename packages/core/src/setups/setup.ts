/** One machine at one setting, with all its cuts. */
import type { Operation, ToolingStage } from './operations.ts';
import type { Setting, OperationWay } from './setting.ts';

/** One operation at a setup. */
export interface SetupCut {
  readonly operation: Operation;
  readonly way: OperationWay;
}

export interface Setup {
  /** The setting's key: stable while the setting is. */
  readonly id: string;
  readonly stage: ToolingStage;
  readonly setting: Setting;
  readonly cuts: readonly SetupCut[];
  /** Ids of setups that precede it: they cut the same parts while these are still square. */
  readonly after: readonly string[];
}
