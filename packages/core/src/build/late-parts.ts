/**
 * What came into the plan after steps were done, by the parts that were there when they were ticked: parts a glue-up no longer
 * takes in, cuts no machine reaches any more, and what is left of a step for the parts that came.
 */
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { assembliesOf } from './assemblies.ts';
import type { StepKind } from './step.ts';
import { inTwoStages } from './two-stage-glue-up.ts';

/** Steps that are ticked, with the parts they were ticked for; null where that was not kept. */
export type Ticked = ReadonlyMap<string, ReadonlySet<string> | null>;

/** Steps that are done part by part: for parts that came later there is one more of them. */
export const PART_BY_PART: ReadonlySet<StepKind> = new Set<StepKind>(['label', 'band', 'sand', 'coat', 'doors', 'loose']);

const ofGlueUp = (ticked: Ticked, id: string): ReadonlySet<string> | null => ticked.get(id) ?? ticked.get(`${id}/first`) ?? null;

const NONE: ReadonlySet<string> = new Set();

/** Panels that are in glued up bodies. */
export function gluedPanels(cabinet: ResolvedCabinet, ticked: Ticked): ReadonlySet<string> {
  // Nothing is taken apart in the mind before something is glued.
  if (![...ticked].some(([id, panels]) => panels !== null && id.startsWith(`${cabinet.id}/glue/`))) return NONE;
  return new Set(assembliesOf(cabinet).flatMap(({ glueUps }) => glueUps.flatMap(({ id }) => [...(ofGlueUp(ticked, id) ?? [])])));
}

/** Panels that would be glued in where all round them is glued already, without them. */
export function latePanels(cabinet: ResolvedCabinet, ticked: Ticked): string[] {
  const glued = gluedPanels(cabinet, ticked);
  if (glued.size === 0) return [];
  return assembliesOf(cabinet).flatMap(({ panels, glueUps }) =>
    panels.filter((panel) => {
      const takesIn = glueUps.find(({ groups }) => groups.some((group) => group.includes(panel)));
      if (glued.has(panel) || !takesIn || ofGlueUp(ticked, takesIn.id) === null) return false;
      // After the first of two goes the end that was put on dry is still to come.
      return ticked.has(takesIn.id) || !inTwoStages(cabinet, takesIn)?.[0].dry!.panels.includes(panel);
    }),
  );
}

export interface Batch {
  readonly suffix: '' | '/more';
  readonly panels: readonly string[];
}

/** The parts of a step: those it was ticked for, and those that came since. */
export function batchesOf(id: string, panels: readonly string[], ticked: Ticked): Batch[] {
  const done = ticked.get(id);
  const came = done ? panels.filter((panel) => !done.has(panel)) : [];
  if (came.length === 0 || came.length === panels.length) return [{ suffix: '', panels }];
  return [
    { suffix: '', panels: panels.filter((panel) => done!.has(panel)) },
    { suffix: '/more', panels: came },
  ];
}
