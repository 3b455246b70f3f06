/**
 * Chains of sizes that must go together: what is free at the end of each, and what makes it more or less. Free under nothing
 * binds; free over a limit rattles or shows. Source: docs/formulas/fit-chain.md.
 */
import { toMm, type Length } from '../length/length.ts';
import { jointGroups } from '../joints/joint-groups.ts';
import { isFace, type Meeting } from '../solid/meeting.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { meetingsOf, type ResolvedUnit } from '../solid/unit.ts';
import { boundsOf } from '../solid/views.ts';
import type { Repeated, Shop } from '../stock/shop.ts';
import type { ThicknessUsed } from '../stock/workshop.ts';
import type { Label } from '../worked/dimension.ts';

/** Where a variation comes from: what would lessen it. */
export type Cause = 'mean' | 'sheet' | 'slot' | 'depth' | 'length' | 'place';

/** One thing that varies: `times` its error goes into what is free. Equal sources are the same error, not another like it. */
export interface Variation {
  readonly source: string;
  readonly cause: Cause;
  /** Standard deviation, mm. */
  readonly sd: number;
  readonly times: number;
}

export interface FitChain {
  readonly id: string;
  readonly kind: 'slot' | 'ends' | 'doors';
  readonly guest: Label;
  readonly host: Label;
  /** The host at its other end, where there is one. */
  readonly other: Label | null;
  readonly panels: readonly string[];
  /** How many alike. */
  readonly count: number;
  /** What is free when everything is as it was drawn, mm. */
  readonly freeMm: number;
  /** Free over this rattles, or shows. */
  readonly mostMm: number;
  readonly variations: readonly Variation[];
}

/** Free over this, mm: a slot's lip shows or its part rattles; what is lost at a shelf's end; a reveal that looks uneven. [ASSUME] */
export const MOST_FREE = { slot: 0.35, ends: 1.5, doors: 1.5 } as const;

/** A sheet's thickness, standard deviation in mm, where one reading or none was taken. [ASSUME] */
const UNMEASURED = 0.35;
const ONE_READING = 0.15;
/** Spread of n readings over their standard deviation: the mean range of as many drawn from a normal law. */
const RANGE_OF = [0, 0, 1.128, 1.693, 2.059, 2.326, 2.534, 2.704, 2.847, 2.97, 3.078] as const;

/** What is known of a sheet: how far its mean may be off, and how much it differs from place to place, mm. */
export function thicknessSd({ readings, spread }: Pick<ThicknessUsed, 'readings' | 'spread'>): { readonly mean: number; readonly place: number } {
  if (readings === 0) return { mean: UNMEASURED, place: ONE_READING };
  if (readings === 1) return { mean: ONE_READING, place: ONE_READING };
  // Two equal readings do not mean that a sheet is of one thickness: a caliper's own step is left. [ASSUME]
  const place = Math.max(0.02, toMm(spread) / RANGE_OF[Math.min(readings, RANGE_OF.length - 1)]!);
  return { mean: place / Math.sqrt(readings), place };
}

type UsedOf = (product: string) => ThicknessUsed;

/** All chains of a unit: each slot with what goes in, each part held at both its ends, inset doors in their opening. */
export function fitChains(unit: ResolvedUnit, usedOf: UsedOf, shop: Pick<Shop, 'repeats'>): FitChain[] {
  const repeats = repeatsMm(shop);
  return [...slotChains(unit, usedOf, repeats), ...endChains(unit, repeats), ...doorChains(unit, repeats)];
}

/** Standard deviation of each, mm. */
type Repeats = Readonly<Record<Repeated, number>>;
const repeatsMm = ({ repeats }: Pick<Shop, 'repeats'>): Repeats => ({
  slot: toMm(repeats.slot.nm),
  depth: toMm(repeats.depth.nm),
  length: toMm(repeats.length.nm),
  place: toMm(repeats.place.nm),
  hinge: toMm(repeats.hinge.nm),
});

function thicknessVariations(panel: ResolvedPanel, usedOf: UsedOf, times: number): Variation[] {
  const { mean, place } = thicknessSd(usedOf(panel.stock));
  return [
    { source: `mean ${panel.stock}`, cause: 'mean', sd: mean, times },
    { source: `sheet ${panel.id}`, cause: 'sheet', sd: place, times },
  ];
}

function slotChains(unit: ResolvedUnit, usedOf: UsedOf, repeats: Repeats): FitChain[] {
  return jointGroups(unit)
    .filter(({ slot, kind }) => slot !== null && kind !== 'rabbet' && kind !== 'half-lap')
    .map(({ id, guest, host, meetings }): FitChain => {
      const { play } = meetings[0]!.joint;
      return {
        id: `slot ${id}`,
        kind: 'slot',
        guest: guest.name,
        host: host.name,
        other: null,
        panels: [guest.id, host.id],
        count: meetings.length,
        freeMm: toMm(play),
        mostMm: toMm(play) + MOST_FREE.slot,
        variations: [...thicknessVariations(guest, usedOf, -1), { source: `slot ${id}`, cause: 'slot', sd: repeats.slot, times: 1 }],
      };
    });
}

