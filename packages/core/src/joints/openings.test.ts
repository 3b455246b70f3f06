import { describe, expect, test } from '@jest/globals';
import { entered, enteredFromNm } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { aloneBox, boxOf } from '../test/print-room.ts';
import type { RecordEntry } from '../model/record.ts';

const time = '2026-04-01T08:00:00Z';
const doored = boxOf({ shelves: 1 });
const loose = { ...Object.values(doored.shelves)[0]!, fixing: 'pins' as const };
const box = { ...doored, front: 'doors' as const, shelves: { [loose.id]: loose } };
const came = (space: string, width: string): RecordEntry => ({ id: `o-${space}`, at: time, kind: 'opening', opening: { space, width: entered(width) } });
const plain = aloneBox(box);
const wide = toMm(plain.cabinet.compartments[0]!.width.value);
const across = (record: readonly RecordEntry[], role: string): number => {
  const panel = aloneBox(box, record).cabinet.panels.find((each) => each.role === role)!;
  return toMm(Math.abs(panel.frame.u.along) > 0.5 ? panel.length.value : panel.width.value);
};

describe('an opening that came out narrower', () => {
  const narrower = plain.cabinet.compartments.map(({ id }) => came(id, `${wide - 2} mm`));

  test('a loose shelf is made for it, two doors each by half', () => {
    expect(across(narrower, 'shelf')).toBeCloseTo(across([], 'shelf') - 2, 6);
    expect(across(narrower, 'door')).toBeCloseTo(across([], 'door') - 1, 1);
  });

  test('with the sum that says so', () => {
    const shelf = aloneBox(box, narrower).parts.find(({ role }) => role === 'shelf')!;
    expect(shelf.length.terms.some(({ label }) => label.key === 'opening-came')).toBe(true);
  });

  test('what is cut already stays as it is', () => {
    const shelf = plain.cabinet.panels.find(({ role }) => role === 'shelf')!;
    const cut: RecordEntry = { id: 'c', at: time, kind: 'as-cut', asCut: { panel: shelf.id, length: enteredFromNm(shelf.length.value) } };
    expect(across([cut, ...narrower], 'shelf')).toBeCloseTo(across([], 'shelf'), 6);
  });

  test('what is glued in follows nothing: its joints say how long it is', () => {
    expect(across(narrower, 'bottom')).toBe(across([], 'bottom'));
  });

  test('a tenth is a tape’s own', () => {
    const tenth = plain.cabinet.compartments.map(({ id }) => came(id, `${wide - 0.1} mm`));
    expect(across(tenth, 'shelf')).toBe(across([], 'shelf'));
  });
});
