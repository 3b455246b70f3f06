/** Which steps a cabinet has, by their titles: none for what it does not have, each said once. */
import { expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { stepWords } from '../formats/build-words.ts';
import { hangingSummary } from '../formats/hanging-steps.ts';
import { planBuild } from '../journal/build-job.ts';
import { applyEdit, type EditStep } from '../model/edit.ts';
import { plan } from '../planner/plan.ts';
import { ink, printRoom } from '../test/print-room.ts';

function stepsOf(...edits: readonly EditStep[]) {
  const { design: room, record, workshop } = printRoom();
  const design = applyEdit({ ...room, units: { ink: room.units['ink']! } }, edits);
  const made = plan(design, record, workshop);
  const build = planBuild(made, design, record, workshop, []);
  const context = {
    plan: made,
    workshop,
    choices: design.build,
    setups: { shop: workshop.shop, blanks: build.setups[0]!.blanks, parts: made.parts },
    hangingOf: (id: string) => hangingSummary(made.byId.get(id)!, design.units[id]!, design.wall, workshop, 'mm'),
  };
  return build.steps
    .filter(({ unit }) => unit === 'ink')
    .map((step) => ({ step, title: stepWords(step, context, 'mm').title, says: stepWords(step, context, 'mm').says }));
}

test('a split back in a rabbet is put on in two, each by its name, and never trimmed', () => {
  const steps = stepsOf(ink('back.split', entered('380 mm')), ink('back.kind', 'rabbet'));
  expect(steps.some(({ step }) => step.detail.kind === 'trim')).toBe(false);
  const backs = steps.filter(({ step }) => step.detail.kind === 'glue' && step.detail.skin === 'back').map(({ title }) => title);
  expect(backs.length).toBeGreaterThan(1);
  expect(new Set(backs).size).toBe(backs.length);
});

test('a back laid over the edges is trimmed flush', () => {
  expect(stepsOf(ink('back.kind', 'over')).filter(({ step }) => step.detail.kind === 'trim')).toHaveLength(1);
});

test('faced sheets are neither sanded nor finished; what is not faced of them is', () => {
  const faced = stepsOf(
    ink('stock', 'faced-board-18'),
    ink('back.stock', 'faced-board-18'),
    ink('hanging.spacer', null),
    ink('finish', { kind: 'none', when: 'after', masked: false }),
  );
  expect(faced.filter(({ step }) => step.detail.kind === 'sand' || step.detail.kind === 'coat')).toEqual([]);
  const back = stepsOf(ink('stock', 'faced-board-18'), ink('back.stock', 'birch-6'), ink('hanging.spacer', null));
  const sanded = back.filter(({ step }) => step.detail.kind === 'sand');
  expect(sanded.length).toBeGreaterThan(0);
  for (const { step } of sanded) expect(step.panels).toEqual(['ink/back']);
});

test('screwed through its rail, it goes up once: the line and the holes belong to the hanging, and nothing glued in goes to the wall', () => {
  const steps = stepsOf(ink('hanging.kind', 'through'));
  const kinds = steps.map(({ step }) => step.detail.kind);
  for (const kind of ['wall-half', 'cabinet-half', 'cleat-rip', 'correct'] as const) expect(kinds).not.toContain(kind);
  const hang = steps.find(({ step }) => step.detail.kind === 'hang')!;
  expect(hang.says.join(' ')).toMatch(/Mark a level line .* one screw through the hanging rail/);
  expect(hang.step.machines.length).toBeGreaterThan(0);
  // Drawers and things only once it hangs.
  const load = steps.find(({ step }) => step.detail.kind === 'load')!;
  expect(load).toBeDefined();
});

test('on plates, screws are set in the wall first, and it comes down again where it must', () => {
  const steps = stepsOf(ink('hanging.kind', 'plates'));
  const wall = steps.find(({ step }) => step.detail.kind === 'wall-half')!;
  expect(wall.step.panels).toEqual([]);
  expect(steps.map(({ step }) => step.detail.kind)).toContain('correct');
});
