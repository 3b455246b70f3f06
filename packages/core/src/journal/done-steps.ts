/** Which build steps are done according to the record: by measurements, cuts and operations, and by ticks. */
import { PART_BY_PART } from '../build/late-parts.ts';
import type { Step } from '../build/step.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

/** Steps done, each with the entries that record them: to untick one is to withdraw them. */
export type DoneSteps = ReadonlyMap<string, readonly string[]>;

/** Readings a product needs before its slots are trusted. */
const READINGS = 2;

export function doneSteps(steps: readonly Step[], record: readonly RecordEntry[]): DoneSteps {
  const facts = shopFacts(record);
  const ticks = facts.steps;
  const ticked = new Map(ticks.map(({ id, done }) => [done.step, id]));
  const doneFor = new Map(ticks.flatMap(({ done: { step, panels } }) => (panels ? [[step, new Set(panels)] as const] : [])));
  const readings = new Map<string, string[]>();
  for (const { id, reading } of facts.of.thickness) readings.set(reading.product, [...(readings.get(reading.product) ?? []), id]);
  const sawn = new Map<string, string>();
  for (const {
    id,
    sawn: { layout, cuts },
  } of facts.sawn)
    for (const cut of cuts) sawn.set(`${layout} ${cut}`, id);
  const made = new Map<string, string>();
  for (const { id, made: operations } of facts.operations) for (const operation of operations) made.set(operation, id);
  const there = facts.finished;
  // Glued all at once before the plan split it into two stages.
  const gluedWhole = (id: string): string | undefined => (id.endsWith('/first') ? ticked.get(id.slice(0, -'/first'.length)) : undefined);
  const saidBy = ({ id, detail, panels }: Step): readonly string[] | null => {
    const tick = ticked.get(id) ?? (detail.kind === 'glue' ? gluedWhole(id) : undefined);
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
    // A part added since is still to be done.
    const kept = PART_BY_PART.has(detail.kind) ? doneFor.get(id) : undefined;
    if (kept && panels.some((panel) => !kept.has(panel))) return null;
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

/** Completion time of each step: the latest entry. `clock`: device time as minutes on the wall clock. */
export function doneTimes(done: DoneSteps, record: readonly RecordEntry[], clock: (at: string) => number): Map<string, number> {
  const at = new Map(record.map((entry) => [entry.id, entry.at]));
  return new Map(
    [...done].map(([step, entries]) => [step, Math.max(-Infinity, ...entries.flatMap((id) => (at.has(id) ? [clock(at.get(id)!)] : [])))] as const),
  );
}

/**
 * The next step: everything before it is done, and nothing still sets or dries past `now`; where all wait, the first of those. `free`: earliest start of
 * each step (freeFrom). Null when all is done.
 */
export function nextStep(
  steps: readonly Step[],
  edges: readonly { readonly before: string; readonly after: string }[],
  done: DoneSteps,
  free: ReadonlyMap<string, number> = new Map(),
  now = Infinity,
): Step | null {
  const held = new Set(edges.flatMap(({ before, after }) => (done.has(before) ? [] : [after])));
  const open = steps.filter(({ id }) => !done.has(id) && !held.has(id));
  return open.find(({ id }) => (free.get(id) ?? -Infinity) <= now) ?? open[0] ?? null;
}
