/**
 * How a cabinet's weight comes down on the wall cleat and how the studs share it: along the whole cabinet cleat, or on the brackets it is cut into. Source:
 * docs/formulas/stud-shares.md, brackets.md [eq].
 */
import { NM_PER } from '../length/length.ts';
import { place, type Panel } from '../solid/panel.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { bracketPatterns, bracketShares, studShares, type StudShares } from './stud-shares.ts';

/** Part of the wall cleat, mm from the cabinet's left end. */
export interface WallStretch {
  readonly from: number;
  readonly to: number;
}

export interface BearingShares {
  readonly shares: Omit<StudShares, 'worst'>;
  /** Greatest load on each bearing stretch, N, with the studs under it. */
  readonly stretches: readonly (WallStretch & { readonly newtons: number; readonly studs: readonly number[] })[];
}

const measured = new WeakMap<object, WallStretch>();

/** Extent of a panel along the wall, mm. A backboard's length runs upright, so the extent is read off the outline. Memoized: every load case asks. */
export function stretchOf(panel: Pick<Panel, 'frame' | 'outline'>): WallStretch {
  const known = measured.get(panel);
  if (known) return known;
  const alongs = panel.outline.map(({ from }) => place(panel.frame, from).along / NM_PER.mm);
  const stretch = { from: Math.min(...alongs), to: Math.max(...alongs) };
  measured.set(panel, stretch);
  return stretch;
}

type Hung = Pick<ResolvedCabinet, 'hanging' | 'byId'>;

/** A piece of the wall cleat with the studs it is screwed to. No load passes from one piece to the next. */
interface Piece extends WallStretch {
  readonly studs: readonly number[];
}

/** Pieces of the wall cleat, mm from the cabinet's left end. */
export const wallPieces = ({ hanging, byId }: Hung): readonly WallStretch[] => hanging.pieces ?? [stretchOf(byId.get(hanging.wallHalf)!)];

/** Pieces that can carry load. Where the cleat has several pieces, each needs two studs of its own: on one stud it rotates. */
function heldPieces(unit: Hung, studs: readonly number[]): Piece[] {
  const pieces = wallPieces(unit).map((piece) => ({ ...piece, studs: studs.filter((at) => at > piece.from && at < piece.to) }));
  return pieces.length === 1 ? pieces : pieces.filter((piece) => piece.studs.length > 1);
}

interface Bearing extends WallStretch {
  readonly piece: Piece;
}

const overlapOf = (a: WallStretch, b: WallStretch): WallStretch => ({ from: Math.max(a.from, b.from), to: Math.min(a.to, b.to) });

/** Where a hook overlaps a piece of the wall cleat: weight can come down only there. */
const bearings = ({ hanging, byId }: Hung, pieces: readonly Piece[]): Bearing[] =>
  hanging.brackets
    .map((id) => stretchOf(byId.get(id)!))
    .flatMap((hook) => pieces.map((piece) => ({ ...overlapOf(hook, piece), piece })))
    .filter(({ from, to }) => to > from)
    .sort((a, b) => a.from - b.from);

/**
 * Extent over which weight can come down on the cleats: the hull of all overlaps, mm from the cabinet's left end; null where nothing hooks. A center of
 * gravity outside it tips the cabinet sideways. Without `studs`, every piece of the wall cleat counts.
 */
export function bearingOf(unit: Hung, studs?: readonly number[]): WallStretch | null {
  const { hanging, byId } = unit;
  if (!hanging.rip) return null;
  const pieces = studs ? heldPieces(unit, studs) : wallPieces(unit).map((piece) => ({ ...piece, studs: [] }));
  const wings = (hanging.beside ?? []).map(({ cabinetHalf, wallHalf }) => overlapOf(stretchOf(byId.get(cabinetHalf)!), stretchOf(byId.get(wallHalf)!)));
  const all: WallStretch[] = [...bearings(unit, pieces), ...wings.filter(({ from, to }) => to > from)];
  return all.length > 0 ? { from: Math.min(...all.map(({ from }) => from)), to: Math.max(...all.map(({ to }) => to)) } : null;
}

const heldBy = new WeakMap<readonly number[], { readonly unit: Hung; readonly found: readonly Bearing[] }>();

