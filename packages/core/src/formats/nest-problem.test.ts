import { describe, expect, test } from '@jest/globals';
import { search } from '../nesting/search.ts';
import type { Length } from '../length/length.ts';
import { exactMm, readNestPlan, writeNestPlan } from './nest-plan.ts';
import { readNestProblem, readNestProblemText, writeNestProblem } from './nest-problem.ts';

const EXAMPLE = {
  kerf: '3.2mm',
  trim: '0mm',
  cuts: 'guillotine',
  sheets: [{ id: 'A', length: '2440mm', width: '1220mm', count: 3, grain: 'length', cost: 62.5 }],
  parts: [{ id: 'side', length: '23 1/2in', width: '300mm', count: 4, grain: 'length' }],
};
const read = (change: object = {}) => readNestProblemText(JSON.stringify({ ...EXAMPLE, ...change }));
const part = (change: object) => ({ parts: [{ ...EXAMPLE.parts[0], ...change }] });
const PIN = { part: 'side', x: '100mm', y: '0mm', dx: '596.9mm', dy: '300mm', turned: false };
const sheet = (change: object) => ({ sheets: [{ ...EXAMPLE.sheets[0], ...change }] });

test('the example reads, and its plan is written in the form of docs/nesting.md', () => {
  const problem = read();
  if (!problem.ok) throw new Error(problem.problem.message);
  const stepper = search(problem.value);
  stepper.step(50);
  const plan = writeNestPlan(stepper.plan(), 0.1) as Record<string, any>;
  expect(plan).toMatchObject({ unplaced: [], bound: { sheets: 1, cost: 62.5 }, proved: true, score: { sheets: 1, cost: 62.5 }, seed: 1 });
  expect(plan['sheets'][0].placements).toHaveLength(4);
  expect(plan['sheets'][0].placements[0]).toMatchObject({ part: 'side', dx: '596.9mm', dy: '300mm', turned: false });
  expect(plan['sheets'][0].cuts).toMatchObject({ cut: expect.stringMatching(/^[xy]$/) });
});

test('what may be left out is left out', () => {
  const bare = readNestProblemText(JSON.stringify({ sheets: [{ id: 'A', length: '1m', width: '50cm' }], parts: [{ id: 'p', length: '1ft', width: '.5in' }] }));
  expect(bare).toMatchObject({
    ok: true,
    value: {
      kerf: 0,
      trim: 0,
      cuts: 'guillotine',
      sheets: [{ count: null, grain: 'none', cost: null, offcut: false }],
      parts: [{ count: 1, grain: 'either', group: null }],
    },
  });
});

describe('refused', () => {
  test.each<[string, object, string]>([
    ['a size of nought', part({ length: '0mm' }), 'parts[0].length'],
    ['a negative size', part({ width: '-3mm' }), 'parts[0].width'],
    ['an unknown unit', part({ width: '3 cubits' }), 'parts[0].width'],
    ['a length that is no whole nanometre', part({ width: '1/3in' }), 'parts[0].width'],
    ['a number where text belongs', part({ width: 300 }), 'parts[0].width'],
    ['text where a number belongs', part({ count: '4' }), 'parts[0].count'],
    ['half a part', part({ count: 1.5 }), 'parts[0].count'],
    ['no part', part({ count: 0 }), 'parts[0].count'],
    ['an id twice', { parts: [EXAMPLE.parts[0], EXAMPLE.parts[0]] }, 'parts[1].id'],
    ['a sheet id twice', { sheets: [EXAMPLE.sheets[0], EXAMPLE.sheets[0]] }, 'sheets[1].id'],
    ['cost on some sheets only', { sheets: [EXAMPLE.sheets[0], { id: 'B', length: '1m', width: '1m' }] }, 'sheets'],
    ['more than 20 000 pieces', part({ count: 20_001 }), 'parts'],
    ['an unknown grain', part({ grain: 'diagonal' }), 'parts[0].grain'],
    ['a strange field', { blade: 1 }, 'problem'],
    ['no sheets', { sheets: [] }, 'sheets'],
    ['trim that leaves nothing', { trim: '700mm' }, 'trim'],
    ['a negative kerf', { kerf: '-1mm' }, 'kerf'],
    ['a cost below nought', sheet({ cost: -1 }), 'sheets[0].cost'],
    ['other cuts', { cuts: 'laser' }, 'cuts'],
    ['a part that stays on one of several sheets', sheet({ pins: [PIN] }), 'sheets[0].count'],
    ['a part nobody asked for that stays', sheet({ count: 1, pins: [{ ...PIN, part: 'top' }] }), 'sheets[0].pins[0].part'],
    ['a part that stays smaller than it is', sheet({ count: 1, pins: [{ ...PIN, dx: '500mm' }] }), 'sheets[0].pins[0]'],
    ['a part that stays off the sheet', sheet({ count: 1, pins: [{ ...PIN, x: '2m' }] }), 'sheets[0].pins[0]'],
  ])('%s', (_name, change, where) => {
    expect(read(change)).toMatchObject({ ok: false, problem: { where } });
  });
  test('what is no JSON, and NaN', () => {
    expect(readNestProblemText('{')).toMatchObject({ ok: false, problem: { code: 'not-json' } });
    expect(readNestProblemText(JSON.stringify(EXAMPLE).replace('62.5', 'NaN'))).toMatchObject({ ok: false, problem: { code: 'not-json' } });
  });
});

test('a problem with all it may have, and its plan, are the same after writing and reading', () => {
  const read = readNestProblem({
    ...EXAMPLE,
    first: { by: 'breakdown', longest: '1.6m', widest: '1m' },
    sheets: [
      { ...EXAMPLE.sheets[0], id: 'cut into', count: 1, offcut: true, trim: '0mm', cost: 0, flaws: [{ x: '0mm', y: '1m', dx: '9mm', dy: '9mm' }], pins: [PIN] },
      EXAMPLE.sheets[0],
    ],
    parts: [...EXAMPLE.parts, { id: 'door', length: '400.0001mm', width: '1ft', grain: 'width', group: 'front', order: 2, together: 'fronts' }],
  });
  expect(readNestProblem(writeNestProblem(read))).toEqual(read);
  const stepper = search(read, 3);
  stepper.step(40);
  const plan = stepper.plan();
  expect(readNestPlan(JSON.parse(JSON.stringify(writeNestPlan(plan, 0.5))))).toEqual(plan);
});

test('lengths are written to the nanometre', () => {
  expect([0, 1, 396_875, 596_900_000, 1_000_000, -5].map((nm) => exactMm(nm as Length))).toEqual([
    '0mm',
    '0.000001mm',
    '0.396875mm',
    '596.9mm',
    '1mm',
    '-0.000005mm',
  ]);
});
