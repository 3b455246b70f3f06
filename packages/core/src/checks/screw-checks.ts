/** Checks of screw lengths: long enough to hold, short enough not to come out. */
import { carrierOf } from '../hang/carrier-links.ts';
import { FULL_PENETRATION, MIN_PENETRATION } from '../hang/fasteners.ts';
import { capacitiesOf } from '../hang/load-path.ts';
import { groundOf } from '../hang/grounds.ts';
import { HINGE_PLATE } from '../hang/leaf-links.ts';
import { screwById, shortestAtLeast } from '../joints/screws.ts';
import { isFace, type Connection } from '../solid/connection.ts';
import { pocketReach } from '../joints/pockets.ts';
import { entered, type Entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { isLessMm } from '../length/same-size.ts';
import { STRUCTURES } from '../wall/structures.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import type { Finding, Fix } from './finding.ts';
import { MM_PER_INCH } from '../length/constants.ts';

/** Least distance of a tip from the far face. [ASSUME] */
export const TIP_COVER_MM = 3;

/** Least thread in a mate that carries no load. [ASSUME] */
const MIN_GRIP_MM = 12;

/** Least depth of brads in an edge. [ASSUME] */
const MIN_BRAD_GRIP_MM = 16;

/** Through rail and back into a cleat no thicker than they are: the true grip enters the strength; this only requires that it holds at all. [ASSUME] */
const MIN_CABINET_GRIP_MM = 10;

const fit = (context: CheckContext, lengthPath: string[], screwId: string, minMm: number): Fix[] => {
  const length = shortestAtLeast(screwById(screwId), minMm);
  return length ? [{ label: { key: 'use-screw-length', lengthNm: length.nm }, edit: [{ path: inSpec(context, ...lengthPath), value: length }] }] : [];
};

/** The longest stock length up to a limit. */
const longestUpTo = (screwId: string, maxMm: number): Entered | undefined =>
  screwById(screwId)
    .lengths.filter(({ nm }) => toMm(nm) <= maxMm)
    .at(-1);

const shorter = (context: CheckContext, lengthPath: string[], screwId: string, maxMm: number): Fix[] => {
  const length = longestUpTo(screwId, maxMm);
  return length ? [{ label: { key: 'use-screw-length', lengthNm: length.nm }, edit: [{ path: inSpec(context, ...lengthPath), value: length }] }] : [];
};

const wallScrew: Check = (context) => {
  const { spec, wall, cabinet } = context;
  const { screw, length } = spec.hanging.wallScrew;
  const { diameterMm } = screwById(screw);
  const layers = toMm(cabinet.hanging.cleatThickness) + toMm(cabinet.hanging.stripOff) + toMm(wall.covering.nm);
  const grip = toMm(length.nm) - layers;
  const base = { unit: spec.id, station: 'hang' as const, panels: [cabinet.hanging.wallHalf], where: 'stud' as const, lengthNm: length.nm };
  const ground = groundOf(wall);
  if (ground === 'anchors' || ground === 'moving') return [];
  const { minMm } = capacitiesOf(context.hangInput).wall;
  if (isLessMm(grip, minMm)) {
    return [
      {
        ...base,
        check: 'screw-too-short',
        severity: 'stop',
        gripMm: grip,
        wantedMm: minMm,
        fixes: fit(context, ['hanging', 'wallScrew', 'length'], screw, layers + Math.max(minMm, ground === 'timber' ? FULL_PENETRATION * diameterMm : 0)),
      },
    ];
  }
  if (!STRUCTURES[wall.structure].ribs) return [];
  const over = grip - (toMm(wall.studs.depth.nm) - TIP_COVER_MM);
  if (isLessMm(0, over))
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
  const { spec, cabinet } = context;
  const { screw, length, count } = spec.hanging.cabinetScrew;
  if (count === 0 || !cabinet.hanging.rip) return [];
  const back = cabinet.panels.find(({ role }) => role === 'back');
  const carrier = carrierOf(cabinet);
  // A rail lies on the back; any other carrier is all that the screws go through.
  const through = carrier?.role === 'hanging-rail' ? [carrier, back] : [carrier ?? back];
  const layers = through.reduce((sum, panel) => sum + (panel ? toMm(panel.thickness) : 0), 0);
  const cleat = toMm(cabinet.hanging.cleatThickness);
  const grip = toMm(length.nm) - layers;
  const base = { unit: spec.id, station: 'hang' as const, panels: [cabinet.hanging.cabinetHalf], where: 'cabinet-half' as const, lengthNm: length.nm };
  const path = ['hanging', 'cabinetScrew', 'length'];
  if (isLessMm(cleat - TIP_COVER_MM, grip))
    return [
      {
        ...base,
        check: 'screw-too-long',
        severity: 'stop',
        overMm: grip - cleat,
        fixes: shorter(context, path, screw, layers + cleat - TIP_COVER_MM),
      },
    ];
  if (isLessMm(grip, MIN_CABINET_GRIP_MM))
    return [
      {
        ...base,
        check: 'screw-too-short',
        severity: 'change',
        gripMm: grip,
        wantedMm: MIN_CABINET_GRIP_MM,
        fixes: fit(context, path, screw, layers + MIN_CABINET_GRIP_MM),
      },
    ];
  return [];
};

/** Joint fasteners, each by its own rule: a screw through a face, a pocket screw, a brad. Dowels have one length. */
const jointScrew: Check = (context) => {
  const { spec, cabinet } = context;
  const { perJoint, by, screw } = spec.assembly;
  if (perJoint === 0 || by === 'dowels') return [];
  const joined = cabinet.connections.filter(({ joint }) => joint.fastening?.screw === screw && joint.fastening.by === by && joint.kind !== 'laid');
  if (joined.length === 0) return [];
  if (by === 'pockets') return pocketScrew(context, joined);
  const { length } = spec.assembly;
  const hosts = [...new Set(joined.map(({ host }) => host))];
  const through = Math.max(...hosts.map((host) => toMm(cabinet.byId.get(host)!.thickness)));
  const grip = toMm(length.nm) - through;
  const wanted = by === 'brads' ? MIN_BRAD_GRIP_MM : Math.max(MIN_GRIP_MM, MIN_PENETRATION * screwById(screw).diameterMm);
  if (!isLessMm(grip, wanted)) return [];
  return [
    {
      check: 'screw-too-short',
      unit: spec.id,
      severity: 'change',
      station: 'box',
      where: by === 'brads' ? 'brad' : 'joint',
      lengthNm: length.nm,
      gripMm: grip,
      wantedMm: wanted,
      panels: hosts,
      fixes: by === 'brads' ? longerBrads(context, through + wanted) : fit(context, ['assembly', 'length'], screw, through + wanted),
    },
  ];
};

/** Brads come in steps of 5 mm, or an eighth of an inch. */
const longerBrads = (context: CheckContext, minMm: number): Fix[] => {
  const { unit } = context.spec;
  const length = entered(unit === 'mm' ? `${Math.ceil(minMm / 5) * 5} mm` : `${Math.ceil((minMm / MM_PER_INCH) * 8)}/8 in`);
  return [{ label: { key: 'use-screw-length', lengthNm: length.nm }, edit: [{ path: inSpec(context, 'assembly', 'length'), value: length }] }];
};

/** A pocket screw leaves the end of its part; it must neither fall short in the mate nor come out of it. */
function pocketScrew(context: CheckContext, joined: readonly Connection[]): Finding[] {
  const { spec, cabinet } = context;
  const { screw, length } = spec.assembly;
  const pairs = joined.map(({ guest, host, face }) => ({
    guest: toMm(cabinet.byId.get(guest)!.thickness),
    // Into an edge there is always enough wood.
    room: isFace(face) ? toMm(cabinet.byId.get(host)!.thickness) : Infinity,
  }));
  const [thickest, thinnest] = [Math.max(...pairs.map(({ guest }) => guest)), Math.min(...pairs.map(({ guest }) => guest))];
  const room = Math.min(...pairs.map((pair) => pair.room));
  const shortest = (mm: number): number => pocketReach(mm, thickest);
  const longest = (mm: number): number => pocketReach(mm, thinnest);
  const reach = shortest(toMm(length.nm));
  const over = longest(toMm(length.nm)) - room;
  const wanted = Math.min(MIN_GRIP_MM, room);
  if (!isLessMm(reach, wanted) && !isLessMm(0, over)) return [];
  const fitting = screwById(screw).lengths.filter(({ nm }) => shortest(toMm(nm)) >= wanted && longest(toMm(nm)) <= room);
  const best = fitting.at(-1);
  const base = {
    unit: spec.id,
    station: 'box' as const,
    where: 'pocket' as const,
    lengthNm: length.nm,
    panels: [...new Set(joined.map(({ host }) => host))],
    fixes: best
      ? [{ label: { key: 'use-screw-length' as const, lengthNm: best.nm }, edit: [{ path: inSpec(context, 'assembly', 'length'), value: best }] }]
      : [],
  };
  return isLessMm(0, over)
    ? [{ ...base, check: 'screw-too-long', severity: 'stop', overMm: over }]
    : [{ ...base, check: 'screw-too-short', severity: 'change', gripMm: Math.max(0, reach), wantedMm: wanted }];
}

/** Least distance of a short hinge screw from the far face. [ASSUME] */
const HINGE_COVER_MM = 1;

/** Hinge screws go into the faces of what they join: the thinnest governs. */
const hingeScrew: Check = (context) => {
  const { spec, cabinet } = context;
  const hinges = cabinet.hardware.find(({ kind, screws }) => kind === 'hinge' && screws);
  if (!hinges?.screws || !hinges.panel) return [];
  const gates = (cabinet.props ?? []).flatMap(({ ledger, hingeScrews, panels }) => [ledger, ...(hingeScrews ? panels : [])]);
  const thin = [hinges.panel, ...gates].map((id) => cabinet.byId.get(id)!).reduce((a, b) => (b.thickness < a.thickness ? b : a));
  const most = toMm(thin.thickness) + HINGE_PLATE.side - HINGE_COVER_MM;
  const { length } = hinges.screws;
  const over = toMm(length) - most;
  if (!isLessMm(0, over)) return [];
  const shortest = spec.unit === 'mm' ? entered(`${Math.floor(most)} mm`) : entered(`${Math.floor(most / 3.175) / 8} in`);
  return [
    {
      check: 'screw-too-long',
      where: 'hinge',
      unit: spec.id,
      severity: 'stop',
      station: 'box',
      lengthNm: length,
      overMm: over,
      panels: [thin.id],
      // Shorter than box lengths of the kind: screws that come with hinges are.
      fixes: [{ label: { key: 'use-screw-length', lengthNm: shortest.nm }, edit: [{ path: inSpec(context, 'hingeScrew', 'length'), value: shortest }] }],
    },
  ];
};

export const SCREW_CHECKS: readonly Check[] = [wallScrew, cabinetScrew, jointScrew, hingeScrew];
