/**
 * Contents-first against wall-first: the size a cabinet's items need, the size its place on the wall allows, and the choices that resolve the conflict.
 * Each choice is an edit; preview() gives its effect.
 */
import type { EditStep } from '../model/edit.ts';
import { isShelfBox } from '../cabinets/families.ts';
import type { Fix } from '../checks/finding.ts';
import { columnOf } from '../contents/arrange.ts';
import { footprintOf } from '../contents/item.ts';
import { enteredFromNm } from '../length/entered.ts';
import { NM_PER, type Length } from '../length/length.ts';
import { sweeps, swingOf } from '../wall/swing.ts';
import { thingsInOrder } from '../model/wall.ts';
import { proposePlaces } from '../wall/placing.ts';
import type { Design } from '../model/design.ts';
import { roomAbout, roomsFor } from './fit-space.ts';
import type { Plan, CabinetPlan } from '../planner/plan.ts';
import { screwPlaces } from './set-out-plan.ts';
import type { Item } from '../model/item.ts';

export interface Disagreement {
  readonly measure: 'width' | 'height' | 'depth';
  /** Outer size the contents need, and the greatest size the place allows. */
  readonly needsNm: Length;
  readonly leavesNm: Length;
  /** The item that needs most, and the obstacle on the wall. */
  readonly item: string;
  readonly because: string;
  readonly choices: readonly Fix[];
}

/** Outer size that a cabinet's items need; its own size where they fit. */
export function contentsNeed({ cabinet, block, weights }: CabinetPlan): {
  width: number;
  height: number;
  depth: number;
  item: Readonly<Record<'width' | 'height' | 'depth', Item | null>>;
} {
  const size = { width: cabinet.outside.width.value as number, height: cabinet.outside.height.value as number, depth: block.out };
  const item: Record<'width' | 'height' | 'depth', Item | null> = { width: null, height: null, depth: null };
  let tall = 0;
  for (const { compartment, arrangement } of weights.contents) {
    if (!arrangement) continue;
    const clear = { width: compartment.width.value, depth: compartment.depth.value, height: compartment.height.value };
    let over = 0;
    let wide = 0;
    const things = new Set([...arrangement.spots.map((spot) => spot.item), ...arrangement.left.map((rest) => rest.item)]);
    for (const each of things) {
      const column = columnOf(each, clear.depth, clear.height);
      const deep = column.foot.out - clear.depth + block.out;
      if (deep > size.depth) [size.depth, item.depth] = [deep, each];
      if (column.height - clear.height > over) [over, item.height] = [column.height - clear.height, each];
    }
    for (const { item: rest, count } of arrangement.left) {
      const column = columnOf(rest, clear.depth, clear.height);
      wide += Math.ceil(count / (column.rows * column.high)) * column.width;
      item.width ??= rest;
    }
    const width = arrangement.used + wide - clear.width + cabinet.outside.width.value;
    if (wide > 0 && width > size.width) size.width = width;
    tall += over;
  }
  return { ...size, height: size.height + tall, item };
}

