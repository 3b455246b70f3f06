/** Sequences of cuts, sawn again from their numbers: every part comes off in its size, lying as its grain wants, within what the saws take. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seeded } from '../random/random.ts';
import { mm, type Length } from '../length/length.ts';
import type { FirstCut, NestPlan, NestProblem } from '../nesting/problem.ts';
import { search } from '../nesting/search.ts';
import { handHeldShop, noStackShop, defaultShop, widestKerf } from '../stock/shop.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import type { CutStep, SheetToCut } from './pieces.ts';
import { replayCuts } from './replay.ts';
import { sequenceOf, settingsOf, type Sequence } from './sequence.ts';
import { cutWays } from './ways.ts';
import type { Shop } from '../model/shop.ts';

const SHOPS: readonly [string, () => Shop][] = [
  ['a saw bench', defaultShop],
  ['a saw bench without a stack', noStackShop],
  ['hand held', handHeldShop],
];
const THICK = mm(18);

const planOf = (problem: NestProblem, steps = 60): NestPlan => {
  const stepper = search(problem);
  stepper.step(steps);
  return stepper.plan();
};
const sheetsOf = (problem: NestProblem, plan: NestPlan): SheetToCut[] =>
  plan.sheets.map((nested) => ({ problem, kind: problem.sheets.find(({ id }) => id === nested.sheet)!, nested, thick: THICK, kgPerM2: 11 }));

/** Everything that is wrong with a sequence. */
function faults(problem: NestProblem, plan: NestPlan, { steps }: Sequence): string[] {
  const kinds = plan.sheets.map(({ sheet: id }) => problem.sheets.find((row) => row.id === id)!);
  const lying = replayCuts(
    kinds.map(({ length, width }) => ({ dx: length, dy: width })),
    steps,
  );
  const wrong: string[] = [];
  const pieces = new Map(steps.flatMap(({ near, far }) => [near, ...(far ? [far] : [])]).map((piece) => [piece.id, piece]));
  const left = plan.sheets.flatMap(({ placements }) => placements);
  for (const [id, { dx, dy }] of lying) {
    const name = pieces.get(id)?.part;
    if (name == null) continue;
    const at = left.findIndex((row) => row.part === name && row.dx === dx && row.dy === dy);
    if (at < 0) wrong.push(`'${name}' came out ${dx} by ${dy}`);
    else left.splice(at, 1);
  }
  // A part that is a whole sheet needs no cut.
  for (const { part: id, dx, dy } of left) if (!kinds.some((kind) => kind.length === dx && kind.width === dy)) wrong.push(`'${id}' was not cut`);
  for (const { id, way, axis, piece, cut } of steps) {
    const [line, size] = axis === 'x' ? [piece.dy, piece.dx] : [piece.dx, piece.dy];
    if (line !== cut.line || size !== cut.size) wrong.push(`${id} is measured wrong`);
    const { machine, held, setting } = way!;
    if (machine.deep!.nm < THICK) wrong.push(`${id} is too deep`);
    if (held === 'fence' && (setting > machine.rip!.nm || line < size || line < mm(300))) wrong.push(`${id} does not go along the fence`);
    if (held === 'sled' && line > machine.crosscut!.nm) wrong.push(`${id} is wider than the sled takes`);
    if (held === 'guide' && line > machine.guide!.nm) wrong.push(`${id} is longer than the guide`);
  }
  return wrong;
}

/** The guide reaches over any sheet, so that every cut can be made. */
const able = (shop: Shop): Shop => ({
  ...shop,
  machines: Object.fromEntries(
    Object.entries(shop.machines).map(([id, machine]) => [id, machine.kind === 'guided-saw' ? { ...machine, guide: { text: '3 m', nm: mm(3000) } } : machine]),
  ) as Shop['machines'],
});

const someJob = fc
  .record({
    seed: fc.integer({ min: 1, max: 1e9 }),
    trim: fc.constantFrom(0, 5, 12),
    first: fc.constantFrom<FirstCut | null>(null, { by: 'rip' }, { by: 'crosscut' }, { by: 'breakdown', longest: mm(1300), widest: mm(1220) }),
    count: fc.integer({ min: 1, max: 8 }),
    shop: fc.constantFrom(...SHOPS.map(([, make]) => make)),
  })
  .map(({ seed, trim, first, count, shop }) => {
    const random = seeded(seed);
    const between = (low: number, high: number): number => low + Math.floor(random() * (high - low + 1));
    const parts = Array.from({ length: count }, (_, n) =>
      part(`p${n}`, between(90, 1150), between(40, 500), between(1, 4), { grain: (['length', 'width', 'either'] as const)[between(0, 2)]! }),
    );
    const made = able(shop());
    const kerf = widestKerf(made) / 1e6;
    const problem: NestProblem = {
      ...job([sheet('S', 2440, 1220, { grain: 'length' }), sheet('off', 900, 610, { count: 1, offcut: true })], parts, kerf, trim),
      ...(first ? { first } : {}),
    };
    return { problem, shop: made };
  });

