/** The steps of one cabinet from cut parts to the loaded cabinet, in working order. */
import { toMm } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { hangsOnCleat, type ResolvedCabinet } from '../solid/cabinet.ts';
import { boundsOf } from '../solid/views.ts';
import { evaluate, formula, total, type ExplainedValue } from '../explained/explained-value.ts';
import { assembliesOf, type Assembly, type GlueUp } from './assemblies.ts';
import { batchesOf } from './late-parts.ts';
import { cutToFit, waitingParts } from './cut-to-fit.ts';
import { ringDiagonals } from './diagonals.ts';
import { faceArea } from './faces.ts';
import { finishOf } from './finishes.ts';
import { fastenersIn, slowed } from './gluing.ts';
import { closingOf, MANY_PIECES } from './glue-ways.ts';
import type { BuildJob, CabinetToBuild } from './job.ts';
import { machineFor } from './machine-for-step.ts';
import { stepMinutes, type CountedWork } from './minutes.ts';
import type { HelperFor, Step, StepDetail } from './step.ts';

/** Longer than one person can hold at both ends, mm. [ASSUME] */
const LONG_MM = 1200;

const LITERS = formula({
  label: 'finish-liters',
  unit: 'l',
  text: 'A / covers',
  source: '[ASSUME] docs/formulas/finish-area.md',
  terms: { A: 'm2', covers: 'm2' },
  compute: ({ A, covers }) => A / covers,
});

type Made = (
  name: string,
  detail: StepDetail,
  panels: readonly string[],
  counts: Partial<Record<CountedWork, number>>,
  more?: Partial<Pick<Step, 'waits' | 'helper' | 'canPause' | 'rightAfter' | 'machines'>>,
) => Step;

/** Builds a step of a cabinet, or of several. */
export const stepOf =
  (unit: string | null, pace: BuildJob['pace'], prefix = unit === null ? '' : `${unit}/`): Made =>
  (name, detail, panels, counts, more = {}) => ({
    id: `${prefix}${name}`,
    unit,
    detail,
    panels,
    minutes: stepMinutes(counts, pace[detail.kind]),
    waits: null,
    machines: [],
    helper: null,
    canPause: true,
    rightAfter: null,
    ...more,
  });

export function cabinetSteps(job: BuildJob, of: CabinetToBuild): Step[] {
  const { cabinet, parts } = of;
  const made = stepOf(cabinet.id, job.pace);
  const assemblies = assembliesOf(cabinet);
  const waiting = waitingParts(job);
  const own = parts.flatMap(({ panels }) => panels).filter((id) => !waiting.has(id));
  const carcass = new Set(assemblies.filter(({ kind }) => kind === 'carcass').flatMap(({ panels }) => panels));
  const box = carcass.size > 0 ? carcass : new Set(own);
  const banded = cabinet.panels.filter(({ bands }) => bands.length > 0);
  return [
    ...inBatches('label', own, (name, panels) => {
      const lines = parts.filter((line) => line.panels.some((panel) => panels.has(panel))).length;
      return [made(name, { kind: 'label', lines, parts: panels.size }, [...panels], { 'label-part': panels.size, 'count-lines': lines })];
    }),
    ...(['band', 'band/to-fit'] as const).flatMap((each) =>
      inBatches(
        each,
        banded.filter(({ id }) => waiting.has(id) === (each !== 'band')).map(({ id }) => id),
        (name, panels) =>
          bandSteps(
            made,
            name,
            banded.filter(({ id }) => panels.has(id)),
          ),
      ),
    ),
    ...surfaceSteps(made, of, box, job, 'inside'),
    ...assemblies.flatMap((assembly) => assemblySteps(made, of, assembly, job)),
    ...fitSteps(made, of, job),
    ...surfaceSteps(made, of, box, job, 'outside'),
    ...movingSteps(made, cabinet, inBatches),
    ...hangSteps(made, of, job.shop),
  ];

  /** A step for the parts it was ticked for, and another for parts added since. */
  function inBatches(name: string, panels: readonly string[], steps: InBatches): Step[] {
    return batchesOf(`${cabinet.id}/${name}`, panels, job.ticked).flatMap(({ suffix, panels: some }) => steps(`${name}${suffix}`, new Set(some)));
  }

  /** Sanded on one side, and coated where it gets a finish. */
  function surfaceSteps(
    step: Made,
    { finish: choice, faced }: CabinetToBuild,
    inBox: ReadonlySet<string>,
    { choices }: BuildJob,
    side: 'inside' | 'outside',
  ): Step[] {
    const all = cabinet.panels.filter(
      ({ id, role }) => role !== 'wall-half' && role !== 'cabinet-half' && !faced.has(id) && (side === 'outside' || inBox.has(id)),
    );
    if (all.length === 0) return [];
    const ids = all.map(({ id }) => id);
    const area = (panels: ReadonlySet<string>, which: 'inside' | 'outside') =>
      faceArea(
        cabinet.panels.filter(({ id }) => panels.has(id)),
        inBox,
        which,
        cabinet.panels,
      );
    const sand = inBatches(`sand-${side}`, ids, (name, panels) => {
      const areaM2 = area(panels, side);
      return [step(name, { kind: 'sand', side, areaM2 }, [...panels], { 'sand-square-meter': areaM2.value })];
    });
    const product = finishOf(choice, job.shop);
    // Finished after assembly, the inside is coated with the outside.
    if (!product || (side === 'inside' && choice.when === 'after')) return sand;
    const maskedMm = side === 'inside' && choice.masked ? gluedMm(cabinet) : 0;
    const coats = Array.from({ length: product.coats }, (_, n): Step[] =>
      inBatches(`coat-${side}/${n + 1}`, ids, (name, panels) => {
        const coated = choice.when === 'after' ? bothSides(area(panels, side), area(panels, 'inside')) : area(panels, side);
        const last = n + 1 === product.coats;
        const dryMin = slowed(last ? product.dryMin : product.recoatMin, choices.tempC);
        const taped = n === 0 && panels.size === ids.length ? maskedMm : 0;
        return [
          step(
            name,
            {
              kind: 'coat',
              side,
              coat: n + 1,
              of: product.coats,
              finish: product.id,
              areaM2: coated,
              liters: evaluate(LITERS, { A: coated, covers: product.coversM2 }),
              maskedMm: taped,
              sandFirst: product.sanded && n > 0,
              dryMin,
            },
            [...panels],
            {
              'coat-square-meter': coated.value,
              'clean-brush': 1,
              ...(taped > 0 ? { 'mask-meter': taped / 1000 } : {}),
              ...(product.sanded && n > 0 ? { 'sand-square-meter': coated.value / 3 } : {}),
            },
            { waits: dryMin, canPause: false },
          ),
        ];
      }),
    ).flat();
    return [...sand, ...coats];
  }
}

