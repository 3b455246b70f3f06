/** The design as JSON. Limits come from the forms of wall, items and each family, so that field and file agree. */
import { MOST_ITEMS } from '../contents/item-form.ts';
import type { Design } from '../plan/design.ts';
import { PERSON_HEIGHT } from '../wall/wall-form.ts';
import { byId, checked, choice, length, object, ownIds, text, yesNo, type Codec } from './codec.ts';
import { itemCodec } from './items-codec.ts';
import { unitCodec } from './unit-codec.ts';
import { MOST_UNITS, wallCodec } from './wall-codec.ts';

export const designCodec: Codec<Design> = checked(
  object({
    name: text(80),
    unit: choice(['mm', 'in']),
    wall: wallCodec,
    children: yesNo,
    person: object({ height: length(PERSON_HEIGHT.least, PERSON_HEIGHT.most) }),
    items: byId(itemCodec, MOST_ITEMS),
    units: byId(unitCodec, MOST_UNITS),
  }),
  (design, where) => {
    ownIds(design.units, `${where}.units`);
    ownIds(design.items, `${where}.items`);
  },
);
