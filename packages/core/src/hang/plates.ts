/**
 * Keyhole plates let into a hanging rail or backboard, each on the head of one screw that stands off the wall: the screw bends between plate and stud, and
 * the plate carries its rating. Source: docs/formulas/keyhole-plates.md.
 */
import type { WordKey } from '../checks/words/labels.ts';
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import { studGravity } from '../wall/studs.ts';
import { evaluate, formula, least, termOf, type ExplainedValue } from '../explained/explained-value.ts';
import { bearingLength, MIN_PENETRATION, PENETRATION, proudYield, STEEL, threadIn, WITHDRAWAL } from './fasteners.ts';
import { groundOf, masonryHold, MASONRY_SPECIFIC_GRAVITY, type ScrewCapacity } from './grounds.ts';
import type { HangInput } from './hang-input.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

const SOURCE = 'docs/formulas/keyhole-plates.md';
/** Share of a plate's rating that counts for a permanent load. [ASSUME] */
const WORKING = ASSUMED.plateWorking.value;

const RATED = formula({
  label: 'rated-plate',
  unit: 'N',
  text: 'rating · g₀ · share',
  source: `[ASSUME] ${SOURCE}`,
  terms: { rating: 'kg', share: 'factor' },
  compute: ({ rating, share }) => rating * STANDARD_GRAVITY * share,
});
const PROUD = formula({
  label: 'proud-screw',
  unit: 'N',
  text: 'least of three yield modes of a pinned plate, lever = covering + proud, / R_d · C_D',
  source: `[eq], as TR12 with a pinned side ${SOURCE}`,
  terms: { D: 'mm', D_r: 'mm', F_yb: 'MPa', main: 'mm', lever: 'mm', G: 'factor', C_D: 'factor' },
  compute: ({ D, D_r, F_yb, main, lever, G, C_D }) =>
    proudYield({ diameterMm: D, rootMm: D_r, yieldMPa: F_yb, mainMm: main, leverMm: lever, gravity: G }) * C_D,
});
/** A plate is rated for weight hanging on it: the pull off the head is added by the straight sum. */
export const ON_PLATE = formula({
  label: 'plate-use',
  unit: 'share',
  text: "V / Z' + T / W'",
  source: `[ASSUME] ${SOURCE}`,
  terms: { V: 'N', T: 'N', "Z'": 'N', "W'": 'N' },
  compute: (terms) => terms.V / terms["Z'"] + terms.T / terms["W'"],
});

/** Capacity of one plate on its screw, in timber or masonry; other ground is refused (refusals.ts). */
export function plateCapacity({ cabinet, wall }: HangInput, C_D: number): ScrewCapacity {
  const { wallScrew, plate } = cabinet.hanging;
  const screw = screwById(wallScrew.screw);
  const { diameterMm: D, rootMm: D_r, yieldMPa: F_yb } = screw;
  const L = toMm(wallScrew.length);
  const proud = toMm(plate!.proud);
  const covering = toMm(wall.covering.nm);
  const penetration = evaluate(PENETRATION, {
    L,
    cleat: { value: proud, label: { key: 'plate-proud' } },
    wallboard: { value: covering, label: { key: 'wall-covering' } },
  });
  const depthMm = groundOf(wall) === 'timber' ? toMm(wall.studs.depth.nm) : Infinity;
  const grip = Math.min(Math.max(0, penetration.value), depthMm);
  const rating = evaluate(RATED, { rating: { value: plate!.ratedKg, source: plate!.ratedFrom }, share: WORKING });
  const masonry = groundOf(wall) === 'masonry' ? masonryHold(wall) : null;
  const bent = evaluate(PROUD, {
    D,
    D_r,
    F_yb,
    main: bearingLength(grip, D),
    lever: covering + proud,
    G: masonry ? MASONRY_SPECIFIC_GRAVITY : studGravity(wall),
    C_D,
  });
  const drawn = masonry?.pull ?? evaluate(WITHDRAWAL, { G: studGravity(wall), D, thread: threadIn(grip, L), C_D });
  const weakest = (label: WordKey, figures: readonly ExplainedValue[]): ExplainedValue =>
    least(
      label,
      'N',
      figures.map((each) => termOf(each)),
      SOURCE,
    );
  return {
    lateral: weakest('plate-shear', [bent, rating, ...(masonry ? [masonry.shear] : [])]),
    pull: weakest('screw-tension-capacity', [drawn, rating, evaluate(STEEL, { D_r })]),
    penetration,
    depthMm,
    diameterMm: D,
    minMm: masonry?.deepMm ?? MIN_PENETRATION * D,
  };
}
