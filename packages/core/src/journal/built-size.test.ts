import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { aloneBox, boxOf } from '../test/print-room.ts';
import { builtSizes } from './built-size.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';
import type { NewFact, RecordEntry } from '../model/record.ts';

const box = boxOf({ shelves: 1 });
const entries = (...facts: NewFact[]): RecordEntry[] => facts.map((fact, index) => ({ id: `f${index}`, at: '2026-05-01T09:00:00Z', ...fact }));
const sizes = (of: ShelfBox, ...facts: NewFact[]): Record<string, number> => {
  const record = entries(...facts);
  return Object.fromEntries(Object.entries(builtSizes(of, aloneBox(of, record), record)).map(([size, { value }]) => [size, toMm(value)]));
};
const plain = aloneBox(box);
const cut = (role: string, measure: 'length' | 'width', by: number, nth = 0): NewFact => {
  const panel = plain.cabinet.panels.filter((each) => each.role === role)[nth]!;
  const line = plain.parts.find(({ panels }) => panels.includes(panel.id))!;
  const asked = `${toMm(line[measure].value)} mm`;
  return { kind: 'as-cut', asCut: { panel: panel.id, [measure]: entered(`${toMm(line[measure].value) + by} mm`), planned: { [measure]: entered(asked) } } };
};
const opening = (by: number, nth = 0): NewFact => {
  const space = plain.cabinet.compartments[nth]!;
  return { kind: 'opening', opening: { space: space.id, width: entered(`${toMm(space.width.value) + by} mm`) } };
};
const asked = { width: toMm(box.width.nm), height: toMm(box.height.nm), depth: toMm(box.depth.nm) };

describe('the size a box came to', () => {
  test('is nothing to tell of while nothing measured otherwise', () => {
    expect(sizes(box)).toEqual({});
    expect(sizes(box, cut('side', 'length', 0.2), opening(0.3))).toEqual({});
  });

  test('is higher by what its sides came longer, the longer one', () => {
    expect(sizes(box, cut('side', 'length', 1.5), cut('side', 'length', 0.5, 1))).toEqual({ height: asked.height + 1.5 });
    expect(sizes(box, cut('side', 'length', -2), cut('side', 'length', -2, 1))).toEqual({ height: asked.height - 2 });
  });

  test('is deeper by what its sides came wider', () => {
    expect(sizes(box, cut('side', 'width', 3))).toEqual({ depth: asked.depth + 3 });
  });

  test('is not wider for a bottom that came longer: its slots are cut that much deeper', () => {
    expect(sizes(box, cut('bottom', 'length', 1))).toEqual({});
  });

  test('is wider by what an opening from side to side came wider', () => {
    expect(sizes(box, opening(-1.2))).toEqual({ width: expect.closeTo(asked.width - 1.2, 6) });
    expect(sizes(box, opening(-1.2), opening(2, 1))).toEqual({ width: expect.closeTo(asked.width + 2, 6) });
  });

  test('says nothing of an opening that has another beside it', () => {
    const divided = { ...box, shelves: {}, dividers: { d: { id: 'd', order: 1, at: null, in: 'bottom', level: 0 } } } as ShelfBox;
    const { compartments } = aloneBox(divided).cabinet;
    expect(compartments).toHaveLength(2);
    const { id, width } = compartments[0]!;
    expect(sizes(divided, { kind: 'opening', opening: { space: id, width: entered(`${toMm(width.value) + 2} mm`) } })).toEqual({});
  });
});
