/**
 * What test cuts say of the shop: how much wider than itself a cutter cuts, how far off the scale of a fence, stop or rule
 * is, how wide a blade's kerf is. The mean of the last few of each stands in place of what the shop was told; what is set up
 * later starts from it.
 */
import { enteredFromNm, type Entered } from '../length/entered.ts';
import type { Length } from '../length/length.ts';
import type { Shop } from '../stock/shop.ts';
import type { Setting } from './setting.ts';

/** The dado stack, or a bit by its id. */
export const STACK_ID = 'stack';

export interface TestCut {
  /** place: how far from the reference the cut came. kerf: what the blade took away. Absent: how wide the slot of one pass came. */
  readonly of?: 'place' | 'kerf';
  /** For width the stack or a bit, for place a scale (scaleOf), for kerf a machine. */
  readonly cutter: string;
  /** For width the cutter's own size, not what it was expected to cut; for place what was set; for kerf what the shop said. */
  readonly thick: Entered;
  /** What came out. */
  readonly came: Entered;
}

/** So many of the latest test cuts of a cutter count: older ones were made with other blades. [ASSUME] */
const LATEST = 5;

/** Nanometers, and from how many test cuts. */
export interface Known {
  readonly nm: number;
  readonly cuts: number;
}

export interface Calibration {
  /** By cutter: what it cuts over itself. */
  readonly over: ReadonlyMap<string, Known>;
  /** By scale: what comes out over what is set. */
  readonly place: ReadonlyMap<string, Known>;
  /** By machine: its kerf. */
  readonly kerf: ReadonlyMap<string, Known>;
}

/** Oldest first. */
export function calibrationFrom(testCuts: readonly TestCut[]): Calibration {
  const means = (of: TestCut['of'], said: (cut: TestCut) => number): Map<string, Known> => {
    const byCutter = new Map<string, number[]>();
    for (const cut of testCuts) if (cut.of === of) byCutter.set(cut.cutter, [...(byCutter.get(cut.cutter) ?? []), said(cut)]);
    return new Map([...byCutter].map(([cutter, all]) => [cutter, meanOf(all.slice(-LATEST))]));
  };
  const more = ({ came, thick }: TestCut): number => came.nm - thick.nm;
  return { over: means(undefined, more), place: means('place', more), kerf: means('kerf', ({ came }) => came.nm) };
}

const meanOf = (all: readonly number[]): Known => ({ nm: Math.round(all.reduce((sum, nm) => sum + nm, 0) / all.length), cuts: all.length });

/** The shop as its test cuts say it is; itself where they say nothing of it. */
export function withCalibration(shop: Shop, { over, kerf }: Pick<Calibration, 'over' | 'kerf'>): Shop {
  if (over.size === 0 && kerf.size === 0) return shop;
  const said = (cutter: string, told: Entered): Entered => {
    const known = over.get(cutter);
    return known ? enteredFromNm(known.nm) : told;
  };
  return {
    ...shop,
    machines: Object.fromEntries(
      Object.entries(shop.machines).map(([id, machine]) => {
        const known = kerf.get(id);
        return [id, known && machine.kerf ? { ...machine, kerf: enteredFromNm(known.nm) } : machine];
      }),
    ),
    stack: shop.stack && { ...shop.stack, over: said(STACK_ID, shop.stack.over) },
    bits: Object.fromEntries(Object.entries(shop.bits).map(([id, bit]) => [id, { ...bit, over: said(id, bit.over) }])),
  };
}

/** What a distance is read on: a machine has one scale for its fence, another for its stop, another for its rule. */
export const scaleOf = ({ machine, held }: Pick<Setting, 'machine' | 'held'>): string => `${machine}/${held}`;

/** What the scale has to say for a setting's distance to come out; the distance itself where nothing is known of the scale. */
export function onScale(setting: Setting, { place }: Pick<Calibration, 'place'>): { readonly reads: Length; readonly off: Known } | null {
  const off = place.get(scaleOf(setting));
  // A cutter buried in a fence of scrap is set by eye; nothing is read.
  return off && setting.distance ? { reads: (setting.distance - off.nm) as Length, off } : null;
}
