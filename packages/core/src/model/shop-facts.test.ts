import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import type { NewFact, RecordEntry } from './record.ts';
import { shopFacts, type ShopFacts } from './shop-facts.ts';

let count = 0;
const entry = (fact: NewFact): RecordEntry => ({ id: `e${++count}`, at: '2026-03-01T10:00:00Z', ...fact });
const note = entry({ kind: 'note', note: { text: 'the door sticks', photos: [], nextTime: false } });
const reading = entry({ kind: 'thickness', reading: { product: 'birch-18', value: entered('17.8 mm') } });
const cut = entry({ kind: 'as-cut', asCut: { panel: 'ink/shelf/s1', length: entered('700 mm') } });
const sawn = entry({ kind: 'sawn', sawn: { layout: 'l1', cuts: ['a'], parts: ['ink/shelf/s1'] } });
const made = entry({ kind: 'made', made: ['ink/shelf/s1:slot'] });
const spoiled = entry({ kind: 'spoiled', spoiled: { layout: 'l1', part: 'ink/shelf/s1' } });
const kept = entry({ kind: 'kept', kept: { panel: 'ink/shelf/s1', how: 'accepted' } });

const changed = (before: ShopFacts, after: ShopFacts): string[] =>
  (Object.keys(after) as (keyof ShopFacts)[]).filter((field) => field !== 'entries' && field !== 'of' && before[field] !== after[field]);

describe('what an added entry changes', () => {
  const record = [reading, cut, sawn, made];
  test.each([
    [note, ['notes']],
    [entry({ kind: 'thickness', reading: { product: 'birch-18', value: entered('18 mm') } }), ['readings']],
    [kept, ['kept']],
    [spoiled, ['operations', 'slots', 'asCut', 'kept', 'spoiled', 'finished']],
    [entry({ kind: 'withdrawn', withdraws: reading.id }), ['readings']],
    [entry({ kind: 'withdrawn', withdraws: 'an entry nobody made' }), []],
  ] as const)('%j', (added, fields) => {
    const before = shopFacts(record);
    expect(changed(before, shopFacts([...record, added], record)).sort()).toEqual([...fields].sort());
  });

  test('a record read twice is folded once', () => {
    expect(shopFacts(record)).toBe(shopFacts(record));
  });
});

test('a part that is spoiled loses its cuts, its operations and its place among the parts on hand', () => {
  const facts = shopFacts([reading, cut, sawn, made, kept, spoiled]);
  expect(facts.asCut.size).toBe(0);
  expect(facts.operations.map(({ made: left }) => left)).toEqual([[]]);
  expect([...facts.finished, ...facts.kept]).toEqual([]);
  const again = shopFacts([reading, cut, sawn, made, kept, spoiled, { ...cut, id: 'again' }]);
  expect(again.asCut.get('ink/shelf/s1')!.entries).toEqual(['again']);
});

/** Any of the entries above, some of them withdrawn later, in any order. */
const anyRecord = fc
  .array(fc.constantFrom(note, reading, cut, sawn, made, spoiled, kept), { maxLength: 12 })
  .map((entries) => entries.map((each, index): RecordEntry => ({ ...each, id: `r${index}` })))
  .chain((entries) =>
    fc
      .subarray(entries)
      .map((withdrawn) => [...entries, ...withdrawn.map(({ id }, index): RecordEntry => ({ id: `w${index}`, at: note.at, kind: 'withdrawn', withdraws: id }))]),
  );

test('folding on from an earlier version gives what folding anew gives', () => {
  fc.assert(
    fc.property(anyRecord, fc.nat(12), (record, length) => {
      const earlier = record.slice(0, length);
      shopFacts(earlier);
      const onward = shopFacts([...record], earlier);
      expect(onward).toEqual(shopFacts([...record]));
    }),
  );
});

test('withdrawing everything leaves nothing', () => {
  fc.assert(
    fc.property(anyRecord, (record) => {
      const all = record.filter(({ kind }) => kind !== 'withdrawn');
      const back = all.map(({ id }): RecordEntry => ({ id: `back-${id}`, at: note.at, kind: 'withdrawn', withdraws: id }));
      const facts = shopFacts([...record, ...back]);
      expect([facts.readings, facts.operations, facts.sawn, facts.steps, facts.notes].flat()).toEqual([]);
      expect([...facts.asCut.keys(), ...facts.kept, ...facts.finished, ...facts.slots.keys()]).toEqual([]);
    }),
  );
});
