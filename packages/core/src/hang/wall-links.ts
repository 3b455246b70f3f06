/** The strip on the wall, a cleat's wall half or what is screwed through: its screws in each stud, pulled, pried and sheared, and its bending between studs. */
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm, ZERO, type Length } from '../length/length.ts';
import type { Load } from '../parts/weights.ts';
import { place } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import { dimension, minus, plus, type Dimension } from '../worked/dimension.ts';
import { apply, formula, greatest, termOf, total, type Figure } from '../worked/figure.ts';
import { COMBINED, HEAD_PULL_THROUGH, PENETRATION, STEEL, WITHDRAWAL, linearUse, shearOf, threadIn } from './fasteners.ts';
import { groundOf, leastInTimber, otherCapacity, type ScrewCapacity } from './grounds.ts';
import type { HangInput } from './hang-input.ts';
import { link, type Link } from './link.ts';
import { studGravity } from '../wall/studs.ts';
import { PRYING } from './statics.ts';
import { studShares } from './stud-shares.ts';
import { throughPull } from './through-forces.ts';
import type { Hook, WallForces } from './wall-forces.ts';
import { wallRows, type WallRows } from './wall-rows.ts';

export interface StudUse {
  /** From the unit's left end, mm. */
  readonly atMm: number;
  /** Weight this stud carries: the greatest of three ways of sharing. */
  readonly share: Figure;
  readonly use: Figure;
  readonly straightSum: number;
  readonly tension: Figure;
  readonly shear: Figure;
  readonly lateral: Figure;
  readonly pull: Figure;
  readonly penetrationMm: number;
  readonly diameters: number;
  /** It must reach so far into what holds it, mm. */
  readonly leastMm: number;
  readonly tooShort: boolean;
}

/** Places nearer than this are one stud seen from two units. */
const SAME_STUD_MM = 1;

/** Least distance of a screw from the cleat's end, in diameters, bored. [NDS 12.1 commentary (m)] */
const END_DISTANCE = ASSUMED.endDistance.value;

/** The lock at the bottom must hold one and a half times what it has to. docs/formulas/hanging-verdict.md */
const LOCK_FACTOR = ASSUMED.lockFactor.value;

