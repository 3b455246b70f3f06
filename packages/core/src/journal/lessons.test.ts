/** What a record teaches: each lesson provoked by facts in their order, with its numbers and its sentence. */
import { describe, expect, test } from '@jest/globals';
import { operationsOf } from '../setups/operations.ts';
import { lessonWords } from '../formats/lesson-words.ts';
import { entered } from '../length/entered.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { lessonsOf, SAVED, type Lesson } from './lessons.ts';
import { plan } from '../planner/plan.ts';
import type { NewFact, RecordEntry } from '../model/record.ts';

const { design, workshop } = furnishedRoom();
const mm = (text: string) => entered(`${text} mm`);

/** Facts as a device enters them, a minute apart. */
const entries = (...facts: readonly NewFact[]): RecordEntry[] =>
  facts.map((fact, index) => ({ id: `e${index}`, at: new Date(Date.UTC(2026, 3, 4, 9, index)).toISOString(), ...fact }));
const planned = plan(design, [], workshop);
const lessons = (...facts: readonly NewFact[]): Lesson[] => lessonsOf(planned, design, entries(...facts), workshop);
const said = (lesson: Lesson): string =>
  lessonWords(lesson, { plan: planned, products: workshop.products, cabinetNames: design.units, unit: 'mm', currency: 'cr' });

const reading = (value: string): NewFact => ({ kind: 'thickness', reading: { product: 'birch-18', value: mm(value) } });
/** As a tick at the machine keeps it. */
const slot = operationsOf(planned.byId.get('ink')!.cabinet).operations.find(({ id }) => id.startsWith('ink/side/left:ink/shelf/s1'))!.id;
const shelf = planned.parts.find(({ panels }) => panels.includes('ink/shelf/s1'))!;
const lengthMm = shelf.length.value / 1e6;
const cut = (off: number): NewFact => ({ kind: 'as-cut', asCut: { panel: 'ink/shelf/s1', length: mm(String(lengthMm + off)) } });
const kept = (how: 'accepted' | 'shimmed'): NewFact => ({ kind: 'kept', kept: { panel: 'ink/shelf/s1', how } });
const diagonals = (one: string, other: string): NewFact => ({ kind: 'diagonals', diagonals: { assembly: 'ink/side/left', one: mm(one), other: mm(other) } });
const hung = (came: string): NewFact => ({ kind: 'hung', hung: { unit: 'ink', asked: mm('1320'), came: mm(came), allowed: mm('0') } });

describe('sheets', () => {
  test('one that is thinner than its name, read before anything was cut for it: all its slots are saved', () => {
    const [lesson, ...more] = lessons(reading('17.6'), reading('17.6'));
    expect(more).toEqual([]);
    expect(lesson).toMatchObject({ lesson: 'sheet-measured', product: 'birch-18', nominal: 18e6, mean: 17.6e6 });
    const slots = planned.cabinets.flatMap(({ cabinet }) =>
      cabinet.connections.filter(
        ({ id, guest, host }) => cabinet.byId.get(guest)!.stock === 'birch-18' && cabinet.byId.get(host)!.slots.some((strip) => strip.id === id),
      ),
    );
    expect(lesson).toMatchObject({ slots: slots.length, hosts: new Set(slots.map(({ host }) => host)).size });
    expect(said(lesson!)).toMatch(
      /^Birch plywood 18 mm measures 17\.6 mm: cut for what it is called, \d+ slots would have been 0\.4 mm too wide, in \d+ parts that cost \d+\.\d\d cr\.$/,
    );
  });

  test('read after a slot was cut: that slot came out wrong', () => {
    const [lesson] = lessons({ kind: 'made', made: [slot] }, reading('18.3'));
    expect(lesson).toMatchObject({ lesson: 'sheet-too-late', slots: 1, hosts: 1 });
    // The left side: 820 × 298 of 2440 × 1220, for what the sheet costs.
    const side = planned.byId.get('ink')!.cabinet.byId.get('ink/side/left')!;
    const { price, length, width } = workshop.products['birch-18']!;
    expect(lesson).toMatchObject({ cost: expect.closeTo((price * side.length.value * side.width.value) / length.nm / width.nm, 1) });
    expect(said(lesson!)).toMatch(
      /^Birch plywood 18 mm measures 18\.3 mm, read after 1 slot was cut for what it is called: it is 0\.3 mm too narrow, in 1 part/,
    );
  });

  test('one that measures what it is called teaches nothing', () => {
    expect(lessons(reading('18.05'))).toEqual([]);
    expect(lessons({ kind: 'made', made: [slot] })).toEqual([]);
  });
});

