/**
 * The hours there are. Time is in whole minutes since 1970-01-01 00:00 by the clock on the wall: no time zone, no summer time, for
 * glue knows neither. Days are ISO.
 */
import type { BuildChoices } from './choices.ts';

export const DAY_MIN = 24 * 60;

/** Minutes at the beginning of a day. Throws a RangeError on what is no day. */
export function dayStart(day: string): number {
  const at = Date.parse(`${day}T00:00:00Z`);
  if (Number.isNaN(at)) throw new RangeError(`'${day}' is no day`);
  return at / 60_000;
}

export const dayOf = (minutes: number): string => new Date(minutes * 60_000).toISOString().slice(0, 10);
/** 0 is Monday. */
export const weekday = (minutes: number): number => (Math.floor(minutes / DAY_MIN) + 3) % 7;

/** An evening, a Saturday: from here to there someone is in the shop. */
export interface Window {
  readonly from: number;
  readonly to: number;
  readonly helper: boolean;
  /** No machine may run. */
  readonly quiet: boolean;
  /** Machines that are not there then. */
  readonly without: readonly string[];
}

/** How far ahead is looked, days: a build that takes longer has no hours to speak of. */
export const MAX_DAYS = 3 * 365;

/** The hours from a day on, in order; those of one day that touch or overlap stand on their own and are cut where they overlap. */
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

/** A time as the clock on the wall shows it where this runs. */
export function wallMinutes(time: Date): number {
  const day = `${time.getFullYear()}-${String(time.getMonth() + 1).padStart(2, '0')}-${String(time.getDate()).padStart(2, '0')}`;
  return dayStart(day) + time.getHours() * 60 + time.getMinutes();
}
