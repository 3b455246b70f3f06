/** What keeps an item on its floor: a floor that falls to the back, or something upright at its front edge. */
import type { Compartment, ResolvedCabinet } from '../solid/cabinet.ts';
import { boundsOf } from '../solid/views.ts';

/** Fall to the back that keeps rolls in place. [ASSUME] */
export const BACK_TILT_DEG = 3;
/** Least height of a lip above the floor. [ASSUME] */
const MIN_LIP_MM = 8;
/** Greatest gap under a bar across the front edge. [ASSUME] */
const MAX_UNDER_LIP_MM = 40;
/** Least share of the opening's width covered by a lip. [ASSUME] */
const MIN_COVERED = 0.5;
/** Front part of the floor where a lip counts, and how far in front of it. [ASSUME] */
const FRONT_PART = 0.3;
const BEFORE_EDGE_MM = 40;

/** Fall of a floor to the back, degrees: 0 for a level one, negative for one that falls to the front. */
export function backTiltDeg({ byId }: Pick<ResolvedCabinet, 'byId'>, { floor }: Pick<Compartment, 'floor'>): number {
  const { w } = byId.get(floor)!.frame;
  const up = w.up < 0 ? -1 : 1;
  // The normal of a floor that falls to the back leans back.
  return (Math.atan2(-w.out * up, Math.abs(w.up)) * 180) / Math.PI;
}

/** Whether a strip, a front or an edging stands at the front edge of a floor. */
export function hasLip(cabinet: Pick<ResolvedCabinet, 'byId' | 'panels'>, { floor, width, at }: Pick<Compartment, 'floor' | 'width' | 'at'>): boolean {
  const { low, high } = boundsOf(cabinet.byId.get(floor)!);
  const [left, right] = [at.along / 1e6, (at.along + width.value) / 1e6];
  const front = high.out - FRONT_PART * (high.out - low.out);
  return cabinet.panels.some((panel) => {
    if (panel.id === floor || panel.onWall || panel.role === 'door') return false;
    const box = boundsOf(panel);
    const covered = Math.min(box.high.along, right) - Math.max(box.low.along, left);
    return (
      covered >= MIN_COVERED * (right - left) &&
      box.low.out >= front &&
      box.low.out <= high.out + BEFORE_EDGE_MM &&
      box.high.up >= high.up + MIN_LIP_MM &&
      box.low.up <= high.up + MAX_UNDER_LIP_MM
    );
  });
}