const HOLD_DOWN_USE = formula({
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
const LEAST_OF = formula({
  label: 'screw-tension-capacity',
  unit: 'N',
  text: 'least of thread, head, steel',
  source: 'docs/formulas/head-pull-through.md',
  terms: { thread: 'N', head: 'N', steel: 'N' },
  compute: ({ thread, head, steel }) => Math.min(thread, head, steel),
});
const BENDING = formula({
  label: 'wall-half-bending',
  unit: 'share',
  text: '(M / (t s²/6) + M H/W / (s t²/6)) / F',
  source: '[eq] docs/formulas/wall-half-bending.md',
  terms: { M: 'N mm', H: 'N', W: 'N', t: 'mm', s: 'mm', F: 'MPa' },
  compute: ({ M, H, W, t, s, F }) => (M / ((t * s * s) / 6) + (M * H) / W / ((s * t * t) / 6)) / F,
});
const SPAN_MOMENT = formula({
  label: 'span-moment',
  unit: 'N mm',
  text: 'w L² / 8',
  source: '[eq] simple span',
  terms: { w: 'N/mm', L: 'mm' },
  compute: ({ w, L }) => (w * L * L) / 8,
});
const OVERHANG_MOMENT = formula({
  label: 'overhang-moment',
  unit: 'N mm',
  text: 'w c² / 2',
  source: '[eq] cantilever',
  terms: { w: 'N/mm', c: 'mm' },
  compute: ({ w, c }) => (w * c * c) / 2,
});

/** Ends of the strip on the wall, mm from the unit's left end. */
export const wallHalfEnds = (unit: ResolvedUnit): { from: number; to: number } => endsOf(unit.byId.get(unit.hanging.wallHalf)!);

/** A backboard's length stands upright: ends are looked for along the wall, not along the panel. */
function endsOf({ frame, outline }: ResolvedPanel): { from: number; to: number } {
  const alongs = outline.map(({ from }) => place(frame, from).along / 1e6);
  return { from: Math.min(...alongs), to: Math.max(...alongs) };
}

/** Where the wall half's lower edge is levelled, above the floor: what a person marks on the wall; higher by what its halves settle into one another. */
export const wallHalfFoot = ({ hanging, id }: ResolvedUnit, placeUp: Length, seating: Length = ZERO): Dimension =>
  dimension([
    plus('place-up', placeUp, { source: { kind: 'entered', path: ['units', id, 'place', 'up'] } }),
    plus('valley-up', hanging.valleyUp),
    minus('short-face', hanging.shortFace),
    ...(seating === 0 ? [] : [plus('seating', seating)]),
  ]);

/** Studs the wall half can be screwed to, mm from the unit's left end. */
export function studsBehind(unit: ResolvedUnit, studsMm: readonly number[]): number[] {
  const { from, to } = wallHalfEnds(unit);
  const end = END_DISTANCE * screwById(unit.hanging.wallScrew.screw).diameterMm;
  return studsMm.filter((at) => at >= from + end && at <= to - end);
}

export function wallLinks(input: HangInput, forces: WallForces, loaded: Load, capacity: ScrewCapacity): { studs: StudUse[]; links: Link[] } {
  const { unit } = input;
  const { hanging } = unit;
  const behind = studsBehind(unit, input.studsMm);
  if (behind.length === 0 || hanging.wallScrew.upper + hanging.wallScrew.lower === 0) return { studs: [], links: [] };
  const { from: left, to: right } = endsOf(unit.byId.get(hanging.cabinetHalf)!);
  const centre = Math.min(Math.max(loaded.along, left + 1), right - 1);
  const shares = studShares(forces.weight.value, left, right, behind, centre);
  const studs = behind.map((atMm, index) => studUse(input, forces, capacity, atMm, index, shares));
  const links = studs.map((stud, index) =>
    link({
      id: `stud-${index + 1}`,
      kind: 'wall-screws',
      name: { key: 'link-wall-screws', of: String(index + 1) },
      use: stud.use,
      panels: [hanging.wallHalf],
      straightSum: stud.straightSum,
    }),
  );
  links.push(bendingLink(input, forces, behind, { left, right }));
  const { hook } = forces;
  if (hook && hanging.antiLift && hook.holdDown.value > 0) {
    // The lock is one more wall screw, through the bottom and the spacer into a stud.
    const use = apply(HOLD_DOWN_USE, { L: hook.holdDown, "Z'": capacity.lateral });
    links.push(link({ id: 'hold-down', kind: 'hold-down', name: { key: 'link-hold-down' }, use, panels: hanging.spacer ? [hanging.spacer] : [] }));
  }
  return { studs, links };
}

/** What one wall screw holds, whatever it goes into. */
export function screwCapacity(input: HangInput, C_D: number): ScrewCapacity {
  const ground = groundOf(input.wall);
  return ground === 'timber' || ground === 'moving' ? timberCapacity(input, C_D) : otherCapacity(input, C_D);
}

function timberCapacity({ unit, wall, materialOf }: HangInput, C_D: number): ScrewCapacity {
  const { hanging } = unit;
  const screw = screwById(hanging.wallScrew.screw);
  const t = toMm(hanging.cleatThickness);
  // A back between the rail and the wall counts as nothing, as wallboard does.
  const gap = toMm(wall.covering.nm) + toMm(hanging.stripOff);
  const L = toMm(hanging.wallScrew.length);
  const cleat = materialOf(unit.byId.get(hanging.wallHalf)!.stock);
  const penetration = apply(PENETRATION, { L, cleat: t, wallboard: hanging.stripOff > 0 ? { value: gap, label: { key: 'wallboard-and-back' } } : gap });
  const grip = Math.max(0, penetration.value);
  const thread = apply(WITHDRAWAL, { G: studGravity(wall), D: screw.diameterMm, thread: threadIn(grip, L), C_D });
  const head = apply(HEAD_PULL_THROUGH, { D_H: screw.headMm, G: cleat.gravity, t, C_D });
  return {
    lateral: shearOf(screw, { side: t, grip, gap, sideGravity: cleat.gravity, mainGravity: studGravity(wall) }, C_D),
    pull: apply(LEAST_OF, { thread, head, steel: apply(STEEL, { D_r: screw.rootMm }) }),
    penetration,
    diameterMm: screw.diameterMm,
    leastMm: leastInTimber(screw.diameterMm),
  };
}

function studUse(
  { unit, neighbours }: HangInput,
  forces: WallForces,
  { lateral, pull, penetration, diameterMm, leastMm }: ScrewCapacity,
  atMm: number,
  index: number,
  shares: ReturnType<typeof studShares>,
): StudUse {
  const rows = wallRows(unit);
  const part = (symbol: string, key: string, value: number) => ({ symbol, label: { key }, value, unit: 'N' as const });
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
    .filter(({ atMm: at }) => Math.abs(at - atMm) < SAME_STUD_MM)
    .map(({ newtons, from }) => ({ symbol: '', label: { key: 'item', of: from }, value: newtons, unit: 'N' as const }));
  // On a shared rail a stud carries its neighbours' units too.
  const carried = beside.length > 0 ? total('stud-share', 'N', [termOf(own), ...beside]) : own;
  const shear = apply(SHEAR, { R: carried, n: rows.upper + rows.lower });
  const tension = forces.hook ? pried(rows, forces, forces.hook, carried) : throughPull(unit, forces, carried);
  const usable = lateral.value > 0 && pull.value > 0;
  const use = apply(COMBINED, { V: shear, T: tension, "Z'": usable ? lateral : 1e-6, "W'": usable ? pull : 1e-6 });
  const diameters = penetration.value / diameterMm;
  return {
    atMm,
    share: carried,
    use,
    tension,
    shear,
    lateral,
    pull,
    straightSum: linearUse(shear.value, tension.value, lateral.value, pull.value),
    penetrationMm: penetration.value,
    diameters,
    leastMm,
    tooShort: penetration.value < leastMm,
  };
}

/** The wall half turns about its lower part: what its top row is pulled with. */
function pried(rows: WallRows, forces: WallForces, { b }: Hook, carried: Figure): Figure {
  return apply(PRYING, {
    H: apply(STUD_PULL, { H: forces.outward, R: carried, W: forces.weight }),
    V: carried,
    b,
    t: forces.t,
    s: rows.upper > 0 ? rows.topMm : rows.lowMm,
    n: rows.upper > 0 ? rows.upper : rows.lower,
    's low': rows.lowMm,
    'n low': rows.upper > 0 ? rows.lower : 0,
  });
}

/** Spans between studs as simple beams, ends beyond the last stud as cantilevers; upright and outward bending added. */
function bendingLink({ unit, materialOf }: HangInput, forces: WallForces, behind: readonly number[], { left, right }: { left: number; right: number }): Link {
  const { hanging } = unit;
  const order = [...behind].sort((a, b) => a - b);
  const w = forces.weight.value / (right - left);
  const moments: Figure[] = [];
  for (let i = 0; i + 1 < order.length; i++) moments.push(apply(SPAN_MOMENT, { w, L: order[i + 1]! - order[i]! }));
  const ends = wallHalfEnds(unit);
  const overhangs = [order[0]! - Math.max(left, ends.from), Math.min(right, ends.to) - order.at(-1)!];
  moments.push(...overhangs.filter((c) => c > 0).map((c) => apply(OVERHANG_MOMENT, { w, c })));
  const most = moments.reduce<Figure | undefined>((a, b) => (a && a.value >= b.value ? a : b), undefined);
  const material = materialOf(unit.byId.get(hanging.wallHalf)!.stock);
  const use = apply(BENDING, {
    M: most ?? 0,
    H: forces.outward,
    W: forces.weight,
    t: forces.t,
    s: toMm(hanging.shortFace),
    F: { value: material.bendingMPa, source: { kind: 'table', name: material.name, tag: material.source } },
  });
  return link({ id: 'wall-half', kind: 'wall-half-bending', name: { key: hanging.rip ? 'link-wall-half' : 'link-strip' }, use, panels: [hanging.wallHalf] });
}
