/**
 * Global best fit: of all remaining pieces and all open sheets, a fresh one among them, the pair of piece and place with the best score comes next. Source:
 * Jylänki, "A thousand ways to pack the bin". Small jobs only: every piece kind is searched again on the sheet that changed.
 */
import { kindsOf, type PackItem } from './pieces.ts';

/** Limits on piece kinds and on searches per placed piece; beyond them it costs more time than it is worth. */
const MAX_KINDS = 250;
const MAX_LOOKS = 400_000;

/** How sheets are filled: `S` a sheet, `P` a place on one. */
export interface BestPairs<S, P extends { readonly score: number; readonly tie: number }> {
  /** Opens one more sheet on which one of these pieces fits; null when there is none. */
  readonly empty: (used: readonly S[], left: readonly PackItem[]) => S | null;
  /** The best place for a piece: least score, ties by `tie`. */
  readonly placeFor: (item: PackItem, sheet: S) => P | null;
  readonly put: (item: PackItem, sheet: S, at: P) => void;
  readonly isOver: () => boolean;
}

/** Null for jobs that are too large. */
export function bestPairs<S, P extends { readonly score: number; readonly tie: number }>(
  items: readonly PackItem[],
  { empty, placeFor, put, isOver }: BestPairs<S, P>,
): { readonly sheets: S[]; readonly left: PackItem[] } | null {
  const kinds = kindsOf(items);
  if (kinds.length > MAX_KINDS || kinds.length * items.length > MAX_LOOKS) return null;
  const left = kinds.map(({ length }) => length);
  const sheets: S[] = [];
  /** Sheets in use, and last the fresh one, each with its best place per kind. */
  const rows: Row<S, P>[] = [];
  const isBetter = (a: P, b: P): boolean => a.score < b.score || (a.score === b.score && a.tie < b.tie);
  const choose = (row: Row<S, P>): void => {
    row.best = -1;
    for (let kind = 0; kind < kinds.length; kind++) {
      const place = row.places[kind]!;
      if (place && left[kind]! > 0 && (row.best < 0 || isBetter(place, row.places[row.best]!))) row.best = kind;
    }
  };
  const look = (sheet: S): Row<S, P> => {
    const row = { sheet, places: kinds.map(([first], kind) => (left[kind]! > 0 ? placeFor(first!, sheet) : null)), best: -1 };
    choose(row);
    return row;
  };
  const openNext = (): void => {
    const next = empty(
      sheets,
      kinds.flatMap(([first], kind) => (left[kind]! > 0 ? [first!] : [])),
    );
    rows.length = sheets.length;
    if (next) rows.push(look(next));
  };
  openNext();
  for (let rest = items.length; rest > 0 && !isOver();) {
    let best = -1;
    for (let at = 0; at < rows.length; at++) {
      const row = rows[at]!;
      if (row.best >= 0 && left[row.best] === 0) choose(row);
      if (row.best >= 0 && (best < 0 || isBetter(row.places[row.best]!, rows[best]!.places[rows[best]!.best]!))) best = at;
    }
    if (best < 0) {
      // A piece the fresh sheet was opened for may fit on another by now.
      openNext();
      if ((rows[sheets.length]?.best ?? -1) >= 0) continue;
      break;
    }
    const { sheet, places, best: kind } = rows[best]!;
    put(kinds[kind]![--left[kind]!]!, sheet, places[kind]!);
    rest--;
    rows[best] = look(sheet);
    if (best < sheets.length) continue;
    sheets.push(sheet);
    openNext();
  }
  return { sheets, left: kinds.flatMap((kind, index) => kind.slice(0, left[index])) };
}

interface Row<S, P> {
  readonly sheet: S;
  /** By piece kind. */
  readonly places: readonly (P | null)[];
  /** The piece kind that fits best; -1 for none. */
  best: number;
}
