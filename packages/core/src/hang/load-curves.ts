/** How the links that go first are used as the contents grow: what the chart beside the load slider shows. */
import type { Label } from '../explained/explained-length.ts';
import type { HangInput } from './hang-input.ts';
import { analyzeHangingAt } from './hang.ts';

export interface LoadCurve {
  readonly id: string;
  readonly name: Label;
  /** Share of what the link may be used, 1 its limit, at each of the loads. */
  readonly uses: readonly number[];
}

export interface LoadCurves {
  /** Times the planned contents, ascending from 0. */
  readonly factors: readonly number[];
  /** Those most used at the end, the first to go first. */
  readonly curves: readonly LoadCurve[];
}

/** Uses grow nearly in line with the load: so many loads draw them. */
const LOADS = 13;
const SHOWN = 3;

/** From nothing to `most` times the planned contents; no curves where no link is worked out. */
export function loadCurves(input: HangInput, most: number): LoadCurves {
  const factors = Array.from({ length: LOADS }, (_, index) => (most * index) / (LOADS - 1));
  const chains = factors.map((factor) => analyzeHangingAt(input, factor).links);
  const limited = chains.at(-1)!.filter(({ limit }) => Number.isFinite(limit));
  return {
    factors,
    curves: limited.slice(0, SHOWN).map(({ id, name, limit }) => ({
      id,
      name,
      uses: chains.map((links) => (links.find((link) => link.id === id)?.use.value ?? 0) / limit),
    })),
  };
}
