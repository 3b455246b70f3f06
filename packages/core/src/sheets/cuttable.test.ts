/** What is laid out can be cut with the saws of the shop it is laid out for. */
import { expect, test } from '@jest/globals';
import { sequenceOf } from '../sawing/sequence.ts';
import { search } from '../nesting/search.ts';
import { FAMILY_IDS } from '../test/family-units.ts';
import { randomProject } from '../test/random-project.ts';
import { guideReach, STARTER_SHOPS } from '../stock/shop.ts';
import { sheetJobs } from './cutting.ts';
import { sheetsOfPlan } from './layouts.ts';
import { plan } from '../planner/plan.ts';

const EFFORT = 12;

test.each(STARTER_SHOPS.map(({ id, make }) => [id, make] as const))('in %s, the sheets of a cabinet of every family', (_id, make) => {
  const wrong: string[] = [];
  let cuts = 0;
  FAMILY_IDS.forEach((family, index) => {
    const { design, record, workshop: usual } = randomProject(900 + index, { family, changed: 0.3 });
    const workshop = { ...usual, shop: { ...usual.shop, machines: make().machines } };
    // A part that is longer than the guide is said to be too much for the saws by a finding of its own.
    const parts = plan(design, record, workshop).parts.filter(({ length, width }) => Math.max(length.value, width.value) <= guideReach(workshop.shop));
    for (const job of sheetJobs(parts, workshop)) {
      const { length, width } = workshop.products[job.product]!;
      // A sheet as large as that both ways comes apart in no shop with a guide and nothing else.
      if (Math.min(length.nm, width.nm) > guideReach(workshop.shop)) continue;
      const stepper = search(job.problem, 1);
      stepper.step(EFFORT);
      const { steps, impossible } = sequenceOf(sheetsOfPlan(job, stepper.plan(), workshop), workshop.shop);
      cuts += steps.length;
      for (const { id, cut } of impossible) wrong.push(`${family}, ${job.product}, ${id}: ${JSON.stringify(cut)}`);
    }
  });
  expect(cuts).toBeGreaterThan(100);
  expect(wrong).toEqual([]);
});
