/** The geometry of a cabinet as a family delivers it: panels, connections, compartments and hanging. Loads, parts, drawings and setups read it. */
import type { FixKey } from '../checks/words/fixes.ts';
import type { Length } from '../length/length.ts';
import type { ExplainedLength, Label, Source } from '../explained/explained-length.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { Connection } from './connection.ts';
import type { Panel } from './panel.ts';
import { resolve, type ConnectionFault, type ResolvedPanel } from './resolve.ts';
import type { HangingKind } from '../model/specs/spec-base.ts';

/** A space for contents. Positions are in the cabinet frame. */
export interface Compartment {
  readonly id: string;
  readonly name: Label;
  /** The panel the contents stand on. */
  readonly floor: string;
  /** The element of the spec that keeps its contents. */
  readonly keptBy: string;
  readonly width: ExplainedLength;
  readonly height: ExplainedLength;
  readonly depth: ExplainedLength;
  /** Contents that the spec itself assigns: a tool to its bay. */
  readonly ownKg?: { readonly value: number; readonly source: Source };
  /** Inside a part that stands on the floor: its contents do not hang. */
  readonly stands?: boolean;
  /** Left end, floor and rear of the space. */
  readonly at: { readonly along: Length; readonly up: Length; readonly out: Length };
}

/** What keeps the cabinet's bottom off the wall. */
export type Standoff = 'spacer' | 'lower-cleat' | 'carcass' | 'nothing';

/** The result of ripping the cleat board, and the engagement of its halves. */
export interface Rip {
  readonly longFaces: ExplainedValue;
  readonly shortFace: ExplainedValue;
  readonly engagement: ExplainedValue;
}

/** Whether it hangs on beveled cleats, rather than held straight to the wall. */
export const hangsOnCleat = ({ kind }: Pick<Hanging, 'kind'>): boolean => kind === 'outside' || kind === 'recessed';

export interface Hanging {
  readonly kind: HangingKind;
  readonly bevelDeg: number;
  /** Thickness of the part screwed to the studs. */
  readonly cleatThickness: Length;
  /** From the wall to the rear face of that part: zero for a cleat; back and setback for a rail that is screwed through. */
  readonly stripOff: Length;
  /** From the wall to the back of the carcass (outside) or to the back's rear face (recessed). */
  readonly gap: Length;
  readonly standoff: Standoff;
  readonly spacerThickness: Length;
  /** The part screwed to the studs: the wall cleat or, screwed through, the hanging rail or backboard. */
  readonly wallHalf: string;
  /** What the cabinet hangs by: the cabinet cleat, or the leftmost of its brackets; without a cleat, the part screwed to the studs. */
  readonly cabinetHalf: string;
  /** The brackets the cabinet cleat is cut into, from the left; a cleat in one piece is its own bracket. */
  readonly brackets: readonly string[];
  /** Notch in the wall cleat's lower edge, in the cabinet frame; null for none. */
  readonly notch: { readonly from: Length; readonly to: Length; readonly depth: Length } | null;
  /** Keyhole plates: rating of each, kg, 0 where unknown; projection of the screw heads. */
  readonly plate: { readonly ratedKg: number; readonly ratedFrom: Source; readonly proud: Length } | null;
  /** Bolts to floor or ceiling: their number, and the rating of each in any direction, N, 0 where unknown. */
  readonly second: { readonly plane: 'top' | 'bottom'; readonly count: number; readonly ratedN: number; readonly ratedFrom: Source } | null;
  readonly spacer: string | null;
  readonly hangingRail: string | null;
  /** The second, lower cleat; null for none. */
  readonly lower: { readonly wallHalf: string; readonly cabinetHalf: string } | null;
  /** Cleats of parts beside it, ripped like its own. */
  readonly beside?: readonly { readonly wallHalf: string; readonly cabinetHalf: string }[];
  /** The wall cleat belongs to a wall rail and is not cut with this cabinet. */
  readonly onRail: boolean;
  /** Pieces of that rail, mm from the cabinet's left end; absent for one piece. */
  readonly pieces?: readonly { readonly from: number; readonly to: number }[];
  /** Heights above the cabinet's bottom: start of the bevel at the wall (screwed through: the top of the part), its middle, the middle of the standoff. */
  readonly valleyUp: Length;
  readonly contactUp: Length;
  readonly standoffUp: Length;
  readonly shortFace: Length;
  readonly longFace: Length;
  /** Null when nothing is ripped: screwed through. */
  readonly rip: Rip | null;
  readonly boardWidth: Length;
  readonly boardFrom: Source;
  /** How far the cabinet cleat's top is below the cabinet's top. */
  readonly drop: Length;
  /** Screws per stud: in a row under the bevel, and in a low row. */
  readonly wallScrew: { readonly screw: string; readonly length: Length; readonly upper: number; readonly lower: number };
  /** Screws from inside the cabinet into the cabinet cleat. */
  readonly cabinetScrew: { readonly screw: string; readonly length: Length; readonly count: number };
  /** Lock screw through the bottom into a stud, against lifting off. */
  readonly antiLift: boolean;
}

