/** A new cabinet for a set-out: built, with its openings and items, and hung where there is room. One edit, one undo. */
import type { Finding } from '../checks/finding.ts';
import type { SetOut } from '../contents/set-out.ts';
import { enteredFromNm } from '../length/entered.ts';
import type { Design } from '../model/design.ts';
import { applyEdit, type Edit } from '../model/edit.ts';
import type { Planner, CabinetPlan } from '../planner/plan.ts';
import { withoutStops, type TriedFix } from './issue-fixes.ts';
import { placeFor, setOutEdit, type SetOutWish } from './set-out-plan.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';
import type { Workshop } from '../model/workshop.ts';
import type { RecordEntry } from '../model/record.ts';

/** The design with a cabinet that is not part of it yet, and that cabinet's plan: the basis of a set-out for a new cabinet. */
export function withBox(
  planner: Planner,
  design: Design,
  record: readonly RecordEntry[],
  workshop: Workshop,
  box: ShelfBox,
): { design: Design; cabinetPlan: CabinetPlan } {
  const wider: Design = { ...design, units: { ...design.units, [box.id]: box } };
  return { design: wider, cabinetPlan: planner.plan(wider, record, workshop).byId.get(box.id)! };
}

export interface Proposed {
  readonly edit: Edit;
  /** Stops that no fix resolves. */
  readonly stops: readonly Finding[];
}

/** The edit that adds a cabinet over studs and clear of obstacles, or beyond all others where there is no such place, with the fixes of its stops. */
export function addCabinet(tried: TriedFix, spec: CabinetSpec): Proposed {
  const { planner, design, record, workshop } = tried;
  const adding: Edit = [{ path: ['units', spec.id], value: spec }];
  const wider = applyEdit(design, adding);
  const { cabinets, byId } = planner.plan(wider, record, workshop);
  const cabinetPlan = byId.get(spec.id);
  if (!cabinetPlan) return { edit: adding, stops: [] };
  const blocks = cabinets.map(({ block }) => block).filter(({ id }) => id !== spec.id);
  const placing = placeFor(wider, blocks, cabinetPlan);
  const beyond = blocks.reduce((most, { right }) => Math.max(most, right), 0);
  return withoutStops(tried, spec.id, [...adding, ...(placing ?? [{ path: ['units', spec.id, 'place', 'along'], value: enteredFromNm(beyond) }])]);
}

/**
 * The edit that adds the cabinet of a set-out over studs and clear of obstacles, with the fixes of its stops. `placed` is false when no place was found;
 * `stops` are those that no fix resolves.
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
): Proposed & { readonly placed: boolean } {
  const start = withBox(planner, design, record, workshop, box);
  const setting = setOutEdit(start.design, start.cabinetPlan, wish, found, newId);
  const adding: Edit = [{ path: ['units', box.id], value: box }, ...setting];
  const set = applyEdit(design, adding);
  const made = planner.plan(set, record, workshop);
  const cabinetPlan = made.byId.get(box.id)!;
  const placing = placeFor(
    set,
    made.cabinets.map(({ block }) => block),
    cabinetPlan,
  );
  const { edit, stops } = withoutStops({ planner, design, record, workshop }, box.id, [...adding, ...(placing ?? [])]);
  return { edit, placed: placing !== null, stops };
}
