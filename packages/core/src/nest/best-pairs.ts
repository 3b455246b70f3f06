/**
 * A layout in which the order is not given: of all pieces that are left and all sheets, an empty one among them, the piece and the place that fit
 * best come next, until none is left. Source: Jylänki, "A thousand ways to pack the bin" (global best fit). Small jobs only: every piece is
 * looked for a place anew on the sheet that was changed.
 */
import { kindsOf, type Item } from './pieces.ts';

/** Kinds of piece; with more it takes longer than it is worth. */
const MAX_KINDS = 250;

/** How sheets are filled: `S` a sheet, `P` a place on one. */
export interface Filling<S, P extends { readonly score: number; readonly tie: number }> {
  /** One more sheet beside those in use, on which one of these goes; null when there is none. */
  readonly empty: (used: readonly S[], left: readonly Item[]) => S | null;
  /** The best place for a piece: the least score, of equals the least tie. */
  readonly placeFor: (item: Item, sheet: S) => P | null;
  readonly put: (item: Item, sheet: S, at: P) => void;
  readonly isOver: () => boolean;
}

/** Null for jobs that are too large. */
export function bestPairs<S, P extends { readonly score: number; readonly tie: number }>(
  items: readonly Item[],
  { empty, placeFor, put, isOver }: Filling<S, P>,
): { readonly sheets: S[]; readonly left: Item[] } | null {
  const kinds = kindsOf(items);
  if (kinds.length > MAX_KINDS) return null;
  const left = kinds.map(({ length }) => length);
  const sheets: S[] = [];
  /** By sheet, the last of them the empty one, and by kind. */
  const places: (P | null)[][] = [];
  const look = (sheet: S): (P | null)[] => kinds.map(([first], kind) => (left[kind]! > 0 ? placeFor(first!, sheet) : null));
  let next: S | null = null;
  const openNext = (): void => {
    next = empty(
      sheets,
      kinds.flatMap(([first], kind) => (left[kind]! > 0 ? [first!] : [])),
    );
    places.length = sheets.length;
    if (next) places.push(look(next));
  };
  openNext();
  for (let rest = items.length; rest > 0 && !isOver();) {
    let best: { readonly at: number; readonly kind: number; readonly place: P } | undefined;
    for (const [at, row] of places.entries())
      for (const [kind, place] of row.entries()) {
        if (!place || left[kind] === 0) continue;
        if (!best || place.score < best.place.score || (place.score === best.place.score && place.tie < best.place.tie)) best = { at, kind, place };
      }
    if (!best) {
      // What the empty one was for may be on others by now.
      openNext();
      if (places[sheets.length]?.some((place) => place !== null)) continue;
      break;
    }
    const { at, kind, place } = best;
    const sheet = sheets[at] ?? next!;
    rest--;
    put(kinds[kind]![--left[kind]!]!, sheet, place);
    places[at] = look(sheet);
    if (at < sheets.length) continue;
    sheets.push(sheet);
    openNext();
  }
  return { sheets, left: kinds.flatMap((kind, index) => kind.slice(0, left[index])) };
}