/** A part let into two others at opposite ends: free is what both slots leave it, less what its length and their distance are off. */
function endChains(unit: ResolvedUnit, repeats: Repeats): FitChain[] {
  const chains = new Map<string, FitChain>();
  for (const panel of unit.panels) {
    const held = meetingsOf(unit, 'asGuest', panel.id).filter(({ joint, face }) => joint.depth > 0 && isFace(face));
    for (const [one, other] of [
      ['start', 'end'],
      ['near', 'far'],
    ] as const) {
      const [a, b] = [held.find(({ edge }) => edge === one), held.find(({ edge }) => edge === other)];
      if (!a || !b) continue;
      const chain = endChain(unit, panel, a, b, repeats);
      const key = `${chain.guest.key} ${chain.host.key} ${chain.freeMm} ${a.joint.kind} ${one}`;
      const known = chains.get(key);
      chains.set(key, known ? { ...known, count: known.count + 1 } : chain);
    }
  }
  return [...chains.values()];
}

function endChain(unit: ResolvedUnit, panel: ResolvedPanel, a: Meeting, b: Meeting, repeats: Repeats): FitChain {
  const freeMm = toMm((a.joint.endPlay + b.joint.endPlay) as Length);
  const host = unit.byId.get(a.host)!;
  return {
    id: `ends ${panel.id} ${a.edge}`,
    kind: 'ends',
    guest: panel.name,
    host: host.name,
    other: unit.byId.get(b.host)!.name,
    panels: [panel.id, a.host, b.host],
    count: 1,
    freeMm,
    mostMm: freeMm + MOST_FREE.ends,
    variations: [
      { source: `length ${panel.id} ${a.edge}`, cause: 'length', sd: repeats.length, times: -1 },
      // What keeps the two hosts apart is another part, cut on its own.
      { source: `apart ${a.host} ${b.host}`, cause: 'length', sd: repeats.length, times: 1 },
      { source: `depth ${a.id}`, cause: 'depth', sd: repeats.depth, times: 1 },
      { source: `depth ${b.id}`, cause: 'depth', sd: repeats.depth, times: 1 },
    ],
  };
}

/** Inset doors side by side between two uprights: what is free across them, all gaps together. */
function doorChains(unit: ResolvedUnit, repeats: Repeats): FitChain[] {
  const doors = unit.panels.filter(({ role }) => role === 'door').map((panel) => ({ panel, bounds: boundsOf(panel) }));
  const uprights = unit.panels
    .filter(({ role, frame }) => (role === 'side' || role === 'divider') && Math.abs(frame.w.along) > 0.9)
    .map((panel) => ({ panel, bounds: boundsOf(panel) }));
  const chains = new Map<string, FitChain>();
  for (const door of doors) {
    const level = (other: (typeof doors)[number]): boolean => other.bounds.low.up < door.bounds.high.up && other.bounds.high.up > door.bounds.low.up;
    const beside = uprights.filter((each) => level(each) && each.bounds.high.out > door.bounds.low.out + 1);
    const left = beside.filter(({ bounds }) => bounds.high.along <= door.bounds.low.along + 1e-3).sort((a, b) => b.bounds.high.along - a.bounds.high.along)[0];
    const right = beside.filter(({ bounds }) => bounds.low.along >= door.bounds.high.along - 1e-3).sort((a, b) => a.bounds.low.along - b.bounds.low.along)[0];
    if (!left || !right) continue;
    const between = doors.filter(
      (each) => level(each) && each.bounds.low.along >= left.bounds.high.along - 1e-3 && each.bounds.high.along <= right.bounds.low.along + 1e-3,
    );
    const widths = between.reduce((sum, { bounds }) => sum + bounds.high.along - bounds.low.along, 0);
    const freeMm = right.bounds.low.along - left.bounds.high.along - widths;
    const id = `doors ${left.panel.id} ${right.panel.id}`;
    if (freeMm <= 0 || chains.has(id)) continue;
    chains.set(id, {
      id,
      kind: 'doors',
      guest: door.panel.name,
      host: left.panel.name,
      other: right.panel.name,
      panels: between.map(({ panel }) => panel.id),
      count: 1,
      freeMm,
      mostMm: freeMm + MOST_FREE.doors * (between.length + 1) * 0.5,
      variations: [
        { source: `opening ${id}`, cause: 'length', sd: repeats.length, times: 1 },
        ...between.map(({ panel }): Variation => ({ source: `width ${panel.id}`, cause: 'length', sd: repeats.length, times: -1 })),
        ...between.map(({ panel }): Variation => ({ source: `hinges ${panel.id}`, cause: 'place', sd: repeats.hinge, times: 1 })),
      ],
    });
  }
  return [...chains.values()];
}
