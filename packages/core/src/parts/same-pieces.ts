/**
 * Which blanks of a unit are the same piece of wood, and which are one another's mirror image. Turning a blank over in
 * the mind is only worth it where others of its size lie otherwise, and once for all that lie alike: this runs at every key.
 */
import type { PartLine } from './part-line.ts';
import { asItLies, leastTurn, mirror, type Shape } from './shape.ts';

type Sized = Pick<PartLine, 'id' | 'role' | 'length' | 'width' | 'thickness' | 'stock' | 'grain' | 'bands'> & {
  /** Asked for only where another blank has the same size. */
  readonly shape: () => Shape;
};

export interface SamePieces<B> {
  /** Blanks that are the same piece, in the order of the first of each. */
  readonly groups: readonly (readonly B[])[];
  /** Of a group, the group that is its mirror image. */
  readonly twinOf: ReadonlyMap<number, number>;
}

export function samePieces<B extends Sized>(blanks: readonly B[]): SamePieces<B> {
  const sizes = blanks.map(sizeKey);
  const ofSize = new Map<string, number>();
  for (const size of sizes) ofSize.set(size, (ofSize.get(size) ?? 0) + 1);
  /** How each blank lies, and of how many ways those of its size lie. */
  const lies = blanks.map(({ shape, bands }, index) => (ofSize.get(sizes[index]!) === 1 ? '' : asItLies(shape(), bands)));
  const waysOf = new Map<string, Set<string>>();
  sizes.forEach((size, index) => {
    const ways = waysOf.get(size);
    if (ways) ways.add(lies[index]!);
    else waysOf.set(size, new Set([lies[index]!]));
  });
  const known = new Map<string, string>();
  /** A slab is the same piece however it is turned over. */
  const keyOf = ({ bands, length, width }: B, size: string, shape: Shape, lying: string): string => {
    const asked = `${size} ${lying}`;
    const before = known.get(asked);
    if (before !== undefined) return before;
    const key = `${size} ${leastTurn(shape, bands, length.value, width.value)}`;
    known.set(asked, key);
    return key;
  };
  const groups: B[][] = [];
  const firstAt: number[] = [];
  const byKey = new Map<string, number>();
  blanks.forEach((blank, index) => {
    const size = sizes[index]!;
    const key = waysOf.get(size)!.size === 1 ? size : keyOf(blank, size, blank.shape(), lies[index]!);
    // Each cleat is ripped by itself: two equal ones stay two lines.
    const same = blank.role === 'cleat-blank' ? undefined : byKey.get(key);
    if (same !== undefined) {
      groups[same]!.push(blank);
      return;
    }
    if (blank.role !== 'cleat-blank') byKey.set(key, groups.length);
    groups.push([blank]);
    firstAt.push(index);
  });
  const twinOf = new Map<number, number>();
  groups.forEach(([first], index) => {
    const size = sizes[firstAt[index]!]!;
    if (twinOf.has(index) || waysOf.get(size)!.size === 1) return;
    const other = mirror(first!.shape());
    if (other.length === 0) return;
    const twin = byKey.get(keyOf(first!, size, other, asItLies(other, first!.bands)));
    // Each is the mirror image of the other.
    if (twin !== undefined && twin !== index) twinOf.set(index, twin).set(twin, index);
  });
  return { groups, twinOf };
}

const sizeKey = ({ role, length, width, thickness, stock, grain }: Sized): string =>
  `${role === 'cleat-blank' ? 'cleat' : ''} ${length.value} ${width.value} ${thickness} ${stock} ${grain}`;
