/** Cutting cost of a layout beside its sheets: lexicographic, smaller is better. */
import type { Sequence } from './sequence.ts';

/** Preference among plans with equally few sheets. */
export type LayoutPreference = 'settings' | 'offcut' | 'handling';

/** First cuts no saw can make, because such a layout cannot be cut; then cuts with a hand near the blade; then `tight` sheets; then the preference. */
export function cuttingCostOf({ impossible, nearBlade, settings, steps, left, turnedKg }: Sequence, tight: number, then: LayoutPreference): readonly number[] {
  // Squares favor one large offcut over slivers of the same area.
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
