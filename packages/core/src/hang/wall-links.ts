/** The wall cleat, or the rail or backboard that is screwed through: its screws in each stud under pull, prying and shear, and its bending between studs. */
import type { WordKey } from '../checks/words/labels.ts';
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm, ZERO, type Length } from '../length/length.ts';
import type { Load } from '../parts/weights.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { evaluate, formula, greatest, termOf, total, type ExplainedValue } from '../explained/explained-value.ts';
import { combinationIn, otherRules, type OtherRules } from './combined.ts';
import { HEAD_PULL_THROUGH, PENETRATION, STEEL, WITHDRAWAL, shearOf, threadIn } from './fasteners.ts';
import { groundOf, minThreadInTimber, otherCapacity, type Ground, type ScrewCapacity } from './grounds.ts';
import type { HangInput } from './hang-input.ts';
import { link, type Link } from './link.ts';
import { ON_PLATE, plateCapacity } from './plates.ts';
import { studGravity } from '../wall/studs.ts';
import { PRYING } from './statics.ts';
import { bearingShares, stretchOf, wallPieces, type BearingShares, type WallStretch } from './bearing-shares.ts';
import { throughPull } from './through-forces.ts';
import type { Hook, WallForces } from './forces.ts';
import { countedRows, type WallRows } from './wall-rows.ts';
import { bendingLink, maxMoment } from './wall-bending.ts';

export interface StudUse {
  /** From the cabinet's left end, mm. */
  readonly atMm: number;
  /** Weight on this stud: the greatest of three ways of sharing. */
  readonly share: ExplainedValue;
  readonly use: ExplainedValue;
  readonly otherRules: OtherRules;
  readonly tension: ExplainedValue;
  readonly shear: ExplainedValue;
  readonly lateral: ExplainedValue;
  readonly pull: ExplainedValue;
  readonly penetrationMm: number;
  readonly diameters: number;
  /** Least penetration into the member it holds in, mm. */
  readonly minMm: number;
  readonly tooShort: boolean;
}

/** Positions closer than this are one stud seen from two cabinets. */
const SAME_STUD_MM = 1;

/** Least distance of a screw from the cleat's end, in diameters, predrilled. [NDS 12.1 commentary (m)] */
const END_DISTANCE = ASSUMED.endDistance.value;

/** Safety factor of the lock at the bottom. docs/formulas/hanging-verdict.md */
const LOCK_FACTOR = ASSUMED.lockFactor.value;

export const HOLD_DOWN_USE = formula({
  label: 'hold-down-use',
  unit: 'share',
  text: "1.5 L / Z'",
  source: 'docs/formulas/hanging-verdict.md',
  terms: { L: 'N', "Z'": 'N' },
  compute: (terms) => (terms["Z'"] > 0 ? (LOCK_FACTOR * terms.L) / terms["Z'"] : 99),
});
const SHEAR = formula({ label: 'screw-shear', unit: 'N', text: 'R / n', source: '[eq]', terms: { R: 'N', n: 'count' }, compute: ({ R, n }) => R / n });
const STUD_PULL = formula({
  label: 'stud-outward',
  unit: 'N',
  text: 'H · R / W',
  source: '[eq]',
  terms: { H: 'N', R: 'N', W: 'N' },
  compute: ({ H, R, W }) => (H * R) / W,
});
const MIN_OF = formula({
  label: 'screw-tension-capacity',
  unit: 'N',
  text: 'least of thread, head, steel',
  source: 'docs/formulas/head-pull-through.md',
  terms: { thread: 'N', head: 'N', steel: 'N' },
  compute: ({ thread, head, steel }) => Math.min(thread, head, steel),
});
const BEVEL_BEARING = formula({
  label: 'bevel-bearing',
  unit: 'share',
  text: 'P / (length · t) / F_c⊥',
  source: '[eq] docs/formulas/brackets.md',
  terms: { P: 'N', length: 'mm', t: 'mm', 'F_c⊥': 'MPa' },
  compute: (terms) => terms.P / (terms.length * terms.t) / terms['F_c⊥'],
});

/** Fixing at each position along the wall, by the kind of wall. */
const FIXED_BY = {
  timber: 'link-wall-screws',
  metal: 'link-wall-screws',
  masonry: 'link-wall-plugs',
  anchors: 'link-wall-anchors',
  moving: 'link-wall-ribs',
} as const satisfies Readonly<Record<Ground, WordKey>>;

/** Ends of the wall cleat, mm from the cabinet's left end. */
export const wallHalfEnds = (cabinet: ResolvedCabinet): WallStretch => stretchOf(cabinet.byId.get(cabinet.hanging.wallHalf)!);

/** Height of the wall cleat's lower edge above the floor, the line a person marks on the wall; raised by the seating allowance. */
export const wallHalfFoot = ({ hanging, id }: ResolvedCabinet, placeUp: Length, seating: Length = ZERO): ExplainedLength =>
  explainedLength([
    plus('place-up', placeUp, { source: { kind: 'entered', path: ['units', id, 'place', 'up'] } }),
    plus('valley-up', hanging.valleyUp),
    minus('short-face', hanging.shortFace),
    ...(seating === 0 ? [] : [plus('seating', seating)]),
  ]);

