/**
 * The tool till: a panel tilted back between two sides, a bay for each tool on the bottom before it.
 * The panel's plane is what everything follows: the sides taper with it, the top's front edge is sawn to
 * it, the dividers lean their rear edges on it.
 */
import { NM_PER, nearest, toMm, ZERO, type Length } from '../length/length.ts';
import type { Joint, Meeting } from '../solid/meeting.ts';
import { frame, type Cut, type Edge, type Panel } from '../solid/panel.ts';
import type { Compartment, Unit } from '../solid/unit.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { dimension, minus, plus, type Dimension } from '../worked/dimension.ts';
import { own, panelOf, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { between, jointOf, laidOn, meet, onPins, railEndsOf } from './joinery.ts';
import { buildModules } from './tool-till-modules.ts';
import { magnetsFor } from './magnets.ts';
import { inOrder } from './spaces.ts';
import type { Bay, ToolTill } from './tool-till.ts';

/** A removable panel has this at each end. [ASSUME] */
const PANEL_CLEARANCE = NM_PER.mm as Length;
const BATTEN = (20 * NM_PER.mm) as Length;
const BLOCK_PLAY = (0.5 * NM_PER.mm) as Length;
/** A magnet is let in so deep, and this much wood stays behind it. [ASSUME] */
const MAGNET_DEPTH = 5 * NM_PER.mm;
const MAGNET_COVER = 2 * NM_PER.mm;

/** What all parts of the till share. The panel's face passes through (floor, faceOut) and leans back by the tilt. */
interface TillFrame extends HungFrame<ToolTill> {
  readonly rear: Length;
  readonly depth: Dimension;
  readonly floor: Length;
  readonly faceOut: number;
  readonly insideHeight: Dimension;
  readonly tan: number;
  readonly cos: number;
}

export const buildToolTill = (box: ToolTill, stockOf: StockOf): Unit =>
  box.together === 'modules' ? buildModules(box, stockOf, buildWide) : buildWide(box, stockOf);

function buildWide(box: ToolTill, stockOf: StockOf): Unit {
  const base = tillFrame(box, stockOf);
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const bays = layBays(base);
  return {
    id: box.id,
    panels: [...shell(base), tiltedPanel(base, bays), ...battens(base), ...dividers(base, bays), ...blocks(base, bays), ...lip(base), ...hangingPanels],
    meetings: [...shellMeetings(base), ...panelMeetings(base), ...bayMeetings(base, bays)],
    compartments: bays.map((bay) => compartment(base, bay)),
    hardware: bays.flatMap(({ bay, magnets }) =>
      magnets > 0
        ? [
            {
              id: `${box.id}/magnets/${bay.id}`,
              kind: 'magnet' as const,
              name: { key: 'magnets', of: bay.tool },
              count: magnets,
              panel: id(base, 'tilted-panel'),
            },
          ]
        : [],
    ),
    // The panel's head is pulled out or pushed back.
    handles: [
      {
        panel: id(base, 'tilted-panel'),
        path: ['tiltDeg'],
        axis: 'out' as const,
        kind: 'degrees' as const,
        value: box.tiltDeg,
        perMm: (-180 / Math.PI / toMm(base.insideHeight.value)) * base.cos ** 2,
      },
    ],
    hanging,
    outside: {
      width: base.behind.length,
      height: dimension([plus('height', box.height.nm, { source: own(box, 'height') })]),
      depth: dimension([plus('carcass-depth', box.depth.nm, { source: own(box, 'depth') }), plus('gap-behind', base.rear)]),
    },
  };
}

function tillFrame(box: ToolTill, stockOf: StockOf): TillFrame {
  const { value: T, source } = thicknessTerm({ stockOf }, box.stock);
  const rear = stockOf(box.hanging.stock).used.value;
  const width = dimension([plus('width', box.width.nm, { source: own(box, 'width') })]);
  const turn = (box.tiltDeg * Math.PI) / 180;
  const floor = (box.under.nm + T) as Length;
  return {
    box,
    stockOf,
    T,
    rear,
    behind: { left: ZERO, length: width },
    topUp: box.height.nm,
    insideLeft: T,
    insideWidth: dimension([...width.terms, minus('side', T, { times: 2, source })]),
    ceiling: (box.height.nm - T) as Length,
    insideRear: rear,
    floorMid: floor - T / 2,
    depth: dimension([plus('depth', box.depth.nm, { source: own(box, 'depth') })]),
    floor,
    faceOut: rear + box.depth.nm - box.ledge.nm,
    insideHeight: dimension([
      plus('height', box.height.nm, { source: own(box, 'height') }),
      minus('top-and-bottom', T, { times: 2, source }),
      minus('lip-bottom', box.under.nm, { source: own(box, 'under') }),
    ]),
    tan: Math.tan(turn),
    cos: Math.cos(turn),
  };
}

/** Out from the wall to the panel's face at a height. */
const faceAt = ({ faceOut, floor, tan }: TillFrame, up: number): number => Math.round(faceOut - (up - floor) * tan);

const id = ({ box }: Pick<TillFrame, 'box'>, rest: string): string => `${box.id}/${rest}`;

/** A four-cornered outline whose rear and front edges lean alike: u upwards, v out. */
function leaningOutline(height: number, rearAtFoot: number, rearAtHead: number, frontAtFoot: number, frontAtHead: number): Edge[] {
  const edge = (name: Edge['id'], u: number, v: number): Edge => ({ id: name, from: { u, v }, bevel: 0 });
  return [edge('near', 0, rearAtFoot), edge('end', height, rearAtHead), edge('far', height, frontAtHead), edge('start', 0, frontAtFoot)];
}

function shell(base: TillFrame): Panel[] {
  const { box, T, rear, floor } = base;
  const height = dimension([plus('height', box.height.nm, { source: own(box, 'height') })]);
  // The front edge stands upright as far as the lip, then runs with the panel.
  const foot = floor + (box.lip?.nm ?? 0);
  const head = Math.round(box.depth.nm - (box.height.nm - foot) * base.tan);
  const edge = (name: Edge['id'], u: number, v: number): Edge => ({ id: name, from: { u, v }, bevel: 0 });
  const tapered = [
    edge('near', 0, 0),
    edge('end', box.height.nm, 0),
    edge('taper', box.height.nm, head),
    edge('far', foot, box.depth.nm),
    edge('start', 0, box.depth.nm),
  ];
  const side = (hand: 'left' | 'right'): Panel =>
    panelOf(
      base,
      'side',
      hand,
      { key: `side-${hand}` },
      {
        frame: frame(vector(hand === 'left' ? 0 : box.width.nm - T, 0, rear), UP, OUT),
        length: height,
        width: base.depth,
        stock: box.stock,
        banded: true,
        ...(isTapered(box) ? { outline: tapered } : {}),
      },
    );
  const topDepth = (faceAt(base, box.height.nm) - rear) as Length;
  return [
    side('left'),
    side('right'),
    panelOf(
      base,
      'top',
      '',
      { key: 'top' },
      {
        frame: frame(vector(T, box.height.nm, rear), ALONG, OUT),
        length: base.insideWidth,
        width: dimension([
          plus('depth', box.depth.nm, { source: own(box, 'depth') }),
          minus('ledge-depth', box.ledge.nm, { source: own(box, 'ledge') }),
          minus('lean-of-panel', (box.depth.nm - box.ledge.nm - topDepth) as Length),
        ]),
        stock: box.stock,
      },
    ),
    panelOf(
      base,
      'bottom',
      '',
      { key: 'bottom' },
      { frame: frame(vector(T, floor, rear), ALONG, OUT), length: base.insideWidth, width: base.depth, stock: box.stock, banded: true },
    ),
  ];
}

const isTapered = ({ sides, tiltDeg }: ToolTill): boolean => sides === 'tapered' && tiltDeg > 0;

/** Up the slope between two heights. */
const slope = ({ cos }: TillFrame, up: number): Length => nearest(up / NM_PER.mm / cos);

const panelLength = (base: TillFrame): Dimension => {
  const straight = base.insideHeight;
  const length = slope(base, straight.value);
  return dimension([
    plus('inside-height', straight.value, { inner: straight }),
    ...(length > straight.value ? [plus('along-the-tilt', (length - straight.value) as Length)] : []),
  ]);
};

const upSlope = ({ box }: TillFrame) => {
  const turn = (box.tiltDeg * Math.PI) / 180;
  return vector(0, Math.cos(turn), -Math.sin(turn));
};

/** Its reference face is the one tools lean on. */
function tiltedPanel(base: TillFrame, bays: readonly LaidBay[]): Panel {
  const { box, T, floor } = base;
  return panelOf(
    base,
    'tilted-panel',
    '',
    { key: 'tilted-panel' },
    {
      frame: frame(vector(T, floor, base.faceOut), upSlope(base), ALONG),
      length: panelLength(base),
      width: base.insideWidth,
      stock: box.panelStock,
      cuts: bays.flatMap((bay) => magnetHoles(base, bay)),
      comesOut: box.panel === 'removable',
    },
  );
}

/** Up the middle of a bay, from a quarter of the tool's length to three quarters. */
function magnetHoles({ box, stockOf, insideLeft }: TillFrame, { bay, left, width, magnets }: LaidBay): Cut[] {
  if (magnets === 0) return [];
  const run = bay.toolLength.nm / 2;
  const step = magnets > 1 ? Math.round(run / (magnets - 1)) : 0;
  const t = stockOf(box.panelStock).used.value;
  return [
    {
      kind: 'holes',
      id: `magnets-${bay.id}`,
      face: 'reference',
      at: {
        u: Math.round((bay.block?.nm ?? 0) + (magnets > 1 ? bay.toolLength.nm / 4 : bay.toolLength.nm * 0.75)),
        v: Math.round(left + width.value / 2 - insideLeft),
      },
      step: { u: step, v: 0 },
      count: magnets,
      diameter: box.magnet.nm,
      depth: Math.min(MAGNET_DEPTH, t - MAGNET_COVER) as Length,
      reason: { key: 'magnet' },
    },
  ];
}

interface LaidBay {
  readonly bay: Bay;
  readonly left: number;
  readonly width: Dimension;
  readonly magnets: number;
}

/** Bays side by side with a divider between two; those without a width share what the others leave, and where none does they all share it. */
function layBays(base: TillFrame): LaidBay[] {
  const { box, insideWidth, insideLeft } = base;
  const bays = inOrder(box.bays);
  const { value: td, source } = thicknessTerm(base, box.dividerStock);
  const wiggle = plus('wiggle', box.wiggle.nm, { times: 2, source: own(box, 'wiggle') });
  const wide = bays.map(({ id: bay, width, tool }) =>
    width ? dimension([plus('tool-width', width.nm, { of: tool, source: own(box, 'bays', bay, 'width') }), wiggle]) : null,
  );
  const free = wide.filter((each) => each === null).length;
  const left = dimension([
    plus('inside-width', insideWidth.value, { inner: insideWidth }),
    minus('divider-thickness', td, { times: bays.length - 1, source }),
    ...wide.flatMap((each) => (each ? [minus('bay', each.value, { inner: each })] : [])),
  ]);
  const shares = free > 0 ? free : bays.length;
  const share = dimension(left.terms, shares);
  let before = 0;
  let shared = 0;
  return bays.map((bay, index) => {
    const own = wide[index];
    const at = insideLeft + before + Math.round((left.value * shared) / shares) + index * td;
    const takes = !own || free === 0;
    const width = !own ? share : takes && left.value !== 0 ? dimension([...own.terms, plus('bay-share', share.value, { inner: share })]) : own;
    before += own?.value ?? 0;
    shared += takes ? 1 : 0;
    const { value } = magnetsFor({
      held: bay.held,
      kg: bay.kg,
      lengthMm: toMm(bay.toolLength.nm),
      tiltDeg: box.tiltDeg,
      pullN: box.magnetPull,
      factor: box.magnetFactor,
    });
    return { bay, left: at, width, magnets: value };
  });
}

/** What stands on the bottom ends behind the lip. */
const standingDepth = (base: TillFrame): Dimension => {
  const { box } = base;
  const t = thicknessTerm(base, box.stock);
  return dimension([plus('ledge-depth', box.ledge.nm, { source: own(box, 'ledge') }), ...(box.lip ? [minus('lip', t.value, { source: t.source })] : [])]);
};

function dividers(base: TillFrame, bays: readonly LaidBay[]): Panel[] {
  const { box, floor } = base;
  const h = box.dividers.nm;
  const depth = standingDepth(base);
  const rear = faceAt(base, floor + h);
  const lean = base.faceOut - rear;
  const front = base.faceOut + depth.value - rear;
  const frontHead = isTapered(box) ? front - lean : front;
  return bays.slice(1).map(({ bay, left }, index) =>
    panelOf(
      base,
      'divider',
      bay.id,
      { key: 'divider', of: String(index + 1) },
      {
        frame: frame(vector(left - base.stockOf(box.dividerStock).used.value, floor, rear), UP, OUT),
        length: dimension([plus('divider-height', h, { source: own(box, 'dividers') })]),
        width: dimension([plus('standing-depth', depth.value, { inner: depth }), ...(lean > 0 ? [plus('lean-of-panel', lean as Length)] : [])]),
        stock: box.dividerStock,
        outline: leaningOutline(h, lean, 0, front, frontHead),
      },
    ),
  );
}

/** A block stands in its bay with half a millimetre of play about it. */
function blocks(base: TillFrame, bays: readonly LaidBay[]): Panel[] {
  const { box, floor } = base;
  const depth = standingDepth(base);
  return bays.flatMap(({ bay, left, width }) => {
    if (!bay.block) return [];
    return [
      panelOf(
        base,
        'holder',
        bay.id,
        { key: 'tool-block', of: bay.tool },
        {
          frame: frame(vector(left + BLOCK_PLAY, floor, base.faceOut), ALONG, UP),
          length: dimension([plus('bay', width.value, { inner: width }), minus('block-play', BLOCK_PLAY, { times: 2 })]),
          width: dimension([plus('block-height', bay.block.nm, { source: own(box, 'bays', bay.id, 'block') })]),
          stock: box.stock,
        },
      ),
    ].filter(({ thickness }) => thickness <= depth.value);
  });
}

function lip(base: TillFrame): Panel[] {
  const { box, T, rear, floor } = base;
  if (!box.lip) return [];
  return [
    panelOf(
      base,
      'ledge',
      '',
      { key: 'lip' },
      {
        frame: frame(vector(T, floor, rear + box.depth.nm - T), ALONG, UP),
        length: base.insideWidth,
        width: dimension([plus('lip-height', box.lip.nm, { source: own(box, 'lip') })]),
        stock: box.stock,
      },
    ),
  ];
}

/** Behind a panel that can be taken out: a strip on each side that it lies on. */
function battens(base: TillFrame): Panel[] {
  const { box, T, floor } = base;
  if (box.panel !== 'removable') return [];
  const t = base.stockOf(box.panelStock).used.value;
  const turn = (box.tiltDeg * Math.PI) / 180;
  const up = upSlope(base);
  const length = panelLength(base);
  const start = { up: floor + up.up * BATTEN - Math.sin(turn) * t, out: base.faceOut + up.out * BATTEN - Math.cos(turn) * t };
  return (['left', 'right'] as const).map((hand) =>
    panelOf(
      base,
      'ledge',
      `batten-${hand}`,
      { key: `batten-${hand}` },
      {
        frame: frame(vector(hand === 'left' ? T : T + base.insideWidth.value - BATTEN, start.up, start.out), up, ALONG),
        length: dimension([plus('panel-length', length.value, { inner: length }), minus('batten-ends', BATTEN, { times: 2 })]),
        width: dimension([plus('batten-width', BATTEN)]),
        stock: box.dividerStock,
      },
    ),
  );
}

function shellMeetings(base: TillFrame): Meeting[] {
  const { box } = base;
  const [left, right] = [id(base, 'side/left'), id(base, 'side/right')];
  const glued = jointOf(box, 'butt', { fastening: null });
  const rail = id(base, 'hanging-rail');
  const ends = railEndsOf(box);
  return [
    ...between(id(base, 'top'), left, right, jointOf(box, 'rabbet')),
    ...between(id(base, 'bottom'), left, right, jointOf(box, box.under.nm > 0 ? 'dado' : 'rabbet')),
    // Its front edge is sawn to the panel's face.
    meet(id(base, 'top'), 'far', id(base, 'tilted-panel'), 'reference', { ...glued, kind: 'flush', glue: false }),
    ...(box.hanging.rail ? [...between(rail, left, right, ends), meet(rail, 'far', id(base, 'top'), 'other', glued)] : []),
  ];
}

function panelMeetings(base: TillFrame): Meeting[] {
  const { box } = base;
  const panel = id(base, 'tilted-panel');
  const [left, right] = [id(base, 'side/left'), id(base, 'side/right')];
  const removable = box.panel === 'removable';
  const ends: Joint = removable ? onPins(PANEL_CLEARANCE) : jointOf(box, 'dado');
  const stands = jointOf(box, 'butt', { fastening: null, glue: box.glue && !removable });
  return [
    meet(panel, 'near', left, 'other', ends, ['panel']),
    meet(panel, 'far', right, 'reference', ends, ['panel']),
    meet(panel, 'start', id(base, 'bottom'), 'reference', stands),
    meet(panel, 'end', id(base, 'top'), 'other', stands),
    ...(removable
      ? [
          meet(id(base, 'ledge/batten-left'), 'near', left, 'other', jointOf(box, 'butt')),
          meet(id(base, 'ledge/batten-right'), 'far', right, 'reference', jointOf(box, 'butt')),
          laidOn(id(base, 'ledge/batten-left'), 'reference', panel, 'other', { ...box, glue: false }),
          laidOn(id(base, 'ledge/batten-right'), 'reference', panel, 'other', { ...box, glue: false }),
        ]
      : []),
  ];
}

function bayMeetings(base: TillFrame, bays: readonly LaidBay[]): Meeting[] {
  const { box } = base;
  const bottom = id(base, 'bottom');
  const glued = jointOf(box, 'butt', { fastening: null });
  const loose = { ...glued, glue: false };
  const strip = id(base, 'ledge');
  return [
    ...bays
      .slice(1)
      .flatMap(({ bay }) => [
        meet(id(base, `divider/${bay.id}`), 'start', bottom, 'reference', glued),
        meet(id(base, `divider/${bay.id}`), 'near', id(base, 'tilted-panel'), 'reference', box.dividersBy === 'loose' ? loose : glued),
      ]),
    ...blocks(base, bays).map((block) => meet(block.id, 'near', bottom, 'reference', glued)),
    ...(box.lip
      ? [meet(strip, 'near', bottom, 'reference', glued), ...between(strip, id(base, 'side/left'), id(base, 'side/right'), jointOf(box, 'butt'))]
      : []),
  ];
}

function compartment(base: TillFrame, { bay, left, width }: LaidBay): Compartment {
  return {
    id: id(base, `space/${bay.id}`),
    name: { key: bay.spare ? 'bay-spare' : 'bay-of', of: bay.tool },
    floor: id(base, 'bottom'),
    keptBy: bay.id,
    width,
    height: base.insideHeight,
    depth: standingDepth(base),
    at: { along: left as Length, up: base.floor, out: base.faceOut as Length },
  };
}
