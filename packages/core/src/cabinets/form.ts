/**
 * The fields of a cabinet. The form on screen, the file reader and the API all take their limits from these rows, so that nothing can be typed that cannot
 * be read back.
 */
import type { WordKey } from '../checks/words/labels.ts';
import { SCREW_IDS } from '../joints/screws.ts';
import { mm, type Length } from '../length/length.ts';
import { hangsOnCleat } from '../solid/cabinet.ts';
import type { DesignFault } from './family.ts';
import { UNDER, type HangingChoice, type SpecBase } from '../model/specs/spec-base.ts';
import { pick } from './new-spec.ts';

export type FieldGroup = 'size' | 'shape' | 'inside' | 'joints' | 'back' | 'front' | 'hanging' | 'fixings' | 'place' | 'making';

/** A list of families holds rows for all of them; which spec a row reads is known only when it is read. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export type AnySpec = any;

interface FieldBase<D> {
  /** Path inside the cabinet, or inside an element of a list. */
  readonly path: readonly string[];
  readonly label: WordKey;
  readonly group: FieldGroup;
  /** Shown only where it matters. */
  readonly when?: (design: D) => boolean;
}

export type FieldKind =
  | {
      readonly kind: 'length';
      readonly least: Length;
      readonly most: Length;
      readonly optional?: boolean;
      readonly start?: { readonly mm: string; readonly in: string };
    }
  | { readonly kind: 'count'; readonly least: number; readonly most: number }
  | { readonly kind: 'number'; readonly least: number; readonly most: number; readonly measure: 'kg' | 'N' | 'factor' }
  | { readonly kind: 'degrees'; readonly least: number; readonly most: number }
  | { readonly kind: 'yes-no' }
  | { readonly kind: 'text'; readonly most: number }
  | { readonly kind: 'stock'; readonly sheetsOnly: boolean; readonly optional?: boolean }
  /** One of the cabinet's spaces. */
  | { readonly kind: 'space' }
  /** Kept in the document but set outside the form. */
  | { readonly kind: 'id'; readonly optional: boolean };

export type FormField<D = AnySpec> = FieldBase<D> &
  (
    | FieldKind
    | { readonly kind: 'choice'; readonly options: readonly string[]; readonly allows?: (design: D, option: string) => boolean }
    /** An optional part: null, or an object with the fields that follow. `start` is its initial value. */
    | { readonly kind: 'part'; readonly start: (design: D) => unknown }
  );

/** Elements a person adds, moves and deletes: shelves, dividers, tools. Records by id with an order. */
export interface ElementsForm<D = AnySpec> {
  readonly path: string;
  readonly label: WordKey;
  readonly group: FieldGroup;
  readonly most: number;
  readonly least: number;
  readonly fields: readonly FormField[];
  /** They stand side by side along the wall: mirroring reverses their order. */
  readonly across?: boolean;
  /** A new one, after the last. */
  readonly start: (design: D, id: string, order: number) => unknown;
  /** The panel an element is drawn as, highlighted with its row. */
  readonly panel?: (design: D, id: string) => string;
}

export interface Form<D = AnySpec> {
  readonly fields: readonly FormField<D>[];
  readonly elements: readonly ElementsForm<D>[];
}

type More<D> = Partial<FieldBase<D>> & { optional?: boolean; start?: { mm: string; in: string } };

/** A length field by its path, with limits in millimeters. */
export const lengthField = <D = AnySpec>(path: string, label: WordKey, least: number, most: number, group: FieldGroup, more: More<D> = {}): FormField<D> => ({
  path: path.split('.'),
  label,
  group,
  kind: 'length',
  least: mm(least),
  most: mm(most),
  ...more,
});

export const choiceField = <D = AnySpec>(
  path: string,
  label: WordKey,
  options: readonly string[],
  group: FieldGroup,
  more: Partial<FieldBase<D>> & { allows?: (design: D, option: string) => boolean } = {},
): FormField<D> => ({ path: path.split('.'), label, group, kind: 'choice', options, ...more });

export const stockField = <D = AnySpec>(
  path: string,
  label: WordKey,
  group: FieldGroup,
  more: Partial<FieldBase<D>> = {},
  sheetsOnly = true,
): FormField<D> => ({
  path: path.split('.'),
  label,
  group,
  kind: 'stock',
  sheetsOnly,
  ...more,
});

export const kindField = <D = AnySpec>(path: string, label: WordKey, group: FieldGroup, kind: FieldKind, more: Partial<FieldBase<D>> = {}): FormField<D> => ({
  path: path.split('.'),
  label,
  group,
  ...kind,
  ...more,
});

