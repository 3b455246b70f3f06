/** What can be entered about a cabinet run, and the words only it uses. */
import { buildCabinetRun, newCabinetRun, newRunPart, type CabinetRun, type RunPart } from './cabinet-run.ts';
import type { Family } from './family.ts';
import {
  BAND_FIELD,
  choiceField,
  FRONT_OPTIONS,
  HANGING_FIELDS,
  JOINERY_FIELDS,
  kindField,
  lengthField,
  OPEN_FRONT,
  OUTSIDE_ONLY,
  sizeFields,
  STOCK_FIELD,
  stockField,
  type Field,
} from './form.ts';
import { isDoored } from './doors.ts';
import { SHELL_BACK_FIELDS, SHELL_JOINT_FIELDS } from './shell.ts';

const doored = ({ parts }: CabinetRun): boolean => Object.values(parts).some(({ kind, front }) => kind === 'box' && isDoored(front));
const infilled = (box: CabinetRun): boolean => doored(box) && box.doors.infill !== 'none';
const isBox = ({ kind }: RunPart): boolean => kind === 'box';

const FIELDS: readonly Field<CabinetRun>[] = [
  ...sizeFields([300, 6000], [150, 2400], [60, 900]),
  STOCK_FIELD,
  BAND_FIELD,
  lengthField('fillerLeft', 'filler-left', 5, 300, 'shape', { optional: true, start: { mm: '30 mm', in: '1 1/4 in' } }),
  lengthField('fillerRight', 'filler-right', 5, 300, 'shape', { optional: true, start: { mm: '30 mm', in: '1 1/4 in' } }),
  kindField('endPanels', 'end-panels', 'shape', { kind: 'yes-no' }),
  choiceField('doors.lies', 'doors-lies', ['inset', 'half', 'full'], 'front', { when: doored }),
  stockField('doors.stock', 'doors-stock', 'front', { when: doored }, false),
  lengthField('doors.reveal', 'reveal', 0.5, 10, 'front', { when: doored }),
  choiceField('doors.handle', 'doors-handle', ['none', 'finger-hole', 'knob', 'bar'], 'front', { when: doored }),
  lengthField('doors.handleIn', 'handle-in', 15, 300, 'front', { when: (box: CabinetRun) => doored(box) && box.doors.handle !== 'none' }),
  kindField('doors.stays', 'door-stays', 'front', { kind: 'count', least: 0, most: 4 }, { when: doored }),
  choiceField('doors.infill', 'doors-infill', ['none', 'panel', 'glass'], 'front', { when: doored }),
  stockField('doors.infillStock', 'infill-stock', 'front', { when: infilled }),
  lengthField('doors.railWidth', 'door-rail-width', 25, 200, 'front', { when: infilled }),
  choiceField('shelfJoint', 'run-joint', ['butt', 'dado'], 'joints'),
  ...SHELL_JOINT_FIELDS,
  ...JOINERY_FIELDS,
  ...SHELL_BACK_FIELDS,
  OPEN_FRONT,
  OUTSIDE_ONLY,
  ...HANGING_FIELDS,
];

export const CABINET_RUN: Family<CabinetRun> = {
  id: 'cabinet-run',
  form: {
    fields: FIELDS,
    elements: [
      {
        path: 'parts',
        label: 'run-parts',
        group: 'inside',
        most: 12,
        least: 1,
        fields: [
          choiceField('kind', 'part-kind', ['box', 'open'], 'inside'),
          lengthField('width', 'part-width', 40, 3000, 'inside', { optional: true, start: { mm: '400 mm', in: '16 in' } }),
          lengthField('height', 'part-height', 100, 2400, 'inside', { optional: true, start: { mm: '500 mm', in: '20 in' }, when: isBox }),
          kindField('shelves', 'part-shelves', 'inside', { kind: 'count', least: 0, most: 12 }, { when: isBox }),
          choiceField('front', 'front', FRONT_OPTIONS, 'inside', { when: isBox }),
          lengthField('bridge', 'bridge-down', 40, 2000, 'inside', {
            optional: true,
            start: { mm: '250 mm', in: '10 in' },
            when: (part: RunPart) => !isBox(part),
          }),
        ],
        start: (_box, id, order) => newRunPart(id, order),
        panel: (box, id) => (box.parts[id]?.kind === 'open' ? `${box.id}/shelf/${id}` : `${box.id}/bottom/${id}`),
      },
    ],
  },
  usual: { mm: ['1800 mm', '700 mm', '300 mm'], in: ['71 in', '27 1/2 in', '12 in'] },
  create: newCabinetRun,
  build: buildCabinetRun,
  faultOf: (box) =>
    Object.values(box.parts).some(isBox)
      ? null
      : { code: 'run', path: ['parts'], message: 'a run without a box has nothing to hang by', accepted: 'one box at least' },
  words: {
    'family-cabinet-run': 'cabinet run',
    'family-cabinet-run-for': 'boxes side by side, a stretch kept free, a shelf across it',
    'filler-left': 'filler at the left',
    'filler-right': 'filler at the right',
    filler: 'filler',
    'end-panels': 'end panels',
    'end-panel': 'end panel',
    'end-panel-left': 'left end panel',
    'end-panel-right': 'right end panel',
    'run-joint': 'joint of shelves',
    'run-parts': 'parts',
    'part-kind': 'part',
    'kind-box': 'a box',
    'kind-open': 'kept free',
    box: 'a box',
    open: 'kept free',
    'part-width': 'width of the part',
    'part-share': 'share of what is left',
    'part-height': 'height of the box',
    'part-shelves': 'shelves',
    'bridge-down': 'bridge, below the top',
    bridge: 'bridge in part {of}',
    'on-the-bridge': 'on the bridge, part {of}',
  },
};
