/**
 * Checks of what a cabinet is fixed to: studs, anchors, plates, the two planes of a moving wall. Rules: docs/checks.md, docs/formulas/other-grounds.md,
 * two-planes.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { boundToStuds, groundOf, MAX_ON_ANCHORS_KG } from '../hang/grounds.ts';
import { heldByTwoPlanes } from '../hang/two-planes.ts';
import { besideMiddle } from '../hang/stud-edge.ts';
import { minFromEndMm, wallHalfEnds } from '../hang/wall-links.ts';
import { screwById } from '../joints/screws.ts';
import { entered } from '../length/entered.ts';
import { NM_PER, toMm } from '../length/length.ts';
import { isLessMm } from '../length/same-size.ts';
import { STRUCTURES } from '../wall/structures.ts';
import { countedStuds, studsKnown } from '../wall/studs.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import type { Finding, Fix } from './finding.ts';
import { roundDown, roundUp } from './round.ts';
import { moveOverStuds, runOn } from './strengthen.ts';

const studs: Check = (context) => {
  const { spec, wall, hang, cabinet } = context;
  const base = { unit: spec.id, severity: 'stop' as const, station: 'hang' as const, panels: [cabinet.hanging.wallHalf] };
  if (groundOf(wall) === 'moving') return [movingWall(context)];
  if (!boundToStuds(wall)) return [];
  if (!studsKnown(wall)) return [{ ...base, check: 'no-stud-anchors', fixes: [{ label: { key: 'enter-studs' }, visit: 'wall' }] }];
  if (!hang.refusals.some(({ kind }) => kind === 'too-few-studs')) return [];
  return [{ ...base, check: 'few-studs', studs: hang.studs.length, fixes: [...moveOverStuds(context), ...runOn(context)] }];
};

/** In a vehicle: computed when bolted to two planes, otherwise not to be hung. */
function movingWall(context: CheckContext): Finding {
  const { spec, wall, cabinet } = context;
  const bolted = heldByTwoPlanes(cabinet, wall);
  const boltable = wall.structure === 'vehicle' && !bolted && (spec.hanging.rail !== null || spec.hanging.kind === 'through') && spec.hanging.wallRail === null;
  const second = spec.hanging.second ?? { plane: 'bottom', count: 4, ratedN: 0 };
  return {
    check: 'moving-wall',
    unit: spec.id,
    severity: bolted ? 'look' : 'stop',
    station: 'hang',
    structure: STRUCTURES[wall.structure].name,
    bolted,
    panels: [cabinet.hanging.wallHalf],
    fixes: [
      ...(boltable
        ? [
            {
              label: { key: 'bolt-two-planes' as const },
              edit: [
                { path: inSpec(context, 'hanging', 'kind'), value: 'through' },
                { path: inSpec(context, 'hanging', 'second'), value: second },
              ],
            },
          ]
        : []),
      { label: { key: 'enter-wall' }, visit: 'wall' as const, field: 'wall.structure' },
    ],
  };
}

/** Missing maker's ratings; plates on ground they do not cover. */
const ratings: Check = ({ spec, wall, hang, cabinet }) => {
  const base = { unit: spec.id, severity: 'stop' as const, station: 'hang' as const, panels: [cabinet.hanging.wallHalf] };
  return hang.refusals.flatMap((reason): Finding[] => {
    switch (reason.kind) {
      case 'unrated-plate':
        return [
          { ...base, check: 'unrated-fixing', what: 'plate', fixes: [{ label: { key: 'enter-rating' }, visit: 'hang', field: 'hanging.plate.ratedKg' }] },
        ];
      case 'unrated-plane':
        return [
          {
            ...base,
            check: 'unrated-fixing',
            what: reason.plane === 'back' ? 'back-plane' : 'second-plane',
            fixes: [
              reason.plane === 'back'
                ? { label: { key: 'enter-rating' }, visit: 'wall', field: wall.fixing.pullN === null ? 'wall.fixing.pullN' : 'wall.fixing.shearN' }
                : { label: { key: 'enter-rating' }, visit: 'hang', field: 'hanging.second.ratedN' },
            ],
          },
        ];
      case 'plates-ground':
        return [
          {
            ...base,
            check: 'plates-ground',
            ground: reason.ground === 'metal' ? 'metal studs' : 'wallboard alone',
            fixes: [{ label: { key: 'hang-on-cleat' }, edit: [{ path: ['units', spec.id, 'hanging', 'kind'], value: 'outside' }] }],
          },
        ];
      default:
        return [];
    }
  });
};

/** Unrated anchors, and cabinets too heavy for anchors or light metal studs. */
const ground: Check = (context) => {
  const { spec, wall, hang, cabinet } = context;
  const unrated = hang.refusals.some(({ kind }) => kind === 'unrated-anchor');
  const heavy = hang.refusals.find(({ kind }) => kind === 'ground-too-light');
  if (!unrated && !heavy) return [];
  const limitKg = heavy?.kind === 'ground-too-light' ? heavy.limitKg : MAX_ON_ANCHORS_KG;
  const anchors = groundOf(wall) === 'anchors';
  return [
    {
      check: 'ground',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      why: unrated ? 'unrated' : 'too-heavy',
      ground: anchors ? 'anchors' : 'metal',
      kg: hang.loaded.mass.value,
      limitKg,
      panels: [cabinet.hanging.wallHalf],
      fixes: [
        ...(anchors ? [{ label: { key: 'fix-to-studs' as const }, edit: [{ path: ['wall', 'fixing', 'into'], value: 'ground' }] }] : []),
        { label: { key: 'enter-rating' }, visit: 'wall', field: anchors ? 'wall.fixing.pullN' : 'wall.fixing.metal' },
      ],
    },
  ];
};

