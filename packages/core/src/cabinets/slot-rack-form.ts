/** Fields of a slot rack, and its own words. */
import type { Family } from './family.ts';
import {
  BAND_FIELD,
  choiceField,
  HANGING_FIELDS,
  JOINERY_FIELDS,
  kindField,
  lengthField,
  OPEN_FRONT,
  sizeFields,
  STOCK_FIELD,
  stockField,
  type FormField,
} from './form.ts';
import { SHELL_BACK_FIELDS, SHELL_HANGING_KIND, SHELL_JOINT_FIELDS, shellFault } from './shell.ts';
import { buildSlotRack, newSlotRack, slotsFromThings } from './slot-rack.ts';
import type { SlotRack } from '../model/specs/slot-rack.ts';

const inTabs = ({ holds }: SlotRack): boolean => holds === 'tabs';

const FIELDS: readonly FormField<SlotRack>[] = [
  ...sizeFields([150, 2400], [150, 2600], [60, 900]),
  STOCK_FIELD,
  BAND_FIELD,
  choiceField('holds', 'rack-holds', ['shelves', 'tabs'], 'shape'),
  kindField('tiltDeg', 'slot-tilt', 'shape', { kind: 'degrees', least: 0, most: 20 }),
  stockField('slotStock', 'slot-stock', 'shape'),
  lengthField('first', 'first-slot', 0, 600, 'shape'),
  lengthField('last', 'last-slot', 5, 600, 'shape'),
  lengthField('tabLength', 'tab-length', 20, 600, 'shape', { when: inTabs }),
  lengthField('setback', 'slot-setback', 0, 300, 'shape'),
  ...SHELL_JOINT_FIELDS,
  ...JOINERY_FIELDS,
  ...SHELL_BACK_FIELDS,
  OPEN_FRONT,
  SHELL_HANGING_KIND,
  ...HANGING_FIELDS,
];

export const SLOT_RACK_WORDS = {
  'family-slot-rack': 'slot rack',
  'family-slot-rack-for': 'thin shelves or tabs, tilted back, for paper and rolls',
  'rack-holds': 'slots hold',
  'holds-shelves': 'shelves from side to side',
  'holds-tabs': 'a tab at each side',
  'slot-tilt': 'slots tilted back',
  'slot-stock': 'shelves or tabs cut from',
  'first-slot': 'clear under the first',
  'last-slot': 'clear over the last',
  'tab-length': 'length of a tab',
  'slot-setback': 'back from the front edges',
  'rack-slots': 'slots',
  'slot-shelf': 'shelf of slot {of}',
  'tab-left': 'left tab of slot {of}',
  'tab-right': 'right tab of slot {of}',
  'slot-space': 'slot {of}',
  'slot-thickness': 'thickness across the tilt',
  'rise-of-slot': 'rise from rear to front',
  'slot-pitch': 'from slot to slot',
  'inside-depth': 'inside depth',
  'along-the-tilt': 'longer along the tilt',
} as const;

export const SLOT_RACK: Family<SlotRack> = {
  id: 'slot-rack',
  form: {
    fields: FIELDS,
    elements: [
      {
        path: 'slots',
        label: 'rack-slots',
        group: 'inside',
        most: 60,
        least: 1,
        fields: [],
        start: (_box, id, order) => ({ id, order }),
        panel: (box: SlotRack, id) => `${box.id}/shelf/${id}${box.holds === 'tabs' ? '/left' : ''}`,
      },
    ],
  },
  usual: { mm: ['560 mm', '640 mm', '320 mm'], in: ['22 in', '25 in', '12 1/2 in'] },
  create: newSlotRack,
  build: buildSlotRack,
  fromThings: slotsFromThings,
  faultOf: shellFault,
};
