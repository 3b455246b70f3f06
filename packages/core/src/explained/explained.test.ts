import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm } from '../length/length.ts';
import { explainedLength, extend, minus, plus } from './explained-length.ts';
import { evaluate, formula, greatest, termOf, total } from './explained-value.ts';

test('a dimension is the sum of its terms and cannot be anything else', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.integer({ min: 0, max: 3000 }), fc.integer({ min: -4, max: 4 })), { minLength: 1, maxLength: 6 }), (rows) => {
      const made = explainedLength(rows.map(([value, times]) => plus('side', mm(value), { times })));
      expect(made.value).toBe(rows.reduce((sum, [value, times]) => sum + value * 1e6 * times, 0));
    }),
  );
});

test('terms that say the same are counted together', () => {
  const made = extend(explainedLength([plus('width', mm(700)), minus('side', mm(18), { times: 2 })]), [plus('into-dado', mm(6)), plus('into-dado', mm(6))]);
  expect(made.value).toBe(mm(676)); // 700 − 2 × 18 + 2 × 6
  expect(made.terms.map(({ label, times }) => [label.key, times])).toEqual([
    ['width', 1],
    ['side', -2],
    ['into-dado', 2],
  ]);
});

test('a shared length keeps the sum it was shared from', () => {
  const openings = explainedLength([plus('space', mm(700)), minus('shelf-thickness', mm(18), { times: 2 })], 3);
  expect(openings.value).toBe(221_333_333); // 664 / 3
  expect(extend(openings, [plus('into-dado', mm(1))]).terms[0]!.inner).toBe(openings);
});

const AREA = formula({ label: 'screw-shear', unit: 'mm2', text: 'R n', source: '[eq]', terms: { R: 'mm', n: 'mm' }, compute: ({ R, n }) => R * n });

test('a figure is what its formula gives for the terms on show', () => {
  const inner = evaluate(AREA, { R: 3, n: 4 });
  const outer = evaluate(AREA, { R: inner, n: { value: 2, source: { kind: 'entered', path: ['x'] } } });
  expect(outer.value).toBe(24);
  expect(outer.terms[0]!.inner).toBe(inner);
  expect(outer.terms[1]).toMatchObject({ symbol: 'n', value: 2, source: { kind: 'entered' } });
});

test('totals and greatest keep every part', () => {
  const parts = [termOf(evaluate(AREA, { R: 1, n: 2 })), termOf(evaluate(AREA, { R: 3, n: 4 }))];
  expect(total('contents', 'mm2', parts).value).toBe(14);
  expect(greatest('contents', 'mm2', parts)).toMatchObject({ value: 12, terms: parts });
});
