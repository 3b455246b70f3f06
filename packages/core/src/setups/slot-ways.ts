/** Ways to cut a slot, a groove, a rabbet or an edge groove with the shop's saws and routers. Exclusion rules: docs/checks.md. */
import type { Length } from '../length/length.ts';
import type { RectEdge } from '../solid/panel.ts';
import { MIN_AT_SAW, MIN_ON_FENCE, machinesOf, stackSaw } from '../stock/shop.ts';
import type { OperationBlank, EdgeGrooveWork, SlantedSlotWork, SlotWork } from './operations.ts';
import { routerFor, type RouterSet } from './router.ts';
import { keyOf, type WorkHold, type Setting, type OperationWay } from './setting.ts';
import { tiltFor } from './angles.ts';
import { SLOT_WITHIN, stackFor, type StackSet } from './dado-stack.ts';
import type { Machine, Shop } from '../model/shop.ts';

export const MIN_AT_TABLE = 150_000_000;

/** The two edges a slot can be measured from, and the distance of its nearer wall from each. */
function references(slot: SlotWork, blank: OperationBlank): readonly { readonly against: RectEdge; readonly distance: Length }[] {
  const [low, high]: [RectEdge, RectEdge] = slot.across ? ['start', 'end'] : ['near', 'far'];
  const size = slot.across ? blank.length : blank.width;
  // A rabbet runs out over its edge: the cutter is buried in a sacrificial fence there.
  return [
    { against: low, distance: Math.max(0, slot.near) as Length },
    { against: high, distance: Math.max(0, size - slot.far) as Length },
  ];
}

/** Its width inside the blank: a rabbet's outer wall may lie beyond the edge. */
export const slotWidth = (slot: SlotWork, blank: OperationBlank): Length =>
  (Math.min(slot.far, slot.across ? blank.length : blank.width) - Math.max(0, slot.near)) as Length;

export function slotWays(slot: SlotWork, blank: OperationBlank, shop: Shop): OperationWay[] {
  const width = slotWidth(slot, blank);
  const stopped = slot.from !== null || slot.to !== null;
  return references(slot, blank).flatMap((reference) => [
    ...(stopped ? [] : sawWays(slot, blank, shop, width, reference)),
    ...routerWays(slot, blank, shop, width, reference),
  ]);
}

interface Reference {
  readonly against: RectEdge;
  readonly distance: Length;
}

function sawWays(slot: SlotWork, blank: OperationBlank, shop: Shop, width: Length, { against, distance }: Reference): OperationWay[] {
  const ways: OperationWay[] = [];
  const onFence = slot.across ? blank.width : blank.length;
  const across = slot.across ? blank.length : blank.width;
  const saw = stackSaw(shop);
  const arm = stackSaw(shop, 'radial-arm');
  const held = (machine: Machine, how: WorkHold, reach: Length): void => {
    const set = stackFor(shop.stack!, width, machine.stack!.nm);
    if (!set || distance > reach || slot.depth > (machine.deep?.nm ?? 0)) return;
    ways.push(
      way(stackSetting(machine, how, set, distance, slot.depth), against, slot, Math.max(blank.length, blank.width) < MIN_AT_SAW, how === 'fence' ? 0 : 1),
    );
  };
  if (saw) {
    // The edge on the fence must be at least as long as the distance across it, or the piece racks.
    if (onFence >= across && onFence >= MIN_ON_FENCE) held(saw, 'fence', saw.rip!.nm);
    if (slot.across && blank.width <= saw.crosscut!.nm) held(saw, 'sled', blank.length);
    if (!slot.across && blank.length <= saw.crosscut!.nm && onFence < across) held(saw, 'sled', blank.width);
  }
  if (arm && slot.across && blank.width <= arm.crosscut!.nm) held(arm, 'sled', blank.length);
  return ways;
}

