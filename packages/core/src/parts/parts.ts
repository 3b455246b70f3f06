/**
 * The cut list: blanks to saw and what is cut into them. A line is a view over panel ids: panels with
 * the same blank and the same features share it, mirror images are told apart. The two halves of a
 * cleat are one blank, ripped later.
 */
import { toMm, ZERO, type Length } from '../length/length.ts';
import type { EdgeId, Grain, Role } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import type { Vector } from '../solid/vector.ts';
import { drillingOf, type Drilled } from '../joints/drilling.ts';
import { blankBox, featuresOf, type Feature } from './features.ts';
import { asItLies, leastTurn, mirror, shapeOf, type Shape } from './shape.ts';
import { dimension, extend, minus, plus, type Dimension, type Label, type Source } from '../worked/dimension.ts';

/** Which way a blank's length and width lie in the unit, so that its ends can be named. */
export interface Lie {
  readonly length: Axis;
  readonly width: Axis;
}
export type Axis = 'along' | 'up' | 'out';

export interface PartLine {
  /** Stable while the panels stay: the id of the first panel. */
  readonly id: string;
  readonly mark: string;
  readonly unit: string;
  readonly role: Role | 'cleat-blank';
  readonly names: readonly Label[];
  readonly panels: readonly string[];
  readonly count: number;
  readonly length: Dimension;
  readonly width: Dimension;
  readonly thickness: Length;
  readonly thicknessFrom: Source;
  readonly stock: string;
  readonly grain: Grain;
  readonly bands: readonly EdgeId[];
  readonly features: readonly Feature[];
  readonly lie: Lie;
  /** The mark of its mirror image. */
  readonly mirrorOf: string | null;
}

/** The blanks of a unit, in the order the unit lists its panels. `letter` goes before the number of each mark. */
export function partsOf(unit: ResolvedUnit, letter: string): PartLine[] {
  const { lower, onRail, beside = [] } = unit.hanging;
  const drilled = drillingOf(unit.byId, unit.meetings);
  const blanks = unit.panels.filter(({ role }) => role !== 'wall-half' && role !== 'cabinet-half').map((panel) => blankOf(panel, drilled.get(panel.id)));
  // On a rail the halves are ripped and cut with the rail (rail-parts.ts).
  if (!onRail) {
    blanks.push(cleatBlank(unit, unit.hanging));
    if (lower) blanks.push(cleatBlank(unit, lower));
  }
  for (const pair of beside) blanks.push(cleatBlank(unit, pair));
  const lines: (Omit<Blank, 'id'> & { id: string; count: number; key: string })[] = [];
  // Turning a blank over in the mind is only worth it where others of its size lie otherwise, and once for all that lie alike.
  const sizeOf = new Map(blanks.map((blank) => [blank.id, sizeKey(blank)]));
  const waysOf = new Map<string, Set<string>>();
  const liesOf = new Map<string, string>();
  const counts = new Map<string, number>();
  for (const size of sizeOf.values()) counts.set(size, (counts.get(size) ?? 0) + 1);
  for (const blank of blanks) {
    const size = sizeOf.get(blank.id)!;
    if (counts.get(size) === 1) continue;
    const lies = asItLies(blank.shape(), blank.bands);
    liesOf.set(blank.id, lies);
    const ways = waysOf.get(size);
    if (ways) ways.add(lies);
    else waysOf.set(size, new Set([lies]));
  }
  /** All of its size lie alike, or there is no other. */
  const alone = ({ id }: Pick<Blank, 'id'>): boolean => (waysOf.get(sizeOf.get(id)!)?.size ?? 1) === 1;
  const turnedOver = new Map<string, string>();
  /** A slab is the same piece however it is turned over: the least of its four turned descriptions stands for it. */
  const keyOf = ({ id, bands, length, width }: Blank, shape: Shape, lies: string): string => {
    const size = sizeOf.get(id)!;
    const known = turnedOver.get(`${size} ${lies}`) ?? `${size} ${leastTurn(shape, bands, length.value, width.value)}`;
    turnedOver.set(`${size} ${lies}`, known);
    return known;
  };
  const byKey = new Map<string, number>();
  for (const blank of blanks) {
    const key = alone(blank) ? sizeOf.get(blank.id)! : keyOf(blank, blank.shape(), liesOf.get(blank.id)!);
    // Each cleat is ripped by itself: two equal ones stay two lines.
    const same = blank.role === 'cleat-blank' ? undefined : byKey.get(key);
    if (same === undefined) {
      if (blank.role !== 'cleat-blank') byKey.set(key, lines.length);
      lines.push({ ...blank, count: 1, key });
    } else {
      const line = lines[same]!;
      lines[same] = { ...line, count: line.count + 1, panels: [...line.panels, ...blank.panels], names: [...line.names, ...blank.names] };
    }
  }
  const twins = new Map<number, number>();
  lines.forEach((line, index) => {
    if (twins.has(index) || alone(line)) return;
    const other = mirror(line.shape());
    if (other.length === 0) return;
    const twin = byKey.get(keyOf(line, other, asItLies(other, line.bands)));
    // Each is the mirror image of the other.
    if (twin !== undefined && twin !== index) twins.set(index, twin).set(twin, index);
  });
  const marks = lines.map((_, index) => `${letter}${index + 1}`);
  return lines.map(({ key: _key, shape: _shape, features, ...line }, index) => {
    const twin = twins.get(index);
    return { ...line, unit: unit.id, features: features(), mark: marks[index]!, mirrorOf: twin === undefined ? null : marks[twin]! };
  });
}

