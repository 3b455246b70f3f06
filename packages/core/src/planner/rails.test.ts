/** Cabinets on a shared rail: the rail's ends behind each, studs that carry all of them, and the boards of the rail. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { mm } from '../length/length.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { applyEdit, type EditStep } from '../model/edit.ts';
import { hangOnRail } from '../proposals/hang-on-rail.ts';
import { createPlanner, plan } from './plan.ts';

const { design, record, workshop } = furnishedRoom();
const planned = (...edits: EditStep[]) => plan(applyEdit(design, edits), record, workshop);

describe('the two spacing boxes on their rails', () => {
  const made = planned();
  const [left, right] = ['spacing-1', 'spacing-2'].map((id) => made.byId.get(id)!);

  test('each has the whole rail behind it: studs 2668, 3062 and 3470', () => {
    for (const cabinetPlan of [left!, right!])
      expect(cabinetPlan.hang.studs.map(({ atMm }) => Math.round(atMm + cabinetPlan.block.left / 1e6))).toEqual([2668, 3062, 3470]);
  });
  test('a stud carries what both lay on it: more than alone', () => {
    const alone = planned({ path: ['units', 'spacing-2', 'hanging', 'wallRail'], value: null }).byId.get('spacing-1')!;
    left!.hang.studs.forEach(({ share }, index) => expect(share.value).toBeGreaterThan(alone.hang.studs[index]!.share.value - 1e-9));
    const more = left!.hang.studs[1]!.share;
    expect(more.terms.map(({ label }) => label.of)).toContain('Spacing box, right');
    expect(more.value).toBeCloseTo(
      more.terms.reduce((sum, { value }) => sum + value, 0),
      9,
    );
  });
  test('the rail bends under both: in each span the moments of what each lays on it', () => {
    const moment = (cabinetPlan: typeof left) =>
      cabinetPlan!.hang.links.find(({ id }) => id === 'wall-half')!.use.terms.find(({ symbol }) => symbol === 'M')!.value;
    const alone = planned({ path: ['units', 'spacing-2', 'hanging', 'wallRail'], value: null }).byId.get('spacing-1')!;
    expect(moment(left)).toBeGreaterThan(moment(alone) * 1.05);
    // One rail, one moment, whichever of the two says it.
    expect(moment(left)).toBeCloseTo(moment(right), 6);
  });
  test('their halves come out of the rails’ boards, and are not cut with the units', () => {
    expect(made.rails.map(({ boards }) => boards.map(({ halves }) => halves.length))).toEqual([[2], [2]]);
    for (const cabinetPlan of [left!, right!]) expect(cabinetPlan.parts.some(({ role }) => role === 'cleat-blank')).toBe(false);
    expect(made.parts.filter(({ role }) => role === 'cleat-blank').map(({ mark }) => mark)).toEqual(expect.arrayContaining(['R1.1', 'R2.1']));
  });
  test('two halves of 420 do not come out of a rail of 700: a board more', () => {
    const short = planned({ path: ['wall', 'rails', 'rail-upper', 'right'], value: entered('3200 mm') });
    expect(short.rails[0]!.boards.map(({ halves, id }) => [id, halves.length])).toEqual([
      ['rail-upper/piece-1', 1],
      ['rail-upper/for-spacing-2', 1],
    ]);
  });
  test('a rail longer than its board is joined over a stud, and notched for an outlet it would cover', () => {
    const long = planned(
      { path: ['wall', 'rails', 'rail-upper', 'left'], value: entered('200 mm') },
      { path: ['wall', 'rails', 'rail-upper', 'pieceLength'], value: entered('1500 mm') },
      { path: ['wall', 'things', 'outlet-1', 'up'], value: entered('1800 mm') },
    ).rails[0]!.layout;
    expect(long.pieces.map(({ to }) => to / 1e6)).toEqual([1445, 2668, 3560]);
    expect(long.notches).toEqual([{ thing: 'outlet-1', from: mm(1235), to: mm(1320) }]);
  });
});

test('what a rail leaves at the ends of a cabinet is not said to have been entered', () => {
  const { hanging, byId } = planned().byId.get('spacing-1')!.cabinet;
  const insets = byId.get(hanging.wallHalf)!.length.terms.filter(({ label }) => label.key.endsWith('-inset'));
  expect(insets.length).toBeGreaterThan(0);
  for (const { source } of insets) expect(source).toBeUndefined();
});

test('moving along the rail moves no stud of the wall and keeps the other where it is', () => {
  const before = planned().byId.get('spacing-1')!;
  const after = planned({ path: ['units', 'spacing-2', 'place', 'along'], value: entered('3100 mm') }).byId.get('spacing-1')!;
  expect(after.cabinet).toEqual(before.cabinet);
  expect(after.hang.studs.map(({ share }) => share.value)).not.toEqual(before.hang.studs.map(({ share }) => share.value));
});

test('a module with two cleats takes all its weight on either: the lower stands as far below as its rail', () => {
  const { cabinet } = planned().byId.get('spacing-1')!;
  const { hanging, byId } = cabinet;
  const [upper, lower] = [byId.get(hanging.cabinetHalf)!, byId.get(hanging.lower!.cabinetHalf)!];
  expect(upper.frame.origin.up - lower.frame.origin.up).toBe(mm(240));
  expect(hanging.standoff).toBe('lower-cleat');
  expect(hanging.spacerThickness).toBe(hanging.gap);
});

test('a unit that does not seat on its rail is refused, whatever its figures', () => {
  const off = planned({ path: ['units', 'spacing-1', 'place', 'up'], value: entered('1500 mm') }).byId.get('spacing-1')!;
  expect(off.hang.state).toBe('refused');
  expect(off.hang.refusals).toContainEqual({ kind: 'off-rail', fault: 'off' });
  const other = planned({ path: ['units', 'spacing-1', 'hanging', 'bevelDeg'], value: 40 }).byId.get('spacing-1')!;
  expect(other.hang.refusals).toContainEqual({ kind: 'off-rail', fault: 'bevel' });
});

test('hung on a rail it is ripped as the rail and seats at once', () => {
  const edit = hangOnRail(createPlanner(), design, record, workshop, 'ink', 'rail-upper');
  const { hang, findings } = planned(...edit, { path: ['units', 'ink', 'place', 'along'], value: entered('2510 mm') }).byId.get('ink')!;
  expect(hang.refusals.filter(({ kind }) => kind === 'off-rail')).toEqual([]);
  expect(findings.map(({ check }) => check)).not.toContain('off-rail');
  expect(() => hangOnRail(createPlanner(), design, record, workshop, 'ink', 'none')).toThrow('none');
});
