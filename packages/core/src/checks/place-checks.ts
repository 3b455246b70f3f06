/**
 * What a cabinet conflicts with where it hangs: other cabinets, things on the wall, door swings, ceiling and floor. Run for all cabinets at once, outside
 * the cache of each, because moving one changes its neighbors.
 */
import { enters } from '../cabinets/families.ts';
import type { HangingAnalysis } from '../hang/hang.ts';
import { minFromEndMm } from '../hang/wall-links.ts';
import { wallHoles } from '../hang/holes.ts';
import { NM_PER, toMm, ZERO, type Length } from '../length/length.ts';
import { isLess, isLessMm } from '../length/same-size.ts';
import { LIFT_MARGIN_MM } from '../solid/hanging.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { boundsOf } from '../solid/views.ts';
import { blocksCabinets, floorAt, lowestCeiling, mustBeReached, overlap, thingRect, type WallBlock, type WallRect } from '../wall/placed.ts';
import { nearestPlace, proposePlaces } from '../wall/placing.ts';
import { sweeps, swingOf, type Sector } from '../wall/swing.ts';
import { thingsInOrder, type Wall, type WallThing } from '../model/wall.ts';
import { withFixes, type Finding, type Fix } from './finding.ts';
import { cleatObstruction } from './cleat-obstruction.ts';
import { enteredFromNm } from '../length/entered.ts';
import { roundDown } from './round.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** A cabinet with its place. */
export interface PlacedCabinet {
  readonly spec: CabinetSpec;
  readonly cabinet: ResolvedCabinet;
  readonly hang: HangingAnalysis;
  readonly block: WallBlock;
}

/** Least clearance above a bench top for working. [A] */
const OVER_BENCH = 450 * NM_PER.mm;
/** A cabinet shallower than the bench by this leaves head room. [A] */
const HEAD_BACK = 250 * NM_PER.mm;
/** Clearance above a moved cabinet, for lifting it on. [A] */
const CLEAR_ABOVE = 30 * NM_PER.mm;
/** Most alternative places offered. */
const MAX_PLACES = 3;
/** Opening angle of a cabinet door. [A] */
const DOOR_DEG = 110;

export const blockOf = (spec: CabinetSpec, { outside }: ResolvedCabinet): WallBlock => ({
  id: spec.id,
  name: spec.name,
  left: spec.place.along.nm,
  right: spec.place.along.nm + outside.width.value,
  bottom: spec.place.up.nm,
  top: spec.place.up.nm + outside.height.value,
  out: outside.depth.value,
});

/** Findings by cabinet id. */
export function checkPlaces(wall: Wall, cabinets: readonly PlacedCabinet[]): ReadonlyMap<string, readonly Finding[]> {
  const things = thingsInOrder(wall);
  const swings = things.flatMap((thing) => {
    const sector = swingOf(thing, wall);
    return sector ? [{ thing, sector }] : [];
  });
  const blocks = cabinets.map(({ block }) => block);
  return new Map(cabinets.map((placed) => [placed.spec.id, checkPlace({ wall, things, swings, blocks, placed })]));
}

interface PlaceContext {
  readonly wall: Wall;
  readonly things: readonly WallThing[];
  readonly swings: readonly { readonly thing: WallThing; readonly sector: Sector }[];
  readonly blocks: readonly WallBlock[];
  readonly placed: PlacedCabinet;
}

function checkPlace(context: PlaceContext): Finding[] {
  const found = [
    ...collisions(context),
    ...covered(context),
    ...baseboard(context),
    ...roomDoors(context),
    ...ownDoors(context),
    ...headRoom(context),
    ...liftedUnder(context),
    ...lidTurns(context),
    ...joinedFirst(context),
    ...cleatObstruction({ wall: context.wall, things: context.things, spec: context.placed.spec, cabinet: context.placed.cabinet }, () => elsewhere(context)),
  ];
  return found;
}

const base = ({ placed: { spec } }: PlaceContext) => ({ unit: spec.id, station: 'wall' as const, panels: [] });

const placesFor = new WeakMap<PlaceContext, readonly Fix[]>();

/** Alternative places, nearest first, then by quality; trying them shows which resolve the conflict. Searched once for all findings of a cabinet. */
function elsewhere(context: PlaceContext): readonly Fix[] {
  const known = placesFor.get(context) ?? otherPlaces(context);
  placesFor.set(context, known);
  return known;
}

