/** Ticks and unticks steps: facts of the shop record. */
import { PART_BY_PART, partsOff, shopFacts, type DoneSteps, type Step } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { slotsAsCut } from '../joints/useMade.ts';
import { selectOpen } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';
import { useNests } from '../sheets/useNests.tsx';
import { useSettle } from '../sheets/useSettle.ts';
import type { BuildOf } from './useBuild.ts';

export interface Ticker {
  /** `minutes`: time taken, where measured. */
  readonly tick: (step: Step, minutes?: number) => void;
  readonly untick: (step: Step) => void;
}

export function useTick({ done, summary }: BuildOf): Ticker {
  const { add, withdraw } = useRecord();
  const { nests } = useNests();
  const { record } = useAppSelector(selectOpen);
  const settle = useSettle();

  const tick = (step: Step, minutes?: number): void => {
    const { detail } = step;
    if (detail.kind === 'cut' && detail.cuts.length > 0) {
      const nest = nests.find(({ job }) => job.product === detail.product);
      const sawn = nest && settle(nest);
      if (!nest || !sawn) return;
      // Only what is not ticked cut by cut already; unticking removes both.
      const there = new Set(shopFacts(record).sawn.flatMap(({ sawn: each }) => (each.layout === sawn.layout ? each.cuts : [])));
      const cuts = detail.cuts.filter((cut) => !there.has(cut));
      add({ kind: 'sawn', sawn: { layout: sawn.layout, cuts, parts: cuts.flatMap((cut) => partsOff(sawn, cut)) } });
    }
    if (detail.kind === 'setup') {
      const there = new Set(shopFacts(record).operations.flatMap(({ made }) => made));
      const cuts = detail.setup.cuts.filter(({ operation }) => !there.has(operation.id));
      add({ kind: 'made', made: cuts.map(({ operation }) => operation.id), slots: slotsAsCut(cuts, summary.setups.blanks) });
    }
    // Cuts and operations have facts of their own; a tick beside them keeps the time taken.
    if ((detail.kind !== 'cut' || detail.cuts.length === 0) && detail.kind !== 'setup') add({ kind: 'step', done: timed(step, minutes) });
    else if (minutes !== undefined) add({ kind: 'step', done: timed(step, minutes) });
  };
  return { tick, untick: ({ id }) => untick(done, id, withdraw) };
}

/** With its parts, where more may be added: those are still to be done then. */
const timed = ({ id, detail: { kind }, minutes: planned, panels }: Step, minutes?: number) => ({
  step: id,
  kind,
  planned: Math.round(planned.value * 10) / 10,
  ...(minutes === undefined ? {} : { minutes }),
  ...(PART_BY_PART.has(kind) || kind === 'glue' ? { panels } : {}),
});

const untick = (done: DoneSteps, id: string, withdraw: (entry: string) => void): void => {
  for (const entry of done.get(id) ?? []) withdraw(entry);
};