const usesAssemblyScrew = (spec: SpecBase): boolean => spec.assembly.perJoint > 0 || (spec.hanging.rail !== null && spec.hanging.railScrews > 0);
const hasBrackets = ({ hanging }: SpecBase): boolean => hanging.kind === 'outside' && hanging.brackets !== null;
const hasNotch = ({ hanging }: SpecBase): boolean => hangsOnCleat(hanging) && hanging.wallRail === null && hanging.notch !== null;
const hasSecond = ({ hanging }: SpecBase): boolean => hanging.kind === 'through' && hanging.second !== null;
/** A plate sits on the head of one screw. */
const rowsOfScrews = ({ hanging }: SpecBase): boolean => hanging.kind !== 'plates';
const hasSpacer = ({ hanging }: SpecBase): boolean => hanging.kind === 'outside' && hanging.spacer !== null;

/** Outer size: limits in millimeters. */
export const sizeFields = (width: [number, number], height: [number, number], depth: [number, number]): FormField<SpecBase>[] => [
  lengthField('width', 'width', ...width, 'size'),
  lengthField('height', 'height', ...height, 'size'),
  lengthField('depth', 'depth', ...depth, 'size'),
];

export const STOCK_FIELD: FormField<SpecBase> = stockField('stock', 'stock', 'size');
export const BAND_FIELD: FormField<SpecBase> = lengthField('band', 'edge-band', 0.2, 10, 'size', { optional: true, start: { mm: '1 mm', in: '1/32 in' } });

/** Joinery and finish fields of every family. */
export const JOINERY_FIELDS: readonly FormField<SpecBase>[] = [
  lengthField('jointDepth', 'joint-depth', 1, 25, 'joints'),
  choiceField('fit', 'fit', ['tight', 'push', 'glue', 'loose'], 'joints'),
  kindField('glue', 'glue', 'joints', { kind: 'yes-no' }),
  choiceField('assembly.by', 'fastened-by', ['screws', 'pockets', 'brads', 'dowels'], 'joints'),
  kindField('assembly.perJoint', 'screws-per-joint', 'joints', { kind: 'count', least: 0, most: 12 }),
  choiceField('assembly.screw', 'assembly-screw', SCREW_IDS, 'joints', { when: usesAssemblyScrew }),
  lengthField('assembly.length', 'assembly-length', 12, 160, 'joints', { when: usesAssemblyScrew }),
  kindField('assembly.pilot', 'pilot', 'joints', { kind: 'yes-no' }, { when: usesAssemblyScrew }),
  choiceField('assembly.pocketsOn', 'pockets-on', ['hidden', 'under', 'upper'], 'joints', {
    when: ({ assembly }: SpecBase) => assembly.by === 'pockets' && assembly.perJoint > 0,
  }),
  choiceField('stopEnds', 'stop-ends', ['square', 'round'], 'making'),
  choiceField('cutFirst', 'cut-first', ['slots', 'shape'], 'making'),
  choiceField('slotExit', 'slot-exit', ['backed', 'wide', 'bare'], 'making'),
  choiceField('finish.kind', 'finish', ['none', 'oil', 'varnish', 'paint', 'stain'], 'making'),
  choiceField('finish.when', 'finish-when', ['before', 'after'], 'making', { when: ({ finish }: SpecBase) => finish.kind !== 'none' }),
  kindField('finish.masked', 'finish-masked', 'making', { kind: 'yes-no' }, { when: ({ finish }: SpecBase) => finish.kind !== 'none' }),
];

export const HANGING_KINDS = ['outside', 'recessed', 'through', 'plates'] as const;
const onCleat = ({ hanging }: SpecBase): boolean => hangsOnCleat(hanging);
const ofKind =
  (kind: HangingChoice['kind']) =>
  ({ hanging }: SpecBase): boolean =>
    hanging.kind === kind;

