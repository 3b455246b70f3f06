/** Entries of the shop record as JSON. */
import { mm } from '../length/length.ts';
import type { RecordEntry } from '../plan/design.ts';
import { SHEET_PLACES } from '../stock/workshop.ts';
import type { TestCut } from '../setups/learned.ts';
import { Refusal } from '../problem/problem.ts';
import { WALL_LIMITS } from '../wall/wall-form.ts';
import { checked, choice, length, list, number, object, objectWith, text, type Codec } from './codec.ts';

/** A wall of fifty metres, a sample every five millimetres. */
export const MOST_SAMPLES = 10_000;

/** Operations ticked at once: a setup of the largest project. */
export const MOST_MADE = 2000;

const ISO = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/;

/** What can come out of a cut, and how far from what was set: a slot's width, a place along the longest fence, a kerf; millimetres. */
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

export const recordCodec: Codec<RecordEntry> = checked(
  objectWith(
    { id: text(64), at: text(30), kind: choice(['thickness', 'scan', 'test-cut', 'made', 'as-cut', 'withdrawn']) },
    {
      reading: objectWith({ product: text(64), value: length(mm(0.5), mm(200)) }, { sheet: text(40), place: choice(SHEET_PLACES) }),
      scan: object({
        up: length(WALL_LIMITS.up.least, WALL_LIMITS.up.most),
        samples: list(object({ at: number(-1000, 50_000), level: number(0, 100) }), MOST_SAMPLES),
      }),
      testCut: testCutCodec,
      made: list(text(300), MOST_MADE),
      slots: list(
        object({ operation: text(300), width: length(mm(0.3), mm(500)), depth: length(mm(0.1), mm(200)), at: length(mm(-200), mm(6000)) }),
        MOST_MADE,
      ),
      asCut: objectWith({ panel: text(200) }, { length: length(mm(1), mm(6000)), width: length(mm(1), mm(3000)), thickness: length(mm(0.5), mm(200)) }),
      withdraws: text(64),
    },
  ),
  (entry, where) => {
    if (!ISO.test(entry.at) || Number.isNaN(Date.parse(entry.at)))
      throw new Refusal('time', `'${entry.at}' is no time`, `${where}.at`, 'ISO 8601 in UTC, such as 2026-03-01T10:00:00Z');
    if ((entry.kind === 'thickness') !== (entry.reading !== undefined))
      throw new Refusal(
        'entry',
        `a ${entry.kind} entry ${entry.reading ? 'has no' : 'needs a'} reading`,
        `${where}.reading`,
        'product and value, for a thickness',
      );
    if ((entry.kind === 'test-cut') !== (entry.testCut !== undefined))
      throw new Refusal(
        'entry',
        `a ${entry.kind} entry ${entry.testCut ? 'has no' : 'needs a'} test cut`,
        `${where}.testCut`,
        'cutter, what it measures itself and what came out, for a test cut',
      );
    if ((entry.kind === 'made') !== (entry.made !== undefined))
      throw new Refusal(
        'entry',
        `a ${entry.kind} entry ${entry.made ? 'makes nothing' : 'must say what was made'}`,
        `${where}.made`,
        'ids of operations, for what was made',
      );
    if (entry.slots !== undefined && entry.kind !== 'made')
      throw new Refusal('entry', `a ${entry.kind} entry has no slots`, `${where}.slots`, 'slots as they were cut, for what was made');
    if ((entry.kind === 'as-cut') !== (entry.asCut !== undefined))
      throw new Refusal(
        'entry',
        `a ${entry.kind} entry ${entry.asCut ? 'has no part' : 'must say what was measured'}`,
        `${where}.asCut`,
        'a panel and its length, width or thickness, for a part that was cut',
      );
    if (entry.asCut && entry.asCut.length === undefined && entry.asCut.width === undefined && entry.asCut.thickness === undefined)
      throw new Refusal('entry', 'nothing was measured', `${where}.asCut`, 'a length, a width or a thickness');
    if ((entry.kind === 'scan') !== (entry.scan !== undefined))
      throw new Refusal('entry', `a ${entry.kind} entry ${entry.scan ? 'has no' : 'needs a'} scan`, `${where}.scan`, 'height and samples, for a scan');
    if ((entry.kind === 'withdrawn') !== (entry.withdraws !== undefined))
      throw new Refusal(
        'entry',
        `a ${entry.kind} entry ${entry.withdraws ? 'withdraws nothing' : 'must say what it withdraws'}`,
        `${where}.withdraws`,
        'the id of an earlier entry, for a withdrawal',
      );
  },
);
