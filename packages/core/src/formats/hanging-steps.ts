/**
 * The steps of a hanging, in order: survey, mark, drill, fix, empty, lift, check, correct, lock, load. Every number in them is the plan's. Order of work:
 * docs/at-the-wall.md.
 */
import { aloneLimitKg } from '../checks/hang-checks.ts';
import { bothMasses, fineText, lengthText, massText } from '../checks/words/amounts.ts';
import { labelWords } from '../checks/words/labels.ts';
import { groundOf } from '../hang/grounds.ts';
import { wallHalfEnds } from '../hang/wall-links.ts';
import { hangingHoles, lowerBy, type Boring, type HangingHoles, type WallHole } from '../hang/holes.ts';
import { screwById } from '../joints/screws.ts';
import { roundToNm, type DisplayUnit, type Length } from '../length/length.ts';
import { looseKg } from '../parts/opened.ts';
import type { CabinetPlan } from '../planner/plan.ts';
import { LIFT_MARGIN_MM } from '../solid/hanging.ts';
import { hangsOnCleat } from '../solid/cabinet.ts';
import type { Wall } from '../model/wall.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import type { Workshop } from '../model/workshop.ts';

export interface HangingStep {
  readonly id:
    'look' | 'line' | 'studs' | 'bore' | 'strip' | 'cabinet-half' | 'empty' | 'prop' | 'join' | 'lift' | 'second' | 'check' | 'correct' | 'lock' | 'load';
  readonly title: string;
  readonly says: readonly string[];
  /** Hazards, at the step they belong to. */
  readonly caution: string | null;
}

export interface HangingSummary {
  readonly holes: HangingHoles;
  readonly steps: readonly HangingStep[];
  /** Lifted weight: bare, and with doors, drawers and shelves. */
  readonly bareKg: number;
  readonly emptyKg: number;
  /** Above the limit for one person. */
  readonly helper: boolean;
}

/** All steps of a cabinet's hanging. `beside`: neighbors it is joined to first. */
export function hangingSummary(
  plan: CabinetPlan,
  spec: CabinetSpec,
  wall: Wall,
  workshop: Pick<Workshop, 'shop'>,
  unit: DisplayUnit,
  beside: readonly string[] = [],
): HangingSummary {
  const holes = hangingHoles({ cabinet: plan.cabinet, hang: plan.hang, wall, at: spec.place, seating: plan.seating.lower });
  const emptyKg = plan.weights.empty.mass.value;
  const bareKg = emptyKg - looseKg(plan.cabinet, plan.weights);
  const limit = aloneLimitKg(plan.cabinet, workshop);
  const input = { plan, spec, wall, unit, holes, bareKg, emptyKg, helper: bareKg > limit, limit, beside };
  const { hanging } = plan.cabinet;
  const steps = hangsOnCleat(hanging) ? cleatSteps(input) : hanging.plate ? plateSteps(input) : screwedSteps(input);
  return { holes, steps, bareKg, emptyKg, helper: input.helper };
}

interface StepInput {
  readonly plan: CabinetPlan;
  readonly spec: CabinetSpec;
  readonly wall: Wall;
  readonly unit: DisplayUnit;
  readonly holes: HangingHoles;
  readonly bareKg: number;
  readonly emptyKg: number;
  readonly helper: boolean;
  readonly limit: number;
  readonly beside: readonly string[];
}

const step = (id: HangingStep['id'], title: string, says: readonly (string | false)[], caution: string | null = null): HangingStep => ({
  id,
  title,
  says: says.filter((line): line is string => line !== false),
  caution,
});

