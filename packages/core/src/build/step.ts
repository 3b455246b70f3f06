/** Build steps: what each is about, what it takes, and what precedes it. */
import type { Connection } from '../solid/connection.ts';
import type { Operation, ToolingStage } from '../setups/operations.ts';
import type { Setup } from '../setups/setup.ts';
import type { Label } from '../explained/explained-length.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { GlueUp } from './assemblies.ts';
import type { GlueWay } from '../model/build-choices.ts';

/** Fasteners of one size and length, in one glue-up. */
export interface DrivenFasteners {
  readonly by: NonNullable<Connection['joint']['fastening']>['by'];
  readonly screw: string;
  readonly length: number;
  readonly count: number;
  readonly pilot: boolean;
}

/** Time to spread the joints against the open time, and the clamps that press them. */
export interface GlueSummary {
  readonly joints: number;
  /** From the first joint spread to the last clamp. */
  readonly minutes: ExplainedValue;
  readonly openMin: ExplainedValue;
  readonly clampMin: ExplainedValue;
  /** Until it may bear weight. */
  readonly cureMin: ExplainedValue;
  /** Clamps long enough for the assembly. */
  readonly clampsWanted: ExplainedValue;
  readonly clampsOwned: number;
  /** Cauls under them that press a whole side; 0 for a clamp per joint. */
  readonly cauls: number;
  /** Required clamp opening, mm. */
  readonly reachMm: number;
}

export interface Diagonals {
  readonly width: number;
  readonly height: number;
  /** Planned length of both, and allowed difference. */
  readonly diagonal: ExplainedValue;
  readonly allowed: ExplainedValue;
}

/** Why joints cannot be closed this way: the glue skins over, or clamps or hands are short. */
export type Hindrance = 'glue' | 'clamps' | 'hands';

/** One method to close a glue-up, with its most demanding stage. */
export interface GlueWaySummary {
  readonly way: GlueWay;
  readonly minutes: ExplainedValue;
  readonly clamps: ExplainedValue;
  /** Pieces held at once; an earlier assembly counts as one. */
  readonly pieces: number;
  /** Empty where it is feasible. */
  readonly hindered: readonly Hindrance[];
}

/** How a glue-up is closed, and the alternatives. */
export interface Closing {
  readonly way: GlueWay;
  /** All methods, simplest first; none where nothing is glued. */
  readonly ways: readonly GlueWaySummary[];
  /** Chosen by a person. */
  readonly chosen: boolean;
  /** Id of the whole glue-up, the key of a person's choice. */
  readonly of: string;
  /** Number of stages, and which of them this is, from 0. */
  readonly go: number;
  readonly goes: number;
}