const stackSetting = (machine: Machine, held: WorkHold, stack: StackSet, distance: Length, depth: Length): Setting => ({
  key: keyOf(machine.id, held, stack.cuts, stack.over, depth, distance),
  machine: machine.id,
  held,
  stack,
  distance,
  depth,
});

function routerWays(slot: SlotWork, blank: OperationBlank, shop: Shop, width: Length, { against, distance }: Reference): OperationWay[] {
  const ways: OperationWay[] = [];
  const stopped = slot.from !== null || slot.to !== null;
  const bits = Object.values(shop.bits);
  const [table] = machinesOf(shop, 'router-table');
  const [router] = machinesOf(shop, 'router');
  const atTable = table && routerFor(bits, width, slot.depth, table.deep!.nm);
  const onFence = slot.across ? blank.width : blank.length;
  const across = slot.across ? blank.length : blank.width;
  if (atTable && distance <= table.rip!.nm && onFence >= across && onFence >= MIN_ON_FENCE)
    ways.push(way(routerSetting(table, 'table', atTable, distance, slot, stopped), against, slot, Math.max(blank.length, blank.width) < MIN_AT_TABLE, 2));
  const byHand = router && routerFor(bits, width, slot.depth, router.deep!.nm);
  if (byHand) ways.push(way(routerSetting(router, 'edge', byHand, distance, slot, stopped), against, slot, false, 3));
  return ways;
}

function routerSetting(machine: Machine, held: WorkHold, router: RouterSet, distance: Length, slot: SlotWork, stopped: boolean): Setting {
  return {
    key: keyOf(machine.id, held, router.bit, router.over.join('+'), slot.depth, distance, ...(stopped ? [slot.from, slot.to] : [])),
    machine: machine.id,
    held,
    router,
    distance,
    depth: slot.depth,
    ...(stopped ? { stops: { from: slot.from, to: slot.to } } : {}),
  };
}

const way = (setting: Setting, against: RectEdge, { face }: SlotWork, longer: boolean, trouble: number): OperationWay => ({
  setting,
  against,
  face,
  longer,
  trouble: trouble + (longer ? 4 : 0),
});

/** A slanted slot: the router along a straight edge turned by a wedge, or the piece on a wedge on the sled. */
export function slantedWays(slot: SlantedSlotWork, blank: OperationBlank, shop: Shop): OperationWay[] {
  const ways: OperationWay[] = [];
  const add = (setting: Omit<Setting, 'key' | 'held' | 'gaugeDeg' | 'depth'>, cut: string, trouble: number): void => {
    const key = keyOf(setting.machine, 'wedge', cut, slot.depth, Math.round(slot.angleDeg * 1e6));
    // Each slot is aligned to its mark: the wedge stays.
    ways.push({
      setting: { ...setting, key, held: 'wedge', depth: slot.depth, gaugeDeg: slot.angleDeg },
      against: 'near',
      face: slot.face,
      longer: false,
      trouble,
    });
  };
  const saw = stackSaw(shop);
  const stack = saw && stackFor(shop.stack!, slot.width, saw.stack!.nm);
  if (saw && stack && !slot.slot.stoppedAt?.from && !slot.slot.stoppedAt?.to && blank.width <= saw.crosscut!.nm && slot.angleDeg <= (saw.mitreDeg ?? 0))
    add({ machine: saw.id, stack }, `${stack.cuts}+${stack.over}`, 1);
  const [router] = machinesOf(shop, 'router');
  const set = router && routerFor(Object.values(shop.bits), slot.width, slot.depth, router.deep!.nm);
  if (router && set) add({ machine: router.id, router: set }, `${set.bit}+${set.over.join('+')}`, 3);
  return ways;
}

/**
 * A groove in an edge: over a router table or a stack, the piece on edge against a tall fence; else a router on the edge with a side fence. In a bevel: the
 * blade tilted like the bevel, pass beside pass, or the piece leaned by it on a wedge.
 */