type InBatches = (name: string, panels: ReadonlySet<string>) => Step[];

function bandSteps(made: Made, name: string, panels: readonly ResolvedPanel[]): Step[] {
  if (panels.length === 0) return [];
  const lengthMm = panels.reduce(
    (sum, { bands, length, width }) => sum + bands.reduce((all, edge) => all + toMm((edge === 'near' || edge === 'far' ? length : width).value), 0),
    0,
  );
  const edges = panels.reduce((sum, { bands }) => sum + bands.length, 0);
  return [
    made(
      name,
      { kind: 'band', edges, lengthMm },
      panels.map(({ id }) => id),
      { 'band-meter': lengthMm / 1000 },
    ),
  ];
}

const bothSides = (a: ExplainedValue, b: ExplainedValue): ExplainedValue =>
  total('area-all', 'm2', [...a.terms, ...b.terms], '[eq] docs/formulas/finish-area.md');

/** Surfaces to tape off: every glued seam, on the face or edge that meets the other part. */
const gluedMm = (cabinet: ResolvedCabinet): number =>
  cabinet.connections
    .filter(({ joint }) => joint.glue)
    .reduce((sum, { guest }) => sum + Math.min(toMm(cabinet.byId.get(guest)!.length.value), toMm(cabinet.byId.get(guest)!.width.value)), 0);