function otherPlaces({ wall, blocks, placed }: PlaceContext): Fix[] {
  const { spec, block } = placed;
  const holes = wallHoles({ cabinet: placed.cabinet, hang: placed.hang, wall, at: spec.place, seating: ZERO });
  const rows = [...new Set(holes.map(({ up }) => up - block.bottom))];
  const others = blocks.filter(({ id }) => id !== spec.id);
  const screws = { rows, end: minFromEndMm(placed.cabinet) * NM_PER.mm };
  const nearest = nearestPlace(wall, others, block, screws, CLEAR_ABOVE);
  const wanted = { width: block.right - block.left, height: block.top - block.bottom, out: block.out, ...screws, up: block.bottom };
  const best = proposePlaces(wall, others, wanted, { above: CLEAR_ABOVE, beside: 0, below: 0 }).slice(0, MAX_PLACES);
  const places = new Map([...(nearest ? [nearest] : []), ...best].map((place) => [`${place.along} ${place.up}`, place]));
  return [...places.values()].slice(0, MAX_PLACES).map(({ along, up }) => ({
    label: { key: 'move-to', lengthNm: along, otherNm: up },
    edit: [
      { path: ['units', spec.id, 'place', 'along'], value: enteredFromNm(along) },
      { path: ['units', spec.id, 'place', 'up'], value: enteredFromNm(up) },
    ],
  }));
}

/** Boxes closer than this read as one front. [A] */
const AGAINST = 2 * NM_PER.mm;
/** A gap that reads as intended. [A] */
const PLAIN_GAP = 10 * NM_PER.mm;

/** Boxes side by side with almost no gap: reported once, at the right-hand one. */
function joinedFirst(context: PlaceContext): Finding[] {
  const { blocks, placed } = context;
  const { block, spec } = placed;
  return blocks
    .filter((other) => other.id !== block.id && other.bottom < block.top && other.top > block.bottom)
    .map((other) => ({ other, apart: block.left - other.right }))
    .filter(({ apart }) => apart >= 0 && apart <= AGAINST)
    .map(({ other, apart }) => {
      const along = enteredFromNm(other.right + PLAIN_GAP);
      return {
        ...base(context),
        check: 'join-first',
        severity: 'look',
        other: other.name,
        otherUnit: other.id,
        apartNm: apart,
        fixes: [{ label: { key: 'leave-gap', lengthNm: along.nm, otherNm: PLAIN_GAP }, edit: [{ path: ['units', spec.id, 'place', 'along'], value: along }] }],
      } satisfies Finding;
    });
}

const depthInto = (a: WallRect, b: WallRect): number =>
  Math.min(Math.min(a.right, b.right) - Math.max(a.left, b.left), Math.min(a.top, b.top) - Math.max(a.bottom, b.bottom));

function collisions(context: PlaceContext): Finding[] {
  const { wall, things, blocks, placed } = context;
  const { block } = placed;
  const found: Finding[] = [];
  const hit = (what: 'unit' | 'thing' | 'wall' | 'ceiling' | 'floor', other: string, byNm: number): void =>
    void found.push(
      withFixes({ ...base(context), check: 'collides', severity: 'stop', what, other, byNm: Math.round(byNm), fixes: [] }, () => elsewhere(context)),
    );
  for (const other of blocks) if (other.id !== block.id && overlap(block, other)) hit('unit', other.name, depthInto(block, other));
  for (const thing of things)
    if (blocksCabinets(thing) && thing.kind !== 'side-door' && overlap(block, thingRect(thing))) hit('thing', thing.name, depthInto(block, thingRect(thing)));
  const past = Math.max(-block.left, block.right - wall.width.nm);
  if (past > 0) hit('wall', '', past);
  const over = block.top - lowestCeiling(wall, block);
  if (over > 0) hit('ceiling', '', over);
  const under = Math.max(floorAt(wall, block.left), floorAt(wall, block.right)) - block.bottom;
  if (under > 0) hit('floor', '', under);
  return found;
}

const covered = (context: PlaceContext): Finding[] =>
  context.things
    .filter((thing) => mustBeReached(thing) && overlap(context.placed.block, thingRect(thing)))
    .map((thing) =>
      withFixes<Finding>({ ...base(context), check: 'covers-outlet', severity: 'change', other: thing.name, fixes: [] }, () => elsewhere(context)),
    );

