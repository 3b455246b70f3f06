import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readProject } from '../formats/project-file.ts';
import { buildJob } from '../journal/build-job.ts';
import { plan, type Plan } from '../planner/plan.ts';
import type { Design } from '../model/design.ts';
import { arbitraryCabinet } from '../test/arbitrary-cabinet.ts';
import { replay } from '../test/build-replay.ts';
import { FAMILY_IDS } from '../test/family-units.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { printRoom } from '../test/print-room.ts';
import { sequenceOf } from '../sawing/sequence.ts';
import { search } from '../nesting/search.ts';
import { sheetJobs } from '../sheets/cutting.ts';
import { sheetsOfPlan } from '../sheets/layouts.ts';
import { buildOf, type Build } from './build.ts';
import type { SheetsToSaw } from './job.ts';
import { brokenPrecedence, inOrder, moveStep } from './order.ts';
import type { Step } from './step.ts';
import type { Workshop } from '../model/workshop.ts';

const EXAMPLES = ['print-room', 'print-room-back', 'type-store'];

function built(
  name: string,
  change: (design: Design) => Design = (design) => design,
): { readonly build: Build; readonly plan: Plan; readonly job: ReturnType<typeof buildJob> } {
  const { design, record, workshop } = readProject(JSON.parse(readFileSync(new URL(`../../../../examples/${name}.carcass.json`, import.meta.url), 'utf8')));
  const changed = change(design);
  const made = plan(changed, record, workshop);
  const job = buildJob(made, changed, record, workshop, sheets(name, made, workshop));
  return { build: buildOf(job), plan: made, job };
}

/** All sheets laid out, as a first search has them, with their cuts in an order the shop can make. */
const laid = new Map<string, SheetsToSaw[]>();
const sheets = (name: string, { parts }: Plan, workshop: Workshop): SheetsToSaw[] => {
  // No change made here is one of sizes: the same parts, the same sheets.
  const known = laid.get(name) ?? sheetsOf(parts, workshop);
  laid.set(name, known);
  return known;
};
const sheetsOf = (parts: Plan['parts'], workshop: Workshop): SheetsToSaw[] =>
  sheetJobs(parts, workshop).map((job) => {
    const found = search(job.problem, 1).plan();
    return {
      product: job.product,
      layout: null,
      sheets: found.sheets.length,
      steps: sequenceOf(sheetsOfPlan(job, found, workshop), workshop.shop).steps,
      sawn: new Set<string>(),
    };
  });

/** Every cabinet finished inside while parts lie flat, its glue faces taped off. */
const finishedInside = (design: Design): Design => ({
  ...design,
  units: Object.fromEntries(
    Object.entries(design.units).map(([id, spec]) => [id, { ...spec, finish: { kind: 'varnish' as const, when: 'before' as const, masked: true } }]),
  ),
});

/** Whatever is decided, by its id: each glue-up that can be parted is. */
const inTwo = (design: Design): Design => ({
  ...design,
  build: { ...design.build, glueUps: new Proxy({}, { get: () => ({ goes: 'two', cauls: false }) }) },
});

describe.each(EXAMPLES)('%s', (name) => {
  test.each([
    ['as it is', (design: Design): Design => design],
    ['finished inside first', finishedInside],
    ['one unit after the other', (design: Design): Design => ({ ...design, build: { ...design.build, units: 'one-by-one' } })],
    ['every glue-up in two goes', inTwo],
    ['cut to fit', (design: Design): Design => ({ ...design, build: { ...design.build, cut: 'to-fit' } })],
  ] as const)('a shop that refuses what cannot be done does every step in their order, %s', (_, change) => {
    const { build, job } = built(name, change);
    expect(replay(build.steps, job.cabinets)).toBeNull();
    expect(
      brokenPrecedence(
        build.steps.map(({ id }) => id),
        build.edges,
      ),
    ).toBeNull();
  });

  test('every step is there once, every edge is between steps, and every unit is hung and loaded', () => {
    const { build, plan: made } = built(name);
    const ids = build.steps.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const { before, after } of build.edges) expect([ids.includes(before), ids.includes(after)]).toEqual([true, true]);
    for (const { id } of made.cabinets) expect([ids.includes(`${id}/hang`), ids.includes(`${id}/load`)]).toEqual([true, true]);
  });

  test('breaking any edge is refused with its reason', () => {
    const { build } = built(name, finishedInside);
    const order = build.steps.map(({ id }) => id);
    for (const edge of build.edges) {
      const moved = moveStep(order, [edge], edge.after, order.indexOf(edge.before));
      expect(moved).toEqual({ ok: false, edge });
      const down = moveStep(order, [edge], edge.before, order.indexOf(edge.after));
      expect(down).toEqual({ ok: false, edge });
      // Among all edges some edge forbids it, and says why.
      expect(moveStep(order, build.edges, edge.after, order.indexOf(edge.before))).toMatchObject({
        ok: false,
        edge: { reason: { key: expect.stringMatching(/^reason-/) } },
      });
    }
  });
});

