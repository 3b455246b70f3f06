/** Checks of screws against what they go through: long enough to hold, short enough not to come out. */
import { carrierOf } from '../hang/carrier-links.ts';
import { FULL_PENETRATION, LEAST_PENETRATION } from '../hang/fasteners.ts';
import { capacitiesOf } from '../hang/chain.ts';
import { groundOf } from '../hang/grounds.ts';
import { screwById, shortestAtLeast } from '../joints/screws.ts';
import type { Entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { STRUCTURES } from '../wall/structures.ts';
import { inUnit, type Check, type CheckContext } from './context.ts';
import type { Fix } from './finding.ts';

/** A tip may come this near to the far face. [ASSUME] */
const TIP_COVER_MM = 3;

/** Thread wanted in a mate that carries nothing. [ASSUME] */
const LEAST_GRIP_MM = 12;

/** Through rail and back into a cleat no thicker than they are: the true grip enters the strength, this only says it holds at all. [ASSUME] */
const LEAST_CABINET_GRIP_MM = 10;

const fit = (context: CheckContext, lengthPath: string[], screwId: string, leastMm: number): Fix[] => {
  const length = shortestAtLeast(screwById(screwId), leastMm);
  return length ? [{ label: { key: 'use-screw-length', lengthNm: length.nm }, edit: [{ path: inUnit(context, ...lengthPath), value: length }] }] : [];
};

/** The longest stock length up to a limit. */
const longestUpTo = (screwId: string, mostMm: number): Entered | undefined =>
  screwById(screwId)
    .lengths.filter(({ nm }) => toMm(nm) <= mostMm)
    .at(-1);

const shorter = (context: CheckContext, lengthPath: string[], screwId: string, mostMm: number): Fix[] => {
  const length = longestUpTo(screwId, mostMm);
  return length ? [{ label: { key: 'use-screw-length', lengthNm: length.nm }, edit: [{ path: inUnit(context, ...lengthPath), value: length }] }] : [];
};

const wallScrew: Check = (context) => {
  const { box, wall, unit } = context;
  const { screw, length } = box.hanging.wallScrew;
  const { diameterMm } = screwById(screw);
  const layers = toMm(unit.hanging.cleatThickness) + toMm(unit.hanging.stripOff) + toMm(wall.covering.nm);
  const grip = toMm(length.nm) - layers;
  const base = { unit: box.id, station: 'hang' as const, panels: [unit.hanging.wallHalf], where: 'stud' as const, lengthNm: length.nm };
  const ground = groundOf(wall);
  if (ground === 'anchors' || ground === 'moving') return [];
  const { leastMm } = capacitiesOf(context.hangInput).wall;
  if (grip < leastMm) {
    return [
      {
        ...base,
        check: 'screw-too-short',
        severity: 'stop',
        gripMm: grip,
        wantedMm: leastMm,
        fixes: fit(context, ['hanging', 'wallScrew', 'length'], screw, layers + Math.max(leastMm, ground === 'timber' ? FULL_PENETRATION * diameterMm : 0)),
      },
    ];
  }
  if (!STRUCTURES[wall.structure].ribs) return [];
  const over = grip - (toMm(wall.studs.depth.nm) - TIP_COVER_MM);
  if (over > 0)
    return [
      {
        ...base,
        check: 'screw-too-long',
        severity: 'stop',
        overMm: over,
        fixes: shorter(context, ['hanging', 'wallScrew', 'length'], screw, layers + toMm(wall.studs.depth.nm) - TIP_COVER_MM),
      },
    ];
  return [];
};

const cabinetScrew: Check = (context) => {
  const { box, unit } = context;
  const { screw, length, count } = box.hanging.cabinetScrew;
  if (count === 0 || !unit.hanging.rip) return [];
  const back = unit.panels.find(({ role }) => role === 'back');
  const carrier = carrierOf(unit);
  // A rail lies on the back; any other carrier is what the screws go through first and last.
  const through = carrier?.role === 'hanging-rail' ? [carrier, back] : [carrier ?? back];
  const layers = through.reduce((sum, panel) => sum + (panel ? toMm(panel.thickness) : 0), 0);
  const cleat = toMm(unit.hanging.cleatThickness);
  const grip = toMm(length.nm) - layers;
  const base = { unit: box.id, station: 'hang' as const, panels: [unit.hanging.cabinetHalf], where: 'cabinet-half' as const, lengthNm: length.nm };
  const path = ['hanging', 'cabinetScrew', 'length'];
  if (grip > cleat - TIP_COVER_MM)
    return [
      {
        ...base,
        check: 'screw-too-long',
        severity: 'stop',
        overMm: grip - (cleat - TIP_COVER_MM),
        fixes: shorter(context, path, screw, layers + cleat - TIP_COVER_MM),
      },
    ];
  if (grip < LEAST_CABINET_GRIP_MM)
    return [
      {
        ...base,
        check: 'screw-too-short',
        severity: 'change',
        gripMm: grip,
        wantedMm: LEAST_CABINET_GRIP_MM,
        fixes: fit(context, path, screw, layers + LEAST_CABINET_GRIP_MM),
      },
    ];
  return [];
};

const jointScrew: Check = (context) => {
  const { box, unit } = context;
  const { perJoint, screw, length } = box.assembly;
  if (perJoint === 0) return [];
  const joined = unit.meetings.filter(({ joint }) => joint.fastening?.screw === screw && joint.kind !== 'laid');
  if (joined.length === 0) return [];
  const hosts = [...new Set(joined.map(({ host }) => host))];
  const through = Math.max(...hosts.map((host) => toMm(unit.byId.get(host)!.thickness)));
  const grip = toMm(length.nm) - through;
  const wanted = Math.max(LEAST_GRIP_MM, LEAST_PENETRATION * screwById(screw).diameterMm);
  if (grip >= wanted) return [];
  return [
    {
      check: 'screw-too-short',
      unit: box.id,
      severity: 'change',
      station: 'box',
      where: 'joint',
      lengthNm: length.nm,
      gripMm: grip,
      wantedMm: wanted,
      panels: hosts,
      fixes: fit(context, ['assembly', 'length'], screw, through + wanted),
    },
  ];
};

export const SCREW_CHECKS: readonly Check[] = [wallScrew, cabinetScrew, jointScrew];
