/** The design as JSON. Limits come from the forms of wall, items and each family, so that field and file agree. */
import { MOST_ITEMS } from '../contents/item-form.ts';
import type { Design } from '../plan/design.ts';
import { MOST_LOOSE } from '../parts/loose-parts.ts';
import { PERSON_HEIGHT } from '../wall/wall-form.ts';
import { byId, checked, choice, length, list, number, object, ownIds, PARTS, text, yesNo, type Codec } from './codec.ts';
import { buildCodec } from './build-codec.ts';
import { itemCodec } from './items-codec.ts';
import { keptLayoutCodec, MOST_LAYOUTS, pinCodec } from './layout-codec.ts';
import { looseCodec } from './loose-codec.ts';
import { unitCodec } from './unit-codec.ts';
import { MOST_UNITS, wallCodec } from './wall-codec.ts';

/** Parts a person put somewhere. */
const MOST_PINS = 500;

/** Tries kept in a project, of all its units. */
export const MOST_TRIES = 60;

/** Setups of the largest project. */
export const MOST_ORDERED = 400;

/** Sheets of the largest project, and pieces of one sheet. */
const MOST_SHEETS = 200;
const MOST_PIECES = 500;

export const designCodec: Codec<Design> = checked(
  object({
    name: text(80),
    unit: choice(['mm', 'in']),
    wall: wallCodec,
    children: yesNo,
    earthquakes: yesNo,
    person: object({ height: length(PERSON_HEIGHT.least, PERSON_HEIGHT.most) }),
    items: byId(itemCodec, MOST_ITEMS),
    units: byId(unitCodec, MOST_UNITS),
    cutFrom: list(object({ product: text(64), sheet: text(40), pieces: list(text(200), MOST_PIECES) }), MOST_SHEETS),
    cutting: object({ first: choice(['any', 'rip', 'crosscut', 'breakdown']), then: choice(['settings', 'offcut', 'handling']) }),
    layouts: byId(keptLayoutCodec, MOST_LAYOUTS),
    pins: byId(pinCodec, MOST_PINS, PARTS),
    loose: byId(looseCodec, MOST_LOOSE),
    setupOrder: list(text(300), MOST_ORDERED),
    build: buildCodec,
    tries: byId(object({ id: text(64), order: number(-1e9, 1e9), name: text(80), unit: unitCodec }), MOST_TRIES),
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
