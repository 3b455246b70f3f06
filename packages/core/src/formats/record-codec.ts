/** Entries of the shop record as JSON. */
import { mm } from '../length/length.ts';
import type { RecordEntry } from '../plan/design.ts';
import { Refusal } from '../problem/problem.ts';
import { WALL_LIMITS } from '../wall/wall-form.ts';
import { checked, choice, length, list, number, object, objectWith, text, type Codec } from './codec.ts';

/** A wall of fifty metres, a sample every five millimetres. */
export const MOST_SAMPLES = 10_000;

/** Operations ticked at once: a setup of the largest project. */
export const MOST_MADE = 2000;

const ISO = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/;

export const recordCodec: Codec<RecordEntry> = checked(
  objectWith(
    { id: text(64), at: text(30), kind: choice(['thickness', 'scan', 'test-cut', 'made', 'withdrawn']) },
    {
      reading: object({ product: text(64), value: length(mm(0.5), mm(200)) }),
      scan: object({
        up: length(WALL_LIMITS.up.least, WALL_LIMITS.up.most),
        samples: list(object({ at: number(-1000, 50_000), level: number(0, 100) }), MOST_SAMPLES),
      }),
      testCut: object({ cutter: text(64), thick: length(mm(0.5), mm(60)), came: length(mm(0.3), mm(65)) }),
      made: list(text(300), MOST_MADE),
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
