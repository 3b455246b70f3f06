/** A cut list line: equal parts, listed once. */
import type { Length } from '../length/length.ts';
import type { EdgeId, Role } from '../solid/panel.ts';
import type { ExplainedLength, Label, Source } from '../explained/explained-length.ts';
import type { Corner } from './corner.ts';
import type { Feature } from './features.ts';
import type { Grain } from '../model/workshop.ts';

/** Directions of a blank's length and width in the cabinet, for naming its ends. */
export interface GrainLie {
  readonly length: CabinetAxis;
  readonly width: CabinetAxis;
}
export type CabinetAxis = 'along' | 'up' | 'out';

export interface PartLine {
  /** Stable while the panels exist: the id of the first panel. */
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
  /** Mark of its mirror image. */
  readonly mirrorOf: string | null;
  /** Outline cut out of the blank, where it is no rectangle and no panel describes it. */
  readonly outline?: readonly Corner[];
}
