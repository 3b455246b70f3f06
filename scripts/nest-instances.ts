/**
 * Nesting problems to measure by, from published recipes: the ten classic random classes of two-dimensional bin packing
 * (Berkey and Wang I to VI; Martello and Vigo VII to X), sheets cut up at random so that the optimum is known, and jobs of a
 * workshop. The same seed gives the same problems.
 */
import { cutSheets } from '../packages/core/src/test/nest-job.ts';
import { mm, type Length, type NestPart, type NestProblem, type NestSheet } from '../packages/core/src/index.ts';

export type Dice = () => number;

export function dice(seed: number): Dice {
  let state = seed >>> 0;
  return () => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

const between = (roll: Dice, low: number, high: number): number => low + Math.floor(roll() * (high - low + 1));

const part = (id: string, length: number, width: number, count: number, grain: NestPart['grain']): NestPart => ({
  id,
  length: length as Length,
  width: width as Length,
  count,
  grain,
  group: null,
  order: 0,
});

const sheet = (id: string, length: number, width: number, more: Partial<NestSheet> = {}): NestSheet => ({
  id,
  length: length as Length,
  width: width as Length,
  count: null,
  grain: 'length',
  cost: null,
  offcut: false,
  ...more,
});

/** Berkey and Wang: sides of the sheet, and the largest side of a part. */
const BERKEY_WANG: readonly (readonly [sheet: number, most: number])[] = [
  [10, 10],
  [30, 10],
  [40, 35],
  [100, 35],
  [100, 100],
  [300, 100],
];

/** Martello and Vigo's four kinds of part on a sheet of 100, each as lowest and highest width and height. */
const MARTELLO_VIGO: readonly (readonly [number, number, number, number])[] = [
  [67, 100, 1, 50],
  [1, 50, 67, 100],
  [50, 100, 50, 100],
  [1, 50, 1, 50],
];

/** A problem of classic class I (1) to X (10) with so many parts, sizes in whole millimeters. */
export function classic(kind: number, count: number, roll: Dice, more: { readonly turn: boolean; readonly cuts: NestProblem['cuts'] }): NestProblem {
  const grain = more.turn ? 'either' : 'length';
  const side = kind <= 6 ? BERKEY_WANG[kind - 1]![0] : 100;
  const sizes = Array.from({ length: count }, (): [number, number] => {
    if (kind <= 6) {
      const most = BERKEY_WANG[kind - 1]![1];
      return [between(roll, 1, most), between(roll, 1, most)];
    }
    // Seven parts in ten are of the class's own kind, one of each other.
    const own = kind - 7;
    const others = [0, 1, 2, 3].filter((each) => each !== own);
    const of = roll() < 0.7 ? own : others[between(roll, 0, 2)]!;
    const [w0, w1, h0, h1] = MARTELLO_VIGO[of]!;
    return [between(roll, w0, w1), between(roll, h0, h1)];
  });
  return {
    kerf: mm(0),
    trim: mm(0),
    cuts: more.cuts,
    sheets: [sheet('S', mm(side), mm(side))],
    parts: sizes.map(([w, h], index) => part(`p${index}`, mm(w), mm(h), 1, grain)),
  };
}

const KERF = mm(3.2);
const [LONG, WIDE] = [mm(2440), mm(1220)];

/** So many sheets cut at random from edge to edge: their number is known to be enough. `slack` is taken off every part's sides. */
export const cutUp = (sheets: number, slack: number, roll: Dice): NestProblem => ({
  kerf: KERF,
  trim: mm(0),
  cuts: 'guillotine',
  sheets: [sheet('S', LONG, WIDE)],
  parts: cutSheets(sheets, Math.floor(roll() * 2 ** 31)).map(([dx, dy], index) =>
    part(`p${index}`, Math.round(dx * (1 - slack)), Math.round(dy * (1 - slack)), 1, 'length'),
  ),
});

/** Pieces that come off one sheet, about. */
export const LEVELS = { easy: 5, medium: 10, hard: 23 } as const;
export type Level = keyof typeof LEVELS;

/**
 * So many sheets parted to the last corner, nothing over but kerfs, on a grid of 1 mm or 1/16 in: their number is known to be the least there is. Where
 * cuts are free some part without a cut from edge to edge, five round one another. One part in seven has a grain.
 */
export function partedSheets(sheets: number, level: Level, cuts: NestProblem['cuts'], roll: Dice): NestProblem {
  const inches = roll() < 0.5;
  const grid = inches ? 1_587_500 : mm(1);
  const kerf = inches ? 2 * grid : 4 * grid;
  const [long, wide] = inches ? [1536 * grid, 768 * grid] : [1200 * grid, 1200 * grid];
  const at = (size: number, low: number, high: number): number => Math.round(((low + (high - low) * roll()) * size) / grid) * grid;
  const pieces = (dx: number, dy: number, wanted: number): [number, number][] => {
    if (wanted < 2 || Math.max(dx, dy) < 120 * grid) return [[dx, dy]];
    if (cuts === 'free' && wanted >= 5 && Math.min(dx, dy) > 300 * grid && roll() < 0.4) {
      const [x1, x2, y1, y2] = [at(dx, 0.2, 0.4), at(dx, 0.6, 0.8), at(dy, 0.2, 0.4), at(dy, 0.6, 0.8)];
      const five = [
        [x2, y1],
        [dx - x2 - kerf, y2],
        [dx - x1 - kerf, dy - y2 - kerf],
        [x1, dy - y1 - kerf],
        [x2 - x1 - kerf, y2 - y1 - kerf],
      ] as const;
      return five.flatMap(([a, b]) => pieces(a, b, wanted / 5));
    }
    const along = dx * (0.6 + 0.8 * roll()) > dy;
    const first = at(along ? dx : dy, 0.25, 0.75);
    const share = first / (along ? dx : dy);
    const second = (along ? dx : dy) - first - kerf;
    return along
      ? [...pieces(first, dy, wanted * share), ...pieces(second, dy, wanted * (1 - share))]
      : [...pieces(dx, first, wanted * share), ...pieces(dx, second, wanted * (1 - share))];
  };
  const all = Array.from({ length: sheets }, () => pieces(long, wide, LEVELS[level] * (0.8 + 0.4 * roll()))).flat();
  const parts = all.map(([dx, dy], index) => {
    const [grain, turned] = [roll() < 0.15, roll() < 0.5];
    return turned ? part(`p${index}`, dy, dx, 1, grain ? 'width' : 'either') : part(`p${index}`, dx, dy, 1, grain ? 'length' : 'either');
  });
  return { kerf: kerf as Length, trim: mm(0), cuts, sheets: [sheet('S', long, wide)], parts };
}

/** So many cabinets: sides, levels and rails, with the grain along; some small parts lie either way. */
export function workshop(cabinets: number, several: boolean, roll: Dice): NestProblem {
  const parts = Array.from({ length: cabinets }, (_, n) => {
    const [w, h, d] = [between(roll, 400, 1000), between(roll, 500, 900), between(roll, 240, 340)];
    return [
      part(`side${n}`, mm(h), mm(d), 2, 'length'),
      part(`level${n}`, mm(w), mm(d), 2 + between(roll, 1, 4), 'length'),
      part(`rail${n}`, mm(w), mm(90), 1, 'length'),
      ...(n % 2 === 0 ? [part(`block${n}`, mm(between(roll, 120, 300)), mm(between(roll, 60, 180)), between(roll, 1, 4), 'either')] : []),
    ];
  }).flat();
  const sheets = several
    ? [sheet('S', LONG, WIDE, { cost: 70 }), sheet('half', mm(1220), WIDE, { cost: 39 }), sheet('off', mm(880), mm(410), { count: 2, cost: 0, offcut: true })]
    : [sheet('S', LONG, WIDE)];
  return { kerf: KERF, trim: mm(5), cuts: 'guillotine', sheets, parts };
}

export type ShopKind = 'carcass' | 'fronts' | 'drawers' | 'backs';
export const SHOP_KINDS: readonly ShopKind[] = ['carcass', 'fronts', 'drawers', 'backs'];

const BOARD = 18;
const WIDTHS = [300, 400, 450, 500, 600, 800, 900, 1000];
const HEIGHTS = [360, 560, 720, 900];
const DEPTHS = [300, 320, 560];

/** What one cabinet of so much wants: name, size along and across in millimeters, count, grain. */
type Wanted = readonly [name: string, length: number, width: number, count: number, grain: NestPart['grain']];
const CABINETS: Readonly<Record<ShopKind, (w: number, h: number, d: number) => readonly Wanted[]>> = {
  carcass: (w, h, d) => [
    ['side', h, d, 2, 'length'],
    ['top', w - 2 * BOARD, d, 2, 'either'],
    ['shelf', w - 2 * BOARD - 1, d - 20, h > 600 ? 2 : 1, 'either'],
    ['rail', w - 2 * BOARD, 100, 1, 'either'],
  ],
  fronts: (w, h) =>
    w > 600
      ? [['front', h - 4, w / 2 - 3, 2, 'width']]
      : [
          ['front', w - 4, h / 4 - 4, 4, 'width'],
          ['plinth', w, 100, 1, 'length'],
        ],
  drawers: (w, h, d) => [
    ['drawer side', d - 30, h / 4 - 40, 8, 'either'],
    ['drawer end', w - 2 * BOARD - 48, h / 4 - 52, 8, 'either'],
    ['drawer bottom', w - 2 * BOARD - 36, d - 40, 4, 'either'],
  ],
  backs: (w, h) => [
    ['back', h - 20, w - 20, 1, 'either'],
    ['divider', h / 2 - 20, 80, 2, 'either'],
  ],
};

/** A run of cabinets of a few sizes, so that most pieces have twins: so many pieces and no more, with kerf, trim and grain. */
export function shopJob(kind: ShopKind, pieces: number, several: boolean, roll: Dice): NestProblem {
  const inches = roll() < 0.3;
  const size = (at: number): Length => (inches ? ((Math.round((at / 25.4) * 16) * 1_587_500) as Length) : mm(Math.round(at)));
  const pick = (of: readonly number[]): number => of[Math.floor(roll() * of.length)]!;
  const [depth, heights] = [pick(DEPTHS), [pick(HEIGHTS), pick(HEIGHTS)]];
  const counts = new Map<string, NestPart>();
  let left = pieces;
  while (left > 0) {
    for (const [name, length, width, wanted, grain] of CABINETS[kind](pick(WIDTHS), pick(heights), depth)) {
      const count = Math.min(left, wanted * between(roll, 1, Math.max(1, Math.round(pieces / 60))));
      const id = `${name} ${Math.round(length)}x${Math.round(width)}`;
      const known = counts.get(id)?.count ?? 0;
      if (count > 0) counts.set(id, part(id, size(length), size(width), known + count, grain));
      left -= count;
    }
  }
  const grained = kind === 'drawers' || kind === 'backs' ? 'none' : 'length';
  const whole = sheet('A', size(2440), size(1220), { grain: grained, cost: several ? 100 : null });
  const off = (n: number): NestSheet => {
    const [length, width] = [between(roll, 110, 200) * 10, between(roll, 50, 110) * 10];
    return sheet(`off${n}`, size(length), size(width), {
      grain: grained,
      offcut: true,
      count: between(roll, 1, 3),
      cost: Math.round(((length * width) / 2440 / 1220) * between(roll, 20, 70)),
    });
  };
  const sheets = several
    ? [whole, ...(roll() < 0.5 ? [sheet('B', size(3050), size(1525), { grain: grained, cost: 147, count: 3 })] : []), off(1), off(2)]
    : [whole];
  return { kerf: inches ? (3_175_000 as Length) : KERF, trim: size(5), cuts: 'guillotine', sheets, parts: [...counts.values()] };
}
