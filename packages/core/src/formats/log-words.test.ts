import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { learningsOf } from '../journal/learnings.ts';
import { plan } from '../planner/plan.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { findInLog, logLines } from './log-words.ts';
import type { RecordEntry } from '../model/record.ts';

const { design, workshop } = furnishedRoom();
const at = (minutes: number): string => new Date(Date.UTC(2026, 3, 4, 9, minutes)).toISOString();
const mm = (text: string) => entered(`${text} mm`);

const RECORD: readonly RecordEntry[] = [
  { id: '1', at: at(0), kind: 'thickness', reading: { product: 'birch-18', value: mm('17.8'), sheet: 'B', place: 'far-left' } },
  { id: '2', at: at(1), kind: 'sawn', sawn: { layout: 'l', cuts: ['a', 'b'], parts: ['ink/shelf/s1', 'ink/shelf/s2'] } },
  { id: '3', at: at(2), kind: 'as-cut', asCut: { panel: 'ink/shelf/s1', length: mm('674'), planned: { length: mm('676') } } },
  { id: '4', at: at(3), kind: 'made', made: ['ink/side/left:ink/shelf/s1:start'] },
  { id: '5', at: at(4), kind: 'step', done: { step: 'ink/sand-inside', kind: 'sand', planned: 20, minutes: 80 } },
  { id: '6', at: at(5), kind: 'opening', opening: { space: 'ink/opening/bottom', width: mm('664') } },
  { id: '7', at: at(6), kind: 'diagonals', diagonals: { assembly: 'ink/side/left', one: mm('1078'), other: mm('1076.5') } },
  { id: '8', at: at(7), kind: 'kept', kept: { panel: 'ink/shelf/s1', how: 'shimmed' } },
  { id: '9', at: at(8), kind: 'spoiled', spoiled: { layout: 'l', part: 'ink/shelf/s2' } },
  { id: '10', at: at(9), kind: 'hung', hung: { unit: 'ink', asked: mm('1320'), came: mm('1318'), allowed: mm('0') } },
  { id: '11', at: at(10), kind: 'note', note: { text: 'More tape next time', photos: ['p'], nextTime: true, unit: 'ink', step: 'ink/glue/side/left' } },
  { id: '12', at: at(11), kind: 'withdrawn', withdraws: '9' },
];
const made = plan(design, RECORD, workshop);
const context = { plan: made, products: workshop.products, cabinetNames: design.units, unit: 'mm' as const };
const lines = logLines(RECORD, context);
const said = (id: string): string => lines.find((line) => line.id === id)!.says;

describe('the log', () => {
  test.each([
    ['1', /^Birch plywood 18 mm measures 17\.8 mm, sheet B, far left\.$/],
    ['2', /^2 cuts sawn; A\d+ \(shelf 1\), A\d+ \(shelf 2\) are there\.$/],
    ['4', /^1 cut made at the machine in A1 \(left side\)\.$/],
    ['5', /^Sanded, Ink cupboard, 1 h 20 min where 20 min were planned\.$/],
    ['7', /^Diagonals 1078 mm and 1076\.5 mm: 1\.5 mm apart\.$/],
    ['8', /^A\d+ \(shelf 1\) is shimmed\.$/],
    ['10', /^Ink cupboard hung: its bottom came to 1318 mm, 2 mm lower than asked\.$/],
    ['11', /^More tape next time$/],
  ])('entry %s', (id, words) => expect(said(id)).toMatch(words));

  test('a part is told against what it was to measure when it was cut, not against the plan that followed it', () => {
    expect(said('3')).toMatch(/^A\d+ \(shelf 1\) came out: length 674 mm, 2 mm short\.$/);
  });

  test('what is taken back stays to be read, with the entry that did it', () => {
    expect(lines.find(({ id }) => id === '9')).toMatchObject({ withdrawn: true });
    expect(said('12')).toMatch(/^Taken back: .*is spoiled/);
  });

  test.each([
    ['shelf short', ['3']],
    ['sheet b', ['1']],
    ['heet', []],
    ['2026-04-04 tape', ['11']],
    ['sawn shelf', ['2']],
    ['glue side', ['11']],
    ['nothing of the kind', []],
  ])('"%s" finds %j', (words, ids) => expect(findInLog(lines, words, context).map(({ id }) => id)).toEqual(ids));

  test('a day is found by the words a person has for it', () => {
    const saturday = (at: string): string => (at.startsWith('2026-04-04') ? 'Saturday, 4 April 2026' : 'another day');
    expect(findInLog(lines, 'saturday april tape', context, saturday).map(({ id }) => id)).toEqual(['11']);
    expect(findInLog(lines, 'sunday', context, saturday)).toEqual([]);
  });

  test('what was learned: pace, sizes, what was put right', () => {
    const learned = learningsOf(made, design, RECORD, workshop);
    // (80 + 60) / (20 + 60)
    expect(learned.paces).toMatchObject([{ kind: 'sand', planned: 20, took: 80, pace: { value: 1.75 } }]);
    expect([learned.measured, learned.off, learned.worstNm / 1e6, learned.spoiled]).toEqual([1, 1, 2, 0]);
    expect(learned.lessons.map(({ lesson }) => lesson)).toEqual(['sheet-measured', 'part-put-right', 'out-of-square', 'hung-off']);
  });
});
