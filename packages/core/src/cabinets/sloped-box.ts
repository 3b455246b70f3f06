/**
 * The sloped-top box: sides cut to a slope, the top over them from the wall to past the front, its rear edge beveled against the wall above the cleat, its
 * front edge upright. A mitered band may run around its foot.
 */
import type { WordKey } from '../checks/words/labels.ts';
import { NM_PER, roundToNm, toMm, ZERO, type Length } from '../length/length.ts';
import type { Joint, Connection } from '../solid/connection.ts';
import { frame, leaning, type PanelEdge, type Panel } from '../solid/panel.ts';
import type { Compartment, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, scale, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength, type Label } from '../explained/explained-length.ts';
import { gapBehind, own, panelOf, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { between, jointOf, laidOn, LOOSE, connect, railEndsOf } from './joinery.ts';
import { inOrder } from './spaces.ts';
import { BACK_PLAY } from '../joints/fits.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { SlopedBox, SlopedShelf } from '../model/specs/sloped-box.ts';

export function newSlopedBox(start: NewSpec): SlopedBox {
  const { unit, backStock } = start;
  return {
    ...newBase('sloped-box', start, ['bottom', 's1']),
    slopeBy: 'angle',
    slopeDeg: 25,
    frontHeight: pick(unit, '240', '9 1/2'),
    overhangSide: pick(unit, '15', '5/8'),
    overhangFront: pick(unit, '20', '3/4'),
    backStock,
    under: pick(unit, '15', '5/8'),
    apron: null,
    trim: null,
    trimStock: backStock,
    shelves: { s1: { id: 's1', order: 1, at: pick(unit, '130', '5') } },
  };
}

/** Heights above the cabinet's bottom; the top's lower face falls from `lowerAt(0)` at the wall. */
interface SlopedFrame extends HungFrame<SlopedBox> {
  readonly rear: Length;
  readonly front: Length;
  readonly floor: Length;
  readonly backThickness: Length;
  readonly slopeDeg: number;
  readonly lowerAt: (out: number) => Length;
  readonly insideDepth: ExplainedLength;
  readonly depth: ExplainedLength;
}

const radians = (deg: number): number => (deg * Math.PI) / 180;
const id = ({ spec }: Pick<SlopedFrame, 'spec'>, rest: string): string => `${spec.id}/${rest}`;

/** The slope: as entered, or from the heights at the wall and at the front. */
export function slopeOf({ slopeBy, slopeDeg, height, depth, frontHeight }: SlopedBox, T: number, rear: number): number {
  if (slopeBy === 'angle') return slopeDeg;
  // Solves height − T / cos s − (rear + depth) tan s = frontHeight by bisection.
  const fall = (deg: number): number => height.nm - T / Math.cos(radians(deg)) - (rear + depth.nm) * Math.tan(radians(deg)) - frontHeight.nm;
  let [low, high] = [0, MAX_SLOPE_DEG];
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (fall(middle) > 0) low = middle;
    else high = middle;
  }
  return low;
}

export const MAX_SLOPE_DEG = 60;

function slopedFrame(spec: SlopedBox, stockOf: StockOf): SlopedFrame {
  const { value: T, source } = thicknessTerm({ stockOf }, spec.stock);
  const backTerm = thicknessTerm({ stockOf }, spec.backStock);
  const rear = gapBehind(spec, stockOf);
  const slopeDeg = slopeOf(spec, T, rear);
  const drop = T / Math.cos(radians(slopeDeg));
  const lowerAt = (out: number): Length => Math.round(spec.height.nm - drop - out * Math.tan(radians(slopeDeg))) as Length;
  const width = explainedLength([plus('width', spec.width.nm, { source: own(spec, 'width') })]);
  const depth = explainedLength([plus('depth', spec.depth.nm, { source: own(spec, 'depth') })]);
  const floor = (spec.under.nm + T) as Length;
  const insideRear = (rear + backTerm.value) as Length;
  return {
    spec,
    stockOf,
    T,
    rear,
    front: (rear + spec.depth.nm) as Length,
    floor,
    backThickness: backTerm.value,
    slopeDeg,
    lowerAt,
    behind: { left: ZERO, length: width },
    // The cleats stand under the top's lower face at its lowest point above them.
    topUp: lowerAt(rear),
    insideLeft: T,
    insideWidth: explainedLength([...width.terms, minus('side', T, { times: 2, source })]),
    ceiling: lowerAt(insideRear),
    insideRear,
    floorMid: floor - T / 2,
    wholeHalf: true,
    depth,
    insideDepth: explainedLength([
      ...depth.terms,
      minus('back', backTerm.value, { source: backTerm.source }),
      ...(spec.apron ? [minus('apron', T, { source })] : []),
    ]),
  };
}

