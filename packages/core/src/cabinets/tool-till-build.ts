/**
 * The tool till: a panel tilted back between two sides, with a bay for each tool in front. Everything follows the panel's plane: the sides taper with it,
 * the top's front edge is beveled to it, the dividers lean on it.
 */
import { NM_PER, toMm, type Length } from '../length/length.ts';
import type { Joint, Connection } from '../solid/connection.ts';
import { frame, type PanelEdge, type Panel } from '../solid/panel.ts';
import type { CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { own, panelOf, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { between, jointOf, laidOn, connect, onPins, railEndsOf } from './joinery.ts';
import { buildModules } from './tool-till-modules.ts';
import { bayConnections, blocks, compartment, dividers, layBays, magnetHoles, type LaidBay } from './tool-till-bays.ts';
import { faceAt, id, isTapered, slope, tillFrame, type TillFrame } from './tool-till-frame.ts';
import type { ToolTill } from '../model/specs/tool-till.ts';

/** Clearance of a removable panel at each end. [ASSUME] */
const PANEL_CLEARANCE = NM_PER.mm as Length;
const BATTEN = (20 * NM_PER.mm) as Length;

export const buildToolTill = (box: ToolTill, stockOf: StockOf): CabinetGeometry =>
  box.together === 'modules' ? buildModules(box, stockOf, buildWide) : buildWide(box, stockOf);

function buildWide(box: ToolTill, stockOf: StockOf): CabinetGeometry {
  const base = tillFrame(box, stockOf);
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const bays = layBays(base);
  return {
    id: box.id,
    panels: [...shell(base), tiltedPanel(base, bays), ...battens(base), ...dividers(base, bays), ...blocks(base, bays), ...lip(base), ...hangingPanels],
    connections: [...shellConnections(base), ...panelConnections(base), ...bayConnections(base, bays)],
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
    // Dragging the panel's head changes the tilt.
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
      height: explainedLength([plus('height', box.height.nm, { source: own(box, 'height') })]),
      depth: explainedLength([plus('carcass-depth', box.depth.nm, { source: own(box, 'depth') }), plus('gap-behind', base.rear)]),
    },
  };
}

function shell(base: TillFrame): Panel[] {
  const { spec, T, rear, floor } = base;
  const height = explainedLength([plus('height', spec.height.nm, { source: own(spec, 'height') })]);
  // The front edge is upright as far as the lip, then follows the panel.
  const foot = floor + (spec.lip?.nm ?? 0);
  const head = Math.round(spec.depth.nm - (spec.height.nm - foot) * base.tan);
  const edge = (name: PanelEdge['id'], u: number, v: number): PanelEdge => ({ id: name, from: { u, v }, bevel: 0 });
  const tapered = [
    edge('near', 0, 0),
    edge('end', spec.height.nm, 0),
    edge('taper', spec.height.nm, head),
    edge('far', foot, spec.depth.nm),
    edge('start', 0, spec.depth.nm),
  ];
  const side = (hand: 'left' | 'right'): Panel =>
    panelOf(
      base,
      'side',
      hand,
      { key: `side-${hand}` },
      {
        frame: frame(vector(hand === 'left' ? 0 : spec.width.nm - T, 0, rear), UP, OUT),
        length: height,
        width: base.depth,
        stock: spec.stock,
        banded: true,
        ...(isTapered(spec) ? { outline: tapered } : {}),
      },
    );
  const topDepth = (faceAt(base, spec.height.nm) - rear) as Length;
  return [
    side('left'),
    side('right'),
    panelOf(
      base,
      'top',
      '',
      { key: 'top' },
      {
        frame: frame(vector(T, spec.height.nm, rear), ALONG, OUT),
        length: base.insideWidth,
        width: explainedLength([
          plus('depth', spec.depth.nm, { source: own(spec, 'depth') }),
          minus('ledge-depth', spec.ledge.nm, { source: own(spec, 'ledge') }),
          minus('lean-of-panel', (spec.depth.nm - spec.ledge.nm - topDepth) as Length),
        ]),
        stock: spec.stock,
      },
    ),
    panelOf(
      base,
      'bottom',
      '',
      { key: 'bottom' },
      { frame: frame(vector(T, floor, rear), ALONG, OUT), length: base.insideWidth, width: base.depth, stock: spec.stock, banded: true },
    ),
  ];
}

const panelLength = (base: TillFrame): ExplainedLength => {
  const straight = base.insideHeight;
  const length = slope(base, straight.value);
  return explainedLength([
    plus('inside-height', straight.value, { inner: straight }),
    ...(length > straight.value ? [plus('along-the-tilt', (length - straight.value) as Length)] : []),
  ]);
};

const upSlope = ({ spec }: TillFrame) => {
  const turn = (spec.tiltDeg * Math.PI) / 180;
  return vector(0, Math.cos(turn), -Math.sin(turn));
};

/** Its reference face is the one tools lean on. */
function tiltedPanel(base: TillFrame, bays: readonly LaidBay[]): Panel {
  const { spec, T, floor } = base;
  return panelOf(
    base,
    'tilted-panel',
    '',
    { key: 'tilted-panel' },
    {
      frame: frame(vector(T, floor, base.faceOut), upSlope(base), ALONG),
      length: panelLength(base),
      width: base.insideWidth,
      stock: spec.panelStock,
      cuts: bays.flatMap((bay) => magnetHoles(base, bay)),
      comesOut: spec.panel === 'removable',
    },
  );
}

function lip(base: TillFrame): Panel[] {
  const { spec, T, rear, floor } = base;
  if (!spec.lip) return [];
  return [
    panelOf(
      base,
      'ledge',
      '',
      { key: 'lip' },
      {
        frame: frame(vector(T, floor, rear + spec.depth.nm - T), ALONG, UP),
        length: base.insideWidth,
        width: explainedLength([plus('lip-height', spec.lip.nm, { source: own(spec, 'lip') })]),
        stock: spec.stock,
      },
    ),
  ];
}

/** Behind a removable panel: a batten on each side that it rests on. */
function battens(base: TillFrame): Panel[] {
  const { spec, T, floor } = base;
  if (spec.panel !== 'removable') return [];
  const t = base.stockOf(spec.panelStock).used.value;
  const turn = (spec.tiltDeg * Math.PI) / 180;
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
        length: explainedLength([plus('panel-length', length.value, { inner: length }), minus('batten-ends', BATTEN, { times: 2 })]),
        width: explainedLength([plus('batten-width', BATTEN)]),
        stock: spec.dividerStock,
      },
    ),
  );
}

