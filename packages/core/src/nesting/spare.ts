/**
 * Tolerance of a layout: sheets come slightly short or out of square, and a blade cuts slightly wider than stated. Parts shift toward the edge they are cut
 * from, so any remainder along a row counts. Source: [eq], sums of sizes and kerfs along the tree of cuts.
 */
import { mm, type Length } from '../length/length.ts';
import { trimOf, type NestedSheet, type NestPlan, type NestProblem, type NestSheet } from './problem.ts';
import type { CutTree, Placement } from '../model/sheet-layout.ts';

export interface Spare {
  /** How much shorter, and how much narrower, a sheet may be, nm. */
  readonly length: Length;
  readonly width: Length;
  /** How much wider the kerf may be, nm; null where no two parts share a sheet, and for free layouts. */
  readonly kerf: Length | null;
}

/** Usual deviations: sheets short or out of square, blades wider than stated. [ASSUME] 2 mm and 0.4 mm */
const OFTEN = { sheet: mm(2), kerf: mm(0.4) } as const;

/** Less than the usual deviation: worth measuring before the first cut. */
export const isTight = ({ length, width, kerf }: Spare): boolean => length < OFTEN.sheet || width < OFTEN.sheet || (kerf !== null && kerf < OFTEN.kerf);

/** The least tolerance of any sheet of a plan; null for a plan without sheets, and where flaws or pinned parts fix others in place. */
export function spareOf(plan: NestPlan, problem: NestProblem): Spare | null {
  const each = spareBySheet(plan, problem);
  if (each.length === 0 || each.includes(null)) return null;
  const least = (sizes: readonly number[]): Length => Math.min(...sizes) as Length;
  const known = each as readonly Spare[];
  const kerfs = known.flatMap(({ kerf }) => kerf ?? []);
  return { length: least(known.map(({ length }) => length)), width: least(known.map(({ width }) => width)), kerf: kerfs.length > 0 ? least(kerfs) : null };
}

/** Indexes of the tight sheets of a plan, from 0; sheets with flaws or pinned parts are not examined. */
export const tightSheets = (plan: NestPlan, problem: NestProblem): number[] =>
  spareBySheet(plan, problem).flatMap((spare, index) => (spare && isTight(spare) ? [index] : []));

const spareBySheet = (plan: NestPlan, problem: NestProblem): (Spare | null)[] =>
  plan.sheets.map((sheet) => {
    const kind = problem.sheets.find(({ id }) => id === sheet.sheet)!;
    return (kind.flaws?.length ?? 0) + (kind.pins?.length ?? 0) > 0 ? null : spareOn(sheet, kind, problem);
  });

function spareOn({ placements, cuts }: NestedSheet, sheet: NestSheet, problem: NestProblem): Spare {
  const trim = trimOf(problem, sheet);
  const [dx, dy] = [sheet.length - 2 * trim, sheet.width - 2 * trim];
  if (!cuts) {
    const [right, top] = [Math.max(...placements.map(({ x, dx: own }) => x + own)), Math.max(...placements.map(({ y, dy: own }) => y + own))];
    return { length: (trim + dx - right) as Length, width: (trim + dy - top) as Length, kerf: null };
  }
  const sized = sizesBy(cuts, placements, { x: trim, y: trim }, problem.kerf);
  const own = sized(problem.kerf);
  const fits = (kerf: number): boolean => sized(kerf).dx <= dx && sized(kerf).dy <= dy;
  return { length: (dx - own.dx) as Length, width: (dy - own.dy) as Length, kerf: placements.length > 1 ? widest(fits, problem.kerf, Math.max(dx, dy)) : null };
}

interface Size {
  readonly dx: number;
  readonly dy: number;
}
const NOTHING: Size = { dx: 0, dy: 0 };

/** Extent of all parts on a sheet as a function of the kerf. A cut that only removes waste needs no room for its kerf. */
function sizesBy(tree: CutTree, placements: readonly Placement[], corner: { readonly x: number; readonly y: number }, planned: number): (kerf: number) => Size {
  const lying = new Map(placements.map((placement) => [`${placement.x} ${placement.y}`, placement]));
  const visit = (node: CutTree, x: number, y: number, kerf: number): Size => {
    if (node.kind === 'waste') return NOTHING;
    if (node.kind === 'part') {
      const { dx, dy } = lying.get(`${x} ${y}`)!;
      return { dx, dy };
    }
    const isX = node.axis === 'x';
    const first = visit(node.first, x, y, kerf);
    const second = isX ? visit(node.second, node.at + planned, y, kerf) : visit(node.second, x, node.at + planned, kerf);
    if (second === NOTHING) return first;
    if (first === NOTHING) return second;
    const [along, across] = isX
      ? ([first.dx + kerf + second.dx, Math.max(first.dy, second.dy)] as const)
      : ([first.dy + kerf + second.dy, Math.max(first.dx, second.dx)] as const);
    return isX ? { dx: along, dy: across } : { dx: across, dy: along };
  };
  return (kerf) => visit(tree, corner.x, corner.y, kerf);
}

/** How far the kerf may exceed `planned`, to a nanometer: what fits shrinks monotonically with it. */
function widest(fits: (kerf: number) => boolean, planned: number, most: number): Length {
  let [low, high] = [planned, planned + most];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return (low - planned) as Length;
}
