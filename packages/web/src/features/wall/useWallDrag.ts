/** Dragging a cabinet over the wall: it snaps to studs, other cabinets, rails and the wall's ends; the edit is made at the drop. */
import { entered, NM_PER, snap, studsOf, type DisplayUnit, type Entered, type Plan, type SnapTarget, type Wall } from '@keen/core';

const STEP: Readonly<Record<DisplayUnit, number>> = { mm: NM_PER.mm, in: NM_PER.in / 16 };

/** A length rounded to the tape, as it would be typed. */
export const stepped = (nm: number, unit: DisplayUnit): Entered => {
  const steps = Math.round(nm / STEP[unit]);
  return unit === 'mm' ? entered(`${steps} mm`) : entered(`${steps / 16} in`);
};
const exact = (nm: number): Entered => entered(`${nm / 1e6} mm`);

export interface Dragged {
  readonly along: Entered;
  readonly up: Entered;
  /** The snap target in words. */
  readonly to: string;
}

const SNAP_WORDS = { stud: 'stud', edge: 'in line with a neighbor', rail: 'rail', wall: 'end of the wall' } as const;

/** Position of a dragged cabinet; `reach` is the snap distance. */
export function draggedTo(wall: Wall, plan: Plan, id: string, at: { along: number; up: number }, reach: number, unit: DisplayUnit): Dragged {
  const { block, cabinet: solid } = plan.byId.get(id)!;
  const [wide, high] = [block.right - block.left, block.top - block.bottom];
  const others = plan.cabinets.filter((each) => each.id !== id).map((each) => each.block);
  const sideways: SnapTarget[] = [
    { at: 0, to: 'wall' },
    { at: wall.width.nm, to: 'wall' },
    ...others.flatMap(({ left, right }): SnapTarget[] => [
      { at: left, to: 'edge' },
      { at: right, to: 'edge' },
    ]),
    ...studsOf(wall).map(({ at: stud }): SnapTarget => ({ at: stud, to: 'stud' })),
  ];
  const along = snap(at.along, [0, wide, wide / 2], sideways, reach);
  const upwards: SnapTarget[] = others.flatMap(({ bottom, top }): SnapTarget[] => [
    { at: bottom, to: 'edge' },
    { at: top, to: 'edge' },
  ]);
  const toEdge = snap(at.up, [0, high], upwards, reach);
  const toRail = snap(
    at.up,
    [solid.hanging.valleyUp],
    Object.values(wall.rails).map(({ up }): SnapTarget => ({ at: up.nm, to: 'rail' })),
    reach,
  );
  const up = toRail.to ? toRail : toEdge;
  const words = [along.to, up.to].filter((to) => to !== null).map((to) => SNAP_WORDS[to]);
  return { along: along.to ? exact(along.at) : stepped(along.at, unit), up: up.to ? exact(up.at) : stepped(up.at, unit), to: words.join(', ') };
}

/** A drag that starts along the wall stays along it: the other axis counts from here on, px. */
const STRAY_PX = { touch: 20, mouse: 5 } as const;

/** A drag without unintended sideways movement. */
export function straight(dx: number, dy: number, isTouch: boolean): [number, number] {
  const stray = isTouch ? STRAY_PX.touch : STRAY_PX.mouse;
  return Math.abs(dx) >= Math.abs(dy) ? [dx, Math.abs(dy) < stray ? 0 : dy] : [Math.abs(dx) < stray ? 0 : dx, dy];
}
