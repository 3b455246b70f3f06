/** Marks setups as done, with their slots as cut, and withdraws that: facts of the shop record. */
import { enteredFromNm, slotAsDrawn, type MeasuredSlot, type Setup, type SetupContext, type SetupCut } from '@keen/core';
import { useRecord } from '../project/useRecord.ts';
import type { ShopSetups } from './useSetups.ts';

export function useMade({ made, setups: { blanks } }: ShopSetups): (setup: Setup, is: boolean) => void {
  const { add, withdraw } = useRecord();
  return ({ cuts }, is) => {
    if (is) {
      const fresh = cuts.filter(({ operation }) => !made.has(operation.id));
      add({ kind: 'made', made: fresh.map(({ operation }) => operation.id), slots: slotsAsCut(fresh, blanks) });
    } else for (const entry of new Set(cuts.flatMap(({ operation }) => made.get(operation.id) ?? []))) withdraw(entry);
  };
}

/** Slots as set up now, which the plan keeps from here on. */
export const slotsAsCut = (cuts: readonly SetupCut[], blanks: SetupContext['blanks']): MeasuredSlot[] =>
  cuts.flatMap(({ operation: { id, panel: of, work } }) => {
    if (work.kind !== 'slot') return [];
    const { panel } = blanks.get(of)!;
    const slot = slotAsDrawn(panel, id.slice(panel.id.length + 1));
    return slot ? [{ operation: id, width: enteredFromNm(slot.width), depth: enteredFromNm(slot.depth), at: enteredFromNm(slot.at) }] : [];
  });
