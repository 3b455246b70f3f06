/** Methods to close a glue-up, what each requires, and the one that glue, clamps and hands allow. Source: docs/formulas/glue-ways.md. */
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { greatest, termOf, type ExplainedValue, type ValueUnit } from '../explained/explained-value.ts';
import type { GlueUp } from './assemblies.ts';
import type { Ticked } from './late-parts.ts';
import type { BuildChoices, GlueWay } from '../model/build-choices.ts';
import { caulsFor, glueSummary } from './gluing.ts';
import type { Closing, GlueSummary, GlueWaySummary } from './step.ts';
import { inTwoStages } from './two-stage-glue-up.ts';
import type { Shop } from '../model/shop.ts';

export interface GlueStage {
  readonly glueUp: GlueUp;
  readonly glue: GlueSummary | null;
}

export interface Closed extends Pick<Closing, 'way' | 'ways' | 'chosen'> {
  readonly goes: readonly GlueStage[];
}

/** Most pieces two hands keep upright in wet glue. [ASSUME] */
export const MANY_PIECES = 7;

type Choices = Pick<BuildChoices, 'glue' | 'tempC' | 'glueUps' | 'week'>;
type GluingShop = Pick<Shop, 'clamps' | 'labels'>;

const NOTHING: Pick<Ticked, 'has'> = { has: () => false };

const WAYS: readonly GlueWay[] = [
  { goes: 'one', cauls: false },
  { goes: 'two', cauls: false },
  { goes: 'one', cauls: true },
  { goes: 'two', cauls: true },
];

/**
 * The simplest feasible method, a person's choice first; where none is feasible, all at once with its fault. `begun`: ticked steps. A glue-up in progress
 * keeps its method, whatever clamps there are by now.
 */
export function closingOf(cabinet: ResolvedCabinet, glueUp: GlueUp, choices: Choices, shop: GluingShop, begun: Pick<Ticked, 'has'> = NOTHING): Closed {
  const there = WAYS.flatMap((way): { way: GlueWay; goes: readonly GlueStage[]; told: GlueWaySummary }[] => {
    const parts = way.goes === 'one' ? [glueUp] : inTwoStages(cabinet, glueUp);
    if (!parts) return [];
    if (way.cauls && !parts.some((part) => caulsFor(cabinet, part))) return [];
    const goes = parts.map((part): GlueStage => ({ glueUp: part, glue: glueSummary(cabinet, part, choices, shop, way.cauls) }));
    return [{ way, goes, told: glueWaySummary(way, goes, choices) }];
  });
  const own = choices.glueUps[glueUp.id];
  const asked = own && there.find(({ way }) => way.goes === own.goes && way.cauls === own.cauls);
  const goes = begun.has(`${glueUp.id}/first`) ? 'two' : begun.has(glueUp.id) ? 'one' : null;
  const wanted = asked ?? there.find(({ told }) => told.hindered.length === 0) ?? there[0]!;
  const taken =
    goes === null || wanted.way.goes === goes
      ? wanted
      : (there.find(({ way }) => way.goes === goes && way.cauls === wanted.way.cauls) ?? there.find(({ way }) => way.goes === goes) ?? wanted);
  return { goes: taken.goes, way: taken.way, ways: there[0]!.goes[0]!.glue === null ? [] : there.map(({ told }) => told), chosen: asked !== undefined };
}

/** The more demanding of two stages, with both shown. */
function worstStage(unit: ValueUnit, goes: readonly GlueStage[], of: (glue: GlueSummary) => ExplainedValue): ExplainedValue {
  const told = goes.flatMap(({ glue, glueUp: { go } }) => (glue ? [{ go, figure: of(glue) }] : []));
  if (told.length === 1) return told[0]!.figure;
  const rows = told.map(({ go, figure }) => termOf(figure, '', { key: `go-${go ?? 'first'}` }));
  return greatest('worst-go', unit, rows, 'docs/formulas/glue-ways.md');
}

function glueWaySummary(way: GlueWay, goes: readonly GlueStage[], { week }: Choices): GlueWaySummary {
  const glues = goes.flatMap(({ glue }) => glue ?? []);
  const pieces = Math.max(...goes.map(({ glueUp }) => glueUp.groups.length));
  const alone = !Object.values(week).some(({ helper }) => helper);
  return {
    way,
    minutes: worstStage('min', goes, ({ minutes }) => minutes),
    clamps: worstStage('count', goes, ({ clampsWanted }) => clampsWanted),
    pieces,
    hindered: [
      ...(glues.some(({ minutes, openMin }) => minutes.value > openMin.value) ? (['glue'] as const) : []),
      ...(glues.some(({ clampsWanted, clampsOwned }) => clampsWanted.value > clampsOwned) ? (['clamps'] as const) : []),
      ...(alone && pieces > MANY_PIECES ? (['hands'] as const) : []),
    ],
  };
}