/** Dry fit, glue-ups in order, diagonals while the glue is wet, and overlays trimmed flush. */
function assemblySteps(made: Made, { cabinet, insetDoors }: CabinetToBuild, assembly: Assembly, { choices, shop, ticked }: BuildJob): Step[] {
  const name = assembly.id.slice(cabinet.id.length + 1);
  const joints = assembly.glueUps.reduce((sum, { connections }) => sum + connections.length, 0);
  const fit = made(
    `dry-fit/${name}`,
    { kind: 'dry-fit', assembly: assembly.id, what: assembly.kind, joints },
    assembly.panels,
    { 'set-out-parts': 1, 'fit-joint': joints },
    { helper: helperFor(cabinet, assembly.panels, assembly.panels.length), canPause: false },
  );
  // Parts around a space are checked for square the first time they form it: in the first of two stages.
  const ring = assembly.glueUps.find((each) => squares(each));
  const closings = assembly.glueUps.flatMap((whole) => {
    const { goes, ...how } = closingOf(cabinet, whole, choices, shop, ticked);
    return goes.map(({ glueUp, glue }, go) => ({
      glueUp,
      glue,
      closing: { ...how, of: whole.id, go, goes: goes.length },
      isRing: whole === ring && go === 0,
      skin: goes.length > 1 ? null : skinOf(cabinet, whole),
    }));
  });
  return [
    fit,
    ...closings.flatMap(({ glueUp, glue, closing, isRing, skin }): Step[] => {
      const fasteners = fastenersIn(glueUp);
      const panels = glueUp.groups.flat();
      const driven = fasteners.reduce((sum, { count }) => sum + count, 0);
      const inClamps = glue?.clampMin ?? null;
      const joined = made(
        glueUp.id.slice(cabinet.id.length + 1),
        { kind: 'glue', assembly: assembly.id, what: assembly.kind, glueUp, skin, glue, fasteners, closing },
        panels,
        {
          'spread-joint': glue?.joints ?? 0,
          'set-clamp': glue?.clampsWanted.value ?? 0,
          'lay-caul': glue?.cauls ?? 0,
          'fit-joint': glueUp.connections.length + (glueUp.dry?.joints ?? 0),
          'drive-fastener': driven,
          'wipe-squeeze-out': glue ? 1 : 0,
        },
        { waits: isRing ? null : inClamps, canPause: false, helper: helperFor(cabinet, panels, glueUp.groups.length) },
      );
      const checked = isRing
        ? [
            made(
              `square/${name}`,
              { kind: 'square', assembly: assembly.id, diagonals: ringDiagonals(cabinet, assembly, insetDoors) },
              panels,
              { 'measure-diagonals': 1 },
              { waits: inClamps, canPause: false, rightAfter: joined.id },
            ),
          ]
        : [];
      const over = skin === 'back' ? glueUp.connections.filter((connection) => isLaidOver(cabinet, connection)) : [];
      const overMm = over.reduce((sum, { guest }) => sum + toMm(cabinet.byId.get(guest)!.length.value), 0);
      const trimmed =
        over.length > 0
          ? [made(`trim/${name}`, { kind: 'trim', lengthMm: overMm }, panels, { 'trim-meter': overMm / 1000 }, { machines: machineFor('trim', shop) })]
          : [];
      return [joined, ...checked, ...trimmed];
    }),
  ];
}

/** Several parts close a space that can end up out of square. */
const squares = ({ groups, connections, along }: GlueUp): boolean => along !== null && groups.length > 2 && connections.length >= 4;

/** A back that covers the edges of its carcass: not one let in, nor at the seam of a split back. */
const isLaidOver = ({ byId }: ResolvedCabinet, { guest, host, joint }: Connection): boolean =>
  byId.get(host)!.role === 'back' && EDGED.has(byId.get(guest)!.role) && joint.kind === 'butt' && (joint.glue || joint.fastening !== null);
const EDGED: ReadonlySet<ResolvedPanel['role']> = new Set(['side', 'top', 'bottom']);

function skinOf({ byId }: ResolvedCabinet, { groups }: GlueUp): 'back' | 'frame' | 'edging' | null {
  if (groups.length !== 2) return null;
  const roles = new Set([...groups].sort((a, b) => a.length - b.length)[0]!.map((id) => byId.get(id)!.role));
  return (['back', 'frame', 'edging'] as const).find((role) => roles.size === 1 && roles.has(role)) ?? null;
}

/** `pieces`: number to hold at once; an earlier assembly counts as one. */
function helperFor(cabinet: ResolvedCabinet, panels: readonly string[], pieces: number): HelperFor | null {
  const longest = Math.max(...panels.map((id) => toMm(cabinet.byId.get(id)!.length.value)));
  if (longest > LONG_MM) return 'long';
  return pieces > MANY_PIECES ? 'many' : null;
}

function fitSteps(made: Made, of: CabinetToBuild, { choices, sheets, shop }: BuildJob): Step[] {
  if (choices.cut === 'first') return [];
  const parts = cutToFit(of);
  if (parts.length === 0) return [];
  const cuts = sheets.flatMap(({ steps }) => steps.filter(({ near }) => near.part !== null && parts.includes(near.part)).map(({ id }) => id));
  return [made('fit', { kind: 'fit', parts, cuts }, parts, { 'fit-cut': parts.length }, { machines: machineFor('rip', shop) })];
}

