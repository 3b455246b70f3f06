/**
 * Which blanks of a unit are the same piece of wood, and which are one another's mirror image. Turning a blank over in
 * the mind is only worth it where others of its size lie otherwise, and once for all that lie alike: this runs at every key.
 */
import { levelled } from './levelled.ts';
import type { PartLine } from './part-line.ts';
import { asItLies, leastTurn, levelledShapes, mirror, type Shape } from './shape.ts';

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

/** Sizes and places within `ONE_SIZE` are the same. */
export function samePieces<B extends Sized>(blanks: readonly B[]): SamePieces<B> {
  /** By blank: the same text for the same piece, and that of its mirror image where it has one of its size. */
  const pieces = new Array<Piece>(blanks.length);
  for (const { key, length, width, indexes } of sizesOf(blanks)) {
    const ofSize = indexes.map((index) => blanks[index]!);
    const texts = textsOf(ofSize, length, width);
    indexes.forEach((index, at) => (pieces[index] = { key: `${key} ${texts[at]!.key}`, mirrored: mirroredKey(key, texts[at]!.mirrored) }));
  }

  const groups: B[][] = [];
  const firstAt: number[] = [];
  const byKey = new Map<string, number>();
  blanks.forEach((blank, index) => {
    const { key } = pieces[index]!;
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
  firstAt.forEach((at, index) => {
    const { mirrored } = pieces[at]!;
    if (twinOf.has(index) || mirrored === null) return;
    const twin = byKey.get(mirrored());
    // Each is the mirror image of the other.
    if (twin !== undefined && twin !== index) twinOf.set(index, twin).set(twin, index);
  });
  return { groups, twinOf };
}

/** `mirrored` is worked out only for the first of its group; null where nothing can be its mirror image. */
interface Piece {
  readonly key: string;
  readonly mirrored: (() => string) | null;
}

const mirroredKey = (size: string, mirrored: Piece['mirrored']): Piece['mirrored'] => mirrored && (() => `${size} ${mirrored()}`);

interface OfOneSize {
  readonly key: string;
  /** As `levelled` gives them. */
  readonly length: number;
  readonly width: number;
  readonly indexes: readonly number[];
}

function sizesOf(blanks: readonly Sized[]): OfOneSize[] {
  const length = levelled(blanks.map((blank) => blank.length.value));
  const width = levelled(blanks.map((blank) => blank.width.value));
  const thickness = levelled(blanks.map((blank) => blank.thickness));
  const sizes = new Map<string, OfOneSize & { readonly indexes: number[] }>();
  blanks.forEach((blank, index) => {
    const [long, wide] = [length(blank.length.value), width(blank.width.value)];
    const key = `${blank.role === 'cleat-blank' ? 'cleat' : ''} ${long} ${wide} ${thickness(blank.thickness)} ${blank.stock} ${blank.grain}`;
    const size = sizes.get(key);
    if (size) size.indexes.push(index);
    else sizes.set(key, { key, length: long, width: wide, indexes: [index] });
  });
  return [...sizes.values()];
}

/** Of blanks of one size. A slab is the same piece however it is turned over. */
function textsOf(blanks: readonly Sized[], length: number, width: number): Piece[] {
  const alike: Piece = { key: '', mirrored: null };
  if (blanks.length === 1) return [alike];
  const exact = blanks.map(({ shape }) => shape());
  /** By how a blank lies, the first that lies so: what lies alike is written once. */
  const firstLying = new Map<string, number>();
  const lyingAs = exact.map((shape, index) => {
    const lying = asItLies(shape, blanks[index]!.bands);
    const first = firstLying.get(lying) ?? index;
    firstLying.set(lying, first);
    return first;
  });
  if (firstLying.size === 1) return blanks.map(() => alike);
  const known = new Map<string, string>();
  const turned = (shape: Shape, { bands }: Sized): string => {
    const lying = asItLies(shape, bands);
    const text = known.get(lying) ?? leastTurn(shape, bands, length, width);
    known.set(lying, text);
    return text;
  };
  const distinct = [...firstLying.values()];
  const shapes = levelledShapes(
    distinct.map((index) => exact[index]!),
    length,
    width,
  );
  const pieces = new Map(
    shapes.map((shape, at): [number, Piece] => {
      const blank = blanks[distinct[at]!]!;
      return [distinct[at]!, { key: turned(shape, blank), mirrored: shape.length === 0 ? null : () => turned(mirror(shape), blank) }];
    }),
  );
  return lyingAs.map((first) => pieces.get(first)!);
}
