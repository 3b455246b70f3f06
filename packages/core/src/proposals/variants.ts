/** Variants of one cabinet side by side, with the figures to compare. */
import { toMm } from '../length/length.ts';
import { search } from '../nesting/search.ts';
import { boardJobs, sheetJobs } from '../sheets/cutting.ts';
import { variantsOf, type Design, type Variant } from '../model/design.ts';
import type { EditStep } from '../model/edit.ts';
import type { Planner, CabinetPlan } from '../planner/plan.ts';
import type { RecordEntry } from '../model/record.ts';
import type { Workshop } from '../model/workshop.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

export interface VariantFigures {
  /** Null for the current cabinet. */
  readonly id: string | null;
  readonly name: string;
  readonly spec: CabinetSpec;
  readonly plan: CabinetPlan;
  /** Depth from the wall, mm, with nothing open. */
  readonly outMm: number;
}

/** The current cabinet and its variants, each planned on this wall beside the other cabinets. `plannerOf` gives each variant a planner with its own cache. */
export function variantFigures(
  plannerOf: (tried: string | null) => Planner,
  design: Design,
  record: readonly RecordEntry[],
  workshop: Workshop,
  unit: string,
): VariantFigures[] {
  const current = design.units[unit];
  if (!current) return [];
  const rows: readonly Omit<VariantFigures, 'plan' | 'outMm'>[] = [
    { id: null, name: current.name, spec: current },
    ...variantsOf(design, unit).map(({ id, name, unit: spec }) => ({ id, name, spec })),
  ];
  return rows.map((row) => {
    const plan = plannerOf(row.id)
      .plan({ ...design, units: { ...design.units, [unit]: row.spec } }, record, workshop)
      .byId.get(unit)!;
    return { ...row, plan, outMm: toMm(plan.cabinet.outside.depth.value) };
  });
}

/** Sheets and boards a cabinet needs by itself, and their cost, from a first layout rather than a full search. */
export function stockFor(
  parts: CabinetPlan['parts'],
  workshop: Workshop,
): { readonly sheets: number; readonly boards: number; readonly cost: number; readonly unplaced: number } {
  let [sheets, boards, cost, unplaced] = [0, 0, 0, 0];
  for (const { problem } of sheetJobs(parts, workshop)) {
    const stepper = search(problem, 1);
    for (let step = 0; step < FIRST_STEPS && !stepper.step(1); step++);
    const plan = stepper.plan();
    sheets += plan.score.sheets;
    cost += plan.score.cost ?? 0;
    unplaced += plan.unplaced.length;
  }
  for (const { plan, tooLong } of boardJobs(parts, workshop)) {
    for (const { id, count } of plan.bought) {
      boards += count;
      cost += count * workshop.products[id]!.price;
    }
    unplaced += tooLong.length;
  }
  return { sheets, boards, cost, unplaced };
}

/** Search steps: enough to rank variants. [ASSUME] */
const FIRST_STEPS = 12;

/** Keeps the current cabinet as a variant. */
export const keepVariant = (design: Design, unit: string, id: string, name: string): EditStep[] => {
  const kept: Variant = { id, order: 1 + Math.max(0, ...variantsOf(design, unit).map(({ order }) => order)), name, unit: design.units[unit]! };
  return [{ path: ['tries', id], value: kept }];
};

/** Makes a variant the current cabinet; the previous one becomes a variant under its name. */
export const chooseVariant = (design: Design, id: string): EditStep[] => {
  const tried = design.tries[id]!;
  const current = design.units[tried.unit.id]!;
  return [
    { path: ['units', current.id], value: { ...tried.unit, place: current.place, order: current.order } },
    { path: ['tries', id], value: { ...tried, name: current.name === tried.name ? `${current.name}, before`.slice(0, 80) : current.name, unit: current } },
  ];
};

/** Removes a cabinet from the project, with its variants. */
export const removeCabinet = (design: Design, unit: string): EditStep[] => [
  { path: ['units', unit], value: undefined },
  ...variantsOf(design, unit).map(({ id }) => ({ path: ['tries', id], value: undefined })),
];
