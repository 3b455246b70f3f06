/** Order of the levels: heavy items low, daily items between hip and eye, pins in their given order. */
import { toMm, type Length } from '../length/length.ts';
import type { PackedLevel, SetOutJob } from './set-out-job.ts';

/** Weights in mm: all mass at the very top, and all daily items out of reach. [A] */
const HEAVY_MM = 60;
const DAILY_MM = 90;

/** An order that exceeds the available height comes last. */
const TOO_HIGH_MM = 1e5;

/** Up to this many levels every pair is tried for a swap. */
const FEW_LEVELS = 9;

export interface Ordered {
  readonly levels: readonly PackedLevel[];
  readonly cost: number;
}

interface Sums {
  readonly kg: number;
  /** Columns of items in daily use. */
  readonly daily: number;
}

/** Local search over orders: heaviest at the bottom, then moves to the top and swaps while they improve. */
export function orderLevels(job: SetOutJob, levels: readonly PackedLevel[]): Ordered {
  const sums = new Map(levels.map((level) => [level, sumsOf(level)]));
  const allKg = levels.reduce((sum, level) => sum + sums.get(level)!.kg, 0) || 1;
  const allDaily = levels.reduce((sum, level) => sum + sums.get(level)!.daily, 0) || 1;
  const whole = levels.reduce((sum, { height }) => sum + height, 0) + levels.length * job.thickness || 1;
  const bare = whole - job.thickness;
  const cost = (order: readonly PackedLevel[]): number => {
    let up = 0;
    // Extra height of the topmost level counts as height, and must fit.
    const raised = Math.max(0, job.topHeight - (order.at(-1)?.height ?? 0));
    let total = toMm(raised as Length) + (bare + raised > job.height ? TOO_HIGH_MM : 0);
    for (const level of order) {
      const { kg, daily } = sums.get(level)!;
      const middle = up + level.height / 2;
      total += HEAVY_MM * (kg / allKg) * (middle / whole);
      if (daily > 0) total += DAILY_MM * (daily / allDaily) * outside(job.floorUp + middle, job);
      up += level.height + job.thickness;
    }
    return total;
  };
  let order = [...levels].sort((a, b) => sums.get(b)!.kg - sums.get(a)!.kg);
  order = keepPins(job, order);
  let least = cost(order);
  // All pairs in a cabinet; only neighbors beyond FEW_LEVELS.
  const reach = order.length <= FEW_LEVELS ? order.length : 1;
  for (let round = 0; round < 3; round++) {
    let better = false;
    const take = (other: readonly PackedLevel[]): void => {
      if (!pinsInOrder(job, other)) return;
      const now = cost(other);
      if (now < least - 1e-9) [order, least, better] = [[...other], now, true];
    };
    // Each moved above all others: swaps cannot do that past pinned levels.
    for (const level of order) take([...order.filter((each) => each !== level), level]);
    for (let i = 0; i < order.length; i++) {
      for (let k = i + 1; k < Math.min(order.length, i + 1 + reach); k++) {
        const swapped = [...order];
        [swapped[i], swapped[k]] = [swapped[k]!, swapped[i]!];
        take(swapped);
      }
    }
    if (!better) break;
  }
  return { levels: order, cost: least };
}

/** Distance of a height from the zone between hip and eye, as a share of half a meter, at most 1. */
function outside(up: number, { zone }: SetOutJob): number {
  const away = Math.max(0, zone.hip - up, up - zone.eye);
  return Math.min(1, toMm(away as Length) / 500);
}

function sumsOf({ columns }: PackedLevel): Sums {
  let kg = 0;
  let daily = 0;
  for (const [piece, count] of columns) {
    kg += piece.kg * count;
    if (piece.item.reach === 'daily') daily += count;
  }
  return { kg, daily };
}

const rankOf = ({ elements }: SetOutJob, { on }: PackedLevel): number => (on === null ? -1 : elements.indexOf(on));

/** Pinned levels keep the order of their elements, and the floor stays the floor. */
function pinsInOrder(job: SetOutJob, order: readonly PackedLevel[]): boolean {
  let last = -1;
  for (const [index, level] of order.entries()) {
    const rank = rankOf(job, level);
    if (rank < 0) continue;
    if (rank < last || (rank === 0 && index !== 0)) return false;
    last = rank;
  }
  return true;
}

function keepPins(job: SetOutJob, order: readonly PackedLevel[]): PackedLevel[] {
  const pinned = order.filter(({ on }) => on !== null).sort((a, b) => rankOf(job, a) - rankOf(job, b));
  const places = order.flatMap((level, index) => (level.on === null ? [] : [index]));
  const kept = [...order];
  places.forEach((place, index) => (kept[place] = pinned[index]!));
  const floor = kept.findIndex((level) => rankOf(job, level) === 0);
  if (floor > 0) kept.unshift(...kept.splice(floor, 1));
  return kept;
}