/** Hardware: bought, counted, drawn and listed, never cut. */
export interface Hardware {
  readonly id: string;
  readonly kind: 'hinge' | 'handle' | 'stay' | 'pin' | 'slide' | 'magnet' | 'foot' | 'bracket' | 'latch' | 'dowel';
  readonly name: Label;
  readonly count: number;
  /** The panel it belongs to. */
  readonly panel: string;
  /** Maker's rating of a pair or set, kg; absent where not needed. */
  readonly ratedKg?: number;
  /** Screws of each piece. */
  readonly screws?: HingeScrews;
}

/** Supports that hold a hinged leaf level: number and reach. Read by hang; families only describe them. */
export interface Prop {
  /** gate: a board that swings on hinges of the panel behind it. bracket: bought, folds. leg: stands on the floor. */
  readonly kind: 'gate' | 'bracket' | 'leg';
  readonly leaf: string;
  /** What the leaf is hinged to. */
  readonly ledger: string;
  readonly count: number;
  /** From the leaf's hinge line out to its last bearing point. */
  readonly reach: Length;
  /** From the rear face of the ledger to the hinge line. */
  readonly ledgerDeep: Length;
  /** Of a gate: distance of its uppermost and lowest hinge, and the screws of each. */
  readonly hingesApart: Length;
  readonly hingeScrews: HingeScrews | null;
  /** Bought ones: rating of a pair, kg. */
  readonly ratedKg: number | null;
  /** Its panels; none for bought ones. */
  readonly panels: readonly string[];
  /** What would strengthen it: a value for a path of the cabinet, with its fix words. */
  readonly stronger: readonly { readonly label: FixKey; readonly path: readonly string[]; readonly value: unknown }[];
}

export interface HingeScrews {
  readonly screw: string;
  readonly length: Length;
  /** In one leaf of one hinge. */
  readonly count: number;
}

/** A user point load at its worst position: someone works on an edge. Positions in the cabinet frame. */
export interface Pressed {
  readonly kg: number;
  readonly from: Source;
  readonly at: { readonly along: Length; readonly up: Length; readonly out: Length };
}

/** A drag handle in the drawing: moving the panel along an axis changes the value at a path of the cabinet. */
export interface Handle {
  readonly panel: string;
  readonly path: readonly string[];
  readonly axis: 'along' | 'up' | 'out';
  readonly kind: 'length' | 'degrees';
  /** Current value: nanometers, or degrees. */
  readonly value: number;
  /** Change of the value per millimeter of drag: nanometers or degrees. */
  readonly perMm: number;
  /** Limits of the value. */
  readonly least?: number;
  readonly most?: number;
}

/** A size entered where it would have been derived: its value, and the derived one. */
export interface OverriddenSize {
  readonly name: Label;
  readonly panel: string;
  /** Inside the cabinet; null there derives it again. */
  readonly path: readonly string[];
  readonly value: Length;
  readonly derived: Length;
  /** It must fill the rest: less leaves a gap, more overruns. */
  readonly fills?: true;
  /** Thickness of what it runs past: forgotten once or twice, it explains the difference. */
  readonly thickness: Length;
}

export interface CabinetGeometry {
  readonly id: string;
  readonly panels: readonly Panel[];
  readonly connections: readonly Connection[];
  readonly compartments: readonly Compartment[];
  readonly hardware: readonly Hardware[];
  readonly handles?: readonly Handle[];
  readonly props?: readonly Prop[];
  readonly overriddenSizes?: readonly OverriddenSize[];
  readonly pressed?: Pressed;
  readonly hanging: Hanging;
  readonly outside: { readonly width: ExplainedLength; readonly height: ExplainedLength; readonly depth: ExplainedLength };
}

export interface ResolvedCabinet extends Omit<CabinetGeometry, 'panels'> {
  /** Connections that the sizes make impossible. */
  readonly faults: readonly ConnectionFault[];
  readonly panels: readonly ResolvedPanel[];
  readonly byId: ReadonlyMap<string, ResolvedPanel>;
  /** Connections by guest panel, and by host panel; ask with connectionsOf(). */
  readonly asGuest: ReadonlyMap<string, readonly Connection[]>;
  readonly asHost: ReadonlyMap<string, readonly Connection[]>;
}

export function resolveCabinet(cabinet: CabinetGeometry): ResolvedCabinet {
  const faults: ConnectionFault[] = [];
  const panels = resolve(cabinet.panels, cabinet.connections, (fault) => faults.push(fault));
  const asGuest = new Map<string, Connection[]>();
  const asHost = new Map<string, Connection[]>();
  for (const connection of cabinet.connections) {
    listed(asGuest, connection.guest, connection);
    listed(asHost, connection.host, connection);
  }
  return { ...cabinet, panels, faults, byId: new Map(panels.map((panel) => [panel.id, panel])), asGuest, asHost };
}

function listed(lists: Map<string, Connection[]>, panel: string, connection: Connection): void {
  const list = lists.get(panel);
  if (list) list.push(connection);
  else lists.set(panel, [connection]);
}

/** Connections of a panel as guest (`asGuest`), or as host (`asHost`), in the cabinet's order. */
export const connectionsOf = (cabinet: ResolvedCabinet, as: 'asGuest' | 'asHost', panel: string): readonly Connection[] =>
  cabinet[as].get(panel) ?? NO_MEETINGS;
const NO_MEETINGS: readonly Connection[] = [];
