/** Machine settings for a cut, and the ways a piece is held. */
import type { Length } from '../length/length.ts';
import type { Face, RectEdge } from '../solid/panel.ts';
import type { RouterSet } from './router.ts';
import type { StackSet } from './dado-stack.ts';
import type { Turned } from './angles.ts';

/**
 * fence: an edge runs along the fence. sled: held square, an end against a stop. edge: a router runs along a straight edge. table: over a router table's
 * fence. guide: a saw runs along a guide on a line. jig: a jig holds the bit. mark: drilled at a mark. line: cut to a line. tall: the piece stands on edge.
 * wedge: on a wedge that turns it.
 */
export type WorkHold = 'fence' | 'sled' | 'edge' | 'table' | 'guide' | 'jig' | 'mark' | 'line' | 'tall' | 'wedge';

/** What makes two operations share a setting: everything that would have to be changed between them. */
export interface Setting {
  /** Equal for equal settings. */
  readonly key: string;
  readonly machine: string;
  readonly held: WorkHold;
  readonly stack?: StackSet;
  readonly router?: RouterSet;
  /** A plain blade that makes a slot: its kerf, and the offset of each further pass. */
  readonly blade?: { readonly cuts: Length; readonly over: readonly Length[] };
  readonly bit?: string;
  /** From the fence, stop or straight edge's reference to the near side of the cutter; 0 buries the cutter in a sacrificial fence. */
  readonly distance?: Length;
  readonly depth?: Length | null;
  /** Start and end of a slot along itself, from the blank's near edge or start; null runs out. */
  readonly stops?: { readonly from: Length | null; readonly to: Length | null };
  readonly tilt?: Turned;
  /** Turned from square to the blank. */
  readonly gaugeDeg?: number;
}

/** One operation at a setting: what lies against the reference, and what faces the cutter. */
export interface OperationWay {
  readonly setting: Setting;
  /** The edge or end against fence, stop or straight edge. */
  readonly against: RectEdge | null;
  readonly face: Face | null;
  /** The piece is too small to hold: it is cut as part of a longer one. */
  readonly longer: boolean;
  /** Cost among equally few settings: a fence is faster than a clamp. */
  readonly trouble: number;
}

export const keyOf = (...parts: readonly (string | number | null | undefined)[]): string => parts.map((part) => part ?? '-').join('|');