describe('parts', () => {
  test.each<[string, NewFact[], object, RegExp]>([
    [
      'trimmed',
      [cut(2), cut(0)],
      { lesson: 'part-put-right', how: 'trimmed', off: 2e6 },
      /came out 2 mm too long and was trimmed: not made again for \d+\.\d\d cr of sheet\.$/,
    ],
    ['shimmed', [cut(-2), kept('shimmed')], { lesson: 'part-put-right', how: 'shimmed', off: -2e6 }, /came out 2 mm too short and was shimmed/],
    [
      'made again',
      [cut(-2), { kind: 'spoiled', spoiled: { layout: 'by-hand', part: 'ink/shelf/s1' } }],
      { lesson: 'part-put-right', how: 'made-again' },
      /came out 2 mm too short and was made again, for \d+\.\d\d cr of sheet\.$/,
    ],
    ['used as it is', [cut(-2), kept('accepted')], { lesson: 'part-used', off: -2e6 }, /came out 2 mm too short and was used as it is\.$/],
    [
      'used, and made again after all',
      [cut(-2), kept('accepted'), { kind: 'spoiled', spoiled: { layout: 'l', part: 'ink/shelf/s1' } }],
      { how: 'made-again' },
      /made again/,
    ],
  ])('one that came out off and was %s', (_, facts, told, words) => {
    const all = lessons(...facts);
    expect(all).toHaveLength(1);
    expect(all[0]).toMatchObject({ panel: 'ink/shelf/s1', ...told });
    expect(said(all[0]!)).toMatch(words);
  });

  test('one that is off and not settled yet, one that is as planned, and one that is taken back teach nothing', () => {
    expect(lessons(cut(-2))).toEqual([]);
    expect(lessons(cut(0.2), kept('accepted'))).toEqual([]);
    expect(
      lessonsOf(
        planned,
        design,
        [...entries(cut(-2), kept('accepted')), { id: 'w', at: '2026-04-04T10:00:00Z', kind: 'withdrawn', withdraws: 'e1' }],
        workshop,
      ),
    ).toEqual([]);
  });
});

describe('diagonals and heights', () => {
  test('pulled square while the glue was wet is saved; left askew is not', () => {
    const [squared] = lessons(diagonals('1080', '1076'), diagonals('1078.2', '1078'));
    expect(squared).toMatchObject({ lesson: 'squared', was: 4e6, is: 0.2e6 });
    expect(said(squared!)).toMatch(
      /left side of Ink cupboard stood 4 mm out of square, .* being the most, and was pulled to 0\.2 mm while the glue was wet\.$/,
    );
    const [left] = lessons(diagonals('1080', '1076'));
    expect(left).toMatchObject({ lesson: 'out-of-square', is: 4e6 });
    expect(said(left!)).toMatch(/was left 4 mm out of square/);
    expect(lessons(diagonals('1078', '1078'))).toEqual([]);
  });

  test('lower than asked the first time is what the next line is drawn for; within a millimeter it is as asked', () => {
    const [lesson] = lessons(hung('1317'), hung('1320'));
    expect(lesson).toEqual({ lesson: 'hung-off', unit: 'ink', lower: 3e6 });
    expect(said(lesson!)).toBe('Ink cupboard came 3 mm lower than asked: lines of the next are drawn for it.');
    expect(lessons(hung('1319.5'))).toEqual([]);
  });
});

test('what was saved and what came true are told apart', () => {
  const all = lessons(reading('17.6'), cut(-2), kept('accepted'), diagonals('1080', '1076'), hung('1317'));
  expect(all.map(({ lesson }) => [lesson, SAVED.has(lesson)])).toEqual([
    ['sheet-measured', true],
    ['part-used', false],
    ['out-of-square', false],
    ['hung-off', true],
  ]);
});

test('a lesson of what is no longer in the plan is still a sentence', () => {
  const gone: Lesson[] = [
    { lesson: 'part-used', panel: 'gone/shelf/s9', measure: 'width', off: -1e6 },
    { lesson: 'squared', assembly: 'gone/side/left', was: 4e6, is: 0, allowed: 1e6 },
    { lesson: 'hung-off', unit: 'gone', lower: -2e6 },
  ];
  for (const lesson of gone) expect(said(lesson)).toMatch(/^(A|What is) .*\.$/);
});
