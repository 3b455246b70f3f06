/**
 * Every hole the hanging needs: in the wall cleat at each stud, through the carcass into the cabinet cleat, and for the lock at the bottom. Measured from
 * named ends and edges. Pilot holes: docs/formulas/pilot-holes.md. Cable zones: docs/formulas/cable-zones.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { fastenersAlong } from '../joints/drilling.ts';
import { screwById, type Screw } from '../joints/screws.ts';
import { NM_PER, toMm, ZERO, type Length } from '../length/length.ts';
import { place, type Panel } from '../solid/panel.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { ExplainedLength } from '../explained/explained-length.ts';
import { studGravity } from '../wall/studs.ts';
import type { WallPlace, Wall } from '../model/wall.ts';
import { bandAt, cableBands, drillState, type Band, type DrillState } from '../wall/zones.ts';
import { heightsOf, railsBeside } from './boxes.ts';
import { cabinetScrewRow, carrierOf, lowerCarrierOf, lowerScrewRow, screwsEach } from './carrier-links.ts';
import { groundOf, PLUGS } from './grounds.ts';
import type { LoadPath } from './load-path.ts';
import { wallHalfEnds, wallHalfFoot } from './wall-links.ts';
import { besideMiddle, studWidthMm } from './stud-edge.ts';
import { edgeDistanceMm, wallRows } from './wall-rows.ts';

export interface WallHole {
  readonly id: string;
  /** In the wall cleat, in the wall cleat of a lower cleat, or for the lock at the bottom. */
  readonly kind: 'strip' | 'lower' | 'lock';
  /** Number of the stud, or of the fixing position where no stud decides, from the left; null for none. */
  readonly stud: number | null;
  readonly row: 'upper' | 'lower' | 'lock';
  /** In its cleat: from the left end, and above the lower edge. */
  readonly fromLeft: Length;
  readonly above: Length;
  /** On the wall: from its left end, and above the floor. */
  readonly along: Length;
  readonly up: Length;
  readonly state: DrillState;
  /** The cable zone it falls in. */
  readonly band: Band | null;
}

/** Holes through the carcass into the cabinet cleat, all at one height. */
export interface CarcassHoles {
  /** What they are drilled through: the hanging rail, or a thick back. */
  readonly panel: string;
  readonly fromLeft: readonly Length[];
  /** Below its upper edge. */
  readonly below: Length;
}

/** Drill sizes for one screw, mm; null where the maker says. */
export interface Boring {
  readonly screw: string;
  readonly length: Length;
  /** Clearance hole in the part that the head draws tight; null where it draws nothing, because a plate hangs on it. */
  readonly clearMm: number | null;
  readonly sinkMm: number | null;
  /** Pilot hole in the part that the thread holds in, and its depth from the face. */
  readonly pilotMm: number | null;
  readonly deepMm: number | null;
}

export interface HangingHoles {
  readonly strip: { readonly panel: string; readonly length: Length; readonly foot: ExplainedLength };
  readonly wall: readonly WallHole[];
  readonly wallBoring: Boring;
  /** One row per hung box, and one for a lower cleat. */
  readonly carcass: readonly CarcassHoles[];
  readonly carcassBoring: Boring | null;
  /** Centers of the studs behind the cleat, or of the fixing positions: from the cleat's left end, and on the wall. */
  readonly studs: readonly { readonly fromLeft: Length; readonly along: Length }[];
}

export interface HolesInput {
  readonly cabinet: ResolvedCabinet;
  readonly hang: Pick<LoadPath, 'studs'>;
  readonly wall: Wall;
  readonly at: WallPlace;
  /** How far below the drawn position the cleats seat. */
  readonly seating: Length;
  readonly bands?: readonly Band[];
}

/** Up to this specific gravity a pilot of 7/10 of the root diameter, above it 9/10. [NDS 12.1.5] */
const SOFTWOOD_SPECIFIC_GRAVITY = 0.5;
const PILOT = { soft: 0.7, hard: 0.9 } as const;
/** A plug's hole is deeper than the plug by this. [ASSUME] */
const DUST_MM = ASSUMED.plugDust.value;
/** Clearance of a hole around the thread. [ASSUME] */
const CLEAR_MM = 0.5;

