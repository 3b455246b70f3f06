/** Whether a cabinet seats on its wall rail: the two cleats hook only when they share one bevel and one height. */
import type { SpecBase } from '../model/specs/spec-base.ts';
import { NM_PER, type Length } from '../length/length.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Wall } from '../model/wall.ts';

export type RailFault =
  | { readonly kind: 'gone' | 'recessed' | 'through' | 'bevel' | 'board' | 'ends' }
  /** Its bevel is above the rail's by this; negative below. */
  | { readonly kind: 'off'; readonly by: Length };

/** Tolerance of a cabinet's height on its wall rail. [A] */
const ON_RAIL = NM_PER.mm;

/** Why a cabinet does not seat on its wall rail; null where it does, or where it has a wall cleat of its own. */
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
