/** Stud species: specific gravity for fasteners, [NDS T12.3.3A] (m). Unknown: the lowest that is likely. */
import type { SpeciesId } from '../model/wall.ts';

export const SPECIES: Readonly<Record<SpeciesId, { readonly name: string; readonly gravity: number }>> = {
  unknown: { name: 'not known', gravity: 0.36 },
  spf: { name: 'spruce, pine or fir', gravity: 0.42 },
  'douglas-fir': { name: 'Douglas fir or larch', gravity: 0.5 },
  'southern-pine': { name: 'southern pine', gravity: 0.55 },
  'white-pine': { name: 'white pine', gravity: 0.36 },
  oak: { name: 'red oak', gravity: 0.67 },
};
