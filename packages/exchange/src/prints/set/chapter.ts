/** Inputs of every chapter of a shop set. */
import type { Build, BuildSummary, Design, DisplayUnit, Plan, ProjectFile, Setups, ShoppingLine, CabinetPlan, Workshop } from '@keen/core';
import type { PartLine } from '@keen/core';
import type { LaidOut } from '../../sheets.ts';

export interface ShopSetContext {
  readonly design: Design;
  readonly record: ProjectFile['record'];
  /** As corrected by test cuts. */
  readonly workshop: Workshop;
  readonly plan: Plan;
  /** The cabinets of the set. */
  readonly cabinets: readonly CabinetPlan[];
  /** Of those cabinets, and their wall rails. */
  readonly parts: readonly PartLine[];
  readonly lines: ReadonlyMap<string, PartLine>;
  readonly laid: readonly LaidOut[];
  readonly build: Build;
  readonly built: BuildSummary;
  readonly setups: Setups;
  readonly shopping: readonly ShoppingLine[];
  readonly unit: DisplayUnit;
}
