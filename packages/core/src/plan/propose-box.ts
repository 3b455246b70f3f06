/** A box of its own for a set-out: built, given its openings and things, and hung where there is room. One edit, one undo. */
import type { ShelfBox } from '../carcass/shelf-box.ts';
import type { SetOut } from '../contents/set-out.ts';
import { wallRows } from '../hang/wall-rows.ts';
import { NM_PER } from '../length/length.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import type { Workshop } from '../stock/workshop.ts';
import type { Design, RecordEntry } from './design.ts';
import { applyEdit, type Edit } from './edit.ts';
import type { Planner, UnitPlan } from './plan.ts';
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

/** Heights of the wall screws' rows over a unit's bottom, nm. */
export function screwRows(unit: ResolvedUnit): number[] {
  const { topMm, lowMm, upper, lower } = wallRows(unit);
  const foot = unit.hanging.valleyUp - unit.hanging.shortFace;
  return [...(upper > 0 ? [foot + topMm * NM_PER.mm] : []), ...(lower > 0 ? [foot + lowMm * NM_PER.mm] : [])];
}

/** The edit that adds the box as it was set out, placed over studs and clear of what is on the wall. `placed` is false when no place was found. */
export function proposeBox(
  planner: Planner,
  design: Design,
  record: readonly RecordEntry[],
  workshop: Workshop,
  box: ShelfBox,
  wish: SetOutWish,
  found: SetOut,
  newId: () => string,
): { readonly edit: Edit; readonly placed: boolean } {
  const start = withBox(planner, design, record, workshop, box);
  const setting = setOutEdit(start.design, start.unitPlan, wish, found, newId);
  const adding: Edit = [{ path: ['units', box.id], value: box }, ...setting];
  const set = applyEdit(design, adding);
  const made = planner.plan(set, record, workshop);
  const unitPlan = made.byId.get(box.id)!;
  const placing = placeFor(set, { blocks: made.units.map(({ block }) => block), unitPlan, rows: screwRows(unitPlan.unit) });
  return { edit: [...adding, ...(placing ?? [])], placed: placing !== null };
}
