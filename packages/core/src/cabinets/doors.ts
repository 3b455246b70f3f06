/**
 * Doors over an opening, for any family: leaves by overlay and hinge side, with hinge cups, handle holes and stays. Framed leaves are boards around an
 * infill in a groove.
 */
import { CUP_FROM_END_MM, hingesFor } from '../joints/hinges.ts';
import type { WordKey } from '../checks/words/labels.ts';
import { END_PLAY, playOf } from '../joints/fits.ts';
import { NM_PER, toMm, ZERO, type Length } from '../length/length.ts';
import type { Joint, Connection } from '../solid/connection.ts';
import { frame, type PanelCut, type Panel } from '../solid/panel.ts';
import type { Hardware } from '../solid/cabinet.ts';
import { MATERIALS } from '../stock/materials.ts';
import { ALONG, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength, type LengthTerm } from '../explained/explained-length.ts';
import { own, panelOf, type PanelBase } from './box-frame.ts';
import { jointOf, connect } from './joinery.ts';
import type { Front } from '../model/specs/spec-base.ts';
import type { Doored } from '../model/specs/doors.ts';

/** Where leaves go: the clear opening, and the edges around it they may overlay. */
export interface DoorOpening {
  readonly left: Length;
  readonly bottom: Length;
  readonly width: ExplainedLength;
  readonly height: ExplainedLength;
  /** Edge width at each side of the opening. */
  readonly edges: { readonly left: Length; readonly right: Length; readonly bottom: Length; readonly top: Length };
  /** Front plane of the surroundings. */
  readonly front: Length;
  /** Panels for hinges and infills, by side. */
  readonly frames: { readonly left: string; readonly right: string; readonly bottom: string; readonly top: string };
}

export const isDoored = (front: Front): boolean => front !== 'open' && front !== 'drawers';

/** Depth an inset leaf takes from the inside: its thickness and this. [ASSUME] */
export const BEHIND_DOOR = (2 * NM_PER.mm) as Length;
/** A hinge cup: 35 across, 12.5 deep, its middle 22.5 in from the hinged edge, the first 100 from the ends. [ASSUME] common concealed hinges */
const CUP = { across: 35 * NM_PER.mm, deep: 12.5 * NM_PER.mm, inset: 22.5 * NM_PER.mm, fromEnd: CUP_FROM_END_MM * NM_PER.mm } as const;

export interface DoorPlan {
  readonly panels: readonly Panel[];
  readonly connections: readonly Connection[];
  readonly hardware: readonly Hardware[];
  /** How far the leaves project beyond the front plane. */
  readonly proud: Length;
}

type Hand = 'left' | 'right' | 'up' | 'down';

