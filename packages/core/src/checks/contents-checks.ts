/** Checks of a cabinet's contents. Rules and thresholds: docs/checks.md; numbers marked [A] there are the constants here. */
import type { EditStep } from '../model/edit.ts';
import { enters, isShelfBox } from '../cabinets/families.ts';
import { canStand, columnOf, type ItemLot } from '../contents/arrange.ts';
import { footprintOf, HAND_ROOM, REACH_IN, rollsOut, standsThin } from '../contents/item.ts';
import { NM_PER, toMm, type Length } from '../length/length.ts';
import { isLess } from '../length/same-size.ts';
import type { CompartmentLoad } from '../parts/weights.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import { backTiltDeg, BACK_TILT_DEG, hasLip } from './held-in.ts';
import type { Finding, Fix } from './finding.ts';
import { enteredFromNm } from '../length/entered.ts';
import { roundDown, roundUp } from './round.ts';
import type { Item } from '../model/item.ts';

/** Least projection of an item from its hole, to be gripped. [A] */
const PROUD = 15 * NM_PER.mm;
/** Share of use beyond which nothing can be added. [A] */
const FULL = 0.9;

/** Items on one floor, each once, with the space they are in. */
interface Stood {
  readonly load: CompartmentLoad;
  readonly lots: readonly ItemLot[];
}

const stoodIn = ({ hangInput }: CheckContext): Stood[] =>
  hangInput.weights.contents.flatMap((load) => (load.lots.length > 0 ? [{ load, lots: load.lots }] : []));

/** Fields shared by every finding about an item on a floor. */
const aboutThing = ({ spec }: CheckContext, { compartment }: CompartmentLoad, { id, name }: Item) => ({
  unit: spec.id,
  station: 'contents' as const,
  panels: [compartment.floor],
  item: name,
  things: [id],
});

const clearOf = ({ compartment: { width, depth, height } }: CompartmentLoad) => ({ width: width.value, depth: depth.value, height: height.value });
const setItem = (item: Item, key: keyof Item, value: unknown): EditStep => ({ path: ['items', item.id, key], value });

/** Takes a lot off its floor; it becomes an item without a place. */
const takeOff = ({ spec }: CheckContext, item: Item, keptBy: string): Fix => {
  const { [keptBy]: _gone, ...rest } = item.homes[spec.id] ?? {};
  return { label: { key: 'take-off', text: item.name }, edit: [{ path: ['items', item.id, 'homes', spec.id], value: rest }] };
};

/** Another floor of the cabinet with room for a lot beside its contents. */
function moveTo(context: CheckContext, item: Item, count: number, from: string): Fix[] {
  const { spec, hangInput } = context;
  const homes = item.homes[spec.id] ?? {};
  const there = hangInput.weights.contents.find((load) => {
    const clear = clearOf(load);
    if (load.compartment.keptBy === from || !canStand(item, clear)) return false;
    const column = columnOf(item, clear.depth, clear.height);
    const free = clear.width - (load.arrangement?.used ?? 0);
    return Math.ceil(count / (column.rows * column.high)) * column.width <= free;
  });
  if (!there) return [];
  const { keptBy, name } = there.compartment;
  const rest = (homes[from]?.count ?? count) - count;
  const { [from]: leaving, ...others } = homes;
  const value = {
    ...others,
    ...(rest > 0 && leaving ? { [from]: { ...leaving, count: rest } } : {}),
    [keptBy]: { count: (homes[keptBy]?.count ?? 0) + count, pinned: homes[keptBy]?.pinned ?? false },
  };
  return [{ label: { key: 'move-things', text: item.name, name }, edit: [{ path: ['items', item.id, 'homes', spec.id], value }] }];
}

const stands: Check = (context) =>
  stoodIn(context).flatMap(({ load, lots }) =>
    lots.flatMap((lot) => [...tooDeep(context, load, lot), ...tooTall(context, load, lot), ...graspOf(context, load, lot), ...slides(context, load, lot)]),
  );

