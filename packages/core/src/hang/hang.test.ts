/** The rules of docs/formulas/hanging-verdict.md, tried one by one on the ink cupboard. */
import { onWall } from '../test/check-case.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import type { EditStep } from '../model/edit.ts';
import { FAMILY_IDS, newSpec } from '../test/family-units.ts';
import { aloneBox, ink, typed, cabinetWith } from '../test/print-room.ts';
import { analyzeHangingAt } from './hang.ts';
import { loadLimits } from './limits.ts';

const kg = (bottom: number, s1 = 0, s2 = 0): EditStep =>
  ink('contents', { bottom: { preset: 'tools', kg: bottom }, s1: { preset: 'tools', kg: s1 }, s2: { preset: 'tools', kg: s2 } });

describe('refused whatever the numbers', () => {
  test.each<[string, EditStep[], string]>([
    ['a cleat of MDF', [ink('hanging.stock', 'mdf-18')], 'cleat-material'],
    ['a cleat of faced particleboard', [ink('hanging.stock', 'faced-board-18')], 'cleat-material'],
    ['no spacer', [ink('hanging.spacer', null)], 'no-spacer'],
    ['only a thin back to screw into', [ink('hanging.rail', null)], 'thin-back-only'],
    ['a rail so low that the screw row misses it', [typed('hanging.drop', '200 mm'), typed('hanging.rail', '40 mm')], 'half-misses'],
    ['under six diameters in the stud', [typed('hanging.wallScrew.length', '50 mm')], 'short-screw'],
    ['studs nobody looked for', [onWall('studs.known', false), onWall('studs.marks', {})], 'no-stud-known'],
    ['anchors nobody rated', [onWall('fixing.into', 'covering')], 'unrated-anchor'],
    ['over 20 kg on anchors', [onWall('fixing.into', 'covering'), onWall('fixing.pullN', 5000), onWall('fixing.shearN', 5000)], 'ground-too-light'],
    ['over 20 kg on light metal studs', [onWall('structure', 'metal-studs')], 'ground-too-light'],
    ['a plug that does not reach the block', [onWall('structure', 'dabs-block'), typed('hanging.wallScrew.length', '50 mm')], 'short-screw'],
    ['a wall that moves', [onWall('structure', 'vehicle')], 'moving'],
    ['no wall screw', [ink('hanging.wallScrew.upper', 0), ink('hanging.wallScrew.lower', 0)], 'no-wall-screw'],
    ['no screw into the cabinet half', [ink('hanging.cabinetScrew.count', 0)], 'no-cabinet-screw'],
    ['one stud and 50 kg', [typed('width', '380 mm'), typed('place.along', '850 mm')], 'too-few-studs'],
  ])('%s', (_name, edits, kind) => {
    const { hang } = cabinetWith('ink', ...edits);
    expect(hang.state).toBe('refused');
    expect(hang.refusals.map((reason) => reason.kind)).toContain(kind);
  });
});

describe('one stud only', () => {
  // 260 wide from 910: the stud at 1040 stands 130 in, in the middle.
  const narrow = [typed('width', '260 mm'), typed('place.along', '910 mm'), typed('height', '500 mm'), typed('depth', '160 mm'), ink('shelves', {})];
  test('up to 15 kg loaded it is tight, never fine', () => {
    const { hang } = cabinetWith('ink', ...narrow, kg(3));
    expect(hang.refusals).toEqual([]);
    expect(hang.state).toBe('tight');
  });
  test.each<[string, EditStep[]]>([
    ['over 15 kg', [kg(14)]],
    ['without the screw against lifting off', [kg(3), ink('hanging.antiLift', false)]],
    ['with one screw in it', [kg(3), ink('hanging.wallScrew.lower', 0)]],
    ['off to one side', [kg(3), typed('place.along', '820 mm')]],
  ])('%s it is refused', (_name, edits) => {
    expect(cabinetWith('ink', ...narrow, ...edits).hang.state).toBe('refused');
  });
});

describe('verdict words', () => {
  test('fine to 80 %, tight to 100, over above; the tip ratio turns at 0.67', () => {
    const state = (load: number) => cabinetWith('ink', kg(load, load, load)).hang;
    for (let load = 5; load < 60; load += 5) {
      const { state: word, links } = state(load);
      const most = Math.max(...links.filter(({ kind }) => kind !== 'tip').map(({ use }) => use.value));
      const tip = links.find(({ kind }) => kind === 'tip')!.use.value;
      expect(word).toBe(most > 1 ? 'over' : most > 0.8 || tip > 0.67 ? 'tight' : 'fine');
    }
  });

  const tippy = [typed('height', '420 mm'), typed('depth', '450 mm'), ink('shelves', {})];
  test('a hook past its fine mark: tight with the lock, over without', () => {
    const locked = cabinetWith('ink', ...tippy, kg(8)).hang;
    expect(locked.forces.hook!.tip.value).toBeGreaterThan(0.67);
    expect(locked.forces.hook!.tip.value).toBeLessThan(1);
    expect(locked.state).toBe('tight');
    expect(cabinetWith('ink', ...tippy, kg(8), ink('hanging.antiLift', false)).hang.state).toBe('over');
  });

  test('a hook past tipping stands only by a lock that bears one and a half times what it has to', () => {
    const { hang } = cabinetWith('ink', ...tippy, typed('depth', '700 mm'), kg(8));
    expect(hang.forces.hook!.tip.value).toBeGreaterThan(1);
    const lock = hang.links.find(({ kind }) => kind === 'hold-down')!;
    expect(lock.use.value).toBeCloseTo((1.5 * hang.forces.hook!.holdDown.value) / hang.studs[0]!.lateral.value, 9);
  });
});

