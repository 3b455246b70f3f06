/** Load cases: which there are, what governs, and figures worked out by hand. */
import { describe, expect, test } from '@jest/globals';
import { onWall } from '../test/check-case.ts';
import { ink, typed, cabinetWith } from '../test/print-room.ts';
import { loadCases, movingCases } from './load-cases.ts';
import { WEIGHT } from './statics.ts';
import { evaluate } from '../explained/explained-value.ts';

const g0 = 9.80665;
const byKind = (...edits: Parameters<typeof cabinetWith>[1][]) => {
  const { hangInput, hang } = cabinetWith('ink', ...edits);
  const found = loadCases(hangInput);
  return { ...found, hang, of: (kind: string) => found.cases.filter((each) => each.kind === kind) };
};
const doors = ink('front', 'doors');

describe('the cases of a cupboard', () => {
  test('without anything that opens: empty, planned, as heavy as it may be, fuller, by hand; the heaviest of what may be governs', () => {
    const { cases, governing, hang } = byKind();
    expect(cases.map(({ kind }) => kind)).toEqual(['empty', 'closed', 'guessed', 'fuller', 'leaning', 'pulling']);
    expect(governing).toBe('guessed');
    expect(cases[1]!.weakest!.share).toBeCloseTo(hang.links[0]!.use.value / hang.links[0]!.limit, 9);
  });
  test('what nobody weighed is the top opening alone: it is taken 30 % heavier, the cabinet of sheets 10 %', () => {
    const { guessedKg, of, hang } = byKind();
    const assumed = 75 * 0.6644 * 0.2738;
    expect(guessedKg).toBeCloseTo(assumed, 6);
    expect(of('guessed')[0]!.load.mass.value - of('closed')[0]!.load.mass.value).toBeCloseTo(0.3 * assumed + 0.1 * (hang.loaded.mass.value - 40 - assumed), 6);
    expect(of('fuller')[0]!.load.mass.value - of('closed')[0]!.load.mass.value).toBeCloseTo(0.25 * (40 + assumed), 6);
  });
  test('with two doors each is opened alone too, and someone hangs on one', () => {
    const { of, governing, cases } = byKind(doors);
    expect(of('one-open')).toHaveLength(2);
    const [left, right] = of('one-open') as [(typeof cases)[0], (typeof cases)[0]];
    // Opened, a door swings to its hinge's side: the center goes left with the left one, right with the right one.
    expect(left.load.along).toBeLessThan(right.load.along);
    expect(of('open')[0]!.load.out).toBeGreaterThan(of('closed')[0]!.load.out);
    expect(of('on-door')[0]!.load.mass.value - of('open')[0]!.load.mass.value).toBeCloseTo(250 / g0, 6);
    expect(of('on-door')[0]!.weakest!.share).toBeGreaterThan(of('open')[0]!.weakest!.share);
    expect(cases.find(({ id }) => id === governing)!.kind).toBe('guessed');
  });
  test('a child on the door, by levers: 250 N as far out as the door is wide', () => {
    const { of, hang } = byKind(doors);
    const opened = of('open')[0]!;
    const W = opened.load.mass.value * g0;
    const depth = 17.8 + 280;
    const edge = depth + 2 * hang.open[0]!.shift.out;
    expect(of('on-door')[0]!.load.out).toBeCloseTo((W * opened.load.out + 250 * edge) / (W + 250), 4);
  });
  test('a unit with nothing in it is empty, and leaned on', () => {
    const { cases } = byKind(ink('contents', {}));
    expect(cases.map(({ kind }) => kind)).toEqual(['empty', 'leaning', 'pulling']);
  });
});

describe('a wall that moves', () => {
  const moving = cabinetWith('ink', onWall('structure', 'vehicle'), typed('width', '600 mm'));
  test('what each of two planes must take: W √(ways² + up²); a dip unhooks', () => {
    const W = evaluate(WEIGHT, { m: moving.loaded.mass }).value;
    const found = movingCases(moving.hangInput);
    expect(found.find(({ key }) => key === 'road-forward')!.plane.value).toBeCloseTo(W * Math.hypot(0.8, 1), 6);
    expect(found.find(({ key }) => key === 'sea-slam')!.plane.value).toBeCloseTo(3 * W, 6);
    expect(found.filter(({ unhooks }) => unhooks).map(({ key }) => key)).toEqual(['road-dip']);
  });
  test('says nothing of a wall that stands', () => expect(movingCases(cabinetWith('ink').hangInput)).toEqual([]));
});
