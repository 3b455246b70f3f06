/**
 * The cut list: blanks to saw, and their features. A line is a view over panel ids: panels with equal blanks and features share it, mirror images do not.
 * The two halves of a cleat are one blank, ripped later.
 */
import { mm, toMm, ZERO, type Length } from '../length/length.ts';
import type { EdgeId } from '../solid/panel.ts';
import { leftWide, type ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Vector } from '../solid/vector.ts';
import { drillingOf, type Drilled } from '../joints/drilling.ts';
import { blankBox, featuresOf, type Feature } from './features.ts';
import type { CabinetAxis, GrainLie, PartLine } from './part-line.ts';
import { samePieces } from './same-pieces.ts';
import { shapeOf, type PieceShape } from './shape.ts';
import { explainedLength, extend, minus, plus } from '../explained/explained-length.ts';

/** The blanks of a cabinet, in the order of its panels. `letter` precedes the number of each mark. */
export function partsOf(cabinet: ResolvedCabinet, letter: string): PartLine[] {
  const { lower, onRail, beside = [] } = cabinet.hanging;
  const drilled = drillingOf(cabinet.byId, cabinet.connections);
  const blanks = cabinet.panels.filter(({ role }) => role !== 'wall-half' && role !== 'cabinet-half').map((panel) => blankOf(panel, drilled.get(panel.id)));
  // On a rail the halves are cut with the rail (rail-parts.ts).
  if (!onRail && cabinet.hanging.rip) {
    blanks.push(cleatBlank(cabinet, cabinet.hanging.wallHalf, cabinet.hanging.brackets));
    if (lower) blanks.push(cleatBlank(cabinet, lower.wallHalf, [lower.cabinetHalf]));
  }
  for (const { wallHalf, cabinetHalf } of beside) blanks.push(cleatBlank(cabinet, wallHalf, [cabinetHalf]));
  const { groups, twinOf } = samePieces(blanks);
  const mark = (index: number): string => `${letter}${index + 1}`;
  return groups.map((alike, index): PartLine => {
    const [{ id, role, length, width, thickness, thicknessFrom, stock, grain, bands, features, lie }] = alike as [Blank];
    const twin = twinOf.get(index);
    return {
      id,
      mark: mark(index),
      unit: cabinet.id,
      role,
      names: alike.flatMap(({ names }) => names),
      panels: alike.flatMap(({ panels }) => panels),
      count: alike.length,
      length,
      width,
      thickness,
      thicknessFrom,
      stock,
      grain,
      bands,
      features: features(),
      lie,
      mirrorOf: twin === undefined ? null : mark(twin),
    };
  });
}

type Blank = Omit<PartLine, 'mark' | 'mirrorOf' | 'count' | 'unit' | 'features'> & {
  /** Computed only where another blank has the same size. */
  readonly shape: () => PieceShape;
  /** Computed once per line. */
  readonly features: () => readonly Feature[];
};

function blankOf(panel: ResolvedPanel, drilled: readonly Drilled[] | undefined): Blank {
  const box = blankBox(panel);
  const band = (id: EdgeId) => (panel.bands.includes(id) ? [minus('edge-band', panel.bandThickness)] : []);
  const wide = leftWide(panel);
  const bevels = (grown: number) => (grown > 0 ? [plus('for-the-bevel', grown as Length)] : []);
  return {
    id: panel.id,
    role: panel.role,
    names: [panel.name],
    panels: [panel.id],
    length: extend(panel.length, [...bevels(box.grownLength), ...band('start'), ...band('end')]),
    width: extend(panel.width, [...bevels(box.grownWidth), ...band('near'), ...band('far'), ...(wide > 0 ? [plus('left-wide', wide)] : [])]),
    thickness: panel.thickness,
    thicknessFrom: panel.thicknessFrom,
    stock: panel.stock,
    grain: panel.grain,
    bands: panel.bands,
    features: () => featuresOf(panel, box, drilled),
    lie: lieOf(panel),
    shape: once(() => shapeOf(panel, box, drilled)),
  };
}

export const lieOf = ({ frame }: Pick<ResolvedPanel, 'frame'>): GrainLie => ({ length: axisOf(frame.u), width: axisOf(frame.v) });

/** Memoizes a computation. */
function once<T>(work: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: work() }).value;
}

const axisOf = ({ along, up, out }: Vector): CabinetAxis => {
  const [a, u, o] = [Math.abs(along), Math.abs(up), Math.abs(out)];
  return a >= u && a >= o ? 'along' : u >= o ? 'up' : 'out';
};

/** Waste per bracket crosscut from the ripped strip. Wider than any blade, so that the strip is never short. */
const BRACKET_CUT = mm(5);

/** One board of the requested width, as long as the longer half, or all its brackets; the bevel rip parts it. */
function cleatBlank({ hanging, byId }: ResolvedCabinet, wallHalf: string, hooks: readonly string[]): Blank {
  const cabinet = byId.get(hooks[0]!)!;
  const wall = byId.get(wallHalf)!;
  const hooked =
    hooks.length === 1
      ? cabinet.length
      : explainedLength([
          plus('all-brackets', (cabinet.length.value * hooks.length) as Length),
          plus('between-brackets', (BRACKET_CUT * (hooks.length - 1)) as Length),
        ]);
  const longest = wall.length.value > hooked.value ? wall.length : hooked;
  const rip: Feature = {
    kind: 'bevel-rip',
    face: 'edge',
    from: 'near',
    at: hanging.longFace,
    width: ZERO,
    depth: cabinet.thickness,
    play: ZERO,
    tiltDeg: hanging.bevelDeg,
    guest: '',
  };
  return {
    id: wall.id.replace('wall-half', 'cleat-blank'),
    role: 'cleat-blank',
    names: [{ key: 'cleat-blank' }],
    panels: [...hooks, wall.id],
    length: longest,
    width: explainedLength([plus('cleat-board', hanging.boardWidth, { source: hanging.boardFrom })]),
    thickness: cabinet.thickness,
    thicknessFrom: cabinet.thicknessFrom,
    stock: cabinet.stock,
    grain: cabinet.grain,
    bands: [],
    features: () => [rip],
    lie: { length: 'along', width: 'up' },
    shape: () => [],
  };
}

/** Area of a line's blanks, m². */
export const areaM2 = ({ length, width, count }: PartLine): number => (toMm(length.value) * toMm(width.value) * count) / 1e6;
