/**
 * A cabinet screwed through its hanging rail or backboard into the studs: a rigid body whose weight the screws carry in shear, and whose moment is resisted
 * by their pull above and the wall's push at the bottom. Source: docs/formulas/screwed-through.md [eq].
 */
import { toMm } from '../length/length.ts';
import type { Load } from '../parts/weights.ts';
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import { pullOfTop } from './statics.ts';
import type { WallForces } from './forces.ts';
import type { HangInput } from './hang-input.ts';
import { countedRows } from './wall-rows.ts';

/** A cabinet and the wall it is screwed to. */
type Site = Pick<HangInput, 'cabinet' | 'wall'>;

const SOURCE = '[eq] docs/formulas/screwed-through.md';
const BEARING = '[eq], r [ASSUME] docs/formulas/screwed-through.md';

const OUTWARD = formula({
  label: 'through-outward',
  unit: 'N',
  text: 'W e / (s − r), r = s/6',
  source: BEARING,
  terms: { W: 'N', e: 'mm', s: 'mm' },
  compute: ({ W, e, s }) => (W * e) / (s - s / 6),
});

const SCREW_PULL = formula({
  label: 'through-pull',
  unit: 'N',
  text: 'R e (s − r) / Σ n (s − r)², r = s/6',
  source: BEARING,
  terms: { R: 'N', e: 'mm', s: 'mm', n: 'count', 's low': 'mm', 'n low': 'count' },
  compute: (terms) =>
    pullOfTop(
      () => terms.R * terms.e,
      [
        { height: terms.s, screws: terms.n },
        { height: terms['s low'], screws: terms['n low'] },
      ],
    ),
});

/** Someone pulls the bottom outward: the cabinet rotates about its top edge against its own weight, and the lowest row is pulled most. */
const BOTTOM_PULL = formula({
  label: 'bottom-pull',
  unit: 'N',
  text: 'max(0, P up − W e) (up − s low) / Σ n (up − s)²',
  source: SOURCE,
  terms: { P: 'N', up: 'mm', W: 'N', e: 'mm', s: 'mm', n: 'count', 's low': 'mm', 'n low': 'count' },
  compute: (terms) => {
    const { P, up, W, e } = terms;
    const rows = [
      { arm: up - terms.s, screws: terms.n },
      { arm: up - terms['s low'], screws: terms['n low'] },
    ].filter(({ screws }) => screws > 0);
    const most = Math.max(...rows.map(({ arm }) => arm));
    return (Math.max(0, P * up - W * e) * most) / rows.reduce((sum, { arm, screws }) => sum + screws * arm * arm, 0);
  },
});

/** Heights of the wall screw rows above the bottom bearing point, mm. */
export function throughRows({ cabinet, wall }: Site): { readonly s: number; readonly n: number; readonly sLow: number; readonly nLow: number } {
  const { hanging } = cabinet;
  const { upper, lower, topMm, lowMm } = countedRows(cabinet, wall);
  const foot = toMm(hanging.valleyUp) - toMm(hanging.shortFace) - toMm(hanging.standoffUp);
  return upper > 0 ? { s: foot + topMm, n: upper, sLow: foot + lowMm, nLow: lower } : { s: foot + lowMm, n: lower, sLow: foot + lowMm, nLow: 0 };
}

export function throughForces(site: Site, weight: ExplainedValue, loaded: Load): WallForces {
  const { s } = throughRows(site);
  const outward = evaluate(OUTWARD, { W: weight, e: loaded.outFigure ?? loaded.out, s });
  return { weight, outward, spacerPush: outward, links: [], e: loaded.out, along: loaded.along, t: toMm(site.cabinet.hanging.cleatThickness), hook: null };
}

/** Pull on one screw of the top row in a stud that carries R. */
export function throughPull(site: Site, { e }: WallForces, share: ExplainedValue): ExplainedValue {
  const { s, n, sLow, nLow } = throughRows(site);
  return evaluate(SCREW_PULL, { R: share, e, s, n, 's low': sLow, 'n low': nLow });
}

/** Pull on one screw of the lowest row when the bottom is pulled outward with P, over all studs. */
export function bottomPull(site: Site, { weight, e }: WallForces, P: number, studs: number): ExplainedValue {
  const { s, n, sLow, nLow } = throughRows(site);
  const { cabinet } = site;
  const up = toMm(cabinet.outside.height.value) - toMm(cabinet.hanging.standoffUp);
  return evaluate(BOTTOM_PULL, { P, up, W: weight, e, s, n: n * studs, 's low': sLow, 'n low': nLow * studs });
}
