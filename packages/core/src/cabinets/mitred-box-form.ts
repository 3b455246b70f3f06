/** Fields of a mitered box, and its own words. */
import type { Family } from './family.ts';
import { BAND_FIELD, choiceField, CLEAT_HUNG_FIELDS, kindField, lengthField, STOCK_FIELD, stockField, withoutRail, type FormField } from './form.ts';
import { buildMitredBox, newMitredBox, ringFault } from './mitred-box.ts';
import type { MitredBox } from '../model/specs/mitred-box.ts';
import { pick } from './new-spec.ts';

const equal = ({ ring }: MitredBox): boolean => ring === 'equal';

const FIELDS: readonly FormField<MitredBox>[] = [
  lengthField('width', 'width', 120, 1500, 'size', { when: equal }),
  lengthField('height', 'height', 50, 2700, 'size', { when: () => false }),
  lengthField('depth', 'depth', 50, 600, 'size'),
  STOCK_FIELD,
  BAND_FIELD,
  choiceField('ring', 'ring', ['equal', 'chosen'], 'shape'),
  kindField('sides', 'ring-sides', 'shape', { kind: 'count', least: 3, most: 8 }, { when: equal }),
  choiceField('stands', 'ring-stands', ['flat', 'corner'], 'shape', { when: equal }),
  kindField('leanDeg', 'ring-lean', 'shape', { kind: 'degrees', least: 0, most: 30 }),
  stockField('backStock', 'back-stock', 'back'),
  kindField('spline', 'ring-spline-stock', 'joints', { kind: 'stock', sheetsOnly: true, optional: true }, { when: ({ leanDeg }: MitredBox) => leanDeg === 0 }),
  ...withoutRail(CLEAT_HUNG_FIELDS),
];

export const MITRED_BOX_WORDS = {
  'family-mitred-box': 'mitred box',
  'family-mitred-box-for': 'a ring of three to eight boards, mitred at every corner',
  ring: 'ring',
  'ring-equal': 'equal sides',
  'ring-chosen': 'chosen sides',
  'ring-sides': 'sides',
  'ring-stands': 'stands on',
  'stands-flat': 'a side',
  'stands-corner': 'a corner',
  'ring-lean': 'walls lean out',
  'chosen-sides': 'chosen sides, from the bottom on',
  'ring-side': 'length of the side',
  'ring-turn': 'turns at its end by',
  'ring-wall': 'wall {of}',
  'ring-spline': 'spline {of}',
  'ring-spline-stock': 'loose splines in the corners, from',
  'ring-chord': 'width of the ring there',
  'ring-width': 'ring, across',
  'ring-height': 'ring, high',
  'spread-of-lean': 'spread of the lean',
  'along-the-lean': 'longer along the lean',
  'mitre-inside': 'mitre inside',
} as const;

export const MITRED_BOX: Family<MitredBox> = {
  id: 'mitred-box',
  form: {
    fields: FIELDS,
    elements: [
      {
        path: 'chosen',
        label: 'chosen-sides',
        group: 'shape',
        most: 7,
        least: 2,
        fields: [lengthField('length', 'ring-side', 30, 1500, 'shape'), kindField('turnDeg', 'ring-turn', 'shape', { kind: 'degrees', least: 5, most: 150 })],
        start: ({ unit }: MitredBox, id, order) => ({ id, order, length: pick(unit, '300', '12'), turnDeg: 60 }),
      },
    ],
  },
  usual: { mm: ['420 mm', '420 mm', '160 mm'], in: ['16 1/2 in', '16 1/2 in', '6 1/4 in'] },
  create: newMitredBox,
  build: buildMitredBox,
  faultOf: ringFault,
};
