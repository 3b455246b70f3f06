/** Loose parts as JSON: sizes as typed, outlines exact. */
import { mm } from '../length/length.ts';
import { Refusal } from '../problem/problem.ts';
import { checked, choice, length, list, number, object, text, type Codec } from './codec.ts';
import { exact } from './layout-codec.ts';
import { MAX_CORNERS, MAX_LOOSE_COUNT, type LoosePart } from '../model/loose-part.ts';

const side = length(mm(5), mm(10_000));
const place = exact(mm(10_000));
/** Bulge of a semicircle is 1; no drawn arc is closer to a full circle than this. */
const MAX_BULGE = 50;

export const looseCodec: Codec<LoosePart> = checked(
  object({
    id: text(64),
    order: number(-1e9, 1e9),
    name: text(80),
    stock: text(64),
    count: number(1, MAX_LOOSE_COUNT, true),
    length: side,
    width: side,
    grain: choice(['length', 'width', 'none']),
    outline: list(object({ x: place, y: place, bulge: number(-MAX_BULGE, MAX_BULGE) }), MAX_CORNERS),
  }),
  ({ outline, length: long, width }, where) => {
    if (outline.length === 0) return;
    if (outline.length < 2)
      throw new Refusal('outline', 'an outline of one corner has no inside', `${where}.outline`, 'two corners with arcs, or three and more; or none');
    const outside = outline.find(({ x, y }) => x > long.nm || y > width.nm);
    if (outside) throw new Refusal('outline', 'a corner lies outside the blank', `${where}.outline`, 'corners from 0 to its length and width');
  },
);