/** Screws too close to the edges of a stud: fewer per row, where a single one keeps its distance. */
const studEdge: Check = (context) => {
  const { spec, wall, hang, cabinet } = context;
  const reason = hang.refusals.find(({ kind }) => kind === 'stud-edge');
  if (reason?.kind !== 'stud-edge') return [];
  return [
    {
      check: 'stud-edge',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      hasMm: reason.hasMm,
      wantedMm: reason.wantedMm,
      studNm: wall.studs.width.nm,
      panels: [cabinet.hanging.wallHalf],
      fixes: reason.fitsOne ? [oneInRow(context)] : [{ label: { key: 'enter-studs' }, visit: 'wall', field: 'wall.studs.width' }],
    },
  ];
};

function oneInRow(context: CheckContext): Fix {
  const { upper, lower } = context.spec.hanging.wallScrew;
  return {
    label: { key: 'one-in-row' },
    edit: [
      { path: inSpec(context, 'hanging', 'wallScrew', 'upper'), value: Math.min(1, upper) },
      { path: inSpec(context, 'hanging', 'wallScrew', 'lower'), value: Math.min(1, lower) },
    ],
  };
}

/** Two plugs of one row that count as one. */
const plugsClose: Check = (context) => {
  const { spec, wall, cabinet } = context;
  const { wallScrew, plate } = cabinet.hanging;
  if (groundOf(wall) !== 'masonry' || plate || Math.max(wallScrew.upper, wallScrew.lower) < 2) return [];
  const apartMm = 2 * Math.max(...besideMiddle(2, screwById(wallScrew.screw).diameterMm, null));
  return [
    {
      check: 'plugs-close',
      unit: spec.id,
      severity: 'look',
      station: 'hang',
      apartMm,
      wantedMm: PLUGS_APART * Number.parseInt(wall.fixing.plug, 10),
      panels: [cabinet.hanging.wallHalf],
      fixes: [oneInRow(context)],
    },
  ];
};
const PLUGS_APART = ASSUMED.plugsApart.value;

/** A stud behind the wall cleat that does not count, because its screws would be too close to the cleat's end. */
const studByEnd: Check = (context) => {
  const { spec, wall, cabinet, hangInput } = context;
  if (!boundToStuds(wall) || !cabinet.hanging.rip || cabinet.hanging.onRail) return [];
  const { from, to } = wallHalfEnds(cabinet);
  const wantedMm = minFromEndMm(cabinet);
  const near = (['left', 'right'] as const).flatMap((side) =>
    hangInput.studsMm.map((at) => ({ side, hasMm: side === 'left' ? at - from : to - at })).filter(({ hasMm }) => hasMm >= 0 && isLessMm(hasMm, wantedMm)),
  );
  return near.slice(0, 1).map(({ side, hasMm }) => ({
    check: 'stud-by-end' as const,
    unit: spec.id,
    severity: 'look' as const,
    station: 'hang' as const,
    side,
    hasMm,
    wantedMm,
    panels: [cabinet.hanging.wallHalf],
    fixes: spec.hanging.kind === 'outside' ? [longerBy(context, side, wantedMm - hasMm)] : [],
  }));
};

/** Extends one end of the wall cleat, past the side where necessary. */
function longerBy({ spec }: CheckContext, side: 'left' | 'right', byMm: number): Fix {
  const edge = side === 'left' ? 'leftInset' : 'rightInset';
  const inset = toMm(spec.hanging[edge].nm) - byMm;
  const reach = inset >= 0 ? roundDown(inset, spec.unit) : roundUp(-inset, spec.unit);
  return {
    label: { key: inset >= 0 ? (side === 'left' ? 'inset-left' : 'inset-right') : side === 'left' ? 'run-on-left' : 'run-on-right', lengthNm: reach.nm },
    edit: [{ path: ['units', spec.id, 'hanging', edge], value: inset >= 0 ? reach : entered(`-${reach.text}`) }],
  };
}

/** Marks on the wall that this cabinet counts as one stud. */
const marksClose: Check = ({ spec, wall, hang, cabinet }) => {
  if (!boundToStuds(wall)) return [];
  const behind = new Set(hang.studs.map(({ atMm }) => Math.round(atMm * NM_PER.mm) + spec.place.along.nm));
  const close = countedStuds(wall).find(({ at, marks }) => marks.length > 1 && behind.has(at));
  if (!close) return [];
  return [
    {
      check: 'marks-close',
      unit: spec.id,
      severity: 'look',
      station: 'wall',
      marks: close.marks.length,
      apartNm: close.marks.at(-1)!.at - close.marks[0]!.at,
      panels: [cabinet.hanging.wallHalf],
      fixes: [{ label: { key: 'enter-studs' }, visit: 'wall' }],
    },
  ];
};

export const GROUND_CHECKS: readonly Check[] = [studs, ratings, ground, studEdge, plugsClose, studByEnd, marksClose];
