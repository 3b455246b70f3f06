/** The design as JSON. Limits of lengths and counts come from the family's form, so that field and file agree. */
import { MOST_CONTENTS_KG, MOST_SHELVES, SHELF_AT, SHELF_BOX_FORM, type Field } from '../carcass/shelf-box-form.ts';
import type { ShelfBox } from '../carcass/shelf-box.ts';
import { PRESETS, type PresetId } from '../contents/presets.ts';
import { SCREW_IDS } from '../joints/screws.ts';
import { PERSON_HEIGHT } from '../wall/wall-form.ts';
import type { Design } from '../plan/design.ts';
import { MOST_ITEMS } from '../contents/item-form.ts';
import { Refusal } from '../problem/problem.ts';
import { byId, checked, choice, constant, length, number, object, orNull, ownIds, text, yesNo, type Codec } from './codec.ts';
import { itemCodec, MOST_ROWS, rowCodec } from './items-codec.ts';
import { MOST_UNITS, wallCodec } from './wall-codec.ts';

const field = <K extends Field['kind']>(path: string, kind: K): Extract<Field, { kind: K }> => {
  const row = SHELF_BOX_FORM.find((each) => each.path.join('.') === path);
  if (row?.kind !== kind) throw new RangeError(`the form has no ${kind} '${path}'`);
  return row as Extract<Field, { kind: K }>;
};
const size = (path: string) => {
  const { least, most } = field(path, 'length');
  return length(least, most);
};
const count = (path: string) => {
  const { least, most } = field(path, 'count');
  return number(least, most, true);
};
const unit = choice(['mm', 'in']);
const id = text(64);
const screw = choice(SCREW_IDS);

const endJoint = (end: 'top' | 'bottom') => object({ runs: choice(['between', 'over']), joint: choice(['butt', 'dado', 'rabbet']), lip: size(`${end}.lip`) });

const hanging = object({
  kind: choice(['outside', 'recessed']),
  stock: id,
  boardWidth: size('hanging.boardWidth'),
  bevelDeg: number(20, 65),
  drop: size('hanging.drop'),
  rail: orNull(size('hanging.rail')),
  railScrews: count('hanging.railScrews'),
  leftInset: size('hanging.leftInset'),
  rightInset: size('hanging.rightInset'),
  spacer: orNull(object({ stock: id, height: size('hanging.spacer.height') })),
  wallScrew: object({ screw, length: size('hanging.wallScrew.length'), upper: count('hanging.wallScrew.upper'), lower: count('hanging.wallScrew.lower') }),
  cabinetScrew: object({ screw, length: size('hanging.cabinetScrew.length'), count: count('hanging.cabinetScrew.count') }),
  antiLift: yesNo,
  wallRail: orNull(id),
  lowerCleat: orNull(size('hanging.lowerCleat')),
  shimmed: yesNo,
});

const shelfBox: Codec<ShelfBox> = checked(
  object({
    id,
    family: constant('shelf-box'),
    name: text(80),
    order: number(-1e9, 1e9),
    unit,
    width: size('width'),
    height: size('height'),
    depth: size('depth'),
    stock: id,
    top: endJoint('top'),
    bottom: endJoint('bottom'),
    shelfJoint: choice(['butt', 'dado']),
    jointDepth: size('jointDepth'),
    fit: choice(['tight', 'push', 'glue', 'loose']),
    glue: yesNo,
    assembly: object({ screw, length: size('assembly.length'), perJoint: count('assembly.perJoint') }),
    shelves: byId(object({ id, order: number(-1e9, 1e9), at: orNull(length(SHELF_AT.least, SHELF_AT.most)) }), MOST_SHELVES),
    back: object({ kind: choice(['rabbet', 'over', 'none']), stock: id, rabbetDepth: size('back.rabbetDepth') }),
    band: orNull(size('band')),
    hanging,
    contents: byId(object({ preset: choice(Object.keys(PRESETS) as PresetId[]), kg: orNull(number(0, MOST_CONTENTS_KG)) }), MOST_SHELVES + 1),
    rows: byId(rowCodec, MOST_ROWS),
    front: choice(['open', 'door-left', 'door-right', 'doors', 'drawers']),
    topLoaded: yesNo,
    place: object({ along: size('place.along'), up: size('place.up') }),
  }),
  (box, where) => {
    if (box.hanging.kind === 'recessed' && box.back.kind === 'over')
      throw new Refusal('recess-over', 'a cleat hidden behind the back needs an inset back', `${where}.back.kind`, 'rabbet or none');
    ownIds(box.shelves, `${where}.shelves`);
    ownIds(box.rows, `${where}.rows`);
  },
);

export const designCodec: Codec<Design> = checked(
  object({
    name: text(80),
    unit,
    wall: wallCodec,
    children: yesNo,
    person: object({ height: length(PERSON_HEIGHT.least, PERSON_HEIGHT.most) }),
    items: byId(itemCodec, MOST_ITEMS),
    units: byId(shelfBox, MOST_UNITS),
  }),
  (design, where) => {
    ownIds(design.units, `${where}.units`);
    ownIds(design.items, `${where}.items`);
  },
);
