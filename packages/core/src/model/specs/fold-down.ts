/** Spec of a fold-down surface. */
import type { SpecBase, ScrewChoice } from './spec-base.ts';
import type { Entered } from '../../length/entered.ts';

export interface FoldDown extends SpecBase {
  readonly family: 'fold-down';
  /** The state that is drawn and checked. */
  readonly state: 'open' | 'folded';
  readonly leafStock: string;
  readonly ledger: Entered;
  readonly hinge: 'butt' | 'piano' | 'drop-leaf';
  /** gate: wooden brackets that swing. bracket: bought folding ones. leg: legs that fold under the leaf. */
  readonly supports: 'gate' | 'bracket' | 'leg';
  readonly supportCount: number;
  /** Of a gate, from the backboard out; of a leg, its height. */
  readonly reach: Entered;
  readonly gateHeight: Entered;
  readonly gateStock: string;
  /** Rating of a pair of bought brackets or legs. */
  readonly ratedKg: number;
  /** Working load on the front edge. */
  readonly edgeKg: number;
  /** Screws in one leaf of each gate hinge, and in each hinge of the leaf (per 60 mm of a continuous one). */
  readonly hingeScrew: ScrewChoice;
  readonly hingeScrews: number;
  readonly latch: boolean;
}
