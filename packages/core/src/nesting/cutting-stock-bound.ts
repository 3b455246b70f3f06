/**
 * Valid inequalities for every set of boards that holds the pieces, from the dual prices of the cutting stock program (bar-program.ts). A board never holds
 * pieces of more value than its best pattern, so Σ count · value >= total value of the pieces, whatever the prices.
 */
import { BarProgram, type BarPartKind, type BarPlace, type SheetInequality } from './bar-program.ts';
import type { SizedPieces } from './bin-completion.ts';

export interface PricedRoom {
  readonly room: number;
  readonly price: number;
  /** Infinity when unlimited. */
  readonly limit: number;
}

/** Greedy patterns tried before exact pricing. */
const GREEDY_STARTS = 3;

/** By room alone: a piece is worth its size. */
export const roomInequality = ({ size, count }: SizedPieces, rooms: readonly Pick<PricedRoom, 'room'>[]): SheetInequality => ({
  needs: size.reduce((sum, each, index) => sum + each * count[index]!, 0),
  holds: rooms.map(({ room }) => room),
});

/**
 * The inequality of the best dual prices for boards at these prices. Pieces that fit on no unlimited kind are dropped, which only weakens it. Null where an
 * unlimited kind is free, or no piece remains.
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
