/** From the cut list to nesting problems: one per sheet product in use; boards are cut by length alone. */
import { cutWays } from '../sawing/ways.ts';
import { mm, toMm, type Length } from '../length/length.ts';
import { cutBoards, type BoardForSale, type BoardPlan, type BoardStock } from '../nesting/boards.ts';
import { hasSize } from '../solid/panel.ts';
import type { NestPart, NestProblem, NestSheet } from '../nesting/problem.ts';
import type { PartLine } from '../parts/part-line.ts';
import { lengthsForSale } from '../stock/board-lengths.ts';
import { guideReach, makesStraightEdge, widestKerf } from '../stock/shop.ts';
import { MATERIALS } from '../stock/materials.ts';
import { usableSize } from '../stock/out-of-square.ts';
import { EMPTY_DECISIONS, type Design } from '../model/design.ts';
import { withPins } from './pins.ts';
import type { Purchase } from './purchase.ts';
import type { SheetRect, Cutting } from '../model/sheet-layout.ts';
import type { Product, StockPiece, Workshop } from '../model/workshop.ts';

export interface SheetJob {
  readonly product: string;
  readonly problem: NestProblem;
}

/** How sheets are cut up, and what is on hand. */
export interface ToCut {
  readonly cutting: Cutting;
  readonly finished: ReadonlySet<string>;
  readonly pins: Design['pins'];
}

const ALL_TO_CUT: ToCut = { cutting: EMPTY_DECISIONS.cutting, finished: new Set(), pins: {} };

/** Piece ids are panel ids (or the cleat blank's), so that a placement highlights its panel everywhere. */
export function sheetJobs(parts: readonly PartLine[], workshop: Workshop, { cutting, finished, pins }: ToCut = ALL_TO_CUT): SheetJob[] {
  const products = [...new Set(parts.map(({ stock }) => stock))].filter((id) => workshop.products[id]?.kind === 'sheet');
  return products.map((product) => ({
    product,
    problem: withPins(
      problemFor(
        product,
        parts.filter((line) => line.stock === product && hasSize(line)),
        workshop,
        cutting,
        finished,
      ),
      product,
      pins,
    ),
  }));
}

function problemFor(productId: string, parts: readonly PartLine[], workshop: Workshop, cutting: Cutting, finished: ReadonlySet<string>): NestProblem {
  const product = workshop.products[productId]!;
  const { shop } = workshop;
  // A sheet without a straight edge is usable only where a machine can make one.
  const store = Object.values(workshop.pieces).filter((piece) => piece.product === productId && (!piece.crooked || makesStraightEdge(shop)));
  const { grain } = product;
  return {
    kerf: widestKerf(shop),
    trim: shop.trim.nm,
    cuts: 'guillotine',
    ...firstCut(cutting.first, productId, parts, workshop),
    sheets: [
      // Stock on hand costs nothing.
      ...store.map((piece): NestSheet => ({
        id: piece.id,
        ...usableSize(piece),
        count: 1,
        grain,
        cost: 0,
        offcut: piece.kind === 'offcut',
        ...(piece.sawn ? { trim: 0 as Length } : {}),
        ...(piece.flaws ? { flaws: flawsOf(piece) } : {}),
      })),
      { id: productId, length: product.length.nm, width: product.width.nm, count: null, grain, cost: product.price, offcut: false },
    ],
    parts: parts.flatMap(piecesOf).filter(({ id }) => !finished.has(id)),
  };
}

/** Flaws of a sheet as rectangles: a flaw without a position across it runs from edge to edge. */
const flawsOf = ({ flaws = {}, length, width }: StockPiece): SheetRect[] =>
  Object.values(flaws).flatMap(({ from, to, across }) => {
    const [x, y] = [from.nm, across?.from.nm ?? (0 as Length)];
    const [dx, dy] = [Math.min(to.nm, length.nm) - x, Math.min(across?.to.nm ?? width.nm, width.nm) - y];
    return dx > 0 && dy > 0 ? [{ x, y, dx: dx as Length, dy: dy as Length }] : [];
  });

/** Size one person can handle, where the car gives no limit. [ASSUME] */
const HANDLED: { readonly length: Length; readonly width: Length } = { length: mm(1250), width: mm(1250) };

/** First cut of each sheet; pieces broken down for handling must hold the largest part. */
function firstCut(first: Cutting['first'], productId: string, parts: readonly PartLine[], { shop, products }: Workshop): Pick<NestProblem, 'first'> {
  if (first === 'rip' || first === 'crosscut') return { first: { by: first } };
  const way = first === 'any' ? onlyWay(products[productId]!, shop) : null;
  if (first === 'any' && way === null) return {};
  if (way === 'rip') return { first: { by: 'rip' } };
  const most = (side: 'length' | 'width', other: 'length' | 'width'): number =>
    Math.max(
      0,
      ...parts.map((line) =>
        line.grain === 'none' ? Math.max(line.length.value, line.width.value) : line.grain === 'width' ? line[other].value : line[side].value,
      ),
    );
  const trim = products[productId]!.kind === 'sheet' ? shop.trim.nm : 0;
  if (way === 'crosscut')
    return { first: { by: 'breakdown', longest: Math.max(guideReach(shop), most('length', 'width')) as Length, widest: products[productId]!.width.nm } };
  const car = shop.car ? { length: shop.car.length.nm, width: shop.car.width.nm } : HANDLED;
  return {
    first: {
      by: 'breakdown',
      longest: Math.max(car.length - trim, most('length', 'width')) as Length,
      widest: Math.max(car.width - trim, most('width', 'length')) as Length,
    },
  };
}

