/** What a build is planned from: cabinets as they are resolved, the sheets as they come apart, the settings of the machines. */
import type { FinishChoice } from '../carcass/spec-base.ts';
import type { CutStep } from '../cuts/pieces.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { Setups } from '../setups/setups.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Shop } from '../stock/shop.ts';
import type { Ticked } from './late-parts.ts';
import type { BuildChoices } from './choices.ts';
import type { StepKind } from './step.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';

/** What of its hanging takes time, or another pair of hands. */
export interface ToHang {
  /** Holes where nobody has looked yet. */
  readonly looks: number;
  readonly wallScrews: number;
  readonly cabinetScrews: number;
  readonly locks: boolean;
  /** The rail of the wall it hangs on; null for a wall cleat of its own. */
  readonly rail: string | null;
  /** What is lifted, and what one person lifts. */
  readonly bareKg: number;
  readonly limitKg: number;
  /** Cabinets it is fixed to first. */
  readonly beside: readonly string[];
  readonly spaces: number;
  readonly contentsKg: number;
}

export interface CabinetToBuild {
  readonly cabinet: ResolvedCabinet;
  readonly parts: readonly PartLine[];
  readonly finish: FinishChoice;
  /** Panels of faced sheets: there is nothing to sand or to finish. */
  readonly faced: ReadonlySet<string>;
  readonly insetDoors: boolean;
  readonly toHang: ToHang;
}

/** The sheets of one product as they are laid out, with their cuts in their order. */
export interface SheetsToSaw {
  readonly product: string;
  /** The layout they are settled in; null where that is still looked for. */
  readonly layout: string | null;
  readonly sheets: number;
  readonly steps: readonly CutStep[];
  /** Cuts that are made. */
  readonly sawn: ReadonlySet<string>;
}

/** A rail of the wall with the boards it is ripped from. */
export interface RailToBuild {
  readonly id: string;
  readonly parts: readonly PartLine[];
  readonly screws: number;
}

export interface BuildJob {
  readonly cabinets: readonly CabinetToBuild[];
  readonly rails: readonly RailToBuild[];
  /** Sheets as far as they are laid out; a part that is on none is cut with its product's. */
  readonly sheets: readonly SheetsToSaw[];
  /** Parts that are cut already, from sheets that are gone. */
  readonly there: ReadonlySet<string>;
  /** Board products among what the parts are of. */
  readonly boards: ReadonlySet<string>;
  readonly shop: Shop;
  readonly choices: BuildChoices;
  /** Setups in the order a person put them in at the machines. */
  readonly setupOrder: readonly string[];
  /** Steps that are done, with the parts they were done for; and operations that are made. */
  readonly ticked: Ticked;
  readonly made: ReadonlySet<string>;
  /** What the shop's log says: how much longer than planned steps of a kind take. */
  readonly pace: Partial<Readonly<Record<StepKind, ExplainedValue>>>;
}

/** Settings for all cabinets, or one set for each. */
export type SetupsOf = (cabinets: readonly ResolvedCabinet[], shop: Shop) => Setups;
