/** Shared by all parts of a cabinet: its spec, stock with thickness, the one way to make a panel, and the inside of a box. */
import { ZERO, type Length } from '../length/length.ts';
import { rectangle, type PanelCut, type PanelEdge, type PanelFrame, type Panel, type Role } from '../solid/panel.ts';
import { thicknessSource } from '../stock/thickness.ts';
import type { ThicknessUsed } from '../stock/workshop.ts';
import type { ExplainedLength, Label, Source } from '../explained/explained-length.ts';
import type { SpecBase } from '../model/specs/spec-base.ts';
import type { Shop } from '../model/shop.ts';
import type { Grain, UnpricedProduct } from '../model/workshop.ts';

/** A product with the thickness it is built with. */
export interface Stocked {
  readonly product: UnpricedProduct;
  readonly used: ThicknessUsed;
  /** Kerf of the saw that will cut it. */
  readonly kerf: Length;
  /** Play per fit, as set in the shop. */
  readonly fits: Shop['fits'];
}

export type StockOf = (productId: string) => Stocked;

/** Inputs of every panel. */
export interface PanelBase<D extends SpecBase = SpecBase> {
  readonly spec: D;
  readonly stockOf: StockOf;
}

/** Where a number was entered, as a path into the design. */
export const own = (spec: Pick<SpecBase, 'id'>, ...path: string[]): Source => ({ kind: 'entered', path: ['units', spec.id, ...path] });

/** A product's thickness and its source, as a term. */
export function thicknessTerm({ stockOf }: Pick<PanelBase, 'stockOf'>, stock: string): { readonly value: Length; readonly source: Source } {
  const { product, used } = stockOf(stock);
  return { value: used.value, source: thicknessSource(product, used) };
}

export interface PanelAt {
  readonly frame: PanelFrame;
  readonly length: ExplainedLength;
  readonly width: ExplainedLength;
  readonly stock: string;
  readonly outline?: readonly PanelEdge[];
  /** Its front edge gets the cabinet's edge band. */
  readonly banded?: boolean;
  readonly grain?: Grain;
  readonly onWall?: boolean;
  readonly comesOut?: boolean;
  readonly cuts?: readonly PanelCut[];
}

/** Fills in what every panel of a cabinet shares. Its id is cabinet / role / element. */
export function panelOf({ spec: spec, stockOf }: PanelBase, role: Role, element: string, name: Label, at: PanelAt): Panel {
  const { product, used } = stockOf(at.stock);
  const band = at.banded && spec.band ? spec.band.nm : ZERO;
  return {
    id: `${spec.id}/${role}${element ? `/${element}` : ''}`,
    role,
    name,
    frame: at.frame,
    outline: at.outline ?? rectangle(at.length.value, at.width.value),
    thickness: used.value,
    thicknessFrom: thicknessSource(product, used),
    length: at.length,
    width: at.width,
    stock: at.stock,
    grain: product.grain === 'none' ? 'none' : (at.grain ?? 'length'),
    bands: band > 0 ? ['far'] : [],
    bandThickness: band,
    cuts: at.cuts ?? [],
    onWall: at.onWall ?? false,
    ...(at.comesOut ? { comesOut: true } : {}),
    slotExit: spec.slotExit,
  };
}

/** What the hanging needs to know about a carcass: where its cleat, rail and spacer go. */
export interface HungFrame<D extends SpecBase = SpecBase> extends PanelBase<D> {
  readonly T: Length;
  /** Left end and length of the cabinet cleat, behind the back. */
  readonly behind: { readonly left: Length; readonly length: ExplainedLength };
  /** The same at its foot, for a spacer; as `behind` where left out. */
  readonly behindFoot?: { readonly left: Length; readonly length: ExplainedLength };
  /** Height of the panel an outside cleat sits under. */
  readonly topUp: Length;
  /** Between the sides: left end, width, height of the inside ceiling, front face of the back. */
  readonly insideLeft: Length;
  readonly insideWidth: ExplainedLength;
  readonly ceiling: Length;
  readonly insideRear: Length;
  /** Other parts are fitted to the cabinet cleat: it stays in one piece. */
  readonly wholeHalf?: true;
  /** Bottom of the hanging part, where it is not the bottom of the cabinet. */
  readonly footUp?: Length;
  /** Where the carcass itself would bear on the wall. */
  readonly floorMid: number;
  /** A board on the wall that is screwed through in place of a hanging rail: its id, foot, height and distance from the wall. */
  readonly board?: { readonly id: string; readonly foot: Length; readonly height: Length; readonly thickness: Length };
}

/** Distance from carcass to wall with a cleat outside the back; zero with a recessed cleat, or none. */
export const gapBehind = ({ hanging }: Pick<SpecBase, 'hanging'>, stockOf: StockOf): Length =>
  hanging.kind === 'outside' ? stockOf(hanging.stock).used.value : ZERO;
