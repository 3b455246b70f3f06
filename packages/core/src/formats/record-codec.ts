/** Shop record entries as JSON. */
import { mm } from '../length/length.ts';
import { Refusal } from '../problem/problem.ts';
import { WALL_LIMITS } from '../wall/wall-form.ts';
import { checked, choice, length, list, number, object, objectWith, text, yesNo, type Codec } from './codec.ts';
import { SHEET_PLACES, STEP_KINDS, type RecordEntry, type RecordKind, type TestCut } from '../model/record.ts';

/** A wall of fifty meters, sampled every five millimeters. */
export const MAX_SAMPLES = 10_000;

/** Operations ticked at once: a setup of the largest project. */
export const MAX_MADE = 2000;

const ISO = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/;

/** Limits of a measured cut and its error: a slot's width, a position along the longest fence, a kerf; millimeters. */
const CAME: Readonly<Record<'width' | 'place' | 'kerf', { readonly least: number; readonly most: number; readonly off: number }>> = {
  width: { least: 0.3, most: 65, off: 3 },
  place: { least: 0, most: 6000, off: 10 },
  kerf: { least: 0.2, most: 10, off: 3 },
};

const testCutCodec: Codec<TestCut> = checked(
  objectWith({ cutter: text(100), thick: length(mm(0), mm(6000)), came: length(mm(0), mm(6000)) }, { of: choice<'place' | 'kerf'>(['place', 'kerf']) }),
  ({ of, thick, came }: TestCut, where) => {
    const what = of ?? 'width';
    const { least, most, off } = CAME[what];
    const low = Math.max(mm(least), thick.nm - mm(off));
    const high = Math.min(mm(most), thick.nm + mm(off));
    if (came.nm < low || came.nm > high)
      throw new Refusal(
        'range',
        `'${came.text}' is out of range`,
        `${where}.came`,
        `${low / 1e6} to ${high / 1e6} mm, for the ${what} a test cut at ${thick.text} gave`,
      );
  },
);

/** Photos of one note. */
export const MAX_PHOTOS = 12;

/** The fields of all kinds. */
const FIELDS = {
  reading: objectWith({ product: text(64), value: length(mm(0.5), mm(200)) }, { sheet: text(40), place: choice(SHEET_PLACES) }),
  scan: object({
    up: length(WALL_LIMITS.up.least, WALL_LIMITS.up.most),
    samples: list(object({ at: number(-1000, 50_000), level: number(0, 100) }), MAX_SAMPLES),
  }),
  testCut: testCutCodec,
  made: list(text(300), MAX_MADE),
  slots: list(object({ operation: text(300), width: length(mm(0.3), mm(500)), depth: length(mm(0.1), mm(200)), at: length(mm(-200), mm(6000)) }), MAX_MADE),
  asCut: objectWith(
    { panel: text(200) },
    {
      length: length(mm(1), mm(6000)),
      width: length(mm(1), mm(3000)),
      thickness: length(mm(0.5), mm(200)),
      planned: objectWith({}, { length: length(mm(1), mm(6000)), width: length(mm(1), mm(3000)) }),
    },
  ),
  sawn: object({ layout: text(64), cuts: list(text(200), MAX_MADE), parts: list(text(200), MAX_MADE) }),
  spoiled: object({ layout: text(64), part: text(200) }),
  hung: object({
    unit: text(64),
    asked: length(WALL_LIMITS.up.least, WALL_LIMITS.up.most),
    came: length(WALL_LIMITS.up.least, WALL_LIMITS.up.most),
    allowed: length(mm(-20), mm(20)),
  }),
  done: objectWith({ step: text(300), kind: choice(STEP_KINDS) }, { planned: number(0, 10_000), minutes: number(0, 10_000), panels: list(text(200), 600) }),
  opening: objectWith({ space: text(200) }, { width: length(mm(5), mm(6000)), height: length(mm(5), mm(6000)) }),
  diagonals: object({ assembly: text(200), one: length(mm(10), mm(9000)), other: length(mm(10), mm(9000)) }),
  kept: object({ panel: text(200), how: choice(['accepted', 'trimmed', 'shimmed']) }),
  note: objectWith({ text: text(4000, 0), photos: list(text(64), MAX_PHOTOS), nextTime: yesNo }, { step: text(300), part: text(200), unit: text(64) }),
  withdraws: text(64),
};

