/** Replays cuts from their numbers alone: the distance set, the blade, the side measured from. */
import type { CutStep } from './pieces.ts';

export interface ReplayedCuts {
  readonly dx: number;
  readonly dy: number;
}

/**
 * The pieces after all cuts, by id.
 * @throws on a piece that does not exist, or differs in size from what a cut says
 */
export function replayCuts(sheets: readonly ReplayedCuts[], steps: readonly CutStep[]): ReadonlyMap<string, ReplayedCuts> {
  const lying = new Map<string, ReplayedCuts>(sheets.map(({ dx, dy }, index) => [`${index}`, { dx, dy }]));
  for (const { id, piece, axis, way, near, far, purpose } of steps) {
    const here = lying.get(piece.id);
    if (!here) throw new Error(`cut ${id}: there is no piece ${piece.id}`);
    if (here.dx !== piece.dx || here.dy !== piece.dy)
      throw new Error(`cut ${id}: piece ${piece.id} measures ${here.dx} by ${here.dy}, not ${piece.dx} by ${piece.dy}`);
    if (!way) throw new Error(`cut ${id}: no saw makes it`);
    lying.delete(piece.id);
    const size = axis === 'x' ? here.dx : here.dy;
    // The set side lies against the fence; the other is what the blade leaves of the rest.
    const against = way.setting;
    const other = size - way.setting - way.kerf;
    const [nearSize, farSize] = way.against === 'near' ? [against, other] : [other, against];
    const sawn = (along: number): ReplayedCuts => (axis === 'x' ? { dx: along, dy: here.dy } : { dx: here.dx, dy: along });
    lying.set(near.id, sawn(nearSize));
    if (farSize > 0 && purpose !== 'trim') {
      if (!far) throw new Error(`cut ${id}: ${farSize} is left and not said`);
      lying.set(far.id, sawn(farSize));
    }
  }
  return lying;
}