export function edgeGrooveWays(groove: EdgeGrooveWork, blank: OperationBlank, shop: Shop): OperationWay[] {
  const { width, depth, from } = groove;
  const deg = Math.abs(groove.deg);
  const beveled = deg > 1e-9;
  const long = blank.panel.thickness / Math.cos((deg * Math.PI) / 180);
  const rest = Math.round(long - from - width) as Length;
  return [
    ...(
      [
        ['reference', from],
        ['other', rest],
      ] as const
    ).flatMap(([face, distance]) => standingWays({ width, depth, distance, face, deg }, blank, shop)),
    ...(beveled ? bladeWays(groove, blank, shop) : []),
  ];
}

interface Standing {
  readonly width: Length;
  readonly depth: Length;
  readonly distance: Length;
  readonly face: 'reference' | 'other';
  readonly deg: number;
}

function standingWays({ width, depth, distance, face, deg }: Standing, blank: OperationBlank, shop: Shop): OperationWay[] {
  const ways: OperationWay[] = [];
  const beveled = deg > 1e-9;
  const longest = Math.max(blank.length, blank.width);
  const leans = beveled ? { gaugeDeg: deg } : {};
  const add = (machine: Machine, held: WorkHold, cutter: Pick<Setting, 'stack' | 'router'>, cut: string, longer: boolean, trouble: number): void =>
    void ways.push({
      setting: {
        key: keyOf(machine.id, held, cut, depth, distance, ...(beveled ? [Math.round(deg * 1e6)] : [])),
        machine: machine.id,
        held,
        ...cutter,
        ...(held === 'wedge' ? leans : {}),
        distance,
        depth,
      },
      against: null,
      face,
      longer,
      trouble,
    });
  const saw = stackSaw(shop);
  const stack = saw && !beveled && stackFor(shop.stack!, width, saw.stack!.nm);
  if (saw && stack && depth <= saw.deep!.nm) add(saw, 'tall', { stack }, `${stack.cuts}+${stack.over}`, longest < MIN_AT_SAW, 1);
  for (const [machine, held, trouble] of [
    [machinesOf(shop, 'router-table')[0], beveled ? 'wedge' : 'tall', 2],
    [machinesOf(shop, 'router')[0], 'edge', 3],
  ] as const) {
    const set = machine && routerFor(Object.values(shop.bits), width, depth, machine.deep!.nm);
    if (machine && set) add(machine, held, { router: set }, `${set.bit}+${set.over.join('+')}`, held !== 'edge' && longest < MIN_AT_TABLE, trouble);
  }
  return ways;
}

/** The beveled edge against the fence, the blade tilted like the bevel: it is square to it. */
function bladeWays({ width, depth, from, deg }: EdgeGrooveWork, blank: OperationBlank, shop: Shop): OperationWay[] {
  const [saw] = machinesOf(shop, 'table-saw');
  const kerf = saw?.kerf?.nm ?? 0;
  const tilt = saw && tiltFor(Math.abs(deg), saw.tiltDeg ?? 0);
  if (!saw || !tilt || tilt.standing || kerf === 0 || kerf > width + SLOT_WITHIN || depth > saw.deep!.nm) return [];
  const left = width - kerf;
  const further = left > SLOT_WITHIN ? Math.ceil(left / kerf) : 0;
  const over = Array.from({ length: further }, (_, n) => Math.round((left * (n + 1)) / further) as Length);
  const longer = Math.max(blank.length, blank.width) < MIN_AT_SAW;
  return [
    {
      setting: {
        key: keyOf(saw.id, 'fence', 'spline', Math.round(tilt.deg * 1e6), over.join('+'), depth, from),
        machine: saw.id,
        held: 'fence',
        blade: { cuts: kerf as Length, over },
        tilt,
        distance: from,
        depth,
      },
      against: null,
      face: 'reference',
      longer,
      trouble: longer ? 5 : 1,
    },
  ];
}
