/** Inputs of a build: resolved cabinets, sheet layouts, machine setups. */
import type { FinishChoice } from '../model/specs/spec-base.ts';
import type { CutStep } from '../sawing/pieces.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { Setups } from '../setups/setups.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Ticked } from './late-parts.ts';
import type { BuildChoices } from '../model/build-choices.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { Shop } from '../model/shop.ts';
import type { StepKind } from '../model/record.ts';

/** The parts of a hanging that take time, or another pair of hands. */
export interface ToHang {
  /** Holes at places nobody has surveyed yet. */
  readonly looks: number;
  readonly wallScrews: number;
  readonly cabinetScrews: number;
  readonly locks: boolean;
  /** The wall rail it hangs on; null for a wall cleat of its own. */
  readonly rail: string | null;
  /** Weight to lift, and the limit for one person. */
  readonly bareKg: number;
  readonly limitKg: number;
  /** Cabinets it is joined to first. */
  readonly beside: readonly string[];
  readonly spaces: number;
  readonly contentsKg: number;
}

export interface CabinetToBuild {
  readonly cabinet: ResolvedCabinet;
  readonly parts: readonly PartLine[];
  readonly finish: FinishChoice;
  /** Panels of faced sheets: nothing to sand or finish. */
  readonly faced: ReadonlySet<string>;
  readonly insetDoors: boolean;
  readonly toHang: ToHang;
}

/** Laid-out sheets of one product, with their cuts in order. */
export interface SheetsToSaw {
  readonly product: string;
  /** Their settled layout; null where the search is still open. */
  readonly layout: string | null;
  readonly sheets: number;
  readonly steps: readonly CutStep[];
  /** Cuts made. */
  readonly sawn: ReadonlySet<string>;
}

/** A wall rail with the boards it is ripped from. */
export interface RailToBuild {
  readonly id: string;
  readonly parts: readonly PartLine[];
  readonly screws: number;
}

export interface BuildJob {
  readonly cabinets: readonly CabinetToBuild[];
  readonly rails: readonly RailToBuild[];
  /** Sheets laid out so far; a part on none of them is cut with its product's. */
  readonly sheets: readonly SheetsToSaw[];
  /** Parts already cut, from sheets that are gone. */
  readonly there: ReadonlySet<string>;
  /** Board products among the parts' stock. */
  readonly boards: ReadonlySet<string>;
  readonly shop: Shop;
  readonly choices: BuildChoices;
  /** Setups in the order chosen at the machines. */
  readonly setupOrder: readonly string[];
  /** Steps done, with the parts they were done for; and operations made. */
  readonly ticked: Ticked;
  readonly made: ReadonlySet<string>;
  /** Pace from the shop's log: actual over planned time by kind of step. */
  readonly pace: Partial<Readonly<Record<StepKind, ExplainedValue>>>;
}

/** Setups for all cabinets, or one set each. */
export type SetupsOf = (cabinets: readonly ResolvedCabinet[], shop: Shop) => Setups;