test('whatever is laid out, the cuts leave every part in its size, and no cut is more than a saw takes', () => {
  fc.assert(
    fc.property(someJob, ({ problem, shop }) => {
      const plan = planOf(problem);
      const sequence = sequenceOf(sheetsOf(problem, plan), shop);
      expect(sequence.impossible.map(({ id, cut: { line, size, keep } }) => `${id}: ${line} ${size} ${keep}`)).toEqual([]);
      expect(faults(problem, plan, sequence)).toEqual([]);
      expect(settingsOf(sequence.steps)).toBe(sequence.settings);
    }),
    { numRuns: Number(process.env['KEEN_AUDIT_RUNS'] ?? 150) },
  );
});

test('the replay can fail', () => {
  const problem = job([sheet('S', 2440, 1220, { grain: 'length' })], [part('p', 700, 300, 4)], 3.2, 5);
  const plan = planOf(problem);
  const { steps } = sequenceOf(sheetsOf(problem, plan), defaultShop());
  const set = (change: (step: CutStep) => CutStep): Sequence => ({ steps: steps.map(change) }) as unknown as Sequence;
  expect(
    faults(
      problem,
      plan,
      set((step) => step),
    ),
  ).toEqual([]);
  expect(() =>
    faults(
      problem,
      plan,
      set((step) => ({ ...step, way: step.way && { ...step.way, setting: (step.way.setting - 1) as Length } })),
    ),
  ).toThrow(/measures/);
  expect(() => faults(problem, plan, { steps: [...steps].reverse() } as unknown as Sequence)).toThrow(/there is no piece/);
  expect(faults(problem, plan, { steps: steps.slice(0, -1) } as unknown as Sequence)).not.toEqual([]);
});

describe('one setting for what is alike', () => {
  test('four strips of one width are ripped at one setting, the last of them from what is left', () => {
    const problem = job([sheet('S', 2440, 1220, { grain: 'length' })], [part('p', 2440, 300, 4, { grain: 'length' })], 3.2, 0);
    const { steps, settings } = sequenceOf(sheetsOf(problem, planOf(problem)), able(defaultShop()));
    // 4 × 300 + 3 × 3.2 = 1209.6: three rips, and one that takes the last strip from 310.4 to 300.
    expect(steps).toHaveLength(4);
    expect(new Set(steps.map(({ keep }) => keep))).toEqual(new Set([mm(300)]));
    expect(settings).toBeLessThanOrEqual(4);
  });
});

describe('how one cut is made', () => {
  const cut = (line: number, size: number, keep: number, kg = 5) => ({ line: mm(line), size: mm(size), keep: mm(keep), thick: THICK, kg });
  const first = (each: ReturnType<typeof cut>, shop = defaultShop()) => cutWays(each, shop)[0];
  test('a strip along the fence, a short one across at the miter saw, a wider one on the sled', () => {
    expect(first(cut(1200, 600, 300))).toMatchObject({ held: 'fence', setting: mm(300), against: 'near', hazard: null });
    expect(first(cut(280, 900, 400))).toMatchObject({ held: 'sled', machine: { kind: 'mitre-saw' } });
    expect(first(cut(500, 900, 400))).toMatchObject({ held: 'sled', machine: { kind: 'table-saw' } });
  });
  test('an edge shorter than the piece is wide is never put on the fence', () => {
    expect(cutWays(cut(400, 900, 300), defaultShop()).some(({ held }) => held === 'fence')).toBe(false);
  });
  test('a strip under 25 mm is not left between blade and fence: the rest is against it, and the strip falls free', () => {
    // 300 − 20 − 3.2 = 276.8
    expect(first(cut(900, 300, 20))).toMatchObject({ held: 'fence', against: 'far', setting: 276_800_000, hazard: 'thin-falls' });
  });
  test('a piece too short to hold is told, however it is cut', () => {
    expect(cutWays(cut(150, 280, 100), defaultShop()).map(({ hazard }) => hazard)).toContain('short-piece');
    expect(first(cut(150, 280, 100))).toMatchObject({ hazard: 'short-piece' });
    expect(first(cut(150, 300, 100))).toMatchObject({ hazard: null });
  });
  test('a whole sheet is cut where it lies, when there is a guide that long', () => {
    expect(first(cut(1220, 2440, 800, 33))).toMatchObject({ held: 'guide' });
  });
  test('what no saw takes has no way', () => {
    expect(cutWays(cut(2440, 1220, 900), handHeldShop())).toEqual([]);
  });
});
