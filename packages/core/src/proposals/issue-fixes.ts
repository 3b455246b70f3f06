/**
 * Which fixes resolve a finding: each is tried in a plan of its own. A fix qualifies when the finding is gone or less severe, and nothing more severe is
 * new. Where none does alone, the strengthening fixes of a hanging are combined until they do.
 */
import { familyOf } from '../cabinets/families.ts';
import { SEVERITY_RANK, type Finding, type Fix } from '../checks/finding.ts';
import { applyEdit, type Edit, type EditStep } from '../model/edit.ts';
import type { Design } from '../model/design.ts';
import type { Plan, Planner } from '../planner/plan.ts';
import type { Workshop } from '../model/workshop.ts';
import type { RecordEntry } from '../model/record.ts';

export type EditFix = Extract<Fix, { readonly edit: unknown }>;

/** Findings whose fixes each add strength: several may do what one cannot. */
const STRENGTHENED: ReadonlySet<Finding['check']> = new Set(['over-load', 'children', 'bed', 'cleat-splits', 'lifts-off']);
const MAX_STEPS = 10;
/** A fix and what it needs besides. */
const MAX_FINISHING = 3;

export interface TriedFix {
  readonly planner: Planner;
  readonly design: Design;
  readonly record: readonly RecordEntry[];
  readonly workshop: Workshop;
}

/**
 * The fixes that resolve a finding of `design`, in their order. Generator: yields after every plan, null where that gave nothing, so that a page can stop
 * in between. Fixes that change no design (a visit, a note) pass unchanged.
 */
export function* issueFixes(tried: TriedFix, finding: Finding): Generator<Fix | null, void> {
  const before = tried.planner.plan(tried.design, tried.record, tried.workshop);
  let isSettled = false;
  const edits: EditFix[] = [];
  for (const fix of finding.fixes) {
    if (!('edit' in fix)) {
      yield fix;
      continue;
    }
    edits.push(fix);
    const settles = isSettledBy(tried, before, finding, fix.edit);
    isSettled ||= settles;
    yield settles ? fix : null;
  }
  if (isSettled) return;
  for (const fix of edits) {
    const whole = yield* finished(tried, before, finding, fix);
    if (whole) return void (yield whole);
  }
  if (!STRENGTHENED.has(finding.check)) return;
  const fix = yield* strengthened(tried, before, finding);
  if (fix) yield fix;
}

/** Findings that are resolved before a proposal is made. */
const MAX_STOPS = 6;

/** A proposed edit completed with the fixes that resolve its stops, and the stops that none resolves. Stops that existed before stay. */
export function withoutStops(tried: TriedFix, unit: string, proposed: Edit): { readonly edit: Edit; readonly stops: readonly Finding[] } {
  let edit = proposed;
  for (let step = 0; ; step++) {
    const stops = newStops(tried, unit, edit);
    const next = step < MAX_STOPS ? firstFixOf({ ...tried, design: applyEdit(tried.design, edit) }, stops) : null;
    if (!next) return { edit, stops };
    edit = [...edit, ...next];
  }
}

/** The stops that an edit adds to a cabinet. */
export function newStops({ planner, design, record, workshop }: TriedFix, unit: string, edit: Edit): readonly Finding[] {
  const known = new Set(planner.plan(design, record, workshop).findings.filter(isStop).map(nameOf));
  const { findings } = planner.plan(applyEdit(design, edit), record, workshop);
  return findings.filter((finding) => finding.unit === unit && isStop(finding) && !known.has(nameOf(finding)));
}

const isStop = ({ severity }: Finding): boolean => severity === 'stop';

function firstFixOf(tried: TriedFix, stops: readonly Finding[]): Edit | null {
  for (const stop of stops) {
    for (const fix of issueFixes(tried, stop)) if (fix && 'edit' in fix) return fix.edit;
  }
  return null;
}

/** A fix that resolves its finding but brings a more severe one, with what resolves that one in turn; null where that is not enough. */
function* finished(tried: TriedFix, before: Plan, finding: Finding, first: EditFix): Generator<null, EditFix | null> {
  const steps = [first];
  for (let step = 1; step < MAX_FINISHING; step++) {
    const after = planAfter(
      tried,
      steps.flatMap(({ edit }) => edit),
    );
    yield null;
    if (!after || !isGone(before, after, finding)) return null;
    const [worse] = newOrWorse(before, after, finding);
    let next: EditFix | undefined;
    for (const fix of worse?.fixes ?? []) {
      if (!('edit' in fix)) continue;
      const both = together([...steps, fix]);
      yield null;
      if (isSettledBy(tried, before, finding, both.edit)) return both;
      next ??= fix;
    }
    if (!next) return null;
    steps.push(next);
  }
  return null;
}

