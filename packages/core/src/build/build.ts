/** The build of a set of cabinets: steps derived from their geometry, the precedences between them, and a feasible order. */
import type { Setups } from '../setups/setups.ts';
import { GLUE_IDS, glueOf } from './glues.ts';
import { finishOf } from './finishes.ts';
import type { BuildJob } from './job.ts';
import { inOrder } from './order.ts';
import { precedencesOf } from './precedence.ts';
import { shopSteps } from './shop-steps.ts';
import type { BuildPlan, Step } from './step.ts';
import { cabinetSteps } from './cabinet-steps.ts';
import type { GlueId } from '../model/build-choices.ts';

export interface Build extends BuildPlan {
  readonly setups: readonly Setups[];
  readonly faults: readonly BuildFault[];
}

/** What keeps a step from being done as planned. */
export type BuildFault =
  /** The joints cannot all be closed within the open time. `slower`: glues with enough open time, fastest first. */
  | {
      readonly fault: 'open-time';
      readonly step: string;
      readonly minutes: number;
      readonly openMin: number;
      readonly joints: number;
      readonly slower: readonly GlueId[];
    }
  | { readonly fault: 'few-clamps'; readonly step: string; readonly wanted: number; readonly owned: number; readonly reachMm: number }
  | { readonly fault: 'too-cold'; readonly step: string; readonly of: string; readonly tempC: number; readonly leastC: number };

export function buildOf(job: BuildJob): Build {
  const shop = shopSteps(job);
  const steps: Step[] = [...shop.steps, ...job.cabinets.flatMap((cabinet) => cabinetSteps(job, cabinet))];
  const rails = new Map(job.cabinets.flatMap(({ cabinet, toHang }) => (toHang.rail === null ? [] : [[cabinet.id, toHang.rail] as const])));
  // A cut inside a glued-up box comes after the steps it would otherwise precede.
  const inside = new Set(steps.flatMap(({ id, detail }) => (detail.kind === 'by-hand' && detail.inside ? [id] : [])));
  const edges = precedencesOf(steps, rails).filter(({ before, after }) => !inside.has(before) || !job.ticked.has(after));
  const ordered = inOrder(steps, edges, job.choices.order, job.choices.units === 'one-by-one');
  return { steps: ordered, edges, setups: shop.setups, faults: ordered.flatMap((step) => faultsOf(step, job)) };
}

function faultsOf({ id, detail }: Step, { choices, shop }: BuildJob): BuildFault[] {
  const faults: BuildFault[] = [];
  const { tempC } = choices;
  if (detail.kind === 'glue' && detail.glue) {
    const { minutes, openMin, joints, clampsWanted, clampsOwned, reachMm } = detail.glue;
    if (minutes.value > openMin.value) {
      const slower = GLUE_IDS.map((each) => glueOf(each, shop))
        .filter((glue) => glue.openMin >= minutes.value && glue.leastC <= tempC)
        .sort((a, b) => a.openMin - b.openMin);
      faults.push({ fault: 'open-time', step: id, minutes: minutes.value, openMin: openMin.value, joints, slower: slower.map((glue) => glue.id) });
    }
    if (clampsWanted.value > clampsOwned) faults.push({ fault: 'few-clamps', step: id, wanted: clampsWanted.value, owned: clampsOwned, reachMm });
    const { leastC } = glueOf(choices.glue, shop);
    if (tempC < leastC) faults.push({ fault: 'too-cold', step: id, of: choices.glue, tempC, leastC });
  }
  if (detail.kind === 'coat' && detail.coat === 1) {
    const finish = finishOf({ kind: detail.finish as 'oil' }, shop)!;
    if (tempC < finish.leastC) faults.push({ fault: 'too-cold', step: id, of: finish.id, tempC, leastC: finish.leastC });
  }
  return faults;
}
