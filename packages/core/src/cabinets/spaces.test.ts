import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { boxOf, solidOf } from '../test/print-room.ts';
import { SHELF_BOX } from './shelf-box-form.ts';

const FIELDS = SHELF_BOX.form.fields;
import { labelWords } from '../checks/words/labels.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

/** 820 high of 18 mm: 769 inside over a lip of 15. */
const box = (ats: (string | null)[]): ShelfBox => ({
  ...boxOf({ height: entered('820 mm') }),
  shelves: Object.fromEntries(
    ats.map((at, index) => [
      `s${index}`,
      { id: `s${index}`, order: index, at: at === null ? null : entered(at), in: 'bottom', level: 0, fixing: 'fixed' as const },
    ]),
  ),
});
const openings = (made: ShelfBox): number[] => solidOf(made).compartments.map(({ height }) => toMm(height.value));

describe('where shelves stand', () => {
  test('free ones share the height evenly', () => {
    expect(openings(box([]))).toEqual([769]);
    expect(openings(box([null]))).toEqual([375.5, 375.5]); // (769 − 18) / 2
    expect(openings(box([null, null])).every((opening) => Math.abs(opening - 733 / 3) < 1e-6)).toBe(true);
  });
  test('one at a given height splits it; free ones share what is left on either side', () => {
    expect(openings(box(['300 mm']))).toEqual([300, 451]); // 769 − 300 − 18
    expect(openings(box([null, '300 mm', null]))).toEqual([141, 141, 216.5, 216.5]);
    expect(openings(box(['200 mm', '400 mm']))).toEqual([200, 182, 351]);
  });
  test('openings and shelves add up to the inside, whatever is fixed', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 6 }), (fixed) => {
        const made = box(fixed.map((yes, index) => (yes ? `${60 + index * 110} mm` : null)));
        const sum = openings(made).reduce((total, each) => total + each, 0) + 18 * fixed.length;
        expect(sum).toBeCloseTo(769, 5);
      }),
    );
  });
});

describe('the form', () => {
  const start = boxOf();
  const at = (path: readonly string[]): unknown => path.reduce<unknown>((node, key) => (node as Record<string, unknown> | null)?.[key], start);
  test('has a field for nothing that is not there, each with its name and within its own limits', () => {
    for (const field of FIELDS) {
      const value = at(field.path);
      if (field.path.every((_, index) => index === 0 || at(field.path.slice(0, index)) !== null))
        expect(value === undefined ? field.path.join('.') : '').toBe('');
      expect(labelWords({ key: field.label })).not.toBe('');
      if (field.kind === 'length' && value) {
        const { nm } = value as { nm: number };
        expect(nm).toBeGreaterThanOrEqual(field.least);
        expect(nm).toBeLessThanOrEqual(field.most);
      }
      if (field.kind === 'choice' && value !== undefined) expect(field.options).toContain(value);
      if (field.kind === 'count' && value !== undefined) expect(Number.isInteger(value)).toBe(true);
    }
  });
  test('shows only what matters', () => {
    const shown = (change: Partial<ShelfBox>): string[] =>
      FIELDS.filter((field) => field.when?.({ ...start, ...change }) ?? true).map(({ path }) => path.join('.'));
    expect(shown({})).toContain('back.rabbetDepth');
    expect(shown({ back: { ...start.back, kind: 'none' } })).not.toContain('back.rabbetDepth');
    expect(shown({ top: { ...start.top, joint: 'dado' } })).toContain('top.lip');
    expect(shown({ hanging: { ...start.hanging, rail: null } })).not.toContain('hanging.railScrews');
  });
});
