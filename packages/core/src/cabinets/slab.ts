/**
 * The slab: a wide panel glued up edge to edge from sections, with optional strips between, an edging around it and a cap on top; it hangs on one cleat.
 * Wings are smaller slabs beside it on cleats of their own.
 */
import { ZERO, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { frame, type Panel } from '../solid/panel.ts';
import type { Hardware, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, scale, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { gapBehind, own, panelOf, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { fasteningOf, jointOf, laidOn, connect } from './joinery.ts';
import { inOrder } from './spaces.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { Slab, Section } from '../model/specs/slab.ts';

export function newSlab(start: NewSpec): Slab {
  const { unit, stock } = start;
  const base = newBase('slab', start, []);
  const sections = [1, 2, 3].map((order): Section => ({ id: `p${order}`, order, width: null }));
  return {
    ...base,
    hanging: {
      ...base.hanging,
      rail: null,
      drop: pick(unit, '40', '1 1/2'),
      cabinetScrew: { ...base.hanging.cabinetScrew, length: pick(unit, '30', '1 1/4') },
    },
    strip: null,
    stripStock: stock,
    edgingStock: null,
    cap: null,
    wingLeft: null,
    wingRight: null,
    sections: Object.fromEntries(sections.map((section) => [section.id, section])),
  };
}

interface SlabFrame extends HungFrame<Slab> {
  readonly rear: Length;
  /** Front face. */
  readonly face: Length;
  /** Left end of the slab itself, past a wing, and its width. */
  readonly left: Length;
  readonly main: ExplainedLength;
  readonly edging: Length;
  readonly capThickness: Length;
  readonly inner: { readonly width: ExplainedLength; readonly height: ExplainedLength };
}

const id = ({ spec }: Pick<SlabFrame, 'spec'>, rest: string): string => `${spec.id}/${rest}`;

const stripThickness = ({ spec, stockOf, T }: SlabFrame): Length => (spec.strip ? stockOf(spec.stripStock).used.value : T);
/** Projection beyond the slab's face where no cap covers it. */
const stripProud = (base: SlabFrame): number =>
  Object.keys(base.spec.sections).length < 2 ? 0 : Math.max(0, stripThickness(base) - base.T - (base.spec.cap?.nm ?? 0));

function slabFrame(box: Slab, stockOf: StockOf): SlabFrame {
  const T = stockOf(box.stock).used.value;
  const rear = gapBehind(box, stockOf);
  const wing = (which: 'wingLeft' | 'wingRight') => (box[which] ? [minus('wing', box[which].nm, { source: own(box, which) })] : []);
  const width = explainedLength([plus('width', box.width.nm, { source: own(box, 'width') }), ...wing('wingLeft'), ...wing('wingRight')]);
  const left = box.wingLeft?.nm ?? ZERO;
  const edging = box.edgingStock ? thicknessTerm({ stockOf }, box.edgingStock) : null;
  const capThickness = box.cap ? T : ZERO;
  const edge = edging ? [minus('edging', edging.value, { times: 2, source: edging.source })] : [];
  return {
    spec: { ...box, hanging: { ...box.hanging, rail: null } },
    stockOf,
    T,
    rear,
    face: (rear + T) as Length,
    edging: edging?.value ?? ZERO,
    capThickness,
    left,
    main: width,
    behind: { left, length: width },
    topUp: (box.height.nm - capThickness) as Length,
    insideLeft: left,
    insideWidth: width,
    ceiling: box.height.nm,
    insideRear: (rear + T) as Length,
    floorMid: 0,
    wholeHalf: true,
    inner: {
      width: explainedLength([...width.terms, ...edge]),
      height: explainedLength([plus('height', box.height.nm, { source: own(box, 'height') }), ...edge, ...(box.cap ? [minus('cap', capThickness)] : [])]),
    },
  };
}

export function buildSlab(box: Slab, stockOf: StockOf): CabinetGeometry {
  const base = slabFrame(box, stockOf);
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const row = boardsOf(base);
  const wings = wingsOf(base, row, hangingPanels);
  return {
    id: box.id,
    panels: [...row, ...edgings(base), ...cap(base), ...wings.panels, ...hangingPanels],
    connections: [...connections(base, row), ...wings.connections],
    compartments: [],
    hardware: wings.hardware,
    hanging: { ...hanging, beside: wings.cleats },
    outside: {
      width: explainedLength([plus('width', box.width.nm, { source: own(box, 'width') })]),
      height: explainedLength([plus('height', box.height.nm, { source: own(box, 'height') })]),
      depth: explainedLength([
        plus('slab-thickness', base.T),
        ...(stripProud(base) > 0 ? [plus('strip-proud', stripProud(base) as Length)] : []),
        plus('gap-behind', base.rear),
        ...(box.cap ? [plus('cap-past', box.cap.nm, { source: own(box, 'cap') })] : []),
      ]),
    },
  };
}

/** Sections and strips from the left; their grain runs upright so that it matches. */
function boardsOf(base: SlabFrame): Panel[] {
  const { spec, inner, edging, face } = base;
  const sections = inOrder(spec.sections);
  const strip = spec.strip?.nm ?? ZERO;
  const given = sections.flatMap(({ id: section, width }) =>
    width ? [minus('section-width', width.nm, { source: own(spec, 'sections', section, 'width') })] : [],
  );
  const free = sections.filter(({ width }) => width === null).length;
  const left = explainedLength(
    [
      plus('inner-width', inner.width.value, { inner: inner.width }),
      ...(strip > 0 ? [minus('section-strip', strip, { times: sections.length - 1, source: own(spec, 'strip') })] : []),
      ...given,
    ],
    Math.max(1, free),
  );
  const whole = explainedLength(left.terms).value;
  const panels: Panel[] = [];
  let entered = 0;
  let shared = 0;
  sections.forEach((section, index) => {
    const from = edging + entered + Math.round((whole * shared) / Math.max(1, free)) + index * strip;
    if (section.width) entered += section.width.nm;
    else shared++;
    const to = edging + entered + Math.round((whole * shared) / Math.max(1, free)) + index * strip;
    const width = section.width ? explainedLength([plus('section-width', section.width.nm, { source: own(spec, 'sections', section.id, 'width') })]) : left;
    panels.push(
      panelOf(
        base,
        'leaf',
        section.id,
        { key: 'section', of: String(index + 1) },
        { frame: frame(vector(base.left + from, edging, face), UP, ALONG), length: inner.height, width, stock: spec.stock },
      ),
    );
    if (strip > 0 && index < sections.length - 1)
      panels.push(
        panelOf(
          base,
          'leaf',
          `${section.id}-strip`,
          { key: 'section-strip', of: String(index + 1) },
          {
            // Rear faces are flush: a thicker strip stands proud in front.
            frame: frame(vector(base.left + to, edging, base.rear + stripThickness(base)), UP, ALONG),
            length: inner.height,
            width: explainedLength([plus('section-strip', strip, { source: own(spec, 'strip') })]),
            stock: spec.stripStock,
          },
        ),
      );
  });
  return panels;
}

/** Four strips on edge around the slab, their outer faces the reference: mitered where they meet. */
function edgings(base: SlabFrame): Panel[] {
  const { spec, rear, T } = base;
  if (!spec.edgingStock) return [];
  const wide = base.behind.length;
  const high = explainedLength([plus('height', spec.height.nm, { source: own(spec, 'height') }), ...(spec.cap ? [minus('cap', base.capThickness)] : [])]);
  const width = explainedLength([plus('slab-thickness', T)]);
  const stock = spec.edgingStock;
  const [W, H] = [wide.value, high.value];
  // Clockwise from the bottom, so that u × out points inward.
  const strip = (element: 'bottom' | 'left' | 'top' | 'right', at: ReturnType<typeof frame>, length: ExplainedLength): Panel =>
    panelOf(base, 'edging', element, { key: `edging-${element}` }, { frame: at, length, width, stock });
  return [
    strip('bottom', frame(vector(base.left + W, 0, rear), scale(ALONG, -1), OUT), wide),
    strip('left', frame(vector(base.left, 0, rear), UP, OUT), high),
    strip('top', frame(vector(base.left, H, rear), ALONG, OUT), wide),
    strip('right', frame(vector(base.left + W, H, rear), scale(UP, -1), OUT), high),
  ];
}

function cap(base: SlabFrame): Panel[] {
  const { spec, rear, T } = base;
  if (!spec.cap) return [];
  return [
    panelOf(
      base,
      'top',
      '',
      { key: 'cap' },
      {
        frame: frame(vector(base.left, spec.height.nm, rear), ALONG, OUT),
        length: base.behind.length,
        width: explainedLength([plus('slab-thickness', T), plus('cap-past', spec.cap.nm, { source: own(spec, 'cap') })]),
        stock: spec.stock,
      },
    ),
  ];
}

function connections(base: SlabFrame, row: readonly Panel[]): Connection[] {
  const { spec } = base;
  const glued = jointOf(spec, 'butt', { fastening: null });
  const mitre = jointOf(spec, 'mitre', { fastening: null });
  const side = (name: string): string => id(base, `edging/${name}`);
  const ring = ['bottom', 'left', 'top', 'right'];
  const first = row[0]!;
  return [
    ...row.slice(1).map((panel, index) => connect(panel.id, 'near', row[index]!.id, 'far', glued)),
    ...(spec.edgingStock
      ? [
          ...ring.map((name, index) => connect(side(name), 'end', side(ring[(index + 1) % 4]!), 'start', mitre)),
          // Glued to the boards along its length.
          ...row.flatMap(({ id: board }) => [connect(board, 'start', side('bottom'), 'other', glued), connect(board, 'end', side('top'), 'other', glued)]),
          connect(first.id, 'near', side('left'), 'other', glued),
          connect(row.at(-1)!.id, 'far', side('right'), 'other', glued),
          ...(spec.cap ? [{ ...laidOn(side('top'), 'reference', id(base, 'top'), 'other', spec, { fastening: null }), id: `${side('top')}:under-cap` }] : []),
        ]
      : spec.cap
        ? row.map(({ id: board }) => connect(board, 'end', id(base, 'top'), 'other', glued))
        : []),
  ];
}

/** Dowels in the seam of a wing: they keep the faces flush, and carry nothing. [ASSUME] */
const WING_DOWELS = 3;

interface Wings {
  readonly panels: readonly Panel[];
  readonly connections: readonly Connection[];
  readonly hardware: readonly Hardware[];
  readonly cleats: readonly { readonly wallHalf: string; readonly cabinetHalf: string }[];
}

/** A wing is a board as high as the slab without its cap, its grain upright, on a cleat ripped like the slab's and as long as it is wide. */
function wingsOf(base: SlabFrame, row: readonly Panel[], halves: readonly Panel[]): Wings {
  const { spec, face } = base;
  const high = explainedLength([plus('height', spec.height.nm, { source: own(spec, 'height') }), ...(spec.cap ? [minus('cap', base.capThickness)] : [])]);
  const made = (['left', 'right'] as const).flatMap((hand) => {
    const choice = hand === 'left' ? 'wingLeft' : 'wingRight';
    const wide = spec[choice];
    if (!wide) return [];
    const width = explainedLength([plus('wing', wide.nm, { source: own(spec, choice) })]);
    const at = hand === 'left' ? 0 : base.left + base.main.value;
    const panel = panelOf(
      base,
      'leaf',
      `wing-${hand}`,
      { key: `wing-${hand}` },
      { frame: frame(vector(at, 0, face), UP, ALONG), length: high, width, stock: spec.stock },
    );
    const cleat = halves
      .flatMap((half) => (half.role === 'cabinet-half' || half.role === 'wall-half' ? [{ ...half, role: half.role }] : []))
      .map((half): Panel => ({
        ...half,
        cuts: [],
        id: `${half.id}/wing-${hand}`,
        name: { key: `wing-${half.role}` },
        frame: { ...half.frame, origin: vector(at, half.frame.origin.up, half.frame.origin.out) },
        length: width,
        outline: half.outline.map((edge) => ({ ...edge, from: { ...edge.from, u: edge.from.u === 0 ? 0 : width.value } })),
      }));
    const [cabinet, wall] = (['cabinet-half', 'wall-half'] as const).map((role) => cleat.find((half) => half.role === role)!.id) as [string, string];
    const beside = hand === 'left' ? row[0]! : row.at(-1)!;
    const dowels = jointOf(spec, 'butt', { glue: false, fastening: { ...fasteningOf(spec, WING_DOWELS, 'dowels')!, length: DOWEL_LONG } });
    const host = spec.edgingStock ? id(base, `edging/${hand}`) : beside.id;
    const edge = hand === 'left' ? 'far' : 'near';
    return [
      {
        panels: [panel, ...cleat],
        meetings: [
          connect(panel.id, edge, host, spec.edgingStock ? 'reference' : hand === 'left' ? 'near' : 'far', dowels),
          { ...laidOn(cabinet, 'other', panel.id, 'other', { ...spec, glue: false }), id: `${panel.id}:on-cleat` },
        ],
        hardware: [{ id: `${panel.id}/dowels`, kind: 'dowel' as const, name: { key: 'wing-dowels' as const }, count: WING_DOWELS, panel: panel.id }],
        cleats: [{ cabinetHalf: cabinet, wallHalf: wall }],
      },
    ];
  });
  return {
    panels: made.flatMap(({ panels }) => panels),
    connections: made.flatMap(({ meetings: all }) => all),
    hardware: made.flatMap(({ hardware }) => hardware),
    cleats: made.flatMap(({ cleats }) => cleats),
  };
}

/** A usual dowel, mm. */
const DOWEL_LONG = 40_000_000 as Length;