function tooDeep(context: CheckContext, load: CompartmentLoad, { item }: ItemLot): Finding[] {
  const { spec } = context;
  const clear = clearOf(load);
  const { out } = footprintOf(item);
  if (!isLess(clear.depth, out)) return [];
  const turned = { ...item, turned: !item.turned };
  const deeper = roundUp(toMm((spec.depth.nm + out - clear.depth) as Length), spec.unit);
  return [
    {
      check: 'holds-too-deep',
      ...aboutThing(context, load, item),
      severity: 'change',
      name: load.compartment.name,
      needsNm: out,
      hasNm: clear.depth,
      fixes: [
        { label: { key: 'make-deeper', lengthNm: deeper.nm }, edit: [{ path: inSpec(context, 'depth'), value: deeper }] },
        ...(canStand(turned, clear) ? [{ label: { key: 'turn-end-on' as const, text: item.name }, edit: [setItem(item, 'turned', turned.turned)] }] : []),
        takeOff(context, item, load.compartment.keptBy),
      ],
    },
  ];
}

function tooTall(context: CheckContext, load: CompartmentLoad, { item, count }: ItemLot): Finding[] {
  const clear = clearOf(load);
  const { height } = columnOf(item, clear.depth, clear.height);
  if (!isLess(clear.height, height)) return [];
  const lying: Item = { ...item, stands: 'lying' };
  const by = toMm((height - clear.height) as Length);
  const { keptBy } = load.compartment;
  return [
    {
      check: 'holds-too-tall',
      ...aboutThing(context, load, item),
      severity: 'change',
      name: load.compartment.name,
      needsNm: height,
      hasNm: clear.height,
      fixes: [
        ...raise(context, keptBy, by),
        ...moveTo(context, item, count, keptBy),
        ...(item.stands === 'upright' && canStand(lying, clear)
          ? [{ label: { key: 'lay-it' as const, text: item.name }, edit: [setItem(item, 'stands', 'lying')] }]
          : []),
        takeOff(context, item, keptBy),
      ],
    },
  ];
}

/** Makes one opening higher: fixes its upper shelf where needed, and grows the box by what the openings above would lose. */
function raise(context: CheckContext, keptBy: string, byMm: number): Fix[] {
  const { spec, cabinet } = context;
  if (!enters(spec, 'height')) return [];
  // Where shelves are not simply stacked, which opening should grow is the person's choice.
  const plain = isShelfBox(spec) && Object.keys(spec.dividers).length === 0 && Object.values(spec.shelves).every(({ in: space }) => space === 'bottom');
  if (!plain) return [];
  const order = cabinet.compartments.map((space) => space.keptBy);
  const index = order.indexOf(keptBy);
  const above = order[index + 1];
  const taller = roundUp(toMm(spec.height.nm) + byMm, spec.unit);
  const edit: EditStep[] = [{ path: inSpec(context, 'height'), value: taller }];
  const floor = cabinet.compartments[0]!.at.up;
  // All shelves are fixed in place, those above shifted together: every other opening keeps its height.
  for (const [at, id] of order.entries()) {
    if (at === 0) continue;
    const shelf = cabinet.byId.get(cabinet.compartments[at]!.floor)!;
    const underside = cabinet.compartments[at]!.at.up - shelf.thickness - floor;
    const moved = at > index ? underside + (taller.nm - spec.height.nm) : underside;
    edit.push({ path: inSpec(context, 'shelves', id, 'at'), value: enteredFromNm(moved) });
  }
  return [{ label: { key: above === undefined ? 'make-taller' : 'raise-opening', lengthNm: taller.nm }, edit }];
}

