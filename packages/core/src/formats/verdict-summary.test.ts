/** The verdict in words: one headline for each state, never of what is ruled out, and always what the figures leave out. */
import { expect, test } from '@jest/globals';
import { onWall } from '../test/check-case.ts';
import { ink, typed, cabinetWith } from '../test/print-room.ts';
import { planJson } from './plan-json.ts';
import { planWith, printRoom } from '../test/print-room.ts';
import { verdictSummary } from './verdict-summary.ts';

const headline = (...edits: Parameters<typeof cabinetWith>[1][]): string => verdictSummary(cabinetWith('ink', ...edits), 'mm').headline;
const holds = (kg: number) => ink('contents', { bottom: { preset: 'general', kg }, s1: { preset: 'nothing', kg: 0 }, s2: { preset: 'nothing', kg: 0 } });

test('each state has its headline, with the estimate where there is one', () => {
  expect(headline()).toMatch(/^Close to limit: estimated to carry \d+ kg \(\d+ lb\) of contents, between \d+ kg and \d+ kg; \d+ kg is planned\.$/);
  expect(headline(holds(20))).toMatch(/^OK: /);
  expect(headline(holds(200))).toMatch(/^Over limit: estimated to carry \d+ kg .*; 200 kg is planned\.$/);
  expect(headline(ink('hanging.spacer', null))).toBe('Over limit: do not hang it like this.');
  expect(headline(ink('over', 'bed'), ink('hanging.antiLift', false))).toBe('Over limit: do not hang it like this.');
  // Over, and over a bed without a lock: no load would do.
  expect(headline(holds(200), ink('over', 'bed'), ink('hanging.antiLift', false))).toBe('Over limit: do not hang it like this.');
  expect(headline(ink('contents', {}))).toBe('Not checked: no load is planned yet.');
});

test('the two weakest links stand in order, and what is not covered is said, in JSON too', () => {
  const cabinetPlan = cabinetWith('ink', typed('width', '700 mm'));
  const told = verdictSummary(cabinetPlan, 'mm');
  expect(told.weakest).toHaveLength(2);
  expect(told.weakest[0]).toMatch(/^screws in stud \d: \d+ %$/);
  const { units } = planJson(planWith(), printRoom().design) as { units: { hang: Record<string, unknown> }[] };
  expect(units[0]!.hang).toMatchObject({ verdict: 'Close to limit', headline: verdictSummary(cabinetWith('ink'), 'mm').headline });
  expect(units[0]!.hang['estimate']).toMatch(/^Estimate /);
  expect(units[0]!.hang['notCovered']).toMatch(/^Not covered: what the wall itself carries, .*, and leaning/);
});

test('what narrows the range is said with the ends it leaves; nothing where all is weighed and found', () => {
  const { narrow } = verdictSummary(cabinetWith('ink'), 'mm');
  expect(narrow).toMatch(/^(Weigh the contents|Find out what the studs are sawn from): \d+ kg to \d+ kg becomes \d+ kg to \d+ kg\.$/);
  expect(verdictSummary(cabinetWith('ink', holds(20), onWall('studs.species', 'spf')), 'mm').narrow).toBeNull();
});
