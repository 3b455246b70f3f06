import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { labelWords } from '../checks/words/labels.ts';
import { findingWords } from '../checks/words/findings.ts';
import { fixWords } from '../checks/words/fixes.ts';
import { entered } from '../length/entered.ts';
import type { RecordEntry } from '../model/record.ts';
import { arbitraryBox } from '../test/arbitrary-box.ts';
import { ink, printRoom, shelvesOf, typed } from '../test/print-room.ts';
import type { ExplainedLength } from '../explained/explained-length.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import { inAnotherLength } from '../stock/board-lengths.ts';
import { boardJobs, boardPurchases, sheetJobs } from '../sheets/cutting.ts';
import { applyEdit, valueAt } from '../model/edit.ts';
import { createPlanner, plan, cabinetLetter, type Plan } from './plan.ts';
import { preview } from '../proposals/preview.ts';
import { shopFacts } from '../model/shop-facts.ts';

const everyFigure = function* (value: unknown, seen = new Set<unknown>()): Generator<ExplainedValue | ExplainedLength> {
  if (typeof value !== 'object' || value === null || seen.has(value)) return;
  seen.add(value);
  if ('terms' in value && 'value' in value) yield value as ExplainedValue | ExplainedLength;
  for (const each of value instanceof Map ? value.values() : Object.values(value)) yield* everyFigure(each, seen);
};

