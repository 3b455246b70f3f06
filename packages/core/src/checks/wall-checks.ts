/** Checks of a cabinet against its own stretch of wall: cables, bow, rails. What stands beside it: place-checks.ts. Rules: docs/checks.md. */
import { wallHoles } from '../hang/holes.ts';
import { wallHalfEnds } from '../hang/wall-links.ts';
import { NM_PER, toMm, type Length } from '../length/length.ts';
import { shimsFor, type Shims, type WallFace } from '../wall/bow.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import type { Fix } from './finding.ts';
import { enteredFromNm } from '../length/entered.ts';
import { roundDown } from './round.ts';

const cableUnknown: Check = (context) => {
  const { spec, wall, cabinet, hang, seating } = context;
  const { bands } = context.facts;
  const holes = wallHoles({ cabinet, hang, wall, at: spec.place, seating: seating.lower, bands });
  if (holes.length === 0) return [];
  const states = holes.map(({ state }) => state);
  const inBand = states.filter((state) => state === 'never').length;
  const unlooked = states.filter((state) => state === 'look-first').length;
  if (inBand === 0 && unlooked === 0) return [];
  const first = holes[states.indexOf('never')];
  const band = first?.band ?? null;
  return [
    {
      check: 'cable-unknown',
      unit: spec.id,
      severity: inBand > 0 ? 'stop' : 'look',
      station: 'wall',
      panels: [cabinet.hanging.wallHalf],
      inBand,
      unlooked,
      other: band?.thing ? (wall.things[band.thing]?.name ?? '') : band ? band.from : '',
      fixes: [{ label: { key: 'enter-looked' }, visit: 'wall' }],
    },
  ];
};

/** Bearing of cleat and spacer along the wall; null where nobody measured it. */
export function cabinetShims({ spec, cabinet, hang }: Pick<CheckContext, 'spec' | 'cabinet' | 'hang'>, face: WallFace | null): Shims | null {
  if (!face) return null;
  const { hanging } = cabinet;
  const { from, to } = wallHalfEnds(cabinet);
  const onWall = (mm: number): number => spec.place.along.nm + Math.round(mm * NM_PER.mm);
  return shimsFor(face, {
    left: onWall(from),
    right: onWall(to),
    studs: hang.studs.map(({ atMm }) => onWall(atMm)),
    cleatUp: spec.place.up.nm + hanging.valleyUp,
    spacerUp: spec.place.up.nm + hanging.standoffUp,
  });
}

const bowedWall: Check = (context) => {
  const { spec, cabinet } = context;
  const shims = cabinetShims(context, context.facts.face);
  if (!shims || shims.bow <= shims.allowed || spec.hanging.shimmed) return [];
  const thickest = Math.max(...[...shims.cleat, ...shims.spacer].map(({ thickness }) => thickness));
  return [
    {
      check: 'bowed-wall',
      unit: spec.id,
      severity: 'change',
      station: 'wall',
      panels: [cabinet.hanging.wallHalf],
      bowNm: shims.bow,
      allowedNm: shims.allowed,
      rackNm: shims.rack,
      fixes: [{ label: { key: 'shim-it', lengthNm: thickest }, edit: [{ path: inSpec(context, 'hanging', 'shimmed'), value: true }] }],
    },
  ];
};

