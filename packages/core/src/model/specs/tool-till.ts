/** Spec of a tool till. */
import type { Entered } from '../../length/entered.ts';
import type { SpecBase } from './spec-base.ts';

/** A place for one tool. */
export interface Bay {
  readonly id: string;
  readonly order: number;
  /** Name of the tool in it. */
  readonly tool: string;
  /** Across the tool; null shares the rest. */
  readonly width: Entered | null;
  /** Along the panel, for magnets. */
  readonly toolLength: Entered;
  readonly kg: number;
  /** ledge: stands on the bottom. magnets: held off it. */
  readonly held: 'ledge' | 'magnets';
  /** A block under a short tool; null for none. */
  readonly block: Entered | null;
  /** Reserved for a future tool. */
  readonly spare: boolean;
}

export interface ToolTill extends SpecBase {
  readonly family: 'tool-till';
  /** wide: one till with a bay for each tool. modules: a narrow till for each, side by side on one cleat. */
  readonly together: 'wide' | 'modules';
  /** Clearance between two modules. */
  readonly moduleGap: Entered;
  /** Tilt of the panel from upright. */
  readonly tiltDeg: number;
  /** tapered: the sides' front edges follow the panel. parallel: upright. */
  readonly sides: 'tapered' | 'parallel';
  /** From the panel's face to the sides' front edges at the bottom: standing room of the tools. */
  readonly ledge: Entered;
  /** Height of the strip in front of the tools; null for none. */
  readonly lip: Entered | null;
  readonly panelStock: string;
  readonly dividerStock: string;
  /** Height of the dividers along their front edges. */
  readonly dividers: Entered;
  /** Clearance at each side of a tool. */
  readonly wiggle: Entered;
  /** joints: the panel is joined to the sides. removable: it rests on battens. */
  readonly panel: 'joints' | 'removable';
  /** Dividers against the panel: glued, or dry. */
  readonly dividersBy: 'glue' | 'loose';
  /** Rated pull of one magnet, N, and its safety factor. */
  readonly magnetPull: number;
  readonly magnetFactor: number;
  /** Diameter of a magnet. */
  readonly magnet: Entered;
  /** Inset of the bottom from the sides' ends. */
  readonly under: Entered;
  readonly bays: Readonly<Record<string, Bay>>;
}
