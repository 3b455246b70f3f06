/** Number of magnets that hold a tool on a tilted panel. Source: docs/formulas/magnet-count.md. */
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

/** Friction of steel on painted wood or a bare magnet. [ASSUME] low side */
const FRICTION = 0.2;
/** Load factor of a knock against the bench. [ASSUME] */
const KNOCK = 0.5;
/** Height of the magnets above the foot of a standing tool, as a share of its length. */
const REACH = 0.75;

/** Held off the ledge: friction alone carries it, and the panel's tilt adds pressure. */
export const HUNG_PULL = formula({
  label: 'magnet-pull-hung',
  unit: 'N',
  text: 'm g₀ (cos θ / μ − sin θ), at least 0',
  source: '[eq], μ = 0.2 [ASSUME] docs/formulas/magnet-count.md',
  terms: { m: 'kg', θ: 'deg' },
  compute: ({ m, θ }) => Math.max(0, m * STANDARD_GRAVITY * (Math.cos(radians(θ)) / FRICTION - Math.sin(radians(θ)))),
});

/** Standing on the ledge: only a knock tips it about its foot, against its lean. */
export const STOOD_PULL = formula({
  label: 'magnet-pull-stood',
  unit: 'N',
  text: 'm g₀ (0.5 cos θ − sin θ) / (2 · 0.75), at least 0',
  source: '[eq], knock of half a g [ASSUME] docs/formulas/magnet-count.md',
  terms: { m: 'kg', θ: 'deg' },
  compute: ({ m, θ }) => Math.max(0, (m * STANDARD_GRAVITY * (KNOCK * Math.cos(radians(θ)) - Math.sin(radians(θ)))) / (2 * REACH)),
});

export const MAGNETS = formula({
  label: 'magnet-count',
  unit: 'count',
  text: 'pull · factor / magnet, rounded up; a long tool at least two',
  source: 'docs/formulas/magnet-count.md',
  terms: { pull: 'N', factor: 'factor', magnet: 'N', length: 'mm' },
  compute: ({ pull, factor, magnet, length }) => (pull <= 0 ? 0 : Math.max(length > 200 ? 2 : 1, Math.ceil((pull * factor) / magnet - 1e-9))),
});

const radians = (deg: number): number => (deg * Math.PI) / 180;

export interface MagnetJob {
  readonly held: 'ledge' | 'magnets';
  readonly kg: number;
  readonly lengthMm: number;
  readonly tiltDeg: number;
  /** Rated pull of one, N, and its safety factor. */
  readonly pullN: number;
  readonly factor: number;
}

/** The count, explained: docs/formulas/magnet-count.md. */
export function magnetsFor({ held, kg, lengthMm, tiltDeg, pullN, factor }: MagnetJob): ExplainedValue {
  const pull = evaluate(held === 'magnets' ? HUNG_PULL : STOOD_PULL, { m: kg, θ: tiltDeg });
  return evaluate(MAGNETS, { pull, factor, magnet: pullN, length: lengthMm });
}