const rails: Check = (context) => {
  const { spec, cabinet, wall, hangInput } = context;
  const fault = hangInput.railFault;
  const id = spec.hanging.wallRail;
  if (!fault || id === null) return [];
  const base = { unit: spec.id, severity: 'stop' as const, station: 'hang' as const, panels: [cabinet.hanging.wallHalf] };
  const off: Fix = { label: { key: 'own-wall-half' }, edit: [{ path: inSpec(context, 'hanging', 'wallRail'), value: null }] };
  const rail = wall.rails[id];
  if (!rail) return [{ ...base, check: 'rail-mismatch', rail: id, what: 'gone', fixes: [off] }];
  if (fault.kind === 'off') {
    const up = enteredFromNm(rail.up.nm - cabinet.hanging.valleyUp);
    const onto: Fix = { label: { key: 'hang-on-rail', lengthNm: up.nm }, edit: [{ path: inSpec(context, 'place', 'up'), value: up }] };
    return [{ ...base, check: 'off-rail', rail: rail.name, byNm: fault.by, fixes: [onto, off] }];
  }
  const same: Fix = {
    label: { key: 'as-the-rail', text: rail.name },
    edit: [
      { path: inSpec(context, 'hanging', 'stock'), value: rail.stock },
      { path: inSpec(context, 'hanging', 'boardWidth'), value: rail.boardWidth },
      { path: inSpec(context, 'hanging', 'bevelDeg'), value: rail.bevelDeg },
    ],
  };
  if (fault.kind === 'bevel')
    return [{ ...base, check: 'bevel-mismatch', rail: rail.name, bevelDeg: spec.hanging.bevelDeg, railDeg: rail.bevelDeg, fixes: [same, off] }];
  if (fault.kind === 'gone') return [];
  return [{ ...base, check: 'rail-mismatch', rail: rail.name, what: fault.kind, fixes: fault.kind === 'board' ? [same, off] : [off] }];
};

/** Tolerance of the distance between two rails for a cabinet with two cleats. [A] */
const PITCH_TOLERANCE = NM_PER.mm;

const railPitch: Check = (context) => {
  const { spec, cabinet, wall } = context;
  const pitch = spec.hanging.lowerCleat;
  if (!pitch || spec.hanging.wallRail === null) return [];
  const own = wall.rails[spec.hanging.wallRail];
  if (!own) return [];
  const apart = Object.values(wall.rails).flatMap((rail) => (rail.id !== own.id && rail.up.nm < own.up.nm ? [own.up.nm - rail.up.nm] : []));
  if (apart.some((distance) => Math.abs(distance - pitch.nm) <= PITCH_TOLERANCE)) return [];
  const nearest = apart.sort((a, b) => Math.abs(a - pitch.nm) - Math.abs(b - pitch.nm))[0];
  const maxMm = toMm(cabinet.outside.height.value) - 60;
  return [
    {
      check: 'rail-pitch',
      unit: spec.id,
      severity: 'change',
      station: 'wall',
      panels: [cabinet.hanging.cabinetHalf],
      moduleNm: pitch.nm,
      railsNm: nearest ?? null,
      fixes:
        nearest !== undefined && toMm(nearest as Length) <= maxMm
          ? [{ label: { key: 'cleat-pitch', lengthNm: nearest }, edit: [{ path: inSpec(context, 'hanging', 'lowerCleat'), value: enteredFromNm(nearest) }] }]
          : [{ label: { key: 'enter-wall' }, visit: 'wall' }],
    },
  ];
};

/** A second cleat stays within the cabinet's own height. */
const cleatBelow: Check = (context) => {
  const { spec, cabinet } = context;
  const { lower, valleyUp, shortFace } = cabinet.hanging;
  const pitch = spec.hanging.lowerCleat;
  if (!lower || !pitch) return [];
  const by = pitch.nm + shortFace - valleyUp;
  if (by <= 0) return [];
  const most = roundDown(toMm((valleyUp - shortFace) as Length), spec.unit);
  return [
    {
      check: 'cleat-below',
      unit: spec.id,
      severity: 'change',
      station: 'hang',
      panels: [lower.cabinetHalf, lower.wallHalf],
      byNm: by,
      fixes: most.nm > 0 ? [{ label: { key: 'cleat-pitch', lengthNm: most.nm }, edit: [{ path: inSpec(context, 'hanging', 'lowerCleat'), value: most }] }] : [],
    },
  ];
};

export const WALL_CHECKS: readonly Check[] = [cableUnknown, bowedWall, rails, railPitch, cleatBelow];
