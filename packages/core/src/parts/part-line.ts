/** A line of the cut list: equal parts, told once. */
import type { Length } from '../length/length.ts';
import type { EdgeId, Grain, Role } from '../solid/panel.ts';
import type { ExplainedLength, Label, Source } from '../explained/explained-length.ts';
import type { Corner } from './corner.ts';
import type { Feature } from './features.ts';

/** Which way a blank's length and width lie in the unit, so that its ends can be named. */
export interface GrainLie {
  readonly length: CabinetAxis;
  readonly width: CabinetAxis;
}
export type CabinetAxis = 'along' | 'up' | 'out';

export interface PartLine {
  /** Stable while the panels stay: the id of the first panel. */
  readonly id: string;
  readonly mark: string;
  readonly unit: string;
  readonly role: Role | 'cleat-blank' | 'loose';
  readonly names: readonly Label[];
  readonly panels: readonly string[];
  readonly count: number;
  readonly length: ExplainedLength;
  readonly width: ExplainedLength;
  readonly thickness: Length;
  readonly thicknessFrom: Source;
  readonly stock: string;
  readonly grain: Grain;
  readonly bands: readonly EdgeId[];
  readonly features: readonly Feature[];
  readonly lie: GrainLie;
  /** The mark of its mirror image. */
  readonly mirrorOf: string | null;
  /** Sawn out of the blank, where that is no rectangle and no panel says it. */
  readonly outline?: readonly Corner[];
}
