/** From a set-out to a cabinet: its available inside, and the edit that creates the openings and places the items. */
import { FLOOR } from '../cabinets/shelf-box.ts';
import type { SetOut } from '../contents/set-out.ts';
import type { SetOutJob, SetOutLot } from '../contents/set-out-job.ts';
import { homesOf, itemsInOrder } from '../contents/item.ts';
import { massOfOne } from '../contents/item-mass.ts';
import { reachOf } from '../contents/person.ts';
import { entered, enteredFromNm, type Entered } from '../length/entered.ts';
import { NM_PER, type DisplayUnit, type Length } from '../length/length.ts';
import { MAX_SHELVES } from '../cabinets/form.ts';
import { isShelfBox } from '../cabinets/families.ts';
import type { WallBlock } from '../wall/placed.ts';
import { proposePlaces, type ScrewPlaces } from '../wall/placing.ts';
import { minFromEndMm } from '../hang/wall-links.ts';
import { wallRows } from '../hang/wall-rows.ts';
import { hasFloor, countPlaced } from '../planner/contents.ts';
import type { Design } from '../model/design.ts';
import type { Edit, EditStep } from '../model/edit.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { CabinetPlan } from '../planner/plan.ts';
import type { ShelfBox, ShelfElement } from '../model/specs/shelf-box.ts';
import type { Home, Item } from '../model/item.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** Limits of a set-out: the greatest outer sizes. */
export interface SetOutWish {
  readonly mode: 'this-box' | 'smallest';
  readonly width: Length;
  readonly depth: Length;
  readonly height: Length;
  readonly grow: boolean;
  /** Items without a place are set out too. */
  readonly takeUnplaced: boolean;
}

export const kgOf = (item: Item): number => massOfOne(item).value;

/** Clear inside of a cabinet over all its shelves, and what its carcass adds to each dimension. */
export function insideOf({ cabinet, block }: CabinetPlan): {
  readonly clear: { width: Length; depth: Length; height: Length };
  readonly frame: { width: Length; depth: Length; height: Length };
} {
  const first = cabinet.compartments[0]!;
  const last = cabinet.compartments.at(-1)!;
  const height = (last.at.up + last.height.value - first.at.up) as Length;
  const clear = { width: first.width.value, depth: first.depth.value, height };
  return {
    clear,
    frame: {
      width: (cabinet.outside.width.value - clear.width) as Length,
      depth: (block.out - clear.depth) as Length,
      height: (cabinet.outside.height.value - height) as Length,
    },
  };
}

/** The set-out job of a wish for a cabinet. */
export function setOutJob(design: Design, cabinetPlan: CabinetPlan, wish: SetOutWish): SetOutJob {
  const spec = design.units[cabinetPlan.id]!;
  const { clear, frame } = insideOf(cabinetPlan);
  const most = (outer: Length, added: Length): Length => Math.max(1, outer - added) as Length;
  const limits =
    wish.mode === 'this-box' ? clear : { width: most(wish.width, frame.width), depth: most(wish.depth, frame.depth), height: most(wish.height, frame.height) };
  return {
    lots: lotsFor(design, spec, wish.takeUnplaced),
    ...limits,
    thickness: cabinetPlan.cabinet.byId.get(cabinetPlan.cabinet.compartments[0]!.floor)!.thickness,
    topHeight: Math.min(underTop(cabinetPlan.cabinet), limits.height) as Length,
    floorUp: (spec.place.up.nm + cabinetPlan.cabinet.compartments[0]!.at.up) as Length,
    zone: reachOf(design.person.height.nm),
    elements: cabinetPlan.cabinet.compartments.map(({ keptBy }) => keptBy),
    maxLevels: MAX_SHELVES + 1,
    grow: wish.grow,
  };
}

