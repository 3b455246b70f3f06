/** The sheets needed, in one sentence; proved only where every part is placed. */
import type { nestTotals } from './useNests.tsx';

export function sheetsHeadline(totals: ReturnType<typeof nestTotals>, unplaced: number, proved: boolean, searching: boolean): string {
  if (!totals) return 'Working out the sheets …';
  // A layout that leaves a part out is none.
  if (unplaced > 0) return `${unplaced} ${unplaced === 1 ? 'part fits' : 'parts fit'} on no sheet.`;
  const { sheets, bought } = totals;
  const words = `${sheets} ${sheets === 1 ? 'sheet' : 'sheets'} in all${bought < sheets ? `, ${bought === 0 ? 'none' : bought} to buy` : ''}`;
  if (proved) return `${words}. No plan can use fewer.`;
  return searching ? `${words} so far.` : `${words}, the best found.`;
}
