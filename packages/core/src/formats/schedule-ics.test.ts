import { expect, test } from '@jest/globals';
import { dayStart, windowsFrom } from '../build/calendar.ts';
import { DEFAULT_BUILD } from '../model/build-choices.ts';
import { scheduleOf } from '../build/schedule.ts';
import { scheduleIcs, stretches } from './schedule-ics.ts';
import { task } from '../test/task.ts';

const begins = dayStart('2026-12-01');
const schedule = scheduleOf([task('sand', 200), task('hang', 30)], windowsFrom(DEFAULT_BUILD, begins), begins)!;
const text = scheduleIcs(
  schedule,
  DEFAULT_BUILD,
  'Print room',
  (id) => ({ id, title: `Step ${id}; a, b`, says: ['one', `${'½ × ß 木 🪚 '.repeat(20)}end`] }),
  begins,
);

/** Lines unfolded, by name: a reader of its own. */
const read = (name: string): string[] =>
  text
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .filter((line) => line.startsWith(name))
    .map((line) => line.slice(line.indexOf(':') + 1));

test('a task that is left and gone on with is an event each evening, by the clock on the wall', () => {
  // 200 minutes from Tuesday 19:00: 180 that evening, 20 on Thursday; then half an hour.
  expect(read('DTSTART')).toEqual(['20261201T190000', '20261203T190000', '20261203T192000']);
  expect(read('DTEND')).toEqual(['20261201T220000', '20261203T192000', '20261203T195000']);
});

test('titles and ids are told apart, commas and semicolons kept', () => {
  expect(read('SUMMARY')).toEqual(['Step sand\\; a\\, b', 'Step sand\\; a\\, b (goes on)', 'Step hang\\; a\\, b']);
  expect(new Set(read('UID')).size).toBe(3);
});

test('every line is short enough for any reader, and the file is whole', () => {
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  expect(read('BEGIN').filter((what) => what === 'VEVENT')).toHaveLength(3);
  expect(text.trimEnd().endsWith('END:VCALENDAR')).toBe(true);
});

test('words outside a to z come back whole', () => {
  expect(read('DESCRIPTION')[0]).toBe(`one\\n${'½ × ß 木 🪚 '.repeat(20)}end`);
});

test('stretches leave out the hours nobody is there', () => {
  const windows = windowsFrom(DEFAULT_BUILD, begins);
  const all = stretches(windows, begins, begins + 7 * 1440);
  expect(all.reduce((sum, { from, to }) => sum + to - from, 0)).toBe((3 + 3 + 8) * 60);
});
