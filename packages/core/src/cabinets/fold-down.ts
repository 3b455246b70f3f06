/**
 * The fold-down surface: a backboard on its cleat or screwed to the studs, a ledger across it, a leaf hinged to the ledger, and gate brackets that swing
 * out under it. The same panels in two states; both must be free of clashes.
 */
import type { WordKey } from '../checks/words/labels.ts';
import { entered } from '../length/entered.ts';
import { ZERO, type Length } from '../length/length.ts';
import type { Joint, Connection } from '../solid/connection.ts';
import { frame, type PanelEdge, type Panel } from '../solid/panel.ts';
import type { Compartment, Hardware, Pressed, Prop, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, scale, UP, vector } from '../solid/vector.ts';
import { explainedLength, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { gapBehind, own, panelOf, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import type { DesignFault } from './family.ts';
import { fasteningOf, jointOf, LOOSE, connect } from './joinery.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { FoldDown } from '../model/specs/fold-down.ts';

export function newFoldDown(start: NewSpec): FoldDown {
  const { unit, stock } = start;
  const base = newBase('fold-down', start, ['leaf']);
  return {
    ...base,
    hanging: {
      ...base.hanging,
      // Someone leaning on the leaf would rotate the backboard off its hook.
      kind: 'through',
      rail: null,
      drop: pick(unit, '60', '2 3/8'),
      cabinetScrew: { ...base.hanging.cabinetScrew, length: pick(unit, '30', '1 1/4') },
    },
    state: 'open',
    leafStock: stock,
    ledger: pick(unit, '90', '3 1/2'),
    hinge: 'piano',
    supports: 'gate',
    supportCount: 2,
    reach: pick(unit, '440', '17 1/2'),
    gateHeight: pick(unit, '400', '16'),
    gateStock: stock,
    ratedKg: 60,
    edgeKg: 41,
    hingeScrew: { screw: unit === 'mm' ? '5mm' : '#10', length: pick(unit, '16', '5/8') },
    hingeScrews: 6,
    latch: true,
  };
}

interface FoldFrame extends HungFrame<FoldDown> {
  readonly rear: Length;
  /** Front faces of the backboard and of the ledger. */
  readonly boardFront: Length;
  readonly ledgerFront: Length;
  readonly leaf: Length;
}

const id = ({ spec }: Pick<FoldFrame, 'spec'>, rest: string): string => `${spec.id}/${rest}`;

/** Least bearing of a gate under the leaf. [ASSUME] */
const MIN_BEARING = 50_000_000;
/** Thickest leaf a gate is laid out for. [ASSUME] */
const UNDER_LEAF = 50_000_000;

/** Why it does not fold flat; null when it does. */
export function foldFault(box: FoldDown): DesignFault | null {
  if (box.depth.nm > box.height.nm)
    return { code: 'fold', path: ['depth'], message: 'folded, the leaf would hang below the backboard', accepted: `at most the height, ${box.height.text}` };
  if (box.supports !== 'gate') return null;
  if (box.reach.nm > box.ledger.nm + box.depth.nm || box.reach.nm < box.ledger.nm + MIN_BEARING)
    return {
      code: 'fold',
      path: ['reach'],
      message: 'the gates would stand out past the leaf, or not reach under it',
      accepted: 'more than the ledger by 50 mm, at most the ledger and the leaf',
    };
  if (box.gateHeight.nm > box.height.nm - UNDER_LEAF)
    return { code: 'fold', path: ['gateHeight'], message: 'the gates do not fit under the leaf', accepted: 'the height less 50 mm' };
  if (box.reach.nm * box.supportCount > box.width.nm)
    return { code: 'fold', path: ['reach'], message: 'folded, the gates would lie over one another', accepted: 'all of them side by side within the width' };
  return null;
}

export function buildFoldDown(box: FoldDown, stockOf: StockOf): CabinetGeometry {
  const T = stockOf(box.stock).used.value;
  const rear = gapBehind(box, stockOf);
  const leaf = stockOf(box.leafStock).used.value;
  const width = explainedLength([plus('width', box.width.nm, { source: own(box, 'width') })]);
  const boardFront = (rear + T) as Length;
  const base: FoldFrame = {
    spec: { ...box, hanging: { ...box.hanging, rail: null } },
    stockOf,
    T,
    rear,
    boardFront,
    ledgerFront: (boardFront + box.ledger.nm) as Length,
    leaf,
    behind: { left: ZERO, length: width },
    topUp: box.height.nm,
    insideLeft: ZERO,
    insideWidth: width,
    ceiling: box.height.nm,
    insideRear: boardFront,
    floorMid: 0,
    // Under the ledger: behind it no screw can be driven.
    board: { id: `${box.id}/back`, foot: ZERO, height: (box.height.nm - leaf) as Length, thickness: T },
  };
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const gates = box.supports === 'gate' ? gatePanels(base) : [];
  const open = box.state === 'open';
  return {
    id: box.id,
    panels: [backboard(base), ledger(base), leafPanel(base), ...gates, ...hangingPanels],
    connections: connections(base, gates),
    compartments: open ? [compartment(base)] : [],
    hardware: hardware(base),
    ...(open ? { props: [propOf(base, gates)], pressed: pressedAt(base) } : {}),
    hanging,
    outside: {
      width,
      height: explainedLength([plus('height', box.height.nm, { source: own(box, 'height') })]),
      depth: explainedLength([
        ...(rear > 0 ? [plus('gap-behind', rear)] : []),
        plus('backboard', T),
        plus('ledger-deep', box.ledger.nm, { source: own(box, 'ledger') }),
        open ? plus('leaf-out', box.depth.nm, { source: own(box, 'depth') }) : plus('leaf-thickness', leaf),
      ]),
    },
  };
}

function backboard(base: FoldFrame): Panel {
  const { spec, boardFront } = base;
  return panelOf(
    base,
    'back',
    '',
    { key: 'backboard' },
    {
      frame: frame(vector(0, 0, boardFront), UP, ALONG),
      length: explainedLength([plus('height', spec.height.nm, { source: own(spec, 'height') })]),
      width: base.behind.length,
      stock: spec.stock,
    },
  );
}

/** A board laid flat, of the leaf's stock: its underside aligns with the leaf's, so that gates bear both. */
function ledger(base: FoldFrame): Panel {
  const { spec, boardFront } = base;
  return panelOf(
    base,
    'ledge',
    'ledger',
    { key: 'ledger' },
    {
      frame: frame(vector(0, spec.height.nm, boardFront), ALONG, OUT),
      length: base.behind.length,
      width: explainedLength([plus('ledger-deep', spec.ledger.nm, { source: own(spec, 'ledger') })]),
      stock: spec.leafStock,
    },
  );
}

/** Open it lies level, flush with the ledger's top; folded it hangs in front of the ledger. */
function leafPanel(base: FoldFrame): Panel {
  const { spec, ledgerFront, leaf } = base;
  const open = spec.state === 'open';
  const top = spec.height.nm;
  return panelOf(
    base,
    'leaf',
    '',
    { key: 'leaf' },
    {
      frame: open ? frame(vector(0, top, ledgerFront), ALONG, OUT) : frame(vector(0, top, ledgerFront + leaf), ALONG, scale(UP, -1)),
      length: base.behind.length,
      width: explainedLength([plus('leaf-out', spec.depth.nm, { source: own(spec, 'depth') })]),
      stock: spec.leafStock,
      banded: true,
    },
  );
}

/** A gate is a board with its lower front corner cut off. Open it stands out under the leaf; folded it lies along the backboard. */
function gatePanels(base: FoldFrame): Panel[] {
  const { spec, boardFront, leaf } = base;
  const t = thicknessTerm(base, spec.gateStock).value;
  const high = spec.height.nm - leaf;
  const tall = spec.gateHeight.nm;
  const reach = spec.reach.nm;
  const edge = (name: PanelEdge['id'], u: number, v: number): PanelEdge => ({ id: name, from: { u, v }, bevel: 0 });
  const toe = Math.round(Math.min(tall, reach) / 4);
  const outline = [edge('near', 0, 0), edge('end', tall, 0), edge('far', tall, reach), edge('slope', tall - toe, reach), edge('start', 0, toe)];
  const length = explainedLength([plus('gate-height', tall, { source: own(spec, 'gateHeight') })]);
  const width = explainedLength([plus('gate-reach', reach, { source: own(spec, 'reach') })]);
  return Array.from({ length: spec.supportCount }, (_, index) => {
    const slot = spec.width.nm / spec.supportCount;
    const left = index < spec.supportCount / 2;
    // Hinged on its outer side, so that it swings inward to lie flat.
    const hinge = Math.round(left ? slot * index + (slot - reach) / 2 : slot * (index + 1) - (slot - reach) / 2);
    const along = left ? hinge : hinge - t;
    const at =
      spec.state === 'open'
        ? frame(vector(along, high - tall, boardFront), UP, OUT)
        : left
          ? frame(vector(hinge, high - tall, boardFront + t), UP, ALONG)
          : frame(vector(hinge, high - tall, boardFront), UP, scale(ALONG, -1));
    return panelOf(base, 'divider', `gate-${index + 1}`, { key: 'gate', of: String(index + 1) }, { frame: at, length, width, stock: spec.gateStock, outline });
  });
}

const HINGED: Joint = { ...LOOSE, kind: 'hinge' };

function connections(base: FoldFrame, gates: readonly Panel[]): Connection[] {
  const { spec } = base;
  const board = id(base, 'back');
  return [
    connect(id(base, 'ledge/ledger'), 'near', board, 'reference', jointOf(spec, 'butt', { fastening: fasteningOf(spec, 6, 'screws') })),
    connect(id(base, 'leaf'), 'near', id(base, 'ledge/ledger'), 'far', HINGED),
    ...gates.map(({ id: gate }) => connect(gate, 'near', board, 'reference', HINGED)),
  ];
}

/** Length of continuous hinge that counts as one hinge. [ASSUME] */
const PIANO_STRETCH = 60_000_000;
/** Number of separate leaf hinges. [ASSUME] */
const LEAF_HINGES = 3;
/** Inset of gate hinges from the gate's ends, and of legs from the leaf's edge. [ASSUME] */
const HINGE_IN = 40_000_000;
const LEG_IN = 50_000_000;

function hardware({ spec }: FoldFrame): Hardware[] {
  const leaf = `${spec.id}/leaf`;
  const screws = { screw: spec.hingeScrew.screw, length: spec.hingeScrew.length.nm, count: spec.hingeScrews };
  const piano = spec.hinge === 'piano';
  // Bought as one strip; its screws count per stretch.
  const along = piano ? { ...screws, count: spec.hingeScrews * Math.max(1, Math.floor(spec.width.nm / PIANO_STRETCH)) } : screws;
  const rated = { ratedKg: spec.ratedKg };
  const row = (kind: Hardware['kind'], name: string, key: WordKey, count: number, more: Partial<Hardware> = {}): Hardware => ({
    id: `${leaf}/${name}`,
    kind,
    name: { key },
    count,
    panel: leaf,
    ...more,
  });
  return [
    row('hinge', 'hinges', `hinge-${spec.hinge}`, piano ? 1 : LEAF_HINGES, { screws: along }),
    ...(spec.supports === 'gate' ? [row('hinge', 'gate-hinges', 'gate-hinges', 2 * spec.supportCount)] : []),
    ...(spec.supports === 'bracket' ? [row('bracket', 'brackets', 'folding-brackets', spec.supportCount, rated)] : []),
    ...(spec.supports === 'leg' ? [row('bracket', 'legs', 'folding-legs', spec.supportCount, rated)] : []),
    ...(spec.latch ? [row('latch', 'latch', 'latch', 1)] : []),
  ];
}

/** Support of the leaf. Bought brackets reach two thirds under it. [ASSUME] */
function propOf({ spec }: FoldFrame, gates: readonly Panel[]): Prop {
  const gated = spec.supports === 'gate';
  const reach = { gate: spec.reach.nm - spec.ledger.nm, bracket: Math.round((spec.depth.nm * 2) / 3), leg: spec.depth.nm - LEG_IN }[spec.supports];
  const tallest = spec.height.nm - UNDER_LEAF;
  const whole = (nm: number) => entered(spec.unit === 'mm' ? `${Math.floor(nm / 1e6)} mm` : `${Math.floor(nm / 25.4e6)} in`);
  const taller = whole(tallest);
  // Folded, all gates lie side by side behind the leaf.
  const furthest = whole(Math.min(spec.ledger.nm + spec.depth.nm, spec.width.nm / spec.supportCount));
  return {
    kind: spec.supports,
    leaf: `${spec.id}/leaf`,
    ledger: `${spec.id}/ledge/ledger`,
    count: spec.supportCount,
    reach: reach as Length,
    ledgerDeep: spec.ledger.nm,
    hingesApart: Math.max(1, spec.gateHeight.nm - 2 * HINGE_IN) as Length,
    hingeScrews: gated ? { screw: spec.hingeScrew.screw, length: spec.hingeScrew.length.nm, count: spec.hingeScrews } : null,
    ratedKg: gated ? null : spec.ratedKg,
    panels: gates.map(({ id: gate }) => gate),
    stronger: [
      ...(gated && taller.nm > spec.gateHeight.nm ? [{ label: 'taller-gates' as const, path: ['gateHeight'], value: taller }] : []),
      ...(gated && furthest.nm > spec.reach.nm ? [{ label: 'gates-reach' as const, path: ['reach'], value: furthest }] : []),
      ...(gated && spec.hingeScrews < MAX_HINGE_SCREWS
        ? [{ label: 'more-hinge-screws' as const, path: ['hingeScrews'], value: Math.min(MAX_HINGE_SCREWS, spec.hingeScrews + 2) }]
        : []),
      ...(!gated && spec.supportCount < MAX_PROPS
        ? [{ label: 'more-props' as const, path: ['supportCount'], value: Math.min(MAX_PROPS, spec.supportCount + 2) }]
        : []),
    ],
  };
}

export const MAX_HINGE_SCREWS = 12;
export const MAX_PROPS = 4;

/** Someone leans on the middle of the front edge, in line with the cabinet's own weight. */
const pressedAt = ({ spec, ledgerFront }: FoldFrame): Pressed => ({
  kg: spec.edgeKg,
  from: own(spec, 'edgeKg'),
  at: { along: Math.round(spec.width.nm / 2) as Length, up: spec.height.nm, out: (ledgerFront + spec.depth.nm) as Length },
});

function compartment(base: FoldFrame): Compartment {
  const { spec, ledgerFront } = base;
  const depth: ExplainedLength = explainedLength([plus('leaf-out', spec.depth.nm, { source: own(spec, 'depth') })]);
  return {
    id: id(base, 'space/leaf'),
    name: { key: 'on-the-leaf' },
    floor: id(base, 'leaf'),
    keptBy: 'leaf',
    width: base.behind.length,
    height: explainedLength([plus('work-height', WORK)]),
    depth,
    at: { along: ZERO, up: spec.height.nm, out: ledgerFront },
  };
}

/** Height of the work, for its center of gravity. [ASSUME] */
const WORK = 300_000_000 as Length;
