/** What a check of one cabinet may read. */
import type { Stocked } from '../carcass/box-frame.ts';
import type { CabinetSpec } from '../carcass/families.ts';
import type { HangingAnalysis } from '../hang/hang.ts';
import type { HangInput } from '../hang/hang-input.ts';
import type { Misfit } from '../joints/as-built.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { ShelfSag } from '../sag/cabinet-sag.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Workshop } from '../stock/workshop.ts';
import type { RowAnswer } from '../contents/row.ts';
import type { ReachZone } from '../contents/person.ts';
import type { WallFacts } from '../wall/facts.ts';
import type { Wall } from '../wall/wall.ts';
import type { Seating } from '../hang/seating.ts';
import type { Finding } from './finding.ts';

export interface CheckContext {
  readonly spec: CabinetSpec;
  readonly cabinet: ResolvedCabinet;
  readonly hangInput: HangInput;
  readonly hang: HangingAnalysis;
  readonly sag: readonly ShelfSag[];
  readonly parts: readonly PartLine[];
  readonly wall: Wall;
  readonly facts: WallFacts;
  readonly children: boolean;
  readonly earthquakes: boolean;
  /** How far its halves settle into one another, and the first hang it was learned from. */
  readonly seating: Seating;
  /** What comes first when sheets are cut up. */
  readonly cutFirst: 'any' | 'rip' | 'crosscut' | 'breakdown';
  readonly workshop: Workshop;
  readonly stockOf: (productId: string) => Stocked;
  readonly rows: readonly RowAnswer[];
  readonly zone: ReachZone;
  /** What is cut and no longer fits. */
  readonly misfits: readonly Misfit[];
  /** Panels that would be glued in where all round them is glued already (build/late-parts.ts). */
  readonly late: readonly string[];
}

export type Check = (context: CheckContext) => Finding[];

/** A path into the cabinet that is being checked. */
export const inSpec = ({ spec }: CheckContext, ...path: string[]): string[] => ['units', spec.id, ...path];
