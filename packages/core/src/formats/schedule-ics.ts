/** The days of a build as an iCalendar file in local time: one event per working stretch. */
import * as ics from 'ics';
import { windowsFrom, type Window } from '../build/calendar.ts';
import type { BuildChoices } from '../model/build-choices.ts';
import type { Schedule } from '../build/schedule.ts';

export interface CalendarEvent {
  readonly id: string;
  readonly title: string;
  readonly says: readonly string[];
}

type DateParts = [number, number, number, number, number];

const partsOf = (minutes: number): DateParts => {
  const at = new Date(minutes * 60_000);
  return [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours(), at.getUTCMinutes()];
};

/** Working stretches of a task: interrupted at the end of a window, and continued in the next. */
export const stretches = (windows: readonly Window[], start: number, end: number): readonly { readonly from: number; readonly to: number }[] =>
  windows.flatMap((window) => {
    const [from, to] = [Math.max(window.from, start), Math.min(window.to, end)];
    return to > from ? [{ from, to }] : [];
  });

/**
 * iCalendar text with floating times. `eventOf` names a step; `stamp`: time of writing, minutes.
 * @throws Error where the package refuses an event, which is a fault of the program
 */
export function scheduleIcs(schedule: Schedule, choices: BuildChoices, name: string, eventOf: (step: string) => CalendarEvent, stamp: number): string {
  const windows = windowsFrom(choices, schedule.tasks[0]?.start ?? 0);
  const events = schedule.tasks.flatMap(({ task, start, end }) => {
    const said = task.steps.map(eventOf);
    return stretches(windows, start, end).map(({ from, to }, part): ics.EventAttributes => ({
      uid: `${said[0]!.id}-${part + 1}@keen-carcass`.replace(/\s+/g, '_'),
      title: part === 0 ? said.map(({ title }) => title).join('; ') : `${said.map(({ title }) => title).join('; ')} (goes on)`,
      description: said.flatMap(({ says }) => says).join('\n'),
      start: partsOf(from),
      startInputType: 'local',
      startOutputType: 'local',
      end: partsOf(to),
      endInputType: 'local',
      endOutputType: 'local',
      created: partsOf(stamp),
      lastModified: partsOf(stamp),
      calName: name,
      productId: 'keen-carcass',
    }));
  });
  if (events.length === 0) return ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:keen-carcass', 'END:VCALENDAR', ''].join('\r\n');
  const { error, value } = ics.createEvents(events);
  if (error || !value) throw error ?? new Error('the calendar could not be written');
  return folded(value);
}

/** Octets of a line, without its end. Source: RFC 5545, 3.1. */
const MAX_OCTETS = 75;

/** The package folds by letters instead of octets: its lines are unfolded and folded again without splitting a letter. */
function folded(text: string): string {
  const octets = new TextEncoder();
  return text
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .map((line) => {
      let [whole, used] = ['', 0];
      for (const letter of line) {
        const { length } = octets.encode(letter);
        if (used + length > MAX_OCTETS) [whole, used] = [`${whole}\r\n `, 1];
        [whole, used] = [whole + letter, used + length];
      }
      return whole;
    })
    .join('\r\n');
}