/** What a step is about, by kind. Lengths in nanometers unless a name says otherwise. */
export type StepDetail =
  | { readonly kind: 'measure'; readonly product: string }
  | {
      readonly kind: 'cut';
      readonly product: string;
      readonly sheets: number;
      /** The layout of its cuts; null where none is settled. */
      readonly layout: string | null;
      /** Zero-based cutting round: one direction, then across the results. */
      readonly round: number;
      readonly rounds: number;
      /** Cuts along the sheet, across it, or the remaining ones both ways. */
      readonly runs: 'along' | 'across' | 'both';
      readonly cuts: readonly string[];
      readonly settings: number;
      readonly heavyKg: number;
    }
  | { readonly kind: 'boards'; readonly product: string; readonly lines: readonly string[]; readonly cuts: number }
  | { readonly kind: 'label'; readonly lines: number; readonly parts: number }
  | { readonly kind: 'setup'; readonly setup: Setup }
  /** Work no machine of the shop does: marked out and cut by hand. `inside`: because it is glued up already. */
  | { readonly kind: 'by-hand'; readonly stage: ToolingStage; readonly operations: readonly Operation[]; readonly inside: boolean }
  | { readonly kind: 'cleat-rip'; readonly boards: readonly string[] }
  | { readonly kind: 'band'; readonly edges: number; readonly lengthMm: number }
  | { readonly kind: 'sand'; readonly side: StepSide; readonly areaM2: ExplainedValue }
  | {
      readonly kind: 'coat';
      readonly side: StepSide;
      readonly coat: number;
      readonly of: number;
      readonly finish: string;
      readonly areaM2: ExplainedValue;
      readonly liters: ExplainedValue;
      /** Area taped off first; 0 for none. */
      readonly maskedMm: number;
      readonly sandFirst: boolean;
      readonly dryMin: ExplainedValue;
    }
  | { readonly kind: 'dry-fit'; readonly assembly: string; readonly what: AssemblyKind; readonly joints: number }
  | { readonly kind: 'fit'; readonly parts: readonly string[]; readonly cuts: readonly string[] }
  | {
      readonly kind: 'glue';
      readonly assembly: string;
      readonly what: AssemblyKind;
      readonly glueUp: GlueUp;
      /** Laid on a finished assembly; null where several parts are joined. */
      readonly skin: 'back' | 'frame' | 'edging' | null;
      /** Null where nothing is glued. */
      readonly glue: GlueSummary | null;
      readonly fasteners: readonly DrivenFasteners[];
      /** All methods to close it; none where nothing is glued. */
      readonly closing: Closing;
    }
  | { readonly kind: 'square'; readonly assembly: string; readonly diagonals: Diagonals }
  | { readonly kind: 'trim'; readonly lengthMm: number }
  | { readonly kind: 'doors'; readonly leaves: readonly string[]; readonly hinges: number }
  | { readonly kind: 'drawers'; readonly boxes: readonly (readonly string[])[] }
  | { readonly kind: 'fronts'; readonly fronts: readonly string[] }
  | { readonly kind: 'loose'; readonly parts: readonly string[] }
  | { readonly kind: 'rail'; readonly rail: string }
  | { readonly kind: 'look' }
  | { readonly kind: 'wall-half'; readonly screws: number }
  | { readonly kind: 'cabinet-half'; readonly screws: number }
  | {
      readonly kind: 'hang';
      readonly kg: number;
      readonly beside: readonly string[];
      /** Driven while it is held to the wall; 0 where it hooks on. */ readonly screws: number;
    }
  | { readonly kind: 'correct' }
  | { readonly kind: 'lock' }
  | { readonly kind: 'load'; readonly spaces: number; readonly kg: number };

export type StepSide = 'inside' | 'outside';
export type AssemblyKind = 'carcass' | 'door' | 'drawer' | 'loose';

/** Why a helper is needed: too heavy for one, too long to hold at both ends, too many pieces at once. */
export type HelperFor = 'heavy' | 'long' | 'many';

export interface Step {
  /** Stable while its subject exists. */
  readonly id: string;
  /** Null for a step that serves several cabinets. */
  readonly unit: string | null;
  readonly detail: StepDetail;
  /** Every panel it touches. */
  readonly panels: readonly string[];
  readonly minutes: ExplainedValue;
  /** Glue or a coat: nothing that follows may start before; null for none. A precedence may require more. */
  readonly waits: ExplainedValue | null;
  /** Ids of the machines it runs; none for bench work. */
  readonly machines: readonly string[];
  readonly helper: HelperFor | null;
  /** May be interrupted and continued on another day. A glue-up may not. */
  readonly canPause: boolean;
  /** Follows this one immediately: the glue is wet. */
  readonly rightAfter: string | null;
}

/** `before` must be done before `after`, and why. */
export interface Precedence {
  readonly before: string;
  readonly after: string;
  readonly reason: Label;
  /** Least time from the end of the one to the start of the other; null for none. */
  readonly waits: ExplainedValue | null;
}

export interface BuildPlan {
  /** In a feasible order. */
  readonly steps: readonly Step[];
  readonly edges: readonly Precedence[];
}
