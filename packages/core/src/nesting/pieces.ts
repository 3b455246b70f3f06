/** The items to pack: single pieces, or a matched group as one block with its parts side by side. Each item lists its allowed orientations. */
import type { Length } from '../length/length.ts';
import { trimOf, type NestPart, type NestProblem, type NestSheet } from './problem.ts';

/** One orientation of an item; for a block, with the places of its parts. */
export interface PackLie {
  readonly dx: number;
  readonly dy: number;
  readonly turned: boolean;
  /** Matched group: the direction its parts follow one another in. */
  readonly run: 'x' | 'y' | null;
  /** Two joined items: the first along the axis, and the second a kerf further. */
  readonly join?: { readonly axis: 'x' | 'y'; readonly first: Inner; readonly second: Inner };
}

interface Inner {
  readonly item: PackItem;
  readonly lie: PackLie;
}

export interface PackItem {
  readonly index: number;
  readonly parts: readonly NestPart[];
  readonly lies: readonly PackLie[];
  readonly area: number;
  /** Items with the same value here share a sheet. */
  readonly together: string | null;
}

export interface StockArea {
  readonly sheet: NestSheet;
  /** Usable area inside the trim. */
  readonly dx: number;
  readonly dy: number;
}

export const stockAreasOf = (problem: NestProblem): StockArea[] =>
  problem.sheets.map((sheet) => {
    const trim = trimOf(problem, sheet);
    return { sheet, dx: sheet.length - 2 * trim, dy: sheet.width - 2 * trim };
  });

/** Number of copies still to place: pinned ones already lie. */
function loose({ sheets }: NestProblem, { id, count }: NestPart): number {
  return count - sheets.reduce((sum, { pins }) => sum + (pins ?? []).filter(({ part }) => part === id).length, 0);
}

export const lieOf = ({ length, width, grain }: NestPart): PackLie[] => {
  const straight: PackLie = { dx: length, dy: width, turned: false, run: null };
  const turned: PackLie = { dx: width, dy: length, turned: true, run: null };
  if (grain === 'length') return [straight];
  if (grain === 'width') return [turned];
  return length === width ? [straight] : [straight, turned];
};

/** Items to place, and parts that fit on no sheet. */
export function itemsOf(problem: NestProblem): { items: PackItem[]; impossible: { part: NestPart; why: string }[] } {
  const beds = stockAreasOf(problem).filter(({ sheet }) => sheet.count !== 0);
  const fits = ({ dx, dy }: PackLie): boolean => beds.some((bed) => dx <= bed.dx && dy <= bed.dy);
  const items: PackItem[] = [];
  const impossible: { part: NestPart; why: string }[] = [];
  const groups = new Map<string, NestPart[]>();
  for (const part of problem.parts) {
    if (part.group !== null) {
      groups.set(part.group, [...(groups.get(part.group) ?? []), part]);
      continue;
    }
    const lies = lieOf(part).filter(fits);
    if (lies.length === 0) impossible.push({ part, why: whyNot(part, problem) });
    else for (let n = 0, count = loose(problem, part); n < count; n++) items.push(item(items.length, [part], lies));
  }
  for (const [name, members] of groups) {
    const parts = [...members].sort((a, b) => a.order - b.order).flatMap((part) => Array.from({ length: loose(problem, part) }, () => part));
    if (parts.length === 0) continue;
    const lies = blockLies(parts, problem.kerf).filter(fits);
    if (lies.length === 0) members.forEach((part) => impossible.push({ part, why: `the parts of group '${name}' fit side by side on no sheet` }));
    else items.push(item(items.length, parts, lies));
  }
  return { items: tied(items), impossible };
}

/** Groups identical items: copies of one part. */
export function kindsOf(items: readonly PackItem[]): PackItem[][] {
  const byLies = new Map<PackItem['lies'], PackItem[]>();
  for (const each of items) {
    const alike = byLies.get(each.lies);
    if (alike) alike.push(each);
    else byLies.set(each.lies, [each]);
  }
  return [...byLies.values()];
}

/** A matched group whose parts belong to several ties merges them into one. */
function tied(items: readonly PackItem[]): PackItem[] {
  const of = new Map<string, string>();
  const root = (tag: string): string => {
    const next = of.get(tag) ?? tag;
    return next === tag ? tag : root(next);
  };
  const tagsOf = ({ parts }: PackItem): string[] => parts.flatMap(({ together }) => together ?? []);
  for (const each of items) {
    const [first, ...others] = tagsOf(each);
    for (const other of others) of.set(root(other), root(first!));
  }
  return items.map((each) => {
    const [tag] = tagsOf(each);
    return tag === undefined ? each : { ...each, together: root(tag) };
  });
}

const item = (index: number, parts: readonly NestPart[], lies: readonly PackLie[]): PackItem => ({
  index,
  parts,
  lies,
  area: lies[0]!.dx * lies[0]!.dy,
  together: null,
});

/** Whether a part lies turned: decided by its grain or, without grain, by the orientation. */
export const isTurned = ({ grain }: NestPart, lie: Pick<PackLie, 'turned'>): boolean => (grain === 'either' ? lie.turned : grain === 'width');

/** A block whose parts follow one another along x or along y, a kerf apart; parts that may be turned all lie the same way. */
function blockLies(parts: readonly NestPart[], kerf: Length): PackLie[] {
  const turns = parts.some(({ grain }) => grain === 'either') ? [false, true] : [false];
  const lies: PackLie[] = [];
  for (const turned of turns) {
    const sizes = parts.map((part) => (isTurned(part, { turned }) ? { dx: part.width, dy: part.length } : { dx: part.length, dy: part.width }));
    const kerfs = (parts.length - 1) * kerf;
    const sum = (axis: 'dx' | 'dy'): number => sizes.reduce((total, size) => total + size[axis], kerfs);
    const most = (axis: 'dx' | 'dy'): number => Math.max(...sizes.map((size) => size[axis]));
    lies.push({ dx: sum('dx'), dy: most('dy'), turned, run: 'x' }, { dx: most('dx'), dy: sum('dy'), turned, run: 'y' });
  }
  return lies;
}

function whyNot(part: NestPart, problem: NestProblem): string {
  if (!problem.sheets.some(({ count }) => count !== 0)) return 'there is no sheet';
  const turnable = lieOf({ ...part, grain: 'either' }).some(({ dx, dy }) => stockAreasOf(problem).some((bed) => dx <= bed.dx && dy <= bed.dy));
  return turnable ? 'it fits only across the grain' : 'it is larger than every sheet inside its trim';
}
