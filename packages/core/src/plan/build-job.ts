/** From a plan to a build: what the steps are derived from, and which of them are done. */
import { buildOf, type Build } from '../build/build.ts';
import type { BuildJob, SheetsToSaw, ToHang, UnitToBuild } from '../build/job.ts';
import { paceOf } from '../build/pace.ts';
import { aloneLimitKg } from '../checks/hang-checks.ts';
import { hangingHoles } from '../hang/holes.ts';
import { looseKg } from '../parts/opened.ts';
import type { Workshop } from '../stock/workshop.ts';
import type { UnitDesign } from '../carcass/families.ts';
import { finishedParts, activeOperations, activeSteps, tickedSteps, type Design, type RecordEntry } from './design.ts';
import { joinedTo } from './joined-to.ts';
import type { Plan, UnitPlan } from './plan.ts';

/** The job of a whole plan. `sheets`: those that are laid out so far. Only units that are named are built, all where none is. */
export function buildJob(
  plan: Plan,
  design: Design,
  record: readonly RecordEntry[],
  workshop: Workshop,
  sheets: readonly SheetsToSaw[],
  only: readonly string[] = [],
): BuildJob {
  const wanted = plan.units.filter(({ id }) => only.length === 0 || only.includes(id));
  const { parts } = plan;
  return {
    units: wanted.map((unit) => unitToBuild(unit, design, workshop, joinedTo(plan, unit.id))),
    rails: plan.rails
      .filter(({ rail }) => wanted.some(({ id, unit }) => unit.hanging.onRail && design.units[id]!.hanging.wallRail === rail.id))
      .map(({ rail, parts: own, layout }) => ({ id: rail.id, parts: own, screws: layout.pieces.length * 4 })),
    sheets,
    there: finishedParts(record),
    boards: new Set(parts.flatMap(({ stock }) => (workshop.products[stock]?.kind === 'board' ? [stock] : []))),
    shop: workshop.shop,
    choices: design.build,
    setupOrder: design.setupOrder,
    ticked: tickedSteps(record),
    made: new Set(activeOperations(record).flatMap(({ made }) => made)),
    pace: paceOf(activeSteps(record).map(({ done }) => done)),
  };
}

/** The build of a plan: steps, reasons, faults. */
export const planBuild = (...given: Parameters<typeof buildJob>): Build => buildOf(buildJob(...given));

function unitToBuild(unit: UnitPlan, { units, wall }: Design, workshop: Workshop, beside: readonly string[]): UnitToBuild {
  const box = units[unit.id]!;
  return {
    unit: unit.unit,
    parts: unit.parts,
    finish: box.finish,
    faced: new Set(unit.unit.panels.flatMap(({ id, stock }) => (workshop.products[stock]?.faced ? [id] : []))),
    insetDoors: hasInsetDoors(box),
    toHang: toHang(unit, box, wall, workshop, beside),
  };
}

/** Families with doors keep how they lie under the same name. */
export const hasInsetDoors = (box: UnitDesign): boolean =>
  'doors' in box && typeof box.doors === 'object' && box.doors !== null && 'lies' in box.doors && box.doors.lies === 'inset';

function toHang(unit: UnitPlan, box: UnitDesign, wall: Design['wall'], workshop: Workshop, beside: readonly string[]): ToHang {
  const holes = hangingHoles({ unit: unit.unit, hang: unit.hang, wall, at: box.place, seating: unit.seating.lower });
  const isLock = ({ kind }: { readonly kind: string }): boolean => kind === 'lock';
  return {
    looks: holes.wall.filter(({ state }) => state === 'look-first').length,
    wallScrews: holes.wall.filter((hole) => !isLock(hole)).length,
    cabinetScrews: holes.carcass.reduce((sum, { fromLeft }) => sum + fromLeft.length, 0),
    locks: holes.wall.some(isLock),
    rail: unit.unit.hanging.onRail ? box.hanging.wallRail : null,
    bareKg: unit.weights.empty.mass.value - looseKg(unit.unit, unit.weights),
    limitKg: aloneLimitKg(unit.unit, workshop),
    beside,
    spaces: unit.unit.compartments.length,
    contentsKg: unit.contentsKg,
  };
}
