/** One shelf more in a half built cabinet: what no longer goes in is said, what still can is planned from there. */
import { describe, expect, test } from '@jest/globals';
import { stepWords } from '../formats/build-words.ts';
import { applyEdit, type Edit } from '../model/edit.ts';
import { buildJob, planBuild } from '../journal/build-job.ts';
import { doneSteps, nextStep } from '../journal/done-steps.ts';
import type { Design } from '../model/design.ts';
import { plan } from '../planner/plan.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { batchesOf, gluedPanels, latePanels, PART_BY_PART } from './late-parts.ts';
import { operationsOf } from '../setups/operations.ts';
import type { RecordEntry } from '../model/record.ts';

const { design, workshop } = furnishedRoom();
const first = plan(design, [], workshop);
const whole = planBuild(first, design, [], workshop, [], ['ink']);

/** As a phone keeps it: ticks with their parts, cuts and setups as facts. */
function builtUpTo(last: string): RecordEntry[] {
  const steps = whole.steps.slice(0, whole.steps.findIndex(({ id }) => id === last) + 1);
  return steps.flatMap(({ id, detail, panels }, index): RecordEntry[] => {
    const base = { id: `e${index}`, at: new Date(Date.UTC(2026, 10, 3, 18, index)).toISOString() };
    if (detail.kind === 'cut') return [{ ...base, kind: 'sawn', sawn: { layout: 'l', cuts: [], parts: [...panels] } }];
    if (detail.kind === 'setup') return [{ ...base, kind: 'made', made: detail.setup.cuts.map(({ operation }) => operation.id) }];
    const kept = PART_BY_PART.has(detail.kind) || detail.kind === 'glue' ? { panels } : {};
    return [{ ...base, kind: 'step', done: { step: id, kind: detail.kind, ...kept } }];
  });
}
const shelf = (fixing: 'fixed' | 'pins'): Edit => [
  { path: ['units', 'ink', 'shelves', 's9'], value: { id: 's9', order: 9, at: null, in: 'bottom', level: 0, fixing } },
];
const planned = (more: Design, record: readonly RecordEntry[]) => {
  const made = plan(more, record, workshop);
  const job = buildJob(made, more, record, workshop, [], ['ink']);
  const build = planBuild(made, more, record, workshop, [], ['ink']);
  const done = doneSteps(build.steps, record);
  return { made, job, build, done, left: build.steps.filter(({ id }) => !done.has(id)).map(({ id }) => id) };
};

describe('before the glue', () => {
  const record = builtUpTo('ink/sand-inside');
  const { made, left } = planned(applyEdit(design, shelf('fixed')), record);

  test('a shelf more is cut, labelled, slotted for and sanded; what was done is not done again', () => {
    expect(made.byId.get('ink')!.findings.some(({ check }) => check === 'already-glued')).toBe(false);
    expect(left).toEqual(expect.arrayContaining(['cut/birch-18/1', 'ink/label/more', 'ink/sand-inside/more', 'ink/glue/side/left']));
    expect(left).not.toContain('ink/label');
    expect(left).not.toContain('ink/sand-inside');
    expect(left.filter((id) => id.startsWith('setup/')).length).toBeGreaterThan(0);
  });

  test('and once those are ticked too, nothing of them is left', () => {
    const ticks = ['label', 'sand-inside'].map((name): RecordEntry => ({
      id: `more-${name}`,
      at: '2026-11-04T10:00:00Z',
      kind: 'step',
      done: { step: `ink/${name}/more`, kind: name === 'label' ? 'label' : 'sand', panels: ['ink/shelf/s9'] },
    }));
    const again = planned(applyEdit(design, shelf('fixed')), [...record, ...ticks]);
    expect(again.left).not.toContain('ink/label/more');
    expect(again.left).not.toContain('ink/sand-inside/more');
    // A second one more is still to be labelled.
    const two = applyEdit(applyEdit(design, shelf('fixed')), [
      { path: ['units', 'ink', 'shelves', 's10'], value: { id: 's10', order: 10, at: null, in: 'bottom', level: 0, fixing: 'fixed' } },
    ]);
    expect(planned(two, [...record, ...ticks]).left).toContain('ink/label/more');
  });
});

describe('between two goes', () => {
  test('the side that was put on dry is still to be glued on, and is not late; a shelf that came since is', () => {
    const record = builtUpTo('ink/square/side/left');
    const { left } = planned(design, record);
    expect(left).toContain('ink/glue/side/left');
    expect(left).not.toContain('ink/glue/side/left/first');
    const late = (more: Design): readonly string[] =>
      plan(more, record, workshop)
        .byId.get('ink')!
        .findings.filter(({ check }) => check === 'already-glued')
        .flatMap(({ panels }) => panels);
    expect(late(design)).toEqual([]);
    expect(late(applyEdit(design, shelf('fixed')))).toEqual(['ink/shelf/s9']);
  });
});

