/**
 * What can be entered about a shelf box, field by field: the form, the file reader and the API all
 * take their limits from these rows, so that nothing can be typed that cannot be read back.
 */
import { SCREW_IDS } from '../joints/screws.ts';
import { mm, type Length } from '../length/length.ts';
import type { ShelfBox } from './shelf-box.ts';

export type FieldGroup = 'size' | 'joints' | 'back' | 'hanging' | 'fixings' | 'place';

interface FieldBase {
  /** Path inside the unit. */
  readonly path: readonly string[];
  /** Key of the word list. */
  readonly label: string;
  readonly group: FieldGroup;
  /** Shown only when it matters. */
  readonly when?: (box: ShelfBox) => boolean;
}

export type Field = FieldBase &
  (
    | {
        readonly kind: 'length';
        readonly least: Length;
        readonly most: Length;
        readonly optional?: boolean;
        readonly start?: { readonly mm: string; readonly in: string };
      }
    | { readonly kind: 'choice'; readonly options: readonly string[]; readonly allows?: (box: ShelfBox, option: string) => boolean }
    | { readonly kind: 'count'; readonly least: number; readonly most: number }
    | { readonly kind: 'degrees'; readonly least: number; readonly most: number }
    | { readonly kind: 'yes-no' }
    | { readonly kind: 'stock'; readonly sheetsOnly: boolean }
  );

const size = (
  path: string,
  label: string,
  least: number,
  most: number,
  group: FieldGroup = 'size',
  more: Partial<FieldBase> & { optional?: boolean; start?: { mm: string; in: string } } = {},
): Field => ({
  path: path.split('.'),
  label,
  group,
  kind: 'length',
  least: mm(least),
  most: mm(most),
  ...more,
});

const usesAssemblyScrew = (box: ShelfBox): boolean => box.assembly.perJoint > 0 || (box.hanging.rail !== null && box.hanging.railScrews > 0);

