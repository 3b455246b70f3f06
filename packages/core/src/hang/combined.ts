/**
 * Interaction of pull and shear in one wall fixing, by what it goes into: interpolated in timber, straight sum elsewhere, straight sum to 1.2 in sound
 * masonry where both ratings are known. Source: docs/formulas/screw-combined.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { STRUCTURES } from '../wall/structures.ts';
import type { Wall } from '../model/wall.ts';
import { formula, type Formula } from '../explained/explained-value.ts';
import { COMBINED, linearUse } from './fasteners.ts';
import { groundOf } from './grounds.ts';

const SOURCE = 'docs/formulas/screw-combined.md';
/** Limit of the straight sum for rated plugs in solid masonry. [ETAG 020 (m)] */
const IN_SOLID = ASSUMED.solidMasonrySum.value;

type Combination = Formula<'V' | 'T' | "Z'" | "W'">;
const terms = { V: 'N', T: 'N', "Z'": 'N', "W'": 'N' } as const;

/** V/Z' + T/W' ≤ 1 for plugs, anchors and sheet metal. The American sheet steel rule allows more, so this is the safer side. */
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

const STRICT: Combination = { ...STRAIGHT, source: `strict, as nails [NDS 12.4.2 (m)] ${SOURCE}` };

/** The rule for a screw in wood: interpolated, or straight where the strict rule was chosen. */
export const combinationInWood = ({ fixing }: Pick<Wall, 'fixing'>): Combination => (fixing.strict ? STRICT : COMBINED);

/** Utilization of the same pull and shear by other rules, shown beside the one that decides. */
export interface OtherRules {
  /** V/Z' + T/W'. */
  readonly straight: number;
  /** (V/Z')² + (T/W')². [EC5 8.28] */
  readonly squares: number;
}

export const otherRules = (V: number, T: number, Z: number, W: number): OtherRules => ({
  straight: linearUse(V, T, Z, W),
  squares: linearUse(V, 0, Z, W) ** 2 + linearUse(0, T, Z, W) ** 2,
});

/** The rule for one fixing in this wall. */
export function combinationIn(wall: Pick<Wall, 'structure' | 'fixing'>): Combination {
  const ground = groundOf(wall);
  if (ground === 'timber') return combinationInWood(wall);
  if (wall.fixing.strict) return STRICT;
  const isRated = wall.fixing.pullN !== null && wall.fixing.shearN !== null;
  return ground === 'masonry' && STRUCTURES[wall.structure].sound === 1 && isRated ? SOLID_MASONRY : STRAIGHT;
}
