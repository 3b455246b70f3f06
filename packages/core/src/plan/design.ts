/** The design of a project: what people decided. Everything else is derived from it, the shop record and the workshop. */
import { DEFAULT_BUILD, type BuildChoices } from '../build/choices.ts';
import type { DoneStep } from '../build/pace.ts';
import type { CabinetSpec } from '../carcass/families.ts';
import type { Item } from '../contents/item.ts';
import type { Entered } from '../length/entered.ts';
import type { DisplayUnit, Length } from '../length/length.ts';
import type { CutTree, Placement } from '../nest/problem.ts';
import type { LoosePart } from '../parts/loose-parts.ts';
import type { TestCut } from '../setups/calibration.ts';
import type { ThicknessReading } from '../stock/workshop.ts';
import type { Wall } from '../wall/wall.ts';

export type { CabinetSpec } from '../carcass/families.ts';

export interface Design {
  readonly name: string;
  /** The unit lengths are shown in, unless their home says otherwise. */
  readonly unit: DisplayUnit;
  readonly wall: Wall;
  /** Children can reach the cabinets. */
  readonly children: boolean;
  /** The ground shakes here: what hangs is fixed top and bottom. */
  readonly earthquakes: boolean;
  /** Whoever uses it most: how high they reach. */
  readonly person: { readonly height: Entered };
  /** What must be held. */
  readonly items: Readonly<Record<string, Item>>;
  readonly units: Readonly<Record<string, CabinetSpec>>;
  /** Ids of setups in the order a person put them in: those it does not name keep their places. */
  readonly setupOrder: readonly string[];
  /** Which pieces are cut from which sheet, as far as that is settled. */
  readonly cutFrom: readonly SheetCut[];
  /** How sheets are to be cut up. */
  readonly cutting: Cutting;
  /** Layouts that are settled: the first cut on one freezes it. The last of a product counts, earlier ones tell where parts came from. */
  readonly layouts: Readonly<Record<string, KeptLayout>>;
  /** Parts that stay where a person put them; the others are laid out round them. Keyed by the part's id. */
  readonly pins: Readonly<Record<string, PinnedPart>>;
  /** Parts no cabinet asks for, cut from the same sheets. */
  readonly loose: Readonly<Record<string, LoosePart>>;
  /** How it is built, and when. */
  readonly build: BuildChoices;
  /** Other tries of units, kept to be compared. */
  readonly tries: Readonly<Record<string, Variant>>;
}

/** What a new project has not settled yet. */
export const EMPTY_DECISIONS: Pick<Design, 'earthquakes' | 'setupOrder' | 'cutFrom' | 'cutting' | 'layouts' | 'pins' | 'loose' | 'build' | 'tries'> = {
  earthquakes: false,
  setupOrder: [],
  cutFrom: [],
  cutting: { first: 'any', then: 'settings' },
  layouts: {},
  pins: {},
  loose: {},
  build: DEFAULT_BUILD,
  tries: {},
};

export interface Cutting {
  /** What comes first: strips, lengths, pieces that can be handled (or go in the car), or whatever wants the fewest sheets. */
  readonly first: 'any' | 'rip' | 'crosscut' | 'breakdown';
  /** Among plans with as few sheets: few settings and cuts, one large offcut, or little turning of heavy pieces. */
  readonly then: 'settings' | 'offcut' | 'handling';
}

/** Where a part stays on its sheet. */
export interface PinnedPart {
  /** The part's. */
  readonly id: string;
  readonly product: string;
  /** A piece of the store, or the ordinal new sheet: 'birch-18#1'. */
  readonly sheet: string;
  /** From the corner of the untrimmed sheet. */
  readonly x: Length;
  readonly y: Length;
  /** Its length across the sheet. */
  readonly turned: boolean;
}

/** A layout as it was settled, with all it takes to cut it. */
export interface KeptLayout {
  readonly id: string;
  readonly order: number;
  readonly product: string;
  /** The pieces it was made for, as a short text: others have come or changed when it differs. */
  readonly made: string;
  readonly kerf: Length;
  readonly sheets: readonly KeptSheet[];
}

export interface KeptSheet {
  /** A product's id, an offcut's, or a piece of an earlier layout's. */
  readonly sheet: string;
  readonly length: Length;
  readonly width: Length;
  readonly trim: Length;
  readonly offcut: boolean;
  readonly placements: readonly Placement[];
  readonly cuts: CutTree;
}