/** A probe strip or length taken off a whole sheet, to test whether a saw can cut it. */
const ASKED = mm(300);

/**
 * Where the shop's saws can cut a whole sheet in one direction only, it comes apart that way first; where neither direction can start, rips are taken.
 * Other layouts cannot be cut. Null where both directions are possible, or neither.
 */
function onlyWay({ length, width, nominal, material }: Product, { machines, trim }: Workshop['shop']): 'rip' | 'crosscut' | null {
  const kg = (toMm(length.nm) * toMm(width.nm) * toMm(nominal.nm) * MATERIALS[material].densityKgM3) / 1e9;
  const can = (line: Length, size: Length): boolean =>
    [ASKED, (size / 2) as Length].some((keep) => cutWays({ line, size, keep, thick: nominal.nm, kg }, { machines }).length > 0);
  const [long, wide] = [(length.nm - trim.nm) as Length, (width.nm - trim.nm) as Length];
  const [rips, crosscuts] = [can(long, wide), can(wide, long)];
  return rips === crosscuts ? null : rips ? 'rip' : 'crosscut';
}

function piecesOf(line: PartLine): NestPart[] {
  const grain = line.grain === 'none' ? 'either' : line.grain;
  const piece = (id: string): NestPart => ({ id, length: line.length.value, width: line.width.value, count: 1, grain, group: null, order: 0 });
  return line.role === 'cleat-blank' ? [piece(line.id)] : line.panels.map(piece);
}

/** The cut list line of a piece. */
export const lineOfPiece = (parts: readonly PartLine[], piece: string): PartLine | undefined =>
  parts.find((line) => line.id === piece || line.panels.includes(piece));

/** One kind of board in use: how its pieces come out of the lengths on hand and of new boards. Pieces are cut list lines. */
export interface BoardJob {
  /** The first of its lengths that a part is made from. */
  readonly product: string;
  readonly plan: BoardPlan;
  /** Lines that no board is long or wide enough for. */
  readonly tooLong: readonly string[];
}

/** Boards that differ only in length are one kind: parts of either come out of any of them. */
export function boardJobs(parts: readonly PartLine[], workshop: Workshop): BoardJob[] {
  const used = [...new Set(parts.map(({ stock }) => stock))].filter((id) => workshop.products[id]?.kind === 'board');
  const isCovered = new Set<string>();
  return used.flatMap((id) => {
    if (isCovered.has(id)) return [];
    const lengths = lengthsForSale(workshop.products[id]!, workshop);
    for (const length of lengths) isCovered.add(length.id);
    return [boardJob(id, lengths, parts, workshop)];
  });
}

function boardJob(product: string, lengths: readonly Product[], parts: readonly PartLine[], workshop: Workshop): BoardJob {
  const isOfKind = (id: string): boolean => lengths.some((each) => each.id === id);
  const lines = parts.filter((line) => isOfKind(line.stock) && hasSize(line));
  const narrow = lines.filter(({ width }) => width.value <= lengths[0]!.width.nm);
  const pieces = narrow.flatMap((line) => Array.from({ length: line.count }, (_, n) => ({ id: `${line.id}#${n + 1}`, length: line.length.value })));
  const widest = Math.max(0, ...narrow.map(({ width }) => width.value));
  const atHand = Object.values(workshop.pieces)
    // A board that was ripped narrower is usable only where every part fits its width.
    .filter((piece) => isOfKind(piece.product) && piece.width.nm >= widest)
    .map(({ id, length, flaws = {} }): BoardStock => ({
      id,
      length: length.nm,
      flaws: Object.values(flaws).map(({ from, to }) => ({ from: from.nm, to: to.nm })),
    }));
  const forSale = lengths.map(({ id, length, price }): BoardForSale => ({ id, length: length.nm, price, count: null }));
  const plan = cutBoards(pieces, atHand, forSale, widestKerf(workshop.shop));
  const wide = lines.filter((line) => !narrow.includes(line)).map((line) => line.id);
  return { product, plan, tooLong: [...new Set([...wide, ...plan.unplaced.map(lineOfBoardPiece)])] };
}

/** New boards of all jobs, by product. */
export const boardPurchases = (jobs: readonly BoardJob[]): Purchase[] =>
  jobs.flatMap(({ plan }) => plan.bought.map(({ id, count }): Purchase => ({ product: id, count })));

/** The cut list line of a piece on a board. */
export const lineOfBoardPiece = (piece: string): string => piece.slice(0, piece.lastIndexOf('#'));
