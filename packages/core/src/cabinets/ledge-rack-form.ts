/** Fields of a ledge rack, and its own words. */
import type { Family } from './family.ts';
import {
  BAND_FIELD,
  choiceField,
  HANGING_FIELDS,
  JOINERY_FIELDS,
  kindField,
  lengthField,
  OPEN_FRONT,
  SHELF_AT,
  sizeFields,
  STOCK_FIELD,
  stockField,
  type FormField,
} from './form.ts';
import { buildLedgeRack, newLedge, newLedgeRack } from './ledge-rack.ts';
import { SHELL_BACK_FIELDS, SHELL_HANGING_KIND, SHELL_JOINT_FIELDS, shellFault } from './shell.ts';
import type { Ledge, LedgeRack } from '../model/specs/ledge-rack.ts';

const FIELDS: readonly FormField<LedgeRack>[] = [
  ...sizeFields([150, 2400], [150, 2400], [50, 500]),
  STOCK_FIELD,
  BAND_FIELD,
  stockField('stripStock', 'strip-stock', 'shape'),
  choiceField('shelfJoint', 'ledge-joint', ['butt', 'dado'], 'joints'),
  ...SHELL_JOINT_FIELDS,
  ...JOINERY_FIELDS,
  ...SHELL_BACK_FIELDS,
  OPEN_FRONT,
  SHELL_HANGING_KIND,
  ...HANGING_FIELDS,
];

const stripped = ({ kind, strips }: Ledge): boolean => kind !== 'notched' && strips > 0;
const cutInto = ({ kind }: Ledge): boolean => kind !== 'plain';

export const LEDGE_RACK_WORDS = {
  'family-ledge-rack': 'ledge rack',
  'family-ledge-rack-for': 'shallow shelves with strips before them; stems, bottles, pictures',
  'strip-stock': 'strips cut from',
  'ledge-joint': 'joint of the ledges',
  ledges: 'ledges',
  ledge: 'ledge {of}',
  'ledge-kind': 'ledge',
  'ledges-plain': 'plain',
  plain: 'plain',
  notched: 'notched for stems',
  scooped: 'scooped for bottles',
  'ledge-strips': 'strips across the front',
  'strip-gap': 'clear between strips',
  'ledge-support': 'support behind the middle',
  'notch-count': 'notches',
  'notch-width': 'width of a notch',
  'ledge-notch-depth': 'depth of a notch',
  'front-strip': 'front strip of ledge {of}',
  'front-strip-thickness': 'front strip',
  'strip-support': 'support at ledge {of}',
  'support-height': 'height of the strips',
  'support-depth': 'support',
  'ledge-space': 'ledge {of}',
  'stem-notch': 'stem',
  'bottle-scoop': 'bottle',
  'inside-depth': 'inside depth',
} as const;

export const LEDGE_RACK: Family<LedgeRack> = {
  id: 'ledge-rack',
  form: {
    fields: FIELDS,
    elements: [
      {
        path: 'ledges',
        label: 'ledges',
        group: 'inside',
        most: 30,
        least: 1,
        fields: [
          lengthField('at', 'shelf-height', SHELF_AT.least, SHELF_AT.most, 'inside', { optional: true, start: { mm: '200 mm', in: '8 in' } }),
          choiceField('kind', 'ledge-kind', ['plain', 'notched', 'scooped'], 'inside'),
          kindField('strips', 'ledge-strips', 'inside', { kind: 'count', least: 0, most: 5 }, { when: ({ kind }: Ledge) => kind !== 'notched' }),
          lengthField('stripHeight', 'strip-height', 6, 200, 'inside', { when: stripped }),
          lengthField('stripGap', 'strip-gap', 5, 300, 'inside', { when: (ledge: Ledge) => stripped(ledge) && ledge.strips > 1 }),
          kindField('support', 'ledge-support', 'inside', { kind: 'yes-no' }, { when: stripped }),
          kindField('count', 'notch-count', 'inside', { kind: 'count', least: 1, most: 40 }, { when: cutInto }),
          lengthField('notchWidth', 'notch-width', 4, 200, 'inside', { when: cutInto }),
          lengthField('notchDepth', 'ledge-notch-depth', 3, 300, 'inside', { when: cutInto }),
        ],
        start: ({ unit }: LedgeRack, id, order) => newLedge(unit, id, order),
        panel: (box, id) => `${box.id}/shelf/${id}`,
      },
    ],
  },
  usual: { mm: ['700 mm', '640 mm', '140 mm'], in: ['27 1/2 in', '25 in', '5 1/2 in'] },
  create: newLedgeRack,
  build: buildLedgeRack,
  faultOf: shellFault,
};
