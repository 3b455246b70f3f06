import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { planBuild } from './build-job.ts';
import { doneSteps, doneTimes, nextStep } from './done-steps.ts';
import { plan } from '../planner/plan.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

const { design, workshop } = furnishedRoom();
const time = '2026-04-01T08:00:00Z';
const { steps, edges } = planBuild(plan(design, [], workshop), design, [], workshop, [], ['ink']);
const done = (record: readonly RecordEntry[]): string[] => [...doneSteps(steps, record).keys()];
const tick = (step: string): RecordEntry => ({ id: step, at: time, kind: 'step', done: { step, kind: 'label' } });
const setup = steps.find(({ detail }) => detail.kind === 'setup')!;
const operations = setup.detail.kind === 'setup' ? setup.detail.setup.cuts.map(({ operation }) => operation.id) : [];

describe('what is done', () => {
  test('two readings of a product are its measuring', () => {
    const reading = (id: string): RecordEntry => ({ id, at: time, kind: 'thickness', reading: { product: 'birch-18', value: entered('17.9 mm') } });
    expect(done([reading('a')])).toEqual([]);
    expect(done([reading('a'), reading('b')])).toEqual(['measure/birch-18']);
  });

  test('a setup is done when all its cuts are made, and not after a part of it was spoiled', () => {
    const made: RecordEntry = { id: 'm', at: time, kind: 'made', made: operations };
    expect(done([{ ...made, made: operations.slice(1) }])).not.toContain(setup.id);
    expect(done([made])).toContain(setup.id);
    const part = operations[0]!.slice(0, operations[0]!.indexOf(':'));
    const spoiled: RecordEntry = { id: 's', at: time, kind: 'spoiled', spoiled: { layout: 'l', part } };
    expect(done([made, spoiled])).not.toContain(setup.id);
    expect(shopFacts([made, spoiled]).operations[0]!.made.length).toBeLessThan(operations.length);
    expect(done([made, spoiled, { id: 'w', at: time, kind: 'withdrawn', withdraws: 's' }])).toContain(setup.id);
  });

  test('a tick is taken back by withdrawing it', () => {
    expect(done([tick('ink/label')])).toEqual(['ink/label']);
    expect(done([tick('ink/label'), { id: 'w', at: time, kind: 'withdrawn', withdraws: 'ink/label' }])).toEqual([]);
  });

  test('a part that is spoiled is measured and kept no more', () => {
    const cut: RecordEntry = { id: 'c', at: time, kind: 'as-cut', asCut: { panel: 'ink/shelf/s1', length: entered('670 mm') } };
    const kept: RecordEntry = { id: 'k', at: time, kind: 'kept', kept: { panel: 'ink/shelf/s1', how: 'accepted' } };
    const spoiled: RecordEntry = { id: 's', at: time, kind: 'spoiled', spoiled: { layout: 'by-hand', part: 'ink/shelf/s1' } };
    expect([shopFacts([cut, kept]).asCut.size, shopFacts([cut, kept]).kept.size]).toEqual([1, 1]);
    expect([shopFacts([cut, kept, spoiled]).asCut.size, shopFacts([cut, kept, spoiled]).kept.size]).toEqual([0, 0]);
  });

  test('next is the first that waits for nothing', () => {
    expect(nextStep(steps, edges, doneSteps(steps, []))!.id).toMatch(/^measure\//);
    expect(nextStep(steps, edges, new Map(steps.map(({ id }) => [id, [id]])))).toBeNull();
    const ticked = doneSteps(
      steps,
      steps.map(({ id }) => tick(id)),
    );
    const ready = nextStep(steps, edges, ticked);
    if (ready) expect(edges.filter(({ after }) => after === ready.id).every(({ before }) => ticked.has(before))).toBe(true);
  });
});

describe('what sets or dries', () => {
  const fifty = (at: string): number => Number(at.slice(14, 16));
  const done = doneSteps(steps, [{ ...tick('ink/label'), at: '2026-12-01T19:50:00Z' }]);

  test('is through when the latest entry says so', () => {
    expect(doneTimes(done, [{ ...tick('ink/label'), at: '2026-12-01T19:50:00Z' }], fifty)).toEqual(new Map([['ink/label', 50]]));
  });

  test('is not offered next while anything else can be done; where nothing can, it is', () => {
    const [first, second] = steps.filter(({ id }) => !edges.some(({ after }) => after === id));
    const none = doneSteps(steps, []);
    expect(nextStep(steps, edges, none)!.id).toBe(first!.id);
    expect(nextStep(steps, edges, none, new Map([[first!.id, 100]]), 60)!.id).toBe(second!.id);
    expect(nextStep(steps, edges, none, new Map([[first!.id, 100]]), 100)!.id).toBe(first!.id);
    expect(nextStep(steps, edges, none, new Map(steps.map(({ id }) => [id, 100])), 60)!.id).toBe(first!.id);
  });

  test('a glue-up that was ticked whole is done when the plan takes it in two goes', () => {
    expect([...doneSteps(steps, [tick('ink/glue/side/left')]).keys()].sort()).toEqual(['ink/glue/side/left', 'ink/glue/side/left/first']);
  });
});

describe('a part that came out wrong', () => {
  const misfit = (length: string, more: readonly RecordEntry[] = []) => {
    const cut: RecordEntry = { id: 'c', at: time, kind: 'as-cut', asCut: { panel: 'ink/side/left', length: entered(length) } };
    const cabinetPlan = plan(design, [cut, ...more], workshop).byId.get('ink')!;
    return cabinetPlan.findings.filter(({ check, panels }) => check === 'already-cut' && panels.includes('ink/side/left'));
  };
  const keys = (length: string): string[] => misfit(length)[0]!.fixes.map(({ label }) => label.key);

  test('too long can be trimmed, made anew or used; too short made anew, shimmed or used', () => {
    expect(keys('822 mm')).toEqual(expect.arrayContaining(['trim-part', 'accept-part']));
    expect(keys('822 mm').some((key) => key.startsWith('remake'))).toBe(true);
    expect(keys('818 mm')).toEqual(expect.arrayContaining(['shim-part', 'accept-part']));
    expect(keys('818 mm')).not.toContain('trim-part');
  });

  test('each of these settles it', () => {
    const facts = misfit('822 mm')[0]!.fixes.flatMap((fix) => ('fact' in fix ? [{ key: fix.label.key, fact: fix.fact }] : []));
    expect(facts.length).toBeGreaterThanOrEqual(3);
    for (const { key, fact } of facts) expect([key, misfit('822 mm', [{ id: 'f', at: time, ...fact }]).length]).toEqual([key, 0]);
  });
});