function cleatSteps(input: StepInput): HangingStep[] {
  const { plan, unit, holes } = input;
  const { hanging } = plan.cabinet;
  const length = (nm: number): string => lengthText(nm, unit);
  const lift = roundToNm(hanging.rip!.engagement.value + LIFT_MARGIN_MM);
  const { carcass } = holes;
  const below = lowerBy(plan.cabinet);
  return [
    ...looked(input),
    hanging.onRail
      ? step('line', 'The rail', ['It hangs on a rail of the wall: the rail is on the wall first, level, in as many studs as it passes.'])
      : step('line', 'Level the line', [
          `Mark a level line ${length(holes.strip.foot.value)} above the floor: the lower edge of the wall half.`,
          plan.seating.lower !== 0 &&
            `It is ${fineText(Math.abs(plan.seating.lower), unit)} ${plan.seating.lower > 0 ? 'higher' : 'lower'} than drawn, because halves here settle by as much.`,
          below !== null &&
            `A second line ${length(below)} below it, ${length((holes.strip.foot.value - below) as Length)} above the floor: the lower edge of the lower wall half.`,
        ]),
    studsStep(input),
    boreStep(input, 'wall half'),
    ...(hanging.onRail
      ? []
      : [
          step(
            'strip',
            'Screw the wall half on',
            [
              'Bevel up, and its point away from the wall: the bevel and the wall make a pocket that opens upwards.',
              hanging.notch !== null &&
                `Its lower edge is notched ${length(hanging.notch.to - hanging.notch.from)} long and ${length(hanging.notch.depth)} deep, from ${length(hanging.notch.from - roundToNm(wallHalfEnds(plan.cabinet).from))} from its left end.`,
              `One screw at each end, a level on it, then all ${holes.wall.filter(({ kind }) => kind === 'strip').length}.`,
              below !== null &&
                `The lower wall half on its own line the same way, all ${holes.wall.filter(({ kind }) => kind === 'lower').length} screws: it may come to carry everything.`,
            ],
            'A screw that spins or strips counts as none: move up a size, or beside.',
          ),
        ]),
    ...(carcass.length > 0
      ? [
          step('cabinet-half', below === null ? 'Screw the cabinet half to the cabinet' : 'Screw both cabinet halves to the cabinet', [
            hanging.brackets.length > 1 &&
              `Crosscut it into ${hanging.brackets.length} brackets of ${length(plan.cabinet.byId.get(hanging.cabinetHalf)!.length.value)}, one flush with each end; all against one straight edge, or one of them carries alone.`,
            ...carcass.map(
              ({ panel, fromLeft, below }) =>
                `Point down, flat side on the cabinet's back: ${fromLeft.length} screws from inside through the ${partName(plan, panel)}, ${length(below)} below its upper edge, at ${fromLeft.map(length).join(', ')} from its left end.`,
            ),
            boringWords(holes.carcassBoring!, unit),
          ]),
        ]
      : []),
    emptyStep(input),
    ...joinStep(input),
    propStep(input, `${length((input.spec.place.up.nm - roundToNm(10)) as Length)} above the floor, a finger's breadth under where its bottom comes`),
    step(
      'lift',
      'Lift it on',
      [
        `Hold it to the wall ${length(lift)} above where it comes to rest, let it down until the points have gone behind one another, and hear both ends seat.`,
        `Above it ${length(lift)} must be free.`,
      ],
      'Fingers never between cabinet and wall.',
    ),
    step('check', 'Look, and measure', [
      `Level on the top, plumb down the front; its bottom was asked for at ${length(input.spec.place.up.nm)}. Enter what it came to: the next line follows.`,
      hanging.standoff === 'spacer' && `The ${fineText(hanging.spacerThickness, unit)} spacer bears on the wall along its whole length.`,
    ]),
    step('correct', 'Take it down and put it right', [
      'Lift it off the same way. A wall half a hair off is turned about its middle screw; a bow is shimmed behind the cleat and the spacer alike. Hang it again.',
    ]),
    ...lockStep(input),
    loadStep(input),
  ];
}

function screwedSteps(input: StepInput): HangingStep[] {
  const { plan, unit, holes, spec } = input;
  const length = (nm: number): string => lengthText(nm, unit);
  const name = partName(plan, plan.cabinet.hanging.wallHalf);
  return [
    ...looked(input),
    step('line', 'Level the line', [`Mark a level line ${length(spec.place.up.nm)} above the floor: the cabinet's bottom.`]),
    studsStep(input),
    boreStep(input, name),
    emptyStep(input),
    ...joinStep(input),
    propStep(input, `${length(spec.place.up.nm)} above the floor: its bottom stands on it while it is screwed`),
    step('lift', 'Lift it to the line', [
      `Up to the line and against the wall; one screw through the ${name} into a stud near the middle, then level, then all ${holes.wall.length}.`,
    ]),
    ...secondStep(input),
    step('check', 'Look', [
      'Level on the top, plumb down the front, doors hang even. Where the wall bows, shims behind it at every stud before the screws are drawn up.',
    ]),
    loadStep(input),
  ];
}

