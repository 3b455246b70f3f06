/** The workshop as JSON. */
import { mm } from '../length/length.ts';
import { MATERIALS, type MaterialId } from '../stock/materials.ts';
import type { Workshop } from '../stock/workshop.ts';
import { Refusal } from '../problem/problem.ts';
import { shopCodec } from './shop-codec.ts';
import { byId, checked, choice, length, number, object, objectWith, text, yesNo, type Codec } from './codec.ts';

const side = length(mm(10), mm(10_000));
const place = length(mm(0), mm(10_000));

export const workshopCodec: Codec<Workshop> = checked(
  object({
    currency: text(8, 0),
    shop: shopCodec,
    products: byId(
      object({
        id: text(64),
        name: text(80),
        kind: choice(['sheet', 'board']),
        material: choice(Object.keys(MATERIALS) as MaterialId[]),
        nominal: length(mm(1), mm(100)),
        length: side,
        width: side,
        price: number(0, 1e6),
        faced: yesNo,
        grain: choice(['length', 'none']),
        unit: choice(['mm', 'in']),
      }),
      500,
    ),
    offcuts: byId(
      objectWith(
        { id: text(64), product: text(64), length: side, width: side },
        {
          flaws: byId(object({ id: text(64), from: place, to: place }), 40),
          place: text(80),
          crooked: yesNo,
        },
      ),
      500,
    ),
  }),
  (workshop, where) => {
    for (const [key, { id }] of [...Object.entries(workshop.products), ...Object.entries(workshop.offcuts)])
      if (id !== key) throw new Refusal('id', `'${id}' stands under '${key}'`, `${where}.${key}`, `'${key}'`);
    for (const { id, flaws } of Object.values(workshop.offcuts))
      for (const flaw of Object.values(flaws ?? {}))
        if (flaw.from.nm >= flaw.to.nm)
          throw new Refusal('flaw', `a flaw of '${id}' ends before it begins`, `${where}.offcuts.${id}.flaws.${flaw.id}.to`, `more than ${flaw.from.text}`);
    for (const { id, product } of Object.values(workshop.offcuts))
      if (!Object.hasOwn(workshop.products, product))
        throw new Refusal(
          'unknown-product',
          `offcut '${id}' is of no known product`,
          `${where}.offcuts.${id}.product`,
          Object.keys(workshop.products).join(', '),
        );
  },
);

/** A workshop from JSON; throws a Refusal. */
export const readWorkshop = (value: unknown): Workshop => workshopCodec.read(value, 'workshop');
