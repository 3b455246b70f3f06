/** Inputs of the checks of one cabinet. */
import type { Stocked } from '../cabinets/box-frame.ts';
import type { HangingAnalysis } from '../hang/hang.ts';
import type { HangInput } from '../hang/hang-input.ts';
import type { Misfit } from '../joints/as-built.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { ShelfSag } from '../sag/cabinet-sag.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { RowAnswer } from '../contents/row.ts';
import type { ReachZone } from '../contents/person.ts';
import type { WallFacts } from '../wall/facts.ts';
import type { Wall } from '../model/wall.ts';
import type { Seating } from '../hang/seating.ts';
import type { Finding } from './finding.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import type { UnpricedWorkshop } from '../model/workshop.ts';

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
  /** Its seating allowance, and the first hang it was learned from. */
  readonly seating: Seating;
  /** First cut direction of the sheets. */
  readonly cutFirst: 'any' | 'rip' | 'crosscut' | 'breakdown';
  readonly workshop: UnpricedWorkshop;
  /** Price of a product; asked for where a spoiled part is made again, and nowhere else. */
  readonly priceOf: (productId: string) => number;
  readonly stockOf: (productId: string) => Stocked;
  readonly rows: readonly RowAnswer[];
  readonly zone: ReachZone;
  /** Cut parts that no longer fit. */
  readonly misfits: readonly Misfit[];
  /** Panels whose surroundings are already glued up (build/late-parts.ts). */
  readonly late: readonly string[];
}

export type Check = (context: CheckContext) => Finding[];

/** A path inside the cabinet being checked. */
export const inSpec = ({ spec }: CheckContext, ...path: string[]): string[] => ['units', spec.id, ...path];
