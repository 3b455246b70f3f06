/** Which steps of a build are done, as the record has it: by what was measured, sawn and made, and by ticks. */
import type { Step } from '../build/step.ts';
import { finishedParts, standing, standingMade, standingSteps, type RecordEntry } from './design.ts';

/** Steps that are done, each with the entries that say so: to take back a tick is to withdraw them. */
export type DoneSteps = ReadonlyMap<string, readonly string[]>;

/** Readings a product wants before its slots are believed. */
const READINGS = 2;

export function doneSteps(steps: readonly Step[], record: readonly RecordEntry[]): DoneSteps {
  const ticked = new Map(standingSteps(record).map(({ id, done }) => [done.step, id]));
  const readings = new Map<string, string[]>();
  for (const { id, fact } of standing(record, ({ reading }) => reading)) readings.set(fact.product, [...(readings.get(fact.product) ?? []), id]);
  const sawn = new Map<string, string>();
  for (const { id, fact } of standing(record, (entry) => entry.sawn)) for (const cut of fact.cuts) sawn.set(`${fact.layout} ${cut}`, id);
  const made = new Map<string, string>();
  for (const { id, made: operations } of standingMade(record)) for (const operation of operations) made.set(operation, id);
  const there = finishedParts(record);
  const saidBy = ({ id, detail, panels }: Step): readonly string[] | null => {
    const tick = ticked.get(id);
    switch (detail.kind) {
      case 'measure': {
        const read = readings.get(detail.product) ?? [];
        if (read.length >= READINGS) return tick ? [...read, tick] : read;
        break;
      }
      case 'cut':
        // Cuts are named within their layout.
        if (detail.cuts.length > 0)
          return detail.layout === null
            ? null
            : all(
                detail.cuts.map((cut) => `${detail.layout} ${cut}`),
                sawn,
              );
        if (panels.length > 0 && panels.every((panel) => there.has(panel))) return tick ? [tick] : [];
        break;
      case 'setup':
        return all(
          detail.setup.cuts.map(({ operation }) => operation.id),
          made,
        );
    }
    return tick === undefined ? null : [tick];
  };
  return new Map(
    steps.flatMap((step) => {
      const said = saidBy(step);
      return said === null ? [] : [[step.id, said] as const];
    }),
  );
}

const all = (ids: readonly string[], by: ReadonlyMap<string, string>): readonly string[] | null =>
  ids.every((id) => by.has(id)) ? [...new Set(ids.map((id) => by.get(id)!))] : null;

/** The first step that can be taken up: nothing it follows is still to be done. Null when all is done. */
export function nextStep(steps: readonly Step[], edges: readonly { readonly before: string; readonly after: string }[], done: DoneSteps): Step | null {
  return steps.find(({ id }) => !done.has(id) && edges.every(({ before, after }) => after !== id || done.has(before))) ?? null;
}