function shellConnections(base: TillFrame): Connection[] {
  const { spec } = base;
  const [left, right] = [id(base, 'side/left'), id(base, 'side/right')];
  const glued = jointOf(spec, 'butt', { fastening: null });
  const rail = id(base, 'hanging-rail');
  const ends = railEndsOf(spec);
  return [
    ...between(id(base, 'top'), left, right, jointOf(spec, 'rabbet')),
    ...between(id(base, 'bottom'), left, right, jointOf(spec, spec.under.nm > 0 ? 'dado' : 'rabbet')),
    // Its front edge is beveled to the panel's face.
    connect(id(base, 'top'), 'far', id(base, 'tilted-panel'), 'reference', { ...glued, kind: 'flush', glue: false }),
    ...(spec.hanging.rail ? [...between(rail, left, right, ends), connect(rail, 'far', id(base, 'top'), 'other', glued)] : []),
  ];
}

function panelConnections(base: TillFrame): Connection[] {
  const { spec } = base;
  const panel = id(base, 'tilted-panel');
  const [left, right] = [id(base, 'side/left'), id(base, 'side/right')];
  const removable = spec.panel === 'removable';
  const ends: Joint = removable ? onPins(PANEL_CLEARANCE) : jointOf(spec, 'dado');
  const stands = jointOf(spec, 'butt', { fastening: null, glue: spec.glue && !removable });
  return [
    connect(panel, 'near', left, 'other', ends, ['panel']),
    connect(panel, 'far', right, 'reference', ends, ['panel']),
    connect(panel, 'start', id(base, 'bottom'), 'reference', stands),
    connect(panel, 'end', id(base, 'top'), 'other', stands),
    ...(removable
      ? [
          connect(id(base, 'ledge/batten-left'), 'near', left, 'other', jointOf(spec, 'butt')),
          connect(id(base, 'ledge/batten-right'), 'far', right, 'reference', jointOf(spec, 'butt')),
          laidOn(id(base, 'ledge/batten-left'), 'reference', panel, 'other', { ...spec, glue: false }),
          laidOn(id(base, 'ledge/batten-right'), 'reference', panel, 'other', { ...spec, glue: false }),
        ]
      : []),
  ];
}
