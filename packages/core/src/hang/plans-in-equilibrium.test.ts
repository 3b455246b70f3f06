/**
 * Plans of random projects against a rigid body of their own: contacts are read off the panels, pushes and locks are found by a linear
 * program, and nothing of the hanging's formulas is used. What it finds no equilibrium for is never called OK or close to its limit.
 *
 * Where the two may differ: the plan counts the bevel at its middle and the lock by what its screw holds, so it refuses more than this does.
 */
import { describe, expect, test } from '@jest/globals';
import { NM_PER, toMm } from '../length/length.ts';
import { applyEdit } from '../model/edit.ts';
import { plan, type CabinetPlan } from '../planner/plan.ts';
import { place, type Panel } from '../solid/panel.ts';
import { extremes, type Programme } from '../test/linear-programme.ts';
import type { ProjectFile } from '../formats/project-file.ts';
import { randomProject } from '../test/random-project.ts';

const RUNS = Number(process.env['KEEN_RUNS'] ?? 120);
const G = 9.80665;

interface Extent {
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}
function extentOf({ frame, outline }: Panel): Extent {
  const corners = outline.map(({ from }) => place(frame, from));
  const [alongs, ups] = [corners.map(({ along }) => along / NM_PER.mm), corners.map(({ up }) => up / NM_PER.mm)];
  return { left: Math.min(...alongs), right: Math.max(...alongs), low: Math.min(...ups), high: Math.max(...ups) };
}

/** A push: upwards, outwards, and where it acts. */
interface Push {
  readonly up: number;
  readonly out: number;
  readonly along: number;
  readonly high: number;
  readonly from: number;
}

/** Everything that can push on the cabinet: bevels where halves overlap, the cabinet cleat's back, what stands it off, a lock's hold downwards. */
function pushesOn({ cabinet }: CabinetPlan): Push[] {
  const { hanging, byId } = cabinet;
  const θ = (hanging.bevelDeg * Math.PI) / 180;
  const t = toMm(hanging.cleatThickness);
  const ends = ({ left, right }: Pick<Extent, 'left' | 'right'>): number[] => [left, right];
  const bevels = (upper: string, wall: string): Push[] => {
    const [hook, strip] = [extentOf(byId.get(upper)!), extentOf(byId.get(wall)!)];
    const over = { left: Math.max(hook.left, strip.left), right: Math.min(hook.right, strip.right) };
    if (over.right <= over.left) return [];
    const high = strip.high - (t / 2) * Math.tan(θ);
    return ends(over).map((along) => ({ up: Math.cos(θ), out: -Math.sin(θ), along, high, from: t / 2 }));
  };
  const outwards = (extent: Extent, high: number): Push[] => ends(extent).map((along) => ({ up: 0, out: 1, along, high, from: 0 }));
  const width = cabinet.outside.width.value / NM_PER.mm;
  const standoff = toMm(hanging.standoffUp);
  const hooks = hanging.brackets.map((id) => extentOf(byId.get(id)!));
  const back = { ...hooks[0]!, left: Math.min(...hooks.map(({ left }) => left)), right: Math.max(...hooks.map(({ right }) => right)) };
  const foot = hanging.spacer ? extentOf(byId.get(hanging.spacer)!) : { left: 0, right: width, low: 0, high: 0 };
  return [
    ...hanging.brackets.flatMap((id) => bevels(id, hanging.wallHalf)),
    ...(hanging.beside ?? []).flatMap(({ cabinetHalf, wallHalf }) => bevels(cabinetHalf, wallHalf)),
    ...(hanging.lower ? bevels(hanging.lower.cabinetHalf, hanging.lower.wallHalf) : []),
    ...outwards(back, back.high),
    ...(hanging.standoff === 'nothing' ? [] : outwards(foot, standoff)),
    ...(hanging.antiLift ? [{ up: -1, out: 0, along: width / 2, high: standoff, from: 0 }] : []),
  ];
}

/** Whether pushes alone can hold the load: five equations, for nothing pushes along the wall. */
function hasEquilibrium(cabinetPlan: CabinetPlan): boolean {
  const { mass, along, out } = cabinetPlan.hang.loaded;
  const W = mass.value * G;
  const pushes = pushesOn(cabinetPlan);
  const programme: Programme = {
    rows: [
      pushes.map(({ up }) => up),
      pushes.map(({ out: o }) => o),
      pushes.map(({ up, out: o, high, from }) => (o * high - up * from) / 1000),
      pushes.map(({ up, along: z }) => (up * z) / 1000),
      pushes.map(({ out: o, along: z }) => (o * z) / 1000),
    ],
    sums: [W, 0, (-W * out) / 1000, (W * along) / 1000, 0],
  };
  return (
    extremes(
      programme,
      pushes.map(() => 0),
    ) !== null
  );
}

const planProject = ({ design, record, workshop }: ProjectFile): CabinetPlan | undefined => plan(design, record, workshop).cabinets[0];
const onCleat = ({ cabinet }: CabinetPlan): boolean => cabinet.hanging.rip !== null;

describe('random projects', () => {
  let [judged, held] = [0, 0];
  test(`none of ${RUNS} that cannot stand by pushes alone is called OK, or close to its limit`, () => {
    const wrong: string[] = [];
    for (let seed = 0; seed < RUNS; seed++) {
      const cabinetPlan = planProject(randomProject(seed));
      if (!cabinetPlan || !onCleat(cabinetPlan)) continue;
      judged++;
      const holds = hasEquilibrium(cabinetPlan);
      if (holds) held++;
      if (!holds && (cabinetPlan.hang.state === 'fine' || cabinetPlan.hang.state === 'tight')) wrong.push(`${seed}: ${cabinetPlan.hang.state}`);
    }
    expect(wrong).toEqual([]);
    // The program says the two apart, or the sweep shows nothing.
    expect(held).toBeGreaterThan(judged / 4);
    expect(held).toBeLessThan(judged);
  });

  test('every stop at Hang makes the verdict, and a lock never makes it worse', () => {
    const rank = { 'not-checked': 0, fine: 0, tight: 1, over: 2, refused: 2 } as const;
    const wrong: string[] = [];
    for (let seed = 0; seed < RUNS; seed++) {
      const project = randomProject(seed);
      const cabinetPlan = planProject(project);
      if (!cabinetPlan) continue;
      const stopped = cabinetPlan.findings.some(({ severity, station }) => severity === 'stop' && station === 'hang');
      if (stopped && rank[cabinetPlan.hang.state] < 2) wrong.push(`${seed}: a stop, and ${cabinetPlan.hang.state}`);
      if (!onCleat(cabinetPlan)) continue;
      const path = ['units', cabinetPlan.id, 'hanging', 'antiLift'];
      const [locked, loose] = [true, false].map((value) => plan(applyEdit(project.design, [{ path, value }]), project.record, project.workshop).cabinets[0]!);
      if (rank[locked!.hang.state] > rank[loose!.hang.state]) wrong.push(`${seed}: locked ${locked!.hang.state}, loose ${loose!.hang.state}`);
    }
    expect(wrong).toEqual([]);
  });
});
