/** Which machine of the shop runs in steps whose setting names none: what has to be there, and is heard next door. */
import { machinesOf, type MachineKind, type Shop } from '../stock/shop.ts';

const KINDS = {
  /** Boards to width and length, a part to an opening. */
  rip: ['table-saw', 'guided-saw', 'radial-arm', 'band-saw'],
  bevel: ['table-saw', 'guided-saw'],
  /** A back flush with the carcass; a plane does it where there is none. */
  trim: ['router'],
  bore: ['hand-drill'],
} as const satisfies Readonly<Record<string, readonly MachineKind[]>>;

/** Its id as a list; empty where the shop has none, and hands do it. */
export const machineFor = (work: keyof typeof KINDS, shop: Pick<Shop, 'machines'>): readonly string[] =>
  machinesOf(shop, ...KINDS[work])
    .slice(0, 1)
    .map(({ id }) => id);
