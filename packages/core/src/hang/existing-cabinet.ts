/**
 * Assessment of a cabinet that already hangs, and failed or looks unsafe: described by how it is joined and fixed, judged by the same links as a design,
 * with repairs that need no rebuild. Unknown facts take the safer side. Source: docs/formulas/existing-cabinet.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm, type Length } from '../length/length.ts';
import { MATERIALS } from '../stock/materials.ts';
import type { Label } from '../explained/explained-length.ts';
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import { COMBINED, HEAD_PULL_THROUGH, MIN_PENETRATION, PERMANENT, shearOf, threadIn, WITHDRAWAL } from './fasteners.ts';
import { EDGE_SCREWS, GLUE, GLUE_EDGE_MPA } from './joint-capacity.ts';
import { JOINT_UTILIZATION, link, mostUtilized, nearnessToLimit, type Link } from './link.ts';
import { CABINET_PULL, contactHeight, OUTWARD, PRYING, PULL_LIMIT, TIP_RATIO } from './statics.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';
import type { MaterialId } from '../model/workshop.ts';

export const EXISTING_FIXINGS = ['wood-screws', 'drywall-screws', 'nails'] as const;
export const EXISTING_HOLDS = ['screws', 'nails', 'staples'] as const;
export const EXISTING_BOTTOMS = ['dado', 'butt-glue', 'screws', 'nails'] as const;
export const EXISTING_CLEATS = ['birch-plywood', 'softwood-plywood', 'spf', 'mdf'] as const satisfies readonly MaterialId[];

/** What a person can see and measure on the cabinet. */
export interface ExistingCabinet {
  readonly height: Length;
  readonly depth: Length;
  readonly emptyKg: number;
  readonly contentsKg: number;
  /** Load on the fullest floor. */
  readonly floorKg: number;
  readonly covering: Length;
  /** Studs that the wall screws reach; 0 for wallboard alone. */
  readonly studs: number;
  readonly perStud: number;
  readonly fixing: (typeof EXISTING_FIXINGS)[number];
  readonly screw: string;
  readonly screwLength: Length;
  readonly cleat: (typeof EXISTING_CLEATS)[number];
  readonly thickness: Length;
  readonly shortFace: Length;
  readonly wallBevelDeg: number;
  readonly cabinetBevelDeg: number;
  /** The hook opens downward. */
  readonly upsideDown: boolean;
  readonly spacer: boolean;
  readonly locked: boolean;
  /** What holds the cabinet cleat, into what, and with how many fasteners. */
  readonly heldBy: (typeof EXISTING_HOLDS)[number];
  readonly heldIn: 'rail' | 'back';
  readonly heldCount: number;
  readonly backMm: Length;
  /** Whether the bottom sits between the sides or under their ends, and what carries it there. */
  readonly bottom: 'between' | 'under';
  readonly bottomBy: (typeof EXISTING_BOTTOMS)[number];
  readonly bottomCount: number;
  /** Glued on paint, varnish or a faced board. */
  readonly glueOnFinish: boolean;
  /** A lid or flap that meets the ceiling as it opens: from its hinges to the hand, and to the point of contact; zero for none. */
  readonly lidHand: Length;
  readonly lidTouch: Length;
}

export type ExistingRefusal = 'no-stud' | 'drywall-screws' | 'cleat-material' | 'short-screw' | 'upside-down' | 'no-spacer';

export interface Repair {
  readonly id: string;
  readonly change: Partial<ExistingCabinet>;
  /** Utilization of the weakest link after the repair, and the refusals that remain. */
  readonly worst: number;
  readonly refusals: number;
}

export interface RiskAssessment {
  readonly links: readonly Link[];
  readonly refusals: readonly ExistingRefusal[];
  /** Repairs possible without taking it down, most effective first. */
  readonly repairs: readonly Repair[];
}

