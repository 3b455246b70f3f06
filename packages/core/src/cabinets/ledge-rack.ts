/**
 * The ledge rack: shallow shelves between two sides, with strips across their front; shelves notched for stems, front strips scooped for bottles; thin
 * strips supported in the middle.
 */
import { NM_PER, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { frame, type PanelCut, type Panel } from '../solid/panel.ts';
import type { Compartment, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { own, panelOf, thicknessTerm, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { between, jointOf, laidOn, connect } from './joinery.ts';
import { newShell, shellFrame, shellConnections, shellOutside, shellPanels, type ShellFrame } from './shell.ts';
import { cutUp, inOrder, type PlacedElement, type SpaceBox } from './spaces.ts';
import type { SpaceElement } from '../model/specs/shelf-box.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { Ledge, LedgeRack } from '../model/specs/ledge-rack.ts';

export const newLedge = (unit: 'mm' | 'in', id: string, order: number): Ledge => ({
  id,
  order,
  at: null,
  kind: 'plain',
  strips: 1,
  stripHeight: pick(unit, '30', '1 1/4'),
  stripGap: pick(unit, '40', '1 1/2'),
  support: false,
  count: 4,
  notchWidth: pick(unit, '12', '1/2'),
  notchDepth: pick(unit, '60', '2 3/8'),
});

export function newLedgeRack(start: NewSpec): LedgeRack {
  const { unit, backStock } = start;
  const ledges = [newLedge(unit, 'l1', 1), newLedge(unit, 'l2', 2), newLedge(unit, 'l3', 3)];
  return {
    ...newBase(
      'ledge-rack',
      start,
      ledges.map(({ id }) => id),
    ),
    ...newShell(unit, backStock),
    stripStock: backStock,
    shelfJoint: 'dado',
    ledges: Object.fromEntries(ledges.map((ledge) => [ledge.id, ledge])),
  };
}

type Frame = ShellFrame<LedgeRack>;
type Shelf = SpaceElement & { readonly ledge: Ledge };
const id = ({ spec }: Frame, rest: string): string => `${spec.id}/${rest}`;

interface Stage {
  readonly ledge: Ledge;
  readonly number: number;
  readonly panel: string;
  readonly space: SpaceBox;
}

export function buildLedgeRack(box: LedgeRack, stockOf: StockOf): CabinetGeometry {
  const base = shellFrame(box, stockOf);
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const [lowest, ...rest] = inOrder(box.ledges);
  const { placed, spaces } = cutUp<Shelf, SpaceElement>({
    inside: wholeSpace(base, lowest!),
    shelves: rest.map((ledge) => ({ ledge, id: ledge.id, order: ledge.order, at: ledge.at, in: lowest!.id, level: 0 })),
    dividers: [],
    thickness: base.T,
    thicknessFrom: thicknessTerm(base, box.stock).source,
    panelOf: (_kind, element) => `${box.id}/shelf/${element}`,
    enteredAt: (_kind, element) => own(box, 'ledges', element, 'at'),
  });
  const stages = spaces.map((space, index): Stage => ({ ledge: box.ledges[space.id]!, number: index + 1, panel: space.floorPanel, space }));
  const shelves = (placed as readonly PlacedElement<Shelf>[]).map((each) => shelf(base, each));
  const carcass = shellPanels(base).map((panel) => (panel.role === 'bottom' ? { ...panel, cuts: notches(base, lowest!) } : panel));
  return {
    id: box.id,
    panels: [...carcass, ...shelves, ...stages.flatMap((stage) => strips(base, stage)), ...hangingPanels],
    connections: [...shellConnections(base), ...shelfConnections(base, shelves), ...stages.flatMap((stage) => stripConnections(base, stage))],
    compartments: stages.map((stage) => compartment(base, stage)),
    hardware: [],
    handles: (placed as readonly PlacedElement<Shelf>[]).map(({ element, within, at }) => ({
      panel: `${box.id}/shelf/${element.id}`,
      path: ['ledges', element.id, 'at'],
      axis: 'up' as const,
      kind: 'length' as const,
      value: at - within.floor,
      perMm: NM_PER.mm,
    })),
    hanging,
    outside: shellOutside(base),
  };
}

function wholeSpace(base: Frame, lowest: Ledge): SpaceBox {
  return {
    id: lowest.id,
    name: { key: 'ledge-space', of: '1' },
    left: base.insideLeft,
    floor: base.floor,
    width: base.insideWidth,
    height: base.insideHeight,
    leftPanel: id(base, 'side/left'),
    rightPanel: id(base, 'side/right'),
    floorPanel: id(base, 'bottom'),
    ceilingPanel: id(base, 'top'),
  };
}

function shelf(base: Frame, { element: { ledge }, at, number }: PlacedElement<Shelf>): Panel {
  return panelOf(
    base,
    'shelf',
    ledge.id,
    { key: 'ledge', of: String(number + 1) },
    {
      frame: frame(vector(base.insideLeft, at + base.T, base.insideRear), ALONG, OUT),
      length: base.insideWidth,
      width: base.insideDepth,
      stock: base.spec.stock,
      banded: true,
      cuts: notches(base, ledge),
    },
  );
}

/** Even spacing over a width, with half a gap at the ends. */
const evenly = (width: number, count: number, index: number): Length => Math.round((width * (2 * index + 1)) / (2 * count)) as Length;

/** Slots for stems, from the front edge to their round ends. */
function notches({ spec, insideWidth }: Frame, ledge: Ledge): PanelCut[] {
  if (ledge.kind !== 'notched') return [];
  return Array.from({ length: ledge.count }, (_, index) => ({
    kind: 'notch' as const,
    id: `stem-${index + 1}`,
    edge: 'far' as const,
    // The front edge starts at the right end.
    at: evenly(insideWidth.value, ledge.count, ledge.count - 1 - index),
    width: ledge.notchWidth.nm,
    depth: ledge.notchDepth.nm,
    round: true,
    reason: { key: 'stem-notch', of: spec.name },
  }));
}

/** A scoop is an arc of the given width and depth, which fixes its radius. */
function scoops({ insideWidth }: Frame, ledge: Ledge): PanelCut[] {
  if (ledge.kind !== 'scooped') return [];
  return Array.from({ length: ledge.count }, (_, index) => ({
    kind: 'notch' as const,
    id: `bottle-${index + 1}`,
    edge: 'far' as const,
    at: evenly(insideWidth.value, ledge.count, ledge.count - 1 - index),
    width: ledge.notchWidth.nm,
    depth: ledge.notchDepth.nm,
    round: true,
    reason: { key: 'bottle-scoop' },
  }));
}

const stripHeights = ({ strips, stripHeight, stripGap }: Ledge): number[] =>
  Array.from({ length: strips }, (_, index) => index * (stripHeight.nm + stripGap.nm));

function strips(base: Frame, { ledge, number, space }: Stage): Panel[] {
  const { spec, front } = base;
  const t = base.stockOf(spec.stripStock).used.value;
  // The front of a notched shelf stays free: stems come in there.
  if (ledge.kind === 'notched') return [];
  const made = stripHeights(ledge).map((up, index) =>
    panelOf(
      base,
      'ledge',
      `${ledge.id}/${index + 1}`,
      { key: 'front-strip', of: String(number) },
      {
        frame: frame(vector(base.insideLeft, space.floor + up, front - t), ALONG, UP),
        length: base.insideWidth,
        width: explainedLength([plus('strip-height', ledge.stripHeight.nm, { source: own(spec, 'ledges', ledge.id, 'stripHeight') })]),
        stock: spec.stripStock,
        cuts: index === ledge.strips - 1 ? scoops(base, ledge) : [],
      },
    ),
  );
  if (!ledge.support || ledge.strips === 0) return made;
  const height = stripHeights(ledge).at(-1)! + ledge.stripHeight.nm;
  const post = panelOf(
    base,
    'divider',
    ledge.id,
    { key: 'strip-support', of: String(number) },
    {
      frame: frame(vector(Math.round(base.insideLeft + (base.insideWidth.value - t) / 2), space.floor, front - t - POST), UP, OUT),
      length: explainedLength([plus('support-height', height as Length)]),
      width: explainedLength([plus('support-depth', POST)]),
      stock: spec.stripStock,
    },
  );
  return [...made, post];
}

/** Depth of a support. [ASSUME] */
const POST = (25 * NM_PER.mm) as Length;

function shelfConnections(base: Frame, shelves: readonly Panel[]): Connection[] {
  const { spec } = base;
  const by = jointOf(spec, spec.shelfJoint);
  const loose = { ...jointOf(spec, 'butt'), glue: false, fastening: null };
  return shelves.flatMap(({ id: panel }) => [
    ...between(panel, id(base, 'side/left'), id(base, 'side/right'), by, ['shelfJoint']),
    ...(spec.back.kind === 'none' ? [] : [connect(panel, 'near', id(base, 'back'), 'reference', loose)]),
  ]);
}

function stripConnections(base: Frame, { ledge, panel }: Stage): Connection[] {
  const { spec } = base;
  if (ledge.kind === 'notched') return [];
  const glued = jointOf(spec, 'butt', { fastening: null });
  const ends = jointOf(spec, 'butt');
  const strip = (index: number): string => id(base, `ledge/${ledge.id}/${index + 1}`);
  const support = id(base, `divider/${ledge.id}`);
  // The strips above the lowest are glued to the same edge of it.
  const upper = Array.from({ length: Math.max(0, ledge.strips - 1) }, (_, index) => ({
    ...laidOn(support, 'reference', strip(index + 1), 'reference', spec, { fastening: null }),
    id: `${support}:strip-${index + 2}`,
  }));
  return [
    ...Array.from({ length: ledge.strips }, (_, index) => [
      ...(index === 0 ? [connect(strip(index), 'near', panel, 'reference', glued)] : []),
      ...between(strip(index), id(base, 'side/left'), id(base, 'side/right'), ends),
    ]).flat(),
    ...(ledge.support && ledge.strips > 0
      ? [connect(support, 'start', panel, 'reference', glued), connect(support, 'far', strip(0), 'reference', glued), ...upper]
      : []),
  ];
}

function compartment(base: Frame, { ledge, number, panel, space }: Stage): Compartment {
  const t = thicknessTerm(base, base.spec.stripStock);
  const depth: ExplainedLength =
    ledge.strips > 0 && ledge.kind !== 'notched'
      ? explainedLength([
          plus('inside-depth', base.insideDepth.value, { inner: base.insideDepth }),
          minus('front-strip-thickness', t.value, { source: t.source }),
        ])
      : base.insideDepth;
  return {
    id: id(base, `space/${ledge.id}`),
    name: { key: 'ledge-space', of: String(number) },
    floor: panel,
    keptBy: ledge.id,
    width: space.width,
    height: space.height,
    depth,
    at: { along: space.left, up: space.floor, out: base.insideRear },
  };
}
