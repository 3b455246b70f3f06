/** What is laid out for the examples, tidied as the pages tidy it. */
import { expect, test } from '@jest/globals';
import inkCupboard from '../../../../examples/ink-cupboard.carcass.json' with { type: 'json' };
import backWall from '../../../../examples/print-room-back.carcass.json' with { type: 'json' };
import room from '../../../../examples/print-room.carcass.json' with { type: 'json' };
import typeCaseBox from '../../../../examples/type-case-box.carcass.json' with { type: 'json' };
import typeStore from '../../../../examples/type-store.carcass.json' with { type: 'json' };
import { sequenceOf, type Sequence } from '../sawing/sequence.ts';
import { readProject } from '../formats/project-file.ts';
import type { NestPlan } from '../nesting/problem.ts';
import { search } from '../nesting/search.ts';
import { sheetJobs } from './cutting.ts';
import { sheetsOfPlan } from './layouts.ts';
import { plan } from '../planner/plan.ts';
import { rankLayouts } from './rank-layouts.ts';

const EFFORT = 60;
const TRIES = 50;

/** How the sheets of each product are cut before and after. */
function tidied(file: unknown): { readonly product: string; readonly before: Sequence; readonly after: Sequence }[] {
  const { design, record, workshop } = readProject(file);
  return sheetJobs(plan(design, record, workshop).parts, workshop).map((job) => {
    const stepper = search(job.problem, 1);
    stepper.step(EFFORT);
    const sequence = (of: NestPlan): Sequence => sequenceOf(sheetsOfPlan(job, of, workshop), workshop.shop);
    const before = stepper.plan();
    const tidier = rankLayouts(stepper, job, workshop, 'settings');
    for (let n = 0; n < TRIES; n++) tidier.step();
    expect(tidier.plan().score).toEqual(before.score);
    return { product: job.product, before: sequence(before), after: sequence(tidier.plan()) };
  });
}

test.each([
  ['the ink cupboard', inkCupboard],
  ['the print room', room],
  ['the type case', typeCaseBox],
  ['the type store', typeStore],
])('%s: every cut is one a saw of the shop makes, with no hand near the blade', (_name, file) => {
  for (const { product, after } of tidied(file)) expect([product, after.impossible, after.nearBlade]).toEqual([product, [], []]);
});

test('its back wall, with many parts shorter than a saw likes: all can be cut, and fewer hands come near the blade', () => {
  let [before, after] = [0, 0];
  for (const each of tidied(backWall)) {
    expect([each.product, each.after.impossible]).toEqual([each.product, []]);
    before += each.before.nearBlade.length;
    after += each.after.nearBlade.length;
  }
  expect(after).toBeLessThan(before / 2);
});