/** Least distance of a screw from an end of the wall cleat, mm. */
export const minFromEndMm = ({ hanging }: ResolvedCabinet): number => END_DISTANCE * screwById(hanging.wallScrew.screw).diameterMm;

const behindOf = new WeakMap<ResolvedCabinet, { readonly studsMm: readonly number[]; readonly found: readonly number[] }>();

/**
 * Studs the wall cleat can be screwed to, mm from the cabinet's left end: clear of the ends of its pieces and of its notch. Memoized: every load case asks.
 */
export function studsBehind(cabinet: ResolvedCabinet, studsMm: readonly number[]): readonly number[] {
  const known = behindOf.get(cabinet);
  if (known?.studsMm === studsMm) return known.found;
  const { notch } = cabinet.hanging;
  const end = minFromEndMm(cabinet);
  // A notch has ends on both sides.
  const free = (at: number): boolean => !notch || at <= toMm(notch.from) - end || at >= toMm(notch.to) + end;
  const pieces = wallPieces(cabinet);
  const found = studsMm.filter((at) => free(at) && pieces.some(({ from, to }) => at >= from + end && at <= to - end));
  behindOf.set(cabinet, { studsMm, found });
  return found;
}

export function wallLinks(input: HangInput, forces: WallForces, loaded: Load, capacity: ScrewCapacity): { studs: StudUse[]; links: Link[] } {
  const { cabinet } = input;
  const { hanging } = cabinet;
  const behind = studsBehind(cabinet, input.studsMm);
  if (behind.length === 0 || hanging.wallScrew.upper + hanging.wallScrew.lower === 0) return { studs: [], links: [] };
  const own = bearingShares(cabinet, forces.weight.value, loaded.along, behind);
  const hung = withNeighbors(input, own);
  const studs = behind.map((atMm, index) => studUse(input, forces, capacity, atMm, index, hung.shares));
  const links = studs.map((stud, index) =>
    link({
      id: `stud-${index + 1}`,
      kind: 'wall-screws',
      name: { key: FIXED_BY[groundOf(input.wall)], of: String(index + 1) },
      use: stud.use,
      panels: [hanging.wallHalf],
      otherRules: stud.otherRules,
    }),
  );
  links.push(bendingLink(input, forces, hung));
  if (hanging.brackets.length > 1) links.push(bearingLink(input, forces, own.stretches));
  const { hook } = forces;
  if (hook && hanging.antiLift && hook.holdDown.value > 0) {
    // The lock is one more wall screw, through bottom and spacer into a stud.
    const use = evaluate(HOLD_DOWN_USE, { L: hook.holdDown, "Z'": capacity.lateral });
    links.push(link({ id: 'hold-down', kind: 'hold-down', name: { key: 'link-hold-down' }, use, panels: hanging.spacer ? [hanging.spacer] : [] }));
  }
  return { studs, links };
}

/** Bearing stretches of a shared rail, with those of neighboring cabinets, for the bending of its pieces. */
function withNeighbors({ neighbours }: HangInput, hung: BearingShares): BearingShares {
  if (neighbours.length === 0) return hung;
  const pieces = [...new Set(hung.stretches.map(({ studs }) => studs))];
  const beside = neighbours
    .flatMap(({ stretches }) => stretches)
    .flatMap((stretch) => {
      const studs = pieces.find((own) => own.some((at) => stretch.studs.some((other) => Math.abs(other - at) < SAME_STUD_MM)));
      return studs ? [{ ...stretch, studs }] : [];
    });
  return { ...hung, stretches: [...hung.stretches, ...beside] };
}

/** Capacity of one wall screw, whatever it goes into. */
export function screwCapacity(input: HangInput, C_D: number): ScrewCapacity {
  if (input.cabinet.hanging.plate) return plateCapacity(input, C_D);
  const ground = groundOf(input.wall);
  return ground === 'timber' ? timberCapacity(input, C_D) : otherCapacity(input, C_D);
}

function timberCapacity({ cabinet, wall, materialOf }: HangInput, C_D: number): ScrewCapacity {
  const { hanging } = cabinet;
  const screw = screwById(hanging.wallScrew.screw);
  const t = toMm(hanging.cleatThickness);
  // A back between the rail and the wall counts as a gap, as wallboard does.
  const gap = toMm(wall.covering.nm) + toMm(hanging.stripOff);
  const L = toMm(hanging.wallScrew.length);
  const cleat = materialOf(cabinet.byId.get(hanging.wallHalf)!.stock);
  const penetration = evaluate(PENETRATION, { L, cleat: t, wallboard: hanging.stripOff > 0 ? { value: gap, label: { key: 'wallboard-and-back' } } : gap });
  // Thread that comes out behind the stud does not hold.
  const depth = toMm(wall.studs.depth.nm);
  const reach = Math.max(0, penetration.value);
  const grip = Math.min(reach, depth);
  const thread = evaluate(WITHDRAWAL, { G: studGravity(wall), D: screw.diameterMm, thread: threadIn(grip, L), C_D });
  const head = evaluate(HEAD_PULL_THROUGH, { D_H: screw.headMm, G: cleat.gravity, t, C_D });
  return {
    lateral: shearOf(screw, { side: t, grip: reach, gap, depth, sideGravity: cleat.gravity, mainGravity: studGravity(wall) }, C_D),
    pull: evaluate(MIN_OF, { thread, head, steel: evaluate(STEEL, { D_r: screw.rootMm }) }),
    penetration,
    depthMm: depth,
    diameterMm: screw.diameterMm,
    minMm: minThreadInTimber(screw.diameterMm),
  };
}

