/** Until when a step waits for something that sets or dries. */
import { minutesText, reasonWords, waitLeft, waitMin, type DisplayUnit, type Step } from '@keen/core';
import { Explained } from '../../ui/Explained.tsx';
import { dayWords, timeWords } from './dayWords.ts';
import type { BuildOf } from './useBuild.ts';

export interface NotBeforeProps {
  readonly step: Step;
  readonly of: BuildOf;
  readonly unit: DisplayUnit;
}

export function NotBefore({ step, of: { build, byId, doneAt, free, now, titleOf, done }, unit }: NotBeforeProps) {
  const until = free.get(step.id);
  if (until === undefined || until <= now || done.has(step.id)) return null;
  // The longest wait.
  const edge = build.edges.find(({ before, after, waits }) => after === step.id && waits && (doneAt.get(before) ?? -Infinity) + waitMin(waits) === until);
  return (
    <p className="caution not-before">
      Not before {dayWords(until)}, {timeWords(until)}, in{' '}
      {edge?.waits ? (
        <Explained title="still to wait" unit={unit} of={waitLeft(edge.waits, now - doneAt.get(edge.before)!)}>
          {minutesText(until - now)}
        </Explained>
      ) : (
        minutesText(until - now)
      )}
      . {edge && `“${titleOf(byId.get(edge.before)!)}” was done at ${timeWords(doneAt.get(edge.before)!)}. ${reasonWords(edge)}`}
    </p>
  );
}