/** Cuts of a kept layout that are made, with the parts that came off. */
export interface SawnCuts {
  readonly layout: string;
  readonly cuts: readonly string[];
  readonly parts: readonly string[];
}

/** A part that is not fit to be used, or that was cut wrong: another is wanted. */
export interface Spoiled {
  readonly layout: string;
  readonly part: string;
}

/** Pieces (ids of panels, or of cleat blanks) that are cut from the sheet of a product with this written on it. */
export interface SheetCut {
  readonly product: string;
  readonly sheet: string;
  readonly pieces: readonly string[];
}

/** A cabinet as it was, or might be: kept beside the one that stands, under the same id. */
export interface Variant {
  readonly id: string;
  readonly order: number;
  readonly name: string;
  readonly unit: CabinetSpec;
}

/** A stud scanner's signal along a level line. */
export interface WallScan {
  readonly up: Entered;
  /** Millimeters from the wall's left end, and the level there, 0 to 100. */
  readonly samples: readonly { readonly at: number; readonly level: number }[];
}

/** A slot as it was cut: width, depth, and its near wall from the blank's start or near edge. */
export interface MeasuredSlot {
  readonly operation: string;
  readonly width: Entered;
  readonly depth: Entered;
  readonly at: Entered;
}

/** A part as the cut list measures it; what was not measured is absent. */
export interface AsCut {
  readonly panel: string;
  readonly length?: Entered;
  readonly width?: Entered;
  readonly thickness?: Entered;
  /** What it was to measure when it was cut: the plan follows what is cut, and would not know any more. */
  readonly planned?: { readonly length?: Entered; readonly width?: Entered };
}

/** Where the bottom of a cabinet came to when it was first hung, over where it was asked for. */
export interface HungHeight {
  readonly unit: string;
  readonly asked: Entered;
  readonly came: Entered;
  /** The line had been marked higher by this. */
  readonly allowed: Entered;
}

/** A space of a cabinet as it came out of the dry fit; what was not measured is absent. */
export interface MeasuredOpening {
  readonly space: string;
  readonly width?: Entered;
  readonly height?: Entered;
}

/** What someone wrote down, of a step or a part where it is of one. */
export interface ShopNote {
  readonly text: string;
  readonly step?: string;
  readonly part?: string;
  readonly unit?: string;
  /** Ids of pictures kept on the server. */
  readonly photos: readonly string[];
  /** To be said again when a cabinet like it is begun. */
  readonly nextTime: boolean;
}

/** An entry of the shop record: a fact, never changed, only corrected by a later one. */
export interface RecordEntry {
  readonly id: string;
  /** When the device says it happened, ISO 8601. */
  readonly at: string;
  readonly kind:
    'thickness' | 'scan' | 'test-cut' | 'made' | 'as-cut' | 'sawn' | 'spoiled' | 'hung' | 'step' | 'opening' | 'diagonals' | 'kept' | 'note' | 'withdrawn';
  /** For kind 'thickness'. */
  readonly reading?: ThicknessReading;
  /** For kind 'scan': what a stud scanner read along a line of the wall. */
  readonly scan?: WallScan;
  /** For kind 'test-cut': what came out of a cutter. */
  readonly testCut?: TestCut;
  /** For kind 'made': operations of parts (setups/operations.ts) that are done. */
  readonly made?: readonly string[];
  /** For kind 'made': slots among them, as they were cut. */
  readonly slots?: readonly MeasuredSlot[];
  /** For kind 'as-cut': what a part measures as it came off the saw. */
  readonly asCut?: AsCut;
  /** For kind 'sawn': cuts through sheets that are made. */
  readonly sawn?: SawnCuts;
  /** For kind 'spoiled': a part that is wanted once more. */
  readonly spoiled?: Spoiled;
  /** For kind 'hung': the height it came to. */
  readonly hung?: HungHeight;
  /** For kind 'step': a step of the build that is done. */
  readonly done?: DoneStep;
  /** For kind 'opening': a space as it came out. */
  readonly opening?: MeasuredOpening;
  /** For kind 'diagonals': what was compared while the glue was wet. */
  readonly diagonals?: { readonly assembly: string; readonly one: Entered; readonly other: Entered };
  /** For kind 'kept': a part that does not fit as planned and is used as it is. */
  readonly kept?: { readonly panel: string; readonly how: 'accepted' | 'trimmed' | 'shimmed' };
  /** For kind 'note': what someone wrote, and the pictures they took. */
  readonly note?: ShopNote;
  /** For kind 'withdrawn': the entry that is taken back. */
  readonly withdraws?: string;
}

