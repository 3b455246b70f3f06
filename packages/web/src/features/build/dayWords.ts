/** Days and times as text. Minutes since 1970, local time. */
import { clockText, DAY_MIN, dayOf, weekday } from '@keen/core';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
export const DAY_NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** 'Sat 12 Dec' */
export function dayWords(minutes: number): string {
  const [, month, day] = dayOf(minutes).split('-').map(Number) as [number, number, number];
  return `${DAYS[weekday(minutes)]} ${day} ${MONTHS[month - 1]}`;
}

/** '19:30' */
export const timeWords = (minutes: number): string => clockText(minutes % DAY_MIN);
