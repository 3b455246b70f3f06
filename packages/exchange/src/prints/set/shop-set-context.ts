/** Input of a shop set, the shopping list and the days: the plan, the settled or found layouts, the build. */
import {
  boardJobs,
  boardPurchases,
  buildSummary,
  inWantedOrder,
  isNewSheet,
  learnedWorkshop,
  plan as planOf,
  planBuild,
  Refusal,
  setupsOf,
  shoppingOf,
  type DisplayUnit,
  type NestPlan,
  type ProjectFile,
  type Purchase,
} from '@keen/core';
import { layOut, type LaidOut } from '../../sheets.ts';
import type { ShopSetContext } from './chapter.ts';
import { linesByPanel } from './cabinet-figures.ts';

export interface ShopSetInput {
  readonly project: ProjectFile;
  /** The cabinets of the set; all where none is named. */
  readonly units: readonly string[];
  readonly display: DisplayUnit;
  /** Unsettled layouts, by product, as on a screen. */
  readonly layouts?: ReadonlyMap<string, NestPlan>;
}

function missing(id: string): never {
  throw new Refusal('unit', `there is no cabinet '${id}' in the project`, 'units', 'cabinets of the project');
}

/**
 * The plan of a project with its workshop corrected by test cuts, and the requested cabinets.
 * @throws Refusal on one that does not exist
 */
export function plannedCabinets({
  project: { design, record, workshop },
  units: ids,
}: Pick<ShopSetInput, 'project' | 'units'>): Pick<ShopSetContext, 'plan' | 'cabinets'> {
  const plan = planOf(design, record, learnedWorkshop(record, workshop).workshop);
  return { plan, cabinets: ids.length === 0 ? plan.cabinets : ids.map((id) => plan.byId.get(id) ?? missing(id)) };
}

export function shopSetContext(
  wish: ShopSetInput,
  { plan: made, cabinets }: Pick<ShopSetContext, 'plan' | 'cabinets'> = plannedCabinets(wish),
): ShopSetContext {
  const { project, display: unit, layouts } = wish;
  const { design, record } = project;
  const { workshop, learned } = learnedWorkshop(record, project.workshop);
  const ids = new Set(cabinets.map(({ id }) => id));
  const whole = cabinets.length === made.cabinets.length;
  const parts = whole ? made.parts : made.parts.filter((line) => ids.has(line.unit));
  const laid = layOut({ ...project, workshop }, made, layouts);
  const sheets = laid.map(({ job: { product }, plan: nest, sequence, settled }) => ({
    product,
    layout: settled?.id ?? null,
    sheets: nest.sheets.length,
    steps: sequence.steps,
    sawn: settled?.sawn ?? new Set<string>(),
  }));
  const build = planBuild(made, design, record, workshop, sheets, whole ? [] : [...ids]);
  const setups = setupsOf(
    cabinets.map(({ cabinet: solid }) => solid),
    workshop.shop,
  );
  const built = buildSummary({ plan: made, design, workshop, learned, build, unit });
  const shopping = shoppingOf({ cabinets }, design, workshop, purchases(laid, made, workshop), build);
  return {
    design,
    record,
    workshop,
    plan: made,
    cabinets,
    parts,
    lines: linesByPanel(made.parts),
    laid,
    build,
    built,
    setups: { ...setups, setups: inWantedOrder(setups.setups, design.setupOrder) },
    shopping,
    unit,
  };
}

const purchases = (laid: readonly LaidOut[], { parts }: ShopSetContext['plan'], workshop: ShopSetContext['workshop']): Purchase[] =>
  [
    ...laid.map(({ job: { product }, plan }) => ({ product, count: plan.sheets.filter(({ sheet }) => isNewSheet(sheet, product)).length })),
    ...boardPurchases(boardJobs(parts, workshop)),
  ].filter(({ count }) => count > 0);
