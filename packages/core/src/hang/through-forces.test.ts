/** Screwed through, against figures worked out by hand. Sources: docs/formulas/screwed-through.md. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import type { EditStep } from '../model/edit.ts';
import { faultOfSpec } from '../cabinets/families.ts';
import { newSpec } from '../test/family-units.ts';
import { wallHalfEnds } from './wall-links.ts';
import { aloneBox, ink, typed, cabinetWith } from '../test/print-room.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

const through = ink('hanging.kind', 'through');
const inkWith = (...edits: EditStep[]) => cabinetWith('ink', through, typed('hanging.wallScrew.length', '80 mm'), ...edits);

describe('the ink cupboard, screwed through its hanging rail', () => {
  const { cabinet, parts, hang, findings } = inkWith();

  test('has no cleat and no spacer, stands against the wall and is as deep as its carcass', () => {
    expect(cabinet.panels.map(({ role }) => role)).not.toEqual(expect.arrayContaining(['cabinet-half']));
    expect(cabinet.panels.some(({ role }) => role === 'wall-half' || role === 'spacer')).toBe(false);
    expect(parts.some(({ role }) => role === 'cleat-blank')).toBe(false);
    expect(cabinet.outside.depth.terms.map(({ label }) => label.key)).not.toContain('gap-behind');
    const cleated = cabinetWith('ink').cabinet.outside.depth.value;
    expect(cleated - cabinet.outside.depth.value).toBe(17_800_000);
  });

  test('the back counts as a gap: 80 − rail 17.8 − wallboard − back are left in the stud', () => {
    const back = cabinet.panels.find(({ role }) => role === 'back')!;
    expect(cabinet.hanging.stripOff).toBe(back.thickness);
    const covering = 12.5;
    expect(hang.studs[0]!.penetrationMm).toBeCloseTo(80 - 17.8 - toMm(back.thickness) - covering, 6);
  });

  test('each stud’s screws hold its share of the lean about a sixth of their height', () => {
    const stud = hang.studs[0]!;
    const foot = toMm(cabinet.hanging.valleyUp) - 90; // the rail is 90 high
    const edge = 2.5 * 5; // screws of 5 mm
    const [s, low] = [foot + Math.floor(90 - edge), foot + Math.ceil(edge)];
    const r = s / 6;
    const stiff = 2 * (s - r) ** 2 + 1 * (low - r) ** 2;
    const { upper, lower } = cabinet.hanging.wallScrew;
    expect([upper, lower]).toEqual([2, 1]);
    expect(stud.tension.value).toBeCloseTo((stud.share.value * hang.loaded.out * (s - r)) / stiff, 6);
    expect(stud.shear.value).toBeCloseTo(stud.share.value / 3, 9);
    expect(hang.forces.outward.value).toBeCloseTo((hang.weight.value * hang.loaded.out) / (s - r), 6);
  });

  test('has nothing to tip off, lift off or hook: no such link, no such check', () => {
    expect(hang.forces.hook).toBeNull();
    expect(hang.links.map(({ kind }) => kind)).not.toEqual(expect.arrayContaining(['tip']));
    expect(hang.links.some(({ kind }) => kind === 'cabinet-screws' || kind === 'spacer' || kind === 'hold-down')).toBe(false);
    for (const check of ['lifts-off', 'lift-clearance', 'no-spacer', 'slim-cleat', 'cleat-splits', 'unfastened'])
      expect(findings.map((finding) => finding.check)).not.toContain(check);
    expect(hang.refusals).toEqual([]);
  });
});

test('someone pulling at the bottom turns it about its top edge, against its weight', () => {
  const { hang, cabinet } = inkWith(ink('contents', {}));
  const { climbing, weight, loaded, studs } = hang;
  const up = toMm(cabinet.outside.height.value);
  const foot = toMm(cabinet.hanging.valleyUp) - 90;
  const [s, low] = [foot + 77, foot + 13];
  const n = studs.length;
  const moment = Math.max(0, 200 * up - weight.value * loaded.out);
  const pull = (moment * (up - low)) / (2 * n * (up - s) ** 2 + n * (up - low) ** 2);
  expect(climbing!.tip).toBeNull();
  expect(climbing!.pull.terms.find(({ symbol }) => symbol === 'T')!.value).toBeCloseTo(pull, 6);
});

describe('what keeps it from holding is said', () => {
  test.each<[string, EditStep[], string]>([
    ['a rail of MDF', [ink('stock', 'mdf-18')], 'cleat-material'],
    ['under six diameters in the stud', [typed('hanging.wallScrew.length', '50 mm')], 'short-screw'],
    ['no wall screw', [ink('hanging.wallScrew.upper', 0), ink('hanging.wallScrew.lower', 0)], 'no-wall-screw'],
  ])('%s', (_name, edits, kind) => {
    const { hang } = inkWith(...edits);
    expect(hang.state).toBe('refused');
    expect(hang.refusals.map((reason) => reason.kind)).toContain(kind);
  });
});

describe('a fold-down screwed to the studs by its backboard', () => {
  const fold = (more: object = {}) => {
    const start = newSpec('fold-down');
    const hanging = { ...start.hanging, kind: 'through', wallScrew: { ...start.hanging.wallScrew, length: entered('70 mm') } };
    return aloneBox({ ...start, hanging, ...more } as CabinetSpec);
  };
  test('the backboard is what the screws go through, up to its ledger', () => {
    const { cabinet } = fold();
    const board = cabinet.byId.get('u1/back')!;
    expect(cabinet.hanging.wallHalf).toBe(board.id);
    // Up to under the ledger, which is as thick as the leaf: behind it no screw can be driven.
    expect(cabinet.hanging.shortFace).toBe(board.length.value - cabinet.byId.get('u1/leaf')!.thickness);
    expect(cabinet.hanging.stripOff).toBe(0);
    // Its length stands upright: along the wall it is as long as the cabinet is wide.
    expect(wallHalfEnds(cabinet)).toEqual({ from: 0, to: 900 });
    expect(board.frame.origin.out).toBe(board.thickness);
  });
  test('a harder press on the front edge pulls its screws harder', () => {
    expect(fold({ edgeKg: 90 }).hang.studs[0]!.tension.value).toBeGreaterThan(fold({ edgeKg: 45 }).hang.studs[0]!.tension.value);
  });
  test('on a wall rail it cannot hang', () => {
    const start = newSpec('fold-down');
    expect(faultOfSpec({ ...start, hanging: { ...start.hanging, kind: 'through', wallRail: 'rail' } } as CabinetSpec)).toMatchObject({
      path: ['hanging', 'wallRail'],
    });
  });
});

test('a box without a hanging rail cannot be screwed through', () => {
  const start = newSpec('shelf-box');
  expect(faultOfSpec({ ...start, hanging: { ...start.hanging, kind: 'through', rail: null } } as CabinetSpec)).toMatchObject({
    path: ['hanging', 'rail'],
  });
});
