/** A merchant's offers as JSON. */
import { mm } from '../length/length.ts';
import { MATERIALS } from '../stock/materials.ts';
import type { Offer } from '../stock/offers.ts';
import { choice, length, list, number, object, text, type Codec } from './codec.ts';
import type { MaterialId } from '../model/workshop.ts';

const MAX_OFFERS = 500;
const side = length(mm(50), mm(10_000));

export const offersCodec: Codec<readonly Offer[]> = list(
  object({
    id: text(40),
    material: choice(Object.keys(MATERIALS) as MaterialId[]),
    nominal: length(mm(1), mm(100)),
    length: side,
    width: side,
    price: number(0, 1e6),
    inStock: number(0, 1e6, true),
    leadDays: number(0, 365, true),
  }),
  MAX_OFFERS,
);