describe('after the glue', () => {
  const record = builtUpTo('ink/glue/back');

  test('all that is in the box is glued, and nothing of it is late', () => {
    const { cabinet } = first.byId.get('ink')!;
    const { job } = planned(design, record);
    expect([...gluedPanels(cabinet, job.ticked)].sort()).toEqual(
      ['back', 'bottom', 'hanging-rail', 'shelf/s1', 'shelf/s2', 'side/left', 'side/right', 'top'].map((id) => `ink/${id}`),
    );
    expect(latePanels(cabinet, job.ticked)).toEqual([]);
  });

  test('a shelf in its joints does not go in any more: said, with pins as the fix', () => {
    const { made } = planned(applyEdit(design, shelf('fixed')), record);
    const finding = made.byId.get('ink')!.findings.find(({ check }) => check === 'already-glued')!;
    expect(finding.panels).toEqual(['ink/shelf/s9']);
    const fix = finding.fixes[0]!;
    const mended = applyEdit(applyEdit(design, shelf('fixed')), 'edit' in fix ? (fix.edit as Edit) : []);
    expect(
      plan(mended, record, workshop)
        .byId.get('ink')!
        .findings.some(({ check }) => check === 'already-glued'),
    ).toBe(false);
  });

  test('on pins it is cut, its holes are bored by hand inside the box, and it is put in', () => {
    const { build, left, made, done } = planned(applyEdit(design, shelf('pins')), record);
    expect(left).toEqual(expect.arrayContaining(['cut/birch-18/1', 'ink/label/more', 'ink/by-hand/holes/late', 'ink/hang']));
    expect(left.some((id) => id === 'ink/loose' || id === 'ink/loose/more')).toBe(true);
    // Nothing is set at a machine for what is in the box, and every hole of the new pins is told once.
    const late = build.steps.find(({ id }) => id === 'ink/by-hand/holes/late')!;
    const bored = late.detail.kind === 'by-hand' ? late.detail.operations.map(({ id }) => id) : [];
    const known = new Set(whole.setups.flatMap(({ setups }) => setups.flatMap(({ cuts }) => cuts.map(({ operation }) => operation.id))));
    const fresh = operationsOf(made.byId.get('ink')!.cabinet).operations.filter(({ id, panel }) => !known.has(id) && panel.startsWith('ink/side/'));
    expect([...bored].sort()).toEqual(fresh.map(({ id }) => id).sort());
    expect(
      left
        .filter((id) => id.startsWith('setup/'))
        .every((id) => build.steps.find((step) => step.id === id)!.panels.every((panel) => !panel.startsWith('ink/side'))),
    ).toBe(true);
    // It waits for nothing that is done.
    expect(build.edges.filter(({ before, after }) => before === late.id && done.has(after))).toEqual([]);
    expect(nextStep(build.steps, build.edges, done)).not.toBeNull();
  });

  test('what is bored inside says how', () => {
    const more = applyEdit(design, shelf('pins'));
    const { build, made } = planned(more, record);
    const blanks = new Map(build.setups.flatMap((each) => [...each.blanks]));
    const told = { plan: made, workshop, choices: more.build, setups: { shop: workshop.shop, blanks, parts: made.parts }, hangingOf: () => null };
    const words = stepWords(
      build.steps.find(({ id }) => id === 'ink/by-hand/holes/late')!,
      told,
      'mm',
    );
    expect(words.title).toBe('Bore by hand in what is glued up');
    expect(words.checks[0]).toMatch(/^Holes through a strip bored true at the bench/);
    expect(words.says.join(' ')).toMatch(/A1 left side: /);
  });
});

describe('where settings were never ticked', () => {
  const record = builtUpTo('ink/glue/back').filter(({ kind }) => kind !== 'made');

  test('what is glued together has its joints all the same', () => {
    const { left } = planned(applyEdit(design, shelf('fixed')), record);
    expect(left.some((id) => id.includes('/by-hand/'))).toBe(false);
  });
});

describe('a tick that did not keep its parts', () => {
  test('stands for all there are', () => {
    const old = builtUpTo('ink/glue/back').map((entry) =>
      entry.kind === 'step' ? { ...entry, done: { step: entry.done.step, kind: entry.done.kind } } : entry,
    );
    const { left, made } = planned(applyEdit(design, shelf('fixed')), old);
    expect(left).not.toContain('ink/label/more');
    expect(made.byId.get('ink')!.findings.some(({ check }) => check === 'already-glued')).toBe(false);
  });

  test('parts that are all new are no part of an old step', () => {
    expect(batchesOf('u/loose', ['u/a'], new Map([['u/loose', new Set(['u/b'])]]))).toEqual([{ suffix: '', panels: ['u/a'] }]);
    expect(batchesOf('u/loose', ['u/a', 'u/b'], new Map([['u/loose', new Set(['u/b'])]]))).toEqual([
      { suffix: '', panels: ['u/b'] },
      { suffix: '/more', panels: ['u/a'] },
    ]);
  });
});