/** Memoized per set of studs: every trial weight and position asks again. */
function heldBearings(unit: Hung, studs: readonly number[]): readonly Bearing[] {
  const known = heldBy.get(studs);
  if (known?.unit === unit) return known.found;
  const found = bearings(unit, heldPieces(unit, studs));
  heldBy.set(studs, { unit, found });
  return found;
}

/** Load on each stud, N, from a weight (N) with its center at `along` (mm from the cabinet's left end). */
export function bearingShares(unit: Hung, weight: number, along: number, studs: readonly number[]): BearingShares {
  const found = heldBearings(unit, studs);
  // A hook over no piece that carries is refused elsewhere; its shares are computed as if the cleat were in one piece.
  const whole: Piece = { ...wallPieces(unit)[0]!, to: wallPieces(unit).at(-1)!.to, studs };
  const stretches = found.length > 0 ? found : [{ ...whole, piece: whole }];
  const middles = stretches.map(({ from, to }) => (from + to) / 2);
  const [first, last] = [middles[0]!, middles.at(-1)!];
  // Beyond the middle of an end stretch, that stretch carries the whole weight.
  if (stretches.length === 1 || along <= first) return onOne(stretches[0]!, weight, along, studs);
  if (along >= last) return onOne(stretches.at(-1)!, weight, along, studs);
  return onSeveral(stretches, bracketPatterns(weight, middles, along), studs);
}

/** On one stretch the weight spreads evenly about its center, as far as the nearer end on both sides. */
function onOne({ from, to, piece }: Bearing, weight: number, along: number, studs: readonly number[]): BearingShares {
  const centre = between(along, from, to);
  const half = Math.min(centre - from, to - centre);
  return {
    shares: onStuds(studs, [[piece.studs, studShares(weight, from, to, piece.studs, centre)]]),
    stretches: [{ from: centre - half, to: centre + half, newtons: weight, studs: piece.studs }],
  };
}

/** Envelope over all contact patterns on several stretches: the greatest load at each stud. */
function onSeveral(stretches: readonly Bearing[], patterns: readonly (readonly number[])[], studs: readonly number[]): BearingShares {
  const pieces = [...new Set(stretches.map(({ piece }) => piece))];
  const onPiece = (piece: Piece): StudShares => {
    const own = stretches.flatMap((each, index) => (each.piece === piece ? [index] : []));
    return bracketShares(
      patterns.map((pattern) => own.map((index) => pattern[index]!)),
      own.map((index) => stretches[index]!),
      piece.studs,
    );
  };
  return {
    shares: onStuds(
      studs,
      pieces.map((piece) => [piece.studs, onPiece(piece)]),
    ),
    stretches: stretches.map(({ from, to, piece }, index) => ({
      from,
      to,
      studs: piece.studs,
      newtons: Math.max(...patterns.map((pattern) => pattern[index]!)),
    })),
  };
}

/** Loads on the studs of each piece, in the order of all studs; zero for a stud under no piece. */
function onStuds(studs: readonly number[], pieces: readonly (readonly [readonly number[], StudShares])[]): BearingShares['shares'] {
  const [[own, all]] = pieces as readonly [readonly [readonly number[], StudShares]];
  if (pieces.length === 1 && own.length === studs.length) return all;
  const way = (of: 'simple' | 'continuous' | 'rigid'): number[] =>
    studs.map((at) => {
      const found = pieces.find(([own]) => own.includes(at));
      return found ? found[1][of][found[0].indexOf(at)]! : 0;
    });
  return { simple: way('simple'), continuous: way('continuous'), rigid: way('rigid') };
}

/** Greatest share of the weight on one bracket; 1 for a cabinet cleat in one piece. */
export function worstBracket(unit: Hung, along: number): number {
  const hooks = unit.hanging.brackets.map((id) => stretchOf(unit.byId.get(id)!));
  if (hooks.length === 1) return 1;
  const middles = hooks.map(({ from, to }) => (from + to) / 2);
  return Math.max(...bracketPatterns(1, middles, between(along, middles[0]!, middles.at(-1)!)).flat());
}

/** Clamps a center of gravity just inside the ends; one outside is refused as off balance. */
const between = (at: number, left: number, right: number): number => (right - left > 2 ? Math.min(Math.max(at, left + 1), right - 1) : (left + right) / 2);
