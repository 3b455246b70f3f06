/** One link of the chain from the thing on the shelf to the stud, and the marks it is judged by. */
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
  /** Up to here the link is fine. */
  readonly fineTo: number;
  /** Past here it is over; Infinity where another link takes its place. */
  readonly limit: number;
  /** Panels to light up. */
  readonly panels: readonly string[];
  /** Where screws are pulled and sheared at once. */
  readonly otherRules?: OtherRules;
  /** The part load it is used most under; undefined for all of the contents. */
  readonly partly?: PartialLoadKind;
}

/** Which part of the contents is in: that which lies furthest out, to the left, to the right. */
export type PartialLoadKind = 'part-out' | 'part-left' | 'part-right';

/** Fine up to here; from here to 1 it is tight. docs/formulas/hanging-verdict.md */
export const FINE_USE = ASSUMED.fineUse.value;
/** The tip ratio is fine up to here; past it the cabinet must be locked against lifting off. */
export const FINE_TIP = ASSUMED.fineTip.value;

export const link = (row: Omit<Link, 'fineTo' | 'limit'> & Partial<Pick<Link, 'fineTo' | 'limit'>>): Link => ({ fineTo: FINE_USE, limit: 1, ...row });

/** How near a link is to its limit; one without a limit of its own counts against 1. */
export const nearnessToLimit = ({ use, limit }: Pick<Link, 'use' | 'limit'>): number => use.value / (Number.isFinite(limit) ? limit : 1);

/** The most any link of a chain is used, as a share of its limit. */
export const mostUtilized = (links: readonly Link[]): number => Math.max(0, ...links.map(nearnessToLimit));

/** Load over capacity; a joint that holds nothing is far over as soon as it has to. */
export const JOINT_UTILIZATION = formula({
  label: 'joint-use',
  unit: 'share',
  text: 'load / capacity',
  source: '[eq]',
  terms: { load: 'N', capacity: 'N' },
  compute: ({ load, capacity }) => (capacity > 0 ? load / capacity : load > 0 ? 99 : 0),
});
/** The same of a joint that is turned open. */
export const MOMENT_UTILIZATION = formula({
  label: 'joint-use',
  unit: 'share',
  text: 'M / capacity',
  source: '[eq]',
  terms: { M: 'N mm', capacity: 'N mm' },
  compute: ({ M, capacity }) => (capacity > 0 ? M / capacity : M > 0 ? 99 : 0),
});
