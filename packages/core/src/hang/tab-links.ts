/**
 * Tabs: floors held at one end alone. Their load rotates them out of their slots; the slot's wood or the glue on their faces resists, and the tab bends at
 * the side. Source: docs/formulas/tab-moment.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { toMm } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { evaluate, formula, greatest, termOf, type ExplainedValue } from '../explained/explained-value.ts';
import type { HangInput } from './hang-input.ts';
import { link, MOMENT_UTILIZATION, type Link } from './link.ts';
import { bendingAcrossMPa } from '../stock/materials.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

const SOURCE = '[eq; strengths ASSUME] docs/formulas/tab-moment.md';
/** Shear stress of glue between two clamped wood faces, MPa. [ASSUME] as in joint-capacity.md */
const GLUE_FACE_MPA = ASSUMED.glueFace.value;

/** A pair of tabs halves the load across them; each half acts at the middle of its length. */
const TAB_MOMENT = formula({
  label: 'tab-moment',
  unit: 'N mm',
  text: 'load · g₀ / 2 · c',
  source: SOURCE,
  terms: { load: 'kg', c: 'mm' },
  compute: ({ load, c }) => ((load * STANDARD_GRAVITY) / 2) * c,
});
/** Bearing pressure up at the slot's mouth and down at its bottom, each over half its depth, falling to zero in the middle. */
const TAB_SLOT = formula({
  label: 'tab-slot',
  unit: 'N mm',
  text: 'F_c · B · depth² / 6',
  source: SOURCE,
  terms: { F_c: 'MPa', B: 'mm', depth: 'mm' },
  compute: ({ F_c, B, depth }) => (F_c * B * depth * depth) / 6,
});
const TAB_GLUE = formula({
  label: 'tab-glue',
  unit: 'N mm',
  text: '0.35 MPa · B · depth · t',
  source: SOURCE,
  terms: { B: 'mm', depth: 'mm', t: 'mm' },
  compute: ({ B, depth, t }) => GLUE_FACE_MPA * B * depth * t,
});
const TAB_BENDING = formula({
  label: 'tab-bending',
  unit: 'share',
  text: 'M / (B t² / 6) / F',
  source: SOURCE,
  terms: { M: 'N mm', B: 'mm', t: 'mm', F: 'MPa' },
  compute: ({ M, B, t, F }) => M / ((B * t * t) / 6) / F,
});

/** The only joint of a floor; undefined for floors with two ends, and for those on pins. */
export function tabJoint({ connections }: Pick<ResolvedCabinet, 'connections'>, floor: string): Connection | undefined {
  const ends = connections.filter(({ guest, edge, joint }) => guest === floor && (edge === 'start' || edge === 'end') && joint.depth > 0);
  return ends.length === 1 ? ends[0] : undefined;
}

/** One link per tab, for the load across it and its twin, with the contents multiplied by `factor`. */
export function tabLinks(input: HangInput, factor: number): Link[] {
  const { cabinet, weights } = input;
  return weights.contents.flatMap(({ compartment, mass }): Link[] => {
    const tab = cabinet.byId.get(compartment.floor)!;
    const joint = tabJoint(cabinet, tab.id);
    if (!joint) return [];
    const depth = toMm(joint.joint.depth);
    const outside = toMm(tab.length.value) - depth + toMm(joint.joint.endPlay);
    const M = evaluate(TAB_MOMENT, { load: { value: mass.value * factor, label: mass.label }, c: outside / 2 });
    const use = greatest(
      'link-tab',
      'share',
      [termOf(evaluate(MOMENT_UTILIZATION, { M, capacity: holds(input, joint, tab, depth) })), termOf(bends(input, tab, M))],
      SOURCE,
    );
    return [link({ id: `tab-${tab.id}`, kind: 'tab', name: { key: 'link-tab', of: compartment.name.of ?? '' }, use, panels: [tab.id] })];
  });
}

function holds(input: HangInput, { joint, host }: Connection, tab: ResolvedPanel, depth: number): ExplainedValue {
  const upright = input.cabinet.byId.get(host)!;
  const B = toMm(tab.width.value);
  const ways = [evaluate(TAB_SLOT, { F_c: input.materialOf(upright.stock).bearingMPa, B, depth })];
  if (joint.glue && !input.isFaced(tab.stock) && !input.isFaced(upright.stock)) ways.push(evaluate(TAB_GLUE, { B, depth, t: toMm(tab.thickness) }));
  return greatest(
    'tab-holds',
    'N mm',
    ways.map((way) => termOf(way)),
    SOURCE,
  );
}

function bends({ materialOf }: HangInput, tab: ResolvedPanel, M: ExplainedValue): ExplainedValue {
  const material = materialOf(tab.stock);
  return evaluate(TAB_BENDING, {
    M,
    B: toMm(tab.width.value),
    t: toMm(tab.thickness),
    F: tab.grain === 'length' ? material.bendingMPa : bendingAcrossMPa(material),
  });
}
