/** What every chapter of a shop set is made from. */
import type { Build, BuildSummary, Design, DisplayUnit, Plan, ProjectFile, Setups, ShoppingLine, CabinetPlan, Workshop } from '@keen/core';
import type { PartLine } from '@keen/core';
import type { LaidOut } from '../../sheets.ts';

export interface ShopSetContext {
  readonly design: Design;
  readonly record: ProjectFile['record'];
  /** As its test cuts say it is. */
  readonly workshop: Workshop;
  readonly plan: Plan;
  /** Those the set is of. */
  readonly cabinets: readonly CabinetPlan[];
  /** Of those cabinets, and the rails they hang on. */
  readonly parts: readonly PartLine[];
  readonly lines: ReadonlyMap<string, PartLine>;
  readonly laid: readonly LaidOut[];
  readonly build: Build;
  readonly built: BuildSummary;
  readonly setups: Setups;
  readonly shopping: readonly ShoppingLine[];
  readonly unit: DisplayUnit;
}