/** All holes of a cabinet's hanging; none in the wall where no stud is behind it. */
export function hangingHoles(input: HolesInput): HangingHoles {
  const { cabinet, hang, wall, at } = input;
  const { hanging } = cabinet;
  const ends = wallHalfEnds(cabinet);
  const layers = toMm(wall.covering.nm) + (hanging.plate ? toMm(hanging.plate.proud) : toMm(hanging.cleatThickness) + toMm(hanging.stripOff));
  const boring = boringInWall(screwById(hanging.wallScrew.screw), hanging.wallScrew.length, wall, layers);
  return {
    strip: { panel: hanging.wallHalf, length: nm(ends.to - ends.from), foot: footOf(input) },
    wall: wallHoles(input),
    wallBoring: hanging.plate ? { ...boring, clearMm: null, sinkMm: null } : boring,
    ...carcassHoles(cabinet),
    studs: inOrder(hang).map((atMm) => ({ fromLeft: nm(atMm - ends.from), along: (at.along.nm + nm(atMm)) as Length })),
  };
}

const nm = (mm: number): Length => Math.round(mm * NM_PER.mm) as Length;

const inOrder = ({ studs }: HolesInput['hang']): number[] => studs.map(({ atMm }) => atMm).sort((a, b) => a - b);

/** A wall rail is already up: the seating of a cabinet moves none of its holes. */
const footOf = ({ cabinet, at, seating }: HolesInput): ExplainedLength => wallHalfFoot(cabinet, at.up.nm, cabinet.hanging.onRail ? ZERO : seating);

/** The holes in the wall alone: those of the cleat stud by stud, then the lock. */
export function wallHoles(input: HolesInput): WallHole[] {
  const { cabinet, hang, wall, at, bands = cableBands(wall) } = input;
  const { hanging } = cabinet;
  const { from } = wallHalfEnds(cabinet);
  const foot = footOf(input).value;
  const { diameterMm } = screwById(hanging.wallScrew.screw);
  const rows = wallRows(cabinet);
  const studs = inOrder(hang);
  const onWall = (atMm: number, up: number): Pick<WallHole, 'along' | 'up' | 'state' | 'band'> => {
    const along = (at.along.nm + nm(atMm)) as Length;
    return { along, up: up as Length, state: drillState(wall, along, up, bands), band: bandAt(bands, along, up) };
  };
  const holes = studs.flatMap((atMm, index) =>
    (['upper', 'lower'] as const).flatMap((row) => {
      const above = nm(row === 'upper' ? rows.topMm : rows.lowMm);
      if (rows[row] === 0) return [];
      return besideMiddle(rows[row], diameterMm, studWidthMm(wall)).map((off, which): WallHole => ({
        id: `${index + 1}-${row}-${which + 1}`,
        kind: 'strip',
        stud: index + 1,
        row,
        fromLeft: nm(atMm + off - from),
        above,
        ...onWall(atMm + off, foot + above),
      }));
    }),
  );
  const below = lowerBy(cabinet);
  // The same screws again: the lower cleat must hold the whole load.
  if (below !== null)
    holes.push(
      ...holes.map((hole): WallHole => ({
        ...hole,
        id: `lower-${hole.id}`,
        kind: 'lower',
        ...onWall(toMm((hole.along - at.along.nm) as Length), hole.up - below),
      })),
    );
  if (!hanging.antiLift || studs.length === 0) return holes;
  // One screw low down, in the stud nearest to the cabinet's middle.
  const middle = toMm(cabinet.outside.width.value) / 2;
  const nearest = studs.reduce((a, b) => (Math.abs(b - middle) < Math.abs(a - middle) ? b : a));
  // With keyhole plates it goes through the part they are let into, below one of them.
  const lockUp = hanging.plate ? ((hanging.valleyUp - hanging.shortFace + nm(edgeDistanceMm(cabinet))) as Length) : hanging.standoffUp;
  const lock: WallHole = {
    id: 'lock',
    kind: 'lock',
    stud: studs.indexOf(nearest) + 1,
    row: 'lock',
    fromLeft: nm(nearest),
    above: lockUp,
    ...onWall(nearest, at.up.nm + lockUp),
  };
  return [...holes, lock];
}

