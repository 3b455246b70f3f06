/** Until when a step waits for what sets or dries since another was done. */
import { minutesText, reasonWords, type Step } from '@keen/core';
import { dayWords, timeWords } from './dayWords.ts';
import type { BuildOf } from './useBuild.ts';

export function NotBefore({ step, of: { build, byId, doneAt, free, now, titleOf, done } }: { readonly step: Step; readonly of: BuildOf }) {
  const until = free.get(step.id);
  if (until === undefined || until <= now || done.has(step.id)) return null;
  // What it waits for longest.
  const edge = build.edges.find(({ before, after, waits }) => after === step.id && waits > 0 && (doneAt.get(before) ?? -Infinity) + waits === until);
  return (
    <p className="caution not-before">
      Not before {dayWords(until)}, {timeWords(until)}, in {minutesText(until - now)}.{' '}
      {edge && `“${titleOf(byId.get(edge.before)!)}” was done at ${timeWords(doneAt.get(edge.before)!)}. ${reasonWords(edge)}`}
    </p>
  );
}