export function buildSlopedBox(box: SlopedBox, stockOf: StockOf): CabinetGeometry {
  const base = slopedFrame(box, stockOf);
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const trim = trimOf(base);
  return {
    id: box.id,
    panels: [...carcass(base), ...trim.panels, ...hangingPanels],
    connections: [...connections(base), ...trim.connections],
    compartments: compartments(base),
    hardware: [],
    // Dragging the top's front edge changes the slope.
    handles:
      box.slopeBy === 'angle'
        ? [
            {
              panel: id(base, 'top'),
              path: ['slopeDeg'],
              axis: 'up' as const,
              kind: 'degrees' as const,
              value: box.slopeDeg,
              perMm: (-180 / Math.PI / toMm(base.front)) * Math.cos(radians(base.slopeDeg)) ** 2,
            },
          ]
        : [],
    hanging,
    outside: {
      width: explainedLength([plus('width', box.width.nm, { source: own(box, 'width') }), ...widest(base)]),
      height: explainedLength([plus('height', box.height.nm, { source: own(box, 'height') })]),
      depth: explainedLength([
        plus('carcass-depth', box.depth.nm, { source: own(box, 'depth') }),
        plus('gap-behind', base.rear),
        ...(foremost(base) > 0 ? [plus('overhang-front', foremost(base) as Length)] : []),
      ]),
    },
  };
}

const trimThickness = ({ spec, stockOf }: SlopedFrame): number => (spec.trim ? stockOf(spec.trimStock).used.value : 0);
const foremost = (base: SlopedFrame): number => Math.max(base.spec.overhangFront.nm, trimThickness(base));
function widest(base: SlopedFrame) {
  const past = Math.max(base.spec.overhangSide.nm, trimThickness(base));
  return past > 0 ? [plus('overhang-side', past as Length, { times: 2 })] : [];
}

function carcass(base: SlopedFrame): Panel[] {
  const { spec, T, rear, front, floor, insideRear, insideWidth } = base;
  const edge = (name: PanelEdge['id'], u: number, v: number): PanelEdge => ({ id: name, from: { u, v }, bevel: 0 });
  const [high, low] = [base.lowerAt(rear), base.lowerAt(front)];
  const tall = explainedLength([plus('height', spec.height.nm, { source: own(spec, 'height') }), minus('top-and-slope', (spec.height.nm - high) as Length)]);
  const side = (hand: 'left' | 'right'): Panel =>
    panelOf(
      base,
      'side',
      hand,
      { key: `side-${hand}` },
      {
        frame: frame(vector(hand === 'left' ? 0 : spec.width.nm - T, 0, rear), UP, OUT),
        length: tall,
        width: base.depth,
        stock: spec.stock,
        outline: [edge('near', 0, 0), edge('slope', high, 0), edge('far', low, spec.depth.nm), edge('start', 0, spec.depth.nm)],
      },
    );
  const level = (role: 'bottom' | 'shelf', element: string, key: WordKey, up: number, rearOut: number, width: ExplainedLength, of?: string): Panel =>
    panelOf(base, role, element, of ? { key, of } : { key }, {
      frame: frame(vector(T, up, rearOut), ALONG, OUT),
      length: insideWidth,
      width,
      stock: spec.stock,
      banded: true,
    });
  const apron = spec.apron
    ? [
        panelOf(
          base,
          'front',
          '',
          { key: 'apron' },
          {
            frame: frame(vector(T, floor, front - T), ALONG, UP),
            length: insideWidth,
            width: explainedLength([plus('apron-height', spec.apron.nm, { source: own(spec, 'apron') })]),
            stock: spec.stock,
          },
        ),
      ]
    : [];
  return [
    side('left'),
    side('right'),
    top(base),
    level('bottom', '', 'bottom', floor, rear, base.depth),
    ...inOrder(spec.shelves).map((shelf, index) =>
      level('shelf', shelf.id, 'shelf', floor + shelf.at.nm + T, insideRear, shelfDepth(base, shelf), String(index + 1)),
    ),
    panelOf(
      base,
      'back',
      '',
      { key: 'back' },
      {
        frame: frame(vector(T, floor, insideRear), UP, ALONG),
        // Its front face meets the top's lower face first.
        length: explainedLength([plus('inside-height', (base.lowerAt(insideRear) - floor) as Length)]),
        width: insideWidth,
        stock: spec.backStock,
      },
    ),
    ...apron,
  ];
}

