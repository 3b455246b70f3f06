/** The largest cabinet that fits a free rectangle, and runs of equal cabinets in it, as edits. */
import { familyOf } from '../cabinets/families.ts';
import type { Finding } from '../checks/finding.ts';
import { entered, enteredFromNm, type Entered } from '../length/entered.ts';
import { NM_PER, type DisplayUnit, type Length } from '../length/length.ts';
import { freeRectangles, obstacles, runIn, wholeWall, type Clearances, type Run, type RunWish } from '../wall/free-space.ts';
import type { WallBlock, WallRect } from '../wall/placed.ts';
import type { Design } from '../model/design.ts';
import { applyEdit, type Edit, type EditStep } from '../model/edit.ts';
import type { Proposed } from './propose-box.ts';
import { canBeEntered, withoutStops, type TriedFix } from './issue-fixes.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

const STEP: Readonly<Record<DisplayUnit, number>> = { mm: NM_PER.mm, in: NM_PER.in / 16 };
const whole = (nm: number, unit: DisplayUnit, way: 'up' | 'down'): number =>
  (way === 'up' ? Math.ceil(nm / STEP[unit] - 1e-9) : Math.floor(nm / STEP[unit] + 1e-9)) * STEP[unit];
const say = (nm: number, unit: DisplayUnit): Entered => (unit === 'in' ? entered(`${nm / NM_PER.in} in`) : enteredFromNm(nm));

/** Smaller free rectangles are not offered. [A] */
const LEAST = 150 * NM_PER.mm;

/** Free rectangles for a cabinet of this depth, ignoring the blocks named in `leaving`. */
export function roomsFor(
  design: Pick<Design, 'wall'>,
  blocks: readonly WallBlock[],
  out: number,
  clear: Clearances,
  leaving: readonly string[] = [],
): WallRect[] {
  const others = blocks.filter(({ id }) => !leaving.includes(id));
  return freeRectangles(wholeWall(design.wall, clear), obstacles(design.wall, others, out, clear), { width: LEAST, height: LEAST });
}

/** Shares of the width and height to try, largest areas first: a wide cabinet may need a thicker sheet than there is. */
const SHARES = [1, 0.85, 0.7, 0.55, 0.4];
const SIZES = SHARES.flatMap((wide) => SHARES.map((high) => ({ wide, high }))).sort((a, b) => b.wide * b.high - a.wide * a.high || b.wide - a.wide);

/**
 * A cabinet of the design at the largest size that the free rectangle allows without a stop, in whole tape steps, with the fixes it needs; where every size
 * has a stop, the size with the fewest. Generator: yields null between two sizes so that a page can draw; its return value is the answer.
 */
export function* fillRoom(tried: TriedFix, spec: CabinetSpec, room: WallRect): Generator<null, Proposed> {
  let best: Proposed | undefined;
  for (const { wide, high } of SIZES) {
    const edit = sizedTo(spec, room, wide, high);
    if (!edit.every((step) => canBeEntered(tried.design, step))) continue;
    const filled = withoutStops(tried, spec.id, edit);
    // A fix that moves it out of the rectangle does not count.
    if (!liesIn(tried, spec.id, filled, room)) continue;
    if (sizeable(filled) === 0) return filled;
    if (!best || sizeable(filled) < sizeable(best)) best = filled;
    yield null;
  }
  return best ?? { edit: [], stops: [] };
}

function liesIn({ planner, design, record, workshop }: TriedFix, id: string, { edit }: Proposed, { left, right, bottom, top }: WallRect): boolean {
  const block = planner.plan(applyEdit(design, edit), record, workshop).byId.get(id)?.block;
  return block !== undefined && block.left >= left && block.right <= right && block.bottom >= bottom && block.top <= top;
}

/** Stops that no size resolves concern the wall, or what is known of it. */
const OF_THE_WALL: ReadonlySet<Finding['check']> = new Set(['cable-unknown', 'no-stud-anchors', 'moving-wall', 'unrated-fixing', 'ground', 'earthquake']);
const sizeable = ({ stops }: Proposed): number => stops.filter(({ check }) => !OF_THE_WALL.has(check)).length;

function sizedTo(spec: CabinetSpec, room: WallRect, wide: number, high: number): Edit {
  const { unit } = spec;
  const limit = (name: string): Length => {
    const field = familyOf(spec).form.fields.find(({ path }) => path.join('.') === name);
    return field?.kind === 'length' ? field.most : (Infinity as Length);
  };
  const bottom = whole(room.bottom, unit, 'up');
  const width = whole(Math.min((room.right - whole(room.left, unit, 'up')) * wide, limit('width')), unit, 'down');
  const height = whole(Math.min((room.top - bottom) * high, limit('height')), unit, 'down');
  // Centered in a rectangle it does not fill.
  const along = whole(room.left + (wide < 1 ? (room.right - room.left - width) / 2 : 0), unit, 'up');
  return [
    { path: ['units', spec.id, 'width'], value: say(width, unit) },
    { path: ['units', spec.id, 'height'], value: say(height, unit) },
    { path: ['units', spec.id, 'place', 'along'], value: say(along, unit) },
    { path: ['units', spec.id, 'place', 'up'], value: say(bottom, unit) },
  ];
}

export interface RunPlan {
  readonly run: Run;
  /** Null when the run does not fit. */
  readonly edit: Edit | null;
}

/** A run of equal cabinets in a free rectangle: the cabinet itself and copies of it, with ids from `newId`. Items stay with the first. */
export function runOfCabinets(design: Design, spec: CabinetSpec, room: WallRect, wish: RunWish, newId: () => string): RunPlan {
  const run = runIn(room, wish, spec.unit);
  if (run.left < 0 || run.width < 100 * NM_PER.mm) return { run, edit: null };
  const order = Object.values(design.units).reduce((most, spec) => Math.max(most, spec.order), 0);
  const width = say(whole(run.width, spec.unit, 'down'), spec.unit);
  const steps = run.lefts.flatMap((at, index): EditStep[] => {
    const along = enteredFromNm(at);
    if (index === 0)
      return [
        { path: ['units', spec.id, 'width'], value: width },
        { path: ['units', spec.id, 'place', 'along'], value: along },
      ];
    const id = newId();
    const copy: CabinetSpec = {
      ...spec,
      id,
      order: order + index,
      name: `${spec.name} ${index + 1}`.slice(0, 80),
      width,
      rows: {},
      place: { ...spec.place, along },
    };
    return [{ path: ['units', id], value: copy }];
  });
  return { run, edit: steps };
}

/** How far a hung cabinet could grow to each side before it meets something. */
export function roomAbout({ left, right, bottom, top }: WallRect, rooms: readonly WallRect[]): WallRect | null {
  const about = rooms.filter((room) => room.left <= left && room.right >= right && room.bottom <= bottom && room.top >= top);
  if (about.length === 0) return null;
  return about.reduce((a, b) => ({
    left: Math.min(a.left, b.left),
    right: Math.max(a.right, b.right),
    bottom: Math.min(a.bottom, b.bottom),
    top: Math.max(a.top, b.top),
  }));
}