/** Studs of unknown species count as spruce. */
const STUD_SPECIFIC_GRAVITY = MATERIALS.spf.gravity;
/** Hand force at the edge of a lid, N. */
const HAND_N = 50;
/** Assumed thickness of sides and bottom, mm. */
const SHEET_MM = 18;
/** Assumed depth of a dado, mm. */
const DADO_MM = 6;
/** Stands in for a capacity of zero, to keep ratios finite. */
const NOTHING = 1e-6;

const WEIGHT_OF = formula({ label: 'weight', unit: 'N', text: 'm · g₀', source: '[eq]', terms: { m: 'kg' }, compute: ({ m }) => m * STANDARD_GRAVITY });
const CENTRE = formula({
  label: 'worry-centre',
  unit: 'mm',
  text: 't + depth (1/2 + 0.1 contents / all)',
  source: '[ASSUME] docs/formulas/existing-cabinet.md',
  terms: { t: 'mm', depth: 'mm', contents: 'kg', all: 'kg' },
  compute: ({ t, depth, contents, all }) => t + depth * (0.5 + (ASSUMED.contentsOutward.value * contents) / (all || 1)),
});
const SHARE = formula({
  label: 'worry-share',
  unit: 'N',
  text: 'W · 0.6, on one stud W',
  source: '[ASSUME] docs/formulas/existing-cabinet.md',
  terms: { W: 'N', n: 'count' },
  compute: ({ W, n }) => (n > 1 ? W * ASSUMED.worstStud.value : W),
});
const PER = formula({
  label: 'screw-shear',
  unit: 'N',
  text: 'R / n',
  source: '[eq]',
  terms: { R: 'N', n: 'count' },
  compute: ({ R, n }) => R / Math.max(1, n),
});
/** Mismatched bevels touch only at the valley on the wall side. */
export const MISMATCHED_TIP = formula({
  label: 'mismatched-tip',
  unit: 'share',
  text: '(e − t/2) / (h tan θ − (t/2)(1 + tan² θ))',
  source: '[eq] docs/formulas/existing-cabinet.md',
  terms: { e: 'mm', t: 'mm', h: 'mm', θ: 'deg' },
  compute: ({ e, t, h, θ }) => {
    const T = Math.tan((θ * Math.PI) / 180);
    const limit = h * T - (t / 2) * (1 + T * T);
    return limit > 0 ? (e - t / 2) / limit : 99;
  },
});
const THROUGH_BACK = formula({
  label: 'through-back',
  unit: 'N',
  text: 'heads hold, but the edges of the back hold nothing straight out: 0',
  source: 'docs/formulas/joint-capacity.md',
  terms: { heads: 'N' },
  compute: () => 0,
});
const BRADS_ACROSS = formula({
  label: 'brads',
  unit: 'N',
  text: 'n · 29 N',
  source: '[ASSUME] docs/formulas/joint-capacity.md',
  terms: { n: 'count' },
  compute: ({ n }) => n * ASSUMED.brad.value,
});
const ALONG = formula({
  label: 'nails-along',
  unit: 'N',
  text: 'pulled along themselves: 0',
  source: 'docs/formulas/joint-capacity.md',
  terms: { n: 'count' },
  compute: () => 0,
});
const ON_FINISH = formula({
  label: 'glue-on-finish',
  unit: 'N',
  text: 'glue on a finish: 0',
  source: 'docs/formulas/joint-capacity.md',
  terms: { B: 'mm' },
  compute: () => 0,
});
const DADO = formula({
  label: 'lip-capacity',
  unit: 'N',
  text: 'depth · B · 2.5 MPa',
  source: '[ASSUME] docs/formulas/joint-capacity.md',
  terms: { depth: 'mm', B: 'mm' },
  compute: ({ depth, B }) => depth * B * MATERIALS['birch-plywood'].bearingMPa,
});
const LEVER = formula({
  label: 'lid-lever',
  unit: 'N',
  text: '50 N · (hand / touch + 1)',
  source: '[eq], hand [ASSUME] docs/formulas/existing-cabinet.md',
  terms: { hand: 'mm', touch: 'mm' },
  compute: ({ hand, touch }) => (touch > 0 ? HAND_N * (hand / touch + 1) : 0),
});

