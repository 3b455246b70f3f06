import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Json } from './codec.ts';
import { merge } from './merge.ts';

const key = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f');
const document: fc.Arbitrary<Json> = fc.letrec<{ tree: Json }>((tie) => ({
  tree: fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    fc.integer({ min: 0, max: 5 }),
    fc.dictionary(key, tie('tree'), { noNullPrototype: true, maxKeys: 5 }),
    fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 3 }),
  ),
})).tree;
const row = fc.dictionary(key, document, { noNullPrototype: true }) as fc.Arbitrary<{ [key: string]: Json }>;

test('what only one side changed is taken', () => {
  fc.assert(
    fc.property(row, row, (base, mine) => {
      expect(merge(base, mine, base)).toEqual({ merged: mine, conflicts: [] });
      expect(merge(base, base, mine)).toEqual({ merged: mine, conflicts: [] });
      expect(merge(base, mine, mine)).toEqual({ merged: mine, conflicts: [] });
    }),
  );
});

test('edits under different keys never conflict, and both are there', () => {
  fc.assert(
    fc.property(row, document, document, (base, left, right) => {
      const made = merge(base, { ...base, left }, { ...base, right });
      expect(made.conflicts).toEqual([]);
      expect(made.merged).toEqual({ ...base, left, right });
    }),
  );
});

test('which side is called mine does not change what is merged, where nothing conflicts', () => {
  fc.assert(
    fc.property(row, row, row, (base, mine, theirs) => {
      const forwards = merge(base, mine, theirs);
      const backwards = merge(base, theirs, mine);
      expect([...backwards.conflicts].sort()).toEqual([...forwards.conflicts].sort());
      if (forwards.conflicts.length === 0) expect(backwards.merged).toEqual(forwards.merged);
    }),
  );
});

describe('conflicts are named by their path', () => {
  test('two widths', () => {
    const base = { units: { u: { width: '700 mm', height: '820 mm' } } };
    const made = merge(base, { units: { u: { width: '710 mm', height: '820 mm' } } }, { units: { u: { width: '690 mm', height: '800 mm' } } });
    expect(made.conflicts).toEqual(['units.u.width']);
    expect(made.merged).toEqual({ units: { u: { width: '710 mm', height: '800 mm' } } });
  });
  test('one takes out what the other changed', () => {
    expect(merge({ a: { b: 1 } }, {}, { a: { b: 2 } }).conflicts).toEqual(['a']);
  });
  test('one takes out what the other left alone', () => {
    expect(merge({ a: { b: 1 }, c: 1 }, { c: 1 }, { a: { b: 1 }, c: 2 })).toEqual({ merged: { c: 2 }, conflicts: [] });
  });
});
