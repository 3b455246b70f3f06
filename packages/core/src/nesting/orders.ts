/** Insertion orders: sorted, and sorted with noise. */
import type { Random } from '../random/random.ts';
import type { PackItem } from './pieces.ts';

type Order = (a: PackItem, b: PackItem) => number;
const longest = (item: PackItem): number => Math.max(item.lies[0]!.dx, item.lies[0]!.dy);
const shortest = (item: PackItem): number => Math.min(item.lies[0]!.dx, item.lies[0]!.dy);
/** Sort keys worth starting from: area, long side, width, length, short side. */
export const ORDERS: readonly Order[] = [
  (a, b) => b.area - a.area || a.index - b.index,
  (a, b) => longest(b) - longest(a) || shortest(b) - shortest(a) || a.index - b.index,
  (a, b) => b.lies[0]!.dy - a.lies[0]!.dy || b.lies[0]!.dx - a.lies[0]!.dx || a.index - b.index,
  (a, b) => b.lies[0]!.dx - a.lies[0]!.dx || b.lies[0]!.dy - a.lies[0]!.dy || a.index - b.index,
  (a, b) => shortest(b) - shortest(a) || longest(b) - longest(a) || a.index - b.index,
];

export function shuffled<T>(rows: readonly T[], random: Random): T[] {
  const out = [...rows];
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j]!, out[i]!];
  }
  return out;
}

/** A sorted order with each item's size stretched by up to a fifth. */
export function jittered(items: readonly PackItem[], random: Random): PackItem[] {
  const size = [(item: PackItem) => item.area, longest, shortest, (item: PackItem) => item.lies[0]!.dy][Math.floor(random() * 4)]!;
  return items
    .map((item) => ({ item, key: size(item) * (0.8 + 0.4 * random()) }))
    .sort((a, b) => b.key - a.key)
    .map(({ item }) => item);
}
