/**
 * Shop hours. Time is whole minutes since 1970-01-01 00:00 of the local wall clock, without time zones or daylight saving: glue sets in real minutes. Days
 * are ISO dates.
 */
import type { BuildChoices } from '../model/build-choices.ts';

export const DAY_MIN = 24 * 60;

/**
 * Minutes at the start of a day.
 * @throws RangeError on a string that is no date
 */
export function dayStart(day: string): number {
  const at = Date.parse(`${day}T00:00:00Z`);
  if (Number.isNaN(at)) throw new RangeError(`'${day}' is no day`);
  return at / 60_000;
}

export const dayOf = (minutes: number): string => new Date(minutes * 60_000).toISOString().slice(0, 10);
/** 0 is Monday. */
export const weekday = (minutes: number): number => (Math.floor(minutes / DAY_MIN) + 3) % 7;

/** A time window, such as an evening or a Saturday, with someone in the shop. */
export interface Window {
  readonly from: number;
  readonly to: number;
  readonly helper: boolean;
  /** No machine may run. */
  readonly quiet: boolean;
  /** Machines that are not available then. */
  readonly without: readonly string[];
}

/** Planning horizon, days. */
export const MAX_DAYS = 3 * 365;

/** Windows from a day on, in order; overlapping ones of one day stay separate and are cut at the overlap. */
export function windowsFrom({ week, away }: Pick<BuildChoices, 'week' | 'away'>, from: number, days = MAX_DAYS): Window[] {
  const gone = new Set(away.map(dayStart));
  const sessions = Object.values(week).sort((a, b) => a.day - b.day || a.from - b.from || (a.id < b.id ? -1 : 1));
  const windows: Window[] = [];
  if (sessions.length === 0) return windows;
  const first = Math.floor(from / DAY_MIN) * DAY_MIN;
  for (let at = first; at < first + days * DAY_MIN; at += DAY_MIN) {
    if (gone.has(at)) continue;
    for (const { day, from: begins, to, helper, quiet, without } of sessions) {
      if (day !== weekday(at)) continue;
      const start = Math.max(at + begins, from, windows.at(-1)?.to ?? 0);
      if (at + to > start) windows.push({ from: start, to: at + to, helper, quiet, without });
    }
  }
  return windows;
}

/** A time as the local wall clock shows it. */
export function wallMinutes(time: Date): number {
  const day = `${time.getFullYear()}-${String(time.getMonth() + 1).padStart(2, '0')}-${String(time.getDate()).padStart(2, '0')}`;
  return dayStart(day) + time.getHours() * 60 + time.getMinutes();
}
