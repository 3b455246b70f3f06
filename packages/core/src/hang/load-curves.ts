/** Utilization of the weakest links over the load, for the chart beside the load slider. */
import type { Label } from '../explained/explained-length.ts';
import type { HangInput } from './hang-input.ts';
import { analyzeHangingAt } from './hang.ts';

export interface LoadCurve {
  readonly id: string;
  readonly name: Label;
  /** Utilization as a share of the link's limit, at each load. */
  readonly uses: readonly number[];
}

export interface LoadCurves {
  /** Multiples of the planned contents, ascending from 0. */
  readonly factors: readonly number[];
  /** Links most utilized at the last load, weakest first. */
  readonly curves: readonly LoadCurve[];
}

/** Number of loads sampled: utilization is nearly linear. */
const LOADS = 13;
const SHOWN = 3;

/** From no contents to `most` times the planned ones; no curves where no link is computed. */
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