function baseboard(context: PlaceContext): Finding[] {
  const { wall, placed } = context;
  const by = wall.baseboard.height.nm - placed.block.bottom;
  if (by <= 0 || wall.baseboard.out.nm <= 0) return [];
  const up = enteredFromNm(wall.baseboard.height.nm);
  return [
    {
      ...base(context),
      check: 'hits-baseboard',
      severity: 'change',
      byNm: by,
      outNm: wall.baseboard.out.nm,
      fixes: [{ label: { key: 'hang-higher', lengthNm: up.nm }, edit: [{ path: ['units', placed.spec.id, 'place', 'up'], value: up }] }],
    },
  ];
}

/** The depth at which a swing just clears a cabinet, from the wall; 0 when it always does. */
function freeDepth(sector: Sector, block: WallBlock): number {
  let [low, high] = [0, block.out];
  for (let step = 0; step < 40; step++) {
    const middle = (low + high) / 2;
    if (sweeps(sector, { ...block, out: middle })) high = middle;
    else low = middle;
  }
  return Math.floor(low);
}

function roomDoors(context: PlaceContext): Finding[] {
  const { swings, placed } = context;
  const { block, spec } = placed;
  return swings
    .filter(({ sector }) => sweeps(sector, block))
    .map(({ thing, sector }) => {
      const free = freeDepth(sector, block);
      const shallower = roundDown(toMm((spec.depth.nm - (block.out - free)) as Length), spec.unit);
      const found: Finding = { ...base(context), check: 'room-door', severity: 'stop', other: thing.name, depthNm: block.out, freeNm: free, fixes: [] };
      return withFixes(found, () => [
        ...elsewhere(context),
        ...(enters(spec, 'depth') && shallower.nm >= 100 * NM_PER.mm
          ? [{ label: { key: 'make-shallower' as const, lengthNm: shallower.nm }, edit: [{ path: ['units', spec.id, 'depth'], value: shallower }] }]
          : []),
      ]);
    });
}

/** Swing sectors of the cabinet's own doors, hinged at its front corners. */
export function ownSwings(spec: CabinetSpec, { left, right, out, bottom, top }: WallBlock): Sector[] {
  const width = right - left;
  const leftLeaf = (radius: number): Sector => ({ along: left, out, radius, fromDeg: 0, toDeg: DOOR_DEG, bottom, top });
  const rightLeaf = (radius: number): Sector => ({ along: right, out, radius, fromDeg: 180 - DOOR_DEG, toDeg: 180, bottom, top });
  switch (spec.front) {
    case 'open':
      return [];
    case 'door-left':
      return [leftLeaf(width)];
    case 'door-right':
      return [rightLeaf(width)];
    case 'doors':
      return [leftLeaf(width / 2), rightLeaf(width / 2)];
    case 'lid-up':
    case 'flap-down':
      // A lid swings up or down in front of the cabinet, not beside it.
      return [];
    case 'drawers':
      // A drawer needs the box's own depth straight out.
      return [];
  }
}

function ownDoors(context: PlaceContext): Finding[] {
  const { wall, blocks, things, placed } = context;
  const { spec, block } = placed;
  const sectors = ownSwings(spec, block);
  const hits = (target: { left: number; right: number; out: number; bottom: number; top: number }): boolean => sectors.some((sector) => sweeps(sector, target));
  const drawer: WallRect & { out: number } = { ...block, out: 2 * block.out };
  const inDrawers = (rect: WallRect, out: number): boolean => spec.front === 'drawers' && out > block.out && overlap(drawer, rect);
  const found: Finding[] = [];
  const say = (other: string, ofWall: boolean): void => {
    const flipped = { 'door-left': 'door-right', 'door-right': 'door-left' } as const;
    const fixes: Fix[] =
      spec.front === 'door-left' || spec.front === 'door-right'
        ? [{ label: { key: 'hinge-other-side' }, edit: [{ path: ['units', spec.id, 'front'], value: flipped[spec.front] }] }]
        : [];
    const pair: Fix[] =
      spec.front === 'doors' || spec.front === 'drawers' || spec.front === 'lid-up' || spec.front === 'flap-down'
        ? []
        : [{ label: { key: 'two-doors' }, edit: [{ path: ['units', spec.id, 'front'], value: 'doors' }] }];
    found.push(
      withFixes({ ...base(context), check: 'door-hits', severity: 'change', other, wall: ofWall, fixes: [] }, () => [...fixes, ...pair, ...elsewhere(context)]),
    );
  };
  for (const other of blocks) if (other.id !== block.id && other.out > block.out && (hits(other) || inDrawers(other, other.out))) say(other.name, false);
  for (const thing of things) {
    const rect = thingRect(thing);
    if (thing.kind !== 'side-door' && thing.kind !== 'door' && thing.out.nm > block.out && hits({ ...rect, out: thing.out.nm })) say(thing.name, false);
  }
  const far = block.out * 20;
  const ends = [
    { left: -far, right: 0, out: far, bottom: block.bottom, top: block.top },
    { left: wall.width.nm, right: wall.width.nm + far, out: far, bottom: block.bottom, top: block.top },
  ];
  if (ends.some(hits)) say('', true);
  return found;
}

