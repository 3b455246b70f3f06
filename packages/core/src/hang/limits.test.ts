/** Both ends of what a cabinet carries, by loads entered at their ends; the low end decides the word. */
import { describe, expect, test } from '@jest/globals';
import { onWall } from '../test/check-case.ts';
import { ink, cabinetWith } from '../test/print-room.ts';
import { carriesRange, loadLimits } from './limits.ts';
import { analyzeHangingAt } from './hang.ts';

const guessed = ink('contents', { bottom: { preset: 'general', kg: null }, s1: { preset: 'general', kg: null }, s2: { preset: 'general', kg: null } });
const weighed = (kg: number) => ink('contents', { bottom: { preset: 'general', kg }, s1: { preset: 'general', kg }, s2: { preset: 'general', kg } });
const spruce = onWall('studs.species', 'spf');

describe('the ends', () => {
  const { hangInput, hang } = cabinetWith('ink', guessed);
  const { carriesKg } = loadLimits(hangInput);
  const range = carriesRange(hangInput);
  test('lie on both sides of what is reckoned', () => {
    expect(range.lowKg!).toBeLessThan(carriesKg!);
    expect(range.highKg!).toBeGreaterThan(carriesKg!);
    expect(loadLimits(hangInput).fineToKg!).toBeLessThan(range.lowKg!);
  });
  test('the low end is where guesses 30 % heavier and a cabinet 10 % heavier use a link up, by the levers of the load', () => {
    // In spruce nothing but weights is open: the wall screws are used in proportion to all that hangs, but for the center's small shift.
    const known = cabinetWith('ink', guessed, spruce);
    const own = known.hangInput.weights.empty.mass.value;
    const all = own + loadLimits(known.hangInput).carriesKg!;
    const { lowKg, highKg } = carriesRange(known.hangInput);
    expect(Math.abs(1.3 * lowKg! + 1.1 * own - all)).toBeLessThan(0.02 * all);
    expect(Math.abs(0.7 * highKg! + 0.9 * own - all)).toBeLessThan(0.02 * all);
  });
  test('weighing takes out what was guessed; in studs that are known it is what narrows most', () => {
    const known = cabinetWith('ink', guessed, spruce);
    const { lowKg, highKg, narrow } = carriesRange(known.hangInput);
    expect(narrow!.measure).toBe('contents');
    expect(narrow!.highKg - narrow!.lowKg).toBeLessThan(0.3 * (highKg! - lowKg!));
    // The same contents, entered: what weighing promised.
    const kg = known.hang.plannedKg / 3;
    const entered = carriesRange(cabinetWith('ink', weighed(kg), spruce).hangInput);
    expect(Math.abs(entered.lowKg! / narrow!.lowKg - 1)).toBeLessThan(0.05);
    expect(hang.plannedKg).toBeGreaterThan(0);
  });
});

describe('the word', () => {
  /** Loads entered so that the cabinet is just within its limit as reckoned, and past it where what was guessed is heavier. */
  const loaded = (factor: number) => analyzeHangingAt(cabinetWith('ink', guessed, spruce).hangInput, factor);
  const { carriesKg, lowKg } = loadLimits(cabinetWith('ink', guessed, spruce).hangInput);
  const planned = cabinetWith('ink', guessed, spruce).hang.plannedKg;
  test('is over between the low end and what is reckoned, though no link is past its limit', () => {
    const between = loaded((carriesKg! + lowKg!) / 2 / planned);
    expect(between.state).toBe('over');
    expect(between.links.every(({ use, limit }) => use.value <= limit)).toBe(true);
    expect(between.atLow).not.toBeNull();
    expect(loaded((0.99 * lowKg!) / planned).state).not.toBe('over');
  });
  test('the finding names the link at the low end, what it carries then, and weighing first', () => {
    const heavy = Array.from({ length: 30 }, (_, n) =>
      cabinetWith(
        'ink',
        ink('contents', { bottom: { preset: 'books', kg: null }, s1: { preset: 'books', kg: null }, s2: { preset: 'general', kg: n * 2 } }),
        spruce,
      ),
    ).find(({ hang }) => hang.state === 'over' && hang.links.every(({ use, limit }) => use.value <= limit))!;
    const finding = heavy.findings.find(({ check }) => check === 'over-load')!;
    expect(finding).toMatchObject({ severity: 'stop', atLow: true, link: heavy.hang.atLow!.name, carriesKg: loadLimits(heavy.hangInput).lowKg });
    expect(finding.fixes[0]).toEqual({ label: { key: 'weigh-contents' }, visit: 'contents' });
  });
});
