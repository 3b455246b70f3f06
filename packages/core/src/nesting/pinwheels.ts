/**
 * Five rectangles that form one without a guillotine cut: four around a fifth, each with its end against the side of the next (the pinwheel, the smallest
 * such pattern: Biró and Boros, "Network flows and non-guillotine cutting patterns", 1984). Separated only by kerfs, so that two of the four and the fifth
 * determine the others. Mirrored it takes the same five sizes.
 */

export interface SizedRect {
  readonly dx: number;
  readonly dy: number;
}

/** In order: from the lower left corner along the bottom, up the right, back along the top, down the left; the inner one last. */
export type Pinwheel<R> = readonly [bottom: R, right: R, top: R, left: R, inside: R];

export interface PlacedPinwheel<R> {
  readonly five: Pinwheel<R>;
  /** Number of alternatives for some of them: the more, the likelier the match is a coincidence. */
  readonly choices: number;
}

/** Rectangles by their sides, nm. */
export interface BySides<R> {
  readonly all: readonly R[];
  readonly byWidth: (dx: number) => readonly R[];
  readonly byHeight: (dy: number) => readonly R[];
}

/** Lower left corner of each of the five. */
export function placesIn([bottom, right, , left]: Pinwheel<SizedRect>, kerf: number): Pinwheel<{ readonly x: number; readonly y: number }> {
  return [
    { x: 0, y: 0 },
    { x: bottom.dx + kerf, y: 0 },
    { x: left.dx + kerf, y: right.dy + kerf },
    { x: 0, y: bottom.dy + kerf },
    { x: left.dx + kerf, y: bottom.dy + kerf },
  ];
}

/** Overall size of the five. */
export const sizeOf = ([bottom, right, , left]: Pinwheel<SizedRect>, kerf: number): SizedRect => ({
  dx: bottom.dx + kerf + right.dx,
  dy: bottom.dy + kerf + left.dy,
});

/** Every pinwheel of `one` and four known rectangles. O(known), plus one step per matching side. */
export function wheelsWith<R extends SizedRect>(one: R, known: BySides<R>, kerf: number): PlacedPinwheel<R>[] {
  const found: PlacedPinwheel<R>[] = [];
  const sized = (rows: readonly R[], dy: number): R[] => rows.filter((row) => row.dy === dy);
  const add = (rows: readonly R[], choices: number, five: (row: R) => Pinwheel<R>): void => {
    for (const row of rows) found.push({ five: five(row), choices: choices * (1 + rows.length) });
  };
  for (const other of known.all) {
    // As the inner one, with the one on its left.
    const bottoms = known.byWidth(other.dx + kerf + one.dx);
    for (const bottom of bottoms) {
      const rights = known.byHeight(bottom.dy + kerf + one.dy);
      for (const right of rights) {
        const tops = sized(known.byWidth(right.dx + kerf + one.dx), other.dy - kerf - one.dy);
        add(tops, (1 + bottoms.length) * (1 + rights.length), (top) => [bottom, right, top, other, one]);
      }
    }
    // Around another: as the bottom, the right, the top and the left one.
    const lefts = known.byWidth(one.dx - kerf - other.dx);
    if (lefts.length > 0) {
      const rights = known.byHeight(one.dy + kerf + other.dy);
      for (const left of lefts)
        for (const right of rights) {
          const tops = sized(known.byWidth(right.dx + kerf + other.dx), left.dy - kerf - other.dy);
          add(tops, (1 + lefts.length) * (1 + rights.length), (top) => [one, right, top, left, other]);
        }
    }
    const below = known.byHeight(one.dy - kerf - other.dy);
    if (below.length > 0) {
      const tops = known.byWidth(one.dx + kerf + other.dx);
      for (const bottom of below)
        for (const top of tops) {
          const left = sized(known.byWidth(bottom.dx - kerf - other.dx), top.dy + kerf + other.dy);
          add(left, (1 + below.length) * (1 + tops.length), (each) => [bottom, one, top, each, other]);
        }
    }
    const besides = known.byWidth(one.dx - kerf - other.dx);
    if (besides.length > 0) {
      const left = known.byHeight(one.dy + kerf + other.dy);
      for (const right of besides)
        for (const each of left) {
          const bottom = sized(known.byWidth(each.dx + kerf + other.dx), right.dy - kerf - other.dy);
          add(bottom, (1 + besides.length) * (1 + left.length), (under) => [under, right, one, each, other]);
        }
    }
    const above = known.byHeight(one.dy - kerf - other.dy);
    if (above.length > 0) {
      const under = known.byWidth(one.dx + kerf + other.dx);
      for (const top of above)
        for (const bottom of under) {
          const right = sized(known.byWidth(top.dx - kerf - other.dx), bottom.dy + kerf + other.dy);
          add(right, (1 + above.length) * (1 + under.length), (each) => [bottom, each, top, one, other]);
        }
    }
  }
  return found;
}
