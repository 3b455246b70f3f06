/** Layouts that are settled by their first cut: what is cut stays, what is spoiled is wanted again, the rest is laid out over what is really left. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { auditPlan } from '../nesting/audit.ts';
import type { NestPlan } from '../nesting/problem.ts';
import { mm } from '../length/length.ts';
import { search } from '../nesting/search.ts';
import { job as problemOf, part, sheet } from '../test/nest-job.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import type { SheetJob } from './cutting.ts';
import { asPlan, isOutOfDate, jobOverTheRest, keptLayout, layoutOf, partsOff, piecesKey, progressOf } from './layouts.ts';
import { sheetStates } from './sheet-states.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { KeptLayout } from '../model/sheet-layout.ts';
import type { NewFact, RecordEntry } from '../model/record.ts';

const workshop = starterWorkshop();
const PRODUCT = 'birch-18';
const parts = [
  part('side-left', 800, 280, 1, { grain: 'length' }),
  part('side-right', 800, 280, 1, { grain: 'length' }),
  part('top', 560, 280, 1, { grain: 'length' }),
  part('bottom', 560, 280, 1, { grain: 'length' }),
  part('shelf', 560, 270, 3, { grain: 'length' }),
].flatMap((each) => Array.from({ length: each.count }, (_, n) => ({ ...each, id: each.count > 1 ? `${each.id}-${n + 1}` : each.id, count: 1 })));
const job: SheetJob = { product: PRODUCT, problem: problemOf([sheet(PRODUCT, 2440, 1220, { grain: 'length', cost: 60 })], parts, 3.2, 5) };

const planOf = ({ problem }: SheetJob): NestPlan => {
  const stepper = search(problem);
  stepper.step(200);
  const plan = stepper.plan();
  expect(auditPlan(problem, plan)).toEqual([]);
  return plan;
};
const LAYOUT: KeptLayout = keptLayout(job, planOf(job), 'l1', 0);

let entries = 0;
const entry = (fact: NewFact): RecordEntry => ({ id: `e${entries++}`, at: '2026-03-01T10:00:00Z', ...fact });
/** The record after the first so many cuts. */
const sawn = (layout: KeptLayout, count: number): RecordEntry[] => {
  const progress = progressOf(layout, [], workshop);
  return progress.sequence.steps
    .slice(0, count)
    .map(({ id }) => entry({ kind: 'sawn', sawn: { layout: layout.id, cuts: [id], parts: partsOff(progress, id) } }));
};
const still = (record: readonly RecordEntry[]): SheetJob => {
  const finished = shopFacts(record).finished;
  return { ...job, problem: { ...job.problem, parts: job.problem.parts.filter(({ id }) => !finished.has(id)) } };
};

