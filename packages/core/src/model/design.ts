/** The design of a project: what a person decided. Everything else is derived from it, the shop record and the workshop. */
import { DEFAULT_BUILD, type BuildChoices } from '../build/choices.ts';
import type { DoneStep } from '../build/pace.ts';
import type { CabinetSpec } from '../cabinets/families.ts';
import type { Item } from '../contents/item.ts';
import type { Entered } from '../length/entered.ts';
import type { DisplayUnit, Length } from '../length/length.ts';
import type { CutTree, Placement } from '../nesting/problem.ts';
import type { LoosePart } from '../parts/loose-parts.ts';
import type { TestCut } from '../setups/calibration.ts';
import type { ThicknessReading } from '../stock/workshop.ts';
import type { Wall } from '../wall/wall.ts';

export type { CabinetSpec } from '../cabinets/families.ts';

export interface Design {
  readonly name: string;
  /** Default unit of displayed lengths; a cabinet may have its own. */
  readonly unit: DisplayUnit;
  readonly wall: Wall;
  /** Children can reach the cabinets. */
  readonly children: boolean;
  /** Earthquake area: cabinets are fixed top and bottom. */
  readonly earthquakes: boolean;
  /** The main user, for reach and eye height. */
  readonly person: { readonly height: Entered };
  /** Items to hold. */
  readonly items: Readonly<Record<string, Item>>;
  readonly units: Readonly<Record<string, CabinetSpec>>;
  /** Setup ids in the order chosen by a person; the others keep their places. */
  readonly setupOrder: readonly string[];
  /** Which pieces are cut from which sheet, as far as that is settled. */
  readonly cutFrom: readonly SheetCut[];
  /** Preferences for cutting sheets. */
  readonly cutting: Cutting;
  /** Settled layouts: the first cut on one freezes it. The latest of a product is current; earlier ones say where parts came from. */
  readonly layouts: Readonly<Record<string, KeptLayout>>;
  /** Parts pinned to a place on a sheet; the others are laid out around them. Keyed by part id. */
  readonly pins: Readonly<Record<string, PinnedPart>>;
  /** Parts outside any cabinet, cut from the same sheets. */
  readonly loose: Readonly<Record<string, LoosePart>>;
  /** How and when it is built. */
  readonly build: BuildChoices;
  /** Variants of cabinets, kept for comparison. */
  readonly tries: Readonly<Record<string, Variant>>;
}

/** Defaults of everything a new project has not decided yet. */
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
  /** First cuts: strips, lengths, pieces of a size that can be handled (or go in the car), or whatever needs the fewest sheets. */
  readonly first: 'any' | 'rip' | 'crosscut' | 'breakdown';
  /** Among plans with equally few sheets: fewest settings and cuts, one large offcut, or least turning of heavy pieces. */
  readonly then: 'settings' | 'offcut' | 'handling';
}

/** Place of a pinned part on its sheet. */
export interface PinnedPart {
  /** Part id. */
  readonly id: string;
  readonly product: string;
  /** An offcut in the store, or a new sheet by number: 'birch-18#1'. */
  readonly sheet: string;
  /** From the corner of the untrimmed sheet. */
  readonly x: Length;
  readonly y: Length;
  /** Its length lies across the sheet. */
  readonly turned: boolean;
}

/** A settled layout, with everything needed to cut it. */
export interface KeptLayout {
  readonly id: string;
  readonly order: number;
  readonly product: string;
  /** Hash of the pieces it was made for: it differs once pieces are added or changed. */
  readonly made: string;
  readonly kerf: Length;
  readonly sheets: readonly KeptSheet[];
}