function plateSteps(input: StepInput): HangingStep[] {
  const { plan, unit, holes, spec } = input;
  const length = (nm: number): string => lengthText(nm, unit);
  const { hanging } = plan.cabinet;
  const heads = holes.wall.filter(({ kind }) => kind === 'strip');
  const up = heads[0]?.up ?? spec.place.up.nm;
  const below = (hanging.shortFace - (heads[0]?.above ?? 0)) as Length;
  const name = partName(plan, hanging.wallHalf);
  return [
    ...looked(input),
    step('studs', 'Carry the studs over', [
      `Screws go in at ${heads.map(({ along }) => length(along)).join(', ')} from the wall's left end: that is ${heads.map(({ fromLeft }) => length(fromLeft)).join(', ')} from the left end of the ${name}.`,
    ]),
    step('strip', 'Let the plates in', [
      `${heads.length} plates over those places, ${length(below)} below the upper edge of the ${name}, flush with its back, the narrow end of each slot up.`,
      'Behind each slot a pocket for the head. Its own screws reach the wood behind, never a thin back alone.',
    ]),
    step('line', 'Level the line', [`Mark a level line ${length(up)} above the floor: the screws stand on it.`]),
    step('bore', 'Set the screws', [
      boringWords(holes.wallBoring, unit),
      `Each head stands ${fineText(hanging.plate!.proud, unit)} off the wall: try every one with a loose plate.`,
    ]),
    emptyStep(input),
    ...joinStep(input),
    step(
      'lift',
      'Lift it on',
      ['The wide ends of the slots over the heads, flat to the wall, and down until every screw is at the narrow end.'],
      'A plate that missed its head feels the same: pull at each corner before you let go.',
    ),
    step('check', 'Look', [
      'Level on the top, plumb down the front, tight to the wall at each plate: a head too far out rocks, one too far in does not let it down.',
    ]),
    ...lockStep(input),
    loadStep(input),
  ];
}

function secondStep({ plan }: StepInput): HangingStep[] {
  const { second } = plan.cabinet.hanging;
  if (!second) return [];
  const where = second.plane === 'top' ? 'above it' : 'under it';
  return [
    step(
      'second',
      'Bolt it to the second plane',
      [
        `${second.count} fixings spread evenly along its ${second.plane}, into the frame of what is ${where}, at least two finger's breadths from the edges of the panel.`,
        'Doors and drawers get latches that hold upside down.',
      ],
      'What a crash does to it is for whoever certifies the vehicle.',
    ),
  ];
}

function looked({ holes }: StepInput): HangingStep[] {
  const count = (state: WallHole['state']): number => holes.wall.filter((hole) => hole.state === state).length;
  const [first, never, written] = [count('look-first'), count('never'), count('in-writing')];
  if (first + never + written === 0) return [];
  return [
    step(
      'look',
      'Look before a hole is bored',
      [
        first > 0 &&
          `${first} of ${holes.wall.length} holes go in where nobody has looked: detector, a probe hole with a bent wire, power off. Then enter that you looked.`,
        never > 0 && `${never} ${never === 1 ? 'is' : 'are'} in a cable zone: not bored.`,
        written > 0 && `${written} ${written === 1 ? 'is' : 'are'} in a cable zone and answered for in writing.`,
      ],
      'Cables run sideways at any height in many walls, and old work obeys nothing.',
    ),
  ];
}