/** Moving parts: leaves on hinges, drawers from the fixed datum on, fronts by spacers, shelves on pins. */
function movingSteps(made: Made, cabinet: ResolvedCabinet, inBatches: (name: string, panels: readonly string[], steps: InBatches) => Step[]): Step[] {
  const hinged = [...new Set(cabinet.connections.filter(({ joint }) => joint.kind === 'hinge').map(({ guest }) => guest))];
  const assemblies = assembliesOf(cabinet);
  const withAll = (panel: string): readonly string[] => assemblies.find(({ panels }) => panels.includes(panel))?.panels ?? [panel];
  const boxes = assemblies.filter(({ kind }) => kind === 'drawer').map(({ panels }) => panels);
  const highest = (panels: readonly string[]): number => Math.max(...panels.map((id) => boundsOf(cabinet.byId.get(id)!).high.up));
  const inDrawers = new Set(boxes.flat());
  const fronts = cabinet.connections
    .filter(({ guest, host, joint }) => joint.kind === 'laid' && inDrawers.has(host) && cabinet.byId.get(guest)!.role === 'front')
    .map(({ guest }) => guest);
  const built = new Set(assemblies.filter(({ kind }) => kind !== 'loose').flatMap(({ panels }) => panels));
  const moving = new Set([...hinged.flatMap(withAll), ...fronts]);
  const loose = cabinet.panels
    .filter(({ id, role, onWall }) => !built.has(id) && !moving.has(id) && !onWall && role !== 'wall-half' && role !== 'cabinet-half' && role !== 'spacer')
    .map(({ id }) => id);
  const hinges = cabinet.hardware.filter(({ kind }) => kind === 'hinge').reduce((sum, { count }) => sum + count, 0);
  return [
    ...(hinged.length > 0
      ? inBatches('doors', hinged.flatMap(withAll), (name, panels) => {
          const leaves = hinged.filter((id) => panels.has(id));
          const own = Math.round((hinges * leaves.length) / hinged.length);
          return [made(name, { kind: 'doors', leaves, hinges: own }, [...panels], { 'hang-leaf': leaves.length })];
        })
      : []),
    ...(boxes.length > 0
      ? [made('drawers', { kind: 'drawers', boxes: [...boxes].sort((a, b) => highest(b) - highest(a)) }, boxes.flat(), { 'fit-slide': boxes.length })]
      : []),
    ...(fronts.length > 0 ? [made('fronts', { kind: 'fronts', fronts }, fronts, { 'set-front': fronts.length })] : []),
    ...(loose.length > 0
      ? inBatches('loose', loose, (name, panels) => [made(name, { kind: 'loose', parts: [...panels] }, [...panels], { 'set-shelf': panels.size })])
      : []),
  ];
}

function hangSteps(
  made: Made,
  { cabinet, toHang: { looks, wallScrews, cabinetScrews, locks, rail, bareKg, limitKg, beside, spaces, contentsKg } }: CabinetToBuild,
  shop: BuildJob['shop'],
): Step[] {
  const { hanging } = cabinet;
  const bored = { machines: machineFor('bore', shop) };
  const cleat = hangsOnCleat(hanging);
  const all = cabinet.panels.filter(({ onWall }) => !onWall).map(({ id }) => id);
  const halves = [hanging.wallHalf, ...hanging.brackets, ...(hanging.lower ? [hanging.lower.wallHalf, hanging.lower.cabinetHalf] : [])];
  const helper: HelperFor | null = bareKg > limitKg ? 'heavy' : null;
  // A cabinet screwed through is on the wall once its screws are: nothing is mounted before it.
  const through = hanging.kind === 'through';
  return [
    ...(cleat && !rail
      ? [
          made(
            'cleat-rip',
            { kind: 'cleat-rip', boards: [hanging.wallHalf.replace('wall-half', 'cleat-blank')] },
            halves,
            { 'set-machine': 1, 'bevel-rip': hanging.lower ? 2 : 1 },
            { machines: machineFor('bevel', shop) },
          ),
        ]
      : []),
    ...(looks > 0 ? [made('look', { kind: 'look' }, [], { 'look-into-wall': 1 })] : []),
    ...(rail || through
      ? []
      : [
          made(
            'wall-half',
            { kind: 'wall-half', screws: wallScrews },
            // Plates hang on screw heads: nothing of the cabinet goes to the wall before it.
            cleat ? [hanging.wallHalf] : [],
            { 'mark-line': 1, 'wall-screw': wallScrews },
            bored,
          ),
        ]),
    ...(cleat
      ? [
          made(
            'cabinet-half',
            { kind: 'cabinet-half', screws: cabinetScrews },
            [...hanging.brackets, ...(hanging.spacer ? [hanging.spacer] : [])],
            { 'wall-screw': cabinetScrews },
            bored,
          ),
        ]
      : []),
    made(
      'hang',
      { kind: 'hang', kg: bareKg, beside, screws: through ? wallScrews : 0 },
      all,
      { 'lift-on': 1, ...(through ? { 'mark-line': 1, 'wall-screw': wallScrews } : {}) },
      { helper, canPause: false, ...(through ? bored : {}) },
    ),
    ...(through ? [] : [made('correct', { kind: 'correct' }, all, { 'take-down': 1, 'lift-on': 1 }, { helper, canPause: false })]),
    ...(locks ? [made('lock', { kind: 'lock' }, [], { 'wall-screw': 1 }, bored)] : []),
    made('load', { kind: 'load', spaces, kg: contentsKg }, [], { 'load-space': Math.max(1, spaces) }),
  ];
}
