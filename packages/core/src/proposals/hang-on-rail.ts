/** Hangs a cabinet on a wall rail: its cleat ripped like the rail's, its bottom where the rail puts it. One edit. */
import { enteredFromNm } from '../length/entered.ts';
import type { Design } from '../model/design.ts';
import { applyEdit, type Edit } from '../model/edit.ts';
import type { Planner } from '../planner/plan.ts';
import type { Workshop } from '../model/workshop.ts';
import type { RecordEntry } from '../model/record.ts';

/**
 * The edit. The height of the bevel is known only once the cleat is ripped, so the cabinet is planned first.
 * @throws RangeError on a cabinet or rail that does not exist
 */
export function hangOnRail(planner: Planner, design: Design, record: readonly RecordEntry[], workshop: Workshop, cabinetId: string, railId: string): Edit {
  const rail = Object.hasOwn(design.wall.rails, railId) ? design.wall.rails[railId] : undefined;
  if (!rail || !Object.hasOwn(design.units, cabinetId)) throw new RangeError(`there is no unit '${cabinetId}' or no rail '${railId}'`);
  const at = (...path: string[]): string[] => ['units', cabinetId, ...path];
  const ripped: Edit = [
    { path: at('hanging', 'wallRail'), value: railId },
    { path: at('hanging', 'stock'), value: rail.stock },
    { path: at('hanging', 'boardWidth'), value: rail.boardWidth },
    { path: at('hanging', 'bevelDeg'), value: rail.bevelDeg },
  ];
  const { cabinet } = planner.plan(applyEdit(design, ripped), record, workshop).byId.get(cabinetId)!;
  return [...ripped, { path: at('place', 'up'), value: enteredFromNm(rail.up.nm - cabinet.hanging.valleyUp) }];
}
