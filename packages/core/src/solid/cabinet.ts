/** A cabinet as a family hands it on: panels, connections, compartments and how it hangs. Loads, parts, drawings and setups read this. */
import type { FixKey } from '../checks/words/fixes.ts';
import type { Length } from '../length/length.ts';
import type { ExplainedLength, Label, Source } from '../explained/explained-length.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { Connection } from './connection.ts';
import type { Panel } from './panel.ts';
import { resolve, type ConnectionFault, type ResolvedPanel } from './resolve.ts';

/** A space things stand in. Positions are in the cabinet frame. */
export interface Compartment {
  readonly id: string;
  readonly name: Label;
  /** The panel things stand on. */
  readonly floor: string;
  /** The element of the design whose record keeps the contents. */
  readonly keptBy: string;
  readonly width: ExplainedLength;
  readonly height: ExplainedLength;
  readonly depth: ExplainedLength;
  /** What the design itself gives to this space: a tool to its bay. */
  readonly ownKg?: { readonly value: number; readonly source: Source };
  /** In a part that stands on the floor: what it holds is not hung. */
  readonly stands?: boolean;
  /** Left end, floor and rear of the space. */
  readonly at: { readonly along: Length; readonly up: Length; readonly out: Length };
}

/** What keeps the cabinet's bottom off the wall. */
export type Standoff = 'spacer' | 'lower-cleat' | 'carcass' | 'nothing';

/** What the rip of a cleat's board leaves, and how far its halves hook over one another. */
export interface Rip {
  readonly longFaces: ExplainedValue;
  readonly shortFace: ExplainedValue;
  readonly engagement: ExplainedValue;
}

/** On a bevel: with a cleat of two halves that hook, not held straight to the wall. */
export const hangsOnCleat = ({ kind }: Pick<Hanging, 'kind'>): boolean => kind === 'outside' || kind === 'recessed';

export interface Hanging {
  /** On a cleat outside the back with a spacer, or in the depth behind an inset back; screwed through what it hangs by; by keyhole plates on the heads of screws. */
  readonly kind: 'outside' | 'recessed' | 'through' | 'plates';
  readonly bevelDeg: number;
  /** Of the strip that is screwed to the studs. */
  readonly cleatThickness: Length;
  /** From the wall to the rear face of that strip: nothing for a cleat, a back and its setback for a rail that is screwed through. */
  readonly stripOff: Length;
  /** From the wall to the back of the carcass (outside) or to the back's rear face (recessed). */
  readonly gap: Length;
  readonly standoff: Standoff;
  readonly spacerThickness: Length;
  /** The strip that is screwed to the studs: the cleat's wall cleat or, screwed through, the hanging rail or backboard. */
  readonly wallHalf: string;
  /** What the cabinet hangs by: the cabinet cleat, the leftmost of its brackets; without a cleat, the same strip. */
  readonly cabinetHalf: string;
  /** The brackets the cabinet cleat is cut into, from the left; itself where it is whole. */
  readonly brackets: readonly string[];
  /** Cut out of the wall cleat's lower edge, in the cabinet frame; null for none. */
  readonly notch: { readonly from: Length; readonly to: Length; readonly depth: Length } | null;
  /** Hung by plates: what each carries as its maker says, kg, 0 where nobody knows; how far the screws' heads stand off the wall. */
  readonly plate: { readonly ratedKg: number; readonly ratedFrom: Source; readonly proud: Length } | null;
  /** Bolted to floor or ceiling too: how many fixings, and what each holds any way as its maker says, N, 0 where nobody knows. */
  readonly second: { readonly plane: 'top' | 'bottom'; readonly count: number; readonly ratedN: number; readonly ratedFrom: Source } | null;
  readonly spacer: string | null;
  readonly hangingRail: string | null;
  /** The second cleat of a module, below the first; null for none. */
  readonly lower: { readonly wallHalf: string; readonly cabinetHalf: string } | null;
  /** Cleats of parts beside it, ripped as its own. */
  readonly beside?: readonly { readonly wallHalf: string; readonly cabinetHalf: string }[];
  /** The wall cleat belongs to a rail of the wall and is not cut with this cabinet. */
  readonly onRail: boolean;
  /** Pieces that rail is butted from, mm from the cabinet's left end; absent where it is one. */
  readonly pieces?: readonly { readonly from: number; readonly to: number }[];
  /** Above the cabinet's bottom: where the bevel starts at the wall (the strip's top, screwed through), its middle, the middle of the standoff. */
  readonly valleyUp: Length;
  readonly contactUp: Length;
  readonly standoffUp: Length;
  readonly shortFace: Length;
  readonly longFace: Length;
  /** Null when nothing is ripped: screwed through. */
  readonly rip: Rip | null;
  readonly boardWidth: Length;
  readonly boardFrom: Source;
  /** How far the cabinet cleat's top stands below the cabinet's top. */
  readonly drop: Length;
  /** Screws into each stud: in a row under the bevel, and in a low row. */
  readonly wallScrew: { readonly screw: string; readonly length: Length; readonly upper: number; readonly lower: number };
  /** Screws from inside the unit into the cabinet cleat. */
  readonly cabinetScrew: { readonly screw: string; readonly length: Length; readonly count: number };
  /** A screw through the bottom of the unit into a stud, so that it cannot be lifted off. */
  readonly antiLift: boolean;
}