describe('a settled layout', () => {
  const all = progressOf(LAYOUT, [], workshop).sequence.steps.length;

  test('is the last one kept of its product', () => {
    expect(layoutOf({ layouts: { l1: LAYOUT, l2: { ...LAYOUT, id: 'l2', order: 1 } } }, PRODUCT)?.id).toBe('l2');
    expect(layoutOf({ layouts: { l1: LAYOUT } }, 'birch-6')).toBeNull();
  });

  test('is drawn and priced as it was kept', () => {
    const shown = asPlan(job, LAYOUT, workshop);
    expect(auditPlan({ ...job.problem, sheets: shown.job.problem.sheets }, { ...shown.plan, score: { sheets: 1, cost: null } })).toEqual([]);
    expect(shown.plan.score).toEqual({ sheets: 1, cost: workshop.products[PRODUCT]!.price });
  });

  test('its parts are there once their last cut is made, all of them after all cuts', () => {
    expect(shopFacts(sawn(LAYOUT, all)).finished).toEqual(new Set(parts.map(({ id }) => id)));
    expect(shopFacts([]).finished).toEqual(new Set());
    const record = sawn(LAYOUT, all);
    const back = [...record, entry({ kind: 'withdrawn', withdraws: record.at(-1)!.id })];
    expect(shopFacts(back).finished.size).toBeLessThan(parts.length);
  });

  test('stays in date while it is cut, and is out of date when a part changes, is added or spoiled', () => {
    for (let count = 0; count <= all; count++) {
      const record = sawn(LAYOUT, count);
      expect([count, isOutOfDate(still(record), progressOf(LAYOUT, record, workshop))]).toEqual([count, false]);
    }
    const record = sawn(LAYOUT, all);
    const spoiled = [...record, entry({ kind: 'spoiled', spoiled: { layout: 'l1', part: 'top' } })];
    expect(isOutOfDate(still(spoiled), progressOf(LAYOUT, spoiled, workshop))).toBe(true);
    const wider = { ...job, problem: { ...job.problem, parts: job.problem.parts.map((each) => (each.id === 'top' ? part('top', 600, 280) : each)) } };
    expect(isOutOfDate(wider, progressOf(LAYOUT, [], workshop))).toBe(true);
    const more = { ...job, problem: { ...job.problem, parts: [...job.problem.parts, part('shelf-4', 560, 270)] } };
    expect(isOutOfDate(more, progressOf(LAYOUT, [], workshop))).toBe(true);
  });

  test('a spoiled part comes out of what is left of a sheet that is still being cut, not out of a new one', () => {
    const [first] = parts.filter(({ id }) => shopFacts(sawn(LAYOUT, all - 1)).finished.has(id));
    const record = [...sawn(LAYOUT, all - 1), entry({ kind: 'spoiled', spoiled: { layout: 'l1', part: first!.id } })];
    const rest = jobOverTheRest(still(record), progressOf(LAYOUT, record, workshop), workshop);
    expect(rest.problem.parts.map(({ id }) => id)).toContain(first!.id);
    const plan = planOf(rest);
    expect(plan.score.cost).toBe(0);
    expect(plan.sheets.every(({ sheet }) => sheet.startsWith('l1/'))).toBe(true);
  });

  test('what a sheet leaves when it is cut up to the end is the store’s: only a piece that is there is used', () => {
    const record = [...sawn(LAYOUT, all), entry({ kind: 'spoiled', spoiled: { layout: 'l1', part: 'top' } })];
    const kept = sheetStates({ layouts: { l1: LAYOUT } }, record, workshop)[0]!.left.find(({ length, width }) => length >= mm(560) && width >= mm(280));
    const over = (store: boolean): NestPlan => {
      const job = still(record);
      const piece = sheet('offcut-7', kept!.length / 1e6, kept!.width / 1e6, { grain: 'length', cost: 0, count: 1, offcut: true, trim: mm(0) });
      const sheets = store ? [piece, ...job.problem.sheets] : job.problem.sheets;
      return planOf(jobOverTheRest({ ...job, problem: { ...job.problem, sheets } }, progressOf(LAYOUT, record, workshop), workshop));
    };
    expect(over(true).sheets.map((row) => row.sheet)).toEqual(['offcut-7']);
    expect(over(false).sheets.map((row) => row.sheet)).toEqual([PRODUCT]);
  });

  test('the store hears of a sheet when it is cut into, and of what it leaves when its last cut is made', () => {
    const states = (record: readonly RecordEntry[], layouts: Record<string, KeptLayout> = { l1: LAYOUT }) => sheetStates({ layouts }, record, workshop);
    expect(states([])).toMatchObject([{ id: 'l1#0', sheet: PRODUCT, cutInto: false, left: [], of: null }]);
    expect(states(sawn(LAYOUT, 1))).toMatchObject([{ cutInto: true, left: [] }]);
    const [over] = states(sawn(LAYOUT, all));
    expect(over!.left.length).toBeGreaterThan(0);
    for (const { length, width, from } of over!.left) {
      expect(from.startsWith('l1/')).toBe(true);
      expect(Math.max(length, width) / 1e6).toBeGreaterThanOrEqual(400);
      expect(Math.min(length, width) / 1e6).toBeGreaterThanOrEqual(150);
    }
    // A second layout takes a rest of the first: that is not kept twice, and is known to be part of the first's sheet.
    const some = [...sawn(LAYOUT, all - 1)];
    const rest = jobOverTheRest(still(some), progressOf(LAYOUT, some, workshop), workshop);
    const next = keptLayout(rest, planOf(rest), 'l2', 1);
    const [first, second] = states(some, { l1: LAYOUT, l2: next });
    expect(second).toMatchObject({ of: 'l1#0', cutInto: false });
    expect(first!.left.map(({ from }) => from)).not.toContain(second!.sheet);
  });

  test('after any cuts the rest goes on what lies there and new sheets: nothing twice, nothing lost, nothing cut from what is gone', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: all }), fc.integer({ min: 0, max: parts.length - 1 }), (count, which) => {
        const cut = sawn(LAYOUT, count);
        const before = shopFacts(cut).finished;
        const lost = parts[which]!.id;
        const record = before.has(lost) ? [...cut, entry({ kind: 'spoiled', spoiled: { layout: 'l1', part: lost } })] : cut;
        const progress = progressOf(LAYOUT, record, workshop);
        const rest = jobOverTheRest(still(record), progress, workshop);
        const plan = planOf(rest);
        expect(plan.unplaced).toEqual([]);
        const placed = plan.sheets.flatMap(({ placements }) => placements.map((row) => row.part)).sort();
        const there = new Set(before);
        there.delete(lost);
        expect(placed).toEqual(
          parts
            .map(({ id }) => id)
            .filter((id) => !there.has(id))
            .sort(),
        );
        // Pieces named are pieces that lie there, each used once.
        const pieces = plan.sheets.map((row) => row.sheet).filter((id) => id !== PRODUCT);
        expect(new Set(pieces).size).toBe(pieces.length);
        // The next layout is cut like the first.
        const next = keptLayout(rest, plan, 'l2', 1);
        const later = progressOf(next, record, workshop);
        expect(later.done.size).toBe(0);
        expect(isOutOfDate(still(record), later)).toBe(false);
      }),
      { numRuns: 60 },
    );
  });
});

test('pieces have the same key in any order, and another when one differs', () => {
  expect(piecesKey([...parts].reverse())).toBe(piecesKey(parts));
  expect(piecesKey(parts.slice(1))).not.toBe(piecesKey(parts));
  expect(piecesKey([{ ...parts[0]!, grain: 'either' }, ...parts.slice(1)])).not.toBe(piecesKey(parts));
});