describe('orders that cannot be', () => {
  const { build, job } = built('print-room-back', finishedInside);
  const order = build.steps.map(({ id }) => id);
  const step = (id: string): Step => build.steps.find((each) => each.id === id)!;
  /** One step put right before another, whatever that breaks. */
  const forced = (id: string, before: string): Step[] => {
    const rest = build.steps.filter((each) => each.id !== id);
    const at = rest.findIndex((each) => each.id === before);
    return [...rest.slice(0, at), step(id), ...rest.slice(at)];
  };
  const find = (test: (each: Step) => boolean): string => build.steps.find(test)!.id;
  /** A setup that takes the edges away slots of the same part are measured from. */
  const shape = build.steps.find(
    ({ detail }) => detail.kind === 'setup' && (detail.setup.stage === 'shapes' || detail.setup.stage === 'bevels') && detail.setup.after.length > 0,
  )!;

  test.each<[string, () => [string, string], RegExp]>([
    [
      'slots after the taper',
      () => [shape.id, find(({ detail }) => detail.kind === 'setup' && shape.detail.kind === 'setup' && shape.detail.setup.after.includes(detail.setup.id))],
      /the edge they are measured from is gone/,
    ],
    ['inside finish after assembly', () => ['drawers/glue/side/left', 'drawers/coat-inside/3'], /not one piece|finish after assembly|dry/],
    ['glue on finish', () => ['drawers/coat-outside/1', 'drawers/glue/back'], /before it is sanded|glue on finish/],
    ['a drawer front before its box', () => ['drawers/fronts', 'drawers/drawers'], /front before its box/],
    [
      'pin holes after assembly',
      () => [
        'bays/glue/side/left',
        find(({ detail, panels }) => detail.kind === 'setup' && detail.setup.stage === 'holes' && panels.includes('bays/side/left')),
      ],
      /does not reach|does not go together|dry|not one piece/,
    ],
    ['hung before there is something on the wall', () => ['drawers/hang', 'drawers/wall-half'], /nothing on the wall|outside/],
  ])('%s is refused, by the shop and by the plan', (_, pair, words) => {
    const [moved, before] = pair();
    expect(replay(forced(moved, before), job.cabinets)).toMatch(words);
    expect(moveStep(order, build.edges, moved, order.indexOf(before)).ok).toBe(false);
  });

  test('a move nothing forbids is made, and stays when the plan is made again', () => {
    const moved = moveStep(order, build.edges, 'drawers/cleat-rip', order.indexOf('drawers/label') + 1);
    expect(moved.ok).toBe(true);
    const again = inOrder(build.steps, build.edges, moved.ok ? moved.order : []);
    expect(again.map(({ id }) => id)).toEqual(moved.ok ? moved.order : []);
  });
});

describe('a part that was spoiled after all was cut', () => {
  const { job } = built('print-room');
  const all = new Set(
    job.cabinets.flatMap(({ parts }) => parts.flatMap((line) => [line.id, ...line.panels])).concat(job.rails.flatMap(({ parts }) => parts.map(({ id }) => id))),
  );
  const sheets = job.sheets.map((sheet) => ({ ...sheet, layout: 'l1', sawn: new Set(sheet.steps.map(({ id }) => id)) }));
  const stepsWith = (there: ReadonlySet<string>): readonly Step[] => buildOf({ ...job, sheets, there }).steps;
  const more = (there: ReadonlySet<string>): readonly (readonly [string, readonly string[]])[] =>
    stepsWith(there).flatMap(({ id, panels }) => (/^cut\/.*\/more$/.test(id) ? [[id, panels] as const] : []));

  test('is cut once more, alone, before anything is cut into it', () => {
    expect(more(all)).toEqual([]);
    const there = new Set([...all].filter((id) => id !== 'ink/shelf/s1'));
    expect(more(there)).toEqual([['cut/birch-18/more', ['ink/shelf/s1']]]);
    const { edges } = buildOf({ ...job, sheets, there });
    const into = stepsWith(there).filter(({ detail, panels }) => detail.kind === 'setup' && panels.includes('ink/shelf/s1'));
    for (const { id } of into) expect(edges.some(({ before, after }) => before === 'cut/birch-18/more' && after === id)).toBe(true);
    expect(replay(stepsWith(there), job.cabinets)).toBeNull();
  });

  test('what is still to come off a sheet is no part of that', () => {
    const open = job.sheets.map((sheet) => ({ ...sheet, layout: 'l1' }));
    expect(buildOf({ ...job, sheets: open, there: new Set() }).steps.some(({ id }) => id.endsWith('/more'))).toBe(false);
  });
});

