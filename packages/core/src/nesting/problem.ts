/** The nesting problem: pieces and sheets, without cabinets. The file format is docs/nesting.md; formats/nest-problem.ts reads it. */
import type { Length } from '../length/length.ts';
import type { SheetRect, Placement, CutTree } from '../model/sheet-layout.ts';

export type PieceGrain = 'length' | 'width' | 'either';

export interface NestSheet {
  readonly id: string;
  /** Along x. */
  readonly length: Length;
  /** Along y. */
  readonly width: Length;
  /** Number available; null when unlimited. */
  readonly count: number | null;
  readonly grain: 'length' | 'none';
  readonly cost: number | null;
  readonly offcut: boolean;
  /** Trim off its four edges, where it differs from the job's: an offcut with sawn edges needs none. */
  readonly trim?: Length;
  /** Knots, holes, crushed corners: rectangles no part may touch, from the corner of the untrimmed sheet. */
  readonly flaws?: readonly SheetRect[];
  /** Pinned parts. Such a sheet is the only one of its kind, and part of every plan. */
  readonly pins?: readonly Placement[];
}

export interface NestPart {
  readonly id: string;
  readonly length: Length;
  readonly width: Length;
  readonly count: number;
  readonly grain: PieceGrain;
  /** Parts of a group come from one strip, side by side, in order. */
  readonly group: string | null;
  readonly order: number;
  /** Parts with the same value here share one sheet. */
  readonly together?: string | null;
}

/** How a sheet comes apart first: ripped along its length into strips, crosscut into lengths, or broken down into pieces within a size that can be handled. */
export type FirstCut = { readonly by: 'rip' } | { readonly by: 'crosscut' } | { readonly by: 'breakdown'; readonly longest: Length; readonly widest: Length };

export interface NestProblem {
  readonly kerf: Length;
  readonly trim: Length;
  readonly cuts: 'guillotine' | 'free';
  /** Absent: no constraint. */
  readonly first?: FirstCut;
  readonly sheets: readonly NestSheet[];
  readonly parts: readonly NestPart[];
}

export interface NestedSheet {
  readonly sheet: string;
  readonly placements: readonly Placement[];
  /** For guillotine plans. */
  readonly cuts?: CutTree;
}

export interface Unplaced {
  readonly part: string;
  readonly count: number;
  readonly why: string;
}

export interface NestPlan {
  readonly sheets: readonly NestedSheet[];
  readonly unplaced: readonly Unplaced[];
  readonly bound: { readonly sheets: number; readonly cost: number | null; readonly why: string };
  readonly proved: boolean;
  readonly score: { readonly sheets: number; readonly cost: number | null };
  readonly seed: number;
  /** Search steps after which this plan was found. */
  readonly effort: number;
}

/** Lexicographic, less is better: pieces left over, cost where known, sheets, sheets that are not offcuts. */
export type Score = readonly [unplaced: number, cost: number, sheets: number, bought: number];

/** Trim of one sheet's four edges. */
export const trimOf = ({ trim }: Pick<NestProblem, 'trim'>, sheet: Pick<NestSheet, 'trim'>): Length => sheet.trim ?? trim;

/** Whether a plan leaves fewer parts over, costs less, or takes fewer sheets at the same cost. */
export function isBetterPlan(one: NestPlan, other: NestPlan): boolean {
  const figures = ({ unplaced, score }: NestPlan): number[] => [unplaced.reduce((sum, { count }) => sum + count, 0), score.cost ?? 0, score.sheets];
  const [a, b] = [figures(one), figures(other)];
  const at = a.findIndex((value, index) => value !== b[index]);
  return at >= 0 && a[at]! < b[at]!;
}