/** A shelf ends where the top comes down to its upper face. */
function shelfDepth(base: SlopedFrame, { at }: SlopedShelf): ExplainedLength {
  const { insideDepth, insideRear, slopeDeg, floor, T } = base;
  const under = base.lowerAt(insideRear) - (floor + at.nm + T);
  const most = slopeDeg > 0 ? Math.floor(under / Math.tan(radians(slopeDeg))) : insideDepth.value;
  const short = insideDepth.value - Math.max(SHALLOWEST, most);
  return short > 0 ? explainedLength([...insideDepth.terms, minus('under-the-slope', short as Length)]) : insideDepth;
}

const SHALLOWEST = 20 * NM_PER.mm;

/** From the wall plane to past the front, along the slope; its reference face is the upper one. */
function top(base: SlopedFrame): Panel {
  const { spec, front, slopeDeg } = base;
  const s = radians(slopeDeg);
  const upper = Math.round(spec.height.nm);
  const reach = front + spec.overhangFront.nm;
  const along = roundToNm(toMm(reach as Length) / Math.cos(s));
  return panelOf(
    base,
    'top',
    '',
    { key: 'top' },
    {
      frame: leaning(vector(0 - spec.overhangSide.nm, upper, 0), ALONG, OUT, slopeDeg),
      length: explainedLength([
        plus('width', spec.width.nm, { source: own(spec, 'width') }),
        plus('overhang-side', spec.overhangSide.nm, { times: 2, source: own(spec, 'overhangSide') }),
      ]),
      width: explainedLength([
        plus('depth', spec.depth.nm, { source: own(spec, 'depth') }),
        plus('gap-behind', base.rear),
        plus('overhang-front', spec.overhangFront.nm, { source: own(spec, 'overhangFront') }),
        ...(along > reach ? [plus('along-the-slope', (along - reach) as Length)] : []),
      ]),
      stock: spec.stock,
    },
  );
}

const FLUSH: Joint = { ...LOOSE, kind: 'flush' };

function connections(base: SlopedFrame): Connection[] {
  const { spec } = base;
  const [left, right, roof, back] = [id(base, 'side/left'), id(base, 'side/right'), id(base, 'top'), id(base, 'back')];
  const over = jointOf(spec, 'butt');
  const glued = jointOf(spec, 'butt', { fastening: null });
  const inRabbet = jointOf(spec, 'rabbet', { endPlay: BACK_PLAY, play: ZERO, fastening: null });
  const rail = id(base, 'hanging-rail');
  const railEnds = railEndsOf(spec);
  return [
    connect(left, 'slope', roof, 'other', over),
    connect(right, 'slope', roof, 'other', over),
    connect(roof, 'near', id(base, 'cabinet-half'), 'reference', FLUSH),
    connect(roof, 'far', id(base, 'cabinet-half'), 'other', FLUSH),
    ...between(id(base, 'bottom'), left, right, jointOf(spec, spec.under.nm > 0 ? 'dado' : 'rabbet')),
    ...Object.keys(spec.shelves).flatMap((shelf) => between(id(base, `shelf/${shelf}`), left, right, jointOf(spec, 'dado', { stopped: true }))),
    connect(back, 'near', left, 'other', inRabbet),
    connect(back, 'far', right, 'reference', inRabbet),
    connect(back, 'start', id(base, 'bottom'), 'reference', inRabbet),
    connect(back, 'end', roof, 'other', glued),
    ...(spec.hanging.rail ? [...between(rail, left, right, railEnds), connect(rail, 'far', roof, 'other', glued)] : []),
    ...(spec.apron ? [...between(id(base, 'front'), left, right, over), connect(id(base, 'front'), 'near', id(base, 'bottom'), 'reference', glued)] : []),
  ];
}

