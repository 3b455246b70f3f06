/** What somebody entered is never made less by what stands there; a tool loads its bay. */
import { describe, expect, test } from '@jest/globals';
import { applyEdit } from '../model/edit.ts';
import { plan } from '../planner/plan.ts';
import { newSpec } from '../test/family-units.ts';
import { printRoom } from '../test/print-room.ts';
import { standing } from '../test/things.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import type { ToolTill } from '../model/specs/tool-till.ts';

const { design, record, workshop } = printRoom();
const plannedKg = (of: typeof design, id: string): number => plan(of, record, workshop).byId.get(id)!.contentsKg;

describe('60 kg entered for a floor', () => {
  const heavy = applyEdit(design, [{ path: ['units', 'ink', 'contents', 's1'], value: { preset: 'general', kg: 60 } }]);
  const without = plannedKg(applyEdit(design, [{ path: ['units', 'ink', 'contents', 's1'], value: { preset: 'nothing', kg: 0 } }]), 'ink');

  test('stay 60 kg when a light thing is put there, and its place is still looked at', () => {
    const placed = applyEdit(heavy, [standing('s1', [60, 60, 180])]);
    const cabinetPlan = plan(placed, record, workshop).byId.get('ink')!;
    expect(cabinetPlan.contentsKg).toBeCloseTo(without + 60, 6);
    expect(cabinetPlan.weights.contents.find(({ compartment }) => compartment.keptBy === 's1')!.lots).toHaveLength(1);
  });

  test('give way to what is heavier', () => {
    const placed = applyEdit(heavy, [standing('s1', [60, 60, 180], { kg: 5 }, 20)]);
    expect(plannedKg(placed, 'ink')).toBeCloseTo(without + 100, 6);
  });
});

test('tools load a till: three bays of 5 kg are 15 kg', () => {
  const till = newSpec('tool-till') as ToolTill;
  const [like] = Object.values(till.bays);
  const bays = Object.fromEntries([1, 2, 3].map((n) => [`b${n}`, { ...like!, id: `b${n}`, order: n, kg: 5, width: null }]));
  const spec = { ...till, bays, contents: {} } as unknown as CabinetSpec;
  expect(plannedKg({ ...design, units: { u1: spec } }, 'u1')).toBeCloseTo(15, 9);
});
