/** The bays of a till side by side: widths, dividers and blocks, their magnets and connections. */
import { NM_PER, toMm, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { frame, type PanelCut, type Panel } from '../solid/panel.ts';
import type { Compartment } from '../solid/cabinet.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { own, panelOf, thicknessTerm } from './box-frame.ts';
import { between, jointOf, connect } from './joinery.ts';
import { magnetsFor } from './magnets.ts';
import { inOrder } from './spaces.ts';
import { faceAt, id, isTapered, leaningOutline, standingDepth, type TillFrame } from './tool-till-frame.ts';
import type { Bay } from '../model/specs/tool-till.ts';

const BLOCK_PLAY = (0.5 * NM_PER.mm) as Length;

/** Depth of a magnet's hole, and wood left behind it. [ASSUME] */
const MAGNET_DEPTH = 5 * NM_PER.mm;
const MAGNET_COVER = 2 * NM_PER.mm;

/** Magnets along the middle of a bay, from a quarter to three quarters of the tool's length. */
export function magnetHoles({ spec, stockOf, insideLeft }: TillFrame, { bay, left, width, magnets }: LaidBay): PanelCut[] {
  if (magnets === 0) return [];
  const run = bay.toolLength.nm / 2;
  const step = magnets > 1 ? Math.round(run / (magnets - 1)) : 0;
  const t = stockOf(spec.panelStock).used.value;
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
      diameter: spec.magnet.nm,
      depth: Math.min(MAGNET_DEPTH, t - MAGNET_COVER) as Length,
      purpose: 'magnets',
      reason: { key: 'magnet' },
    },
  ];
}

export interface LaidBay {
  readonly bay: Bay;
  readonly left: number;
  readonly width: ExplainedLength;
  readonly magnets: number;
}

/** Bays side by side with a divider between two; those without a width share the rest. */
export function layBays(base: TillFrame): LaidBay[] {
  const { spec, insideWidth, insideLeft } = base;
  const bays = inOrder(spec.bays);
  const { value: td, source } = thicknessTerm(base, spec.dividerStock);
  const wiggle = plus('wiggle', spec.wiggle.nm, { times: 2, source: own(spec, 'wiggle') });
  const wide = bays.map(({ id: bay, width, tool }) =>
    width ? explainedLength([plus('tool-width', width.nm, { of: tool, source: own(spec, 'bays', bay, 'width') }), wiggle]) : null,
  );
  const free = wide.filter((each) => each === null).length;
  const left = explainedLength([
    plus('inside-width', insideWidth.value, { inner: insideWidth }),
    minus('divider-thickness', td, { times: bays.length - 1, source }),
    ...wide.flatMap((each) => (each ? [minus('bay', each.value, { inner: each })] : [])),
  ]);
  const shares = free > 0 ? free : bays.length;
  const share = explainedLength(left.terms, shares);
  let before = 0;
  let shared = 0;
  return bays.map((bay, index) => {
    const own = wide[index];
    const at = insideLeft + before + Math.round((left.value * shared) / shares) + index * td;
    const takes = !own || free === 0;
    const width = !own ? share : takes && left.value !== 0 ? explainedLength([...own.terms, plus('bay-share', share.value, { inner: share })]) : own;
    before += own?.value ?? 0;
    shared += takes ? 1 : 0;
    const { value } = magnetsFor({
      held: bay.held,
      kg: bay.kg,
      lengthMm: toMm(bay.toolLength.nm),
      tiltDeg: spec.tiltDeg,
      pullN: spec.magnetPull,
      factor: spec.magnetFactor,
    });
    return { bay, left: at, width, magnets: value };
  });
}

export function dividers(base: TillFrame, bays: readonly LaidBay[]): Panel[] {
  const { spec, floor } = base;
  const h = spec.dividers.nm;
  const depth = standingDepth(base);
  const rear = faceAt(base, floor + h);
  const lean = base.faceOut - rear;
  const front = base.faceOut + depth.value - rear;
  const frontHead = isTapered(spec) ? front - lean : front;
  return bays.slice(1).map(({ bay, left }, index) =>
    panelOf(
      base,
      'divider',
      bay.id,
      { key: 'divider', of: String(index + 1) },
      {
        frame: frame(vector(left - base.stockOf(spec.dividerStock).used.value, floor, rear), UP, OUT),
        length: explainedLength([plus('divider-height', h, { source: own(spec, 'dividers') })]),
        width: explainedLength([plus('standing-depth', depth.value, { inner: depth }), ...(lean > 0 ? [plus('lean-of-panel', lean as Length)] : [])]),
        stock: spec.dividerStock,
        outline: leaningOutline(h, lean, 0, front, frontHead),
      },
    ),
  );
}

/** Clearance of a block in its bay. [ASSUME] half a millimeter around */
export function blocks(base: TillFrame, bays: readonly LaidBay[]): Panel[] {
  const { spec, floor } = base;
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
          length: explainedLength([plus('bay', width.value, { inner: width }), minus('block-play', BLOCK_PLAY, { times: 2 })]),
          width: explainedLength([plus('block-height', bay.block.nm, { source: own(spec, 'bays', bay.id, 'block') })]),
          stock: spec.stock,
        },
      ),
    ].filter(({ thickness }) => thickness <= depth.value);
  });
}

export function bayConnections(base: TillFrame, bays: readonly LaidBay[]): Connection[] {
  const { spec } = base;
  const bottom = id(base, 'bottom');
  const glued = jointOf(spec, 'butt', { fastening: null });
  const loose = { ...glued, glue: false };
  const strip = id(base, 'ledge');
  // Dividers glued to a removable panel come out with it, and stand dry at the bottom.
  const onBottom = spec.panel === 'removable' && spec.dividersBy === 'glue' ? loose : glued;
  return [
    ...bays
      .slice(1)
      .flatMap(({ bay }) => [
        connect(id(base, `divider/${bay.id}`), 'start', bottom, 'reference', onBottom),
        connect(id(base, `divider/${bay.id}`), 'near', id(base, 'tilted-panel'), 'reference', spec.dividersBy === 'loose' ? loose : glued),
      ]),
    ...blocks(base, bays).map((block) => connect(block.id, 'near', bottom, 'reference', glued)),
    ...(spec.lip
      ? [connect(strip, 'near', bottom, 'reference', glued), ...between(strip, id(base, 'side/left'), id(base, 'side/right'), jointOf(spec, 'butt'))]
      : []),
  ];
}

export function compartment(base: TillFrame, { bay, left, width }: LaidBay): Compartment {
  return {
    id: id(base, `space/${bay.id}`),
    name: { key: bay.spare ? 'bay-spare' : 'bay-of', of: bay.tool },
    floor: id(base, 'bottom'),
    keptBy: bay.id,
    width,
    height: base.insideHeight,
    depth: standingDepth(base),
    at: { along: left as Length, up: base.floor, out: base.faceOut as Length },
    ownKg: { value: bay.kg, source: own(base.spec, 'bays', bay.id, 'kg') },
  };
}
