/** Shared by all parts of a till: dimensions from its panel's plane, and the shapes that lean with it. */
import { NM_PER, roundToNm, ZERO, type Length } from '../length/length.ts';
import type { PanelEdge } from '../solid/panel.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { gapBehind, own, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import type { ToolTill } from './tool-till.ts';

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

export function tillFrame(box: ToolTill, stockOf: StockOf): TillFrame {
  const { value: T, source } = thicknessTerm({ stockOf }, box.stock);
  const rear = gapBehind(box, stockOf);
  const width = explainedLength([plus('width', box.width.nm, { source: own(box, 'width') })]);
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
    insideWidth: explainedLength([...width.terms, minus('side', T, { times: 2, source })]),
    ceiling: (box.height.nm - T) as Length,
    insideRear: rear,
    floorMid: floor - T / 2,
    depth: explainedLength([plus('depth', box.depth.nm, { source: own(box, 'depth') })]),
    floor,
    faceOut: rear + box.depth.nm - box.ledge.nm,
    insideHeight: explainedLength([
      plus('height', box.height.nm, { source: own(box, 'height') }),
      minus('top-and-bottom', T, { times: 2, source }),
      minus('lip-bottom', box.under.nm, { source: own(box, 'under') }),
    ]),
    tan: Math.tan(turn),
    cos: Math.cos(turn),
  };
}

/** Distance from the wall to the panel's face at a height. */
export const faceAt = ({ faceOut, floor, tan }: TillFrame, up: number): number => Math.round(faceOut - (up - floor) * tan);

export const id = ({ box }: Pick<TillFrame, 'box'>, rest: string): string => `${box.id}/${rest}`;

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
  const { box } = base;
  const t = thicknessTerm(base, box.stock);
  return explainedLength([plus('ledge-depth', box.ledge.nm, { source: own(box, 'ledge') }), ...(box.lip ? [minus('lip', t.value, { source: t.source })] : [])]);
};
