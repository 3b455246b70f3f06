/**
 * The load cases of a cabinet, each followed along the whole load path: empty, filled, everything open, each leaf open alone, overfilled, masses
 * underestimated, someone leaning, a child on a door. The case nearest to a limit governs. Source: docs/formulas/load-cases.md, hanging-verdict.md; moving
 * walls: docs/formulas/moving-walls.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { toMm } from '../length/length.ts';
import type { MovingPart } from '../parts/opened.ts';
import { contentsMass, guessedMass, loadedCabinet, type Load } from '../parts/weights.ts';
import type { Label } from '../explained/explained-length.ts';
import { evaluate, formula, termOf, total, type ExplainedValue } from '../explained/explained-value.ts';
import { atWall, capacitiesOf, loadPathOf, unpressedLoad, type AtWall, type LoadPath, type LoadState } from './load-path.ts';
import { climbing } from './climbing.ts';
import { groundOf } from './grounds.ts';
import type { HangInput } from './hang-input.ts';
import { nearnessToLimit, type PartialLoadKind } from './link.ts';
import { partialLoads } from './partial-loads.ts';
import { atEnd } from './uncertainty.ts';
import { WEIGHT } from './statics.ts';
import { MOVING, PLANE_LOAD } from './two-planes.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

export type CaseId = 'empty' | 'closed' | 'open' | 'one-open' | PartialLoadKind | 'fuller' | 'guessed' | 'leaning' | 'pulling' | 'on-door';

export interface LoadCase {
  readonly id: string;
  readonly kind: CaseId;
  /** What is open or hung on, where the case is about one part. */
  readonly of: Label | null;
  /** The load of the case and its position, with the sums of its mass and of its center from the wall. */
  readonly load: Load;
  /** The link nearest to its limit, as a share of it. */
  readonly weakest: { readonly name: Label; readonly share: number; readonly figure: ExplainedValue } | null;
  /** Whether it counts in the verdict: leaning and hanging on a door are cautions unless children reach the cabinet. */
  readonly judged: boolean;
}

export interface LoadCases {
  readonly cases: readonly LoadCase[];
  /** The counted case nearest to a limit; null where no link is computed. */
  readonly governing: string | null;
  /** Unweighed contents, kg. */
  readonly guessedKg: number;
}

/** Overfilling factor on the planned contents. [ASSUME] */
export const FULLER = ASSUMED.fuller.value;
/** A child on the free edge of a door, N. [ASSUME] */
export const ON_DOOR_N = ASSUMED.onDoor.value;
/** At most this many leaves of a long run are opened one by one. */
const MAX_ALONE = 8;

/** Every load case that applies to this cabinet. */
export function loadCases(input: HangInput): LoadCases {
  const { weights, cabinet } = input;
  const { openings } = capacitiesOf(input);
  const held = contentsMass(weights);
  const guessedKg = guessedMass(weights);
  const cases: LoadCase[] = [];
  const add = (kind: CaseId, state: LoadState, of: Label | null = null, judged = true): void => {
    const id = of ? `${kind}-${of.key}-${of.of ?? ''}-${cases.length}` : kind;
    cases.push(caseOf(id, kind, of, loadPathOf(input, unpressedLoad(input, state), state), judged));
  };
  const low = atEnd(input, 'low');
  add('empty', { factor: 0, open: [] });
  if (held > 0) {
    add('closed', { factor: 1, open: [] });
    if (openings.length > 0) add('open', { factor: 1, open: openings });
    if (openings.length > 1) for (const each of openings.slice(0, MAX_ALONE)) add('one-open', { factor: 1, open: [each] }, each.name);
    const full = { factor: 1, open: openings };
    for (const { kind, load } of partialLoads(input, unpressedLoad(input, full), 1, openings))
      if (!cases.some((known) => isSameLoad(known.load, load)))
        cases.push(caseOf(`${kind}-${cases.length}`, kind, null, worstFirst(atWall(input, load, capacitiesOf(input))), true));
    const heavy = { factor: 1, open: capacitiesOf(low).openings };
    cases.push(caseOf('guessed', 'guessed', null, loadPathOf(low, unpressedLoad(low, heavy), heavy), true));
    add('fuller', { factor: FULLER, open: openings }, null, false);
  }
  const full: LoadState = { factor: 1, open: openings };
  const unpressed = unpressedLoad(input, full);
  if (loadPathOf(input, unpressed, full).studs.length > 0) cases.push(...byHand(input, unpressed));
  const doors = openings.filter(({ floor }) => floor === null);
  const door = doors.reduce<MovingPart | undefined>((far, each) => (far && far.shift.out >= each.shift.out ? far : each), undefined);
  if (door) {
    const hung = onDoor(unpressed, door, toMm(cabinet.outside.depth.value));
    cases.push(caseOf('on-door', 'on-door', door.name, loadPathOf(input, hung, full), false));
  }
  const worst = cases
    .filter(({ judged, weakest }) => judged && weakest)
    .reduce<LoadCase | undefined>((a, b) => (a && a.weakest!.share >= b.weakest!.share ? a : b), undefined);
  return { cases, governing: worst?.id ?? null, guessedKg };
}

