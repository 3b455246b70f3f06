/**
 * The corner unit: a cabinet for the corner of a room, its back on one wall, its left side on the other, its front cut diagonally between a narrow right
 * side and a narrow front wing. Level panels have five corners.
 */
import { ZERO, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { frame, type PanelEdge, type Panel } from '../solid/panel.ts';
import type { Compartment, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { gapBehind, own, panelOf, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { jointOf, connect, railEndsOf } from './joinery.ts';
import { inOrder } from './spaces.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { CornerUnit } from '../model/specs/corner-unit.ts';

export function newCornerUnit(start: NewSpec): CornerUnit {
  const { unit } = start;
  const base = newBase('corner-unit', start, ['bottom', 's1']);
  return {
    ...base,
    // No back lies between the rail and the cleat.
    hanging: { ...base.hanging, cabinetScrew: { ...base.hanging.cabinetScrew, length: pick(unit, '30', '1 1/4') } },
    rightDepth: pick(unit, '250', '10'),
    wing: pick(unit, '250', '10'),
    shelves: { s1: { id: 's1', order: 1 } },
  };
}

interface CornerFrame extends HungFrame<CornerUnit> {
  readonly rear: Length;
  readonly floor: Length;
  readonly between: ExplainedLength;
}

const id = ({ spec }: Pick<CornerFrame, 'spec'>, rest: string): string => `${spec.id}/${rest}`;

export function buildCornerUnit(spec: CornerUnit, stockOf: StockOf): CabinetGeometry {
  const { value: T, source } = thicknessTerm({ stockOf }, spec.stock);
  const rear = gapBehind(spec, stockOf);
  const width = explainedLength([plus('width', spec.width.nm, { source: own(spec, 'width') })]);
  const height = plus('height', spec.height.nm, { source: own(spec, 'height') });
  const base: CornerFrame = {
    spec,
    stockOf,
    T,
    rear,
    floor: T,
    behind: { left: ZERO, length: width },
    topUp: spec.height.nm,
    insideLeft: T,
    insideWidth: explainedLength([...width.terms, minus('side', T, { times: 2, source })]),
    ceiling: (spec.height.nm - T) as Length,
    insideRear: rear,
    floorMid: T / 2,
    between: explainedLength([height, minus('top-and-bottom', T, { times: 2, source })]),
  };
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const shelves = inOrder(spec.shelves);
  const clear = explainedLength(
    [plus('inside-height', base.between.value, { inner: base.between }), minus('shelf-thickness', T, { times: shelves.length, source })],
    shelves.length + 1,
  );
  const whole = explainedLength(clear.terms).value;
  const floorOf = (index: number): number => base.floor + Math.round((whole * index) / (shelves.length + 1)) + index * T;
  const level = shelves.map((shelf, index) => flat(base, 'shelf', shelf.id, floorOf(index + 1), String(index + 1)));
  return {
    id: spec.id,
    panels: [...uprights(base), flat(base, 'top', '', spec.height.nm), flat(base, 'bottom', '', T), ...level, ...hangingPanels],
    connections: connections(base, level),
    compartments: ['bottom', ...shelves.map((shelf) => shelf.id)].map((keptBy, index): Compartment => ({
      id: id(base, `space/${keptBy}`),
      name: index === 0 ? { key: 'opening-bottom' } : { key: 'opening-over', of: String(index) },
      floor: id(base, index === 0 ? 'bottom' : `shelf/${keptBy}`),
      keptBy,
      width: base.insideWidth,
      height: clear,
      // Items anywhere across the width get the depth of the shallow end.
      depth: explainedLength([plus('right-depth', spec.rightDepth.nm, { source: own(spec, 'rightDepth') })]),
      at: { along: T, up: floorOf(index) as Length, out: rear },
    })),
    hardware: [],
    hanging,
    outside: {
      width,
      height: explainedLength([height]),
      depth: explainedLength([plus('carcass-depth', spec.depth.nm, { source: own(spec, 'depth') }), plus('gap-behind', rear)]),
    },
  };
}

/** Left side on the other wall, right side of equal depth, and the wing across the left side's front. */
function uprights(base: CornerFrame): Panel[] {
  const { spec, T, rear } = base;
  const height = explainedLength([plus('height', spec.height.nm, { source: own(spec, 'height') })]);
  const { source } = thicknessTerm(base, spec.stock);
  const side = (hand: 'left' | 'right', along: number, width: ExplainedLength): Panel =>
    panelOf(
      base,
      'side',
      hand,
      { key: `side-${hand}` },
      { frame: frame(vector(along, 0, rear), UP, OUT), length: height, width, stock: spec.stock, banded: hand === 'right' },
    );
  return [
    side('left', 0, explainedLength([plus('depth', spec.depth.nm, { source: own(spec, 'depth') }), minus('wing-thickness', T, { source })])),
    side('right', spec.width.nm - T, explainedLength([plus('right-depth', spec.rightDepth.nm, { source: own(spec, 'rightDepth') })])),
    panelOf(
      base,
      'front',
      'wing',
      { key: 'corner-wing' },
      {
        frame: frame(vector(0, 0, rear + spec.depth.nm), UP, ALONG),
        length: height,
        width: explainedLength([plus('corner-wing', spec.wing.nm, { source: own(spec, 'wing') })]),
        stock: spec.stock,
      },
    ),
  ];
}

/** Five corners: square at the room's corner, the front cut from the wing's end to the right side. */
function flat(base: CornerFrame, role: 'top' | 'bottom' | 'shelf', element: string, upper: number, of?: string): Panel {
  const { spec, T, rear, insideWidth } = base;
  const deep = spec.depth.nm - T;
  const edge = (name: PanelEdge['id'], u: number, v: number): PanelEdge => ({ id: name, from: { u, v }, bevel: 0 });
  const toWing = spec.wing.nm - T;
  return panelOf(base, role, element, of ? { key: 'shelf', of } : { key: role }, {
    frame: frame(vector(T, upper, rear), ALONG, OUT),
    length: insideWidth,
    width: explainedLength([plus('depth', spec.depth.nm, { source: own(spec, 'depth') }), minus('wing-thickness', T)]),
    stock: spec.stock,
    outline: [
      edge('near', 0, 0),
      edge('end', insideWidth.value, 0),
      edge('slope', insideWidth.value, spec.rightDepth.nm),
      edge('far', toWing, deep),
      edge('start', 0, deep),
    ],
  });
}

function connections(base: CornerFrame, shelves: readonly Panel[]): Connection[] {
  const { spec } = base;
  const [left, right, wing] = [id(base, 'side/left'), id(base, 'side/right'), id(base, 'front/wing')];
  const glued = jointOf(spec, 'butt');
  const held = (panel: string, kind: 'rabbet' | 'dado'): Connection[] => [
    connect(panel, 'start', left, 'other', jointOf(spec, kind)),
    connect(panel, 'end', right, 'reference', jointOf(spec, kind)),
    connect(panel, 'far', wing, 'other', glued),
  ];
  const rail = id(base, 'hanging-rail');
  const ends = railEndsOf(spec);
  return [
    ...held(id(base, 'top'), 'rabbet'),
    ...held(id(base, 'bottom'), 'rabbet'),
    ...shelves.flatMap((panel) => held(panel.id, 'dado')),
    connect(left, 'far', wing, 'other', glued),
    ...(spec.hanging.rail
      ? [connect(rail, 'start', left, 'other', ends), connect(rail, 'end', right, 'reference', ends), connect(rail, 'far', id(base, 'top'), 'other', glued)]
      : []),
  ];
}