function headRoom(context: PlaceContext): Finding[] {
  const { things, placed } = context;
  const { block, spec } = placed;
  return things
    .filter(({ kind }) => kind === 'bench' || kind === 'furniture')
    .flatMap((thing): Finding[] => {
      const rect = thingRect(thing);
      const over = block.left < rect.right && rect.left < block.right;
      const free = block.bottom - rect.top;
      if (!over || free < 0 || !isLess(free, OVER_BENCH) || block.out <= thing.out.nm - HEAD_BACK) return [];
      const up = enteredFromNm(rect.top + OVER_BENCH);
      return [
        {
          ...base(context),
          check: 'head-room',
          severity: 'look',
          other: thing.name,
          freeNm: free,
          wantedNm: OVER_BENCH,
          fixes: [{ label: { key: 'hang-higher', lengthNm: up.nm }, edit: [{ path: ['units', spec.id, 'place', 'up'], value: up }] }],
        },
      ];
    });
}

/** Lowest edge of what is above it, nm; Infinity for nothing. */
function lowestOver({ things, blocks, placed: { block } }: PlaceContext): number {
  return [
    ...blocks.filter(({ id }) => id !== block.id),
    ...things
      .filter(blocksCabinets)
      .filter(({ kind }) => kind !== 'side-door')
      .map(thingRect),
  ]
    .filter((rect) => rect.left < block.right && rect.right > block.left && rect.bottom >= block.top)
    .reduce((lowest, { bottom }) => Math.min(lowest, bottom), Infinity);
}

/** An upward lid must rotate past what is above: its thickness rises over its hinged edge. [eq] */
function lidTurns(context: PlaceContext): Finding[] {
  const { wall, placed } = context;
  const { block, spec, cabinet } = placed;
  if (spec.front !== 'lid-up') return [];
  const lids = cabinet.panels.filter(({ role }) => role === 'door').map((panel) => ({ panel, high: boundsOf(panel).high.up + toMm(panel.thickness) }));
  const highest = lids.reduce((most, each) => (each.high > most.high ? each : most), { panel: undefined as ResolvedPanel | undefined, high: 0 });
  if (!highest.panel) return [];
  const needed = highest.high - toMm((block.top - block.bottom) as Length) + LID_PLAY_MM;
  const free = toMm((Math.min(lowestCeiling(wall, block), lowestOver(context)) - block.top) as Length);
  // Things in the ceiling have a finding of their own.
  if (free < 0 || !isLessMm(free, needed)) return [];
  const up = roundDown(toMm(block.bottom as Length) - (needed - free), spec.unit);
  return [
    {
      ...base(context),
      check: 'lid-room',
      severity: 'change',
      name: highest.panel.name,
      freeMm: free,
      neededMm: needed,
      panels: [highest.panel.id],
      fixes: up.nm >= 0 ? [{ label: { key: 'hang-lower', lengthNm: up.nm }, edit: [{ path: ['units', spec.id, 'place', 'up'], value: up }] }] : [],
    },
  ];
}
/** [A] */
const LID_PLAY_MM = 2;

/** Obstacles above must leave room to lift it onto its cleat; the ceiling is checked with the cleat. */
function liftedUnder(context: PlaceContext): Finding[] {
  const { block, spec, cabinet } = context.placed;
  if (!cabinet.hanging.rip) return [];
  const needed = cabinet.hanging.rip.engagement.value + LIFT_MARGIN_MM;
  const free = toMm((lowestOver(context) - block.top) as Length);
  if (!isLessMm(free, needed)) return [];
  const up = roundDown(toMm(block.bottom as Length) - (needed - free), spec.unit);
  return [
    {
      ...base(context),
      check: 'lift-clearance',
      severity: 'stop',
      station: 'wall',
      freeMm: free,
      neededMm: needed,
      fixes: up.nm >= 0 ? [{ label: { key: 'hang-lower', lengthNm: up.nm }, edit: [{ path: ['units', spec.id, 'place', 'up'], value: up }] }] : [],
    },
  ];
}
