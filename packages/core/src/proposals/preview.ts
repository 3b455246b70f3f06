/** Effect of an edit: the key figures before and after. */
import { applyEdit, type Edit } from '../model/edit.ts';
import type { Design } from '../model/design.ts';
import type { Planner, CabinetPlan } from '../planner/plan.ts';
import type { RecordEntry } from '../model/record.ts';
import type { Workshop } from '../model/workshop.ts';

export interface CabinetFigures {
  readonly weakest: number;
  readonly state: CabinetPlan['hang']['state'];
  readonly worstSagMm: number;
  readonly emptyKg: number;
  readonly findings: number;
  readonly stops: number;
}

export interface Preview {
  readonly design: Design;
  readonly before: CabinetFigures;
  readonly after: CabinetFigures;
}

/** Previews an edit of one cabinet; null when it cannot be applied. */
export function preview(planner: Planner, design: Design, record: readonly RecordEntry[], workshop: Workshop, unit: string, edit: Edit): Preview | null {
  let changed: Design;
  try {
    changed = applyEdit(design, edit);
    const before = planner.plan(design, record, workshop).byId.get(unit);
    const after = planner.plan(changed, record, workshop).byId.get(unit);
    if (!before || !after) return null;
    return { design: changed, before: figuresOf(before), after: figuresOf(after) };
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

export function figuresOf({ hang, sag, weights, findings }: CabinetPlan): CabinetFigures {
  return {
    weakest: hang.links[0]?.use.value ?? 0,
    state: hang.state,
    worstSagMm: Math.max(0, ...sag.map(({ later }) => later.value)),
    emptyKg: weights.empty.mass.value,
    findings: findings.length,
    stops: findings.filter(({ severity }) => severity === 'stop').length,
  };
}