/** How far a part under the top reaches down into the inside, in the way of a shelf; 0 for none. */
function underTop({ panels, compartments }: ResolvedCabinet): Length {
  const top = compartments.at(-1)!;
  const ceiling = top.at.up + top.height.value;
  const feet = panels.filter(({ role }) => role === 'hanging-rail').map(({ frame }) => frame.origin.up);
  return Math.max(0, ...feet.map((foot) => ceiling - foot)) as Length;
}

function lotsFor({ items, units: specs }: Design, spec: CabinetSpec, takeUnplaced: boolean): SetOutLot[] {
  return itemsInOrder(items).flatMap((item): SetOutLot[] => {
    const homes = homesOf(item).filter(({ unit }) => unit === spec.id);
    const pinned = homes.filter(({ pinned: stays, on }) => stays && hasFloor(spec, on)).map(({ on, count }) => ({ item, count, pinned: true, on }));
    const loose = homes.reduce((sum, { on, count, pinned: stays }) => sum + (stays || !hasFloor(spec, on) ? 0 : count), 0);
    const free = loose + (takeUnplaced ? Math.max(0, item.count - countPlaced(item, specs)) : 0);
    return free > 0 ? [...pinned, { item, count: free, pinned: false, on: null }] : pinned;
  });
}

/** Openings are rounded up to whole tape steps. */
const STEP: Readonly<Record<DisplayUnit, number>> = { mm: NM_PER.mm, in: NM_PER.in / 16 };
const stepUp = (nm: number, unit: DisplayUnit): number => Math.ceil(nm / STEP[unit] - 1e-9) * STEP[unit];

const say = (nm: number, unit: DisplayUnit): Entered =>
  unit === 'in' && Number.isInteger((nm / NM_PER.in) * 64) ? entered(`${nm / NM_PER.in} in`) : enteredFromNm(nm);

/** The edit that gives a cabinet the openings of a set-out and places its items. New shelves take their ids from `newId`. */
export function setOutEdit(design: Design, cabinetPlan: CabinetPlan, wish: SetOutWish, found: SetOut, newId: () => string): Edit {
  const spec = design.units[cabinetPlan.id]!;
  if (!isShelfBox(spec)) throw new RangeError(`unit '${cabinetPlan.id}' has no shelves to set out on`);
  const { clear, frame } = insideOf(cabinetPlan);
  const T = cabinetPlan.cabinet.byId.get(cabinetPlan.cabinet.compartments[0]!.floor)!.thickness;
  const at = (...path: string[]): string[] => ['units', spec.id, ...path];
  const steps: EditStep[] = [];
  const levels = found.levels.length > 0 ? found.levels : [{ on: null, lots: [], height: 0 as Length, used: 0 as Length }];
  const exact = levels.map(({ height }) => height as number);
  const stepped = exact.map((height) => stepUp(height, spec.unit));
  const between = (levels.length - 1) * T;
  const sum = (heights: readonly number[]): number => heights.reduce((all, height) => all + height, 0) + between;
  const limit = wish.mode === 'this-box' ? clear.height : wish.height - frame.height;
  const heights = sum(stepped) <= limit ? stepped : exact;
  if (wish.mode === 'smallest') {
    const outer = (inside: number, added: number, most: number): Entered => say(Math.min(most, stepUp(inside + added, spec.unit)), spec.unit);
    steps.push({ path: at('width'), value: outer(found.width, frame.width, wish.width) });
    // The gap behind the cabinet is not part of the carcass depth.
    const gap = cabinetPlan.block.out - spec.depth.nm;
    steps.push({ path: at('depth'), value: outer(found.depth, frame.depth - gap, wish.depth - gap) });
    steps.push({ path: at('height'), value: outer(sum(heights), frame.height, wish.height) });
  }
  const spare = wish.mode === 'this-box' ? Math.max(0, clear.height - sum(heights)) : 0;
  const ids = elementIds(spec, found, newId);
  const shelves: Record<string, ShelfElement> = {};
  // Upper face of each floor above the inside floor; a shelf is entered by its underside.
  let up = 0;
  levels.forEach((_, index) => {
    if (index > 0) shelves[ids[index]!] = { id: ids[index]!, order: index, at: say(up - T, spec.unit), in: FLOOR, level: 0, fixing: 'fixed' };
    // Spare height is shared among all openings, rounded from the whole.
    up += heights[index]! + Math.round((spare * (index + 1)) / levels.length) - Math.round((spare * index) / levels.length) + T;
  });
  steps.push({ path: at('shelves'), value: shelves }, { path: at('dividers'), value: {} });
  steps.push({ path: at('contents'), value: Object.fromEntries(ids.map((id) => [id, { preset: 'nothing', kg: null }])) });
  return [...steps, ...homeSteps(design, spec, wish, found, ids)];
}

