/**
 * What the shop record amounts to: its entries without those withdrawn, and without facts about parts spoiled since. Folded once per record; a fact that an
 * added entry does not touch keeps its identity, so that what was derived from it need not be derived again.
 */
import type { Length } from '../length/length.ts';
import type {
  AsCut,
  ComparedDiagonals,
  DoneStep,
  EntryOf,
  HungHeight,
  MeasuredOpening,
  MeasuredSlot,
  RecordEntry,
  RecordKind,
  SawnCuts,
  ShopNote,
  Spoiled,
  TestCut,
  ThicknessReading,
  WallScan,
} from './record.ts';

/** Facts in force, oldest first. `id` and `entries` name the entries that record them: to undo a fact is to withdraw those. */
export interface ShopFacts {
  /** All entries in force. */
  readonly entries: readonly RecordEntry[];
  /** The same by kind. */
  readonly of: EntriesOfKind;
  readonly readings: readonly ThicknessReading[];
  readonly scans: readonly { readonly id: string; readonly scan: WallScan }[];
  readonly testCuts: readonly { readonly id: string; readonly testCut: TestCut }[];
  /** Operations done. */
  readonly operations: readonly { readonly id: string; readonly made: readonly string[] }[];
  /** Slots as cut, the latest of each, by operation. */
  readonly slots: ReadonlyMap<string, MeasuredSlot>;
  /** Measured parts, the latest measurement of each dimension, by panel. */
  readonly asCut: ReadonlyMap<string, { readonly cut: AsCut; readonly entries: readonly string[] }>;
  /** Parts used as they are. A part that is measured again, or spoiled, is no longer one of them. */
  readonly kept: ReadonlySet<string>;
  /** Sheet cuts made. */
  readonly sawn: readonly { readonly id: string; readonly sawn: SawnCuts }[];
  readonly spoiled: readonly { readonly id: string; readonly spoiled: Spoiled }[];
  /** Parts on hand: cut, and not spoiled since. */
  readonly finished: ReadonlySet<string>;
  /** Steps done, the latest entry of each. */
  readonly steps: readonly { readonly id: string; readonly done: DoneStep }[];
  /** Steps done, each with the parts it was done for; null where the entry does not name them. */
  readonly ticked: ReadonlyMap<string, ReadonlySet<string> | null>;
  /** Measured spaces, the latest measurement of each dimension, by space. */
  readonly openings: ReadonlyMap<string, { readonly opening: MeasuredOpening; readonly entries: readonly string[] }>;
  /** Compared diagonals, the latest of each assembly. */
  readonly diagonals: ReadonlyMap<string, ComparedDiagonals & { readonly id: string }>;
  /** Heights at first hanging, the latest of each cabinet. */
  readonly hung: readonly { readonly id: string; readonly hung: HungHeight }[];
  readonly notes: readonly { readonly id: string; readonly note: ShopNote }[];
}

type EntriesOfKind = { readonly [Kind in RecordKind]: readonly EntryOf<Kind>[] };

const folded = new WeakMap<readonly RecordEntry[], ShopFacts>();

/**
 * The facts of a record.
 * @param before an earlier version of the record: facts that are the same in both keep their identity
 */
export function shopFacts(record: readonly RecordEntry[], before?: readonly RecordEntry[]): ShopFacts {
  const known = folded.get(record);
  if (known) return known;
  const fresh = fold(record, before && folded.get(before));
  folded.set(record, fresh);
  return fresh;
}

type Derived = Exclude<keyof ShopFacts, 'entries' | 'of'>;

