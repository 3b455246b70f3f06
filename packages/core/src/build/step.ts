/** The steps of a build: what each is about, what it takes, and what has to be there before it. */
import type { Connection } from '../solid/connection.ts';
import type { Operation, ToolingStage } from '../setups/operations.ts';
import type { Setup } from '../setups/setup.ts';
import type { Label } from '../explained/explained-length.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { GlueUp } from './assemblies.ts';
import type { GlueWay } from './choices.ts';

/** Of one size and length, in one glue-up. */
export interface DrivenFasteners {
  readonly by: NonNullable<Connection['joint']['fastening']>['by'];
  readonly screw: string;
  readonly length: number;
  readonly count: number;
  readonly pilot: boolean;
}

/** What spreading glue on so many joints takes against what the glue allows, and the clamps that press them. */
export interface GlueSummary {
  readonly joints: number;
  /** From the first joint spread to the last clamp. */
  readonly minutes: ExplainedValue;
  readonly openMin: ExplainedValue;
  readonly clampMin: ExplainedValue;
  /** Until it may bear weight. */
  readonly cureMin: ExplainedValue;
  /** Clamps that reach across what is pressed. */
  readonly clampsWanted: ExplainedValue;
  readonly clampsOwned: number;
  /** Battens laid under them that press a whole side; 0 for a clamp to every joint. */
  readonly cauls: number;
  /** How far a clamp must open, mm. */
  readonly reachMm: number;
}

export interface Diagonals {
  readonly width: number;
  readonly height: number;
  /** As long as each should be, and how far they may differ. */
  readonly diagonal: ExplainedValue;
  readonly allowed: ExplainedValue;
}

/** What stands in the way of closing joints so: the glue skins over, clamps are missing, hands are. */
export type Hindrance = 'glue' | 'clamps' | 'hands';

/** One way to close a glue-up, with the worst of its goes. */
export interface GlueWaySummary {
  readonly way: GlueWay;
  readonly minutes: ExplainedValue;
  readonly clamps: ExplainedValue;
  /** Held at once; what is one already counts once. */
  readonly pieces: number;
  /** Empty where it can be done. */
  readonly hindered: readonly Hindrance[];
}

/** How a glue-up is closed, and how else it could be. */
export interface Closing {
  readonly way: GlueWay;
  /** All there are, the plainest first; none where nothing is glued. */
  readonly ways: readonly GlueWaySummary[];
  /** A person chose it. */
  readonly chosen: boolean;
  /** Of the whole glue-up: what a person's choice is kept under. */
  readonly of: string;
  /** Of how many goes this is which, from 0. */
  readonly go: number;
  readonly goes: number;
}

/** What a step is about, by its kind. Lengths in nanometers unless a name says otherwise. */
export type StepDetail =
  | { readonly kind: 'measure'; readonly product: string }
  | {
      readonly kind: 'cut';
      readonly product: string;
      readonly sheets: number;
      /** The layout its cuts belong to; null where none is settled. */
      readonly layout: string | null;
      /** The ordinal round of cuts, from 0: one way, then across what that left. */
      readonly round: number;
      readonly rounds: number;
      /** Cuts along the sheet's length, across it, or what is left both ways. */
      readonly runs: 'along' | 'across' | 'both';
      readonly cuts: readonly string[];
      readonly settings: number;
      readonly heavyKg: number;
    }
  | { readonly kind: 'boards'; readonly product: string; readonly lines: readonly string[]; readonly cuts: number }
  | { readonly kind: 'label'; readonly lines: number; readonly parts: number }
  | { readonly kind: 'setup'; readonly setup: Setup }
  /** What no machine of the shop makes: marked out and cut by hand. `inside`: for it is glued up already. */
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
      /** Taped off first; 0 for nothing. */
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
      /** What is laid on what is one already; null where several come together. */
      readonly skin: 'back' | 'frame' | 'edging' | null;
      /** Null where nothing is glued. */
      readonly glue: GlueSummary | null;
      readonly fasteners: readonly DrivenFasteners[];
      /** All ways there are to close it; none where nothing is glued. */
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

export type StepKind = StepDetail['kind'];
export type StepSide = 'inside' | 'outside';
export type AssemblyKind = 'carcass' | 'door' | 'drawer' | 'loose';

/** Why a second pair of hands is wanted: too heavy for one, too long to hold at both ends, too many pieces at once. */
export type HelperFor = 'heavy' | 'long' | 'many';

export interface Step {
  /** Stays while what it is about does. */
  readonly id: string;
  /** Null for what serves several cabinets. */
  readonly unit: string | null;
  readonly detail: StepDetail;
  /** Every panel it touches. */
  readonly panels: readonly string[];
  readonly minutes: ExplainedValue;
  /** Glue, a coat: so long nothing that follows it may begin; null for anything else. An edge may ask for longer. */
  readonly waits: ExplainedValue | null;
  /** Machines it runs, by their ids; none for what is done at the bench. */
  readonly machines: readonly string[];
  readonly helper: HelperFor | null;
  /** It may be left at any time and gone on with another day. A glue-up may not. */
  readonly canPause: boolean;
  /** It follows this one before anything else is begun: glue is wet. */
  readonly rightAfter: string | null;
}

/** `before` has to be done before `after`, and why. */
export interface Precedence {
  readonly before: string;
  readonly after: string;
  readonly reason: Label;
  /** From the end of the one to the beginning of the other at least; null where it may follow at once. */
  readonly waits: ExplainedValue | null;
}

export interface BuildPlan {
  /** In an order that can be done. */
  readonly steps: readonly Step[];
  readonly edges: readonly Precedence[];
}

/** All kinds there are, in the usual order of the work: what is begun first where nothing forbids either. */
export const STEP_KINDS: readonly StepKind[] = [
  'measure',
  'cut',
  'boards',
  'label',
  'setup',
  'by-hand',
  'cleat-rip',
  'band',
  'sand',
  'coat',
  'dry-fit',
  'glue',
  'square',
  'trim',
  'fit',
  'doors',
  'look',
  'rail',
  'wall-half',
  'cabinet-half',
  'hang',
  'correct',
  'lock',
  'drawers',
  'fronts',
  'loose',
  'load',
];
