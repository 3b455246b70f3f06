/** Fields of a sloped-top box, and its own words. */
import type { Family } from './family.ts';
import {
  BAND_FIELD,
  choiceField,
  CLEAT_HUNG_FIELDS,
  kindField,
  lengthField,
  SHELF_AT,
  sizeFields,
  STOCK_FIELD,
  stockField,
  withWholeHalf,
  type FormField,
} from './form.ts';
import { buildSlopedBox, MAX_SLOPE_DEG, newSlopedBox } from './sloped-box.ts';
import type { SlopedBox } from '../model/specs/sloped-box.ts';
import { pick } from './new-spec.ts';

const trimmed = ({ trim }: SlopedBox): boolean => trim !== null;

const FIELDS: readonly FormField<SlopedBox>[] = [
  ...sizeFields([150, 2400], [150, 1500], [80, 700]),
  STOCK_FIELD,
  BAND_FIELD,
  choiceField('slopeBy', 'slope-by', ['angle', 'front-height'], 'shape'),
  kindField('slopeDeg', 'slope', 'shape', { kind: 'degrees', least: 0, most: MAX_SLOPE_DEG }, { when: ({ slopeBy }: SlopedBox) => slopeBy === 'angle' }),
  lengthField('frontHeight', 'sides-at-front', 30, 1400, 'shape', { when: ({ slopeBy }: SlopedBox) => slopeBy === 'front-height' }),
  lengthField('overhangSide', 'overhang-side', 0, 120, 'shape'),
  lengthField('overhangFront', 'overhang-front', 0, 150, 'shape'),
  lengthField('under', 'lip-bottom', 0, 100, 'joints'),
  lengthField('apron', 'apron-height', 20, 600, 'shape', { optional: true, start: { mm: '70 mm', in: '2 3/4 in' } }),
  lengthField('trim', 'trim-height', 10, 200, 'shape', { optional: true, start: { mm: '40 mm', in: '1 1/2 in' } }),
  stockField('trimStock', 'trim-stock', 'shape', { when: trimmed }, false),
  stockField('backStock', 'back-stock', 'back'),
  ...withWholeHalf(CLEAT_HUNG_FIELDS),
];

export const SLOPED_BOX_WORDS = {
  'family-sloped-box': 'sloped-top box',
  'family-sloped-box-for': 'a top that falls to the front and hides the cleat',
  'slope-by': 'slope from',
  'slopeBy-angle': 'its angle',
  'slopeBy-front-height': 'the height at the front',
  slope: 'top falls by',
  'sides-at-front': 'sides at the front',
  'overhang-side': 'top past the sides',
  'overhang-front': 'top past the front',
  'apron-height': 'board across the front',
  apron: 'board across the front',
  'trim-height': 'band round the foot',
  'trim-stock': 'band cut from',
  'trim-left': 'left end of the band',
  'trim-front': 'front of the band',
  'trim-right': 'right end of the band',
  'trim-thickness': 'thickness of the band',
  'top-and-slope': 'top and its fall',
  'along-the-slope': 'longer down the slope',
  'under-the-slope': 'under the slope',
  'slope-at-front': 'top over the front of the space',
  shelves: 'shelves',
  'shelf-height': 'underside above the floor of its space',
} as const;

export const SLOPED_BOX: Family<SlopedBox> = {
  id: 'sloped-box',
  form: {
    fields: FIELDS,
    elements: [
      {
        path: 'shelves',
        label: 'shelves',
        group: 'inside',
        most: 12,
        least: 0,
        fields: [lengthField('at', 'shelf-height', SHELF_AT.least, SHELF_AT.most, 'inside')],
        start: ({ unit }: SlopedBox, id, order) => ({ id, order, at: pick(unit, '130', '5') }),
        panel: (box, id) => `${box.id}/shelf/${id}`,
      },
    ],
  },
  usual: { mm: ['560 mm', '460 mm', '260 mm'], in: ['22 in', '18 in', '10 1/4 in'] },
  create: newSlopedBox,
  build: buildSlopedBox,
};
