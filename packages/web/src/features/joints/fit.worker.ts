/** Runs the fit simulation of each chain off the main thread. */
import { simulateFit, type ToleranceChain, type FitRun } from '@keen/core';
import { expose } from 'comlink';

const goer = {
  /** One run per chain, from the same seed, so that the same parts give the same picture. */
  run: (chains: readonly ToleranceChain[], runs: number, seed: number): FitRun[] => chains.map((chain) => simulateFit(chain, runs, seed)),
};

export type Goer = typeof goer;
expose(goer);
