/** A box of its own for a set-out: built, given its openings and things, and hung where there is room. One edit, one undo. */
import type { UnitDesign } from '../carcass/families.ts';
import type { ShelfBox } from '../carcass/shelf-box.ts';
import type { Finding } from '../checks/finding.ts';
import type { SetOut } from '../contents/set-out.ts';
import { wallRows } from '../hang/wall-rows.ts';
import { exactly } from '../length/entered.ts';
import { NM_PER } from '../length/length.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import type { Workshop } from '../stock/workshop.ts';
import type { Design, RecordEntry } from './design.ts';
import { applyEdit, type Edit } from './edit.ts';
import type { Planner, UnitPlan } from './plan.ts';
import { withoutStops } from './settling.ts';
import { placeFor, setOutEdit, type SetOutWish } from './set-out-plan.ts';

/** The design with a box that is not in it yet, and that box's plan: what a set-out for a new box is asked of. */
export function withBox(
  planner: Planner,
  design: Design,
  record: readonly RecordEntry[],
  workshop: Workshop,
  box: ShelfBox,
): { design: Design; unitPlan: UnitPlan } {
  const wider: Design = { ...design, units: { ...design.units, [box.id]: box } };
  return { design: wider, unitPlan: planner.plan(wider, record, workshop).byId.get(box.id)! };
}

/** Heights over a unit's bottom at which screws go into the wall, nm: the rows of its cleat, and the lock. */
export function screwRows(unit: ResolvedUnit): number[] {
  const { topMm, lowMm, upper, lower } = wallRows(unit);
  const foot = unit.hanging.valleyUp - unit.hanging.shortFace;
  return [
    ...(upper > 0 ? [foot + topMm * NM_PER.mm] : []),
    ...(lower > 0 ? [foot + lowMm * NM_PER.mm] : []),
    ...(unit.hanging.antiLift ? [unit.hanging.standoffUp] : []),
  ];
}

/** Where a new unit hangs: over studs and clear of what is on the wall; beyond all others where there is no such place. */
export function freePlace(planner: Planner, design: Design, record: readonly RecordEntry[], workshop: Workshop, box: UnitDesign): UnitDesign {
  const wider: Design = { ...design, units: { ...design.units, [box.id]: box } };
  const { units, byId } = planner.plan(wider, record, workshop);
  const unitPlan = byId.get(box.id);
  if (!unitPlan) return box;
  const blocks = units.map(({ block }) => block).filter(({ id }) => id !== box.id);
  const placing = placeFor(wider, { blocks, unitPlan, rows: screwRows(unitPlan.unit) });
  const beyond = blocks.reduce((most, { right }) => Math.max(most, right), 0);
  return (applyEdit(wider, placing ?? [{ path: ['units', box.id, 'place', 'along'], value: exactly(beyond) }]).units[box.id] ?? box) as UnitDesign;
}

/**
 * The edit that adds the box as it was set out, placed over studs and clear of what is on the wall, with the fixes of what would have to stop
 * it. `placed` is false when no place was found; `stops` are what no fix settles.
 */
export function proposeBox(
  planner: Planner,
  design: Design,
  record: readonly RecordEntry[],
  workshop: Workshop,
  box: ShelfBox,
  wish: SetOutWish,
  found: SetOut,
  newId: () => string,
): { readonly edit: Edit; readonly placed: boolean; readonly stops: readonly Finding[] } {
  const start = withBox(planner, design, record, workshop, box);
  const setting = setOutEdit(start.design, start.unitPlan, wish, found, newId);
  const adding: Edit = [{ path: ['units', box.id], value: box }, ...setting];
  const set = applyEdit(design, adding);
  const made = planner.plan(set, record, workshop);
  const unitPlan = made.byId.get(box.id)!;
  const placing = placeFor(set, { blocks: made.units.map(({ block }) => block), unitPlan, rows: screwRows(unitPlan.unit) });
  const { edit, stops } = withoutStops({ planner, design, record, workshop }, box.id, [...adding, ...(placing ?? [])]);
  return { edit, placed: placing !== null, stops };
}