function studsStep({ holes, unit, wall }: StepInput): HangingStep {
  const at = (from: (stud: HangingHoles['studs'][number]) => number): string => holes.studs.map((stud) => lengthText(from(stud), unit)).join(', ');
  const timber = groundOf(wall) === 'timber' || groundOf(wall) === 'metal';
  return step('studs', timber ? 'Carry the studs over' : 'Mark the fixings', [
    `${timber ? 'Stud centers' : 'They go'} ${at(({ along }) => along)} from the wall's left end: that is ${at(({ fromLeft }) => fromLeft)} from the left end of what is screwed on.`,
    timber && 'A thin nail finds the edges of each stud where the strip will hide the holes: its middle is halfway.',
  ]);
}

function boreStep({ holes, unit, wall }: StepInput, name: string): HangingStep {
  return step('bore', `Bore the ${name}`, [
    boringWords(holes.wallBoring, unit),
    groundOf(wall) === 'masonry' && 'Into the masonry itself, never into a joint or plaster that crumbles; blow the dust out.',
  ]);
}

/** Drilling for one screw, as a sentence. */
export function boringWords({ screw, length, clearMm, sinkMm, pilotMm, deepMm }: Boring, unit: DisplayUnit): string {
  const fine = (mm: number): string => fineText(roundToNm(Math.round(mm * 10) / 10), unit);
  const pilot =
    pilotMm === null
      ? 'what holds it as its maker says'
      : `${fine(pilotMm)} into what holds it${deepMm === null ? '' : `, ${lengthText(roundToNm(Math.round(deepMm)), unit)} deep`}`;
  const through = clearMm === null || sinkMm === null ? '' : `${fine(clearMm)} clear through, sunk to ${fine(sinkMm)}; `;
  return `For ${screwById(screw).name} × ${lengthText(length, unit)} screws: ${through}${pilot}.`;
}

function emptyStep({ bareKg, emptyKg, helper, limit, unit }: StepInput): HangingStep {
  const off = emptyKg - bareKg;
  return step(
    'empty',
    off > 0.05 ? 'Take off what comes off' : 'What is lifted',
    [
      off > 0.05 && `Doors, drawers and loose shelves off: ${massText(off, unit)} less, ${massText(bareKg, unit)} to lift.`,
      off <= 0.05 && `It weighs ${massText(bareKg, unit)} empty.`,
      helper
        ? `Over the ${massText(limit, unit)} that one person lifts here: a helper, or the prop and one end at a time.`
        : `One person lifts that here (${massText(limit, unit)}).`,
    ],
    helper ? 'Overhead a load weighs more than in the hand: do not begin alone.' : null,
  );
}

const joinStep = ({ beside }: StepInput): HangingStep[] =>
  beside.length === 0
    ? []
    : [step('join', 'Join neighbors first', [`Clamp it flush with ${beside.join(' and ')} and screw them to each other before either is fixed to the wall.`])];

const propStep = ({ helper }: StepInput, where: string): HangingStep =>
  step('prop', 'A ledger or a prop', [
    `A straight strip screwed to two studs, its upper edge ${where}${helper ? '' : '; alone it holds what the other pair of hands would'}.`,
  ]);

function lockStep({ holes, unit, plan }: StepInput): HangingStep[] {
  const lock = holes.wall.find(({ kind }) => kind === 'lock');
  if (!lock) return [];
  return [
    step('lock', 'Lock it', [
      `One screw from inside through ${plan.cabinet.hanging.plate ? `the ${partName(plan, plan.cabinet.hanging.wallHalf)}` : 'back and spacer'} into stud ${lock.stud}, ${lengthText(lock.fromLeft, unit)} from the cabinet's left end, ${lengthText(lock.above, unit)} above its bottom: nothing lifts it off then.`,
    ]),
  ];
}

function loadStep({ plan, unit }: StepInput): HangingStep {
  return step('load', 'Load it', [
    'From the bottom upwards, heavy things low and at the back, little by little.',
    plan.contentsKg > 0 && `${bothMasses(plan.contentsKg, unit)} are planned.`,
    'Look again after a day and after a month: a gap at the top of the back, a tilted line, a creak.',
  ]);
}

const partName = ({ cabinet }: CabinetPlan, id: string): string => labelWords(cabinet.byId.get(id)!.name);
