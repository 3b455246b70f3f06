/** Values derived from the open project: the plan is a selector, so undo and save need only the design and the record. */
import {
  availableTo,
  createPlanner,
  learnedWorkshop,
  preview,
  specsInOrder,
  type DisplayUnit,
  type LearnedWorkshop,
  type Plan,
  type CabinetSpec,
  type CabinetPlan,
  type UnplannedCabinet,
  type Workshop,
} from '@keen/core';
import { createSelector } from '@reduxjs/toolkit';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { useAppSelector, type State } from '../../app/store.ts';
import type { ProjectState } from './project.slice.ts';

const planner = createPlanner();
/** Previews have a planner of their own, so that trying a fix does not evict the shown plan. */
export const previewPlanner = createPlanner();

export const selectOpen = (state: State): ProjectState => {
  if (!state.project.open) throw new Error('no project is open');
  return state.project.open;
};
export const selectDesign = (state: State) => selectOpen(state).design;
/** The workshop as available to this project, without stock reserved for others. */
export const selectAvailable: (state: State) => Workshop = createSelector(
  [(state: State) => selectOpen(state).workshop, (state: State) => selectOpen(state).id],
  availableTo,
);
export const selectPlan: (state: State) => Plan = createSelector(
  [selectDesign, (state: State) => selectOpen(state).record, selectAvailable],
  (design, record, workshop) => planner.plan(design, record, workshop),
);

/** The workshop corrected by the project's test cuts, and their results. */
export const selectLearned: (state: State) => LearnedWorkshop = createSelector([(state: State) => selectOpen(state).record, selectAvailable], learnedWorkshop);

export interface ShownCabinet {
  readonly spec: CabinetSpec;
  readonly plan: CabinetPlan;
  /** Display unit of its lengths. */
  readonly unit: DisplayUnit;
}

/** In an address: no cabinet in particular. */
export const NO_CABINET = 'none';

/** Id of the cabinet on show: from the address, whether it exists or not; else the project's first. */
function useUnitId(): string | undefined {
  const { unitId: cabinetId = NO_CABINET } = useParams();
  const design = useAppSelector(selectDesign);
  return cabinetId === NO_CABINET ? specsInOrder(design)[0]?.id : cabinetId;
}

/** The cabinet on show; undefined without one, or without a plan of it. */
export function useCabinet(): ShownCabinet | undefined {
  const id = useUnitId();
  const design = useAppSelector(selectDesign);
  const plan = useAppSelector(selectPlan);
  const chosen = useAppSelector(({ view }) => view.unit);
  const cabinetPlan = id === undefined ? undefined : plan.byId.get(id);
  const spec = cabinetPlan && design.units[cabinetPlan.id];
  return spec && cabinetPlan ? { spec, plan: cabinetPlan, unit: chosen ?? spec.unit } : undefined;
}

export interface UnplannedShown {
  readonly spec: CabinetSpec;
  readonly unplanned: UnplannedCabinet;
  readonly unit: DisplayUnit;
}

/** The cabinet on show where it has no plan. */
export function useUnplanned(): UnplannedShown | undefined {
  const id = useUnitId();
  const design = useAppSelector(selectDesign);
  const plan = useAppSelector(selectPlan);
  const chosen = useAppSelector(({ view }) => view.unit);
  const unplanned = plan.unplanned.find((each) => each.id === id);
  const spec = unplanned && design.units[unplanned.id];
  return unplanned && spec ? { unplanned, spec, unit: chosen ?? spec.unit } : undefined;
}

/** Whether the address names a cabinet the project does not have, while it has others. */
export function useIsUnknownCabinet(): boolean {
  const id = useUnitId();
  const design = useAppSelector(selectDesign);
  return id !== undefined && Object.keys(design.units).length > 0 && !Object.hasOwn(design.units, id);
}

/** Display unit of lengths that belong to no cabinet. */
export function useDisplayUnit(): DisplayUnit {
  const chosen = useAppSelector(({ view }) => view.unit);
  const own = useAppSelector((state) => state.project.open?.design.unit ?? 'mm');
  return chosen ?? own;
}

/** The cabinet after the previewed fix; null without one, or for another cabinet. */
export function useGhost(cabinetId: string): CabinetPlan | null {
  const ghost = useAppSelector(({ view }) => view.ghost);
  const { design, record } = useAppSelector(selectOpen);
  const workshop = useAppSelector(selectAvailable);
  return useMemo(() => {
    if (ghost?.unit !== cabinetId) return null;
    const tried = preview(previewPlanner, design, record, workshop, cabinetId, ghost.edit);
    return tried ? (previewPlanner.plan(tried.design, record, workshop).byId.get(cabinetId) ?? null) : null;
  }, [ghost, cabinetId, design, record, workshop]);
}
