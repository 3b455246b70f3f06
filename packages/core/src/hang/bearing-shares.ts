/**
 * Where a cabinet's weight comes onto the wall cleat, and what each stud takes of it: over the length of a whole cabinet cleat, or
 * on the brackets it is cut into. Sources: docs/formulas/stud-shares.md, brackets.md [eq].
 */
import { NM_PER } from '../length/length.ts';
import { place, type Panel } from '../solid/panel.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { bracketPatterns, bracketShares, studShares, type StudShares } from './stud-shares.ts';

/** A stretch of the wall cleat, mm from the cabinet's left end. */
export interface WallStretch {
  readonly from: number;
  readonly to: number;
}

export interface BearingShares {
  readonly shares: Omit<StudShares, 'worst'>;
  /** The most that each stretch of the hook can come to lay on the wall cleat, N, and the studs under it. */
  readonly stretches: readonly (WallStretch & { readonly newtons: number; readonly studs: readonly number[] })[];
}

const measured = new WeakMap<object, WallStretch>();

/** Where a panel stands along the wall; a backboard's length stands upright, so it is not measured along the panel. Every load asks: memoized. */
export function stretchOf(panel: Pick<Panel, 'frame' | 'outline'>): WallStretch {
  const known = measured.get(panel);
  if (known) return known;
  const alongs = panel.outline.map(({ from }) => place(panel.frame, from).along / NM_PER.mm);
  const stretch = { from: Math.min(...alongs), to: Math.max(...alongs) };
  measured.set(panel, stretch);
  return stretch;
}

type Hung = Pick<ResolvedCabinet, 'hanging' | 'byId'>;

/** A piece of the strip on the wall, and the studs it is screwed to; between two pieces nothing is handed on. */
interface Piece extends WallStretch {
  readonly studs: readonly number[];
}

/** Pieces of the strip on the wall, mm from the cabinet's left end. */
export const wallPieces = ({ hanging, byId }: Hung): readonly WallStretch[] => hanging.pieces ?? [stretchOf(byId.get(hanging.wallHalf)!)];

/** Those that hold: a piece of several must stand on two studs of its own, or it turns on its one. */
function heldPieces(unit: Hung, studs: readonly number[]): Piece[] {
  const pieces = wallPieces(unit).map((piece) => ({ ...piece, studs: studs.filter((at) => at > piece.from && at < piece.to) }));
  return pieces.length === 1 ? pieces : pieces.filter((piece) => piece.studs.length > 1);
}

interface Bearing extends WallStretch {
  readonly piece: Piece;
}

const overlapOf = (a: WallStretch, b: WallStretch): WallStretch => ({ from: Math.max(a.from, b.from), to: Math.min(a.to, b.to) });

/** Where the hooks lie over pieces of the strip: only there can a weight come down. */
const bearings = ({ hanging, byId }: Hung, pieces: readonly Piece[]): Bearing[] =>
  hanging.brackets
    .map((id) => stretchOf(byId.get(id)!))
    .flatMap((hook) => pieces.map((piece) => ({ ...overlapOf(hook, piece), piece })))
    .filter(({ from, to }) => to > from)
    .sort((a, b) => a.from - b.from);

/**
 * From where to where a weight can come down on the cleats: the hull of all that hooks, mm from the cabinet's left end; null where nothing
 * hooks. A center of gravity beside it tips the unit off sideways. Without `studs` every piece of the wall cleat counts.
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

/** Memoized for the studs that are asked for: every weight and place that is tried asks again. */
function heldBearings(unit: Hung, studs: readonly number[]): readonly Bearing[] {
  const known = heldBy.get(studs);
  if (known?.unit === unit) return known.found;
  const found = bearings(unit, heldPieces(unit, studs));
  heldBy.set(studs, { unit, found });
  return found;
}

/** What a weight, N, with its center `along` (mm from the cabinet's left end) lays on each of the studs. */
export function bearingShares(unit: Hung, weight: number, along: number, studs: readonly number[]): BearingShares {
  const found = heldBearings(unit, studs);
  // What hooks over nothing that holds is refused: its shares are those of the whole strip.
  const whole: Piece = { ...wallPieces(unit)[0]!, to: wallPieces(unit).at(-1)!.to, studs };
  const stretches = found.length > 0 ? found : [{ ...whole, piece: whole }];
  const middles = stretches.map(({ from, to }) => (from + to) / 2);
  const [first, last] = [middles[0]!, middles.at(-1)!];
  // Past the middle of an end stretch that one has it all.
  if (stretches.length === 1 || along <= first) return onOne(stretches[0]!, weight, along, studs);
  if (along >= last) return onOne(stretches.at(-1)!, weight, along, studs);
  return onSeveral(stretches, bracketPatterns(weight, middles, along), studs);
}

/** Over one stretch the weight lies as far on both sides of its center as the nearer end. */
function onOne({ from, to, piece }: Bearing, weight: number, along: number, studs: readonly number[]): BearingShares {
  const centre = between(along, from, to);
  const half = Math.min(centre - from, to - centre);
  return {
    shares: onStuds(studs, [[piece.studs, studShares(weight, from, to, piece.studs, centre)]]),
    stretches: [{ from: centre - half, to: centre + half, newtons: weight, studs: piece.studs }],
  };
}

/** Over several in every way they can come to share it, piece by piece: the greatest at each stud. */
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

/** Shares of each piece's studs, in the order of all studs; nothing comes on a stud of no piece. */
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

/** The most one bracket carries, as a share of the weight: 1 for a half in one piece. */
export function worstBracket(unit: Hung, along: number): number {
  const hooks = unit.hanging.brackets.map((id) => stretchOf(unit.byId.get(id)!));
  if (hooks.length === 1) return 1;
  const middles = hooks.map(({ from, to }) => (from + to) / 2);
  return Math.max(...bracketPatterns(1, middles, between(along, middles[0]!, middles.at(-1)!)).flat());
}

/** A center of gravity past the ends counts as a hair inside them: the shares are of what hangs between. */
const between = (at: number, left: number, right: number): number => (right - left > 2 ? Math.min(Math.max(at, left + 1), right - 1) : (left + right) / 2);
