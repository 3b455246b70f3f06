/** How a shop can make one straight cut through a piece of sheet. */
import type { Length } from '../length/length.ts';
import { MIN_AT_SAW, MIN_ON_FENCE, machinesOf } from '../stock/shop.ts';
import type { Machine, Shop } from '../model/shop.ts';

/** Along the fence; on a sled or miter gauge, with a stop; along a clamped guide. */
export type CutHold = 'fence' | 'sled' | 'guide';

/** A straight cut: `line` is its length, `size` the piece across it, `keep` what is left on the near side. */
export interface Straight {
  readonly line: Length;
  readonly size: Length;
  readonly keep: Length;
  readonly thick: Length;
  readonly kg: number;
}

/** A strip squeezed between blade and fence; one that falls free beside the blade; a piece so short that a hand comes near the blade. */
export type Hazard = 'thin-rip' | 'thin-falls' | 'short-piece';

export interface CutWay {
  readonly machine: Machine;
  readonly held: CutHold;
  /** From the fence or stop to the blade; along a guide, from the edge to the line. */
  readonly setting: Length;
  /** What lies against the fence: the kept piece, or the rest, so that a thin strip falls free. */
  readonly against: 'near' | 'far';
  readonly kerf: Length;
  readonly hazard: Hazard | null;
}

/** A narrower strip between blade and fence is squeezed and thrown. [ASSUME] */
export const THIN_RIP = 25_000_000;
/** What one person can push over a table saw: heavier or larger pieces are cut where they lie. [ASSUME] */
const STEERED_KG = 15;
const STEERED_LONG = 1_600_000_000;
const STEERED_WIDE = 800_000_000;

/** A piece too large or heavy for one person to push past a blade. */
export const isLarge = ({ line, size, kg }: Pick<Straight, 'line' | 'size' | 'kg'>): boolean =>
  kg > STEERED_KG || (Math.max(line, size) > STEERED_LONG && Math.min(line, size) > STEERED_WIDE);

/** Whether a hand comes near the blade: with a push stick, or holding a short piece. */
export const isHeldNearBlade = ({ hazard }: Pick<CutWay, 'hazard'>): boolean => hazard === 'thin-rip' || hazard === 'short-piece';

/** All possible ways, best first; none where the shop cannot make the cut. */
export function cutWays(cut: Straight, shop: Pick<Shop, 'machines'>): CutWay[] {
  const { line, size, keep, thick } = cut;
  const ways: { way: CutWay; trouble: number }[] = [];
  const add = (machine: Machine, held: CutHold, against: CutWay['against'], setting: number, hazard: CutWay['hazard'], trouble: number): void => {
    if (machine.deep!.nm < thick) return;
    ways.push({ way: { machine, held, setting: setting as Length, against, kerf: machine.kerf!.nm, hazard }, trouble });
  };
  const large = isLarge(cut);
  const short = Math.max(line, size) < MIN_AT_SAW ? 'short-piece' : null;
  for (const saw of machinesOf(shop, 'table-saw')) {
    const kerf = saw.kerf!.nm;
    // A piece wider than its edge on the fence can rack; a short piece is not held.
    if (line >= size && line >= MIN_ON_FENCE && line >= MIN_AT_SAW) {
      const rest = size - keep - kerf;
      if (keep <= saw.rip!.nm) {
        if (keep >= THIN_RIP) add(saw, 'fence', 'near', keep, rest > 0 && rest < THIN_RIP ? 'thin-falls' : null, large ? 40 : 0);
        else if (rest >= THIN_RIP && rest <= saw.rip!.nm) add(saw, 'fence', 'far', rest, 'thin-falls', large ? 42 : 3);
        else add(saw, 'fence', 'near', keep, 'thin-rip', 60);
      } else if (rest >= THIN_RIP && rest <= saw.rip!.nm) add(saw, 'fence', 'far', rest, null, large ? 44 : 4);
    }
    if (line <= saw.crosscut!.nm) add(saw, 'sled', 'near', keep, short, size > STEERED_LONG ? 30 : 2);
  }
  for (const saw of machinesOf(shop, 'mitre-saw')) if (line <= saw.crosscut!.nm) add(saw, 'sled', 'near', keep, short, large ? 30 : 1);
  for (const saw of machinesOf(shop, 'radial-arm')) if (line <= saw.crosscut!.nm) add(saw, 'sled', 'near', keep, short, large ? 30 : 2);
  for (const saw of machinesOf(shop, 'guided-saw')) if (line <= saw.guide!.nm) add(saw, 'guide', 'near', keep, short, 20);
  return ways.sort((a, b) => a.trouble - b.trouble).map(({ way }) => way);
}
