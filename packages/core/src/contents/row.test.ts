/** Rows: counts against a count by trying, and worked cases by hand. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { mm } from '../length/length.ts';
import { thing } from '../test/things.ts';
import { explainedLength, plus } from '../explained/explained-length.ts';
import { answerRow, slotsIn } from './row.ts';
import type { Row } from '../model/item.ts';

/** As many as can be laid off one after another before the far margin is passed. */
function countByTrying(inside: number, pitch: number, thickness: number, margin: number): number {
  let count = 0;
  while (margin + count * pitch + thickness <= inside - margin) count++;
  return count;
}

test('the count of slots is the count by trying, with equal margins no less than asked', () => {
  const size = (least: number, most: number) => fc.integer({ min: least, max: most });
  fc.assert(
    fc.property(size(0, 4000), size(1, 300), size(0, 40), size(0, 80), (inside, pitch, thickness, margin) => {
      const { count, margin: left, positions } = slotsIn({ inside, pitch, thickness, margin });
      expect(count).toBe(countByTrying(inside, pitch, thickness, margin));
      if (count === 0) return;
      expect(left).toBeGreaterThanOrEqual(margin);
      expect(positions).toHaveLength(count);
      expect(positions[0]).toBeCloseTo(left, 9);
      expect(inside - positions.at(-1)! - thickness).toBeCloseTo(left, 9);
    }),
  );
});

const row = (more: Partial<Row>): Row => ({
  id: 'r',
  order: 1,
  kind: 'slots',
  on: 'bottom',
  items: ['a'],
  wanted: null,
  pitch: null,
  clearance: entered('4 mm'),
  thickness: entered('6 mm'),
  margin: entered('0 mm'),
  tiltDeg: 0,
  lip: null,
  gap: entered('0 mm'),
  ...more,
});
const inside = (width: number) => explainedLength([plus('width', mm(width))]);
const items = { a: thing('a', [80, 80, 150], { count: 4, growth: 1, neck: entered('9 mm') }), b: thing('b', [50, 60, 200], { count: 2 }) };
const itemOf = (id: string) => (items as Record<string, ReturnType<typeof thing>>)[id];

describe('by hand', () => {
  test('rolls of 80 in slots: pitch 80 + 4 + 6 = 90; (664 − 6)/90 gives 8', () => {
    const answer = answerRow(row({}), itemOf, inside(664))!;
    expect(answer.pitch.value).toBe(mm(90));
    expect(answer.fits).toBe(8);
    expect(answer.margin).toBe(mm((664 - 7 * 90 - 6) / 2));
    expect(answer.wanted).toBe(5); // 4 and 1 to come
    expect(answer.needs.value).toBe(mm(4 * 90 + 6));
    expect(answer.oneMore).toBe(mm(8 * 90 + 6));
  });

  test('glasses in notches: a notch of stem and play, and no bowl past the end', () => {
    const answer = answerRow(row({ kind: 'notches' }), itemOf, inside(300))!;
    expect(answer.pitch.value).toBe(mm(84));
    // Notch 9 + 4 = 13; the outer bowls stand (84 − 13)/2 = 35.5 past their notch.
    expect(answer.fits).toBe(3);
    expect(answer.positions[0]).toBeGreaterThanOrEqual(mm(35.5));
    expect(answerRow(row({ kind: 'notches' }), itemOf, inside(3 * 84 - 1))!.fits).toBe(2);
  });

  test('tools in cells: each its own width, a divider between two', () => {
    const answer = answerRow(row({ kind: 'cells', items: ['a', 'b'] }), itemOf, inside(600))!;
    // Five of 84 and two of 54 with six dividers of 6: 420 + 108 + 36.
    expect(answer.needs.value).toBe(mm(564));
    expect(answer.wanted).toBe(7);
    expect(answer.fits).toBe(7);
    expect(answer.positions).toHaveLength(6);
    expect(answer.positions[0]).toBe(mm((600 - 564) / 2 + 84));
  });

  test('books on a ledge stand without play', () => {
    const answer = answerRow(row({ kind: 'ledge', wanted: 3 }), itemOf, inside(250))!;
    expect(answer.needs.value).toBe(mm(240));
    expect(answer.fits).toBe(3);
  });

  test('a module is its tool, the play and two sides wide', () => {
    const answer = answerRow(row({ kind: 'modules', items: ['b'] }), itemOf, inside(200))!;
    expect(answer.widths[0]!.value).toBe(mm(50 + 4 + 12));
    expect(answer.fits).toBe(3); // 3 × 66 = 198
  });

  test('a row whose things are gone has no answer', () => {
    expect(answerRow(row({ items: ['none'] }), itemOf, inside(500))).toBeNull();
  });
});

test('a pitch of nothing is our own mistake and throws', () => {
  expect(() => slotsIn({ inside: 10, pitch: 0, thickness: 1, margin: 0 })).toThrow('pitch');
});
