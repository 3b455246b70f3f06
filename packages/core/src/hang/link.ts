/** One link of the load path from the item on the shelf to the stud, and the limits it is judged by. */
import { ASSUMED } from '../assumed/assumed.ts';
import type { Label } from '../explained/explained-length.ts';
import { formula, type ExplainedValue } from '../explained/explained-value.ts';
import type { OtherRules } from './combined.ts';

export type LinkKind =
  | 'wall-screws'
  | 'wall-half-bending'
  | 'cabinet-screws'
  | 'rail-joint'
  | 'floor-joint'
  | 'prop'
  | 'leaf-hinge'
  | 'ledger'
  | 'leaf-bending'
  | 'slide'
  | 'tab'
  | 'tip'
  | 'spacer'
  | 'hold-down'
  | 'bevel-bearing'
  | 'plane-back'
  | 'plane-second';

export interface Link {
  readonly id: string;
  readonly kind: LinkKind;
  readonly name: Label;
  /** Demand over capacity. */
  readonly use: ExplainedValue;
  /** Up to this utilization the link is OK. */
  readonly fineTo: number;
  /** Above this it is over limit; Infinity where another link takes over. */
  readonly limit: number;
  /** Panels to highlight. */
  readonly panels: readonly string[];
  /** For fasteners in combined pull and shear. */
  readonly otherRules?: OtherRules;
  /** The partial filling under which it is most utilized; undefined for the full contents. */
  readonly partly?: PartialLoadKind;
}

/** Which part of the contents is in: the one furthest out, furthest left or furthest right. */
export type PartialLoadKind = 'part-out' | 'part-left' | 'part-right';

/** OK up to here; from here to 1 it is close to the limit. docs/formulas/hanging-verdict.md */
export const FINE_USE = ASSUMED.fineUse.value;
/** The tip ratio is OK up to here; above it the cabinet must be locked against lifting off. */
export const FINE_TIP = ASSUMED.fineTip.value;

export const link = (row: Omit<Link, 'fineTo' | 'limit'> & Partial<Pick<Link, 'fineTo' | 'limit'>>): Link => ({ fineTo: FINE_USE, limit: 1, ...row });

/** Utilization as a share of the link's own limit, or of 1 where it has none. */
export const nearnessToLimit = ({ use, limit }: Pick<Link, 'use' | 'limit'>): number => use.value / (Number.isFinite(limit) ? limit : 1);

/** Greatest utilization of any link, as a share of its limit. */
export const mostUtilized = (links: readonly Link[]): number => Math.max(0, ...links.map(nearnessToLimit));

/** Load over capacity, with a large finite value for a loaded joint without capacity. */
export const JOINT_UTILIZATION = formula({
  label: 'joint-use',
  unit: 'share',
  text: 'load / capacity',
  source: '[eq]',
  terms: { load: 'N', capacity: 'N' },
  compute: ({ load, capacity }) => (capacity > 0 ? load / capacity : load > 0 ? 99 : 0),
});
/** The same for a joint in bending. */
export const MOMENT_UTILIZATION = formula({
  label: 'joint-use',
  unit: 'share',
  text: 'M / capacity',
  source: '[eq]',
  terms: { M: 'N mm', capacity: 'N mm' },
  compute: ({ M, capacity }) => (capacity > 0 ? M / capacity : M > 0 ? 99 : 0),
});
