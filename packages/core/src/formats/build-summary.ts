/** Collects what the texts of a build are written from. */
import type { Build } from '../build/build.ts';
import { joinedTo } from '../planner/joined-to.ts';
import type { Design } from '../model/design.ts';
import type { Plan } from '../planner/plan.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { Calibration } from '../setups/calibration.ts';
import type { BuildSummary } from './step-texts.ts';
import { hangingSummary } from './hanging-steps.ts';
import type { Workshop } from '../model/workshop.ts';

export interface BuildSummaryInput {
  readonly plan: Plan;
  readonly design: Pick<Design, 'build' | 'units' | 'wall'>;
  /** As corrected by test cuts. */
  readonly workshop: Workshop;
  readonly learned: Calibration;
  readonly build: Pick<Build, 'setups'>;
  readonly unit: DisplayUnit;
}

export function buildSummary({ plan, design, workshop, learned, build, unit }: BuildSummaryInput): BuildSummary {
  const blanks = new Map(build.setups.flatMap((each) => [...each.blanks]));
  return {
    plan,
    workshop,
    choices: design.build,
    setups: { shop: workshop.shop, blanks, parts: plan.parts, learned },
    hangingOf: (id) => {
      const [own, spec] = [plan.byId.get(id), design.units[id]];
      return own && spec ? hangingSummary(own, spec, design.wall, workshop, unit, joinedTo(plan, id)) : null;
    },
  };
}