/** A fact before a device gives it its id and time. */
export type NewFact = Omit<RecordEntry, 'id' | 'at'>;

/** What still stands of one kind of fact, oldest first, with the entry it is in. */
export function activeFacts<T>(record: readonly RecordEntry[], fact: (entry: RecordEntry) => T | undefined): { readonly id: string; readonly fact: T }[] {
  const withdrawn = new Set(record.map(({ withdraws }) => withdraws));
  return record.flatMap((entry) => {
    const found = fact(entry);
    return found !== undefined && !withdrawn.has(entry.id) ? [{ id: entry.id, fact: found }] : [];
  });
}

/** Readings that still stand, oldest first. */
export const activeReadings = (record: readonly RecordEntry[]): ThicknessReading[] => activeFacts(record, ({ reading }) => reading).map(({ fact }) => fact);

/** Test cuts that still stand, oldest first. */
export const activeTestCuts = (record: readonly RecordEntry[]): { readonly id: string; readonly testCut: TestCut }[] =>
  activeFacts(record, ({ testCut }) => testCut).map(({ id, fact }) => ({ id, testCut: fact }));

/** Where in the record each part was last spoiled: what was done to it before is gone with it. */
function spoiledAt(record: readonly RecordEntry[]): (part: string, entry: string) => boolean {
  const at = new Map(record.map(({ id }, index) => [id, index]));
  const last = new Map(activeFacts(record, ({ spoiled }) => spoiled).map(({ id, fact }) => [fact.part, at.get(id)!]));
  return last.size === 0 ? () => false : (part, entry) => (last.get(part) ?? -1) > at.get(entry)!;
}

/** The panel an operation is cut into. */
const panelOf = (operation: string): string => operation.slice(0, operation.indexOf(':'));

/** Operations that are done, and the entries that say so. */
export function activeOperations(record: readonly RecordEntry[]): { readonly id: string; readonly made: readonly string[] }[] {
  const isGone = spoiledAt(record);
  return activeFacts(record, ({ made }) => made).map(({ id, fact }) => ({ id, made: fact.filter((operation) => !isGone(panelOf(operation), id)) }));
}

/** Slots that are cut, the latest of each. */
export function activeSlots(record: readonly RecordEntry[]): ReadonlyMap<string, MeasuredSlot> {
  const isGone = spoiledAt(record);
  return new Map(
    activeFacts(record, ({ slots }) => slots).flatMap(({ id, fact }) =>
      fact.filter(({ operation }) => !isGone(panelOf(operation), id)).map((slot) => [slot.operation, slot] as const),
    ),
  );
}

/** Parts that are used as they are. A part that is measured again, or spoiled, is asked about again. */
export function keptAsIs(record: readonly RecordEntry[]): ReadonlySet<string> {
  const kept = new Set<string>();
  for (const { fact } of activeFacts(record, ({ kept: is, asCut, spoiled }) => is ?? asCut ?? spoiled)) {
    if ('how' in fact) kept.add(fact.panel);
    else kept.delete('panel' in fact ? fact.panel : fact.part);
  }
  return kept;
}

/** Parts as they were cut, the latest measure of each, with the entries that say so. */
export function activeAsCut(record: readonly RecordEntry[]): ReadonlyMap<string, { readonly cut: AsCut; readonly entries: readonly string[] }> {
  const byPanel = new Map<string, { cut: AsCut; entries: string[] }>();
  const isGone = spoiledAt(record);
  for (const { id, fact } of activeFacts(record, ({ asCut }) => asCut)) {
    if (isGone(fact.panel, id)) continue;
    const before = byPanel.get(fact.panel);
    const planned = { ...before?.cut.planned, ...fact.planned };
    byPanel.set(fact.panel, {
      cut: { ...before?.cut, ...fact, ...(Object.keys(planned).length > 0 ? { planned } : {}) },
      entries: [...(before?.entries ?? []), id],
    });
  }
  return byPanel;
}

