/** A frame of boards on the front edges of a carcass, for any family. */
import { ZERO, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { frame, type Panel } from '../solid/panel.ts';
import { ALONG, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { own, panelOf, type PanelBase } from './box-frame.ts';
import type { DoorOpening } from './doors.ts';
import { fasteningOf, jointOf, connect } from './joinery.ts';
import type { WithFaceFrame } from '../model/specs/face-frame.ts';

export interface FaceFramePlan {
  readonly panels: readonly Panel[];
  readonly connections: readonly Connection[];
  /** The opening that remains visible, and holds doors. */
  readonly opening: DoorOpening;
  readonly thickness: Length;
}

/** The frame on an opening; the opening itself without one. `ends` are the carcass's own bottom and top. */
export function frameFront(base: PanelBase<WithFaceFrame>, bare: DoorOpening, height: ExplainedLength): FaceFramePlan {
  const { spec } = base;
  const choice = spec.faceFrame;
  if (!choice) return { panels: [], connections: [], opening: bare, thickness: ZERO };
  const t = base.stockOf(choice.stock).used.value;
  const source = (key: string) => ({ source: own(spec, 'faceFrame', key) });
  const flush = choice.inside === 'flush';
  const overhang = choice.overhang.nm;
  const stileWidth = flush
    ? explainedLength([plus('side', bare.edges.left), plus('frame-overhang', overhang, source('overhang'))])
    : explainedLength([plus('frame-stile', choice.stile.nm, source('stile'))]);
  const low = flush ? bare.bottom : choice.rail.nm;
  const high = flush ? height.value - bare.bottom - bare.height.value : choice.rail.nm;
  const into = stileWidth.value - overhang;
  const width = bare.left + bare.width.value + bare.edges.right;
  const rails = explainedLength([
    plus('width', width as Length),
    plus('frame-overhang', overhang, { times: 2 }),
    minus('frame-stile', stileWidth.value, { times: 2, inner: stileWidth }),
  ]);
  const front = (bare.front + t) as Length;
  const stile = (side: 'left' | 'right'): Panel =>
    panelOf(
      base,
      'frame',
      `stile-${side}`,
      { key: `frame-stile-${side}` },
      {
        frame: frame(vector(side === 'left' ? 0 - overhang : width - into, 0, front), UP, ALONG),
        length: height,
        width: stileWidth,
        stock: choice.stock,
      },
    );
  const rail = (end: 'bottom' | 'top', size: number): Panel =>
    panelOf(
      base,
      'frame',
      `rail-${end}`,
      { key: `frame-rail-${end}` },
      {
        frame: frame(vector(into, end === 'bottom' ? 0 : height.value - size, bare.front), ALONG, UP),
        length: rails,
        width: explainedLength([plus(flush ? 'frame-rail-flush' : 'frame-rail', size as Length, flush ? {} : source('rail'))]),
        stock: choice.stock,
      },
    );
  const panels = [stile('left'), stile('right'), rail('bottom', low), rail('top', high)];
  const [left, right, bottom, top] = panels.map(({ id }) => id) as [string, string, string, string];
  const joined =
    choice.joined === 'half-laps'
      ? jointOf(spec, 'half-lap', { glue: true, fastening: null })
      : jointOf(spec, 'butt', { fastening: fasteningOf(spec, 2, choice.joined) });
  const glued = jointOf(spec, 'butt', { fastening: null });
  const ends = [bottom, top].flatMap((id) => [connect(id, 'start', left, 'far', joined), connect(id, 'end', right, 'near', joined)]);
  return {
    panels,
    connections: [
      ...ends,
      { ...connect(bare.frames.left, 'far', left, 'other', glued), id: `${left}:on` },
      { ...connect(bare.frames.right, 'far', right, 'other', glued), id: `${right}:on` },
    ],
    thickness: t,
    opening: {
      left: into as Length,
      bottom: low as Length,
      width: rails,
      height: explainedLength([plus('height', height.value, { inner: height }), minus('frame-rail', low as Length), minus('frame-rail', high as Length)]),
      edges: { left: stileWidth.value, right: stileWidth.value, bottom: low as Length, top: high as Length },
      front,
      frames: { left, right, bottom, top },
    },
  };
}
