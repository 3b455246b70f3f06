/** Miters with loose splines, worked by hand: grooves square to the bevel, splines that fill them, and settings that cut them. */
import { describe, expect, test } from '@jest/globals';
import { jointGroups } from '../joints/joint-groups.ts';
import { entered } from '../length/entered.ts';
import { toMm, type Length } from '../length/length.ts';
import { setupsOf } from '../setups/setups.ts';
import { handHeldShop, defaultShop } from '../stock/shop.ts';
import { audit } from '../test/audit.ts';
import { newSpec } from '../test/family-units.ts';
import { aloneBox } from '../test/print-room.ts';
import { replayFaults } from '../test/replay-check.ts';
import type { MitredBox } from '../model/specs/mitred-box.ts';

const mm = (nm: number): number => toMm(nm as Length);
const ring = (more: Partial<MitredBox> = {}) => aloneBox({ ...(newSpec('mitred-box') as MitredBox), spline: 'birch-6', ...more });

describe.each([3, 4, 5, 6, 8])('a ring of %d', (sides) => {
  const { cabinet, parts, findings } = ring({ sides });
  const walls = cabinet.panels.filter(({ name }) => name.key === 'ring-wall');
  const splines = cabinet.panels.filter(({ name }) => name.key === 'ring-spline');

  test('has a spline in every corner, a groove for it in both edges that meet there, and passes the audit', () => {
    expect(splines).toHaveLength(sides);
    for (const { cuts } of walls)
      expect(cuts.map((cut) => cut.kind === 'edge-groove' && [mm(cut.width), mm(cut.depth)])).toEqual([
        [6.1, 6],
        [6.1, 6],
      ]);
    expect(audit(cabinet)).toEqual([]);
    expect(findings.filter(({ check }) => check === 'cannot-be-made' || check === 'parts-clash')).toEqual([]);
  });

  test('its splines are as wide as both grooves are deep, less what stays free, their grain across the joint', () => {
    // 2 × (6 − 0.25); as long as the walls are deep.
    const [line] = parts.filter(({ names }) => names[0]!.key === 'ring-spline');
    expect([line!.count, mm(line!.width.value), line!.grain]).toEqual([sides, 11.5, 'width']);
    expect(line!.length.value).toBe(walls[0]!.width.value);
  });

  test.each([
    ['usual', defaultShop()],
    ['hand-held', handHeldShop()],
  ])('the %s shop cuts the grooves after the bevels they are square to', (_name, shop) => {
    const { setups, unmade } = setupsOf([cabinet], shop);
    expect(unmade).toEqual([]);
    const grooves = setups.filter(({ stage }) => stage === 'splines');
    expect(grooves.flatMap(({ cuts }) => cuts)).toHaveLength(2 * sides);
    const bevels = new Set(setups.filter(({ stage }) => stage === 'bevels').map(({ id }) => id));
    for (const { after } of grooves) expect(after.some((id) => bevels.has(id))).toBe(true);
    expect(replayFaults(cabinet, shop)).toEqual([]);
  });
});

test('in a square corner of 18 mm the groove begins 12.2 mm along the miter of 25.5', () => {
  const { cabinet } = ring({ sides: 4, stock: 'birch-18' });
  const wall = cabinet.panels.find(({ name }) => name.key === 'ring-wall')!;
  const [groove] = wall.cuts;
  const miter = mm(wall.thickness) * Math.SQRT2;
  // The spline's middle at 0.6 of it; 6 mm of spline and half of 0.1 mm of play to its near wall.
  expect(groove).toMatchObject({ kind: 'edge-groove' });
  if (groove?.kind === 'edge-groove') expect(mm(groove.from)).toBeCloseTo(0.6 * miter - 3 - 0.05, 4);
});

test('in section it is a groove, with what is left beside it: towards the outer face, at its bottom', () => {
  const group = jointGroups(ring({ sides: 4, stock: 'birch-18' }).cabinet).find(({ guest }) => guest.name.key === 'ring-spline')!;
  expect(group.kind).toBe('groove');
  expect([mm(group.slot!.width), mm(group.slot!.depth)]).toEqual([6.1, 6]);
  // (12.224 − 6) / √2 = 4.40 outside; 18 − (12.224 + 6.1) / √2 = 5.04 inside.
  expect(mm(group.slot!.left)).toBeCloseTo(4.4, 2);
});

test('a groove so deep that it would come out through the face is said, and not cut', () => {
  const { cabinet, findings } = ring({ sides: 4, jointDepth: entered('14 mm') });
  expect(cabinet.faults.length).toBeGreaterThan(0);
  expect(findings.map(({ check }) => check)).toContain('cannot-be-made');
});

test('walls that lean get none', () => {
  expect(ring({ leanDeg: 5 }).cabinet.panels.filter(({ name }) => name.key === 'ring-spline')).toEqual([]);
});