/** How far the lower of two cleats lies below the upper; null for a single cleat. */
export function lowerBy({ hanging, byId }: Pick<ResolvedCabinet, 'hanging' | 'byId'>): Length | null {
  const lower = hanging.lower && byId.get(hanging.lower.wallHalf);
  return lower ? nm(heightsOf(byId.get(hanging.wallHalf)!).low - heightsOf(lower).low) : null;
}

function boringInWall(screw: Screw, length: Length, wall: Wall, layersMm: number): Boring {
  const base = { screw: screw.id, length, clearMm: screw.diameterMm + CLEAR_MM, sinkMm: screw.headMm / 0.9 };
  switch (groundOf(wall)) {
    case 'anchors':
    case 'moving':
      return { ...base, pilotMm: null, deepMm: null };
    case 'masonry':
      return { ...base, pilotMm: Number.parseInt(wall.fixing.plug, 10), deepMm: PLUGS[wall.fixing.plug].deepMm + DUST_MM };
    case 'metal':
      return { ...base, pilotMm: screw.rootMm, deepMm: null };
    case 'timber': {
      const share = studGravity(wall) <= SOFTWOOD_SPECIFIC_GRAVITY ? PILOT.soft : PILOT.hard;
      return { ...base, pilotMm: share * screw.rootMm, deepMm: Math.max(0, toMm(length) - layersMm) };
    }
  }
}

function carcassHoles(cabinet: ResolvedCabinet): Pick<HangingHoles, 'carcass' | 'carcassBoring'> {
  const { hanging } = cabinet;
  const { screw: id, length } = hanging.cabinetScrew;
  const carrier = carrierOf(cabinet);
  const row = hanging.rip ? cabinetScrewRow(cabinet) : null;
  const each = screwsEach(cabinet);
  if (!carrier || row === null || each === 0) return { carcass: [], carcassBoring: null };
  const screw = screwById(id);
  const rowUp = toMm(hanging.valleyUp) + toMm(hanging.longFace) - row;
  const carriers = carrier.role === 'hanging-rail' ? railsBeside(cabinet, carrier) : [carrier];
  /** Brackets of the lower cleat stand under those of the upper. */
  const through = (panel: Panel & { readonly id: string }, up: number): CarcassHoles[] => {
    const over = spread(panel);
    const fromLeft = hanging.brackets.flatMap((bracket) => {
      const half = spread(cabinet.byId.get(bracket)!);
      const [from, to] = [Math.max(over.left, half.left), Math.min(over.right, half.right)];
      return to > from ? fastenersAlong(to - from, each).map((mm) => nm(from - over.left + mm)) : [];
    });
    return fromLeft.length > 0 ? [{ panel: panel.id, fromLeft, below: nm(over.top - up) }] : [];
  };
  const lower = lowerCarrierOf(cabinet);
  const lowerUp = lowerScrewRow(cabinet);
  return {
    carcass: [...carriers.flatMap((panel) => through(panel, rowUp)), ...(lower && lowerUp !== null ? through(lower, lowerUp) : [])],
    carcassBoring: {
      screw: id,
      length,
      clearMm: screw.diameterMm + CLEAR_MM,
      sinkMm: screw.headMm / 0.9,
      pilotMm: PILOT.hard * screw.rootMm,
      deepMm: Math.max(0, Math.min(toMm(hanging.cleatThickness), toMm(length))),
    },
  };
}

/** Extent of a panel in the cabinet, mm. */
function spread({ frame, outline }: Panel): { readonly left: number; readonly right: number; readonly top: number } {
  const points = outline.map(({ from }) => place(frame, from));
  const along = points.map((point) => point.along / NM_PER.mm);
  return { left: Math.min(...along), right: Math.max(...along), top: Math.max(...points.map(({ up }) => up / NM_PER.mm)) };
}