/** Leaves for a front; none for an open one. */
export function hangDoors(base: PanelBase<Doored>, opening: DoorOpening): DoorPlan {
  const { spec } = base;
  const { doors, front } = spec;
  const hands = (
    { 'door-left': ['left'], 'door-right': ['right'], doors: ['left', 'right'], 'lid-up': ['up'], 'flap-down': ['down'] } as Partial<Record<Front, Hand[]>>
  )[front];
  if (!hands) return { panels: [], connections: [], hardware: [], proud: ZERO };
  const { product, used } = base.stockOf(doors.stock);
  const t = used.value;
  const kgPerM2 = (MATERIALS[product.material].densityKgM3 * toMm(t)) / 1000;
  const inset = doors.lies === 'inset';
  const reveal = doors.reveal.nm;
  /** How much a leaf exceeds the clear opening at one side. */
  const over = (edge: Length): number => (inset ? 0 - reveal : doors.lies === 'full' ? edge - reveal : Math.round(edge / 2) - reveal);
  const { edges } = opening;
  const revealSource = { source: own(spec, 'doors', 'reveal') };
  const gains = (low: Length, high: Length, middles: number): LengthTerm[] => {
    const both = over(low) + over(high);
    return inset
      ? [minus('reveal', reveal, { times: 2 + middles, ...revealSource })]
      : [plus('overlay', (both + 2 * reveal) as Length), minus('reveal', reveal, { times: 2 + middles, ...revealSource })];
  };
  const count = hands.length;
  const width = explainedLength([plus('opening-width', opening.width.value, { inner: opening.width }), ...gains(edges.left, edges.right, count - 1)], count);
  const height = explainedLength([plus('opening-height', opening.height.value, { inner: opening.height }), ...gains(edges.bottom, edges.top, 0)]);
  const out = inset ? opening.front : ((opening.front + t) as Length);
  const bottom = opening.bottom - over(edges.bottom);
  const area = (toMm(width.value) * toMm(height.value)) / 1e6;
  const panels: Panel[] = [];
  const connections: Connection[] = [];
  const hardware: Hardware[] = [];
  hands.forEach((hand, index) => {
    const left = opening.left - over(edges.left) + index * (width.value + reveal);
    const upright = hand === 'left' || hand === 'right';
    const hinges = hingesFor(upright ? toMm(height.value) : toMm(width.value), area * kgPerM2);
    const name = { key: count > 1 ? (hand === 'left' ? 'door-left' : 'door-right') : upright ? 'door' : 'lid' } as const;
    const cuts = [...hingeCups(hand, width.value, height.value, hinges), ...handleHoles(spec, hand, width.value, height.value)];
    const leaf = leafPanels(base, hand, name.key, { left, bottom, out, width, height, cuts });
    panels.push(...leaf.panels);
    connections.push(...leaf.connections);
    const hung = { left: opening.frames.left, right: opening.frames.right, up: opening.frames.top, down: opening.frames.bottom }[hand];
    const joint: Joint = { kind: 'hinge', depth: ZERO, endPlay: ZERO, play: ZERO, glue: false, fastening: null };
    // The leaf's own frame: its length runs up, so its near and far edges are vertical.
    connections.push(connect(leaf.hinged, { left: 'near', right: 'far', up: 'end', down: 'start' }[hand] as 'near', hung, 'other', joint));
    hardware.push({ id: `${leaf.hinged}/hinges`, kind: 'hinge', name: { key: 'hinges', of: name.key }, count: hinges, panel: leaf.hinged });
    if (doors.handle !== 'none' && doors.handle !== 'finger-hole')
      hardware.push({ id: `${leaf.hinged}/handle`, kind: 'handle', name: { key: `handle-${doors.handle}` }, count: 1, panel: leaf.hinged });
    if (!upright && doors.stays > 0)
      hardware.push({ id: `${leaf.hinged}/stays`, kind: 'stay', name: { key: 'stays' }, count: doors.stays, panel: leaf.hinged });
  });
  return { panels, connections, hardware, proud: inset ? ZERO : t };
}

interface Leaf {
  readonly left: number;
  readonly bottom: number;
  /** Its front face. */
  readonly out: Length;
  readonly width: ExplainedLength;
  readonly height: ExplainedLength;
  readonly cuts: readonly PanelCut[];
}

