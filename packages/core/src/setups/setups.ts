/**
 * Setups of the shop's machines for all parts of a plan, in order: slots while edges are square, then holes, then what removes the edges; within a stage,
 * machine by machine and cutter by cutter.
 */
import type { Length } from '../length/length.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { machinesInOrder, machinesOf } from '../stock/shop.ts';
import { tiltFor } from './angles.ts';
import { minimumSetCover } from './set-cover.ts';
import { operationsOf, STAGES, type OperationBlank, type Operation, type ToolingStage } from './operations.ts';
import { mustFollow } from './order.ts';
import { keyOf, type Setting, type OperationWay } from './setting.ts';
import type { SetupCut, Setup } from './setup.ts';
import { touchesOf, type Touch } from './touches.ts';
import { waysOf } from './ways.ts';
import type { Shop } from '../model/shop.ts';

/** The bevel rip that makes both halves of a cleat. */
export interface CleatRip {
  readonly unit: string;
  readonly wallHalf: string;
  readonly cabinetHalf: string;
  readonly setting: Setting | null;
}

export interface Setups {
  readonly setups: readonly Setup[];
  readonly cleats: readonly CleatRip[];
  /** Operations without a machine, bit or reach in this shop. */
  readonly unmade: readonly Operation[];
  readonly blanks: ReadonlyMap<string, OperationBlank>;
  /** Where parts butt against others, for layout. */
  readonly touches: readonly Touch[];
  /** Proved: no choice of ways has fewer settings. */
  readonly proved: boolean;
}

/** The setups of some cabinets of a plan, from resolved cabinets; faults are left to the checks. */
export function setupsOf(cabinets: readonly ResolvedCabinet[], shop: Shop): Setups {
  const blanks = new Map<string, OperationBlank>();
  const operations: Operation[] = [];
  for (const cabinet of cabinets) {
    const found = operationsOf(cabinet);
    for (const [id, blank] of found.blanks) blanks.set(id, blank);
    operations.push(...found.operations);
  }
  const ways = new Map<string, readonly OperationWay[]>();
  const unmade: Operation[] = [];
  for (const operation of operations) {
    const found = waysOf(operation, blanks.get(operation.panel)!, shop);
    if (found.length === 0) unmade.push(operation);
    else ways.set(operation.id, found);
  }
  const chosen = minimumSetCover(ways);
  const setups = inOrder(grouped(operations, chosen.ways), shop);
  return {
    setups,
    cleats: cabinets.flatMap((cabinet) => cleatRips(cabinet, shop)),
    unmade,
    blanks,
    touches: cabinets.flatMap((cabinet) => touchesOf(cabinet, blanks)),
    proved: chosen.proved,
  };
}

function grouped(operations: readonly Operation[], ways: ReadonlyMap<string, OperationWay>): Setup[] {
  const byKey = new Map<string, { stage: ToolingStage; setting: Setting; cuts: SetupCut[] }>();
  for (const operation of operations) {
    const way = ways.get(operation.id);
    if (!way) continue;
    const id = `${operation.stage} ${way.setting.key}`;
    const setup = byKey.get(id) ?? { stage: operation.stage, setting: way.setting, cuts: [] };
    setup.cuts.push({ operation, way });
    byKey.set(id, setup);
  }
  return [...byKey].map(([id, setup]) => ({ id, ...setup, after: [] }));
}

/** Stage by stage; within one by machine, tooling and setting, so that nothing is changed twice without need. */
function inOrder(setups: readonly Setup[], shop: Shop): Setup[] {
  const place = new Map(machinesInOrder(shop).map(({ id }, index) => [id, index]));
  const rank = ({ stage, setting }: Setup): (number | string)[] => [
    STAGES.indexOf(stage),
    place.get(setting.machine) ?? 99,
    setting.held,
    cutterKey(setting),
    setting.depth ?? 0,
    setting.tilt?.deg ?? 0,
    setting.distance ?? 0,
  ];
  const sorted = setups.map((setup) => ({ setup, by: rank(setup) })).sort((a, b) => compare(a.by, b.by) || (a.setup.id < b.setup.id ? -1 : 1));
  return sorted.map(({ setup }) => ({ ...setup, after: mustFollow(setup, setups) }));
}

const compare = (a: readonly (number | string)[], b: readonly (number | string)[]): number => {
  for (let i = 0; i < a.length; i++) {
    const [x, y] = [a[i]!, b[i]!];
    if (x !== y) return x < y ? -1 : 1;
  }
  return 0;
};

/** Tooling on the machine: more work to change than a fence. */
export const cutterKey = ({ stack, router, bit }: Setting): string => (stack ? keyOf('stack', stack.cuts) : router ? router.bit : (bit ?? ''));

/** One rip with a tilted blade parts a board into both halves; the fence is at the long face of the piece against it. */
function cleatRips(cabinet: ResolvedCabinet, shop: Shop): CleatRip[] {
  const { hanging } = cabinet;
  const pairs = [...(hanging.rip && !hanging.onRail ? [hanging, ...(hanging.lower ? [hanging.lower] : [])] : []), ...(hanging.beside ?? [])];
  return pairs.map(({ wallHalf, cabinetHalf }) => ({ unit: cabinet.id, wallHalf, cabinetHalf, setting: ripSetting(hanging.longFace, hanging.bevelDeg, shop) }));
}

function ripSetting(longFace: Length, bevelDeg: number, shop: Shop): Setting | null {
  for (const machine of machinesOf(shop, 'table-saw', 'guided-saw')) {
    const tilt = tiltFor(bevelDeg, machine.tiltDeg ?? 0);
    const held = machine.kind === 'table-saw' ? (tilt?.standing ? 'tall' : 'fence') : 'guide';
    if (!tilt || (machine.rip && longFace > machine.rip.nm) || (tilt.standing && machine.kind !== 'table-saw')) continue;
    return { key: keyOf(machine.id, held, 'cleat', Math.round(tilt.deg * 1e6), longFace), machine: machine.id, held, tilt, distance: longFace };
  }
  return null;
}