/** One element per level: pinned levels keep theirs, the rest take existing shelves, then new ones. */
function elementIds(box: ShelfBox, { levels }: SetOut, newId: () => string): string[] {
  const kept = new Set(levels.map(({ on }) => on));
  const spareIds = Object.keys(box.shelves).filter((id) => !kept.has(id));
  return levels.length === 0 ? ['bottom'] : levels.map(({ on }, index) => (index === 0 ? 'bottom' : (on ?? spareIds.shift() ?? newId())));
}

function homeSteps(design: Design, spec: CabinetSpec, wish: SetOutWish, { levels }: SetOut, ids: readonly string[]): EditStep[] {
  return lotsFor(design, spec, wish.takeUnplaced)
    .filter(({ item }, index, lots) => lots.findIndex((lot) => lot.item === item) === index)
    .map(({ item }) => {
      const homes: Record<string, Home> = {};
      levels.forEach(({ lots }, index) => {
        for (const { item: stood, count, pinned } of lots) {
          if (stood.id !== item.id) continue;
          const on = ids[index]!;
          homes[on] = { count: (homes[on]?.count ?? 0) + count, pinned: pinned || (homes[on]?.pinned ?? false) };
        }
      });
      return { path: ['items', item.id, 'homes', spec.id], value: homes };
    });
}

/** Heights of the wall screws: the rows of the cleat, and the lock. */
export function screwPlaces(cabinet: ResolvedCabinet): ScrewPlaces {
  const { topMm, lowMm, upper, lower } = wallRows(cabinet);
  const foot = cabinet.hanging.valleyUp - cabinet.hanging.shortFace;
  const rows = [
    ...(upper > 0 ? [foot + topMm * NM_PER.mm] : []),
    ...(lower > 0 ? [foot + lowMm * NM_PER.mm] : []),
    ...(cabinet.hanging.antiLift ? [cabinet.hanging.standoffUp] : []),
  ];
  return { rows, end: minFromEndMm(cabinet) * NM_PER.mm };
}

/** Default place of a cabinet: over studs, clear of outlets, its middle at eye height. Null when there is no room. */
export function placeFor(design: Design, blocks: readonly WallBlock[], cabinetPlan: CabinetPlan): Edit | null {
  const spec = design.units[cabinetPlan.id]!;
  const { width, height } = cabinetPlan.cabinet.outside;
  const zone = reachOf(design.person.height.nm);
  const up = Math.max(zone.hip, zone.eye - height.value * 0.6);
  const best = proposePlaces(
    design.wall,
    blocks.filter(({ id }) => id !== spec.id),
    { width: width.value, height: height.value, out: cabinetPlan.block.out, ...screwPlaces(cabinetPlan.cabinet), up },
    { above: 30 * NM_PER.mm, beside: 0, below: 0 },
  )[0];
  if (!best) return null;
  const whole = (nm: number): Entered => say(spec.unit === 'mm' ? Math.round(nm / NM_PER.mm) * NM_PER.mm : Math.round(nm / STEP.in) * STEP.in, spec.unit);
  return [
    { path: ['units', spec.id, 'place', 'along'], value: whole(best.along) },
    { path: ['units', spec.id, 'place', 'up'], value: whole(best.up) },
  ];
}
