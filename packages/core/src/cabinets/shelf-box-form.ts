/** Fields of a shelf box, and its own words. */
import type { Family } from './family.ts';
import {
  BAND_FIELD,
  choiceField,
  FRONT_OPTIONS,
  HANGING_FIELDS,
  JOINERY_FIELDS,
  kindField,
  lengthField,
  MAX_SHELVES,
  SHELF_AT,
  sizeFields,
  STOCK_FIELD,
  stockField,
  type ElementsForm,
  type FormField,
} from './form.ts';
import { isDoored } from './doors.ts';
import { SHELL_BACK_FIELDS, SHELL_HANGING_KIND, SHELL_JOINT_FIELDS, shellFault } from './shell.ts';
import { buildShelfBox } from './shelf-box-build.ts';
import { FLOOR, newShelfBox } from './shelf-box.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';
import { pick } from './new-spec.ts';

type F = FormField<ShelfBox>;
const onPins = ({ shelves }: ShelfBox): boolean => Object.values(shelves).some(({ fixing }) => fixing === 'pins');
const doored = ({ front }: ShelfBox): boolean => isDoored(front);
const framed = ({ faceFrame }: ShelfBox): boolean => faceFrame !== null;
const infilled = (box: ShelfBox): boolean => doored(box) && box.doors.infill !== 'none';

/** Doors and face frame, for every family that has them. */
const FRONT_FIELDS: readonly F[] = [
  choiceField('front', 'front', FRONT_OPTIONS, 'size'),
  choiceField('doors.lies', 'doors-lies', ['inset', 'half', 'full'], 'front', { when: doored }),
  stockField('doors.stock', 'doors-stock', 'front', { when: doored }, false),
  lengthField('doors.reveal', 'reveal', 0.5, 10, 'front', { when: doored }),
  choiceField('doors.handle', 'doors-handle', ['none', 'finger-hole', 'knob', 'bar'], 'front', { when: doored }),
  lengthField('doors.handleIn', 'handle-in', 15, 300, 'front', { when: (box: ShelfBox) => doored(box) && box.doors.handle !== 'none' }),
  kindField(
    'doors.stays',
    'door-stays',
    'front',
    { kind: 'count', least: 0, most: 4 },
    { when: ({ front }: ShelfBox) => front === 'lid-up' || front === 'flap-down' },
  ),
  choiceField('doors.infill', 'doors-infill', ['none', 'panel', 'glass'], 'front', { when: doored }),
  stockField('doors.infillStock', 'infill-stock', 'front', { when: infilled }),
  lengthField('doors.railWidth', 'door-rail-width', 25, 200, 'front', { when: infilled }),
  {
    path: ['faceFrame'],
    label: 'face-frame',
    group: 'front',
    kind: 'part',
    start: ({ unit, hanging }: ShelfBox) => ({
      stock: hanging.stock,
      stile: pick(unit, '40', '1 1/2'),
      rail: pick(unit, '40', '1 1/2'),
      overhang: pick(unit, '0', '0'),
      inside: 'proud',
      joined: 'pockets',
    }),
  },
  stockField('faceFrame.stock', 'frame-stock', 'front', { when: framed }, false),
  choiceField('faceFrame.inside', 'frame-inside', ['flush', 'proud'], 'front', { when: framed }),
  lengthField('faceFrame.stile', 'frame-stile', 20, 200, 'front', { when: (box: ShelfBox) => box.faceFrame?.inside === 'proud' }),
  lengthField('faceFrame.rail', 'frame-rail', 20, 200, 'front', { when: (box: ShelfBox) => box.faceFrame?.inside === 'proud' }),
  lengthField('faceFrame.overhang', 'frame-overhang', 0, 60, 'front', { when: framed }),
  choiceField('faceFrame.joined', 'frame-joined', ['pockets', 'dowels', 'half-laps'], 'front', { when: framed }),
];

