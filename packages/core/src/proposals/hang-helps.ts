/**
 * Changes that help a hanging most, each with the load it would carry after them: first what removes a stop, then what strengthens its links. Each is tried
 * in a plan of its own, so compute this only where it is shown.
 */
import { rulesOut } from '../checks/verdict.ts';
import type { Finding } from '../checks/finding.ts';
import { loadLimits } from '../hang/limits.ts';
import { mostUtilized } from '../hang/link.ts';
import type { VerdictState } from '../hang/refusals.ts';
import { applyEdit } from '../model/edit.ts';
import type { CabinetPlan } from '../planner/plan.ts';
import { remediesFor } from './remedies.ts';
import { issueFixes, together, type EditFix, type TriedFix } from './issue-fixes.ts';

export interface HangHelp {
  readonly fix: EditFix;
  /** The verdict after it. */
  readonly state: VerdictState;
  /** Contents it would carry, kg; null where something else still refuses it, or nothing is planned. */
  readonly carriesKg: number | null;
  /** Greatest utilization after it, as a share of its limit. */
  readonly weakest: number;
}

/** Stops removed one after another. */
const MAX_STOPS = 5;
/** Number of changes shown. */
const TOLD = 3;

/** At most three, the stops' own fixes first; empty where it is OK already, or no change helps. */
export function hangHelps(tried: TriedFix, cabinetId: string): HangHelp[] {
  const { planner, design, record, workshop } = tried;
  const now = planner.plan(design, record, workshop).byId.get(cabinetId);
  if (!now || now.hang.state === 'fine' || now.hang.state === 'not-checked') return [];
  const settling = settled(tried, cabinetId);
  const strengthening = remediesFor(planner, design, record, workshop, cabinetId).map(({ fix }) => fix);
  const fixes = new Map([...settling, ...strengthening].map((fix) => [JSON.stringify(fix.edit), fix]));
  return [...fixes.values()].slice(0, TOLD).map((fix) => {
    const after = planner.plan(applyEdit(design, fix.edit), record, workshop).byId.get(cabinetId)!;
    return { fix, state: after.hang.state, carriesKg: carriedBy(after), weakest: mostUtilized(after.hang.links) };
  });
}

/** Removes the stops of a cabinet one after another, as one change; empty where that fails. */
function settled(tried: TriedFix, cabinetId: string): EditFix[] {
  const stopsOf = (design: TriedFix['design']): Finding[] =>
    tried.planner.plan(design, tried.record, tried.workshop).findings.filter((finding) => finding.unit === cabinetId && rulesOut(finding));
  const steps: EditFix[] = [];
  let { design } = tried;
  let stops = stopsOf(design);
  let best = { steps: 0, left: stops.length };
  while (steps.length < MAX_STOPS && stops.length > 0) {
    const fix = firstFix({ ...tried, design }, stops);
    if (!fix) break;
    steps.push(fix);
    design = applyEdit(design, fix.edit);
    stops = stopsOf(design);
    // A fix may bring back another stop: keeps the step with the fewest.
    if (stops.length < best.left) best = { steps: steps.length, left: stops.length };
  }
  const taken = steps.slice(0, best.steps);
  return taken.length > 1 ? [together(taken)] : taken;
}

function firstFix(tried: TriedFix, stops: readonly Finding[]): EditFix | null {
  for (const stop of stops) for (const fix of issueFixes(tried, stop)) if (fix && 'edit' in fix) return fix;
  return null;
}

const carriedBy = ({ hang, hangInput }: CabinetPlan): number | null => (hang.state === 'refused' ? null : loadLimits(hangInput).carriesKg);
