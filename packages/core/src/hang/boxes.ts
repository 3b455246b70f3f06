/**
 * The boxes of a hung cabinet, side by side; each passes its own weight to its own hanging rail. Most cabinets have one, a run has several on one cleat.
 * Source: docs/formulas/rail-load.md.
 */
import type { CompartmentLoad } from '../parts/weights.ts';
import { NM_PER } from '../length/length.ts';
import { place, type Panel } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { bulkOf } from '../solid/volume.ts';
import type { HangInput } from './hang-input.ts';
import { stretchOf, type WallStretch } from './bearing-shares.ts';

/** What hangs on one hanging rail, mm from the cabinet's left end. */
export interface HungBox {
  readonly rail: string;
  /** Ends of the rail, where it passes the load to the sides. */
  readonly ends: WallStretch;
  readonly emptyKg: number;
  /** Center of mass of the empty box, along the wall. */
  readonly emptyAlong: number;
  readonly contents: readonly CompartmentLoad[];
}

/** Heights of a panel's lower and upper edge, mm. */
export function heightsOf({ frame, outline }: Panel): { low: number; high: number } {
  const ups = outline.map(({ from }) => place(frame, from).up / NM_PER.mm);
  return { low: Math.min(...ups), high: Math.max(...ups) };
}

/** Hanging rails on one cleat: those at the height of the first, from left to right. */
export function railsBeside({ panels }: Pick<ResolvedCabinet, 'panels'>, rail: ResolvedPanel): ResolvedPanel[] {
  const high = heightsOf(rail).high;
  return panels
    .filter((panel) => panel.role === 'hanging-rail' && Math.abs(heightsOf(panel).high - high) < 1)
    .sort((a, b) => stretchOf(a).from - stretchOf(b).from);
}

/** Splits a cabinet with several hanging rails into boxes, midway between neighboring rails. */
export function boxesOf({ cabinet, weights }: Pick<HangInput, 'cabinet' | 'weights'>, rails: readonly ResolvedPanel[]): HungBox[] {
  const ends = rails.map(stretchOf);
  const bounds = ends.slice(1).map(({ from }, index) => (ends[index]!.to + from) / 2);
  const boxAt = (along: number): number => bounds.filter((bound) => along > bound).length;
  const masses = rails.map(() => ({ kg: 0, moment: 0 }));
  for (const panel of cabinet.panels) {
    if (panel.onWall || panel.stands) continue;
    const at = bulkOf(panel).centre.along / NM_PER.mm;
    const kg = weights.panels.get(panel.id)!.value;
    const box = masses[boxAt(at)]!;
    box.kg += kg;
    box.moment += kg * at;
  }
  return rails.map(({ id }, index) => ({
    rail: id,
    ends: ends[index]!,
    emptyKg: masses[index]!.kg,
    emptyAlong: masses[index]!.kg > 0 ? masses[index]!.moment / masses[index]!.kg : (ends[index]!.from + ends[index]!.to) / 2,
    contents: weights.contents.filter(({ along, compartment }) => !compartment.stands && boxAt(along) === index),
  }));
}

/** Each box's share of the weight (they sum to 1) and the position of its center of mass, mm. */
export function boxShares(boxes: readonly HungBox[], factor: number): { share: number; along: number }[] {
  const each = boxes.map(({ emptyKg, emptyAlong, contents }) => {
    const held = contents.reduce((sum, { mass }) => sum + mass.value * factor, 0);
    const moment = contents.reduce((sum, { mass, along }) => sum + mass.value * factor * along, 0);
    return { kg: emptyKg + held, moment: emptyKg * emptyAlong + moment };
  });
  const all = each.reduce((sum, { kg }) => sum + kg, 0);
  return each.map(({ kg, moment }) => ({ share: kg / all, along: moment / kg }));
}
