/** Fields of a cabinet run, and its own words. */
import { newCabinetRun, newRunPart } from './cabinet-run.ts';
import { buildCabinetRun } from './cabinet-run-build.ts';
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
  withWholeHalf,
  type FormField,
} from './form.ts';
import { SHELL_BACK_FIELDS, SHELL_JOINT_FIELDS, shellFault } from './shell.ts';
import type { CabinetRun, RunPart } from '../model/specs/cabinet-run.ts';

const doored = ({ parts }: CabinetRun): boolean =>
  Object.values(parts).some(({ kind, front, lower, lowerFront }) => (kind === 'box' && front !== 'open') || (lower !== null && lowerFront !== 'open'));
const infilled = (box: CabinetRun): boolean => doored(box) && box.doors.infill !== 'none';
const hasLower = ({ lower }: RunPart): boolean => lower !== null;
const lowered = ({ parts }: CabinetRun): boolean => Object.values(parts).some(hasLower);
const drawered = ({ parts }: CabinetRun): boolean =>
  Object.values(parts).some((part) => (isBox(part) && part.front === 'drawers') || (hasLower(part) && part.lowerFront === 'drawers'));
const isBox = ({ kind }: RunPart): boolean => kind === 'box';

const FIELDS: readonly FormField<CabinetRun>[] = [
  ...sizeFields([300, 6000], [150, 2400], [60, 900]),
  STOCK_FIELD,
  BAND_FIELD,
  lengthField('fillerLeft', 'filler-left', 5, 300, 'shape', { optional: true, start: { mm: '30 mm', in: '1 1/4 in' } }),
  lengthField('fillerRight', 'filler-right', 5, 300, 'shape', { optional: true, start: { mm: '30 mm', in: '1 1/4 in' } }),
  kindField('endPanels', 'end-panels', 'shape', { kind: 'yes-no' }),
  choiceField('stand', 'run-stand', ['feet', 'toe'], 'shape', { when: lowered }),
  lengthField('standHeight', 'stand-height', 20, 300, 'shape', { when: lowered }),
  lengthField('lowerDepth', 'lower-depth', 60, 900, 'shape', { optional: true, start: { mm: '450 mm', in: '18 in' }, when: lowered }),
  lengthField('slides.length', 'slide-length', 80, 800, 'front', { when: drawered }),
  lengthField('slides.clearance', 'slide-clearance', 0.5, 40, 'front', { when: drawered }),
  kindField('slides.ratedKg', 'slide-rated', 'front', { kind: 'number', least: 1, most: 200, measure: 'kg' }, { when: drawered }),
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
  ...withWholeHalf(HANGING_FIELDS),
];

/** Why a run cannot be built. */
function runFault(box: CabinetRun) {
  const rows = Object.values(box.parts);
  if (!rows.some(isBox)) return { code: 'run', path: ['parts'], message: 'a run without a box has nothing to hang by', accepted: 'one box at least' };
  for (const { id, kind, height, lower, bridge } of rows) {
    if (!lower) continue;
    const above = kind === 'box' ? (height ?? box.height).nm : (bridge?.nm ?? 0);
    if (lower.nm + above > box.height.nm)
      return {
        code: 'run',
        path: ['parts', id, 'lower'],
        message: 'the lower box stands into what hangs over it',
        accepted: `with the box or the bridge over it at most the run's height, ${box.height.text}`,
      };
    if (lower.nm - box.standHeight.nm < MIN_LOWER)
      return { code: 'run', path: ['parts', id, 'lower'], message: 'what it stands on leaves no box', accepted: 'what it stands on and 100 mm at least' };
  }
  const reaches = rows.some(({ kind, height, lower }) => lower !== null || (kind === 'box' && (height ?? box.height).nm === box.height.nm));
  if (!reaches)
    return {
      code: 'run',
      path: ['height'],
      message: 'no box of the run is as high as the run',
      accepted: 'the height of its tallest box, or a box under one of them',
    };
  return shellFault(box);
}

const MIN_LOWER = 100_000_000;

export const CABINET_RUN_WORDS = {
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
  'part-shelves': 'shelves, or drawers',
  'lower-height': 'box under it on the floor, in all',
  'lower-shelves': 'its shelves, or drawers',
  'lower-front': 'its front',
  'lowerFront-open': 'open',
  'lowerFront-door-left': 'a door hinged left',
  'lowerFront-door-right': 'a door hinged right',
  'lowerFront-doors': 'two doors',
  'lowerFront-drawers': 'drawers',
  'lowerFront-lid-up': 'a lid hinged at the top',
  'lowerFront-flap-down': 'a flap hinged at the bottom',
  'run-stand': 'lower boxes stand on',
  'stand-feet': 'feet that turn',
  'stand-toe': 'a toe base',
  'stand-height': 'so high',
  'lower-depth': 'depth of the lower boxes',
  feet: 'feet',
  'toe-left': 'left board of a toe base',
  'toe-right': 'right board of a toe base',
  'toe-front': 'front board of a toe base',
  'toe-rear': 'rear board of a toe base',
  'toe-back': 'toe room',
  'deepest-part': 'deepest part, beyond',
  'bridge-down': 'bridge, below the top',
  bridge: 'bridge in part {of}',
  'on-the-bridge': 'on the bridge, part {of}',
} as const;

export const CABINET_RUN: Family<CabinetRun> = {
  id: 'cabinet-run',
  form: {
    fields: FIELDS,
    elements: [
      {
        path: 'parts',
        across: true,
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
          lengthField('lower', 'lower-height', 150, 1500, 'inside', { optional: true, start: { mm: '700 mm', in: '28 in' } }),
          kindField('lowerShelves', 'lower-shelves', 'inside', { kind: 'count', least: 0, most: 12 }, { when: hasLower }),
          choiceField('lowerFront', 'lower-front', FRONT_OPTIONS, 'inside', { when: hasLower }),
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
  faultOf: runFault,
};
