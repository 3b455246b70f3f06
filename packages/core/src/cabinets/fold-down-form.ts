/** Fields of a fold-down surface, and its own words. */
import { SCREW_IDS } from '../joints/screws.ts';
import type { Family } from './family.ts';
import { buildFoldDown, foldFault, MAX_HINGE_SCREWS, MAX_PROPS, newFoldDown } from './fold-down.ts';
import { BAND_FIELD, BOARD_HUNG_FIELDS, choiceField, kindField, lengthField, STOCK_FIELD, stockField, type FormField } from './form.ts';
import type { FoldDown } from '../model/specs/fold-down.ts';

const gated = ({ supports }: FoldDown): boolean => supports === 'gate';

const FIELDS: readonly FormField<FoldDown>[] = [
  lengthField('width', 'width', 250, 2400, 'size'),
  lengthField('height', 'backboard-height', 200, 1200, 'size'),
  lengthField('depth', 'leaf-out', 120, 900, 'size'),
  STOCK_FIELD,
  BAND_FIELD,
  choiceField('state', 'fold-state', ['open', 'folded'], 'shape'),
  stockField('leafStock', 'leaf-stock', 'shape'),
  lengthField('ledger', 'ledger-deep', 40, 300, 'shape'),
  choiceField('hinge', 'leaf-hinge', ['butt', 'piano', 'drop-leaf'], 'shape'),
  choiceField('supports', 'leaf-supports', ['gate', 'bracket', 'leg'], 'shape'),
  kindField('supportCount', 'support-count', 'shape', { kind: 'count', least: 1, most: MAX_PROPS }),
  lengthField('reach', 'gate-reach', 80, 800, 'shape', { when: gated }),
  lengthField('gateHeight', 'gate-height', 80, 900, 'shape', { when: gated }),
  stockField('gateStock', 'gate-stock', 'shape', { when: gated }),
  kindField('ratedKg', 'support-rated', 'shape', { kind: 'number', least: 1, most: 500, measure: 'kg' }, { when: (box: FoldDown) => !gated(box) }),
  kindField('edgeKg', 'edge-pressed', 'shape', { kind: 'number', least: 0, most: 200, measure: 'kg' }),
  choiceField('hingeScrew.screw', 'hinge-screw', SCREW_IDS, 'joints'),
  lengthField('hingeScrew.length', 'hinge-screw-length', 8, 60, 'joints'),
  kindField('hingeScrews', 'hinge-screws', 'joints', { kind: 'count', least: 1, most: MAX_HINGE_SCREWS }),
  kindField('latch', 'latch', 'shape', { kind: 'yes-no' }),
  ...BOARD_HUNG_FIELDS,
];

export const FOLD_DOWN_WORDS = {
  'family-fold-down': 'fold-down surface',
  'family-fold-down-for': 'a leaf hinged to a ledger, gates or brackets under it',
  'backboard-height': 'height of the backboard',
  'leaf-out': 'leaf, from the ledger out',
  'fold-state': 'drawn',
  'state-open': 'open',
  'state-folded': 'folded',
  'leaf-stock': 'leaf cut from',
  'ledger-deep': 'depth of the ledger',
  'leaf-hinge': 'hinges',
  'hinge-butt': 'butt hinges',
  'hinge-piano': 'a continuous hinge',
  'hinge-drop-leaf': 'drop-leaf hinges',
  'leaf-supports': 'held up by',
  'supports-gate': 'wooden gates',
  'supports-bracket': 'folding brackets',
  'supports-leg': 'folding legs',
  'support-count': 'how many',
  'gate-reach': 'reach of a gate',
  'gate-height': 'height of a gate',
  'gate-stock': 'gates cut from',
  'support-rated': 'a pair carries, as rated',
  'edge-pressed': 'work presses its front edge with (400 N, 41 kg, at least)',
  'hinge-screw': 'screw of the hinges',
  'hinge-screw-length': 'length of the hinge screw',
  'hinge-screws': 'screws in a leaf of each hinge',
  latch: 'latch',
  backboard: 'backboard',
  ledger: 'ledger',
  leaf: 'leaf',
  'leaf-thickness': 'leaf',
  gate: 'gate {of}',
  'gate-hinges': 'hinges of the gates',
  'folding-brackets': 'folding brackets',
  'folding-legs': 'folding legs',
  'on-the-leaf': 'on the leaf',
  'work-height': 'height of the work',
} as const;

export const FOLD_DOWN: Family<FoldDown> = {
  id: 'fold-down',
  form: { fields: FIELDS, elements: [] },
  usual: { mm: ['900 mm', '520 mm', '450 mm'], in: ['36 in', '20 1/2 in', '18 in'] },
  create: newFoldDown,
  build: buildFoldDown,
  faultOf: foldFault,
};
