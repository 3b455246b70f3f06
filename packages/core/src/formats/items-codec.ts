/** Contents as JSON: items and rows. Limits come from the table's columns (contents/item-form.ts). */
import { columnFor, ITEM_LIMITS, MAX_COUNT, MAX_PROFILE, NAME_LENGTH, type ItemColumnKey } from '../contents/item-form.ts';
import { MAX_ITEM_KG } from '../contents/weight.ts';
import { ITEM_MATERIALS } from '../contents/item-mass.ts';
import { mm } from '../length/length.ts';
import { Refusal } from '../problem/problem.ts';
import { byId, checked, choice, length, list, number, object, orNull, text, yesNo, type Codec } from './codec.ts';
import { ITEM_KINDS, REACHES, STANCES, type Item, ROW_KINDS, type Row } from '../model/item.ts';

export const MAX_ROWS = 100;

const size = length(ITEM_LIMITS.size.least, ITEM_LIMITS.size.most);
const small = orNull(length(ITEM_LIMITS.small.least, ITEM_LIMITS.small.most));
const count = (key: ItemColumnKey) => {
  const column = columnFor(key);
  if (column.type !== 'count') throw new RangeError(`the column '${key}' is no count`);
  return number(column.least, column.most, true);
};
const id = text(64);

export const itemCodec: Codec<Item> = checked(
  object({
    id,
    order: number(-1e9, 1e9),
    name: text(NAME_LENGTH),
    kind: choice(ITEM_KINDS),
    width: size,
    depth: size,
    height: size,
    neck: small,
    profile: list(object({ at: length(mm(0), ITEM_LIMITS.size.most), width: length(mm(0), ITEM_LIMITS.size.most) }), MAX_PROFILE),
    kg: orNull(number(0, MAX_ITEM_KG)),
    material: choice(Object.keys(ITEM_MATERIALS)),
    count: count('count'),
    growth: count('growth'),
    stands: choice(STANCES),
    turned: yesNo,
    stack: count('stack'),
    deep: count('deep'),
    reach: choice(REACHES),
    near: text(40, 0),
    lift: small,
    hole: small,
    homes: byId(byId(object({ count: number(1, MAX_COUNT, true), pinned: yesNo }), 100), 200),
  }),
  ({ profile }, where) => {
    const falls = profile.findIndex(({ at }, index) => index > 0 && at.nm < profile[index - 1]!.at.nm);
    if (falls > 0) throw new Refusal('profile', 'the outline goes back down', `${where}.profile[${falls}].at`, 'heights that rise');
  },
);

export const rowCodec: Codec<Row> = object({
  id,
  order: number(-1e9, 1e9),
  kind: choice(ROW_KINDS),
  on: id,
  items: list(id, 60),
  wanted: orNull(number(1, MAX_COUNT, true)),
  pitch: orNull(length(mm(2), mm(2000))),
  clearance: length(mm(0), mm(200)),
  thickness: length(mm(0), mm(60)),
  margin: length(mm(0), mm(500)),
  tiltDeg: number(0, 45),
  lip: orNull(length(mm(3), mm(150))),
  gap: length(mm(0), mm(2000)),
});
