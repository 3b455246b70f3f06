/**
 * Calibration from test cuts: how much wider than its size a cutter cuts, the offset of a fence, stop or rule scale, the kerf of a blade. The mean of the
 * latest few replaces what was entered; later setups start from it.
 */
import { enteredFromNm, type Entered } from '../length/entered.ts';
import type { Length } from '../length/length.ts';
import type { Setting } from './setting.ts';
import type { Shop } from '../model/shop.ts';
import type { TestCut } from '../model/record.ts';

/** place: distance of the cut from its reference. kerf: what the blade removed. Absent: width of a single-pass slot. */
export const STACK_ID = 'stack';

/** Latest test cuts that count per cutter: older ones were made with other blades. [ASSUME] */
const LATEST = 5;

/** Nanometers, and number of test cuts. */
export interface Known {
  readonly nm: number;
  readonly cuts: number;
}

export interface Calibration {
  /** By cutter: width cut over its size. */
  readonly over: ReadonlyMap<string, Known>;
  /** By scale: measured minus set. */
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

/** The shop corrected by its test cuts; itself without any. */
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

/** Scale of a distance: a machine has one for its fence, another for its stop, another for its rule. */
export const scaleOf = ({ machine, held }: Pick<Setting, 'machine' | 'held'>): string => `${machine}/${held}`;

/** Scale reading that gives a distance; the distance itself where the scale is not calibrated. */
export function onScale(setting: Setting, { place }: Pick<Calibration, 'place'>): { readonly reads: Length; readonly off: Known } | null {
  const off = place.get(scaleOf(setting));
  // A cutter buried in a sacrificial fence is set by eye, without a scale.
  return off && setting.distance ? { reads: (setting.distance - off.nm) as Length, off } : null;
}