/** Greedy: adds the fix that lowers the utilization most, until the finding is resolved; null where that takes too many steps, or nothing helps. */
function* strengthened(tried: TriedFix, before: Plan, finding: Finding): Generator<null, EditFix | null> {
  const steps: EditFix[] = [];
  let now = finding;
  for (let step = 0; step < MAX_STEPS; step++) {
    const done = steps.flatMap(({ edit }) => edit);
    let best: { readonly fix: EditFix; readonly use: number; readonly left: Finding | undefined } | undefined;
    for (const fix of now.fixes) {
      if (!('edit' in fix)) continue;
      const after = planAfter(tried, [...done, ...fix.edit]);
      yield null;
      const left = after?.findings.find((each) => each.check === finding.check && each.unit === finding.unit);
      const isWorse = !after || newOrWorse(before, after, finding).length > 0;
      const use = isWorse ? Infinity : left ? useOf(left) : 0;
      if (use < (best?.use ?? useOf(now))) best = { fix, use, left };
    }
    if (!best) return null;
    steps.push(best.fix);
    const all = together(steps);
    if (!best.left || SEVERITY_RANK[best.left.severity] < SEVERITY_RANK[finding.severity]) return isSettledBy(tried, before, finding, all.edit) ? all : null;
    now = best.left;
  }
  return null;
}

/** Utilization a finding reports, as a share of its limit; without a lock it counts as one more. */
const useOf = (finding: Finding): number => usedOf(finding) + ('locked' in finding && !finding.locked ? 1 : 0);

const usedOf = (finding: Finding): number =>
  'lowUse' in finding ? finding.lowUse : 'use' in finding ? finding.use : 'tip' in finding ? finding.tip : Infinity;

/** Merges fixes. The last of each kind counts: a wider board replaces a wide one. */
export function together(fixes: readonly EditFix[]): EditFix {
  const last = new Map(fixes.map(({ label }) => [label.key, label]));
  return { label: { key: 'together', parts: [...last.values()] }, edit: fixes.flatMap(({ edit }) => edit) };
}

/** Whether an edit removes a finding or makes it less severe, without a new finding more severe than it. */
export function isSettledBy(tried: TriedFix, before: Plan, finding: Finding, edit: readonly EditStep[]): boolean {
  const after = planAfter(tried, edit);
  if (!after) return false;
  return isGone(before, after, finding) && newOrWorse(before, after, finding).length === 0;
}

/** Whether a finding is gone, or less severe. */
function isGone(before: Plan, after: Plan, finding: Finding): boolean {
  const gravest = Math.max(-1, ...after.findings.filter((each) => isSame(each, finding)).map(({ severity }) => SEVERITY_RANK[severity]));
  const countOf = ({ findings }: Plan): number => findings.filter((each) => each.check === finding.check && each.unit === finding.unit).length;
  return gravest < SEVERITY_RANK[finding.severity] || countOf(after) < countOf(before);
}

function newOrWorse(before: Plan, after: Plan, finding: Finding): Finding[] {
  const known = new Set(isWorseThan(before, finding).map(nameOf));
  return isWorseThan(after, finding).filter((each) => !known.has(nameOf(each)));
}

/** Null where the edit does not apply to the design, or sets a field to a value that cannot be entered. */
function planAfter({ planner, design, record, workshop }: TriedFix, edit: readonly EditStep[]): Plan | null {
  if (!edit.every((step) => canBeEntered(design, step))) return null;
  try {
    return planner.plan(applyEdit(design, edit), record, workshop);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** Whether the edited field accepts the value: a value that cannot be typed cannot be saved. */
export function canBeEntered({ units: specs }: Design, { path: [root, id, ...own], value }: EditStep): boolean {
  const spec = root === 'units' && id !== undefined ? specs[id] : undefined;
  if (!spec) return true;
  const { fields, elements } = familyOf(spec).form;
  const list = elements.find(({ path }) => path === own[0]);
  const [among, within] = list ? [list.fields, own.slice(2)] : [fields, own];
  const field = among.find(({ path }) => path.join('.') === within.join('.'));
  if (field?.kind === 'length' && typeof value === 'object' && value !== null && 'nm' in value)
    return (value.nm as number) >= field.least && (value.nm as number) <= field.most;
  if ((field?.kind === 'count' || field?.kind === 'number' || field?.kind === 'degrees') && typeof value === 'number')
    return value >= field.least && value <= field.most;
  return field?.kind !== 'choice' || field.options.includes(value as string);
}

/** A request to look, measure or enter something is a task, not a harm of the fix. */
const isTask = ({ fixes }: Finding): boolean => fixes.length > 0 && fixes.every((fix) => 'visit' in fix);
/** Findings that count as worse: more severe ones, and for a stop every other stop. */
const isWorseThan = ({ findings }: Plan, than: Finding): Finding[] =>
  findings.filter(
    (each) => (SEVERITY_RANK[each.severity] > SEVERITY_RANK[than.severity] || (isStop(each) && isStop(than) && each.check !== than.check)) && !isTask(each),
  );
const isSame = (a: Finding, b: Finding): boolean =>
  a.check === b.check && a.unit === b.unit && a.panels.join() === b.panels.join() && SIDES.every((key) => sideOf(a, key) === sideOf(b, key));
/** Where one check can report the same thing twice. */
const SIDES = ['side', 'where', 'which'] as const;
const sideOf = (finding: Finding, key: (typeof SIDES)[number]): unknown => (key in finding ? (finding as unknown as Record<string, unknown>)[key] : undefined);
const nameOf = ({ check, unit }: Finding): string => `${unit} ${check}`;
