/** Checks of what is cut against what is planned since. */
import { familyOf } from '../carcass/families.ts';
import { exactly, type Entered } from '../length/entered.ts';
import type { Length } from '../length/length.ts';
import type { Dimension } from '../worked/dimension.ts';
import type { Check, CheckContext } from './context.ts';
import type { Finding, Fix } from './finding.ts';

/**
 * already-cut: a part that is cut to another size than the plan has now, with no joint left to take it up; a slot that is
 * narrower than what goes into it measures, or that stands elsewhere now.
 */
const alreadyCut: Check = (context) => {
  const { box, unit, misfits } = context;
  const nameOf = (id: string) => unit.byId.get(id)!.name;
  return misfits.map((misfit): Finding => {
    const base = { check: 'already-cut' as const, unit: box.id, severity: 'change' as const, station: 'joints' as const, name: nameOf(misfit.panel) };
    const anew: Fix = { label: { key: 'see-what-is-cut' }, visit: 'joints' };
    switch (misfit.why) {
      case 'size': {
        const { panel, along, cut, planned } = misfit;
        const size = unit.byId.get(panel)![along];
        return {
          ...base,
          why: along,
          guest: null,
          cutNm: cut,
          plannedNm: planned,
          panels: [panel],
          fixes: [...backTo(context, size, cut - planned), anew],
        };
      }
      case 'slot-narrow':
        return {
          ...base,
          why: 'slot-narrow',
          guest: nameOf(misfit.guest),
          cutNm: misfit.slot,
          plannedNm: misfit.thickness,
          panels: [misfit.panel, misfit.guest],
          fixes: [anew],
        };
      case 'slot-place':
        return {
          ...base,
          why: 'slot-place',
          guest: nameOf(misfit.guest),
          cutNm: misfit.cut,
          plannedNm: misfit.planned,
          panels: [misfit.panel, misfit.guest],
          fixes: [anew],
        };
    }
  });
};

/** The entered size that made a length, set so that it comes out as it was cut. */
function backTo({ box }: CheckContext, size: Dimension, by: number): Fix[] {
  const entry = enteredIn(size);
  if (!entry || entry.path[1] !== box.id) return [];
  const own = entry.path.slice(2);
  const field = familyOf(box).form.fields.find(({ path }) => path.join('.') === own.join('.'));
  const is = own.reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], box) as Entered | null | undefined;
  const next = is ? is.nm + Math.round(by / entry.times) : 0;
  if (field?.kind !== 'length' || !is || next < field.least || next > field.most) return [];
  return [
    { label: { key: 'back-to-what-is-cut', lengthNm: next, name: { key: field.label } }, edit: [{ path: [...entry.path], value: exactly(next as Length) }] },
  ];
}

/** The first size that was typed, in a sum or the sums behind its terms, and how often it counts. */
function enteredIn({ terms, over }: Dimension): { readonly path: readonly string[]; readonly times: number } | null {
  for (const { source, times, inner } of terms) {
    if (source?.kind === 'entered') return { path: source.path, times: times / over };
    const behind = inner && enteredIn(inner);
    if (behind) return { path: behind.path, times: (behind.times * times) / over };
  }
  return null;
}

export const CUT_CHECKS: readonly Check[] = [alreadyCut];