/** One slab, or stiles and rails around an infill; the hinged part comes first. */
function leafPanels(base: PanelBase<Doored>, hand: Hand, name: WordKey, leaf: Leaf): { panels: Panel[]; connections: Connection[]; hinged: string } {
  const { spec } = base;
  const { doors } = spec;
  const at = (left: number, bottom: number) => frame(vector(left, bottom, leaf.out), UP, ALONG);
  if (doors.infill === 'none') {
    const slab = panelOf(
      base,
      'door',
      hand,
      { key: name },
      { frame: at(leaf.left, leaf.bottom), length: leaf.height, width: leaf.width, stock: doors.stock, cuts: leaf.cuts },
    );
    return { panels: [slab], connections: [], hinged: slab.id };
  }
  const rail = doors.railWidth.nm;
  const railTerm = explainedLength([plus('door-rail', rail, { source: own(spec, 'doors', 'railWidth') })]);
  const cups = leaf.cuts.filter(({ id }) => id.startsWith('cup'));
  const rest = leaf.cuts.filter(({ id }) => !id.startsWith('cup'));
  const stile = (side: 'left' | 'right'): Panel => {
    const right = side === 'right';
    const shift = right ? leaf.width.value - rail : 0;
    const mine = [...(hand === side ? cups : []), ...(hand !== side ? rest : [])];
    return panelOf(
      base,
      'door',
      `${hand}-stile-${side}`,
      { key: 'door-stile', of: side },
      {
        frame: at(leaf.left + shift, leaf.bottom),
        length: leaf.height,
        width: railTerm,
        stock: doors.stock,
        cuts: mine.map((cut) => (cut.kind === 'holes' ? { ...cut, at: { u: cut.at.u, v: cut.at.v - shift } } : cut)),
      },
    );
  };
  const between = explainedLength([plus('leaf-width', leaf.width.value, { inner: leaf.width }), minus('door-rail', rail, { times: 2 })]);
  const railAt = (end: 'bottom' | 'top'): Panel =>
    panelOf(
      base,
      'door',
      `${hand}-rail-${end}`,
      { key: 'door-rail', of: end },
      {
        frame: frame(
          vector(leaf.left + rail, leaf.bottom + (end === 'top' ? leaf.height.value - rail : 0), leaf.out - base.stockOf(doors.stock).used.value),
          ALONG,
          UP,
        ),
        length: between,
        width: railTerm,
        stock: doors.stock,
      },
    );
  const panels = [stile('left'), stile('right'), railAt('bottom'), railAt('top')];
  const [left, right, low, high] = panels.map(({ id }) => id) as [string, string, string, string];
  const t = base.stockOf(doors.stock).used.value;
  const thin = base.stockOf(doors.infillStock).used.value;
  const groove: Joint = {
    ...jointOf(spec, 'dado'),
    depth: Math.min(spec.jointDepth.nm, rail / 2) as Length,
    ...playOf('loose'),
    endPlay: END_PLAY,
    glue: false,
    fastening: null,
  };
  const high2 = explainedLength([plus('leaf-height', leaf.height.value, { inner: leaf.height }), minus('door-rail', rail, { times: 2 })]);
  const infill = panelOf(
    base,
    'door',
    `${hand}-infill`,
    { key: doors.infill === 'glass' ? 'door-glass' : 'door-panel' },
    {
      frame: frame(vector(leaf.left + rail, leaf.bottom + rail, leaf.out - Math.round((t - thin) / 2)), UP, ALONG),
      length: high2,
      width: between,
      stock: doors.infillStock,
    },
  );
  const tenons = jointOf(spec, 'butt');
  return {
    panels: [...panels, doors.infill === 'glass' ? { ...infill, isPane: true } : infill],
    connections: [
      ...[low, high].flatMap((id) => [connect(id, 'start', left, 'far', tenons), connect(id, 'end', right, 'near', tenons)]),
      connect(infill.id, 'near', left, 'far', groove),
      connect(infill.id, 'far', right, 'near', groove),
      connect(infill.id, 'start', low, 'far', groove),
      connect(infill.id, 'end', high, 'near', groove),
    ],
    hinged: hand === 'right' ? right : hand === 'up' ? high : hand === 'down' ? low : left,
  };
}

/** Cups in the rear face: the end ones equally far from both ends, the others evenly between. */
function hingeCups(hand: Hand, width: Length, height: Length, count: number): PanelCut[] {
  const upright = hand === 'left' || hand === 'right';
  const run = upright ? height : width;
  const fromEnd = Math.min(CUP.fromEnd, Math.floor(run / 4));
  const across = { left: CUP.inset, right: width - CUP.inset, up: height - CUP.inset, down: CUP.inset }[hand];
  const step = (run - 2 * fromEnd) / (count - 1);
  return Array.from({ length: count }, (_, k): PanelCut => {
    const at = Math.round(fromEnd + k * step);
    return {
      kind: 'holes',
      id: `cup-${k + 1}`,
      face: 'other',
      at: upright ? { u: at, v: across } : { u: across, v: at },
      step: { u: 0, v: 0 },
      count: 1,
      diameter: CUP.across as Length,
      depth: CUP.deep as Length,
      purpose: 'hinge-cup',
      reason: { key: 'hinge-cup' },
    };
  });
}

const HANDLES = {
  'finger-hole': { holes: 1, apart: 0, across: 30 },
  knob: { holes: 1, apart: 0, across: 5 },
  bar: { holes: 2, apart: 128, across: 5 },
} as const;

/** On the opening edge, a third of the height from where a hand comes: low on a door over the bench, in the middle of a lid. */
function handleHoles({ doors, id: _id }: Doored, hand: Hand, width: Length, height: Length): PanelCut[] {
  if (doors.handle === 'none') return [];
  const { holes, apart, across } = HANDLES[doors.handle];
  const inward = doors.handleIn.nm;
  const upright = hand === 'left' || hand === 'right';
  const v = hand === 'left' ? width - inward : hand === 'right' ? inward : Math.round(width / 2);
  const u = hand === 'up' ? inward : hand === 'down' ? height - inward : Math.round(height / 3);
  const half = Math.round((apart * NM_PER.mm) / 2);
  return [
    {
      kind: 'holes',
      id: 'handle',
      face: 'reference',
      at: upright ? { u: u - half, v } : { u, v: v - half },
      step: upright ? { u: 2 * half, v: 0 } : { u: 0, v: 2 * half },
      count: holes,
      diameter: (across * NM_PER.mm) as Length,
      depth: null,
      purpose: 'handle',
      reason: { key: 'handle' },
    },
  ];
}