/** Steps that are done, and the entries that say so; the latest of each step. */
export function activeSteps(record: readonly RecordEntry[]): { readonly id: string; readonly done: DoneStep }[] {
  const latest = new Map(activeFacts(record, ({ done }) => done).map(({ id, fact }) => [fact.step, { id, done: fact }]));
  return [...latest.values()];
}

/** The same by step, each with the parts it was done for. */
export const tickedSteps = (record: readonly RecordEntry[]): ReadonlyMap<string, ReadonlySet<string> | null> =>
  new Map(activeSteps(record).map(({ done: { step, panels } }) => [step, panels ? new Set(panels) : null]));

/** Notes that stand, oldest first. */
export const activeNotes = (record: readonly RecordEntry[]): { readonly id: string; readonly note: ShopNote }[] =>
  activeFacts(record, ({ note }) => note).map(({ id, fact }) => ({ id, note: fact }));

/** Diagonals that were compared, the latest of each assembly, with the entry that says so. */
export const activeDiagonals = (record: readonly RecordEntry[]): ReadonlyMap<string, { readonly id: string; readonly one: Entered; readonly other: Entered }> =>
  new Map(activeFacts(record, ({ diagonals }) => diagonals).map(({ id, fact: { assembly, one, other } }) => [assembly, { id, one, other }]));

/** Spaces as they came out, the latest measure of each, with the entries that say so. */
export function activeOpenings(
  record: readonly RecordEntry[],
): ReadonlyMap<string, { readonly opening: MeasuredOpening; readonly entries: readonly string[] }> {
  const bySpace = new Map<string, { opening: MeasuredOpening; entries: string[] }>();
  for (const { id, fact } of activeFacts(record, ({ opening }) => opening)) {
    const before = bySpace.get(fact.space);
    bySpace.set(fact.space, { opening: { ...before?.opening, ...fact }, entries: [...(before?.entries ?? []), id] });
  }
  return bySpace;
}

/** What a part was to measure: as it was planned when it was cut, else as it is planned now. */
export const plannedFor = (cut: Pick<AsCut, 'planned'>, measure: 'length' | 'width', now: Length): Length => cut.planned?.[measure]?.nm ?? now;

/** Cuts through sheets that are made, and the entries that say so. */
export const activeSawn = (record: readonly RecordEntry[]): { readonly id: string; readonly sawn: SawnCuts }[] =>
  activeFacts(record, ({ sawn }) => sawn).map(({ id, fact }) => ({ id, sawn: fact }));

/** Heights cabinets came to when they were hung, the latest of each, oldest first. */
export const activeHung = (record: readonly RecordEntry[]): readonly { readonly id: string; readonly hung: HungHeight }[] => {
  const all = activeFacts(record, ({ hung }) => hung).map(({ id, fact }) => ({ id, hung: fact }));
  return all.filter(({ hung }, index) => !all.slice(index + 1).some((later) => later.hung.unit === hung.unit));
};

/** Parts that are there: sawn, and not spoiled since. */
export function finishedParts(record: readonly RecordEntry[]): ReadonlySet<string> {
  const finished = new Set<string>();
  for (const { fact } of activeFacts(record, ({ sawn, spoiled }) =>
    sawn ? { parts: sawn.parts, gone: null } : spoiled ? { parts: [], gone: spoiled.part } : undefined,
  )) {
    for (const part of fact.parts) finished.add(part);
    if (fact.gone !== null) finished.delete(fact.gone);
  }
  return finished;
}

/** The unit a part is read in: its cabinet's own, or the project's for what belongs to the wall. */
export const displayUnitOf = ({ units: specs, unit }: Pick<Design, 'units' | 'unit'>, owner: string): DisplayUnit =>
  (Object.hasOwn(specs, owner) ? specs[owner]?.unit : undefined) ?? unit;

/** Scans that still stand, oldest first. */
export const activeScans = (record: readonly RecordEntry[]): { readonly id: string; readonly scan: WallScan }[] =>
  activeFacts(record, ({ scan }) => scan).map(({ id, fact }) => ({ id, scan: fact }));

export const specsInOrder = ({ units: specs }: Pick<Design, 'units'>): CabinetSpec[] =>
  Object.values(specs).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** Tries of a cabinet, in order. */
export const variantsOf = ({ tries }: Pick<Design, 'tries'>, unit: string): Variant[] =>
  Object.values(tries)
    .filter((each) => each.unit.id === unit)
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