/** Links of the described cabinet, most utilized first, with the repairs that help. */
export function assessExisting(existing: ExistingCabinet): RiskAssessment {
  const { links, refusals } = judged(existing);
  return { links, refusals, repairs: repairsOf(existing, links, refusals) };
}

function judged(existing: ExistingCabinet): Pick<RiskAssessment, 'links' | 'refusals'> {
  const t = toMm(existing.thickness);
  const short = toMm(existing.shortFace);
  const θ = Math.min(existing.wallBevelDeg, existing.cabinetBevelDeg);
  const all = existing.emptyKg + existing.contentsKg;
  const W = evaluate(WEIGHT_OF, { m: all });
  const e = evaluate(CENTRE, { t, depth: toMm(existing.depth), contents: existing.contentsKg, all });
  const b = contactHeight(short, t, θ);
  // Without a spacer it rotates about the lower edge of the wall cleat.
  const h = existing.spacer ? Math.max(b, toMm(existing.height) - b - t) : b;
  const terms = { W, e, t, h, θ };
  const outward = evaluate(OUTWARD, terms);
  const tip = existing.wallBevelDeg === existing.cabinetBevelDeg ? evaluate(TIP_RATIO, { e, t, h, θ }) : evaluate(MISMATCHED_TIP, { e, t, h, θ });
  const links = [
    ...(existing.studs > 0 ? [wallScrews(existing, W, outward, b)] : []),
    link({ id: 'tip', kind: 'tip', name: { key: 'link-tip' }, use: tip, limit: existing.locked ? Infinity : 1, panels: [] }),
    cabinetHalf(existing, W, outward, b),
    bottomJoint(existing),
    ...lid(existing, W, e, h, θ, b),
  ].sort((x, y) => nearnessToLimit(y) - nearnessToLimit(x));
  return { links, refusals: refusalsOf(existing) };
}

function wallScrews(existing: ExistingCabinet, W: ExplainedValue, outward: ExplainedValue, b: number): Link {
  const screw = screwById(existing.screw);
  const t = toMm(existing.thickness);
  const cleat = MATERIALS[existing.cleat];
  const L = toMm(existing.screwLength);
  const grip = Math.max(0, L - t - toMm(existing.covering));
  const lateral = shearOf(screw, { side: t, grip, gap: toMm(existing.covering), sideGravity: cleat.gravity, mainGravity: STUD_SPECIFIC_GRAVITY });
  const pull = evaluate(WITHDRAWAL, { G: STUD_SPECIFIC_GRAVITY, D: screw.diameterMm, thread: threadIn(grip, L), C_D: PERMANENT });
  const carried = evaluate(SHARE, { W, n: existing.studs });
  const s = Math.max(1, toMm(existing.shortFace) - ASSUMED.edgeDistance.value * screw.diameterMm);
  const H = { value: (outward.value * carried.value) / (W.value || 1), label: outward.label };
  const tension = evaluate(PRYING, { H, V: carried, b, t, s, n: Math.max(1, existing.perStud), 's low': 0, 'n low': 0 });
  const shear = evaluate(PER, { R: carried, n: existing.perStud });
  // A nail has no lasting withdrawal capacity.
  const holds = existing.fixing === 'nails' ? NOTHING : pull;
  const use = evaluate(COMBINED, { V: shear, T: tension, "Z'": lateral.value > 0 ? lateral : NOTHING, "W'": holds });
  return link({
    id: 'wall-screws',
    kind: 'wall-screws',
    name: { key: existing.fixing === 'nails' ? 'worry-wall-nails' : 'wall-screws' },
    use: most(use),
    panels: [],
  });
}