/** The field required for each kind of entry, and allowed for no other. */
const FACTS: Readonly<
  Record<
    RecordKind,
    {
      readonly field: Exclude<keyof typeof FIELDS, 'slots'>;
      readonly what: string;
      readonly accepted: string;
    }
  >
> = {
  thickness: { field: 'reading', what: 'reading', accepted: 'product and value, for a thickness' },
  'test-cut': { field: 'testCut', what: 'test cut', accepted: 'cutter, what it measures itself and what came out, for a test cut' },
  made: { field: 'made', what: 'operations that were made', accepted: 'ids of operations, for what was made' },
  'as-cut': { field: 'asCut', what: 'part that was cut', accepted: 'a panel and its length, width or thickness, for a part that was cut' },
  sawn: { field: 'sawn', what: 'cuts that were made', accepted: 'a layout, its cuts that are made and the parts that came off' },
  spoiled: { field: 'spoiled', what: 'part that was spoiled', accepted: 'a layout and the part that is wanted once more' },
  hung: { field: 'hung', what: 'height it came to', accepted: 'a unit, the height that was asked for its bottom and the height it came to' },
  step: { field: 'done', what: 'step that is done', accepted: 'a step and its kind, for a step that is done' },
  opening: { field: 'opening', what: 'space that was measured', accepted: 'a space and its width or height' },
  diagonals: { field: 'diagonals', what: 'diagonals', accepted: 'an assembly and both its diagonals' },
  kept: { field: 'kept', what: 'part that is kept', accepted: 'a panel and how it is used' },
  note: { field: 'note', what: 'note', accepted: 'what was written or pictures that were taken' },
  scan: { field: 'scan', what: 'scan', accepted: 'height and samples, for a scan' },
  withdrawn: { field: 'withdraws', what: 'entry that is taken back', accepted: 'the id of an earlier entry, for a withdrawal' },
};

const anyEntryCodec = checked(objectWith({ id: text(64), at: text(30), kind: choice(Object.keys(FACTS) as RecordKind[]) }, FIELDS), (entry, where) => {
  if (!ISO.test(entry.at) || Number.isNaN(Date.parse(entry.at)))
    throw new Refusal('time', `'${entry.at}' is no time`, `${where}.at`, 'ISO 8601 in UTC, such as 2026-03-01T10:00:00Z');
  for (const [kind, { field, what, accepted }] of Object.entries(FACTS)) {
    if ((entry.kind === kind) === (entry[field] !== undefined)) continue;
    throw new Refusal('entry', `a ${entry.kind} entry ${entry[field] ? 'has no' : 'needs'} ${what}`, `${where}.${field}`, accepted);
  }
  if (entry.slots !== undefined && entry.kind !== 'made')
    throw new Refusal('entry', `a ${entry.kind} entry has no slots`, `${where}.slots`, 'slots as they were cut, for what was made');
  if (entry.note && entry.note.text.trim() === '' && entry.note.photos.length === 0)
    throw new Refusal('entry', 'the note says nothing', `${where}.note`, 'a few words, or a picture');
  if (entry.opening && !entry.opening.width && !entry.opening.height)
    throw new Refusal('entry', 'nothing was measured', `${where}.opening`, 'a width or a height');
  if (entry.asCut && entry.asCut.length === undefined && entry.asCut.width === undefined && entry.asCut.thickness === undefined)
    throw new Refusal('entry', 'nothing was measured', `${where}.asCut`, 'a length, a width or a thickness');
});

/** An entry with the field of its kind, and no other: anyEntryCodec refuses all else. */
export const recordCodec = anyEntryCodec as Codec<unknown> as Codec<RecordEntry>;