/** Hanging fields of every family. */
export const HANGING_FIELDS: readonly FormField<SpecBase>[] = [
  stockField('hanging.stock', 'cleat-stock', 'hanging', { when: onCleat }, false),
  lengthField('hanging.boardWidth', 'cleat-board', 60, 400, 'hanging', { when: onCleat }),
  kindField('hanging.bevelDeg', 'bevel', 'hanging', { kind: 'degrees', least: 20, most: 65 }, { when: onCleat }),
  lengthField('hanging.drop', 'cleat-drop', 0, 1500, 'hanging', { when: onCleat }),
  lengthField('hanging.rail', 'rail-height', 30, 400, 'hanging', { optional: true, start: { mm: '90 mm', in: '3 1/2 in' } }),
  kindField('hanging.railScrews', 'rail-screws', 'hanging', { kind: 'count', least: 0, most: 8 }, { when: ({ hanging }: SpecBase) => hanging.rail !== null }),
  lengthField('hanging.leftInset', 'left-inset', -3000, 1500, 'hanging', { when: ({ hanging }) => hanging.wallRail === null && hangsOnCleat(hanging) }),
  lengthField('hanging.rightInset', 'right-inset', -3000, 1500, 'hanging', { when: ({ hanging }) => hanging.wallRail === null && hangsOnCleat(hanging) }),
  lengthField('hanging.lowerCleat', 'lower-cleat', 80, 1500, 'hanging', {
    optional: true,
    start: { mm: '300 mm', in: '12 in' },
    when: ({ hanging }) => hanging.kind === 'outside' && hanging.spacer === null,
  }),
  {
    path: ['hanging', 'brackets'],
    label: 'brackets',
    group: 'hanging',
    kind: 'part',
    start: ({ unit }: SpecBase) => ({ count: 2, length: pick(unit, '120', '5') }),
    when: ofKind('outside'),
  },
  kindField('hanging.brackets.count', 'bracket-count', 'hanging', { kind: 'count', least: 2, most: 6 }, { when: hasBrackets }),
  lengthField('hanging.brackets.length', 'bracket-length', 40, 600, 'hanging', { when: hasBrackets }),
  {
    path: ['hanging', 'notch'],
    label: 'cleat-notch',
    group: 'hanging',
    kind: 'part',
    start: ({ unit }: SpecBase) => ({ at: pick(unit, '100', '4'), length: pick(unit, '100', '4'), depth: pick(unit, '25', '1') }),
    when: ({ hanging }) => hangsOnCleat(hanging) && hanging.wallRail === null,
  },
  lengthField('hanging.notch.at', 'notch-at', 0, 6000, 'hanging', { when: hasNotch }),
  lengthField('hanging.notch.length', 'notch-length', 10, 1200, 'hanging', { when: hasNotch }),
  lengthField('hanging.notch.depth', 'notch-depth', 3, 300, 'hanging', { when: hasNotch }),
  {
    path: ['hanging', 'spacer'],
    label: 'spacer',
    group: 'hanging',
    kind: 'part',
    start: ({ unit, hanging }: SpecBase) => ({ stock: hanging.stock, height: pick(unit, '60', '2 1/2') }),
    when: ({ hanging }) => hanging.kind === 'outside',
  },
  stockField('hanging.spacer.stock', 'spacer-stock', 'hanging', { when: hasSpacer }, false),
  lengthField('hanging.spacer.height', 'spacer-height', 15, 400, 'hanging', { when: hasSpacer }),
  lengthField('hanging.seats', 'cleat-seats', -5, 15, 'place', { optional: true, start: { mm: '1 mm', in: '1/32 in' }, when: onCleat }),
  kindField('hanging.wallRail', 'wall-rail', 'hanging', { kind: 'id', optional: true }),

  choiceField('hanging.wallScrew.screw', 'wall-screw', SCREW_IDS, 'fixings'),
  lengthField('hanging.wallScrew.length', 'wall-screw-length', 20, 200, 'fixings'),
  kindField('hanging.wallScrew.upper', 'upper-screws', 'fixings', { kind: 'count', least: 0, most: 2 }, { when: rowsOfScrews }),
  kindField('hanging.wallScrew.lower', 'lower-screws', 'fixings', { kind: 'count', least: 0, most: 2 }, { when: rowsOfScrews }),
  kindField('hanging.plate.ratedKg', 'plate-rating', 'fixings', { kind: 'number', least: 0, most: 500, measure: 'kg' }, { when: ofKind('plates') }),
  lengthField('hanging.plate.proud', 'plate-proud', 1, 12, 'fixings', { when: ofKind('plates') }),
  {
    path: ['hanging', 'second'],
    label: 'second-plane',
    group: 'fixings',
    kind: 'part',
    start: () => ({ plane: 'bottom', count: 4, ratedN: 0 }),
    when: ofKind('through'),
  },
  choiceField('hanging.second.plane', 'second-at', ['top', 'bottom'], 'fixings', { when: hasSecond }),
  kindField('hanging.second.count', 'second-count', 'fixings', { kind: 'count', least: 2, most: 24 }, { when: hasSecond }),
  kindField('hanging.second.ratedN', 'second-rating', 'fixings', { kind: 'number', least: 0, most: 20_000, measure: 'N' }, { when: hasSecond }),
  choiceField('hanging.cabinetScrew.screw', 'cabinet-screw', SCREW_IDS, 'fixings', { when: onCleat }),
  lengthField('hanging.cabinetScrew.length', 'cabinet-screw-length', 12, 160, 'fixings', { when: onCleat }),
  kindField('hanging.cabinetScrew.count', 'cabinet-screws', 'fixings', { kind: 'count', least: 0, most: 24 }, { when: onCleat }),
  kindField('hanging.antiLift', 'anti-lift', 'fixings', { kind: 'yes-no' }, { when: ({ hanging }: SpecBase) => hanging.kind !== 'through' }),
  kindField('hanging.shimmed', 'shimmed', 'fixings', { kind: 'yes-no' }),

  lengthField('place.along', 'place-along', -1000, 20_000, 'place'),
  lengthField('place.up', 'place-up', 0, 4000, 'place'),
  choiceField('over', 'hangs-over', UNDER, 'place'),
];