function cabinetHalf(existing: ExistingCabinet, W: ExplainedValue, outward: ExplainedValue, b: number): Link {
  const screw = screwById('#8');
  const t = toMm(existing.thickness);
  const n = Math.max(1, existing.heldCount);
  const pulled = evaluate(CABINET_PULL, { H: outward, V: W, b, t, s: Math.max(1, b - 20), n });
  const name: Label = { key: 'link-cabinet-half' };
  const base = { id: 'cabinet-half', kind: 'cabinet-screws' as const, name, panels: [] };
  if (existing.heldIn === 'back') {
    const heads = evaluate(HEAD_PULL_THROUGH, { D_H: screw.headMm, G: MATERIALS['hardwood-faced-plywood'].gravity, t: toMm(existing.backMm), C_D: PERMANENT });
    return link({ ...base, name: { key: 'worry-back' }, use: evaluate(JOINT_UTILIZATION, { load: pulled, capacity: evaluate(THROUGH_BACK, { heads }) }) });
  }
  if (existing.heldBy !== 'screws') return link({ ...base, use: evaluate(JOINT_UTILIZATION, { load: pulled, capacity: evaluate(ALONG, { n }) }) });
  const lateral = shearOf(screw, {
    side: SHEET_MM,
    grip: Math.min(t, SHEET_MM),
    gap: 0,
    sideGravity: MATERIALS['birch-plywood'].gravity,
    mainGravity: MATERIALS[existing.cleat].gravity,
  });
  const pull = evaluate(WITHDRAWAL, { G: MATERIALS[existing.cleat].gravity, D: screw.diameterMm, thread: Math.min(t, SHEET_MM), C_D: PERMANENT });
  return link({ ...base, use: most(evaluate(COMBINED, { V: evaluate(PER, { R: W, n }), T: pulled, "Z'": lateral, "W'": pull })) });
}

function bottomJoint(existing: ExistingCabinet): Link {
  const load = evaluate(PER, { R: evaluate(WEIGHT_OF, { m: existing.floorKg }), n: 2 });
  return link({
    id: 'bottom',
    kind: 'floor-joint',
    name: { key: 'worry-bottom' },
    use: evaluate(JOINT_UTILIZATION, { load, capacity: bottomHolds(existing) }),
    panels: [],
  });
}

function bottomHolds({ bottom, bottomBy, bottomCount: n, depth, glueOnFinish }: ExistingCabinet): ExplainedValue {
  const B = toMm(depth);
  if (bottomBy === 'nails') return bottom === 'under' ? evaluate(ALONG, { n }) : evaluate(BRADS_ACROSS, { n });
  if (bottomBy === 'screws') {
    const screw = screwById('#8');
    const gravity = MATERIALS['hardwood-faced-plywood'].gravity;
    const across = shearOf(screw, { side: SHEET_MM, grip: 2 * SHEET_MM, gap: 0, sideGravity: gravity, mainGravity: gravity });
    const along = evaluate(WITHDRAWAL, { G: gravity, D: screw.diameterMm, thread: SHEET_MM, C_D: PERMANENT });
    return evaluate(EDGE_SCREWS, { n, "Z'": bottom === 'under' ? { value: Math.min(along.value * 0.5, across.value) } : across });
  }
  if (bottomBy === 'dado' && bottom === 'between') return evaluate(DADO, { depth: DADO_MM, B });
  return glueOnFinish ? evaluate(ON_FINISH, { B }) : evaluate(GLUE, { B, t: SHEET_MM, f: GLUE_EDGE_MPA });
}

/** A lid that meets the ceiling is a lever: a hand at its edge comes back multiplied at the hinges. */
function lid(existing: ExistingCabinet, W: ExplainedValue, e: ExplainedValue, h: number, θ: number, b: number): Link[] {
  if (existing.lidTouch === 0 || existing.lidHand === 0) return [];
  const t = toMm(existing.thickness);
  const load = evaluate(LEVER, { hand: toMm(existing.lidHand), touch: toMm(existing.lidTouch) });
  const capacity = evaluate(PULL_LIMIT, { W, a: e.value - t / 2, c: b, z: 0, h, θ });
  return [
    link({
      id: 'lid',
      kind: 'tip',
      name: { key: 'worry-lid' },
      use: evaluate(JOINT_UTILIZATION, { load, capacity }),
      limit: existing.locked ? Infinity : 1,
      panels: [],
    }),
  ];
}

