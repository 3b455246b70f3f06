/**
 * Boards of a wall rail: each piece is ripped into a stretch of the rail and its mating half, and the cabinet cleats are crosscut from the mating halves,
 * longest first.
 */
import { roundToNm, toMm, type Length } from '../length/length.ts';
import { RIPPED_LONG_FACES, SHORT_FACE } from '../solid/hanging.ts';
import { thicknessSource } from '../stock/thickness.ts';
import type { ThicknessUsed } from '../stock/workshop.ts';
import { layRail, type RailLayout } from '../wall/rails.ts';
import type { Wall, WallRail } from '../model/wall.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { evaluate } from '../explained/explained-value.ts';
import type { PartLine } from './part-line.ts';
import type { UnpricedProduct } from '../model/workshop.ts';

/** A cabinet cleat to be cut from a rail's boards. */
export interface RailHalf {
  readonly unit: string;
  readonly panel: string;
  readonly length: ExplainedLength;
}

export interface RailPlan {
  readonly rail: WallRail;
  readonly layout: RailLayout;
  readonly shortFace: Length;
  readonly longFace: Length;
  /** Cabinet cleats by the board they are cut from. */
  readonly boards: readonly { readonly id: string; readonly halves: readonly RailHalf[] }[];
  readonly parts: readonly PartLine[];
}

export interface RailStock {
  readonly product: UnpricedProduct;
  readonly used: ThicknessUsed;
  readonly kerf: Length;
}

/** The boards of a rail. `letter` precedes the number of each mark. */
export function planRail(wall: Wall, rail: WallRail, { product, used, kerf }: RailStock, halves: readonly RailHalf[], letter: string): RailPlan {
  const t = toMm(used.value);
  const both = evaluate(RIPPED_LONG_FACES, { B: toMm(rail.boardWidth.nm), t, k: toMm(kerf), θ: rail.bevelDeg });
  const longFace = roundToNm(both.value / 2);
  const shortFace = roundToNm(evaluate(SHORT_FACE, { long: both.value / 2, t, θ: rail.bevelDeg }).value);
  const layout = layRail(wall, rail, shortFace);
  const boards = layout.pieces.map(({ from, to }, index) => ({
    id: `${rail.id}/piece-${index + 1}`,
    length: explainedLength([plus('rail-to', to), minus('rail-from', from)]),
    free: to - from,
    halves: [] as RailHalf[],
  }));
  for (const half of [...halves].sort((a, b) => b.length.value - a.length.value)) {
    let board = boards.find(({ free }) => free >= half.length.value);
    // Cabinet cleats that do not fit the rail's own boards take another board.
    if (!board) boards.push((board = { id: `${rail.id}/for-${half.unit}`, length: half.length, free: half.length.value, halves: [] }));
    board.halves.push(half);
    board.free -= half.length.value + kerf;
  }
  const source = { kind: 'entered' as const, path: ['wall', 'rails', rail.id, 'boardWidth'] };
  return {
    rail,
    layout,
    shortFace,
    longFace,
    boards,
    parts: boards.map(({ id, length, halves: own }, index): PartLine => ({
      id,
      mark: `${letter}${index + 1}`,
      unit: rail.id,
      role: 'cleat-blank',
      names: [{ key: 'rail-blank', of: rail.name }],
      panels: [id, ...own.map(({ panel }) => panel)],
      count: 1,
      length,
      width: explainedLength([plus('cleat-board', rail.boardWidth.nm, { source })]),
      thickness: used.value,
      thicknessFrom: thicknessSource(product, used),
      stock: rail.stock,
      grain: product.grain === 'none' ? 'none' : 'length',
      bands: [],
      features: [
        {
          kind: 'bevel-rip',
          face: 'edge',
          from: 'near',
          at: longFace,
          width: 0 as Length,
          depth: used.value,
          play: 0 as Length,
          tiltDeg: rail.bevelDeg,
          guest: '',
        },
      ],
      lie: { length: 'along', width: 'up' },
      mirrorOf: null,
    })),
  };
}