/** What a cabinet without a cleat cannot have: a place on a wall rail. And brackets have no second row below them. */
export function hangingFault({ hanging }: Pick<SpecBase, 'hanging'>): DesignFault | null {
  if (!hangsOnCleat(hanging) && hanging.wallRail !== null)
    return {
      code: 'through-rail',
      path: ['hanging', 'wallRail'],
      message: 'a unit that is screwed to the studs hangs on no wall rail',
      accepted: 'no wall rail',
    };
  if (hanging.kind === 'outside' && hanging.brackets && hanging.lowerCleat && !hanging.spacer)
    return {
      code: 'brackets-lower',
      path: ['hanging', 'brackets'],
      message: 'brackets hang on one cleat: the second cleat wants whole halves',
      accepted: 'none',
    };
  return null;
}

/** A cleat outside the back only. */
export const OUTSIDE_ONLY: FormField<SpecBase> = choiceField('hanging.kind', 'hanging-kind', ['outside'], 'hanging', { when: () => false });

/** Fields kept in the document while a family, or one of its choices, does not use them: hidden, and ignored by the build. */
const unused = (labels: readonly string[], fields: readonly FormField<SpecBase>[], isUnused: (box: AnySpec) => boolean = () => true): FormField<SpecBase>[] =>
  fields.map((field) =>
    labels.includes(field.label) ? { ...field, when: (spec: SpecBase) => !isUnused(spec) && (field.when?.(spec) ?? true) } : (field as FormField<SpecBase>),
  );

/** No hanging rail: there is no carcass for one, or a board on the wall takes its place. */
export const withoutRail = (fields: readonly FormField<SpecBase>[]): FormField<SpecBase>[] => unused(['rail-height', 'rail-screws'], fields);

/** The cabinet cleat stays in one piece, because other parts are fitted to it. */
export const withWholeHalf = (fields: readonly FormField<SpecBase>[], isWhole?: (box: AnySpec) => boolean): FormField<SpecBase>[] =>
  unused(['brackets', 'bracket-count', 'bracket-length'], fields, isWhole);

export const FRONT_OPTIONS = ['open', 'door-left', 'door-right', 'doors', 'drawers', 'lid-up', 'flap-down'] as const;
/** A family without doors: kept in the document, not shown. */
export const OPEN_FRONT: FormField<SpecBase> = choiceField('front', 'front', ['open'], 'front', { when: () => false });

/** Last fields of a cabinet on an outside cleat without doors. */
export const CLEAT_HUNG_FIELDS: readonly FormField<SpecBase>[] = [...JOINERY_FIELDS, OPEN_FRONT, OUTSIDE_ONLY, ...HANGING_FIELDS];

/** The same for a cabinet with a thick board of its own on the wall: on a cleat, or screwed to the studs. */
export const BOARD_HUNG_FIELDS: readonly FormField<SpecBase>[] = [
  ...JOINERY_FIELDS,
  OPEN_FRONT,
  choiceField('hanging.kind', 'hanging-kind', ['outside', 'through', 'plates'], 'hanging', {
    allows: ({ hanging }: SpecBase, option: string) => option === 'outside' || hanging.wallRail === null,
  }),
  ...withoutRail(HANGING_FIELDS),
];

/** Most shelves of a box. */
export const MAX_SHELVES = 40;
/** Limits of a fixed shelf's height and of one compartment's contents. */
export const SHELF_AT = { least: 0, most: 2700 } as const;
export const MAX_CONTENTS_KG = 2000;
