/** Machines that run in steps without a setup of their own: they must be available, and are heard next door. */
import { machinesOf } from '../stock/shop.ts';
import type { MachineKind, Shop } from '../model/shop.ts';

const KINDS = {
  /** Boards to width and length, a part to an opening. */
  rip: ['table-saw', 'guided-saw', 'radial-arm', 'band-saw'],
  bevel: ['table-saw', 'guided-saw'],
  /** A back trimmed flush; a plane does it where there is no router. */
  trim: ['router'],
  bore: ['hand-drill'],
} as const satisfies Readonly<Record<string, readonly MachineKind[]>>;

/** Machine id as a list; empty where it is hand work. */
export const machineFor = (work: keyof typeof KINDS, shop: Pick<Shop, 'machines'>): readonly string[] =>
  machinesOf(shop, ...KINDS[work])
    .slice(0, 1)
    .map(({ id }) => id);
