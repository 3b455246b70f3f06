/**
 * What any boards that hold the pieces must satisfy: the dual prices of the cutting stock program (bar-program.ts). A board of one kind never holds
 * pieces of more than its best pattern is worth, so Σ count · worth >= what all pieces are worth, whatever the prices.
 */
import { BarProgram, type BarPartKind, type BarPlace, type SheetInequality } from './bar-program.ts';
import type { SizedPieces } from './bin-completion.ts';

export interface PricedRoom {
  readonly room: number;
  readonly price: number;
  /** Infinity when there are as many as wanted. */
  readonly limit: number;
}

/** Patterns that are filled greedily before the best is searched for. */
const GREEDY_STARTS = 3;

/** By room alone: pieces are worth what they take. */
export const roomInequality = ({ size, count }: SizedPieces, rooms: readonly Pick<PricedRoom, 'room'>[]): SheetInequality => ({
  needs: size.reduce((sum, each, index) => sum + each * count[index]!, 0),
  holds: rooms.map(({ room }) => room),
});

/**
 * The inequality of the best dual prices for boards at these prices. Pieces that fit on no kind without end are left out, which only weakens it.
 * Null where a kind without end costs nothing, or no piece is left.
 */
export function pricedInequality({ size, count }: SizedPieces, rooms: readonly PricedRoom[]): SheetInequality | null {
  const endless = rooms.filter(({ limit }) => limit === Infinity);
  const kept = size.flatMap((each, index) => (count[index]! > 0 && endless.some(({ room }) => room >= each) ? [index] : []));
  if (endless.some(({ price }) => price <= 0) || kept.length === 0) return null;
  const sheets = rooms.map(({ room, price, limit }) => ({ size: { x: room, y: 1 }, price, limit }));
  const kinds = kept.map((index, kind): BarPartKind => {
    const places = rooms.flatMap(({ room }, sheet): BarPlace[] => {
      const share = { x: size[index]! / room, y: 1 };
      return room >= size[index]! ? [{ kind, sheet, size: { x: size[index]!, y: 1 }, share, weight: { ...share } }] : [];
    });
    return { count: count[index]!, places };
  });
  const program = new BarProgram(kinds, sheets, 'x', GREEDY_STARTS);
  let found: SheetInequality | null;
  do found = program.step();
  while (!found);
  return found;
}
