/** The workshop as JSON. */
import { mm } from '../length/length.ts';
import { MATERIALS } from '../stock/materials.ts';
import { skewOf } from '../stock/out-of-square.ts';
import { Refusal } from '../problem/problem.ts';
import { shopCodec } from './shop-codec.ts';
import { byId, checked, choice, length, number, object, objectWith, text, yesNo, type Codec } from './codec.ts';
import type { MaterialId, StockPiece, Workshop } from '../model/workshop.ts';

/** Limits of a sheet or board. */
export const PRODUCT_LIMITS = { thickness: { least: mm(1), most: mm(100) }, side: { least: mm(10), most: mm(10_000) } } as const;
export const MAX_PRODUCTS = 500;
/** Percent; no country takes more. */
export const MAX_TAX = 60;
const side = length(PRODUCT_LIMITS.side.least, PRODUCT_LIMITS.side.most);
const place = length(mm(0), mm(10_000));
const diagonal = length(mm(10), mm(15_000));
const MAX_PIECES_IN_STORE = 1000;

const stretch = { from: place, to: place };

/** One piece of stock on hand. */
export const pieceCodec: Codec<StockPiece> = objectWith(
  { id: text(64), product: text(64), kind: choice(['whole', 'offcut']), length: side, width: side },
  {
    diagonals: object({ one: diagonal, other: diagonal }),
    flaws: byId(objectWith({ id: text(64), ...stretch }, { across: object(stretch) }), 40),
    place: text(80),
    crooked: yesNo,
    sawn: yesNo,
    from: text(200),
    reserved: object({ project: text(64), name: text(80) }),
  },
);

function checkPiece({ id, product, flaws, length: long, width, diagonals }: StockPiece, { products }: Workshop, where: string): void {
  for (const flaw of Object.values(flaws ?? {}))
    for (const [{ from, to }, at] of [[flaw, ''] as const, ...(flaw.across ? [[flaw.across, '.across'] as const] : [])])
      if (from.nm >= to.nm) throw new Refusal('flaw', `a flaw of '${id}' ends before it begins`, `${where}.flaws.${flaw.id}${at}.to`, `more than ${from.text}`);
  if (!Object.hasOwn(products, product))
    throw new Refusal('unknown-product', `'${id}' is of no known product`, `${where}.product`, Object.keys(products).join(', '));
  if (diagonals && skewOf({ length: long, width, diagonals }) === null)
    throw new Refusal(
      'diagonals',
      `no sheet of ${long.text} by ${width.text} has these diagonals`,
      `${where}.diagonals`,
      'both diagonals as measured, within 5 % of those of a square one',
    );
}

export const workshopCodec: Codec<Workshop> = checked(
  object({
    currency: text(8, 0),
    tax: object({ percent: number(0, MAX_TAX), included: yesNo }),
    shop: shopCodec,
    products: byId(
      object({
        id: text(64),
        name: text(80),
        kind: choice(['sheet', 'board']),
        material: choice(Object.keys(MATERIALS) as MaterialId[]),
        nominal: length(PRODUCT_LIMITS.thickness.least, PRODUCT_LIMITS.thickness.most),
        length: side,
        width: side,
        price: number(0, 1e6),
        faced: yesNo,
        grain: choice(['length', 'none']),
        unit: choice(['mm', 'in']),
      }),
      MAX_PRODUCTS,
    ),
    pieces: byId(pieceCodec, MAX_PIECES_IN_STORE),
  }),
  (workshop, where) => {
    for (const [key, { id }] of [...Object.entries(workshop.products), ...Object.entries(workshop.pieces)])
      if (id !== key) throw new Refusal('id', `'${id}' stands under '${key}'`, `${where}.${key}`, `'${key}'`);
    for (const piece of Object.values(workshop.pieces)) checkPiece(piece, workshop, `${where}.pieces.${piece.id}`);
  },
);

/**
 * A workshop from JSON.
 * @throws Refusal
 */
export const readWorkshop = (value: unknown): Workshop => workshopCodec.read(value, 'workshop');
