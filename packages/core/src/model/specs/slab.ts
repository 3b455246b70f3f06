/** Spec of a slab: thick shelves built up from a core. */
import type { Entered } from '../../length/entered.ts';
import type { SpecBase } from './spec-base.ts';

export interface Section {
  readonly id: string;
  readonly order: number;
  /** Null shares the rest. */
  readonly width: Entered | null;
}

export interface Slab extends SpecBase {
  readonly family: 'slab';
  /** A strip between two sections; null for none. */
  readonly strip: Entered | null;
  readonly stripStock: string;
  /** Thickness of the mitered edging around all four edges, as deep as the slab is thick; null for bare edges. */
  readonly edgingStock: string | null;
  /** A board across the top that projects to the front; null for none. */
  readonly cap: Entered | null;
  /** Narrower slabs beside it on cleats of their own, aligned by dowels; null for none. */
  readonly wingLeft: Entered | null;
  readonly wingRight: Entered | null;
  readonly sections: Readonly<Record<string, Section>>;
}