/** What is bought and screwed on: counted, drawn and listed, never cut. */
export interface Hardware {
  readonly id: string;
  readonly kind: 'hinge' | 'handle' | 'stay' | 'pin' | 'slide' | 'magnet' | 'foot' | 'bracket' | 'latch' | 'dowel';
  readonly name: Label;
  readonly count: number;
  /** The panel it belongs to. */
  readonly panel: string;
  /** What a pair or a set of it carries, as its maker rates it, kg; absent where that is not asked. */
  readonly ratedKg?: number;
  /** How each piece of it is screwed on. */
  readonly screws?: HingeScrews;
}

/** What holds a hinged leaf level: how many, and how far they reach under it. Read by hang, never worked out by a family. */
export interface Prop {
  /** gate: a board that swings on hinges of the panel behind it. bracket: bought, folds. leg: stands on the floor. */
  readonly kind: 'gate' | 'bracket' | 'leg';
  readonly leaf: string;
  /** What the leaf is hinged to. */
  readonly ledger: string;
  readonly count: number;
  /** From the leaf's hinge line outwards to where it last bears the leaf. */
  readonly reach: Length;
  /** From the rear face of the ledger to the hinge line. */
  readonly ledgerDeep: Length;
  /** Of a gate, between its uppermost and its lowest hinge; and how each of the two is screwed on. */
  readonly hingesApart: Length;
  readonly hingeScrews: HingeScrews | null;
  /** Of bought ones: what a pair carries, kg. */
  readonly ratedKg: number | null;
  /** Panels it is made of; none for bought ones. */
  readonly panels: readonly string[];
  /** What would make it stronger: a value for a path of the cabinet, in words of the fixes. */
  readonly stronger: readonly { readonly label: FixKey; readonly path: readonly string[]; readonly value: unknown }[];
}

export interface HingeScrews {
  readonly screw: string;
  readonly length: Length;
  /** In one leaf of one hinge. */
  readonly count: number;
}

/** Someone works on an edge: a weight that belongs to nothing, in the place where it says most. Positions in the cabinet frame. */
export interface Pressed {
  readonly kg: number;
  readonly from: Source;
  readonly at: { readonly along: Length; readonly up: Length; readonly out: Length };
}

/** Something a hand can take hold of in the drawing: dragging the panel along an axis changes the value at a path of the cabinet. */
export interface Handle {
  readonly panel: string;
  readonly path: readonly string[];
  readonly axis: 'along' | 'up' | 'out';
  readonly kind: 'length' | 'degrees';
  /** As it stands: nanometers, or degrees. */
  readonly value: number;
  /** How the value goes with a millimeter of the drag: nanometers or degrees. */
  readonly perMm: number;
  /** What may be entered there. */
  readonly least?: number;
  readonly most?: number;
}

/** A size somebody typed where it would have followed by itself: what it is, and what it would have been. */
export interface OverriddenSize {
  readonly name: Label;
  readonly panel: string;
  /** Inside the cabinet; null there lets it follow. */
  readonly path: readonly string[];
  readonly value: Length;
  readonly derived: Length;
  /** It is to fill what the others leave: less stays open, more runs past. */
  readonly fills?: true;
  /** Of what it runs past: forgotten once or twice, that is the difference. */
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
  /** Connections the sizes do not allow. */
  readonly faults: readonly ConnectionFault[];
  readonly panels: readonly ResolvedPanel[];
  readonly byId: ReadonlyMap<string, ResolvedPanel>;
  /** Connections by the panel that goes against another, and by the one it goes against; ask with connectionsOf(). */
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

/** Connections in which a panel goes against others (`asGuest`), or others go against it (`asHost`), in the unit's order. */
export const connectionsOf = (cabinet: ResolvedCabinet, as: 'asGuest' | 'asHost', panel: string): readonly Connection[] =>
  cabinet[as].get(panel) ?? NO_MEETINGS;
const NO_MEETINGS: readonly Connection[] = [];
