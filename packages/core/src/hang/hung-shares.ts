/**
 * Where a unit's weight comes onto the wall half, and what each stud takes of it: over the length of a whole cabinet half, or
 * on the brackets it is cut into. Sources: docs/formulas/stud-shares.md, brackets.md [eq].
 */
import { NM_PER } from '../length/length.ts';
import { place, type Panel } from '../solid/panel.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import { bracketPatterns, bracketShares, studShares, type StudShares } from './stud-shares.ts';

/** A stretch of the wall half, mm from the unit's left end. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

export interface HungShares {
  /** Where the hook begins and ends. */
  readonly left: number;
  readonly right: number;
  readonly shares: Omit<StudShares, 'worst'>;
  /** The most each bracket can come to carry, N; null for a half in one piece. */
  readonly brackets: readonly (Stretch & { readonly newtons: number })[] | null;
}

/** Where a panel stands along the wall; a backboard's length stands upright, so it is not measured along the panel. */
export function stretchOf({ frame, outline }: Pick<Panel, 'frame' | 'outline'>): Stretch {
  const alongs = outline.map(({ from }) => place(frame, from).along / NM_PER.mm);
  return { from: Math.min(...alongs), to: Math.max(...alongs) };
}

/**
 * Where the cabinet's hooks lie on the wall's: only there can the weight come down. The hull of every pair of halves, mm from the unit's left
 * end; null where no pair overlaps, or nothing hooks.
 */
export function bearingOf({ hanging, byId }: Pick<ResolvedUnit, 'hanging' | 'byId'>): Stretch | null {
  if (!hanging.rip) return null;
  const pairs = [
    ...hanging.brackets.map((hook) => ({ hook, wall: hanging.wallHalf })),
    ...(hanging.beside ?? []).map(({ cabinetHalf, wallHalf }) => ({ hook: cabinetHalf, wall: wallHalf })),
  ].flatMap(({ hook, wall }) => {
    const [a, b] = [stretchOf(byId.get(hook)!), stretchOf(byId.get(wall)!)];
    const [from, to] = [Math.max(a.from, b.from), Math.min(a.to, b.to)];
    return to > from ? [{ from, to }] : [];
  });
  return pairs.length > 0 ? { from: Math.min(...pairs.map(({ from }) => from)), to: Math.max(...pairs.map(({ to }) => to)) } : null;
}

/** What a weight, N, with its centre `along` (mm from the unit's left end) lays on each of the studs. */
export function hungShares(unit: Pick<ResolvedUnit, 'hanging' | 'byId'>, weight: number, along: number, studs: readonly number[]): HungShares {
  const hooks = unit.hanging.brackets.map((id) => stretchOf(unit.byId.get(id)!));
  const [left, right] = [hooks[0]!.from, hooks.at(-1)!.to];
  if (hooks.length === 1) return { left, right, shares: studShares(weight, left, right, studs, between(along, left, right)), brackets: null };
  const middles = hooks.map(({ from, to }) => (from + to) / 2);
  const centre = between(along, middles[0]!, middles.at(-1)!);
  const patterns = bracketPatterns(weight, middles, centre);
  return {
    left,
    right,
    shares: bracketShares(patterns, hooks, studs, centre),
    brackets: hooks.map((hook, index) => ({ ...hook, newtons: Math.max(...patterns.map((pattern) => pattern[index]!)) })),
  };
}

/** The most one bracket carries, as a share of the weight: 1 for a half in one piece. */
export function worstBracket(unit: Pick<ResolvedUnit, 'hanging' | 'byId'>, along: number): number {
  const hooks = unit.hanging.brackets.map((id) => stretchOf(unit.byId.get(id)!));
  if (hooks.length === 1) return 1;
  const middles = hooks.map(({ from, to }) => (from + to) / 2);
  return Math.max(...bracketPatterns(1, middles, between(along, middles[0]!, middles.at(-1)!)).flat());
}

/** A centre of gravity past the ends counts as a hair inside them: the shares are of what hangs between. */
const between = (at: number, left: number, right: number): number => (right - left > 2 ? Math.min(Math.max(at, left + 1), right - 1) : (left + right) / 2);
