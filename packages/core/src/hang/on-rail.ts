/** Whether a cabinet's cabinet cleat seats on the rail it is to hang on: the halves of a cleat hook only when they come from one setting, at one height. */
import type { SpecBase } from '../carcass/spec-base.ts';
import { NM_PER, type Length } from '../length/length.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Wall } from '../wall/wall.ts';

export type RailFault =
  | { readonly kind: 'gone' | 'recessed' | 'through' | 'bevel' | 'board' | 'ends' }
  /** Its bevel is so far above the rail's; negative below. */
  | { readonly kind: 'off'; readonly by: Length };

/** A cabinet must sit on its rail within this. [A] */
const ON_RAIL = NM_PER.mm;

/** What keeps a unit off its rail; null for nothing, or when it has a wall cleat of its own. */
export function railFault({ hanging, place }: Pick<SpecBase, 'hanging' | 'place'>, cabinet: ResolvedCabinet, wall: Wall): RailFault | null {
  if (hanging.wallRail === null) return null;
  const rail = Object.hasOwn(wall.rails, hanging.wallRail) ? wall.rails[hanging.wallRail] : undefined;
  if (!rail) return { kind: 'gone' };
  if (hanging.kind !== 'outside') return { kind: hanging.kind === 'recessed' ? 'recessed' : 'through' };
  if (hanging.bevelDeg !== rail.bevelDeg) return { kind: 'bevel' };
  if (hanging.stock !== rail.stock || hanging.boardWidth.nm !== rail.boardWidth.nm) return { kind: 'board' };
  if (rail.left.nm > place.along.nm || rail.right.nm < place.along.nm + cabinet.outside.width.value) return { kind: 'ends' };
  const by = (place.up.nm + cabinet.hanging.valleyUp - rail.up.nm) as Length;
  return Math.abs(by) <= ON_RAIL ? null : { kind: 'off', by };
}
