/**
 * What the record of a project teaches: checks that saved something, and those that nobody minded and that came true; each with its
 * numbers and what it would have cost, or did. Worked out from facts alone, in the order they were entered.
 */
import { assembliesOf } from '../build/assemblies.ts';
import { ringDiagonals } from '../build/diagonals.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { Workshop } from '../stock/workshop.ts';
import { hasInsetDoors } from './build-job.ts';
import { plannedFor, activeFacts, type AsCut, type Design, type RecordEntry } from './design.ts';
import type { Plan } from './plan.ts';

type Measure = 'length' | 'width';

/** Lengths in nanometers; costs in the workshop's currency. */
export type Lesson =
  /** Sheets that are not as thick as they are called: measured before slots were cut for them, or after. */
  | ({ readonly lesson: 'sheet-measured' | 'sheet-too-late'; readonly product: string; readonly nominal: number; readonly mean: number } & Slots)
  | {
      readonly lesson: 'part-put-right';
      readonly panel: string;
      readonly measure: Measure;
      readonly off: number;
      readonly how: 'trimmed' | 'shimmed' | 'made-again';
      readonly cost: number;
    }
  /** Used as it came out, though the plan said otherwise. */
  | { readonly lesson: 'part-used'; readonly panel: string; readonly measure: Measure; readonly off: number }
  | { readonly lesson: 'squared' | 'out-of-square'; readonly assembly: string; readonly was: number; readonly is: number; readonly allowed: number }
  | { readonly lesson: 'hung-off'; readonly unit: string; readonly lower: number };

interface Slots {
  readonly slots: number;
  /** Parts these slots are in, and what they cost. */
  readonly hosts: number;
  readonly cost: number;
}

/** Lessons that saved something; the others came true. */
export const SAVED: ReadonlySet<Lesson['lesson']> = new Set<Lesson['lesson']>(['sheet-measured', 'part-put-right', 'squared', 'hung-off']);

/** A sheet off by more than this makes slots that rattle or do not close, nm. [ASSUME] a tenth of a millimeter */
const SHEET_OFF = 100_000;
/** A part is off from here on, nm. [ASSUME] half a millimeter */
export const PART_OFF = 500_000;
/** It hangs as asked within this, nm. [ASSUME] a millimeter */
const HUNG_OFF = 1_000_000;

export function lessonsOf(plan: Plan, design: Design, record: readonly RecordEntry[], workshop: Workshop): Lesson[] {
  return [...sheetLessons(plan, record, workshop), ...partLessons(plan, record, workshop), ...squareLessons(plan, design, record), ...hungLessons(record)];
}

const panelsOf = (plan: Plan): ReadonlyMap<string, ResolvedPanel> => new Map(plan.cabinets.flatMap(({ cabinet }) => [...cabinet.byId]));

/** A panel's share of what its sheet costs. */
function costOf({ stock, length, width }: ResolvedPanel, { products }: Workshop): number {
  const product = products[stock];
  return product ? (product.price * (length.value / product.length.nm) * width.value) / product.width.nm : 0;
}

const inMoney = (cost: number): number => Math.round(cost * 100) / 100;

function sheetLessons(plan: Plan, record: readonly RecordEntry[], workshop: Workshop): Lesson[] {
  const panels = panelsOf(plan);
  const readings = activeFacts(record, ({ reading }) => reading);
  const at = new Map(record.map(({ id }, index) => [id, index]));
  const slots = plan.cabinets.flatMap(({ cabinet }) =>
    cabinet.connections.filter(({ id, host }) => cabinet.byId.get(host)!.slots.some((slot) => slot.id === id)),
  );
  const madeAt = new Map(activeFacts(record, ({ made }) => made).flatMap(({ id, fact }) => fact.map((operation) => [operation, at.get(id)!] as const)));
  return [...new Set(readings.map(({ fact }) => fact.product))].flatMap((id): Lesson[] => {
    const product = workshop.products[id];
    const own = readings.filter(({ fact }) => fact.product === id);
    const mean = own.reduce((sum, { fact }) => sum + fact.value.nm, 0) / own.length;
    if (!product || Math.abs(mean - product.nominal.nm) < SHEET_OFF) return [];
    const first = at.get(own[0]!.id)!;
    const taken = slots.filter(({ guest }) => panels.get(guest)?.stock === id);
    const late = taken.filter((slot) => (madeAt.get(`${slot.host}:${slot.id}`) ?? Infinity) < first);
    const told = (which: typeof slots): Slots => {
      const hosts = [...new Set(which.map(({ host }) => host))];
      return { slots: which.length, hosts: hosts.length, cost: inMoney(hosts.reduce((sum, host) => sum + costOf(panels.get(host)!, workshop), 0)) };
    };
    const found = { product: id, nominal: product.nominal.nm, mean: Math.round(mean) };
    if (late.length > 0) return [{ lesson: 'sheet-too-late', ...found, ...told(late) }];
    return taken.length > 0 ? [{ lesson: 'sheet-measured', ...found, ...told(taken) }] : [];
  });
}

