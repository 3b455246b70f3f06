/** The design as JSON. Limits come from the forms of wall, items and each family, so that field and file agree. */
import { MAX_ITEMS } from '../contents/item-form.ts';
import type { Design } from '../model/design.ts';
import { PERSON_HEIGHT } from '../wall/wall-form.ts';
import { byId, checked, choice, length, list, number, object, ownIds, PARTS, text, yesNo, type Codec } from './codec.ts';
import { buildCodec } from './build-codec.ts';
import { itemCodec } from './items-codec.ts';
import { keptLayoutCodec, MAX_LAYOUTS, pinCodec } from './layout-codec.ts';
import { looseCodec } from './loose-codec.ts';
import { specCodec } from './spec-codec.ts';
import { MAX_CABINETS, wallCodec } from './wall-codec.ts';
import { MAX_LOOSE } from '../model/loose-part.ts';

/** Most pinned parts. */
const MAX_PINS = 500;

/** Most variants in a project, over all cabinets. */
export const MAX_TRIES = 60;

/** Setups of the largest project. */
export const MAX_ORDERED = 400;

/** Sheets of the largest project, and pieces of one sheet. */
const MAX_SHEETS = 200;
const MAX_PIECES = 500;

export const designCodec: Codec<Design> = checked(
  object({
    name: text(80),
    unit: choice(['mm', 'in']),
    wall: wallCodec,
    children: yesNo,
    earthquakes: yesNo,
    person: object({ height: length(PERSON_HEIGHT.least, PERSON_HEIGHT.most) }),
    items: byId(itemCodec, MAX_ITEMS),
    units: byId(specCodec, MAX_CABINETS),
    cutFrom: list(object({ product: text(64), sheet: text(40), pieces: list(text(200), MAX_PIECES) }), MAX_SHEETS),
    cutting: object({ first: choice(['any', 'rip', 'crosscut', 'breakdown']), then: choice(['settings', 'offcut', 'handling']) }),
    layouts: byId(keptLayoutCodec, MAX_LAYOUTS),
    pins: byId(pinCodec, MAX_PINS, PARTS),
    loose: byId(looseCodec, MAX_LOOSE),
    setupOrder: list(text(300), MAX_ORDERED),
    build: buildCodec,
    tries: byId(object({ id: text(64), order: number(-1e9, 1e9), name: text(80), unit: specCodec }), MAX_TRIES),
  }),
  (design, where) => {
    ownIds(design.units, `${where}.units`);
    ownIds(design.items, `${where}.items`);
    ownIds(design.layouts, `${where}.layouts`);
    ownIds(design.pins, `${where}.pins`);
    ownIds(design.loose, `${where}.loose`);
    ownIds(design.tries, `${where}.tries`);
  },
);