/** Equal within the accuracy of a scale and a rule. */
const isSameLoad = (a: Load, b: Load): boolean =>
  Math.abs(a.mass.value - b.mass.value) < 0.01 && Math.abs(a.out - b.out) < 0.1 && Math.abs(a.along - b.along) < 0.1;

const worstFirst = ({ loaded, links }: AtWall): Pick<LoadPath, 'loaded' | 'links'> => ({
  loaded,
  links: [...links].sort((a, b) => nearnessToLimit(b) - nearnessToLimit(a)),
});

function caseOf(id: string, kind: CaseId, of: Label | null, { loaded, links }: Pick<LoadPath, 'loaded' | 'links'>, judged: boolean): LoadCase {
  const first = links[0];
  return {
    id,
    kind,
    of,
    load: loaded,
    weakest: first ? { name: first.name, share: nearnessToLimit(first), figure: first.use } : null,
    judged,
  };
}

/** Someone leans on the front edge or pulls at the bottom, with its own load duration. */
function byHand(input: HangInput, unpressed: Load): LoadCase[] {
  const leant = climbing(input, unpressed);
  const base = { of: null, load: unpressed, judged: false };
  const tips = leant.tip && leant.tip.value > leant.screws.value;
  return [
    {
      ...base,
      id: 'leaning',
      kind: 'leaning',
      weakest: tips
        ? { name: { key: 'link-tip' }, share: leant.tip.value, figure: leant.tip }
        : { name: { key: 'wall-screws' }, share: leant.screws.value, figure: leant.screws },
    },
    {
      ...base,
      id: 'pulling',
      kind: 'pulling',
      weakest: { name: { key: leant.tip ? 'link-tip' : 'wall-screws' }, share: leant.pull.value, figure: leant.pull },
    },
  ];
}

const HUNG_CENTRE = formula({
  label: 'hung-centre',
  unit: 'mm',
  text: '(W e + 250 N · edge) / (W + 250 N)',
  source: '[ASSUME] docs/formulas/load-cases.md',
  terms: { W: 'N', e: 'mm', edge: 'mm' },
  compute: ({ W, e, edge }) => (W * e + ON_DOOR_N * edge) / (W + ON_DOOR_N),
});

/** A child hangs on the free edge of an open door, as far out as the door is wide. */
function onDoor(load: Load, door: MovingPart, depthMm: number): Load {
  const kg = ON_DOOR_N / STANDARD_GRAVITY;
  const edge = depthMm + 2 * door.shift.out;
  const out = evaluate(HUNG_CENTRE, { W: evaluate(WEIGHT, { m: load.mass }), e: load.outFigure ?? load.out, edge });
  const mass = load.mass.value;
  return {
    mass: total('pressed-mass', 'kg', [termOf(load.mass), { symbol: '', label: { key: 'on-door' }, value: kg, unit: 'kg' }], 'docs/formulas/load-cases.md'),
    along: (mass * load.along + kg * (load.along + door.shift.along)) / (mass + kg),
    up: load.up,
    out: out.value,
    outFigure: out,
  };
}

export interface MovingCase {
  readonly key: (typeof MOVING)[number]['key'];
  /** Load that each of two planes must carry alone, N. */
  readonly plane: ExplainedValue;
  /** Nothing prevents lifting off the hook. */
  readonly unhooks: boolean;
}

/** Only for a moving wall: the load on each of two planes; crash loads are for the vehicle's certifier. */
export function movingCases(input: HangInput): MovingCase[] {
  if (groundOf(input.wall) !== 'moving') return [];
  const W = evaluate(WEIGHT, { m: loadedCabinet(input.weights).mass });
  return MOVING.map(({ key, ways, up }) => ({ key, plane: evaluate(PLANE_LOAD, { W, ways, up }), unhooks: up <= 0 }));
}
