/** Measured size of a cabinet against the size planned, from full-length parts and openings that span it. */
import { enters } from '../cabinets/families.ts';
import { NM_PER, type Length } from '../length/length.ts';
import { place, type Panel } from '../solid/panel.ts';
import type { Compartment } from '../solid/cabinet.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import type { CabinetPlan } from '../planner/plan.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import { plannedFor, shopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

export type BuiltSizes = Readonly<Partial<Record<'width' | 'height' | 'depth', ExplainedLength>>>;

const AXES = { width: 'along', height: 'up', depth: 'out' } as const;
/** Tolerance within which a size is as planned: the resolution of a tape. [ASSUME] */
const AS_ASKED = 0.3 * NM_PER.mm;

/** Sizes that differ from the plan; where two measurements disagree, the larger, because it needs the room. */
export function builtSizes(spec: CabinetSpec, planned: CabinetPlan, record: readonly RecordEntry[]): BuiltSizes {
  const found: Partial<Record<keyof typeof AXES, ExplainedLength>> = {};
  for (const size of Object.keys(AXES) as (keyof typeof AXES)[]) {
    if (!enters(spec, size)) continue;
    const off = [...partsOff(planned, record, AXES[size]), ...(size === 'depth' ? [] : openingsOff(planned, record, AXES[size] as 'along' | 'up'))];
    if (off.length === 0) continue;
    const by = Math.max(...off);
    if (Math.abs(by) <= AS_ASKED) continue;
    found[size] = explainedLength([plus('size-asked', spec[size].nm), by > 0 ? plus('came-longer', by as Length) : minus('came-shorter', -by as Length)]);
  }
  return found;
}

type Axis = (typeof AXES)[keyof typeof AXES];

const rangeOf = (panel: Panel, axis: Axis): readonly [from: number, to: number] => {
  const at = panel.outline.map(({ from }) => place(panel.frame, from)[axis]);
  return [Math.min(...at), Math.max(...at)];
};
/** Ends closer than this are flush, nm. */
const FLUSH = 1000;

/** Sides, top and bottom that run from end to end: a panel between others, or in slots, does not change the outside. */
function partsOff({ cabinet, parts }: CabinetPlan, record: readonly RecordEntry[], axis: Axis): number[] {
  const shell = cabinet.panels.filter(({ role }) => role === 'side' || role === 'top' || role === 'bottom');
  const ranges = shell.map((panel) => rangeOf(panel, axis));
  const [low, high] = [Math.min(...ranges.map(([from]) => from)), Math.max(...ranges.map(([, to]) => to))];
  const cuts = shopFacts(record).asCut;
  return shell.flatMap((panel, index) => {
    const { u, v } = panel.frame;
    const [from, to] = ranges[index]!;
    if (from - low > FLUSH || high - to > FLUSH) return [];
    const measure = Math.abs(u[axis]) > 0.999 ? 'length' : Math.abs(v[axis]) > 0.999 ? 'width' : null;
    const cut = cuts.get(panel.id)?.cut;
    const line = parts.find(({ panels }) => panels.includes(panel.id));
    if (measure === null || !line || !cut?.[measure]) return [];
    return [cut[measure].nm - plannedFor(cut, measure, line[measure].value)];
  });
}

/** Openings that span the cabinet alone: it grows by as much as they do. */
function openingsOff({ cabinet: { compartments } }: CabinetPlan, record: readonly RecordEntry[], axis: 'along' | 'up'): number[] {
  const [size, across, beside] = axis === 'along' ? (['width', 'up', 'height'] as const) : (['height', 'along', 'width'] as const);
  const overlaps = (a: Compartment, b: Compartment): boolean =>
    Math.min(a.at[across] + a[beside].value, b.at[across] + b[beside].value) - Math.max(a.at[across], b.at[across]) > NM_PER.mm;
  const openings = shopFacts(record).openings;
  return compartments.flatMap((space) => {
    const came = openings.get(space.id)?.opening[size];
    if (!came || compartments.some((other) => other !== space && overlaps(space, other))) return [];
    return [came.nm - space[size].value];
  });
}
