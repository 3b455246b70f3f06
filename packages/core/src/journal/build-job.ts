/** From a plan to a build: the inputs its steps are derived from, and the steps already done. */
import { buildOf, type Build } from '../build/build.ts';
import type { BuildJob, SheetsToSaw, ToHang, CabinetToBuild } from '../build/job.ts';
import { paceOf } from '../build/pace.ts';
import { aloneLimitKg } from '../checks/hang-checks.ts';
import { hangingHoles } from '../hang/holes.ts';
import { looseKg } from '../parts/opened.ts';
import { type Design } from '../model/design.ts';
import { joinedTo } from '../planner/joined-to.ts';
import type { Plan, CabinetPlan } from '../planner/plan.ts';
import type { Workshop } from '../model/workshop.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

/** The build job of a whole plan. `sheets`: those laid out so far. Only the named cabinets are built; all of them where none is named. */
export function buildJob(
  plan: Plan,
  design: Design,
  record: readonly RecordEntry[],
  workshop: Workshop,
  sheets: readonly SheetsToSaw[],
  only: readonly string[] = [],
): BuildJob {
  const wanted = plan.cabinets.filter(({ id }) => only.length === 0 || only.includes(id));
  const { parts } = plan;
  return {
    cabinets: wanted.map((cabinetPlan) => cabinetToBuild(cabinetPlan, design, workshop, joinedTo(plan, cabinetPlan.id))),
    rails: plan.rails
      .filter(({ rail }) => wanted.some(({ id, cabinet }) => cabinet.hanging.onRail && design.units[id]!.hanging.wallRail === rail.id))
      .map(({ rail, parts: own, layout }) => ({ id: rail.id, parts: own, screws: layout.pieces.length * 4 })),
    sheets,
    there: shopFacts(record).finished,
    boards: new Set(parts.flatMap(({ stock }) => (workshop.products[stock]?.kind === 'board' ? [stock] : []))),
    shop: workshop.shop,
    choices: design.build,
    setupOrder: design.setupOrder,
    ticked: shopFacts(record).ticked,
    made: new Set(shopFacts(record).operations.flatMap(({ made }) => made)),
    pace: paceOf(shopFacts(record).steps.map(({ done }) => done)),
  };
}

/** The build of a plan: steps, precedences, faults. */
export const planBuild = (...given: Parameters<typeof buildJob>): Build => buildOf(buildJob(...given));

function cabinetToBuild(cabinetPlan: CabinetPlan, { units: specs, wall }: Design, workshop: Workshop, beside: readonly string[]): CabinetToBuild {
  const spec = specs[cabinetPlan.id]!;
  return {
    cabinet: cabinetPlan.cabinet,
    parts: cabinetPlan.parts,
    finish: spec.finish,
    faced: new Set(cabinetPlan.cabinet.panels.flatMap(({ id, stock }) => (workshop.products[stock]?.faced ? [id] : []))),
    insetDoors: hasInsetDoors(spec),
    toHang: toHang(cabinetPlan, spec, wall, workshop, beside),
  };
}

/** Families with doors keep their fit under the same key. */
export const hasInsetDoors = (spec: CabinetSpec): boolean =>
  'doors' in spec && typeof spec.doors === 'object' && spec.doors !== null && 'lies' in spec.doors && spec.doors.lies === 'inset';

function toHang(cabinetPlan: CabinetPlan, spec: CabinetSpec, wall: Design['wall'], workshop: Workshop, beside: readonly string[]): ToHang {
  const holes = hangingHoles({ cabinet: cabinetPlan.cabinet, hang: cabinetPlan.hang, wall, at: spec.place, seating: cabinetPlan.seating.lower });
  const isLock = ({ kind }: { readonly kind: string }): boolean => kind === 'lock';
  return {
    looks: holes.wall.filter(({ state }) => state === 'look-first').length,
    wallScrews: holes.wall.filter((hole) => !isLock(hole)).length,
    cabinetScrews: holes.carcass.reduce((sum, { fromLeft }) => sum + fromLeft.length, 0),
    locks: holes.wall.some(isLock),
    rail: cabinetPlan.cabinet.hanging.onRail ? spec.hanging.wallRail : null,
    bareKg: cabinetPlan.weights.empty.mass.value - looseKg(cabinetPlan.cabinet, cabinetPlan.weights),
    limitKg: aloneLimitKg(cabinetPlan.cabinet, workshop),
    beside,
    spaces: cabinetPlan.cabinet.compartments.length,
    contentsKg: cabinetPlan.contentsKg,
  };
}