describe('glue and clamps', () => {
  test('more joints than the glue stays open for: said, with glues that do', () => {
    const once = (design: Design): Design => ({ ...design, build: { ...design.build, glueUps: { 'ink/glue/side/left': { goes: 'one', cauls: false } } } });
    const { build } = built('print-room', once);
    const fault = build.faults.find((each) => each.fault === 'open-time' && each.step === 'ink/glue/side/left')!;
    // 10 joints · 0.7 + 2 clamps for each of the 4 that come between the sides · 0.8 = 13.4 min, the rail is screwed; yellow glue: 8 min.
    expect(fault).toMatchObject({ joints: 10, minutes: 13.4, openMin: 8 });
    if (fault.fault === 'open-time') expect(fault.slower).toContain('slow-yellow');
    const slow = built('print-room', (design) => once({ ...design, build: { ...design.build, glue: 'slow-yellow' } })).build;
    expect(slow.faults.some((each) => each.fault === 'open-time' && each.step === 'ink/glue/side/left')).toBe(false);
  });

  test('clamps that do not reach are none', () => {
    const { build } = built('print-room', (design) => ({
      ...design,
      build: { ...design.build, glueUps: { 'ink/glue/side/left': { goes: 'one', cauls: false } } },
    }));
    const glue = build.steps.find(({ id }) => id === 'ink/glue/side/left')!.detail;
    // 700 mm wide and 40 mm for pads: the 800s and the 1250s, 8 + 4.
    expect(glue.kind === 'glue' && glue.glue).toMatchObject({ reachMm: 740, clampsWanted: { value: 8 }, clampsOwned: 12 });
  });

  test('in the cold glue does not set: said with both figures', () => {
    const { build } = built('type-store', (design) => ({ ...design, build: { ...design.build, tempC: 7 } }));
    expect(build.faults.some((each) => each.fault === 'too-cold' && each.tempC === 7 && each.leastC === 10)).toBe(true);
  });
});

test.each(FAMILY_IDS)('%s: random units are built step by step', (family) => {
  const { design } = printRoom();
  const workshop = starterWorkshop();
  fc.assert(
    fc.property(arbitraryCabinet(family), fc.constantFrom('first', 'to-fit'), (spec, cut) => {
      const alone: Design = { ...design, units: { [spec.id]: spec }, build: { ...design.build, cut: cut as 'first' } };
      const job = buildJob(plan(alone, [], workshop), alone, [], workshop, []);
      const build = buildOf(job);
      expect(replay(build.steps, job.cabinets)).toBeNull();
    }),
    { numRuns: 5 },
  );
});

test('a shop of a saw alone: what it does not make is cut by hand, each cut once, in an order that can be done', () => {
  const { design } = printRoom();
  const workshop = starterWorkshop();
  const { machines } = workshop.shop;
  const bare = {
    ...workshop,
    shop: { ...workshop.shop, machines: { saw: Object.values(machines).find(({ kind }) => kind === 'guided-saw')! }, stack: null, bits: {} },
  };
  const job = buildJob(plan(design, [], bare), design, [], bare, []);
  const build = buildOf(job);
  const byHand = build.steps.flatMap(({ detail }) => (detail.kind === 'by-hand' ? detail.operations.map(({ id }) => id) : []));
  expect([...byHand].sort()).toEqual(build.setups.flatMap(({ unmade }) => unmade.map(({ id }) => id)).sort());
  expect(byHand.length).toBeGreaterThan(10);
  expect(replay(build.steps, job.cabinets)).toBeNull();
});
