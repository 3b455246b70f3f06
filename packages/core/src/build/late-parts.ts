/**
 * Parts added to the plan after steps were done, judged by the parts that existed when they were ticked: parts a glue-up no longer takes, cuts no machine
 * reaches any more, and the rest of a step for new parts.
 */
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { assembliesOf } from './assemblies.ts';
import { inTwoStages } from './two-stage-glue-up.ts';
import type { StepKind } from '../model/record.ts';

/** Ticked steps with the parts they were ticked for; null where not recorded. */
export type Ticked = ReadonlyMap<string, ReadonlySet<string> | null>;

/** Steps done part by part: parts added later get one more of them. */
export const PART_BY_PART: ReadonlySet<StepKind> = new Set<StepKind>(['label', 'band', 'sand', 'coat', 'doors', 'loose']);

const ofGlueUp = (ticked: Ticked, id: string): ReadonlySet<string> | null => ticked.get(id) ?? ticked.get(`${id}/first`) ?? null;

const NONE: ReadonlySet<string> = new Set();

/** Panels in glued-up assemblies. */
export function gluedPanels(cabinet: ResolvedCabinet, ticked: Ticked): ReadonlySet<string> {
  // Skipped while nothing is glued.
  if (![...ticked].some(([id, panels]) => panels !== null && id.startsWith(`${cabinet.id}/glue/`))) return NONE;
  return new Set(assembliesOf(cabinet).flatMap(({ glueUps }) => glueUps.flatMap(({ id }) => [...(ofGlueUp(ticked, id) ?? [])])));
}

/** Panels whose surroundings are already glued, without them. */
export function latePanels(cabinet: ResolvedCabinet, ticked: Ticked): string[] {
  const glued = gluedPanels(cabinet, ticked);
  if (glued.size === 0) return [];
  return assembliesOf(cabinet).flatMap(({ panels, glueUps }) =>
    panels.filter((panel) => {
      const takesIn = glueUps.find(({ groups }) => groups.some((group) => group.includes(panel)));
      if (glued.has(panel) || !takesIn || ofGlueUp(ticked, takesIn.id) === null) return false;
      // After the first of two stages the dry end still follows.
      return ticked.has(takesIn.id) || !inTwoStages(cabinet, takesIn)?.[0].dry!.panels.includes(panel);
    }),
  );
}

export interface Batch {
  readonly suffix: '' | '/more';
  readonly panels: readonly string[];
}

/** The parts of a step: those it was ticked for, and those added since. */
export function batchesOf(id: string, panels: readonly string[], ticked: Ticked): Batch[] {
  const done = ticked.get(id);
  const came = done ? panels.filter((panel) => !done.has(panel)) : [];
  if (came.length === 0 || came.length === panels.length) return [{ suffix: '', panels }];
  return [
    { suffix: '', panels: panels.filter((panel) => done!.has(panel)) },
    { suffix: '/more', panels: came },
  ];
}
