/** A cabinet with part of its contents in, and the subset that moves its center furthest. */
import { opened, pressedOn, pressingOn, type MovingPart } from '../parts/opened.ts';
import { loadedCabinet, shareOfLoad, type Load, type CabinetWeights } from '../parts/weights.ts';
import type { HangInput } from './hang-input.ts';

/** A mass at a position along one axis, mm. */
export interface StandingMass {
  readonly kg: number;
  readonly at: number;
}

/** The empty cabinet with its working load, which acts whatever it holds. */
export const withoutContents = ({ cabinet, weights }: HangInput): Load => pressedOn(weights.empty, pressingOn(cabinet));

/** Everything open; each load scaled by `shareOf`, 0 to 1. */
export function partOf(weights: CabinetWeights, shareOf: (load: Load) => number, middleMm: number, factor: number, openings: readonly MovingPart[]): Load {
  const inIt = <L extends Load>(load: L): L[] => {
    const share = shareOf(load);
    return share === 0 ? [] : [share === 1 ? load : shareOfLoad(load, share)];
  };
  const part: CabinetWeights = { ...weights, contents: weights.contents.flatMap(inIt), top: weights.top ? (inIt(weights.top)[0] ?? null) : null };
  return opened(loadedCabinet(part, factor), openings, part, middleMm, factor);
}

/** The subset with the greatest mean position. Greedy: adds every mass beyond the mean so far. O(n log n). */
export function furthest(
  base: StandingMass,
  loads: readonly Load[],
  placed: (load: Load) => StandingMass,
): { readonly mean: number; readonly some: Set<Load> } {
  const some = new Set<Load>();
  let { kg, at: mean } = base;
  for (const { load, at, kg: own } of loads.map((load) => ({ load, ...placed(load) })).sort((a, b) => b.at - a.at)) {
    if (at <= mean) break;
    mean = (kg * mean + own * at) / (kg + own);
    kg += own;
    some.add(load);
  }
  return { mean, some };
}