/** Caps the utilization of a joint without capacity at a finite value. */
const most = (use: ExplainedValue): ExplainedValue => (use.value > 99 ? { ...use, value: 99 } : use);

function refusalsOf(existing: ExistingCabinet): ExistingRefusal[] {
  const reasons: ExistingRefusal[] = [];
  if (existing.studs < 1) reasons.push('no-stud');
  if (existing.fixing === 'drywall-screws') reasons.push('drywall-screws');
  if (existing.cleat === 'mdf') reasons.push('cleat-material');
  const grip = toMm(existing.screwLength) - toMm(existing.thickness) - toMm(existing.covering);
  if (existing.studs > 0 && grip < MIN_PENETRATION * screwById(existing.screw).diameterMm) reasons.push('short-screw');
  if (existing.upsideDown) reasons.push('upside-down');
  if (!existing.spacer) reasons.push('no-spacer');
  return reasons;
}

/** Tries every repair that needs no dismantling, and leaves out those that change nothing. */
function repairsOf(existing: ExistingCabinet, links: readonly Link[], refusals: readonly ExistingRefusal[]): Repair[] {
  const nm = (mm: number): Length => (mm * 1e6) as Length;
  const long = nm(Math.ceil((toMm(existing.thickness) + toMm(existing.covering) + 50) / 10) * 10);
  const candidates: readonly (readonly [string, Partial<ExistingCabinet>])[] = [
    ['wood-screws', { fixing: 'wood-screws', screw: '#10', screwLength: long }],
    ['into-two-studs', { studs: Math.max(2, existing.studs), perStud: Math.max(2, existing.perStud), fixing: 'wood-screws', screw: '#10', screwLength: long }],
    ['second-screw', { perStud: existing.perStud + 1 }],
    ['further-stud', { studs: existing.studs + 1 }],
    ['rail-inside', { heldIn: 'rail', heldBy: 'screws', heldCount: Math.max(8, existing.heldCount) }],
    ['same-bevel', { wallBevelDeg: 45, cabinetBevelDeg: 45, upsideDown: false }],
    ['plywood-cleat', { cleat: 'birch-plywood' }],
    ['spacer', { spacer: true }],
    ['lock', { locked: true }],
    ['screws-across', { bottom: 'between', bottomBy: 'screws', bottomCount: Math.max(4, existing.bottomCount) }],
    ['bare-wood', { glueOnFinish: false }],
    ['lid-stop', { lidTouch: 0 as Length }],
  ];
  const before = scoreOf(links, refusals);
  const weakest = links.slice(0, 3).map(({ id, use }) => ({ id, value: use.value }));
  return candidates
    .flatMap(([id, change]): (Repair & { readonly gain: number })[] => {
      const after = judged({ ...existing, ...change });
      // A repair counts when it removes a refusal, or clearly relieves one of the weakest links.
      const eased = Math.max(
        0,
        ...weakest.map(({ id: of, value }) => (value > 0 ? 1 - (after.links.find((each) => each.id === of)?.use.value ?? 0) / value : 0)),
      );
      const gain = 10 * (refusals.length - after.refusals.length) + Math.max(before - scoreOf(after.links, after.refusals), eased);
      const worst = mostUtilized(after.links);
      return gain > REPAIR_GAIN ? [{ id, change, worst, refusals: after.refusals.length, gain }] : [];
    })
    .sort((x, y) => y.gain - x.gain)
    .slice(0, MAX_REPAIRS)
    .map(({ id, change, worst, refusals: left }) => ({ id, change, worst, refusals: left }));
}

const REPAIR_GAIN = 0.05;
const MAX_REPAIRS = 5;

const scoreOf = (links: readonly Link[], refusals: readonly ExistingRefusal[]): number => refusals.length + Math.min(5, mostUtilized(links));
