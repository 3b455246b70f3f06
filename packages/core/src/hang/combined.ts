/**
 * How pull and shear add up in one wall fixing, by what it goes into: interpolated in timber, added straight everywhere else,
 * in sound masonry to 1.2 where both ratings are known. Source: docs/formulas/screw-combined.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { STRUCTURES } from '../wall/structures.ts';
import type { Wall } from '../wall/wall.ts';
import { formula, type Formula } from '../worked/figure.ts';
import { COMBINED, linearUse } from './fasteners.ts';
import { groundOf } from './grounds.ts';

const SOURCE = 'docs/formulas/screw-combined.md';
/** The straight sum may come to this in solid masonry with rated plugs. [ETAG 020 (m)] */
const IN_SOLID = ASSUMED.solidMasonrySum.value;

type Combination = Formula<'V' | 'T' | "Z'" | "W'">;
const terms = { V: 'N', T: 'N', "Z'": 'N', "W'": 'N' } as const;

/** V/Z' + T/W' ≤ 1: plugs, anchors, sheet metal. The American sheet steel rule allows more, so this is the safer side. */
export const STRAIGHT: Combination = formula({
  label: 'screw-combined',
  unit: 'share',
  text: "V / Z' + T / W'",
  source: `[S100 E4, ETAG 020 (m)], the safer of them ${SOURCE}`,
  terms,
  compute: (each) => linearUse(each.V, each.T, each["Z'"], each["W'"]),
});

export const SOLID_MASONRY: Combination = formula({
  label: 'screw-combined',
  unit: 'share',
  text: "max{V / Z', T / W', (V / Z' + T / W') / 1.2}",
  source: `[ETAG 020 (m)] ${SOURCE}`,
  terms,
  compute: ({ V, T, "Z'": Z, "W'": W }) => Math.max(linearUse(V, 0, Z, W), linearUse(0, T, Z, W), linearUse(V, T, Z, W) / IN_SOLID),
});

/** The rule for one fixing in this wall. */
export function combinationIn(wall: Pick<Wall, 'structure' | 'fixing'>): Combination {
  const ground = groundOf(wall);
  if (ground === 'timber') return COMBINED;
  const isRated = wall.fixing.pullN !== null && wall.fixing.shearN !== null;
  return ground === 'masonry' && STRUCTURES[wall.structure].sound === 1 && isRated ? SOLID_MASONRY : STRAIGHT;
}
