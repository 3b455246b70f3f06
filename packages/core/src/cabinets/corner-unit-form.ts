/** Fields of a corner unit, and its own words. */
import { buildCornerUnit, newCornerUnit } from './corner-unit.ts';
import type { Family } from './family.ts';
import { BAND_FIELD, CLEAT_HUNG_FIELDS, lengthField, sizeFields, STOCK_FIELD, type FormField } from './form.ts';
import type { CornerUnit } from '../model/specs/corner-unit.ts';

const FIELDS: readonly FormField<CornerUnit>[] = [
  ...sizeFields([300, 1200], [200, 1500], [300, 1200]),
  STOCK_FIELD,
  BAND_FIELD,
  lengthField('rightDepth', 'right-depth', 100, 900, 'shape'),
  lengthField('wing', 'corner-wing', 60, 900, 'shape'),
  ...CLEAT_HUNG_FIELDS,
];

export const CORNER_UNIT_WORDS = {
  'family-corner-unit': 'corner unit',
  'family-corner-unit-for': 'five-cornered shelves where two walls meet',
  'right-depth': 'depth of the right side',
  'corner-wing': 'wing at the left',
  'wing-thickness': 'wing',
  shelves: 'shelves',
} as const;

export const CORNER_UNIT: Family<CornerUnit> = {
  id: 'corner-unit',
  form: {
    fields: FIELDS,
    elements: [
      {
        path: 'shelves',
        label: 'shelves',
        group: 'inside',
        most: 12,
        least: 0,
        fields: [],
        start: (_box, id, order) => ({ id, order }),
        panel: (box, id) => `${box.id}/shelf/${id}`,
      },
    ],
  },
  usual: { mm: ['600 mm', '700 mm', '600 mm'], in: ['24 in', '28 in', '24 in'] },
  create: newCornerUnit,
  build: buildCornerUnit,
  faultOf: ({ rightDepth, wing, width, depth }) =>
    rightDepth.nm >= depth.nm || wing.nm >= width.nm
      ? {
          code: 'corner',
          path: ['rightDepth'],
          message: 'the front would not run across the corner',
          accepted: 'a right side and a wing shorter than the unit is deep and wide',
        }
      : null,
};