/** The kinds of entry each fact is derived from, and how. */
const FIELDS: { readonly [Field in Derived]: Fact<ShopFacts[Field]> } = {
  readings: from(['thickness'], ({ thickness }) => thickness.map(({ reading }) => reading)),
  scans: from(['scan'], ({ scan }) => scan.map(({ id, scan: line }) => ({ id, scan: line }))),
  testCuts: from(['test-cut'], ({ 'test-cut': cuts }) => cuts.map(({ id, testCut }) => ({ id, testCut }))),
  operations: from(['made', 'spoiled'], ({ made, spoiled }, order) => {
    const isGone = spoiledLater(spoiled, order);
    return made.map(({ id, made: operations }) => ({ id, made: operations.filter((operation) => !isGone(panelOf(operation), id)) }));
  }),
  slots: from(['made', 'spoiled'], ({ made, spoiled }, order) => {
    const isGone = spoiledLater(spoiled, order);
    return new Map(
      made.flatMap(({ id, slots }) => (slots ?? []).filter(({ operation }) => !isGone(panelOf(operation), id)).map((slot) => [slot.operation, slot] as const)),
    );
  }),
  asCut: from(['as-cut', 'spoiled'], ({ 'as-cut': cuts, spoiled }, order) => {
    const isGone = spoiledLater(spoiled, order);
    const byPanel = new Map<string, { cut: AsCut; entries: string[] }>();
    for (const { id, asCut } of cuts) {
      if (isGone(asCut.panel, id)) continue;
      const known = byPanel.get(asCut.panel);
      const planned = { ...known?.cut.planned, ...asCut.planned };
      byPanel.set(asCut.panel, {
        cut: { ...known?.cut, ...asCut, ...(Object.keys(planned).length > 0 ? { planned } : {}) },
        entries: [...(known?.entries ?? []), id],
      });
    }
    return byPanel;
  }),
  kept: from(['kept', 'as-cut', 'spoiled'], ({ kept, 'as-cut': cuts, spoiled }, order) => {
    const parts = new Set<string>();
    for (const entry of inOrder<'kept' | 'as-cut' | 'spoiled'>([...kept, ...cuts, ...spoiled], order)) {
      if (entry.kind === 'kept') parts.add(entry.kept.panel);
      else parts.delete(entry.kind === 'as-cut' ? entry.asCut.panel : entry.spoiled.part);
    }
    return parts;
  }),
  sawn: from(['sawn'], ({ sawn }) => sawn.map(({ id, sawn: cuts }) => ({ id, sawn: cuts }))),
  spoiled: from(['spoiled'], ({ spoiled }) => spoiled.map(({ id, spoiled: part }) => ({ id, spoiled: part }))),
  finished: from(['sawn', 'spoiled'], ({ sawn, spoiled }, order) => {
    const finished = new Set<string>();
    for (const entry of inOrder<'sawn' | 'spoiled'>([...sawn, ...spoiled], order)) {
      if (entry.kind === 'spoiled') finished.delete(entry.spoiled.part);
      else for (const part of entry.sawn.parts) finished.add(part);
    }
    return finished;
  }),
  steps: from(['step'], ({ step }) => [...new Map(step.map(({ id, done }) => [done.step, { id, done }])).values()]),
  ticked: from(['step'], ({ step }) => new Map(step.map(({ done: { step: of, panels } }) => [of, panels ? new Set(panels) : null]))),
  openings: from(['opening'], ({ opening }) => {
    const bySpace = new Map<string, { opening: MeasuredOpening; entries: string[] }>();
    for (const { id, opening: measured } of opening) {
      const known = bySpace.get(measured.space);
      bySpace.set(measured.space, { opening: { ...known?.opening, ...measured }, entries: [...(known?.entries ?? []), id] });
    }
    return bySpace;
  }),
  diagonals: from(['diagonals'], ({ diagonals }) => new Map(diagonals.map(({ id, diagonals: compared }) => [compared.assembly, { id, ...compared }]))),
  hung: from(['hung'], ({ hung }) => {
    const all = hung.map(({ id, hung: height }) => ({ id, hung: height }));
    return all.filter(({ hung: { unit } }, index) => !all.slice(index + 1).some((later) => later.hung.unit === unit));
  }),
  notes: from(['note'], ({ note }) => note.map(({ id, note: written }) => ({ id, note: written }))),
};

/** A field of the facts: the kinds of entry it reads, and what it makes of them. `order`: position of each entry in the record. */
interface Fact<T> {
  readonly kinds: readonly RecordKind[];
  readonly derive: (entries: EntriesOfKind, order: ReadonlyMap<string, number>) => T;
}

function from<T>(kinds: readonly RecordKind[], derive: Fact<T>['derive']): Fact<T> {
  return { kinds, derive };
}

function fold(record: readonly RecordEntry[], before: ShopFacts | undefined): ShopFacts {
  const withdrawn = new Set(record.map((entry) => (entry.kind === 'withdrawn' ? entry.withdraws : undefined)));
  const entries = record.filter(({ id }) => !withdrawn.has(id));
  const order = new Map(record.map(({ id }, index) => [id, index]));
  const of = groupsOf(entries, before?.of);
  const derived = Object.entries(FIELDS).map(([name, { kinds, derive }]) => {
    const isSame = before !== undefined && kinds.every((kind) => of[kind] === before.of[kind]);
    return [name, isSame ? before[name as Derived] : derive(of, order)];
  });
  return { entries, of, ...(Object.fromEntries(derived) as Pick<ShopFacts, Derived>) };
}

const KINDS: Readonly<Record<RecordKind, true>> = {
  thickness: true,
  scan: true,
  'test-cut': true,
  made: true,
  'as-cut': true,
  sawn: true,
  spoiled: true,
  hung: true,
  step: true,
  opening: true,
  diagonals: true,
  kept: true,
  note: true,
  withdrawn: true,
};

/** Entries by kind; the same list as before where nothing of its kind was added or withdrawn. */
function groupsOf(entries: readonly RecordEntry[], before: EntriesOfKind | undefined): EntriesOfKind {
  const groups = new Map<RecordKind, RecordEntry[]>();
  for (const kind of Object.keys(KINDS) as RecordKind[]) groups.set(kind, []);
  for (const entry of entries) groups.get(entry.kind)!.push(entry);
  const kept = [...groups].map(([kind, list]) => {
    const known: readonly RecordEntry[] | undefined = before?.[kind];
    return [kind, known?.length === list.length && known.every((entry, index) => entry === list[index]) ? known : list];
  });
  return Object.fromEntries(kept) as EntriesOfKind;
}

const inOrder = <K extends RecordKind>(entries: readonly EntryOf<K>[], order: ReadonlyMap<string, number>): EntryOf<K>[] =>
  [...entries].sort((a, b) => order.get(a.id)! - order.get(b.id)!);

/** Whether a part was spoiled after an entry: facts about it no longer count. */
function spoiledLater(spoiled: readonly EntryOf<'spoiled'>[], order: ReadonlyMap<string, number>): (part: string, entry: string) => boolean {
  const last = new Map(spoiled.map(({ id, spoiled: { part } }) => [part, order.get(id)!]));
  return last.size === 0 ? () => false : (part, entry) => (last.get(part) ?? -1) > order.get(entry)!;
}

/** The panel of an operation. */
const panelOf = (operation: string): string => operation.slice(0, operation.indexOf(':'));

/** Planned size of a part: as recorded when it was cut, else as planned now. */
export const plannedFor = (cut: Pick<AsCut, 'planned'>, measure: 'length' | 'width', now: Length): Length => cut.planned?.[measure]?.nm ?? now;