/** Left return, front and right return with mitered corners: each strip's reference face is the outer one. */
function trimOf(base: SlopedFrame): { panels: Panel[]; connections: Connection[] } {
  const { spec, rear, front } = base;
  if (!spec.trim) return { panels: [], connections: [] };
  const t = thicknessTerm(base, spec.trimStock);
  const high = spec.trim.nm;
  const width = explainedLength([plus('trim-height', high, { source: own(spec, 'trim') })]);
  const wide = spec.width.nm;
  const down = scale(UP, -1);
  const long = explainedLength([plus('width', wide, { source: own(spec, 'width') }), plus('trim-thickness', t.value, { times: 2, source: t.source })]);
  const short = explainedLength([plus('depth', spec.depth.nm, { source: own(spec, 'depth') }), plus('trim-thickness', t.value, { source: t.source })]);
  const strip = (element: 'left' | 'front' | 'right', at: ReturnType<typeof frame>, length: ExplainedLength): Panel =>
    panelOf(base, 'edging', element, { key: `trim-${element}` }, { frame: at, length, width, stock: spec.trimStock });
  const panels = [
    strip('left', frame(vector(0 - t.value, high, rear), OUT, down), short),
    strip('front', frame(vector(0 - t.value, high, front + t.value), ALONG, down), long),
    strip('right', frame(vector(wide + t.value, high, front + t.value), scale(OUT, -1), down), short),
  ];
  const mitre = jointOf(spec, 'mitre', { fastening: null });
  const glued = { fastening: null };
  return {
    panels,
    connections: [
      connect(id(base, 'edging/left'), 'end', id(base, 'edging/front'), 'start', mitre),
      connect(id(base, 'edging/front'), 'end', id(base, 'edging/right'), 'start', mitre),
      laidOn(id(base, 'edging/left'), 'other', id(base, 'side/left'), 'reference', spec, glued),
      laidOn(id(base, 'edging/right'), 'other', id(base, 'side/right'), 'other', spec, glued),
    ],
  };
}

function compartments(base: SlopedFrame): Compartment[] {
  const { spec, insideWidth, insideRear, floor, T } = base;
  const shelves = inOrder(spec.shelves);
  const bottom = { keptBy: 'bottom', panel: id(base, 'bottom'), up: floor, depth: base.insideDepth, name: { key: 'opening-bottom' } as Label };
  const floors = [
    bottom,
    ...shelves.map((shelf, index): typeof bottom => ({
      keptBy: shelf.id,
      panel: id(base, `shelf/${shelf.id}`),
      up: (floor + shelf.at.nm + T) as Length,
      depth: shelfDepth(base, shelf),
      name: { key: 'opening-over', of: String(index + 1) },
    })),
  ];
  return floors.map(({ keptBy, panel, up, depth, name }, index) => {
    const next = floors[index + 1];
    // Under the slope the clear height is that at the front.
    const roof = base.lowerAt(insideRear + depth.value);
    const height = next
      ? explainedLength([plus('shelf-at', (next.up - T) as Length), minus('top-of-shelf-below', up)])
      : explainedLength([plus('slope-at-front', Math.max(0, roof) as Length), minus('top-of-shelf-below', Math.min(up, Math.max(0, roof)) as Length)]);
    return { id: id(base, `space/${keptBy}`), name, floor: panel, keptBy, width: insideWidth, height, depth, at: { along: T, up, out: insideRear } };
  });
}
