/** The wall cleat as a beam: vertical and outward bending between the studs and beyond the last ones. Source: docs/formulas/wall-half-bending.md. */
import { toMm } from '../length/length.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { bendingAcrossMPa } from '../stock/materials.ts';
import { evaluate, formula, termOf, total, type ExplainedValue, type Formula } from '../explained/explained-value.ts';
import type { WallForces } from './forces.ts';
import type { HangInput } from './hang-input.ts';
import type { BearingShares, WallStretch } from './bearing-shares.ts';
import { link, type Link } from './link.ts';

const BENDING = formula({
  label: 'wall-half-bending',
  unit: 'share',
  text: '(M / (t s²/6) + M H/W / (s t²/6)) / F',
  source: '[eq] docs/formulas/wall-half-bending.md',
  terms: { M: 'N mm', H: 'N', W: 'N', t: 'mm', s: 'mm', F: 'MPa' },
  compute: ({ M, H, W, t, s, F }) => (M / ((t * s * s) / 6) + (M * H) / W / ((s * t * t) / 6)) / F,
});
const SPAN_MOMENT = formula({
  label: 'span-moment',
  unit: 'N mm',
  text: 'w L² / 8',
  source: '[eq] simple span',
  terms: { w: 'N/mm', L: 'mm' },
  compute: ({ w, L }) => (w * L * L) / 8,
});
const OVERHANG_MOMENT = formula({
  label: 'overhang-moment',
  unit: 'N mm',
  text: 'w c² / 2',
  source: '[eq] cantilever',
  terms: { w: 'N/mm', c: 'mm' },
  compute: ({ w, c }) => (w * c * c) / 2,
});

const PART_MOMENT = formula({
  label: 'bracket-moment',
  unit: 'N mm',
  text: 'R (a − b/2 + R b / 2P), R = P (L − a) / L',
  source: '[eq] docs/formulas/wall-half-bending.md',
  terms: { P: 'N', a: 'mm', b: 'mm', L: 'mm' },
  compute: ({ P, a, b, L }) => {
    const R = (P * (L - a)) / L;
    return P > 0 ? R * (a - b / 2 + (R * b) / (2 * P)) : 0;
  },
});
const POINT_OVERHANG = formula({
  label: 'bracket-overhang',
  unit: 'N mm',
  text: 'P c',
  source: '[eq] docs/formulas/brackets.md',
  terms: { P: 'N', c: 'mm' },
  compute: ({ P, c }) => P * c,
});

/** A bending moment, N mm. Every trial position needs the number; its explanation is built only where it is shown. */
interface Moment {
  readonly value: number;
  readonly figure: () => ExplainedValue;
}

const momentBy = <K extends string>(row: Formula<K>, terms: { readonly [P in K]: number }): Moment => ({
  value: row.compute(terms),
  figure: () => evaluate(row, terms),
});

/** A distributed load, N/mm, over an extent, mm. */
interface Spread extends WallStretch {
  readonly w: number;
}

/** Spans between studs as simple beams, ends beyond the last stud as cantilevers, piece by piece; every bearing stretch at its greatest load at once. */
function momentsOf({ stretches }: BearingShares): Moment[] {
  const loadsBy = new Map<readonly number[], Spread[]>();
  for (const { from, to, newtons, studs } of stretches) {
    const load = { from, to, w: newtons / (to - from) };
    const known = loadsBy.get(studs);
    if (known) known.push(load);
    else loadsBy.set(studs, [load]);
  }
  const moments: Moment[] = [];
  const add = (loads: readonly Spread[], momentOf: (load: Spread) => Moment | null): void => {
    const own: Moment[] = [];
    for (const load of loads) {
      const moment = momentOf(load);
      if (moment) own.push(moment);
    }
    if (own.length > 0) moments.push(together(own));
  };
  for (const [studs, loads] of loadsBy) {
    const order = isAscending(studs) ? studs : [...studs].sort((a, b) => a - b);
    const [first, last] = [order[0]!, order.at(-1)!];
    for (let index = 1; index < order.length; index++) add(loads, (load) => spanMoment(load, order[index - 1]!, order[index]!));
    add(loads, ({ from, to, w }) => overhangMoment(w, first - Math.min(to, first), first - from));
    add(loads, ({ from, to, w }) => overhangMoment(w, Math.max(from, last) - last, to - last));
  }
  return moments;
}

const isAscending = (places: readonly number[]): boolean => places.every((at, index) => index === 0 || at > places[index - 1]!);

const together = (moments: readonly Moment[]): Moment =>
  moments.length === 1
    ? moments[0]!
    : {
        value: moments.reduce((sum, { value }) => sum + value, 0),
        figure: () =>
          total(
            'span-moment',
            'N mm',
            moments.map(({ figure }) => termOf(figure())),
            'docs/formulas/brackets.md',
          ),
      };

/** Moment of a distributed load w on the span from `left` to `right`. */
function spanMoment({ from, to, w }: Spread, left: number, right: number): Moment | null {
  const [start, end] = [Math.max(from, left), Math.min(to, right)];
  const L = right - left;
  if (end <= start) return null;
  if (end - start === L) return momentBy(SPAN_MOMENT, { w, L });
  return momentBy(PART_MOMENT, { P: w * (end - start), a: (start + end) / 2 - left, b: end - start, L });
}

/** Moment of a load w on a free end, between two distances beyond the last stud. */
function overhangMoment(w: number, near: number, far: number): Moment | null {
  if (far <= near || far <= 0) return null;
  return near === 0 ? momentBy(OVERHANG_MOMENT, { w, c: far }) : momentBy(POINT_OVERHANG, { P: w * (far - near), c: (near + far) / 2 });
}

const greatestOf = (moments: readonly Moment[]): Moment | undefined =>
  moments.reduce<Moment | undefined>((a, b) => (a && a.value >= b.value ? a : b), undefined);

/** Greatest bending moment, N mm, as a number alone. */
export const maxMoment = (hung: BearingShares): number => greatestOf(momentsOf(hung))?.value ?? 0;

/** Whether the grain runs along the wall. An unknown grain counts as across. */
const grainRunsAlong = ({ grain, frame }: ResolvedPanel): boolean =>
  (grain === 'length' && Math.abs(frame.u.along) > 0.5) || (grain === 'width' && Math.abs(frame.v.along) > 0.5);

/** Vertical and outward bending added; a notch reduces the section wherever it is. */
export function bendingLink({ cabinet, materialOf }: HangInput, forces: WallForces, hung: BearingShares): Link {
  const { hanging } = cabinet;
  const short = toMm(hanging.shortFace);
  const strip = cabinet.byId.get(hanging.wallHalf)!;
  const material = materialOf(strip.stock);
  const use = evaluate(BENDING, {
    M: greatestOf(momentsOf(hung))?.figure() ?? 0,
    H: forces.outward,
    W: forces.weight,
    t: forces.t,
    s: hanging.notch ? Math.max(1, short - toMm(hanging.notch.depth)) : short,
    F: {
      value: grainRunsAlong(strip) ? material.bendingMPa : bendingAcrossMPa(material),
      source: { kind: 'table', name: material.name, tag: material.source },
    },
  });
  return link({ id: 'wall-half', kind: 'wall-half-bending', name: { key: hanging.rip ? 'link-wall-half' : 'link-strip' }, use, panels: [hanging.wallHalf] });
}