export interface KeptSheet {
  /** Id of a product, of an offcut, or of a piece of an earlier layout. */
  readonly sheet: string;
  readonly length: Length;
  readonly width: Length;
  readonly trim: Length;
  readonly offcut: boolean;
  readonly placements: readonly Placement[];
  readonly cuts: CutTree;
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

/** Pieces (ids of panels, or of cleat blanks) that are cut from the sheet of a product with this label written on it. */
export interface SheetCut {
  readonly product: string;
  readonly sheet: string;
  readonly pieces: readonly string[];
}

/** Another version of a cabinet, kept beside the current one under the same id. */
export interface Variant {
  readonly id: string;
  readonly order: number;
  readonly name: string;
  readonly unit: CabinetSpec;
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

/** An entry of the shop record: a fact that is never changed, only corrected by a later one. */
export interface RecordEntry {
  readonly id: string;
  /** Time of the event on the recording device, ISO 8601. */
  readonly at: string;
  readonly kind:
    'thickness' | 'scan' | 'test-cut' | 'made' | 'as-cut' | 'sawn' | 'spoiled' | 'hung' | 'step' | 'opening' | 'diagonals' | 'kept' | 'note' | 'withdrawn';
  /** For kind 'thickness'. */
  readonly reading?: ThicknessReading;
  /** For kind 'scan': a stud scanner reading along a line of the wall. */
  readonly scan?: WallScan;
  /** For kind 'test-cut': the measured result of a cutter. */
  readonly testCut?: TestCut;
  /** For kind 'made': operations (setups/operations.ts) that are done. */
  readonly made?: readonly string[];
  /** For kind 'made': slots among them, as cut. */
  readonly slots?: readonly MeasuredSlot[];
  /** For kind 'as-cut': the measured size of a part off the saw. */
  readonly asCut?: AsCut;
  /** For kind 'sawn': sheet cuts that are made. */
  readonly sawn?: SawnCuts;
  /** For kind 'spoiled': a part that is needed again. */
  readonly spoiled?: Spoiled;
  /** For kind 'hung': the height it hangs at. */
  readonly hung?: HungHeight;
  /** For kind 'step': a build step that is done. */
  readonly done?: DoneStep;
  /** For kind 'opening': the measured size of a space. */
  readonly opening?: MeasuredOpening;
  /** For kind 'diagonals': diagonals compared while the glue was wet. */
  readonly diagonals?: { readonly assembly: string; readonly one: Entered; readonly other: Entered };
  /** For kind 'kept': a part used although it does not fit as planned. */
  readonly kept?: { readonly panel: string; readonly how: 'accepted' | 'trimmed' | 'shimmed' };
  /** For kind 'note': the text and its photos. */
  readonly note?: ShopNote;
  /** For kind 'withdrawn': the entry withdrawn. */
  readonly withdraws?: string;
}

/** A fact before a device adds its id and time. */
export type NewFact = Omit<RecordEntry, 'id' | 'at'>;

/** Facts of one kind that are not withdrawn, oldest first, with their entry ids. */
export function activeFacts<T>(record: readonly RecordEntry[], fact: (entry: RecordEntry) => T | undefined): { readonly id: string; readonly fact: T }[] {
  const withdrawn = new Set(record.map(({ withdraws }) => withdraws));
  return record.flatMap((entry) => {
    const found = fact(entry);
    return found !== undefined && !withdrawn.has(entry.id) ? [{ id: entry.id, fact: found }] : [];
  });
}

/** Active thickness readings, oldest first. */
export const activeReadings = (record: readonly RecordEntry[]): ThicknessReading[] => activeFacts(record, ({ reading }) => reading).map(({ fact }) => fact);

/** Active test cuts, oldest first. */
export const activeTestCuts = (record: readonly RecordEntry[]): { readonly id: string; readonly testCut: TestCut }[] =>
  activeFacts(record, ({ testCut }) => testCut).map(({ id, fact }) => ({ id, testCut: fact }));

/** Position in the record where each part was last spoiled: earlier facts about it no longer count. */
function spoiledAt(record: readonly RecordEntry[]): (part: string, entry: string) => boolean {
  const at = new Map(record.map(({ id }, index) => [id, index]));
  const last = new Map(activeFacts(record, ({ spoiled }) => spoiled).map(({ id, fact }) => [fact.part, at.get(id)!]));
  return last.size === 0 ? () => false : (part, entry) => (last.get(part) ?? -1) > at.get(entry)!;
}

/** The panel of an operation. */
const panelOf = (operation: string): string => operation.slice(0, operation.indexOf(':'));

/** Operations done, with the entries that record them. */
export function activeOperations(record: readonly RecordEntry[]): { readonly id: string; readonly made: readonly string[] }[] {
  const isGone = spoiledAt(record);
  return activeFacts(record, ({ made }) => made).map(({ id, fact }) => ({ id, made: fact.filter((operation) => !isGone(panelOf(operation), id)) }));
}

/** Slots as cut, the latest of each. */
export function activeSlots(record: readonly RecordEntry[]): ReadonlyMap<string, MeasuredSlot> {
  const isGone = spoiledAt(record);
  return new Map(
    activeFacts(record, ({ slots }) => slots).flatMap(({ id, fact }) =>
      fact.filter(({ operation }) => !isGone(panelOf(operation), id)).map((slot) => [slot.operation, slot] as const),
    ),
  );
}

/** Parts used as they are. A part that is measured again, or spoiled, is no longer one of them. */
export function keptAsIs(record: readonly RecordEntry[]): ReadonlySet<string> {
  const kept = new Set<string>();
  for (const { fact } of activeFacts(record, ({ kept: is, asCut, spoiled }) => is ?? asCut ?? spoiled)) {
    if ('how' in fact) kept.add(fact.panel);
    else kept.delete('panel' in fact ? fact.panel : fact.part);
  }
  return kept;
}

/** Measured parts, the latest measurement of each, with the entries that record them. */
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

/** Steps done, the latest entry of each. */
export function activeSteps(record: readonly RecordEntry[]): { readonly id: string; readonly done: DoneStep }[] {
  const latest = new Map(activeFacts(record, ({ done }) => done).map(({ id, fact }) => [fact.step, { id, done: fact }]));
  return [...latest.values()];
}

/** Steps done, each with the parts it was done for; null where the entry does not name them. */
export const tickedSteps = (record: readonly RecordEntry[]): ReadonlyMap<string, ReadonlySet<string> | null> =>
  new Map(activeSteps(record).map(({ done: { step, panels } }) => [step, panels ? new Set(panels) : null]));

/** Active notes, oldest first. */
export const activeNotes = (record: readonly RecordEntry[]): { readonly id: string; readonly note: ShopNote }[] =>
  activeFacts(record, ({ note }) => note).map(({ id, fact }) => ({ id, note: fact }));

/** Compared diagonals, the latest of each assembly, with the entry. */
export const activeDiagonals = (record: readonly RecordEntry[]): ReadonlyMap<string, { readonly id: string; readonly one: Entered; readonly other: Entered }> =>
  new Map(activeFacts(record, ({ diagonals }) => diagonals).map(({ id, fact: { assembly, one, other } }) => [assembly, { id, one, other }]));

/** Measured spaces, the latest measurement of each, with the entries. */
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

/** Planned size of a part: as recorded when it was cut, else as planned now. */
export const plannedFor = (cut: Pick<AsCut, 'planned'>, measure: 'length' | 'width', now: Length): Length => cut.planned?.[measure]?.nm ?? now;

/** Sheet cuts made, with the entries that record them. */
export const activeSawn = (record: readonly RecordEntry[]): { readonly id: string; readonly sawn: SawnCuts }[] =>
  activeFacts(record, ({ sawn }) => sawn).map(({ id, fact }) => ({ id, sawn: fact }));

/** Heights at first hanging, the latest of each cabinet, oldest first. */
export const activeHung = (record: readonly RecordEntry[]): readonly { readonly id: string; readonly hung: HungHeight }[] => {
  const all = activeFacts(record, ({ hung }) => hung).map(({ id, fact }) => ({ id, hung: fact }));
  return all.filter(({ hung }, index) => !all.slice(index + 1).some((later) => later.hung.unit === hung.unit));
};

/** Parts on hand: cut, and not spoiled since. */
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

/** Display unit of a part: its cabinet's own, or the project's for parts of the wall. */
export const displayUnitOf = ({ units: specs, unit }: Pick<Design, 'units' | 'unit'>, owner: string): DisplayUnit =>
  (Object.hasOwn(specs, owner) ? specs[owner]?.unit : undefined) ?? unit;

/** Active scans, oldest first. */
export const activeScans = (record: readonly RecordEntry[]): { readonly id: string; readonly scan: WallScan }[] =>
  activeFacts(record, ({ scan }) => scan).map(({ id, fact }) => ({ id, scan: fact }));

export const specsInOrder = ({ units: specs }: Pick<Design, 'units'>): CabinetSpec[] =>
  Object.values(specs).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** Variants of a cabinet, in order. */
export const variantsOf = ({ tries }: Pick<Design, 'tries'>, unit: string): Variant[] =>
  Object.values(tries)
    .filter((each) => each.unit.id === unit)
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
