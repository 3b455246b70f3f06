/**
 * The cut list: blanks to saw and what is cut into them. A line is a view over panel ids: panels with
 * the same blank and the same features share it, mirror images are told apart. The two halves of a
 * cleat are one blank, ripped later.
 */
import { toMm, ZERO, type Length } from '../length/length.ts';
import { extentOf, type EdgeId, type Grain, type Role } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import { dimension, extend, minus, plus, type Dimension, type Label, type Source } from '../worked/dimension.ts';

/** A cut into a blank, given from a named end or edge, so that mirrored twins read the same numbers. */
export interface Feature {
  readonly kind: 'dado' | 'groove' | 'rabbet' | 'bevel-rip' | 'edge-bevel';
  readonly face: 'reference' | 'other' | 'edge';
  /** Measured from this end (across the length) or edge (along it). */
  readonly from: EdgeId;
  /** To the near side of the cut. */
  readonly at: Length;
  readonly width: Length;
  readonly depth: Length;
  readonly play: Length;
  /** Blade tilt from square, for bevels. */
  readonly tiltDeg: number;
  /** The panel that goes in; '' for none. */
  readonly guest: string;
}

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
  /** The mark of its mirror image. */
  readonly mirrorOf: string | null;
}

/** The blanks of a unit, in the order the unit lists its panels. `letter` goes before the number of each mark. */
export function partsOf(unit: ResolvedUnit, letter: string): PartLine[] {
  const { lower, onRail } = unit.hanging;
  const blanks = unit.panels.filter(({ role }) => role !== 'wall-half' && role !== 'cabinet-half').map(blankOf);
  // On a rail the halves are ripped and cut with the rail (rail-parts.ts).
  if (!onRail) {
    blanks.push(cleatBlank(unit, unit.hanging));
    if (lower) blanks.push(cleatBlank(unit, lower));
  }
  const lines: (Omit<PartLine, 'mark' | 'mirrorOf'> & { key: string })[] = [];
  for (const blank of blanks) {
    const key = keyOf(blank);
    // Each cleat is ripped by itself: two equal ones stay two lines.
    const same = blank.role === 'cleat-blank' ? -1 : lines.findIndex((line) => line.key === key);
    if (same < 0) lines.push({ ...blank, unit: unit.id, count: 1, key });
    else {
      const line = lines[same]!;
      lines[same] = { ...line, count: line.count + 1, panels: [...line.panels, ...blank.panels], names: [...line.names, ...blank.names] };
    }
  }
  const marks = lines.map((_, index) => `${letter}${index + 1}`);
  return lines.map(({ key: _key, ...line }, index) => {
    const mirrored = line.features.length > 0 ? keyOf(mirror(line)) : '';
    const twin = lines.findIndex((other, i) => i !== index && other.key === mirrored);
    return { ...line, mark: marks[index]!, mirrorOf: twin >= 0 ? marks[twin]! : null };
  });
}

type Blank = Omit<PartLine, 'mark' | 'mirrorOf' | 'count' | 'unit'>;

function blankOf(panel: ResolvedPanel): Blank {
  const band = (id: EdgeId) => (panel.bands.includes(id) ? [minus('edge-band', panel.bandThickness)] : []);
  return {
    id: panel.id,
    role: panel.role,
    names: [panel.name],
    panels: [panel.id],
    length: extend(panel.length, [...band('start'), ...band('end')]),
    width: extend(panel.width, [...band('near'), ...band('far')]),
    thickness: panel.thickness,
    thicknessFrom: panel.thicknessFrom,
    stock: panel.stock,
    grain: panel.grain,
    bands: panel.bands,
    features: panel.strips.map((strip): Feature => {
      const crosses = Math.abs(strip.normal.u) >= Math.abs(strip.normal.v);
      const { from } = extentOf(panel.outline, crosses ? 'u' : 'v');
      return {
        kind: strip.kind,
        face: strip.face,
        from: crosses ? 'start' : 'near',
        at: (strip.near - from) as Length,
        width: (strip.far - strip.near) as Length,
        depth: strip.depth,
        play: strip.play,
        tiltDeg: 0,
        guest: strip.guest,
      };
    }),
  };
}

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
    features: [rip],
  };
}

/** A slab is the same piece however it is turned over: the least of its four turned descriptions stands for it. */
function keyOf(blank: Pick<Blank, 'role' | 'length' | 'width' | 'thickness' | 'stock' | 'grain' | 'bands' | 'features'>): string {
  const { role, length, width, thickness, stock, grain } = blank;
  let least = '';
  if (blank.features.length > 0 || blank.bands.length > 0) {
    for (const alongFlips of [false, true]) {
      for (const acrossFlips of [false, true]) {
        const way = describe(blank, alongFlips, acrossFlips);
        if (least === '' || way < least) least = way;
      }
    }
  }
  return `${role === 'cleat-blank' ? 'cleat' : ''} ${length.value} ${width.value} ${thickness} ${stock} ${grain} ${least}`;
}

/** Turned over once the face changes, turned twice it does not. */
function describe(
  { length, width, bands, features }: Pick<Blank, 'length' | 'width' | 'bands' | 'features'>,
  alongFlips: boolean,
  acrossFlips: boolean,
): string {
  const swap: Readonly<Record<EdgeId, EdgeId>> = {
    start: alongFlips ? 'end' : 'start',
    end: alongFlips ? 'start' : 'end',
    near: acrossFlips ? 'far' : 'near',
    far: acrossFlips ? 'near' : 'far',
  };
  const turned = features.map(({ kind, face, from, at, width: wide, depth, tiltDeg }) => {
    const flips = from === 'start' ? alongFlips : acrossFlips;
    const size = from === 'start' ? length.value : width.value;
    return `${kind} ${alongFlips === acrossFlips ? face : OTHER_FACE[face]} ${from} ${flips ? size - at - wide : at} ${wide} ${depth} ${tiltDeg}`;
  });
  return [...bands.map((edge) => swap[edge]), ...turned].sort().join('|');
}

const OTHER_FACE = { reference: 'other', other: 'reference', edge: 'edge' } as const;

function mirror<T extends Pick<Blank, 'features'>>(blank: T): T {
  return { ...blank, features: blank.features.map((feature) => ({ ...feature, face: OTHER_FACE[feature.face] })) };
}

/** Area of a line's blanks, m². */
export const areaM2 = ({ length, width, count }: PartLine): number => (toMm(length.value) * toMm(width.value) * count) / 1e6;
