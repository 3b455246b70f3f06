/** Build preferences as JSON: times of day as 19:00, days as 2026-12-05. */
import type { BuildChoices, Session, GlueId } from '../model/build-choices.ts';
import { GLUES } from '../build/glues.ts';
import { Refusal } from '../problem/problem.ts';
import { byId, checked, choice, list, number, object, orNull, ownIds, quote, text, yesNo, type Codec } from './codec.ts';

/** Steps of the largest project. */
const MAX_STEPS = 2000;
const MAX_SESSIONS = 40;
const MAX_AWAY = 400;

/** A day of the calendar, ISO. */
export const dayCodec: Codec<string> = checked(text(10), (value, where) => {
  const at = Date.parse(`${value}T00:00:00Z`);
  if (!/^\d{4}-\d\d-\d\d$/.test(value) || Number.isNaN(at) || new Date(at).toISOString().slice(0, 10) !== value)
    throw new Refusal('day', `${quote(value)} is no day`, where, 'a day such as 2026-12-05');
});

/** Minutes of a day as a clock shows them. */
export const clockText = (minutes: number): string => `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

/** Minutes of a day, written as a clock shows them. */
export const clockCodec: Codec<number> = {
  read: (value, where) => {
    const match = typeof value === 'string' ? /^(\d\d):(\d\d)$/.exec(value) : null;
    const [hours, minutes] = match ? [Number(match[1]), Number(match[2])] : [99, 99];
    if (minutes > 59 || hours * 60 + minutes > 24 * 60)
      throw new Refusal('clock', `${quote(value)} is no time of the day`, where, 'a time from 00:00 to 24:00');
    return hours * 60 + minutes;
  },
  write: clockText,
  schema: { type: 'string', pattern: '^\\d\\d:\\d\\d$' },
};

const sessionCodec: Codec<Session> = checked(
  object({ id: text(64), day: number(0, 6, true), from: clockCodec, to: clockCodec, helper: yesNo, quiet: yesNo, without: list(text(64), 40) }),
  ({ from, to }, where) => {
    if (to <= from) throw new Refusal('range', 'it ends before it begins', `${where}.to`, `after ${clockText(from)}`);
  },
);

/** Steps pinned to a day. Step ids contain ids of parts and settings. */
const STEP_IDS = { pattern: /^[^"\\]{1,300}$/, words: 'the id of a step' };

export const buildCodec: Codec<BuildChoices> = checked(
  object({
    cut: choice(['first', 'to-fit']),
    units: choice(['together', 'one-by-one']),
    glue: choice(Object.keys(GLUES) as GlueId[]),
    glueUps: byId(object({ goes: choice(['one', 'two']), cauls: yesNo }), MAX_STEPS, STEP_IDS),
    tempC: number(-10, 45),
    order: list(text(300), MAX_STEPS),
    start: orNull(dayCodec),
    week: byId(sessionCodec, MAX_SESSIONS),
    away: list(dayCodec, MAX_AWAY),
    notBefore: byId(dayCodec, MAX_STEPS, STEP_IDS),
    alone: list(text(300), MAX_STEPS),
  }),
  ({ week }, where) => ownIds(week, `${where}.week`),
);