/** Conflicts between a cabinet and its place. */
export function agreementOf(design: Design, plan: Plan, cabinetPlan: CabinetPlan): Disagreement[] {
  const { block } = cabinetPlan;
  const spec = design.units[cabinetPlan.id]!;
  const needs = contentsNeed(cabinetPlan);
  const blocks = plan.cabinets.map((each) => each.block);
  const others = blocks.filter(({ id }) => id !== spec.id);
  const clear = { above: 30 * NM_PER.mm, beside: 0, below: 0 };
  const found: Disagreement[] = [];
  const say = (measure: Disagreement['measure'], leaves: number, because: string): void => {
    const needed = needs[measure];
    if (needed <= leaves) return;
    found.push({
      measure,
      needsNm: Math.round(needed) as Length,
      leavesNm: Math.round(leaves) as Length,
      item: needs.item[measure]?.name ?? '',
      because,
      choices: choicesFor(measure),
    });
  };

  const choicesFor = (measure: Disagreement['measure']): Fix[] => {
    const fixes: Fix[] = [];
    const size = { width: needs.width, height: needs.height, out: needs.depth };
    const place = proposePlaces(design.wall, others, { ...size, ...screwPlaces(cabinetPlan.cabinet), up: block.bottom }, clear)[0];
    const grow: EditStep[] = [
      { path: ['units', spec.id, 'width'], value: enteredFromNm(spec.width.nm + Math.max(0, needs.width - (block.right - block.left))) },
      { path: ['units', spec.id, 'height'], value: enteredFromNm(spec.height.nm + Math.max(0, needs.height - (block.top - block.bottom))) },
      { path: ['units', spec.id, 'depth'], value: enteredFromNm(spec.depth.nm + Math.max(0, needs.depth - block.out)) },
    ];
    if (place)
      fixes.push({
        label: { key: 'move-and-grow', lengthNm: place.along, otherNm: place.up },
        edit: [
          ...grow,
          { path: ['units', spec.id, 'place', 'along'], value: enteredFromNm(place.along) },
          { path: ['units', spec.id, 'place', 'up'], value: enteredFromNm(place.up) },
        ],
      });
    const item = needs.item[measure];
    if (item && measure === 'depth' && footprintOf({ ...item, turned: !item.turned }).out < footprintOf(item).out)
      fixes.push({ label: { key: 'turn-end-on', text: item.name }, edit: [{ path: ['items', item.id, 'turned'], value: !item.turned }] });
    if (item) fixes.push({ label: { key: 'drop-item', text: item.name }, edit: [{ path: ['items', item.id, 'homes', spec.id], value: {} }] });
    if (measure !== 'depth') fixes.push(...splitInTwo(design, cabinetPlan));
    return fixes;
  };

  for (const thing of thingsInOrder(design.wall)) {
    const sector = swingOf(thing, design.wall);
    if (!sector || !sweeps(sector, { ...block, out: Math.max(block.out, needs.depth) })) continue;
    let [low, high] = [0, Math.max(block.out, needs.depth)];
    for (let step = 0; step < 40; step++) {
      const middle = (low + high) / 2;
      if (sweeps(sector, { ...block, out: middle })) high = middle;
      else low = middle;
    }
    say('depth', Math.floor(low), thing.name);
  }
  const about = roomAbout(block, roomsFor(design, blocks, block.out, { above: 0, beside: 0, below: 0 }, [spec.id]));
  if (about) {
    say('width', about.right - about.left, 'what stands beside it');
    say('height', about.top - about.bottom, 'what is above and below it');
  }
  return found;
}

/** Half of the floors and their items move to a second cabinet beside it. */
function splitInTwo(design: Design, { id, cabinet }: CabinetPlan): Fix[] {
  const spec = design.units[id]!;
  if (!isShelfBox(spec) || Object.keys(spec.dividers).length > 0) return [];
  const floors = cabinet.compartments.map(({ keptBy }) => keptBy);
  if (floors.length < 2) return [];
  const lower = new Set(floors.slice(0, Math.ceil(floors.length / 2)));
  const twin = `${id}-b`;
  if (Object.hasOwn(design.units, twin)) return [];
  const upper = floors.filter((floor) => !lower.has(floor));
  const kept = Object.fromEntries(
    Object.entries(spec.shelves)
      .filter(([shelf]) => lower.has(shelf))
      .map(([shelf, element]) => [shelf, { ...element, at: null }]),
  );
  const moved = Object.fromEntries(
    Object.entries(spec.shelves)
      .filter(([shelf]) => upper.slice(1).includes(shelf))
      .map(([shelf, element]) => [shelf, { ...element, at: null }]),
  );
  const half = enteredFromNm(Math.ceil(spec.height.nm / 2 / NM_PER.mm) * NM_PER.mm);
  const order = Object.values(design.units).reduce((most, each) => Math.max(most, each.order), 0) + 1;
  const second = {
    ...spec,
    id: twin,
    name: `${spec.name}, second`.slice(0, 80),
    order,
    height: half,
    shelves: moved,
    rows: {},
    place: { along: enteredFromNm(spec.place.along.nm + cabinet.outside.width.value), up: spec.place.up },
  };
  const things: EditStep[] = Object.values(design.items).flatMap((item) => {
    const homes = item.homes[id];
    if (!homes) return [];
    const here = Object.fromEntries(Object.entries(homes).filter(([on]) => lower.has(on)));
    const there = Object.fromEntries(
      Object.entries(homes)
        .filter(([on]) => !lower.has(on))
        .map(([on, home]) => [on === upper[0] ? 'bottom' : on, home]),
    );
    return [{ path: ['items', item.id, 'homes'], value: { ...item.homes, [id]: here, [twin]: there } }];
  });
  return [
    {
      label: { key: 'split-in-two' },
      edit: [
        { path: ['units', id, 'shelves'], value: kept },
        { path: ['units', id, 'height'], value: half },
        { path: ['units', twin], value: second },
        ...things,
      ],
    },
  ];
}
