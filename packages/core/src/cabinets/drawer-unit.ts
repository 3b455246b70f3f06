/**
 * The drawer unit: a shell with drawers. Fronts are laid off downward from one datum with equal gaps; the box behind each follows from its front and its
 * slides.
 */
import type { WordKey } from '../checks/words/labels.ts';
import { playOf } from '../joints/fits.ts';
import { NM_PER, ZERO, type Length } from '../length/length.ts';
import type { Joint, Connection } from '../solid/connection.ts';
import { frame, type Panel, type Role } from '../solid/panel.ts';
import type { Compartment, Hardware, OverriddenSize, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { own, panelOf, thicknessTerm, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { fasteningOf, jointOf, laidOn, LOOSE, connect } from './joinery.ts';
import type { FromThings, ThingsIn } from './family.ts';
import { newShell, shellFrame, shellConnections, shellOutside, shellPanels, type ShellFrame } from './shell.ts';
import { inOrder } from './spaces.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { DrawerUnit, Drawer } from '../model/specs/drawer-unit.ts';

export function newDrawerUnit(start: NewSpec): DrawerUnit {
  const { unit, stock, backStock } = start;
  const drawers = [1, 2, 3].map((order): Drawer => ({ id: `d${order}`, order, height: null }));
  return {
    ...newBase(
      'drawer-unit',
      start,
      drawers.map(({ id }) => id),
    ),
    ...newShell(unit, backStock),
    front: 'drawers',
    frontStock: stock,
    fronts: 'inset',
    gap: pick(unit, '2', '3/32'),
    growth: 1.25,
    boxStock: stock,
    bottomStock: backStock,
    bottomIn: 'groove',
    bottomUp: pick(unit, '12', '1/2'),
    corner: 'rabbet',
    slides: { kind: 'side', clearance: pick(unit, '12.7', '1/2'), length: pick(unit, '250', '10'), ratedKg: 25 },
    boxBelow: pick(unit, '20', '3/4'),
    boxAbove: pick(unit, '15', '5/8'),
    drawers: Object.fromEntries(drawers.map((drawer) => [drawer.id, drawer])),
  };
}

type Frame = ShellFrame<DrawerUnit>;
const id = ({ spec }: Frame, rest: string): string => `${spec.id}/${rest}`;

/** A front with its place: lower edge above the cabinet's bottom. */
interface LaidFront {
  readonly drawer: Drawer;
  readonly number: number;
  readonly bottom: number;
  readonly height: ExplainedLength;
}

export function buildDrawerUnit(box: DrawerUnit, stockOf: StockOf): CabinetGeometry {
  const base = shellFrame(box, stockOf);
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const laid = layFronts(base);
  const made = laid.map((front) => drawerBox(base, front));
  const t = stockOf(box.frontStock).used.value;
  return {
    id: box.id,
    panels: [...shellPanels(base), ...made.flatMap(({ panels }) => panels), ...hangingPanels],
    connections: [...shellConnections(base), ...made.flatMap(({ connections }) => connections)],
    compartments: made.map(({ space }) => space),
    hardware: made.flatMap(({ hardware }) => hardware),
    overriddenSizes: overriddenHeights(base, laid),
    hanging,
    outside: shellOutside(base, box.fronts === 'overlay' ? [plus('drawer-front', t)] : []),
  };
}

/** Fronts from the datum down: inset from the inside ceiling, overlaid from the cabinet's top. The last gap equals the others. */
function layFronts(base: Frame): LaidFront[] {
  const { spec, floor, ceiling, insideHeight } = base;
  const inset = spec.fronts === 'inset';
  const drawers = inOrder(spec.drawers);
  const datum = inset ? ceiling : spec.height.nm;
  const foot = inset ? floor : 0;
  const space = inset
    ? plus('inside-height', insideHeight.value, { inner: insideHeight })
    : plus('height', (datum - foot) as Length, { source: own(spec, 'height') });
  const entered = drawers.flatMap(({ id: drawer, height }) =>
    height ? [minus('front-height', height.nm, { source: own(spec, 'drawers', drawer, 'height') })] : [],
  );
  const shared = explainedLength([space, minus('gap', spec.gap.nm, { times: drawers.length + 1, source: own(spec, 'gap') }), ...entered]);
  const shares = drawers.map(({ height }, index) => (height ? 0 : spec.growth ** drawers.slice(0, index).filter((each) => each.height === null).length));
  const all = shares.reduce((sum, share) => sum + share, 0) || 1;
  let typed = 0;
  let taken = 0;
  return drawers.map((drawer, index) => {
    if (drawer.height) typed += drawer.height.nm;
    taken += shares[index]!;
    // Places are rounded from the whole; equal shares are equal fronts.
    const height = drawer.height
      ? explainedLength([plus('front-height', drawer.height.nm, { source: own(spec, 'drawers', drawer.id, 'height') })])
      : explainedLength([plus('front-share', Math.round((shared.value * shares[index]!) / all) as Length, { inner: shared })]);
    const down = typed + Math.round((shared.value * taken) / all) + (index + 1) * spec.gap.nm;
    return { drawer, number: index + 1, bottom: datum - down, height };
  });
}

/** With every front height entered, the lowest must equal the rest. */
function overriddenHeights(base: Frame, laid: readonly LaidFront[]): OverriddenSize[] {
  const { spec, floor, T } = base;
  const last = laid.at(-1)!;
  if (laid.some(({ drawer }) => !drawer.height)) return [];
  // The gap under the lowest front equals the others.
  const foot = (spec.fronts === 'inset' ? floor : 0) + spec.gap.nm;
  return [
    {
      name: { key: 'drawer-front', of: String(last.number) },
      panel: id(base, `front/${last.drawer.id}/applied`),
      path: ['drawers', last.drawer.id, 'height'],
      value: last.height.value,
      derived: (last.height.value + last.bottom - foot) as Length,
      fills: true,
      thickness: T,
    },
  ];
}

interface DrawerBox {
  readonly panels: Panel[];
  readonly connections: Connection[];
  readonly hardware: Hardware[];
  readonly space: Compartment;
}

function drawerBox(base: Frame, { drawer, number, bottom, height }: LaidFront): DrawerBox {
  const { spec, insideLeft, insideWidth, front } = base;
  const { slides } = spec;
  const own1 = (...path: string[]) => ({ source: own(spec, ...path) });
  const tf = thicknessTerm(base, spec.frontStock);
  const tb = thicknessTerm(base, spec.boxStock);
  const thin = thicknessTerm(base, spec.bottomStock);
  const inset = spec.fronts === 'inset';
  const of = String(number);
  const part = (role: Role, name: string, key: WordKey, at: Parameters<typeof panelOf>[4]): Panel =>
    panelOf(base, role, `${drawer.id}/${name}`, { key, of }, at);

  // The box behind the front.
  const face = inset ? front - tf.value : front;
  const length = explainedLength([plus('slide-length', slides.length.nm, own1('slides', 'length'))]);
  const rear = face - length.value;
  const wide = explainedLength([
    plus('inside-width', insideWidth.value, { inner: insideWidth }),
    minus('slide-clearance', slides.clearance.nm, { times: 2, ...own1('slides', 'clearance') }),
  ]);
  const between = explainedLength([...wide.terms, minus('box-side', tb.value, { times: 2, source: tb.source })]);
  // An overlaid front reaches beyond the opening; its box must not.
  const clear = slides.kind === 'runner' ? RUNNER : BOX_CLEAR;
  const lift = Math.max(0, base.floor + clear - (bottom + spec.boxAbove.nm));
  const duck = Math.max(0, bottom + height.value - spec.boxBelow.nm - (base.ceiling - BOX_CLEAR));
  const high = explainedLength([
    plus('front-height', height.value, { inner: height }),
    minus('box-below', spec.boxBelow.nm, own1('boxBelow')),
    minus('box-above', spec.boxAbove.nm, own1('boxAbove')),
    ...(lift > 0 ? [minus('clear-of-bottom', lift as Length)] : []),
    ...(duck > 0 ? [minus('clear-of-top', duck as Length)] : []),
  ]);
  const low = bottom + spec.boxAbove.nm + lift;
  const left = insideLeft + slides.clearance.nm;
  const right = left + wide.value;
  const cornerInset = spec.corner === 'dado' ? tb.value : 0;
  const side = (hand: 'left' | 'right'): Panel =>
    part('side', hand, `box-${hand}`, {
      frame: frame(vector(hand === 'left' ? left + tb.value : right, low, rear), OUT, UP),
      length,
      width: high,
      stock: spec.boxStock,
    });
  const cross = (end: 'front' | 'rear'): Panel =>
    part('front', `box-${end}`, `box-${end}`, {
      frame: frame(vector(left + tb.value, low, end === 'front' ? face - cornerInset - tb.value : rear + cornerInset), ALONG, UP),
      length: between,
      width: high,
      stock: spec.boxStock,
    });
  const grooved = spec.bottomIn === 'groove';
  const floorUp = low + (grooved ? spec.bottomUp.nm : 0) + thin.value;
  const deep = explainedLength([
    plus('slide-length', length.value, own1('slides', 'length')),
    minus('box-side', tb.value, { times: 2, source: tb.source }),
    ...(cornerInset > 0 ? [minus('corner-inset', cornerInset as Length, { times: 2 })] : []),
  ]);
  const bottomPanel = part('bottom', 'bottom', 'box-bottom', {
    frame: frame(vector(left + tb.value, floorUp, rear + cornerInset + tb.value), ALONG, OUT),
    length: between,
    width: deep,
    stock: spec.bottomStock,
  });
  const over = inset ? insideWidth : base.behind.length;
  const applied = part('front', 'applied', 'drawer-front', {
    frame: frame(vector(inset ? insideLeft + spec.gap.nm : spec.gap.nm, bottom, face), ALONG, UP),
    length: explainedLength([plus(inset ? 'inside-width' : 'width', over.value, { inner: over }), minus('gap', spec.gap.nm, { times: 2, ...own1('gap') })]),
    width: height,
    stock: spec.frontStock,
  });
  const runners = slides.kind === 'runner' ? runnerPanels(base, part, low) : [];
  const panels = [side('left'), side('right'), cross('front'), cross('rear'), bottomPanel, applied, ...runners];
  const [l, r, f, b, bot] = panels.map((panel) => panel.id) as [string, string, string, string, string];

  const cornerJoint = jointOf(
    spec,
    spec.corner === 'pocket' ? 'butt' : spec.corner,
    spec.corner === 'pocket' ? { fastening: fasteningOf(spec, 2, 'pockets'), glue: false } : {},
  );
  const groove: Joint = jointOf(spec, grooved ? 'dado' : 'rabbet', {
    ...(grooved ? playOf('glue') : { play: ZERO }),
    fastening: null,
    glue: !grooved && spec.glue,
  });
  const slide: Joint = { ...LOOSE, kind: 'slide' };
  return {
    panels,
    connections: [
      ...[f, b].flatMap((panel) => [
        connect(panel, 'start', l, 'reference', cornerJoint, ['corner']),
        connect(panel, 'end', r, 'other', cornerJoint, ['corner']),
      ]),
      connect(bot, 'start', l, 'reference', groove, ['bottomIn']),
      connect(bot, 'end', r, 'other', groove, ['bottomIn']),
      connect(bot, 'near', b, 'other', groove, ['bottomIn']),
      connect(bot, 'far', f, 'reference', groove, ['bottomIn']),
      laidOn(applied.id, 'reference', f, 'other', spec, { fastening: fasteningOf(spec, 4, 'screws') }),
      { ...connect(l, 'near', id(base, 'side/left'), 'other', slide), id: `${l}:slide` },
      { ...connect(r, 'near', id(base, 'side/right'), 'reference', slide), id: `${r}:slide` },
      ...runners.map((runner, index) =>
        laidOn(runner.id, index === 0 ? 'other' : 'reference', id(base, index === 0 ? 'side/left' : 'side/right'), index === 0 ? 'other' : 'reference', spec),
      ),
    ],
    hardware: slides.kind === 'side' ? [{ id: `${bot}/slides`, kind: 'slide', name: { key: 'slides', of }, count: 2, panel: l, ratedKg: slides.ratedKg }] : [],
    space: {
      id: id(base, `space/${drawer.id}`),
      name: { key: 'drawer', of },
      floor: bot,
      keptBy: drawer.id,
      width: between,
      height: explainedLength([
        plus('box-height', high.value, { inner: high }),
        ...(grooved ? [minus('bottom-up', spec.bottomUp.nm, own1('bottomUp'))] : []),
        minus('box-bottom-thickness', thin.value, { source: thin.source }),
      ]),
      depth: deep,
      at: { along: (left + tb.value) as Length, up: floorUp as Length, out: (rear + cornerInset + tb.value) as Length },
    },
  };
}

/** Clearance of a box from the top and bottom of the shell. [ASSUME] */
const BOX_CLEAR = (5 * NM_PER.mm) as Length;
/** Height of a wooden runner. [ASSUME] */
const RUNNER = (12 * NM_PER.mm) as Length;

/** A strip under each side of the box, from the back to behind an inset front. */
function runnerPanels(base: Frame, part: (role: Role, name: string, key: WordKey, at: Parameters<typeof panelOf>[4]) => Panel, low: number): Panel[] {
  const { spec, insideRear, insideDepth, insideLeft, insideWidth } = base;
  const tf = thicknessTerm(base, spec.frontStock);
  const length = explainedLength([
    plus('inside-depth', insideDepth.value, { inner: insideDepth }),
    ...(spec.fronts === 'inset' ? [minus('drawer-front', tf.value, { source: tf.source })] : []),
  ]);
  const t = base.stockOf(spec.stock).used.value;
  const at = (along: number) => ({
    frame: frame(vector(along, low - RUNNER, insideRear), OUT, UP),
    length,
    width: explainedLength([plus('runner-height', RUNNER)]),
    stock: spec.stock,
  });
  return [part('ledge', 'runner-left', 'runner-left', at(insideLeft + t)), part('ledge', 'runner-right', 'runner-right', at(insideLeft + insideWidth.value))];
}

/** Clearance over the tallest item in a drawer. [ASSUME] */
const OVER_THINGS = 10 * NM_PER.mm;

/** Front heights for the tallest item assigned to each drawer: bottom, box clearances to the front's edges, and room to open. */
export function heightsFromThings(box: DrawerUnit, thingsIn: ThingsIn): FromThings[] {
  return Object.keys(box.drawers).flatMap((drawer): FromThings[] => {
    const things = thingsIn(drawer);
    const [first] = things;
    if (!first) return [];
    const tallest = Math.max(...things.map(({ height }) => height));
    const under = box.bottomIn === 'groove' ? box.bottomUp.nm : 0;
    return [{ path: ['drawers', drawer, 'height'], value: first.size(tallest + OVER_THINGS + under + THICKEST_BOTTOM + box.boxBelow.nm + box.boxAbove.nm) }];
  });
}

/** Assumed thickness of a drawer bottom: the height is set before its stock is measured. [ASSUME] */
const THICKEST_BOTTOM = 7 * NM_PER.mm;
