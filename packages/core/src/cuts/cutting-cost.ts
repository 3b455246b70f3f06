/** What a layout is worth beside its sheets: smaller is better, compared one after the other. */
import type { Sequence } from './sequence.ts';

/** What is wanted among plans with as few sheets. */
export type LayoutPreference = 'settings' | 'offcut' | 'handling';

/**
 * Whatever is wanted, cuts no saw can make come first, for a layout that cannot be cut is none; then cuts at which a hand comes near the blade;
 * then sheets that must not come short, `tight` of them.
 */
export function cuttingCostOf({ impossible, nearBlade, settings, steps, left, turnedKg }: Sequence, tight: number, then: LayoutPreference): readonly number[] {
  // One large offcut is worth more than slivers of the same area: squares say so.
  const usable = -left.reduce((sum, { piece: { dx, dy } }) => sum + ((dx / 1e9) * (dy / 1e9)) ** 2, 0);
  const cutting = [settings, steps.length];
  switch (then) {
    case 'settings':
      return [impossible.length, nearBlade.length, tight, ...cutting, usable];
    case 'offcut':
      return [impossible.length, nearBlade.length, tight, usable, ...cutting];
    case 'handling':
      return [impossible.length, nearBlade.length, tight, Math.round(turnedKg), ...cutting];
  }
}

export const isCheaperToCut = (a: readonly number[], b: readonly number[]): boolean => {
  for (let n = 0; n < a.length; n++) if (a[n] !== b[n]) return a[n]! < b[n]!;
  return false;
};