function graspOf(context: CheckContext, load: CompartmentLoad, { item }: ItemLot): Finding[] {
  const { spec } = context;
  const base = {
    check: 'cannot-grasp' as const,
    ...aboutThing(context, load, item),
    severity: 'look' as const,
  };
  if (item.stands === 'in-hole' && item.hole) {
    const proud = item.height.nm - item.hole.nm;
    if (isLess(proud, PROUD)) {
      const hole = roundDown(toMm((item.height.nm - PROUD) as Length), spec.unit);
      const fixes: Fix[] = hole.nm > 0 ? [{ label: { key: 'shallower-hole', lengthNm: hole.nm }, edit: [setItem(item, 'hole', hole)] }] : [];
      return [{ ...base, why: 'hole', hasNm: proud, wantedNm: PROUD, fixes }];
    }
  }
  const spots = load.arrangement?.spots.filter((spot) => spot.item.id === item.id) ?? [];
  const deepest = spots.reduce((most, { behind, foot }) => Math.max(most, behind * foot.out), 0);
  const highest = spots.reduce((most, { up, foot }) => Math.max(most, up + foot.up), 0);
  const room = load.compartment.height.value - highest;
  if (deepest <= REACH_IN || !isLess(room, HAND_ROOM)) return [];
  const { out } = footprintOf(item);
  return [
    {
      ...base,
      why: 'behind',
      hasNm: room,
      wantedNm: HAND_ROOM,
      fixes: [
        {
          label: { key: 'fewer-deep', number: Math.max(1, Math.floor(REACH_IN / out) + 1) },
          edit: [setItem(item, 'deep', Math.max(1, Math.floor(REACH_IN / out) + 1))],
        },
        ...raise(context, load.compartment.keptBy, toMm((HAND_ROOM - room) as Length)),
      ],
    },
  ];
}

/** Rolls, unstable and leaning items need a lip; rolls and unstable ones are also kept by a floor that falls to the back. */
function slides(context: CheckContext, load: CompartmentLoad, { item }: ItemLot): Finding[] {
  const why = rollsOut(item) ? 'rolls' : item.stands === 'leaning' ? 'leans' : standsThin(item) ? 'thin' : null;
  if (why === null || hasLip(context.cabinet, load.compartment)) return [];
  // An item leaning at the back pushes its foot forward, more so on a floor that falls to the front.
  if (backTiltDeg(context.cabinet, load.compartment) >= BACK_TILT_DEG) return [];
  const turn = (turned: boolean): Fix => ({ label: { key: 'turn-end-on', text: item.name }, edit: [setItem(item, 'turned', turned)] });
  const stand = (key: 'stand-up' | 'lean-it', stands: Item['stands']): Fix => ({ label: { key, text: item.name }, edit: [setItem(item, 'stands', stands)] });
  const fixes = { rolls: [turn(true), stand('stand-up', 'upright')], thin: [turn(!item.turned)], leans: [stand('stand-up', 'upright')] }[why];
  return [{ check: 'slides-off', ...aboutThing(context, load, item), severity: 'look', why, thickNm: footprintOf(item).out, fixes }];
}

const noRoom: Check = (context) =>
  stoodIn(context).flatMap(({ load }) =>
    (load.arrangement?.left ?? []).map(({ item, count }): Finding => {
      const { spec } = context;
      const clear = clearOf(load);
      const column = columnOf(item, clear.depth, clear.height);
      const needed = Math.ceil(count / (column.rows * column.high)) * column.width - (clear.width - load.arrangement!.used);
      const wider = roundUp(toMm((spec.width.nm + needed) as Length), spec.unit);
      return {
        check: 'no-room',
        ...aboutThing(context, load, item),
        severity: 'change',
        name: load.compartment.name,
        count,
        fixes: [
          ...moveTo(context, item, count, load.compartment.keptBy),
          { label: { key: 'make-wider', lengthNm: wider.nm }, edit: [{ path: inSpec(context, 'width'), value: wider }] },
        ],
      };
    }),
  );

