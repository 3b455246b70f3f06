/** Doors and drawers open: where the center of gravity goes, by hand and against a leaf turned step by step. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { newSpec } from '../test/family-units.ts';
import { aloneBox, boxOf } from '../test/print-room.ts';
import { opened, openingsOf } from './opened.ts';
import { loadedCabinet } from './weights.ts';
import type { DrawerUnit } from '../model/specs/drawer-unit.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

const doored = (front: ShelfBox['front'], more: Partial<ShelfBox> = {}): ShelfBox => ({ ...boxOf(), front, ...more });

describe('doors', () => {
  test('a door hinged at the left stands straight out: its middle goes from half its width along to half its width out', () => {
    const { cabinet, weights } = aloneBox(doored('door-left', { doors: { ...boxOf().doors, lies: 'full', handle: 'none' } }));
    const [door] = openingsOf(cabinet, weights);
    const panel = cabinet.byId.get(door!.panels[0]!)!;
    const w = panel.width.value / 1e6;
    const t = panel.thickness / 1e6;
    // About the hinged edge of its rear face's line: half its width either way, and the thickness turns with it. Cups lighten its rear a little.
    expect(Math.abs(door!.shift.out - (w / 2 + t / 2))).toBeLessThan(2);
    expect(Math.abs(door!.shift.along + w / 2 - t / 2)).toBeLessThan(2);
    expect(Math.abs(door!.shift.up)).toBeLessThan(1e-6);
  });
  test('a pair moves twice as much out as one of them, and sideways as far as one alone', () => {
    const { cabinet, weights } = aloneBox(doored('doors'));
    const doors = openingsOf(cabinet, weights);
    expect(doors).toHaveLength(2);
    const shut = loadedCabinet(weights);
    const open = opened(shut, doors, weights, 300, 1);
    const m = shut.mass.value;
    expect(open.out - shut.out).toBeCloseTo(doors.reduce((sum, { ownKg, shift }) => sum + ownKg * shift.out, 0) / m, 9);
    expect(Math.abs(open.along - shut.along)).toBeCloseTo(Math.max(...doors.map(({ ownKg, shift }) => Math.abs(ownKg * shift.along))) / m, 6);
    expect(open.mass.value).toBe(m);
  });
  test('a lid lifts its middle, a flap drops it; both stand out', () => {
    const shiftOf = (front: ShelfBox['front']) => {
      const { cabinet, weights } = aloneBox(doored(front));
      return openingsOf(cabinet, weights)[0]!.shift;
    };
    const [lid, flap] = [shiftOf('lid-up'), shiftOf('flap-down')];
    expect(lid.up).toBeGreaterThan(100);
    expect(flap.up).toBeLessThan(-100);
    expect(lid.out).toBeGreaterThan(100);
    expect(flap.out).toBeCloseTo(lid.out, -1);
  });
  test('a framed door opens with its stiles, rails and glass', () => {
    const { cabinet, weights } = aloneBox(doored('door-right', { doors: { ...boxOf().doors, infill: 'panel' } }));
    const [door] = openingsOf(cabinet, weights);
    expect(door!.panels).toHaveLength(5);
    expect(door!.ownKg).toBeCloseTo(
      door!.panels.reduce((sum, id) => sum + weights.panels.get(id)!.value, 0),
      9,
    );
  });
});

describe('drawers', () => {
  const drawers = newSpec('drawer-unit') as DrawerUnit;
  const filled = (kg: readonly number[]): DrawerUnit => ({
    ...drawers,
    contents: Object.fromEntries(kg.map((each, index) => [`d${index + 1}`, { preset: 'nothing' as const, kg: each }])),
  });
  test('only the fullest is out, its box, front and contents by the length of its slides', () => {
    const { cabinet, weights, hang } = aloneBox(filled([1, 9, 2]));
    const all = openingsOf(cabinet, weights);
    expect(all.map(({ panels }) => panels.length)).toEqual([6, 6, 6]);
    const second = all.find(({ floor }) => floor === 'u1/bottom/d2/bottom')!;
    const shut = loadedCabinet(weights);
    expect(hang.loaded.out - shut.out).toBeCloseTo(((second.ownKg + 9) * 250) / shut.mass.value, 6);
  });
  test('slides are judged by their rating, full drawer and all', () => {
    const { hang, cabinet, weights } = aloneBox({ ...filled([20, 1, 1]), slides: { ...drawers.slides, ratedKg: 20 } });
    const own = openingsOf(cabinet, weights).find(({ floor }) => floor === 'u1/bottom/d1/bottom')!.ownKg;
    expect(hang.links.find(({ kind }) => kind === 'slide')!.use.value).toBeCloseTo((20 + own) / 20, 9);
    expect(aloneBox({ ...filled([20, 1, 1]), slides: { ...drawers.slides, kind: 'runner' } }).hang.links.map(({ kind }) => kind)).not.toContain('slide');
  });
});

test('a box with nothing to open hangs as it is loaded', () => {
  const { hang, loaded } = aloneBox(boxOf({ height: entered('500 mm') }));
  expect(hang.loaded.out).toBe(loaded.out);
  expect(hang.open).toEqual([]);
});
