/**
 * Groups blanks of a cabinet that are the same piece of wood, and pairs mirror images. Orientations are compared only where blanks of one size differ, and
 * once per set of equals: this runs on every keystroke.
 */
import { snapped } from './snap-sizes.ts';
import type { PartLine } from './part-line.ts';
import { asItLies, minSignature, canonicalText, levelledShapes, mirror, type PieceShape } from './shape.ts';

type Sized = Pick<PartLine, 'id' | 'role' | 'length' | 'width' | 'thickness' | 'stock' | 'grain' | 'bands'> & {
  /** Computed only where another blank has the same size. */
  readonly shape: () => PieceShape;
};

export interface SamePieces<B> {
  /** Blanks that are the same piece, in the order of the first of each. */
  readonly groups: readonly (readonly B[])[];
  /** Mirror image of a group. */
  readonly twinOf: ReadonlyMap<number, number>;
}

/** Sizes and positions within `ONE_SIZE` are equal. */
export function samePieces<B extends Sized>(blanks: readonly B[]): SamePieces<B> {
  /** By blank: its canonical key, and that of its mirror image. */
  const pieces = new Array<Piece>(blanks.length);
  for (const { key, length, width, indexes } of sizesOf(blanks)) {
    const ofSize = indexes.map((index) => blanks[index]!);
    const keys = keysOf(ofSize, length, width);
    indexes.forEach((index, at) => {
      const { key: own, mirrored } = keys[at]!;
      pieces[index] = {
        key: `${key} ${own}`,
        mirrored: () => {
          const twin = mirrored();
          return twin === null ? null : `${key} ${twin}`;
        },
      };
    });
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
    if (twinOf.has(index)) return;
    const mirrored = pieces[at]!.mirrored();
    const twin = mirrored === null ? undefined : byKey.get(mirrored);
    // The relation is symmetric.
    if (twin !== undefined && twin !== index) twinOf.set(index, twin).set(twin, index);
  });
  return { groups, twinOf };
}

/** Canonical key of a piece; `mirrored` gives the key of its mirror image, null where there is none, and is asked only for the first of each group. */
interface Piece {
  readonly key: string;
  readonly mirrored: () => string | null;
}

interface OfOneSize {
  readonly key: string;
  /** Snapped. */
  readonly length: number;
  readonly width: number;
  readonly indexes: readonly number[];
}

function sizesOf(blanks: readonly Sized[]): OfOneSize[] {
  const length = snapped(blanks.map((blank) => blank.length.value));
  const width = snapped(blanks.map((blank) => blank.width.value));
  const thickness = snapped(blanks.map((blank) => blank.thickness));
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

/** Keys of blanks of one size. A plain slab is the same piece in every orientation. */
function keysOf(blanks: readonly Sized[], length: number, width: number): Piece[] {
  const alike: Piece = { key: '', mirrored: () => null };
  if (blanks.length === 1) return [alike];
  const exact = blanks.map(({ shape }) => shape());
  /** First blank with a given orientation text: identical ones are compared once. */
  const firstLying = new Map<string, number>();
  const lyingAs = exact.map((shape, index) => {
    const lying = asItLies(shape, blanks[index]!.bands);
    const first = firstLying.get(lying) ?? index;
    firstLying.set(lying, first);
    return first;
  });
  if (firstLying.size === 1) return blanks.map(() => alike);
  const distinct = [...firstLying.values()];
  const shapes = levelledShapes(
    distinct.map((index) => exact[index]!),
    length,
    width,
  );
  const bandsOf = (at: number): Sized['bands'] => blanks[distinct[at]!]!.bands;
  const signs = shapes.map((shape, at) => minSignature(shape, bandsOf(at), length, width));
  /** A text is built only where hashes are equal. */
  const texts = new Map<number, string>();
  const textOf = (at: number): string => {
    const text = texts.get(at) ?? canonicalText(shapes[at]!, bandsOf(at), length, width);
    texts.set(at, text);
    return text;
  };
  const keyOf = (at: number): string => (signs.filter((sign) => sign === signs[at]).length === 1 ? `${signs[at]}` : textOf(at));
  const twinOf = (at: number): string | null => {
    if (shapes[at]!.length === 0) return null;
    const mirrored = mirror(shapes[at]!);
    const sign = minSignature(mirrored, bandsOf(at), length, width);
    const near = signs.flatMap((each, other) => (each === sign ? [other] : []));
    if (near.length === 0) return null;
    const text = canonicalText(mirrored, bandsOf(at), length, width);
    const found = near.find((other) => textOf(other) === text);
    return found === undefined ? null : keyOf(found);
  };
  const pieces = new Map(distinct.map((index, at): [number, Piece] => [index, { key: keyOf(at), mirrored: () => twinOf(at) }]));
  return lyingAs.map((first) => pieces.get(first)!);
}