describe('what it would carry', () => {
  test('at that load the most used link is used up, and a little more is over', () => {
    const { hang, hangInput } = cabinetWith('ink');
    const { carriesKg, fineToKg } = loadLimits(hangInput);
    const factor = carriesKg! / hang.plannedKg;
    const most = (at: number): number => Math.max(...analyzeHangingAt(hangInput, at).links.map(({ use, limit }) => use.value / limit));
    expect(most(factor)).toBeLessThanOrEqual(1);
    expect(most(factor)).toBeGreaterThan(0.99);
    expect(most(factor * 1.01)).toBeGreaterThan(1);
    expect(fineToKg!).toBeLessThan(carriesKg!);
  });

  test.each(FAMILY_IDS)('a %s carries what it says: fully used there, over just past it, whatever it is planned to hold', (family) => {
    for (const share of [0.2, 1, 3]) {
      const spec = newSpec(family);
      const kg = Object.fromEntries(Object.keys(spec.contents).map((space) => [space, { preset: 'nothing' as const, kg: 4 * share }]));
      const { hang, hangInput } = aloneBox({ ...spec, contents: kg } as typeof spec);
      const { carriesKg } = loadLimits(hangInput);
      if (carriesKg === null || carriesKg > 60 * hang.plannedKg) continue;
      const most = (at: number): number => Math.max(...analyzeHangingAt(hangInput, at).links.map(({ use, limit }) => use.value / limit));
      const factor = carriesKg / hang.plannedKg;
      expect(most(factor)).toBeLessThanOrEqual(1 + 1e-9);
      // Used up, or at the most a single stud may hold.
      if (analyzeHangingAt(hangInput, factor * 1.01).state !== 'refused') expect(most(factor)).toBeGreaterThan(0.99);
    }
  });

  test('more in it never uses any link less', () => {
    const { hangInput } = cabinetWith('ink');
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3, noNaN: true }), fc.double({ min: 0.01, max: 1, noNaN: true }), (factor, more) => {
        const [less, greater] = [factor, factor + more].map((at) => new Map(analyzeHangingAt(hangInput, at).links.map(({ id, use }) => [id, use.value])));
        for (const [id, use] of less!) if (id !== 'tip') expect(greater!.get(id)!).toBeGreaterThanOrEqual(use - 1e-9);
      }),
      { numRuns: 60 },
    );
  });
});

describe('safer is never worse', () => {
  test.each<[string, EditStep[]]>([
    ['a larger wall screw', [ink('hanging.wallScrew.screw', '6mm')]],
    ['a taller cleat', [typed('hanging.boardWidth', '200 mm')]],
    ['denser studs', [onWall('studs.species', 'douglas-fir')]],
    ['no wallboard', [onWall('covering', entered('0 mm'))]],
  ])('%s', (_name, edits) => {
    const use = (...steps: EditStep[]): number => Math.max(...cabinetWith('ink', ...steps).hang.studs.map((stud) => stud.use.value));
    expect(use(...edits)).toBeLessThan(use());
  });
});

test('a steeper bevel pulls the wall screws harder and holds the hook better', () => {
  const at = (deg: number) => cabinetWith('ink', ink('hanging.bevelDeg', deg)).hang.forces;
  expect(at(55).outward.value).toBeGreaterThan(at(45).outward.value);
  expect(at(55).hook!.tip.value).toBeLessThan(at(45).hook!.tip.value);
});

test('someone leaning is always worked out, as a second run with the same wall', () => {
  const { hang } = cabinetWith('ink');
  expect(hang.climbing!.screws.value).toBeGreaterThan(0);
  expect(hang.climbing!.tip!.value).toBeGreaterThan(hang.forces.hook!.tip.value);
});

test('a unit whose centre of gravity differs in all three directions loads the nearer stud more', () => {
  const { hang, loaded } = cabinetWith('ink', typed('place.along', '840 mm'), kg(30));
  expect(loaded.along).toBeCloseTo(350, 0);
  expect(loaded.up).toBeLessThan(410);
  expect(loaded.out).toBeGreaterThan(140);
  const [left, right] = hang.studs;
  // Studs at 200 and 605 of the cabinet; its middle at 350 is nearer to the left one.
  expect(left!.share.value).toBeGreaterThan(right!.share.value);
});
