/** Fields of a slab, and its own words. */
import type { Family } from './family.ts';
import { BAND_FIELD, CLEAT_HUNG_FIELDS, kindField, lengthField, STOCK_FIELD, stockField, withoutRail, withWholeHalf, type FormField } from './form.ts';
import { buildSlab, newSlab } from './slab.ts';
import type { Slab } from '../model/specs/slab.ts';

const FIELDS: readonly FormField<Slab>[] = [
  lengthField('width', 'width', 150, 3000, 'size'),
  lengthField('height', 'height', 100, 2400, 'size'),
  lengthField('depth', 'depth', 5, 900, 'size', { when: () => false }),
  STOCK_FIELD,
  BAND_FIELD,
  lengthField('strip', 'section-strip-width', 5, 200, 'shape', { optional: true, start: { mm: '20 mm', in: '3/4 in' } }),
  stockField('stripStock', 'section-strip-stock', 'shape', { when: ({ strip }: Slab) => strip !== null }),
  kindField('edgingStock', 'edging-stock', 'shape', { kind: 'stock', sheetsOnly: false, optional: true }),
  lengthField('cap', 'cap-past', 0, 150, 'shape', { optional: true, start: { mm: '30 mm', in: '1 1/4 in' } }),
  lengthField('wingLeft', 'wing-left-width', 40, 1200, 'shape', { optional: true, start: { mm: '300 mm', in: '12 in' } }),
  lengthField('wingRight', 'wing-right-width', 40, 1200, 'shape', { optional: true, start: { mm: '300 mm', in: '12 in' } }),
  ...withWholeHalf(withoutRail(CLEAT_HUNG_FIELDS)),
];

const MIN_MAIN = 150_000_000;

export const SLAB_WORDS = {
  'family-slab': 'slab',
  'family-slab-for': 'a wide panel from sections, on one cleat',
  'section-strip-width': 'strip between sections',
  'section-strip-stock': 'strips cut from',
  'section-strip': 'strip between sections',
  'wing-left-width': 'wing at its left',
  'wing-right-width': 'wing at its right',
  wing: 'wing',
  'wing-left': 'left wing',
  'wing-right': 'right wing',
  'wing-cabinet-half': 'cabinet half of a wing’s cleat',
  'wing-wall-half': 'wall half of a wing’s cleat',
  'wing-dowels': 'dowels of a wing',
  'edging-stock': 'edging cut from',
  edging: 'edging',
  'edging-bottom': 'lower edging',
  'edging-left': 'left edging',
  'edging-top': 'upper edging',
  'edging-right': 'right edging',
  'strip-proud': 'strip past the face',
  cap: 'cap',
  'cap-past': 'cap past the front',
  sections: 'sections',
  section: 'section {of}',
  'section-width': 'width of the section',
  'section-share': 'share of what is left',
  'inner-width': 'width inside the edging',
  'slab-thickness': 'thickness of the slab',
} as const;

export const SLAB: Family<Slab> = {
  id: 'slab',
  form: {
    fields: FIELDS,
    elements: [
      {
        path: 'sections',
        across: true,
        label: 'sections',
        group: 'shape',
        most: 12,
        least: 1,
        fields: [lengthField('width', 'section-width', 20, 1500, 'shape', { optional: true, start: { mm: '300 mm', in: '12 in' } })],
        start: (_box, id, order) => ({ id, order, width: null }),
        panel: (box, id) => `${box.id}/leaf/${id}`,
      },
    ],
  },
  usual: { mm: ['1500 mm', '700 mm', '18 mm'], in: ['59 in', '27 1/2 in', '3/4 in'] },
  create: newSlab,
  build: buildSlab,
  faultOf: ({ width, wingLeft, wingRight }) =>
    width.nm - (wingLeft?.nm ?? 0) - (wingRight?.nm ?? 0) >= MIN_MAIN
      ? null
      : { code: 'wings', path: ['width'], message: 'the wings leave no slab between them', accepted: 'the wings and 150 mm at least' },
};