/** Each part that once came out off, with what became of it: the last word of the record on it. */
function partLessons(plan: Plan, record: readonly RecordEntry[], workshop: Workshop): Lesson[] {
  const panels = panelsOf(plan);
  const open = new Map<string, { readonly measure: Measure; readonly off: number }>();
  const found = new Map<string, Lesson>();
  for (const { fact } of activeFacts(record, ({ kept, asCut, spoiled }) => kept ?? asCut ?? spoiled)) {
    const panel = 'panel' in fact ? fact.panel : fact.part;
    const was = open.get(panel);
    const cost = inMoney(panels.has(panel) ? costOf(panels.get(panel)!, workshop) : 0);
    const settled = (how: 'trimmed' | 'shimmed' | 'made-again'): void => {
      if (was) found.set(panel, { lesson: 'part-put-right', panel, ...was, how, cost });
      open.delete(panel);
    };
    if ('how' in fact) {
      if (!was) continue;
      if (fact.how === 'accepted') found.set(panel, { lesson: 'part-used', panel, ...was });
      else settled(fact.how);
    } else if ('part' in fact) settled('made-again');
    else {
      const line = plan.parts.find((each) => each.panels.includes(panel));
      const off = line ? maxOff(fact, (measure) => plannedFor(fact, measure, line[measure].value)) : null;
      if (off) open.set(panel, off);
      else if (was) settled('trimmed');
    }
  }
  return [...found.values()];
}

function maxOff(cut: AsCut, planned: (measure: Measure) => number): { readonly measure: Measure; readonly off: number } | null {
  const rows = (['length', 'width'] as const).flatMap((measure) => (cut[measure] ? [{ measure, off: cut[measure].nm - planned(measure) }] : []));
  const worst = rows.sort((a, b) => Math.abs(b.off) - Math.abs(a.off))[0];
  return worst && Math.abs(worst.off) > PART_OFF ? worst : null;
}

function squareLessons(plan: Plan, design: Design, record: readonly RecordEntry[]): Lesson[] {
  const readings = new Map<string, number[]>();
  for (const { fact } of activeFacts(record, ({ diagonals }) => diagonals))
    readings.set(fact.assembly, [...(readings.get(fact.assembly) ?? []), Math.abs(fact.one.nm - fact.other.nm)]);
  return [...readings].flatMap(([id, apart]): Lesson[] => {
    for (const { id: cabinetId, cabinet } of plan.cabinets) {
      const assembly = assembliesOf(cabinet).find((each) => each.id === id);
      if (!assembly) continue;
      const allowed = Math.round(ringDiagonals(cabinet, assembly, hasInsetDoors(design.units[cabinetId]!)).allowed.value * 1e6);
      const [was, is] = [Math.max(...apart), apart.at(-1)!];
      if (was <= allowed) return [];
      return [{ lesson: is <= allowed ? 'squared' : 'out-of-square', assembly: id, was, is, allowed }];
    }
    return [];
  });
}

/** The first time each came lower or higher than asked: the next line is drawn for it. */
function hungLessons(record: readonly RecordEntry[]): Lesson[] {
  const found = new Map<string, Lesson>();
  for (const { fact } of activeFacts(record, ({ hung }) => hung)) {
    const lower = fact.asked.nm - fact.came.nm;
    if (Math.abs(lower) > HUNG_OFF && !found.has(fact.unit)) found.set(fact.unit, { lesson: 'hung-off', unit: fact.unit, lower });
  }
  return [...found.values()];
}
