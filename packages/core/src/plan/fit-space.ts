/** The largest unit a free rectangle takes, and runs of equal units in it: edits made from the room there is. */
import type { UnitDesign } from '../carcass/families.ts';
import { entered, exactly, type Entered } from '../length/entered.ts';
import { NM_PER, type DisplayUnit } from '../length/length.ts';
import { freeRectangles, obstacles, runIn, wholeWall, type Clearances, type Run, type RunWish } from '../wall/free-space.ts';
import type { Block, Rect } from '../wall/placed.ts';
import type { Design } from './design.ts';
import type { Edit, EditStep } from './edit.ts';

const STEP: Readonly<Record<DisplayUnit, number>> = { mm: NM_PER.mm, in: NM_PER.in / 16 };
const whole = (nm: number, unit: DisplayUnit, way: 'up' | 'down'): number =>
  (way === 'up' ? Math.ceil(nm / STEP[unit] - 1e-9) : Math.floor(nm / STEP[unit] + 1e-9)) * STEP[unit];
const say = (nm: number, unit: DisplayUnit): Entered => (unit === 'in' ? entered(`${nm / NM_PER.in} in`) : exactly(nm));

/** Smaller rooms are not worth a cabinet. [A] */
const LEAST = 150 * NM_PER.mm;

/** Free rectangles for a unit that stands so far out, without the blocks named in `leaving`. */
export function roomsFor(design: Pick<Design, 'wall'>, blocks: readonly Block[], out: number, clear: Clearances, leaving: readonly string[] = []): Rect[] {
  const others = blocks.filter(({ id }) => !leaving.includes(id));
  return freeRectangles(wholeWall(design.wall, clear), obstacles(design.wall, others, out, clear)).filter(
    ({ left, right, bottom, top }) => right - left >= LEAST && top - bottom >= LEAST,
  );
}

/** A unit made as large as a room, in whole steps of the tape. */
export function fillRoom(box: UnitDesign, room: Rect): Edit {
  const { unit } = box;
  const left = whole(room.left, unit, 'up');
  const bottom = whole(room.bottom, unit, 'up');
  return [
    { path: ['units', box.id, 'width'], value: say(whole(Math.min(room.right - left, 3000 * NM_PER.mm), unit, 'down'), unit) },
    { path: ['units', box.id, 'height'], value: say(whole(Math.min(room.top - bottom, 2700 * NM_PER.mm), unit, 'down'), unit) },
    { path: ['units', box.id, 'place', 'along'], value: say(left, unit) },
    { path: ['units', box.id, 'place', 'up'], value: say(bottom, unit) },
  ];
}

export interface RunPlan {
  readonly run: Run;
  /** Null when the run does not fit. */
  readonly edit: Edit | null;
}

/** A run of equal units in a room: the unit itself and copies of it, whose ids come from `newId`. Things stay with the first. */
export function runOfUnits(design: Design, box: UnitDesign, room: Rect, wish: RunWish, newId: () => string): RunPlan {
  const run = runIn(room, wish, box.unit);
  if (run.left < 0 || run.width < 100 * NM_PER.mm) return { run, edit: null };
  const order = Object.values(design.units).reduce((most, unit) => Math.max(most, unit.order), 0);
  const width = say(whole(run.width, box.unit, 'down'), box.unit);
  const steps = run.lefts.flatMap((at, index): EditStep[] => {
    const along = exactly(at);
    if (index === 0)
      return [
        { path: ['units', box.id, 'width'], value: width },
        { path: ['units', box.id, 'place', 'along'], value: along },
      ];
    const id = newId();
    const copy: UnitDesign = {
      ...box,
      id,
      order: order + index,
      name: `${box.name} ${index + 1}`.slice(0, 80),
      width,
      rows: {},
      place: { ...box.place, along },
    };
    return [{ path: ['units', id], value: copy }];
  });
  return { run, edit: steps };
}

/** Free room about a unit where it hangs: how far it could grow to each side before it meets something. */
export function roomAbout({ left, right, bottom, top }: Rect, rooms: readonly Rect[]): Rect | null {
  const about = rooms.filter((room) => room.left <= left && room.right >= right && room.bottom <= bottom && room.top >= top);
  if (about.length === 0) return null;
  return about.reduce((a, b) => ({
    left: Math.min(a.left, b.left),
    right: Math.max(a.right, b.right),
    bottom: Math.min(a.bottom, b.bottom),
    top: Math.max(a.top, b.top),
  }));
}
