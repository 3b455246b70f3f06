/** Checks of cut parts against a plan that changed since. */
import { familyOf } from '../cabinets/families.ts';
import { enteredFromNm, type Entered } from '../length/entered.ts';
import type { Length } from '../length/length.ts';
import type { ExplainedLength } from '../explained/explained-length.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import type { Misfit } from '../joints/as-built.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { pieceName } from '../stock/workshop.ts';
import type { Finding, Fix } from './finding.ts';

/**
 * already-cut: a part cut to another size than now planned, with no joint left to absorb it; a slot narrower than the measured part that goes in, or at
 * another place.
 */
const alreadyCut: Check = (context) => {
  const { spec, cabinet, misfits } = context;
  const nameOf = (id: string) => cabinet.byId.get(id)!.name;
  return misfits.map((misfit): Finding => {
    const base = { check: 'already-cut' as const, unit: spec.id, severity: 'change' as const, station: 'joints' as const, name: nameOf(misfit.panel) };
    const anew: Fix = { label: { key: 'see-what-is-cut' }, visit: 'joints' };
    switch (misfit.why) {
      case 'size': {
        const { panel, along, cut, planned } = misfit;
        const size = cabinet.byId.get(panel)![along];
        return {
          ...base,
          why: along,
          guest: null,
          cutNm: cut,
          plannedNm: planned,
          panels: [panel],
          fixes: [...backTo(context, size, cut - planned), ...atTheBench(context, misfit), anew],
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

/** What can be done with the part, each with its consequence: trimmed where too large, made again, shimmed, or used as it is. */
function atTheBench(context: CheckContext, { panel, along, cut, planned }: Extract<Misfit, { why: 'size' }>): Fix[] {
  const { cabinet } = context;
  const part = cabinet.byId.get(panel)!;
  const apart = Math.abs(cut - planned);
  const keep = (how: 'shimmed' | 'accepted'): Fix => ({
    label: { key: how === 'shimmed' ? 'shim-part' : 'accept-part', lengthNm: apart, name: part.name },
    fact: { kind: 'kept', kept: { panel, how } },
  });
  const trim: Fix[] =
    cut > planned
      ? [{ label: { key: 'trim-part', lengthNm: apart, name: part.name }, fact: { kind: 'as-cut', asCut: { panel, [along]: enteredFromNm(planned) } } }]
      : [];
  const shim: Fix[] = cut < planned && apart <= MAX_SHIMMED ? [keep('shimmed')] : [];
  return [...trim, remake(part, context), ...shim, keep('accepted')];
}

/** Greatest thickness of a shim. [ASSUME] 5 mm */
const MAX_SHIMMED = 5_000_000;

/** Made again: out of the smallest offcut that holds it, or for its share of a new sheet. */
function remake(
  { id, name, stock, length, width }: ResolvedPanel,
  { workshop: { pieces, products }, priceOf }: Pick<CheckContext, 'workshop' | 'priceOf'>,
): Fix {
  const [long, wide] = [Math.max(length.value, width.value), Math.min(length.value, width.value)];
  const holds = Object.values(pieces)
    .filter((piece) => piece.product === stock && piece.kind === 'offcut')
    .filter((piece) => Math.max(piece.length.nm, piece.width.nm) >= long && Math.min(piece.length.nm, piece.width.nm) >= wide)
    .sort((a, b) => (a.length.nm / 1e6) * (a.width.nm / 1e6) - (b.length.nm / 1e6) * (b.width.nm / 1e6));
  const product = products[stock];
  const share = product ? ((long / 1e6) * (wide / 1e6)) / ((product.length.nm / 1e6) * (product.width.nm / 1e6)) : 0;
  const fact = { kind: 'spoiled' as const, spoiled: { layout: 'by-hand', part: id } };
  return holds[0]
    ? { label: { key: 'remake-from', text: pieceName(holds[0].id), name }, fact }
    : { label: { key: 'remake-part', number: Math.round(share * (product ? priceOf(stock) : 0) * 100) / 100, name }, fact };
}

/** Sets the entered size behind a length so that it matches the cut part. */
function backTo({ spec }: CheckContext, size: ExplainedLength, by: number): Fix[] {
  const entry = enteredIn(size);
  if (!entry || entry.path[1] !== spec.id) return [];
  const own = entry.path.slice(2);
  const field = familyOf(spec).form.fields.find(({ path }) => path.join('.') === own.join('.'));
  const is = own.reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], spec) as Entered | null | undefined;
  const next = is ? is.nm + Math.round(by / entry.times) : 0;
  if (field?.kind !== 'length' || !is || next < field.least || next > field.most) return [];
  return [
    {
      label: { key: 'back-to-what-is-cut', lengthNm: next, name: { key: field.label } },
      edit: [{ path: [...entry.path], value: enteredFromNm(next as Length) }],
    },
  ];
}

/** The first entered size in a sum or its inner sums, with its multiplicity. */
function enteredIn({ terms, over }: ExplainedLength): { readonly path: readonly string[]; readonly times: number } | null {
  for (const { source, times, inner } of terms) {
    if (source?.kind === 'entered') return { path: source.path, times: times / over };
    const behind = inner && enteredIn(inner);
    if (behind) return { path: behind.path, times: (behind.times * times) / over };
  }
  return null;
}

/** already-glued: a part that would be glued in where everything around it is glued up already. */
const alreadyGlued: Check = (context) => {
  const { spec, cabinet, late } = context;
  const shelves: Readonly<Record<string, unknown>> = 'shelves' in spec ? spec.shelves : {};
  return late.map((panel): Finding => {
    const element = panel.slice(panel.lastIndexOf('/') + 1);
    const shelf = Object.hasOwn(shelves, element) ? shelves[element] : null;
    const onPins: Fix[] =
      shelf !== null && typeof shelf === 'object' && 'fixing' in (shelf as object)
        ? [{ label: { key: 'shelf-on-pins' }, edit: [{ path: inSpec(context, 'shelves', element, 'fixing'), value: 'pins' }] }]
        : [];
    const out: Fix[] = shelf === null ? [] : [{ label: { key: 'take-shelf-out' }, edit: [{ path: inSpec(context, 'shelves', element), value: undefined }] }];
    return {
      check: 'already-glued',
      unit: spec.id,
      severity: 'change',
      station: 'build',
      panels: [panel],
      name: cabinet.byId.get(panel)!.name,
      fixes: [...onPins, ...out, { label: { key: 'not-glued-yet' }, visit: 'build' }],
    };
  });
};

export const CUT_CHECKS: readonly Check[] = [alreadyCut, alreadyGlued];