const FIELDS: readonly F[] = [
  ...sizeFields([100, 3000], [100, 2700], [40, 900]),
  STOCK_FIELD,
  BAND_FIELD,
  ...SHELL_JOINT_FIELDS,
  choiceField('shelfJoint', 'shelf-joint', ['butt', 'dado'], 'joints'),
  ...JOINERY_FIELDS,

  lengthField('setback', 'setback', 0, 300, 'inside'),
  choiceField('pins.from', 'pins-from', ['bottom', 'top'], 'inside', { when: onPins }),
  choiceField('pins.fromRight', 'pins-from-right', ['bottom', 'top'], 'inside', { when: onPins }),
  lengthField('pins.first', 'pins-first', 10, 600, 'inside', { when: onPins }),
  lengthField('pins.pitch', 'pins-pitch', 10, 150, 'inside', { when: onPins }),
  lengthField('pins.inset', 'pins-inset', 10, 200, 'inside', { when: onPins }),
  lengthField('pins.diameter', 'pins-diameter', 3, 12, 'inside', { when: onPins }),

  ...SHELL_BACK_FIELDS,
  lengthField('nailingStrip', 'nailing-strip', 30, 400, 'back', { optional: true, start: { mm: '70 mm', in: '2 3/4 in' } }),

  ...FRONT_FIELDS,

  SHELL_HANGING_KIND,
  ...HANGING_FIELDS,
];

const elementFields = (label: 'shelf-height' | 'divider-place'): FormField[] => [
  lengthField('at', label, SHELF_AT.least, SHELF_AT.most, 'inside', { optional: true, start: { mm: '300 mm', in: '12 in' } }),
  kindField('in', 'cuts-space', 'inside', { kind: 'id', optional: false }),
  kindField('level', 'cuts-level', 'inside', { kind: 'count', least: 0, most: 20 }, { when: () => false }),
];

const ELEMENTS: readonly ElementsForm<ShelfBox>[] = [
  {
    path: 'shelves',
    label: 'shelves',
    group: 'inside',
    most: MAX_SHELVES,
    least: 0,
    fields: [...elementFields('shelf-height'), choiceField('fixing', 'shelf-fixing', ['fixed', 'pins'], 'inside')],
    start: (_box, id, order) => ({ id, order, at: null, in: FLOOR, level: 0, fixing: 'fixed' }),
    panel: (box, id) => `${box.id}/shelf/${id}`,
  },
  {
    path: 'dividers',
    label: 'dividers',
    group: 'inside',
    most: MAX_SHELVES,
    least: 0,
    fields: elementFields('divider-place'),
    start: (_box, id, order) => ({ id, order, at: null, in: FLOOR, level: 0 }),
    panel: (box, id) => `${box.id}/divider/${id}`,
  },
];

export const SHELF_BOX_WORDS = {
  'family-shelf-box': 'shelf box',
  'family-shelf-box-for': 'the everyday wall cabinet: shelves, bays, doors, a face frame',
  shelves: 'shelves',
  dividers: 'dividers',
  'shelf-joint': 'joint of shelves and dividers',
  setback: 'shelves stand back by',
  'pins-from': 'pin holes at the left counted from the',
  'pins-from-right': 'at the right counted from the',
  'fromRight-bottom': 'bottom',
  'fromRight-top': 'top',
  'pins-first': 'first pin hole',
  'pins-pitch': 'from hole to hole',
  'pins-inset': 'rows in from the edges',
  'pins-diameter': 'pins, across',
  'from-bottom': 'bottom',
  'from-top': 'top',
  'nailing-strip': 'nailing strip',
  'strip-notch': 'strip across the back',
  'strip-height': 'height of the strip',
  'shelf-height': 'underside above the floor of its space',
  'shelf-fixing': 'held',
  'fixing-fixed': 'in its joints',
  'fixing-pins': 'on pins',
  'divider-place': 'from the left of the space',
  'cuts-space': 'cuts the space',
  'cuts-level': 'in turn',
} as const;

export const SHELF_BOX: Family<ShelfBox> = {
  id: 'shelf-box',
  form: { fields: FIELDS, elements: ELEMENTS },
  usual: { mm: ['600 mm', '700 mm', '280 mm'], in: ['24 in', '28 in', '11 in'] },
  create: (start) => newShelfBox({ ...start, shelves: 2 }),
  build: buildShelfBox,
  faultOf: shellFault,
};
