/**
 * Which of its fixes settle a finding: each is tried in a plan of its own. Kept is one after which the finding is gone, or less grave, and
 * nothing new stops the cabinet. Where none does alone, those that strengthen a hanging are tried together.
 */
import type { Finding, Fix, FixStep, Severity } from '../checks/finding.ts';
import type { Workshop } from '../stock/workshop.ts';
import { applyEdit } from './edit.ts';
import type { Design, RecordEntry } from './design.ts';
import type { Plan, Planner } from './plan.ts';

type EditFix = Extract<Fix, { readonly edit: unknown }>;

const RANK: Readonly<Record<Severity, number>> = { look: 0, change: 1, stop: 2 };
/** Findings whose fixes each add some strength: two or three may do where one does not. */
const STRENGTHENED: ReadonlySet<Finding['check']> = new Set(['over-load', 'children', 'bed', 'cleat-splits', 'lifts-off']);
const MAX_TOGETHER = 3;

export interface Tried {
  readonly planner: Planner;
  readonly design: Design;
  readonly record: readonly RecordEntry[];
  readonly workshop: Workshop;
}

/**
 * The fixes of a finding of `design` that settle it, in their order. Yields after every plan, null where that gave nothing, so that a page can
 * stop between two. Fixes that change no design (a visit, a note) are given as they are.
 */
export function* settlingFixes(tried: Tried, finding: Finding): Generator<Fix | null, void> {
  const before = tried.planner.plan(tried.design, tried.record, tried.workshop);
  const edits: EditFix[] = [];
  const unfinished: { readonly fix: EditFix; readonly outcome: Outcome }[] = [];
  let isSettled = false;
  for (const fix of finding.fixes) {
    if (!('edit' in fix)) {
      yield fix;
      continue;
    }
    edits.push(fix);
    const outcome = outcomeOf(tried, before, finding, fix.edit);
    const settles = outcome !== null && outcome.isGone && outcome.stops.length === 0;
    if (outcome?.isGone && !settles) unfinished.push({ fix, outcome });
    isSettled ||= settles;
    yield settles ? fix : null;
  }
  if (isSettled) return;
  // What a refusal hid comes to light once it is gone: that is settled in the same go.
  for (const { fix, outcome } of unfinished) {
    const finished = yield* finish(tried, before, finding, fix, outcome);
    if (finished) return void (yield finished);
  }
  if (!STRENGTHENED.has(finding.check)) return;
  for (let count = 2; count <= Math.min(MAX_TOGETHER, edits.length); count++) {
    const fix = together(edits.slice(0, count));
    if (isSettledBy(tried, before, finding, fix.edit)) return void (yield fix);
    yield null;
  }
}

/** A fix that brings new stops, with fixes of those added until there is none; null where that takes too many. */
function* finish(tried: Tried, before: Plan, finding: Finding, first: EditFix, outcome: Outcome): Generator<null, EditFix | null> {
  const [stop] = outcome.stops;
  for (const next of stop!.fixes) {
    if (!('edit' in next)) continue;
    const fix = together([first, next]);
    yield null;
    if (isSettledBy(tried, before, finding, fix.edit)) return fix;
  }
  return null;
}

const together = (fixes: readonly EditFix[]): EditFix => ({
  label: { key: 'together', parts: fixes.map(({ label }) => label) },
  edit: fixes.flatMap(({ edit }) => edit),
});

interface Outcome {
  /** The finding is not there any more, or less grave. */
  readonly isGone: boolean;
  /** What stops a cabinet now and did not before. */
  readonly stops: readonly Finding[];
}

/** Whether an edit takes a finding away, or makes it less grave, without anything new that stops a cabinet. */
export function isSettledBy(tried: Tried, before: Plan, finding: Finding, edit: readonly FixStep[]): boolean {
  const outcome = outcomeOf(tried, before, finding, edit);
  return outcome !== null && outcome.isGone && outcome.stops.length === 0;
}

/** Null where the edit does not go with the design. */
function outcomeOf({ planner, design, record, workshop }: Tried, before: Plan, finding: Finding, edit: readonly FixStep[]): Outcome | null {
  let after: Plan;
  try {
    after = planner.plan(applyEdit(design, edit), record, workshop);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
  const gravestOf = (plan: Plan): number => Math.max(-1, ...plan.findings.filter((each) => isSame(each, finding)).map(({ severity }) => RANK[severity]));
  const countOf = (plan: Plan): number => plan.findings.filter((each) => each.check === finding.check && each.unit === finding.unit).length;
  const stoppedBefore = new Set(stopsOf(before).map(nameOf));
  return {
    isGone: gravestOf(after) < RANK[finding.severity] || countOf(after) < countOf(before),
    stops: stopsOf(after).filter((stop) => !stoppedBefore.has(nameOf(stop))),
  };
}

const isSame = (a: Finding, b: Finding): boolean =>
  a.check === b.check && a.unit === b.unit && a.panels.join() === b.panels.join() && SIDES.every((key) => sideOf(a, key) === sideOf(b, key));
/** Where one check can find the same thing twice. */
const SIDES = ['side', 'where', 'which'] as const;
const sideOf = (finding: Finding, key: (typeof SIDES)[number]): unknown => (key in finding ? (finding as unknown as Record<string, unknown>)[key] : undefined);
const nameOf = ({ check, unit }: Finding): string => `${unit} ${check}`;
const stopsOf = ({ findings }: Plan): Finding[] => findings.filter(({ severity }) => severity === 'stop');
