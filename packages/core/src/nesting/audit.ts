/**
 * Independent audit of a plan against its problem. It shares no code with the search, so it cannot share its mistakes. Used by the property tests, and
 * before a plan is shown. Returns the faults found.
 */
import { trimOf, type NestedSheet, type NestPlan, type NestProblem } from './problem.ts';
import type { CutTree, Placement } from '../model/sheet-layout.ts';

export function auditPlan(problem: NestProblem, plan: NestPlan): string[] {
  const wrong: string[] = [];
  const used = new Map<string, number>();
  for (const [index, sheet] of plan.sheets.entries()) {
    used.set(sheet.sheet, (used.get(sheet.sheet) ?? 0) + 1);
    wrong.push(...auditSheet(problem, sheet).map((text) => `sheet ${index + 1}: ${text}`));
  }
  for (const [id, count] of used) {
    const kind = problem.sheets.find((sheet) => sheet.id === id);
    if (!kind) wrong.push(`there is no sheet '${id}'`);
    else if (kind.count !== null && count > kind.count) wrong.push(`${count} of sheet '${id}' are used, there are ${kind.count}`);
  }
  wrong.push(...auditPins(problem, plan), ...auditTogether(problem, plan));
  for (const part of problem.parts) {
    const placed = plan.sheets.reduce((sum, { placements }) => sum + placements.filter((row) => row.part === part.id).length, 0);
    const left = plan.unplaced.filter((row) => row.part === part.id).reduce((sum, { count }) => sum + count, 0);
    if (placed + left !== part.count) wrong.push(`${placed} placed and ${left} left of ${part.count} '${part.id}'`);
  }
  const cost = plan.sheets.reduce((sum, { sheet }) => sum + (problem.sheets.find(({ id }) => id === sheet)?.cost ?? 0), 0);
  if (plan.score.cost !== null && Math.abs(plan.score.cost - cost) > 1e-9 * (1 + cost)) wrong.push(`the cost is ${cost}, not ${plan.score.cost}`);
  if (plan.score.sheets !== plan.sheets.length) wrong.push('the count of sheets is wrong');
  if (plan.bound.sheets > plan.sheets.length && plan.unplaced.length === 0) wrong.push('the bound is above the plan');
  if (plan.bound.cost !== null && plan.bound.cost > cost + 1e-6 && plan.unplaced.length === 0) wrong.push('the bound on cost is above the plan');
  return wrong;
}

function auditSheet(problem: NestProblem, sheet: NestedSheet): string[] {
  const kind = problem.sheets.find(({ id }) => id === sheet.sheet);
  if (!kind) return [];
  const wrong: string[] = [];
  if (sheet.placements.length === 0) wrong.push('no part on it');
  for (const [index, a] of sheet.placements.entries()) {
    wrong.push(...auditPlacement(problem, kind, a));
    for (const b of sheet.placements.slice(index + 1)) {
      const apart = gap(a.x, a.dx, b.x, b.dx) >= problem.kerf || gap(a.y, a.dy, b.y, b.dy) >= problem.kerf;
      if (!apart) wrong.push(`'${a.part}' and '${b.part}' are less than a kerf apart`);
    }
  }
  if (problem.cuts === 'guillotine') {
    if (!sheet.cuts) wrong.push('no cuts');
    else {
      const trim = trimOf(problem, kind);
      wrong.push(...auditCuts(sheet.cuts, { x: trim, y: trim, dx: kind.length - 2 * trim, dy: kind.width - 2 * trim }, [...sheet.placements], problem.kerf));
    }
  }
  return wrong;
}

function auditPlacement(problem: NestProblem, sheet: NestProblem['sheets'][number], { part: id, x, y, dx, dy, turned }: Placement): string[] {
  const part = problem.parts.find((row) => row.id === id);
  if (!part) return [`there is no part '${id}'`];
  const wrong: string[] = [];
  const [wantX, wantY] = turned ? [part.width, part.length] : [part.length, part.width];
  if (dx !== wantX || dy !== wantY) wrong.push(`'${id}' has not its own size`);
  if ((part.grain === 'length' && turned) || (part.grain === 'width' && !turned)) wrong.push(`'${id}' lies across its grain`);
  const trim = trimOf(problem, sheet);
  for (const flaw of sheet.flaws ?? []) if (gap(x, dx, flaw.x, flaw.dx) < 0 && gap(y, dy, flaw.y, flaw.dy) < 0) wrong.push(`'${id}' lies on a flaw`);
  if (x < trim || y < trim || x + dx > sheet.length - trim || y + dy > sheet.width - trim) wrong.push(`'${id}' leaves the sheet`);
  return wrong;
}

function auditPins({ sheets }: NestProblem, plan: NestPlan): string[] {
  return sheets.flatMap(({ id, pins = [] }) => {
    const placements = plan.sheets.filter((row) => row.sheet === id).flatMap((row) => row.placements);
    return pins
      .filter((pin) => !placements.some((row) => row.part === pin.part && row.x === pin.x && row.y === pin.y && row.dx === pin.dx && row.dy === pin.dy))
      .map((pin) => `'${pin.part}' has left its place`);
  });
}

function auditTogether({ parts }: NestProblem, plan: NestPlan): string[] {
  const tags = [...new Set(parts.flatMap(({ together }) => together ?? []))];
  return tags
    .filter((tag) => {
      const ids = parts.filter(({ together }) => together === tag).map(({ id }) => id);
      return plan.sheets.filter(({ placements }) => placements.some(({ part }) => ids.includes(part))).length > 1;
    })
    .map((tag) => `'${tag}' is spread over several sheets`);
}

const gap = (a: number, da: number, b: number, db: number): number => (a < b ? b - (a + da) : a - (b + db));

interface Area {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

/** Follows the cuts: each runs from edge to edge, and every part that comes off is one that was placed there. */
function auditCuts(tree: CutTree, area: Area, loose: Placement[], kerf: number): string[] {
  if (tree.kind === 'waste') return loose.length > 0 ? ['a part lies in the waste'] : [];
  if (tree.kind === 'part') {
    const [only] = loose;
    const exact = loose.length === 1 && only!.part === tree.part && only!.x === area.x && only!.y === area.y && only!.dx === area.dx && only!.dy === area.dy;
    return exact ? [] : [`the cuts do not leave '${tree.part}'`];
  }
  const alongX = tree.axis === 'x';
  const start = alongX ? area.x : area.y;
  const size = alongX ? area.dx : area.dy;
  if (tree.at <= start || tree.at > start + size) return ['a cut misses its piece'];
  const beyond = Math.min(start + size, tree.at + kerf);
  const before = loose.filter((row) => (alongX ? row.x + row.dx : row.y + row.dy) <= tree.at);
  const after = loose.filter((row) => (alongX ? row.x : row.y) >= beyond);
  if (before.length + after.length !== loose.length) return ['a cut goes through a part'];
  const first = alongX ? { ...area, dx: tree.at - area.x } : { ...area, dy: tree.at - area.y };
  const second = alongX ? { ...area, x: beyond, dx: area.x + area.dx - beyond } : { ...area, y: beyond, dy: area.y + area.dy - beyond };
  return [...auditCuts(tree.first, first, before, kerf), ...auditCuts(tree.second, second, after, kerf)];
}
