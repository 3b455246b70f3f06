/** The shop record: what was measured, cut, done and noted, in the order it happened. Nothing in it is ever changed; shop-facts.ts reads it. */
import type { Entered } from '../length/entered.ts';

/** One caliper reading, a fact of the shop record. */
export interface ThicknessReading {
  readonly product: string;
  readonly value: Entered;
  /** Label on its sheet: 'A', '2'. */
  readonly sheet?: string;
  /** Position on that sheet. */
  readonly place?: SheetPlace;
}

/** Corners, edge middles, and center, as the sheet lies with its length from left to right. */
export const SHEET_PLACES = ['far-left', 'far', 'far-right', 'left', 'middle', 'right', 'near-left', 'near', 'near-right'] as const;

export type SheetPlace = (typeof SHEET_PLACES)[number];

export interface TestCut {
  /** The dado stack, or a bit by its id. */
  readonly of?: 'place' | 'kerf';
  /** For width the stack or a bit, for place a scale (scaleOf), for kerf a machine. */
  readonly cutter: string;
  /** For width the cutter's nominal size, for place the set distance, for kerf the entered kerf. */
  readonly thick: Entered;
  /** The measured result. */
  readonly came: Entered;
}

/** All kinds in the usual order of work, which breaks ties. */
export const STEP_KINDS = [
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
] as const;

export type StepKind = (typeof STEP_KINDS)[number];

/** A finished step as recorded. */
export interface DoneStep {
  readonly step: string;
  readonly kind: StepKind;
  /** Minutes planned when it was ticked, and minutes taken; absent where not entered. */
  readonly planned?: number;
  readonly minutes?: number;
  /** The parts it was done for; parts added later are still to be done. Absent where not recorded. */
  readonly panels?: readonly string[];
}

/** Signal of a stud scanner along a level line. */
export interface WallScan {
  readonly up: Entered;
  /** Millimeters from the wall's left end, and signal level there, 0 to 100. */
  readonly samples: readonly { readonly at: number; readonly level: number }[];
}

/** A slot as cut: width, depth, and its near wall from the blank's start or near edge. */
export interface MeasuredSlot {
  readonly operation: string;
  readonly width: Entered;
  readonly depth: Entered;
  readonly at: Entered;
}

/** Measured size of a part; unmeasured dimensions are absent. */
export interface AsCut {
  readonly panel: string;
  readonly length?: Entered;
  readonly width?: Entered;
  readonly thickness?: Entered;
  /** Planned size at the time of cutting. The plan follows measured parts, so it is kept here. */
  readonly planned?: { readonly length?: Entered; readonly width?: Entered };
}

/** Height of a cabinet's bottom when first hung, against the height asked for. */
export interface HungHeight {
  readonly unit: string;
  readonly asked: Entered;
  readonly came: Entered;
  /** How much higher the line had been marked. */
  readonly allowed: Entered;
}

/** Size of a space measured in the dry fit; unmeasured dimensions are absent. */
export interface MeasuredOpening {
  readonly space: string;
  readonly width?: Entered;
  readonly height?: Entered;
}

/** A note, about a step or a part where it names one. */
export interface ShopNote {
  readonly text: string;
  readonly step?: string;
  readonly part?: string;
  readonly unit?: string;
  /** Ids of photos on the server. */
  readonly photos: readonly string[];
  /** Shown again when a similar cabinet is begun. */
  readonly nextTime: boolean;
}

/** Cuts of a settled layout that are made, with the parts that came off. */
export interface SawnCuts {
  readonly layout: string;
  readonly cuts: readonly string[];
  readonly parts: readonly string[];
}

/** A part that was cut wrong or is unfit for use: a new one is needed. */
export interface Spoiled {
  readonly layout: string;
  readonly part: string;
}

/** Both diagonals of an assembly, compared while the glue was wet. */
export interface ComparedDiagonals {
  readonly assembly: string;
  readonly one: Entered;
  readonly other: Entered;
}

/** A part used although it does not fit as planned. */
export interface KeptPart {
  readonly panel: string;
  readonly how: 'accepted' | 'trimmed' | 'shimmed';
}

/** What an entry of each kind holds. */
interface FactOf {
  readonly thickness: { readonly reading: ThicknessReading };
  /** A stud scanner reading along a line of the wall. */
  readonly scan: { readonly scan: WallScan };
  /** The measured result of a cutter. */
  readonly 'test-cut': { readonly testCut: TestCut };
  /** Operations (setups/operations.ts) that are done, and slots among them as cut. */
  readonly made: { readonly made: readonly string[]; readonly slots?: readonly MeasuredSlot[] };
  /** The measured size of a part off the saw. */
  readonly 'as-cut': { readonly asCut: AsCut };
  /** Sheet cuts that are made. */
  readonly sawn: { readonly sawn: SawnCuts };
  /** A part that is needed again. */
  readonly spoiled: { readonly spoiled: Spoiled };
  readonly hung: { readonly hung: HungHeight };
  /** A build step that is done. */
  readonly step: { readonly done: DoneStep };
  readonly opening: { readonly opening: MeasuredOpening };
  readonly diagonals: { readonly diagonals: ComparedDiagonals };
  readonly kept: { readonly kept: KeptPart };
  readonly note: { readonly note: ShopNote };
  /** The id of the entry withdrawn. */
  readonly withdrawn: { readonly withdraws: string };
}

export type RecordKind = keyof FactOf;

interface Recorded {
  readonly id: string;
  /** Time of the event on the recording device, ISO 8601. */
  readonly at: string;
}

/** An entry of one kind. */
export type EntryOf<K extends RecordKind> = { [Kind in K]: Recorded & { readonly kind: Kind } & FactOf[Kind] }[K];

/** An entry of the shop record: a fact that is never changed, only corrected by a later one. */
export type RecordEntry = EntryOf<RecordKind>;

/** A fact before a device adds its id and time. */
export type NewFact = { [Kind in RecordKind]: { readonly kind: Kind } & FactOf[Kind] }[RecordKind];
