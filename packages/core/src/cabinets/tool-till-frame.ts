/** Shared by all parts of a till: dimensions from its panel's plane, and the shapes that lean with it. */
import { NM_PER, roundToNm, ZERO, type Length } from '../length/length.ts';
import type { PanelEdge } from '../solid/panel.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { gapBehind, own, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import type { ToolTill } from '../model/specs/tool-till.ts';

/** The panel's face passes through (floor, faceOut) and leans back by the tilt. */
export interface TillFrame extends HungFrame<ToolTill> {
  readonly rear: Length;
  readonly depth: ExplainedLength;
  readonly floor: Length;
  readonly faceOut: number;
  readonly insideHeight: ExplainedLength;
  readonly tan: number;
  readonly cos: number;
}

export function tillFrame(spec: ToolTill, stockOf: StockOf): TillFrame {
  const { value: T, source } = thicknessTerm({ stockOf }, spec.stock);
  const rear = gapBehind(spec, stockOf);
  const width = explainedLength([plus('width', spec.width.nm, { source: own(spec, 'width') })]);
  const turn = (spec.tiltDeg * Math.PI) / 180;
  const floor = (spec.under.nm + T) as Length;
  return {
    spec,
    stockOf,
    T,
    rear,
    behind: { left: ZERO, length: width },
    topUp: spec.height.nm,
    insideLeft: T,
    insideWidth: explainedLength([...width.terms, minus('side', T, { times: 2, source })]),
    ceiling: (spec.height.nm - T) as Length,
    insideRear: rear,
    floorMid: floor - T / 2,
    depth: explainedLength([plus('depth', spec.depth.nm, { source: own(spec, 'depth') })]),
    floor,
    faceOut: rear + spec.depth.nm - spec.ledge.nm,
    insideHeight: explainedLength([
      plus('height', spec.height.nm, { source: own(spec, 'height') }),
      minus('top-and-bottom', T, { times: 2, source }),
      minus('lip-bottom', spec.under.nm, { source: own(spec, 'under') }),
    ]),
    tan: Math.tan(turn),
    cos: Math.cos(turn),
  };
}

/** Distance from the wall to the panel's face at a height. */
export const faceAt = ({ faceOut, floor, tan }: TillFrame, up: number): number => Math.round(faceOut - (up - floor) * tan);

export const id = ({ spec }: Pick<TillFrame, 'spec'>, rest: string): string => `${spec.id}/${rest}`;

/** An outline with four corners whose rear and front edges lean alike: u up, v out. */
export function leaningOutline(height: number, rearAtFoot: number, rearAtHead: number, frontAtFoot: number, frontAtHead: number): PanelEdge[] {
  const edge = (name: PanelEdge['id'], u: number, v: number): PanelEdge => ({ id: name, from: { u, v }, bevel: 0 });
  return [edge('near', 0, rearAtFoot), edge('end', height, rearAtHead), edge('far', height, frontAtHead), edge('start', 0, frontAtFoot)];
}

export const isTapered = ({ sides, tiltDeg }: ToolTill): boolean => sides === 'tapered' && tiltDeg > 0;

/** Length along the slope between two heights. */
export const slope = ({ cos }: TillFrame, up: number): Length => roundToNm(up / NM_PER.mm / cos);

/** Parts on the bottom end behind the lip. */
export const standingDepth = (base: TillFrame): ExplainedLength => {
  const { spec } = base;
  const t = thicknessTerm(base, spec.stock);
  return explainedLength([
    plus('ledge-depth', spec.ledge.nm, { source: own(spec, 'ledge') }),
    ...(spec.lip ? [minus('lip', t.value, { source: t.source })] : []),
  ]);
};
