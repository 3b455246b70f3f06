/** Monte Carlo simulation of a tolerance chain: how often it binds or rattles; with the analytic sum of variances for comparison. Seeded. */
import { seeded, type Random } from '../random/random.ts';
import type { Cause, ToleranceChain, Variation } from './tolerance-chain.ts';

export interface FitOutcome {
  /** Of the clearance, mm. */
  readonly meanMm: number;
  readonly sdMm: number;
  /** Share of runs without clearance: the parts do not go together. */
  readonly binds: number;
  /** Share of runs with too much clearance. */
  readonly rattles: number;
}

export interface FitRun extends FitOutcome {
  readonly runs: number;
  /** Histogram: runs from `fromMm` on, in bins of `stepMm`. */
  readonly bins: { readonly fromMm: number; readonly stepMm: number; readonly counts: readonly number[] };
}

/** Two normal deviates from two uniform ones (Box and Muller); the second is kept for the next call. */
function normals(random: Random): () => number {
  let kept: number | null = null;
  return () => {
    if (kept !== null) {
      const spare = kept;
      kept = null;
      return spare;
    }
    const radius = Math.sqrt(-2 * Math.log(1 - random()));
    const turn = 2 * Math.PI * random();
    kept = radius * Math.sin(turn);
    return radius * Math.cos(turn);
  };
}

/** Merges variations of one source: a single error, with their factors added. */
function bySource(variations: readonly Variation[]): number[] {
  const sources = new Map<string, number>();
  for (const { source, sd, times } of variations) sources.set(source, (sources.get(source) ?? 0) + sd * times);
  return [...sources.values()];
}

const BINS = 40;

/** `runs` runs with normally distributed errors; deterministic for a seed. */
export function simulateFit({ freeMm, maxMm, variations }: ToleranceChain, runs: number, seed: number): FitRun {
  const draw = normals(seeded(seed));
  const sds = bySource(variations);
  const free = new Float64Array(runs);
  let [sum, squares, binds, rattles] = [0, 0, 0, 0];
  for (let run = 0; run < runs; run++) {
    let here = freeMm;
    for (const sd of sds) here += sd * draw();
    free[run] = here;
    sum += here;
    squares += (here - freeMm) ** 2;
    if (here < 0) binds++;
    if (here > maxMm) rattles++;
  }
  const mean = sum / runs;
  const sd = Math.sqrt(Math.max(0, squares / runs - (mean - freeMm) ** 2));
  const fromMm = Math.min(-0.05, freeMm - 4 * sd);
  const toMm = Math.max(maxMm + 0.05, freeMm + 4 * sd);
  const stepMm = (toMm - fromMm) / BINS;
  const counts = Array.from({ length: BINS }, () => 0);
  for (const here of free) counts[Math.min(BINS - 1, Math.max(0, Math.floor((here - fromMm) / stepMm)))]!++;
  return { meanMm: mean, sdMm: sd, binds: binds / runs, rattles: rattles / runs, runs, bins: { fromMm, stepMm, counts } };
}

/** Analytic result by the sum of variances: the limit of the simulation. */
export function expectedFit({ freeMm, maxMm, variations }: Pick<ToleranceChain, 'freeMm' | 'maxMm' | 'variations'>): FitOutcome {
  const sdMm = Math.sqrt(bySource(variations).reduce((sum, sd) => sum + sd * sd, 0));
  const below = (limit: number): number => (sdMm === 0 ? (freeMm < limit ? 1 : 0) : normalBelow((limit - freeMm) / sdMm));
  return { meanMm: freeMm, sdMm, binds: below(0), rattles: 1 - below(maxMm) };
}

/** Normal distribution function, to 1.5e-7. Abramowitz and Stegun 7.1.26. */
export function normalBelow(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const erf = 1 - ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x);
  return z >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}

/** Remedies for a chain: more readings, a looser fit, cutting the part last to the measured opening. */
export interface FitHelp {
  readonly kind: 'measure' | 'looser' | 'cut-last';
  /** Probability of binding or rattling after it. */
  readonly trouble: number;
}

const trouble = ({ binds, rattles }: FitOutcome): number => binds + rattles;
const without = (chain: ToleranceChain, ...causes: readonly Cause[]): ToleranceChain => ({
  ...chain,
  variations: chain.variations.filter(({ cause }) => !causes.includes(cause)),
});

/** Only what helps, most effective first. `looserMm`: clearance the next looser fit adds; null where there is none. */
export function helpsFor(chain: ToleranceChain, looserMm: number | null): FitHelp[] {
  const now = trouble(expectedFit(chain));
  const tried: FitHelp[] = [];
  if (chain.variations.some(({ cause }) => cause === 'mean')) tried.push({ kind: 'measure', trouble: trouble(expectedFit(without(chain, 'mean'))) });
  if (looserMm !== null && looserMm > 0) tried.push({ kind: 'looser', trouble: trouble(expectedFit({ ...chain, freeMm: chain.freeMm + looserMm })) });
  if (chain.kind !== 'slot') tried.push({ kind: 'cut-last', trouble: trouble(expectedFit(without(chain, 'length', 'depth'))) });
  return tried.filter((help) => help.trouble < now - 0.001).sort((a, b) => a.trouble - b.trouble);
}
