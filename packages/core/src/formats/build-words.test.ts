import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { labelWords } from '../checks/words/labels.ts';
import { planBuild } from '../journal/build-job.ts';
import { plan } from '../planner/plan.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import { marksOf, type BuildSummary } from './step-texts.ts';
import { faultWords, fullTitle, reasonWords, stepWords } from './build-words.ts';
import { hangingSummary } from './hanging-steps.ts';
import { readProject } from './project-file.ts';
import type { Workshop } from '../model/workshop.ts';

function told(name: string, unit: 'mm' | 'in', change: (workshop: Workshop) => Workshop = (as) => as) {
  const {
    design,
    record,
    workshop: stored,
  } = readProject(JSON.parse(readFileSync(new URL(`../../../../examples/${name}.carcass.json`, import.meta.url), 'utf8')));
  const workshop = change(stored);
  const stained = { kind: 'stain' as const, when: 'before' as const, masked: true };
  const finished = { ...design, units: Object.fromEntries(Object.entries(design.units).map(([id, spec]) => [id, { ...spec, finish: stained }])) };
  const made = plan(finished, record, workshop);
  const build = planBuild(made, finished, record, workshop, []);
  const context: BuildSummary = {
    plan: made,
    workshop,
    choices: design.build,
    setups: { shop: workshop.shop, blanks: build.setups[0]!.blanks, parts: made.parts },
    hangingOf: (id) => hangingSummary(made.byId.get(id)!, finished.units[id]!, finished.wall, workshop, unit),
  };
  return { build, context };
}

/** Every label of a figure and of the figures behind it has words. */
const labelled = ({ label, terms }: ExplainedValue): string[] => [
  labelWords(label),
  ...terms.flatMap((term) => [labelWords(term.label), ...(term.inner ? labelled(term.inner) : [])]),
];

describe.each([
  ['print-room', 'mm'],
  ['print-room-back', 'in'],
] as const)('%s in %s', (name, unit) => {
  const { build, context } = told(name, unit);
  const none = told(name, unit, (workshop) => ({ ...workshop, shop: { ...workshop.shop, clamps: {} } }));

  test('every step has a title, says what is done without a hole in it, and has words for all its figures', () => {
    for (const step of build.steps) {
      const words = stepWords(step, context, unit);
      expect(words.title.length).toBeGreaterThan(3);
      for (const line of [words.title, ...words.says, ...words.checks, words.caution ?? '', words.alone ?? ''])
        expect(line).not.toMatch(/undefined|NaN|\[object|\bnull\b/);
      expect(labelled(step.minutes).every((text) => text.length > 0)).toBe(true);
    }
  });

  test('every edge has its reason in words', () => {
    for (const edge of build.edges) expect(reasonWords(edge)).toMatch(/^[A-Z].*\.$/);
  });

  test('and every fault its numbers', () => {
    expect(none.build.faults.length).toBeGreaterThan(0);
    for (const fault of [...build.faults, ...none.build.faults]) expect(faultWords(fault, unit)).toMatch(/\d/);
  });
});

test('what a glue-up says carries joints, minutes, clamps that reach, and screws with their pilot', () => {
  const { build, context } = told('print-room', 'mm');
  const said = (id: string) =>
    stepWords(
      build.steps.find((step) => step.id === id)!,
      context,
      'mm',
    );
  const first = said('ink/glue/side/left/first');
  expect(fullTitle(first)).toBe('Glue up left side, top with hanging rail and 3 more, Ink cupboard');
  expect(first.says).toEqual([
    'First of two goes: the right side goes on dry and keeps it square, the other 5 joints are glued.',
    'All at once, a clamp to a joint, it takes 13 min and the glue has skinned over.',
    'Yellow wood glue: 8 min from the first joint to the last clamp, it stays open for 8 min.',
    '4 cauls: battens planed to a slight crown, taped along the sides beforehand; clamps at their ends press every joint between.',
    '4 clamps that reach 740 mm; 12 here do.',
    '4 × 4.0 mm × 50 mm screws, pilot 2.3 mm.',
  ]);
  const second = said('ink/glue/side/left');
  expect(fullTitle(second)).toBe('Glue the right side on, Ink cupboard');
  expect(second.says[0]).toBe('Second of two goes: the right side comes off, its 5 joints are spread, and it goes on again.');
  expect(marksOf(['ink/side/left', 'ink/shelf/s1', 'ink/shelf/s2'], context.plan)).toEqual(['A1', 'A4']);
});

test('what one person does instead fits the work: a sheet is walked and sawn where it lies, a cabinet stands on a ledger', () => {
  const { build, context } = told('print-room', 'mm');
  const cut = build.steps.find(({ detail }) => detail.kind === 'cut')!;
  const hang = build.steps.find(({ detail }) => detail.kind === 'hang')!;
  expect(stepWords({ ...cut, helper: 'heavy' }, context, 'mm').alone).toMatch(/^Alone: the sheet stays down/);
  expect(stepWords({ ...hang, helper: 'heavy' }, context, 'mm').alone).toMatch(/^Alone: a ledger screwed to two studs/);
  expect(stepWords({ ...hang, helper: null }, context, 'mm').alone).toBeNull();
});

test('diagonals are said with what they may differ by; a stain with its tape and its rags', () => {
  const { build, context } = told('print-room', 'mm');
  const square = stepWords(
    build.steps.find(({ id }) => id === 'ink/square/side/left')!,
    context,
    'mm',
  );
  // 700 × 820: √(700² + 820²) = 1078.1; a millimeter a meter, or half of one over the height behind inset doors
  expect(square.checks[0]).toMatch(/^Each should be 1078 mm strong; they may differ by (0\.6|1\.1) mm\.$/);
  const stained = stepWords(
    build.steps.find(({ id }) => id === 'ink/coat-inside/1')!,
    context,
    'mm',
  );
  expect(stained.says[0]).toMatch(/^Tape off every glued face first/);
  expect(stained.caution).toMatch(/rags/i);
});

test('what no machine makes is said cut by cut, with its size and where it is marked from', () => {
  const { build, context } = told('print-room', 'mm', (workshop) => ({ ...workshop, shop: { ...workshop.shop, machines: {}, stack: null, bits: {} } }));
  const step = build.steps.find(({ detail }) => detail.kind === 'by-hand' && detail.stage === 'slots')!;
  const words = stepWords(step, context, 'mm');
  expect(words.title).toBe('Cut by hand what no machine here makes');
  expect(words.says).toContain('A1 left side: slot 17.9 mm wide, 6 mm deep in the inside face, 14.95 mm from the bottom end.');
  expect(words.says).toContain('A1 left side: slot 6.2 mm wide, 8 mm deep in the inside face, at the rear edge.');
  for (const line of words.says) expect(line).not.toMatch(/undefined|NaN/);
});
