/**
 * Lessons from a project's record: checks that saved something, and ignored checks that came true; each with its numbers and what it cost or would have
 * cost. Computed from facts in the order they were entered.
 */
import { assembliesOf } from '../build/assemblies.ts';
import { ringDiagonals } from '../build/diagonals.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { hasInsetDoors } from './build-job.ts';
import { type Design } from '../model/design.ts';
import type { Plan } from '../planner/plan.ts';
import type { Workshop } from '../model/workshop.ts';
import { plannedFor, shopFacts } from '../model/shop-facts.ts';
import type { AsCut, RecordEntry } from '../model/record.ts';

type Measure = 'length' | 'width';

/** Lengths in nanometers; costs in the workshop's currency. */
export type Lesson =
  /** Sheets that differ from their nominal thickness: measured before their slots were cut, or after. */
  | ({ readonly lesson: 'sheet-measured' | 'sheet-too-late'; readonly product: string; readonly nominal: number; readonly mean: number } & Slots)
  | {
      readonly lesson: 'part-put-right';
      readonly panel: string;
      readonly measure: Measure;
      readonly off: number;
      readonly how: 'trimmed' | 'shimmed' | 'made-again';
      readonly cost: number;
    }
  /** Used as it was although the plan said otherwise. */
  | { readonly lesson: 'part-used'; readonly panel: string; readonly measure: Measure; readonly off: number }
  | { readonly lesson: 'squared' | 'out-of-square'; readonly assembly: string; readonly was: number; readonly is: number; readonly allowed: number }
  | { readonly lesson: 'hung-off'; readonly unit: string; readonly lower: number };

interface Slots {
  readonly slots: number;
  /** Parts with these slots, and their cost. */
  readonly hosts: number;
  readonly cost: number;
}

/** Lessons that saved something; the others came true. */
export const SAVED: ReadonlySet<Lesson['lesson']> = new Set<Lesson['lesson']>(['sheet-measured', 'part-put-right', 'squared', 'hung-off']);

/** Thickness error beyond which slots rattle or do not close, nm. [ASSUME] a tenth of a millimeter */
const SHEET_OFF = 100_000;
/** Size error beyond which a part is off, nm. [ASSUME] half a millimeter */
export const PART_OFF = 500_000;
/** Tolerance of the hanging height, nm. [ASSUME] a millimeter */
const HUNG_OFF = 1_000_000;

export function lessonsOf(plan: Plan, design: Design, record: readonly RecordEntry[], workshop: Workshop): Lesson[] {
  return [...sheetLessons(plan, record, workshop), ...partLessons(plan, record, workshop), ...squareLessons(plan, design, record), ...hungLessons(record)];
}

const panelsOf = (plan: Plan): ReadonlyMap<string, ResolvedPanel> => new Map(plan.cabinets.flatMap(({ cabinet }) => [...cabinet.byId]));

/** A panel's share of the cost of its sheet. */
function costOf({ stock, length, width }: ResolvedPanel, { products }: Workshop): number {
  const product = products[stock];
  return product ? (product.price * (length.value / product.length.nm) * width.value) / product.width.nm : 0;
}

const inMoney = (cost: number): number => Math.round(cost * 100) / 100;

function sheetLessons(plan: Plan, record: readonly RecordEntry[], workshop: Workshop): Lesson[] {
  const panels = panelsOf(plan);
  const { thickness: readings, made } = shopFacts(record).of;
  const at = new Map(record.map(({ id }, index) => [id, index]));
  const slots = plan.cabinets.flatMap(({ cabinet }) =>
    cabinet.connections.filter(({ id, host }) => cabinet.byId.get(host)!.slots.some((slot) => slot.id === id)),
  );
  const madeAt = new Map(made.flatMap(({ id, made: operations }) => operations.map((operation) => [operation, at.get(id)!] as const)));
  return [...new Set(readings.map(({ reading }) => reading.product))].flatMap((id): Lesson[] => {
    const product = workshop.products[id];
    const own = readings.filter(({ reading }) => reading.product === id);
    const mean = own.reduce((sum, { reading }) => sum + reading.value.nm, 0) / own.length;
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

/** Each part that was once off size, with its final state in the record. */
function partLessons(plan: Plan, record: readonly RecordEntry[], workshop: Workshop): Lesson[] {
  const panels = panelsOf(plan);
  const open = new Map<string, { readonly measure: Measure; readonly off: number }>();
  const found = new Map<string, Lesson>();
  for (const entry of shopFacts(record).entries) {
    const panel = partOf(entry);
    if (panel === undefined) continue;
    const was = open.get(panel);
    const cost = inMoney(panels.has(panel) ? costOf(panels.get(panel)!, workshop) : 0);
    const settled = (how: 'trimmed' | 'shimmed' | 'made-again'): void => {
      if (was) found.set(panel, { lesson: 'part-put-right', panel, ...was, how, cost });
      open.delete(panel);
    };
    if (entry.kind === 'kept') {
      if (!was) continue;
      if (entry.kept.how === 'accepted') found.set(panel, { lesson: 'part-used', panel, ...was });
      else settled(entry.kept.how);
    } else if (entry.kind === 'spoiled') settled('made-again');
    else if (entry.kind === 'as-cut') {
      const { asCut } = entry;
      const line = plan.parts.find((each) => each.panels.includes(panel));
      const off = line ? maxOff(asCut, (measure) => plannedFor(asCut, measure, line[measure].value)) : null;
      if (off) open.set(panel, off);
      else if (was) settled('trimmed');
    }
  }
  return [...found.values()];
}

/** The part an entry measures, keeps or spoils. */
function partOf(entry: RecordEntry): string | undefined {
  switch (entry.kind) {
    case 'kept':
      return entry.kept.panel;
    case 'as-cut':
      return entry.asCut.panel;
    case 'spoiled':
      return entry.spoiled.part;
    default:
      return undefined;
  }
}

function maxOff(cut: AsCut, planned: (measure: Measure) => number): { readonly measure: Measure; readonly off: number } | null {
  const rows = (['length', 'width'] as const).flatMap((measure) => (cut[measure] ? [{ measure, off: cut[measure].nm - planned(measure) }] : []));
  const worst = rows.sort((a, b) => Math.abs(b.off) - Math.abs(a.off))[0];
  return worst && Math.abs(worst.off) > PART_OFF ? worst : null;
}

function squareLessons(plan: Plan, design: Design, record: readonly RecordEntry[]): Lesson[] {
  const readings = new Map<string, number[]>();
  for (const {
    diagonals: { assembly, one, other },
  } of shopFacts(record).of.diagonals)
    readings.set(assembly, [...(readings.get(assembly) ?? []), Math.abs(one.nm - other.nm)]);
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

/** The first time each cabinet came lower or higher than asked: the next line is marked accordingly. */
function hungLessons(record: readonly RecordEntry[]): Lesson[] {
  const found = new Map<string, Lesson>();
  for (const { hung } of shopFacts(record).of.hung) {
    const lower = hung.asked.nm - hung.came.nm;
    if (Math.abs(lower) > HUNG_OFF && !found.has(hung.unit)) found.set(hung.unit, { lesson: 'hung-off', unit: hung.unit, lower });
  }
  return [...found.values()];
}
