/** Part loads against every subset of the compartments, tried one by one; and a cupboard that stands full and falls half full. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { applyEdit } from '../model/edit.ts';
import { plan, type CabinetPlan } from '../planner/plan.ts';
import { onWall } from '../test/check-case.ts';
import { newSpec } from '../test/family-units.ts';
import { aloneBox, ink, printRoom, typed } from '../test/print-room.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

const { design, record, workshop } = printRoom();
const LEFT = 895;
const BAYS = ['bottom', 'v1', 's1'] as const;

/** A cupboard of three bays with doors, its cleat short on the left by `inset` mm. */
function holding(kg: Readonly<Partial<Record<(typeof BAYS)[number], number>>>, inset = 0, depth = 280): CabinetPlan {
  const contents = Object.fromEntries(BAYS.map((bay) => [bay, { preset: 'general', kg: kg[bay] ?? 0 }]));
  return plan(
    applyEdit(design, [
      ink('front', 'doors'),
      typed('depth', `${depth} mm`),
      typed('hanging.leftInset', `${inset} mm`),
      ink('shelves', { s1: { id: 's1', order: 1, kind: 'fixed', at: entered('420 mm'), joint: 'dado' } }),
      ink('dividers', { v1: { id: 'v1', order: 1, at: entered('350 mm'), in: 'bottom', level: 0 } }),
      ink('contents', contents),
      onWall('studs.known', false),
      onWall(
        'studs.marks',
        Object.fromEntries([200, 600].map((x, n) => [`m${n}`, { id: `m${n}`, regular: null, at: entered(`${LEFT + x} mm`), state: 'probed', gone: false }])),
      ),
    ]),
    record,
    workshop,
  ).byId.get('ink')!;
}
const use = ({ hang }: CabinetPlan, id: string): number => hang.links.find((link) => link.id === id)?.use.value ?? 0;

describe('every subset of what is planned', () => {
  const planned = { bottom: 20, v1: 9, s1: 14 } as const;
  const subsets = [0, 1, 2, 3, 4, 5, 6, 7].map((bits) => Object.fromEntries(BAYS.filter((_, n) => bits & (1 << n)).map((bay) => [bay, planned[bay]])));
  test.each(['tip', 'stud-1', 'stud-2', 'wall-half'])('%s is used no more by any of them than it is told', (id) => {
    const told = use(holding(planned), id);
    const tried = subsets.map((kg) => use(holding(kg), id));
    expect(Math.max(...tried)).toBeLessThanOrEqual(told + 1e-9);
    expect(Math.max(...tried)).toBeCloseTo(told, 6);
  });
  test('the hook is told for the bays that stand furthest out, or for none', () => {
    const { hang } = holding(planned);
    expect(hang.links.find(({ kind }) => kind === 'tip')!.partly).toBe('part-out');
    expect(hang.forces.hook!.tip.value).toBeLessThan(use(holding(planned), 'tip'));
  });
});

test('a table on a hook tips furthest pressed with nothing on it, and is told so with things on it', () => {
  const start = newSpec('fold-down');
  const table = (kg: number): CabinetPlan =>
    aloneBox({ ...start, hanging: { ...start.hanging, kind: 'outside' }, contents: { leaf: { preset: 'nothing', kg } } } as CabinetSpec);
  const bare = use(table(0), 'tip');
  expect(table(30).hang.forces.hook!.tip.value).toBeLessThan(bare);
  expect(use(table(30), 'tip')).toBeCloseTo(bare, 9);
});

test('a cleat that ends beside the center of the left bay alone is refused, though it is balanced when all is in', () => {
  const full = { bottom: 30, v1: 30 };
  expect(holding(full, 290).hang.refusals).toContainEqual({ kind: 'off-balance', pastMm: expect.any(Number), partly: 'part-left' });
  expect(holding(full, 290).findings.find(({ check }) => check === 'off-balance')).toBeDefined();
  expect(holding(full, 0).hang.refusals).toEqual([]);
});

test('the strip may bend most with a bay filled in part: no step of filling it bends it more than is told', () => {
  const tenths = Array.from({ length: 11 }, (_, n) => n / 10);
  const kg = { v1: 36, s1: 2 };
  const told = use(holding(kg, 110), 'wall-half');
  const tried = tenths.map((share) => use(holding({ ...kg, v1: kg.v1 * share }, 110), 'wall-half'));
  for (const each of tried) expect(each).toBeLessThanOrEqual(told * 1.0001);
  // Each is the worst of all up to it.
  tried.slice(1).forEach((each, index) => expect(each).toBeGreaterThanOrEqual(tried[index]! * 0.9999));
});