/** Every space for a kind of item is nearly full; one finding per kind. */
const noGrowth: Check = (context) => {
  const { spec, hangInput } = context;
  const lots = stoodIn(context).flatMap((stood) => stood.lots);
  const kinds = [...new Set(lots.map(({ item }) => item.kind))];
  const told = new Set<string>();
  return kinds.flatMap((kind): Finding[] => {
    const items = lots.map(({ item }) => item).filter((item) => item.kind === kind);
    const able = hangInput.weights.contents.filter((load) => items.some((item) => canStand(item, clearOf(load))));
    const places = able.map(({ compartment }) => compartment.floor).join();
    if (able.length === 0 || told.has(places) || able.some(({ arrangement }) => (arrangement?.fill ?? 0) <= FULL)) return [];
    // Two kinds that share the same full shelves are one finding.
    told.add(places);
    const roomiest = able.reduce((a, b) => (b.arrangement!.fill < a.arrangement!.fill ? b : a));
    const wider = roundUp(toMm((spec.width.nm + roomiest.arrangement!.used / FULL - roomiest.compartment.width.value) as Length), spec.unit);
    return [
      {
        check: 'no-growth',
        unit: spec.id,
        severity: 'look',
        station: 'contents',
        panels: able.map(({ compartment }) => compartment.floor),
        item: items[0]!.name,
        things: items.map(({ id }) => id),
        fill: roomiest.arrangement!.fill,
        fixes: [{ label: { key: 'make-wider', lengthNm: wider.nm }, edit: [{ path: inSpec(context, 'width'), value: wider }] }],
      },
    ];
  });
};

const outOfReach: Check = (context) => {
  const { spec, zone } = context;
  return stoodIn(context).flatMap(({ load, lots }) => {
    const up = spec.place.up.nm + load.compartment.at.up;
    const daily = lots.find(({ item }) => item.reach === 'daily');
    if (!daily || up <= zone.most) return [];
    const lower = roundDown(toMm((spec.place.up.nm - (up - zone.most)) as Length), spec.unit);
    return [
      {
        check: 'out-of-reach',
        ...aboutThing(context, load, daily.item),
        severity: 'look',
        upNm: up,
        reachNm: zone.most,
        fixes: lower.nm > 0 ? [{ label: { key: 'hang-lower', lengthNm: lower.nm }, edit: [{ path: inSpec(context, 'place', 'up'), value: lower }] }] : [],
      } satisfies Finding,
    ];
  });
};

/** Clearance of stems in their notch. [A] */
const STEM_PLAY = 2 * NM_PER.mm;

/** On a notched ledge each item needs a notch as wide as its stem. */
const inNotches: Check = (context) => {
  const { spec } = context;
  if (spec.family !== 'ledge-rack') return [];
  return stoodIn(context).flatMap(({ load, lots }): Finding[] => {
    const { keptBy, name } = load.compartment;
    const ledge = spec.ledges[keptBy];
    if (ledge?.kind !== 'notched') return [];
    const path = (key: string): string[] => inSpec(context, 'ledges', keptBy, key);
    const found = lots.flatMap(({ item }): Finding[] => {
      const stem = (item.neck ?? item.width).nm;
      if (stem <= ledge.notchWidth.nm) return [];
      const wider = roundUp(toMm((stem + STEM_PLAY) as Length), spec.unit);
      return [
        {
          check: 'stem-too-wide',
          ...aboutThing(context, load, item),
          severity: 'change',
          name,
          needsNm: stem,
          hasNm: ledge.notchWidth.nm,
          fixes: [{ label: { key: 'notch-width', lengthNm: wider.nm }, edit: [{ path: path('notchWidth'), value: wider }] }, takeOff(context, item, keptBy)],
        },
      ];
    });
    const count = lots.reduce((sum, lot) => sum + lot.count, 0);
    if (count <= ledge.count) return found;
    const { item } = lots.at(-1)!;
    const few: Finding = {
      check: 'too-few-notches',
      ...aboutThing(context, load, item),
      severity: 'change',
      name,
      count,
      notches: ledge.count,
      fixes: [{ label: { key: 'notch-count', number: count }, edit: [{ path: path('count'), value: count }] }, takeOff(context, item, keptBy)],
    };
    return [...found, few];
  });
};

export const CONTENTS_CHECKS: readonly Check[] = [stands, inNotches, noRoom, outOfReach, noGrowth];
