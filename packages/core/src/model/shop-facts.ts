/** What the shop record amounts to: its entries without those withdrawn, and without facts about parts spoiled since. */
import type {
  RecordEntry,
  ThicknessReading,
  TestCut,
  MeasuredSlot,
  AsCut,
  DoneStep,
  ShopNote,
  MeasuredOpening,
  SawnCuts,
  HungHeight,
  WallScan,
} from './record.ts';
import type { Entered } from '../length/entered.ts';
import type { Length } from '../length/length.ts';

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
export function spoiledAt(record: readonly RecordEntry[]): (part: string, entry: string) => boolean {
  const at = new Map(record.map(({ id }, index) => [id, index]));
  const last = new Map(activeFacts(record, ({ spoiled }) => spoiled).map(({ id, fact }) => [fact.part, at.get(id)!]));
  return last.size === 0 ? () => false : (part, entry) => (last.get(part) ?? -1) > at.get(entry)!;
}

/** The panel of an operation. */
export const panelOf = (operation: string): string => operation.slice(0, operation.indexOf(':'));

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

/** Active scans, oldest first. */
export const activeScans = (record: readonly RecordEntry[]): { readonly id: string; readonly scan: WallScan }[] =>
  activeFacts(record, ({ scan }) => scan).map(({ id, fact }) => ({ id, scan: fact }));