type Blank = Omit<PartLine, 'mark' | 'mirrorOf' | 'count' | 'unit' | 'features'> & {
  /** Worked out only where another blank has the same size. */
  readonly shape: () => Shape;
  /** Worked out once a line. */
  readonly features: () => readonly Feature[];
};

function blankOf(panel: ResolvedPanel, drilled: readonly Drilled[] | undefined): Blank {
  const box = blankBox(panel);
  const band = (id: EdgeId) => (panel.bands.includes(id) ? [minus('edge-band', panel.bandThickness)] : []);
  const bevels = (grown: number) => (grown > 0 ? [plus('for-the-bevel', grown as Length)] : []);
  return {
    id: panel.id,
    role: panel.role,
    names: [panel.name],
    panels: [panel.id],
    length: extend(panel.length, [...bevels(box.grownLength), ...band('start'), ...band('end')]),
    width: extend(panel.width, [...bevels(box.grownWidth), ...band('near'), ...band('far')]),
    thickness: panel.thickness,
    thicknessFrom: panel.thicknessFrom,
    stock: panel.stock,
    grain: panel.grain,
    bands: panel.bands,
    features: () => featuresOf(panel, box, drilled),
    lie: { length: axisOf(panel.frame.u), width: axisOf(panel.frame.v) },
    shape: once(() => shapeOf(panel, box, drilled)),
  };
}

/** Worked out the first time it is asked for. */
function once<T>(work: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: work() }).value;
}

const axisOf = ({ along, up, out }: Vector): Axis => {
  const [a, u, o] = [Math.abs(along), Math.abs(up), Math.abs(out)];
  return a >= u && a >= o ? 'along' : u >= o ? 'up' : 'out';
};

/** One board as wide as was asked, as long as the longer half; the bevel rip parts it. */
function cleatBlank({ hanging, byId }: ResolvedUnit, halves: { readonly cabinetHalf: string; readonly wallHalf: string }): Blank {
  const cabinet = byId.get(halves.cabinetHalf)!;
  const wall = byId.get(halves.wallHalf)!;
  const longer = wall.length.value > cabinet.length.value ? wall : cabinet;
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
    id: cabinet.id.replace('cabinet-half', 'cleat-blank'),
    role: 'cleat-blank',
    names: [{ key: 'cleat-blank' }],
    panels: [cabinet.id, wall.id],
    length: longer.length,
    width: dimension([plus('cleat-board', hanging.boardWidth, { source: hanging.boardFrom })]),
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

type Sized = Pick<Blank, 'role' | 'length' | 'width' | 'thickness' | 'stock' | 'grain'>;

const sizeKey = ({ role, length, width, thickness, stock, grain }: Sized): string =>
  `${role === 'cleat-blank' ? 'cleat' : ''} ${length.value} ${width.value} ${thickness} ${stock} ${grain}`;

/** Area of a line's blanks, m². */
export const areaM2 = ({ length, width, count }: PartLine): number => (toMm(length.value) * toMm(width.value) * count) / 1e6;