describe('plan()', () => {
  test('is a pure function: the same inputs give the same plan, and it leaves them alone', () => {
    const { design, record, workshop } = printRoom();
    const before = JSON.stringify({ design, record, workshop });
    const text = (made: Plan): string =>
      JSON.stringify(made.parts) + JSON.stringify(made.findings) + JSON.stringify(made.cabinets.map(({ hang }) => hang.links));
    expect(text(plan(design, record, workshop))).toBe(text(plan(design, record, workshop)));
    expect(JSON.stringify({ design, record, workshop })).toBe(before);
  });

  test('every sum on show has words for its label and for each of its terms, and every number is finite', () => {
    fc.assert(
      fc.property(arbitraryBox, fc.boolean(), (box, known) => {
        const { design, record, workshop } = printRoom();
        const made = plan({ ...design, wall: { ...design.wall, studs: { ...design.wall.studs, known } }, units: { u1: box } }, record, workshop);
        for (const figure of everyFigure({ units: made.cabinets.map(({ hangInput: _input, ...rest }) => rest) })) {
          if ('label' in figure) expect(labelWords(figure.label)).not.toBe('');
          for (const term of figure.terms) expect(labelWords(term.label)).not.toBe('');
          expect(Number.isFinite(figure.value)).toBe(true);
        }
        for (const finding of made.findings) {
          expect(findingWords(finding, 'in').says).not.toMatch(/NaN|undefined|Infinity/);
          for (const { label } of finding.fixes) expect(fixWords(label, 'in')).not.toMatch(/NaN|undefined/);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('a fix that is offered can be applied and planned', () => {
    fc.assert(
      fc.property(arbitraryBox, (box) => {
        const { design, record, workshop } = printRoom();
        const alone = { ...design, units: { u1: box } };
        for (const { fixes } of plan(alone, record, workshop).findings)
          for (const fix of fixes) if ('edit' in fix) expect(plan(applyEdit(alone, fix.edit), record, workshop).cabinets).toHaveLength(1);
      }),
      { numRuns: 40 },
    );
  });
});

describe('the planner', () => {
  test('keeps the plan of a unit that nothing touched', () => {
    const { design, record, workshop } = printRoom();
    const planner = createPlanner();
    const first = planner.plan(design, record, workshop);
    const second = planner.plan(applyEdit(design, [typed('width', '710 mm')]), record, workshop);
    expect(second.byId.get('type')).toBe(first.byId.get('type'));
    expect(second.byId.get('ink')).not.toBe(first.byId.get('ink'));
  });

  test('a reading, the wall, the shop and children each plan it anew', () => {
    const { design, record, workshop } = printRoom();
    const planner = createPlanner();
    const first = planner.plan(design, record, workshop).byId.get('type');
    const reading: RecordEntry = { id: 'new', at: '2026-03-01T10:00:00Z', kind: 'thickness', reading: { product: 'birch-18', value: entered('17 mm') } };
    const kinds: [string, () => Plan][] = [
      ['record', () => planner.plan(design, [...record, reading], workshop)],
      ['wall', () => planner.plan({ ...design, wall: { ...design.wall } }, record, workshop)],
      ['workshop', () => planner.plan(design, record, { ...workshop, shop: { ...workshop.shop } })],
      ['children', () => planner.plan({ ...design, children: true }, record, workshop)],
    ];
    for (const [, again] of kinds) expect(again().byId.get('type')).not.toBe(first);
  });
});

describe('edits', () => {
  test('set, add and take away at a path; what is not on the path keeps its identity', () => {
    const { design } = printRoom();
    const wider = applyEdit(design, [typed('width', '710 mm')]);
    expect(valueAt(wider, ['units', 'ink', 'width'])).toEqual(entered('710 mm'));
    expect(wider.units['type']).toBe(design.units['type']);
    const fewer = applyEdit(design, [ink('shelves.s1', undefined)]);
    expect(Object.keys(shelvesOf(fewer.units['ink']!))).toEqual(['s2']);
    expect(applyEdit(design, [{ path: ['name'], value: design.name }])).toBe(design);
  });

  test('a path that leads nowhere, or to the prototype, throws', () => {
    const { design } = printRoom();
    expect(() => applyEdit(design, [{ path: ['units', 'gone', 'width'], value: 1 }])).toThrow(RangeError);
    expect(() => applyEdit(design, [{ path: ['units', '__proto__', 'x'], value: 1 }])).toThrow(RangeError);
    expect(valueAt(design, ['units', 'constructor'])).toBeUndefined();
  });
});

test('a preview says the figures before and after, and changes nothing', () => {
  const { design, record, workshop } = printRoom();
  const planner = createPlanner();
  const shown = preview(planner, design, record, workshop, 'ink', [typed('width', '1200 mm')])!;
  expect(shown.after.worstSagMm).toBeGreaterThan(shown.before.worstSagMm);
  expect(design.units['ink']!.width.text).toBe('700 mm');
  expect(preview(planner, design, record, workshop, 'ink', [{ path: ['units', 'none', 'width'], value: 1 }])).toBeNull();
});

describe('the shop record', () => {
  test('a reading that was taken back no longer counts', () => {
    const { record } = printRoom();
    const after = [...record, { id: 'w', at: '2026-03-06T10:00:00Z', kind: 'withdrawn' as const, withdraws: record[0]!.id }];
    expect(shopFacts(record).readings).toHaveLength(5);
    expect(shopFacts(after).readings).toHaveLength(4);
  });

  test('the thickness built with is the mean of what was read, and its spread is kept', () => {
    const { design, record, workshop } = printRoom();
    const { used } = plan(design, record, workshop).stockOf('birch-18');
    expect(used).toEqual({ value: 17_800_000, nominal: 18_000_000, readings: 3, spread: 200_000 });
  });
});

describe('from parts to pieces', () => {
  test('each sheet product is one problem, its offcuts first and free, every panel a piece', () => {
    const { design, record, workshop } = printRoom();
    const { parts } = plan(design, record, workshop);
    const jobs = sheetJobs(parts, workshop);
    expect(jobs.map(({ product }) => product).sort()).toEqual(['birch-18', 'birch-6', 'ply-1-4', 'ply-3-4']);
    const pieces = jobs.flatMap(({ problem }) => problem.parts);
    expect(pieces).toHaveLength(parts.reduce((sum, { count }) => sum + count, 0));
    const { sheets } = jobs.find(({ product }) => product === 'birch-18')!.problem;
    expect(sheets[0]).toMatchObject({ offcut: true, cost: 0, count: 1 });
    expect(sheets.at(-1)).toMatchObject({ offcut: false, count: null });
  });

  test('boards are cut by length, the longest first, and what is too long is said', () => {
    const { design, record, workshop } = printRoom();
    const made = plan(
      applyEdit(design, [ink('hanging.stock', 'board-1x6'), ink('hanging.spacer.stock', 'board-1x6'), typed('hanging.boardWidth', '130 mm')]),
      record,
      workshop,
    );
    const [job] = boardJobs(made.parts, workshop);
    expect(job).toMatchObject({ product: 'board-1x6', tooLong: [] });
    expect(job!.plan).toMatchObject({ bought: [{ id: 'board-1x6', count: 1 }], bound: { boards: 1 }, proved: true, unplaced: [] });
    // 96 in less two pieces of 700 and their kerfs.
    expect(job!.plan.boards[0]!.left).toBe(Math.round((96 * 25.4 - 2 * 703.2) * 1e6));
    expect(job!.plan.boards[0]!.pieces.map(({ at }) => at)).toEqual([0, 703_200_000]);
  });

  test('a board sold in several lengths is bought in the cheapest mix of them, whichever of them the parts were given', () => {
    const { design, record, workshop } = printRoom();
    const long = workshop.products['board-1x6']!;
    const short = inAnotherLength(long, entered('60 in'), long.price / 2, workshop);
    const both = { ...workshop, products: { ...workshop.products, [short.id]: short } };
    const made = plan(
      applyEdit(design, [ink('hanging.stock', 'board-1x6'), ink('hanging.spacer.stock', short.id), typed('hanging.boardWidth', '130 mm')]),
      record,
      both,
    );
    const jobs = boardJobs(made.parts, both);
    expect(jobs.map(({ product }) => product)).toEqual([made.parts.find(({ stock }) => both.products[stock]!.kind === 'board')!.stock]);
    expect(jobs[0]!.plan).toMatchObject({ bought: [{ id: short.id, count: 1 }], proved: true });
    expect(boardPurchases(jobs)).toEqual([{ product: short.id, count: 1 }]);
    // A part longer than the length it was given is cut from the longer one.
    const tight = applyEdit(design, [ink('hanging.stock', short.id), typed('hanging.boardWidth', '130 mm'), typed('width', '1700 mm')]);
    const wide = plan(tight, record, both);
    expect(boardJobs(wide.parts, both)[0]!.plan.bought).toEqual([{ id: 'board-1x6', count: 1 }]);
    expect(wide.findings.filter(({ check }) => check === 'too-large-for-stock')).toEqual([]);
    const { [long.id]: _gone, ...products } = both.products;
    expect(plan(tight, record, { ...both, products }).findings.some(({ check }) => check === 'too-large-for-stock')).toBe(true);
  });
});

test('units are lettered A to Z, then AA', () => {
  expect([0, 25, 26, 51, 52, 701, 702].map(cabinetLetter)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA', 'ZZ', 'AAA']);
});