function studUse(
  input: HangInput,
  forces: WallForces,
  { lateral, pull, penetration, depthMm, diameterMm, minMm }: ScrewCapacity,
  atMm: number,
  index: number,
  shares: BearingShares['shares'],
): StudUse {
  const { cabinet, wall, neighbours } = input;
  const rows = countedRows(cabinet, wall);
  const part = (symbol: string, key: WordKey, value: number) => ({ symbol, label: { key }, value, unit: 'N' as const });
  const share = greatest(
    'stud-share',
    'N',
    [
      part('simple', 'share-simple', shares.simple[index]!),
      part('continuous', 'share-continuous', shares.continuous[index]!),
      part('rigid', 'share-rigid', shares.rigid[index]!),
    ],
    '[eq] docs/formulas/stud-shares.md',
  );
  const own = share.value > 0 ? share : total('stud-share', 'N', [part('', 'share-none', 0)]);
  const beside = neighbours
    .flatMap(({ from, studs }) => studs.map((each) => ({ ...each, from })))
    .filter(({ atMm: at }) => Math.abs(at - atMm) < SAME_STUD_MM)
    .map(({ newtons, from }) => ({ symbol: '', label: { key: 'item' as const, of: from }, value: newtons, unit: 'N' as const }));
  // On a shared rail a stud carries the neighboring cabinets too.
  const carried = beside.length > 0 ? total('stud-share', 'N', [termOf(own), ...beside]) : own;
  const shear = evaluate(SHEAR, { R: carried, n: rows.upper + rows.lower });
  const tension = forces.hook ? pried(rows, forces, forces.hook, carried) : throughPull(input, forces, carried);
  const usable = lateral.value > 0 && pull.value > 0;
  const use = evaluate(cabinet.hanging.plate ? ON_PLATE : combinationIn(wall), {
    V: shear,
    T: tension,
    "Z'": usable ? lateral : 1e-6,
    "W'": usable ? pull : 1e-6,
  });
  const inStud = Math.min(penetration.value, depthMm);
  return {
    atMm,
    share: carried,
    use,
    tension,
    shear,
    lateral,
    pull,
    otherRules: otherRules(shear.value, tension.value, lateral.value, pull.value),
    penetrationMm: inStud,
    diameters: inStud / diameterMm,
    minMm,
    tooShort: inStud < minMm,
  };
}

/** The wall cleat rotates about its lower part: pull on its top row. */
function pried(rows: WallRows, forces: WallForces, { b }: Hook, carried: ExplainedValue): ExplainedValue {
  return evaluate(PRYING, {
    H: evaluate(STUD_PULL, { H: forces.outward, R: carried, W: forces.weight }),
    V: carried,
    b,
    t: forces.t,
    s: rows.upper > 0 ? rows.topMm : rows.lowMm,
    n: rows.upper > 0 ? rows.upper : rows.lower,
    's low': rows.lowMm,
    'n low': rows.upper > 0 ? rows.lower : 0,
  });
}

/** Load on each stud, N, from a weight (N) with its center at `along`, and last the greatest bending moment, N mm: numbers alone. */
export function strainsAt(input: HangInput, weight: number, along: number, behind: readonly number[]): number[] {
  const own = bearingShares(input.cabinet, weight, along, behind);
  const { simple, continuous, rigid } = own.shares;
  const shares = behind.map((_, index) => Math.max(simple[index]!, continuous[index]!, rigid[index]!));
  return [...shares, maxMoment(withNeighbors(input, own))];
}

/** The bevel under the most loaded bracket; a cleat in one piece never comes near this. */
function bearingLink({ cabinet, materialOf }: HangInput, { t }: WallForces, brackets: BearingShares['stretches']): Link {
  const { hanging, byId } = cabinet;
  const worst = brackets.reduce((a, b) => (b.newtons > a.newtons ? b : a));
  const { name, source, bearingMPa } = materialOf(byId.get(hanging.wallHalf)!.stock);
  const use = evaluate(BEVEL_BEARING, {
    P: worst.newtons,
    length: worst.to - worst.from,
    t,
    'F_c⊥': { value: bearingMPa, source: { kind: 'table', name, tag: source } },
  });
  return link({ id: 'bevel', kind: 'bevel-bearing', name: { key: 'link-bevel' }, use, panels: [hanging.wallHalf, ...hanging.brackets] });
}
