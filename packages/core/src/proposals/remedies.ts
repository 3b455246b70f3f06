/** Changes that strengthen a hanging, each with the load it would carry after them. */
import type { Fix } from '../checks/finding.ts';
import { strengthen } from '../checks/strengthen.ts';
import { loadLimits } from '../hang/limits.ts';
import { mostUtilized } from '../hang/link.ts';
import { applyEdit } from '../model/edit.ts';
import { canBeEntered } from './issue-fixes.ts';
import type { Design } from '../model/design.ts';
import type { Planner, CabinetPlan } from '../planner/plan.ts';
import type { Workshop } from '../model/workshop.ts';
import type { RecordEntry } from '../model/record.ts';

export interface Remedy {
  readonly fix: Extract<Fix, { readonly edit: unknown }>;
  /** Contents it would carry; null where none are planned. */
  readonly carriesKg: number | null;
  /** Greatest utilization after it, as a share of its limit. */
  readonly weakest: number;
}

/** Number of weakest links strengthened on trial, and of changes shown. */
const LINKS = 4;
const TOLD = 3;
/** Least relative gain that counts. [A] */
const WORTH_IT = 0.01;

/**
 * The three changes with the greatest gain, best first; each is tried in a plan of its own, so compute this when there is time. Empty where nothing hangs,
 * where it is refused at any utilization, or where no single change helps.
 */
export function remediesFor(planner: Planner, design: Design, record: readonly RecordEntry[], workshop: Workshop, cabinetId: string): Remedy[] {
  const spec = design.units[cabinetId];
  const now = planner.plan(design, record, workshop).byId.get(cabinetId);
  if (!spec || !now || now.hang.links.length === 0) return [];
  const kinds = [...new Set(now.hang.links.map(({ kind }) => kind))].slice(0, LINKS);
  const fixes = new Map(
    kinds
      .flatMap((kind) => strengthen({ spec, cabinet: now.cabinet, hangInput: now.hangInput }, kind))
      .flatMap((fix) => ('edit' in fix ? [[JSON.stringify(fix.edit), fix] as const] : [])),
  );
  const before = marginOf(now);
  return [...fixes.values()]
    .flatMap((fix): (Remedy & { readonly gain: number })[] => {
      const after = planned(planner, applied(design, fix.edit), record, workshop, cabinetId);
      if (!after || after.hang.state === 'refused') return [];
      const margin = marginOf(after);
      return [{ fix, ...margin, gain: gainOf(before, margin) }];
    })
    .filter(({ gain }) => gain > WORTH_IT)
    .sort((a, b) => b.gain - a.gain)
    .slice(0, TOLD)
    .map(({ fix, carriesKg, weakest }) => ({ fix, carriesKg, weakest }));
}

type Margin = Pick<Remedy, 'carriesKg' | 'weakest'>;

const marginOf = ({ hang, hangInput }: CabinetPlan): Margin => ({
  carriesKg: loadLimits(hangInput).carriesKg,
  weakest: mostUtilized(hang.links),
});

/** Relative gain in the load carried; without contents, in the greatest utilization. */
function gainOf(before: Margin, after: Margin): number {
  if (before.carriesKg !== null && after.carriesKg !== null) return after.carriesKg / Math.max(before.carriesKg, 0.1) - 1;
  return before.weakest - after.weakest;
}

/** Null where the edit does not apply. */
function applied(design: Design, edit: Remedy['fix']['edit']): Design | null {
  if (!edit.every((step) => canBeEntered(design, step))) return null;
  try {
    return applyEdit(design, edit);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

const planned = (planner: Planner, design: Design | null, record: readonly RecordEntry[], workshop: Workshop, cabinetId: string): CabinetPlan | undefined =>
  design ? planner.plan(design, record, workshop).byId.get(cabinetId) : undefined;