export const SHELF_BOX_FORM: readonly Field[] = [
  size('width', 'width', 100, 3000),
  size('height', 'height', 100, 2700),
  size('depth', 'depth', 60, 900),
  { path: ['front'], label: 'front', group: 'size', kind: 'choice', options: ['open', 'door-left', 'door-right', 'doors', 'drawers'] },
  { path: ['stock'], label: 'stock', group: 'size', kind: 'stock', sheetsOnly: true },
  size('band', 'edge-band', 0.2, 10, 'size', { optional: true, start: { mm: '1 mm', in: '1/32 in' } }),

  { path: ['top', 'runs'], label: 'top-runs', group: 'joints', kind: 'choice', options: ['between', 'over'] },
  { path: ['top', 'joint'], label: 'top-joint', group: 'joints', kind: 'choice', options: ['butt', 'rabbet', 'dado'] },
  size('top.lip', 'top-lip', 0, 200, 'joints', { when: (box) => box.top.runs === 'between' && box.top.joint === 'dado' }),
  { path: ['bottom', 'runs'], label: 'bottom-runs', group: 'joints', kind: 'choice', options: ['between', 'over'] },
  { path: ['bottom', 'joint'], label: 'bottom-joint', group: 'joints', kind: 'choice', options: ['butt', 'rabbet', 'dado'] },
  size('bottom.lip', 'bottom-lip', 0, 200, 'joints', { when: (box) => box.bottom.runs === 'between' && box.bottom.joint === 'dado' }),
  { path: ['shelfJoint'], label: 'shelf-joint', group: 'joints', kind: 'choice', options: ['butt', 'dado'] },
  size('jointDepth', 'joint-depth', 1, 25, 'joints'),
  { path: ['fit'], label: 'fit', group: 'joints', kind: 'choice', options: ['tight', 'push', 'glue', 'loose'] },
  { path: ['glue'], label: 'glue', group: 'joints', kind: 'yes-no' },
  { path: ['assembly', 'perJoint'], label: 'screws-per-joint', group: 'joints', kind: 'count', least: 0, most: 12 },
  { path: ['assembly', 'screw'], label: 'assembly-screw', group: 'joints', kind: 'choice', options: SCREW_IDS, when: usesAssemblyScrew },
  size('assembly.length', 'assembly-length', 12, 160, 'joints', { when: usesAssemblyScrew }),

  {
    path: ['back', 'kind'],
    label: 'back-kind',
    group: 'back',
    kind: 'choice',
    options: ['rabbet', 'over', 'none'],
    allows: (box, option) => option !== 'over' || box.hanging.kind === 'outside',
  },
  { path: ['back', 'stock'], label: 'back-stock', group: 'back', kind: 'stock', sheetsOnly: true, when: (box) => box.back.kind !== 'none' },
  size('back.rabbetDepth', 'rabbet-depth', 1, 25, 'back', { when: (box) => box.back.kind === 'rabbet' }),

  {
    path: ['hanging', 'kind'],
    label: 'hanging-kind',
    group: 'hanging',
    kind: 'choice',
    options: ['outside', 'recessed'],
    allows: (box, option) => option !== 'recessed' || box.back.kind !== 'over',
  },
  { path: ['hanging', 'stock'], label: 'cleat-stock', group: 'hanging', kind: 'stock', sheetsOnly: false },
  size('hanging.boardWidth', 'cleat-board', 60, 400, 'hanging'),
  { path: ['hanging', 'bevelDeg'], label: 'bevel', group: 'hanging', kind: 'degrees', least: 20, most: 65 },
  size('hanging.drop', 'cleat-drop', 0, 1500, 'hanging'),
  size('hanging.rail', 'rail-height', 30, 400, 'hanging', { optional: true, start: { mm: '90 mm', in: '3 1/2 in' } }),
  { path: ['hanging', 'railScrews'], label: 'rail-screws', group: 'hanging', kind: 'count', least: 0, most: 8, when: (box) => box.hanging.rail !== null },
  size('hanging.leftInset', 'left-inset', -3000, 1500, 'hanging', { when: (box) => box.hanging.wallRail === null }),
  size('hanging.rightInset', 'right-inset', -3000, 1500, 'hanging', { when: (box) => box.hanging.wallRail === null }),
  size('hanging.lowerCleat', 'lower-cleat', 80, 1500, 'hanging', {
    optional: true,
    start: { mm: '300 mm', in: '12 in' },
    when: (box) => box.hanging.kind === 'outside' && box.hanging.spacer === null,
  }),
  {
    path: ['hanging', 'spacer', 'stock'],
    label: 'spacer-stock',
    group: 'hanging',
    kind: 'stock',
    sheetsOnly: false,
    when: (box) => box.hanging.kind === 'outside' && box.hanging.spacer !== null,
  },
  size('hanging.spacer.height', 'spacer-height', 15, 400, 'hanging', { when: (box) => box.hanging.kind === 'outside' && box.hanging.spacer !== null }),

  { path: ['hanging', 'wallScrew', 'screw'], label: 'wall-screw', group: 'fixings', kind: 'choice', options: SCREW_IDS },
  size('hanging.wallScrew.length', 'wall-screw-length', 20, 200, 'fixings'),
  { path: ['hanging', 'wallScrew', 'upper'], label: 'upper-screws', group: 'fixings', kind: 'count', least: 0, most: 2 },
  { path: ['hanging', 'wallScrew', 'lower'], label: 'lower-screws', group: 'fixings', kind: 'count', least: 0, most: 2 },
  { path: ['hanging', 'cabinetScrew', 'screw'], label: 'cabinet-screw', group: 'fixings', kind: 'choice', options: SCREW_IDS },
  size('hanging.cabinetScrew.length', 'cabinet-screw-length', 12, 160, 'fixings'),
  { path: ['hanging', 'cabinetScrew', 'count'], label: 'cabinet-screws', group: 'fixings', kind: 'count', least: 0, most: 24 },
  { path: ['hanging', 'antiLift'], label: 'anti-lift', group: 'fixings', kind: 'yes-no' },
  { path: ['hanging', 'shimmed'], label: 'shimmed', group: 'fixings', kind: 'yes-no' },

  size('place.along', 'place-along', -1000, 20_000, 'place'),
  size('place.up', 'place-up', 0, 4000, 'place'),
];

/** Most shelves a box may have. */
export const MOST_SHELVES = 40;
/** Limits of a fixed shelf's height and of one compartment's contents. */
export const SHELF_AT = { least: mm(0), most: mm(2700) } as const;
export const MOST_CONTENTS_KG = 2000;
