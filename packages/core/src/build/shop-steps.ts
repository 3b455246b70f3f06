/** Steps that serve several cabinets: sheets measured and cut up, boards, machine setups, wall rails. */
import type { CutStep } from '../sawing/pieces.ts';
import { isLarge } from '../sawing/ways.ts';
import { settingsOf } from '../sawing/sequence.ts';
import type { PartLine } from '../parts/part-line.ts';
import { inWantedOrder } from '../setups/order.ts';
import type { Operation, ToolingStage } from '../setups/operations.ts';
import { setupsOf, type Setups } from '../setups/setups.ts';
import type { Setup } from '../setups/setup.ts';
import { gluedPanels } from './late-parts.ts';
import type { BuildJob } from './job.ts';
import { machineFor } from './machine-for-step.ts';
import type { Step } from './step.ts';
import { waitingCuts, waitingParts } from './cut-to-fit.ts';
import { stepOf } from './cabinet-steps.ts';

/** All of them, with the slots and holes the shop cannot make. */
export function shopSteps(job: BuildJob): { readonly steps: readonly Step[]; readonly setups: readonly Setups[] } {
  const setups = job.choices.units === 'together' ? [setupsOf(cabinetsOf(job), job.shop)] : cabinetsOf(job).map((cabinet) => setupsOf([cabinet], job.shop));
  const waiting = waitingParts(job);
  const late = lateOperations(setups, job);
  return {
    steps: [
      ...measureSteps(job),
      ...sheetSteps(job),
      ...boardSteps(job),
      ...setups.flatMap((each) =>
        inWantedOrder(each.setups, job.setupOrder).flatMap((setup) => {
          const cuts = setup.cuts.filter(({ operation }) => !late.has(operation.id));
          return cuts.length > 0 ? setupSteps(cuts.length === setup.cuts.length ? setup : { ...setup, cuts }, job, waiting) : [];
        }),
      ),
      ...setups.flatMap(({ unmade }) => handSteps(unmade, job, waiting)),
      ...handSteps([...late.values()], job, waiting, 'late'),
      ...railSteps(job),
    ],
    setups,
  };
}

/**
 * Cuts still to be made inside glued-up assemblies, where no machine reaches. Parts glued to one another have their joints, ticked or not; the rest counts
 * as made where nothing of a part was ever ticked.
 */
function lateOperations(setups: readonly Setups[], { cabinets, ticked, made }: BuildJob): ReadonlyMap<string, Operation> {
  const glued = new Set(cabinets.flatMap(({ cabinet }) => [...gluedPanels(cabinet, ticked)]));
  if (glued.size === 0) return new Map();
  const closed = new Set(
    cabinets.flatMap(({ cabinet }) => cabinet.connections.flatMap(({ id, guest, host }) => (glued.has(guest) && glued.has(host) ? [`${host}:${id}`] : []))),
  );
  const kept = new Set([...made].map((id) => id.slice(0, id.indexOf(':'))));
  const all = setups.flatMap((each) => each.setups.flatMap(({ cuts }) => cuts.map(({ operation }) => operation)));
  const late = all.filter(({ id, panel }) => glued.has(panel) && !made.has(id) && !closed.has(id) && kept.has(panel));
  return new Map(late.map((operation) => [operation.id, operation]));
}

const cabinetsOf = ({ cabinets }: BuildJob) => cabinets.map(({ cabinet }) => cabinet);

const allLines = ({ cabinets, rails }: BuildJob): PartLine[] => [...cabinets.flatMap(({ parts }) => parts), ...rails.flatMap(({ parts }) => parts)];

/** Ids of a line on sheets: its panels, and its own for what is ripped from a board. */
const piecesOf = (line: PartLine): readonly string[] => [...line.panels, line.id];

function measureSteps(job: BuildJob): Step[] {
  const made = stepOf(null, job.pace);
  const lines = allLines(job);
  return [...new Set(lines.map(({ stock }) => stock))].map((product) =>
    made(
      `measure/${product}`,
      { kind: 'measure', product },
      lines.filter(({ stock }) => stock === product).flatMap(({ panels }) => panels),
      { reading: 5 },
    ),
  );
}

/** Cutting rounds shown: strips, pieces, and the rest to size; finer rounds are described cut by cut. */
const MAX_ROUNDS = 3;

/** Rounds of cuts: one direction, then across the results. Trim cuts belong to the round they prepare. */
export function roundsOf(steps: readonly CutStep[]): CutStep[][] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const memory = new Map<string, { readonly round: number; readonly axis: CutStep['axis'] | null }>();
  const at = (step: CutStep): { readonly round: number; readonly axis: CutStep['axis'] | null } => {
    const known = memory.get(step.id);
    if (known) return known;
    const before = step.after === null ? undefined : byId.get(step.after);
    const from = before ? at(before) : { round: 0, axis: null };
    const trims = step.purpose === 'trim';
    const found = { round: from.round + (!trims && from.axis !== null && from.axis !== step.axis ? 1 : 0), axis: trims ? from.axis : step.axis };
    memory.set(step.id, found);
    return found;
  };
  const rounds: CutStep[][] = [];
  for (const step of steps) (rounds[Math.min(at(step).round, MAX_ROUNDS - 1)] ??= []).push(step);
  return rounds.filter((round) => round !== undefined);
}

function sheetSteps(job: BuildJob): Step[] {
  const made = stepOf(null, job.pace);
  const lines = allLines(job);
  const panelsOf = new Map(lines.flatMap((line) => piecesOf(line).map((piece) => [piece, line.id === piece ? line.panels : [piece]] as const)));
  const waiting = new Set(waitingCuts(job).map(({ id }) => id));
  const steps = job.sheets.flatMap(({ product, layout, sheets, steps: cuts }) => {
    const rounds = roundsOf(cuts.filter((cut) => !waiting.has(cut.id)));
    return rounds.map((round, index) => {
      const parts = round.flatMap(({ near, far }) => [near, far].flatMap((piece) => (piece?.part ? [piece.part] : [])));
      const heavy = round.filter(({ cut }) => isLarge(cut));
      return made(
        `cut/${product}/${index + 1}`,
        {
          kind: 'cut',
          product,
          sheets,
          layout,
          round: index,
          rounds: rounds.length,
          runs: waysOf(round).length > 1 ? 'both' : waysOf(round)[0] === 'y' ? 'along' : 'across',
          cuts: round.map((cut) => cut.id),
          settings: settingsOf(round),
          heavyKg: Math.max(0, ...heavy.map(({ cut }) => cut.kg)),
        },
        parts.flatMap((part) => panelsOf.get(part) ?? []),
        { 'fetch-sheet': index === 0 ? sheets : 0, 'set-saw': settingsOf(round), 'saw-cut': round.length - heavy.length, 'heavy-cut': heavy.length },
        { machines: machinesAt(round), helper: heavy.some(({ cut }) => cut.kg > job.shop.liftsKg) ? 'heavy' : null },
      );
    });
  });
  // A part whose cut is made and that does not exist was spoiled: no cut of this layout yields it any more.
  const comes = new Set(
    job.sheets.flatMap(({ steps: cuts, sawn }) => cuts.filter(({ id }) => !sawn.has(id)).flatMap(({ near, far }) => [near.part, far?.part ?? null])),
  );
  const isThere = (piece: string): boolean => comes.has(piece) || job.there.has(piece);
  const unlaid = lines.flatMap((line) => {
    // A board ripped into several parts exists as its board; a line of equal parts carries the id of the first.
    const asOne = line.count < line.panels.length && isThere(line.id);
    const panels = job.boards.has(line.stock) || asOne ? [] : line.panels.filter((panel) => !isThere(panel));
    return panels.length > 0 ? [{ stock: line.stock, panels }] : [];
  });
  return [
    ...steps,
    ...[...new Set(unlaid.map(({ stock }) => stock))].map((product) => {
      const own = unlaid.filter(({ stock }) => stock === product);
      const panels = own.flatMap((line) => line.panels);
      return made(
        job.sheets.some((sheet) => sheet.product === product) ? `cut/${product}/more` : `cut/${product}/1`,
        { kind: 'cut', product, sheets: 0, layout: null, round: 0, rounds: 1, runs: 'along', cuts: [], settings: own.length, heavyKg: 0 },
        panels,
        { 'fetch-sheet': 1, 'set-saw': own.length, 'saw-cut': 2 * panels.length },
        { machines: machineFor('rip', job.shop) },
      );
    }),
  ];
}

/** Directions of the cuts of a round; trim cuts do not count. */
const waysOf = (round: readonly CutStep[]): CutStep['axis'][] => [...new Set(round.filter(({ purpose }) => purpose !== 'trim').map(({ axis }) => axis))];

const machinesAt = (cuts: readonly CutStep[]): string[] => [...new Set(cuts.flatMap(({ way }) => way?.machine.id ?? []))];

function boardSteps(job: BuildJob): Step[] {
  const made = stepOf(null, job.pace);
  const lines = allLines(job).filter(({ stock }) => job.boards.has(stock));
  return [...new Set(lines.map(({ stock }) => stock))].map((product) => {
    const own = lines.filter(({ stock }) => stock === product);
    const count = own.reduce((sum, line) => sum + line.count, 0);
    return made(
      `boards/${product}`,
      { kind: 'boards', product, lines: own.map(({ id }) => id), cuts: 2 * count },
      own.flatMap(({ panels }) => panels),
      { 'fetch-sheet': 1, 'set-saw': new Set(own.map(({ width }) => width.value)).size, 'board-cut': 2 * count },
      { machines: machineFor('rip', job.shop) },
    );
  });
}

/** A setup for existing parts, and another for those cut to fit later. */
function setupSteps(setup: Setup, job: BuildJob, waiting: ReadonlySet<string>): Step[] {
  const later = setup.cuts.filter(({ operation }) => waiting.has(operation.panel));
  if (later.length === 0) return [setupStep(setup, job)];
  const now = setup.cuts.filter(({ operation }) => !waiting.has(operation.panel));
  const fitted = setupStep({ ...setup, cuts: later }, job);
  return [...(now.length > 0 ? [setupStep({ ...setup, cuts: now }, job)] : []), { ...fitted, id: `${fitted.id}/to-fit` }];
}

function setupStep(setup: Setup, { choices, pace }: BuildJob): Step {
  const panels = [...new Set(setup.cuts.map(({ operation }) => operation.panel))];
  const owners = new Set(panels.map((panel) => panel.slice(0, panel.indexOf('/'))));
  const unit = owners.size === 1 ? [...owners][0]! : null;
  const holes = setup.cuts.reduce((sum, { operation: { work } }) => sum + (work.kind === 'holes' ? work.count : 0), 0);
  const marked = setup.setting.held === 'mark' || setup.setting.held === 'line';
  return stepOf(unit, pace, choices.units === 'together' || unit === null ? 'setup/' : `setup/${unit}/`)(
    setup.id,
    { kind: 'setup', setup },
    panels,
    {
      'set-machine': 1,
      'test-cut': setup.stage === 'slots' || setup.stage === 'grooves' ? 1 : 0,
      'machine-cut': holes > 0 ? 0 : setup.cuts.length,
      'bored-hole': holes,
      'marked-out': marked ? setup.cuts.length : 0,
    },
    { machines: [setup.setting.machine] },
  );
}

/** Hand work, cabinet by cabinet and stage by stage; parts cut to fit later get another step. */
function handSteps(unmade: readonly Operation[], { pace }: BuildJob, waiting: ReadonlySet<string>, late?: 'late'): Step[] {
  const groups = new Map<string, { readonly unit: string; readonly stage: ToolingStage; readonly operations: Operation[] }>();
  for (const operation of unmade) {
    const unit = operation.panel.slice(0, operation.panel.indexOf('/'));
    const id = `${unit}/by-hand/${operation.stage}${late ? '/late' : waiting.has(operation.panel) ? '/to-fit' : ''}`;
    const known = groups.get(id) ?? { unit, stage: operation.stage, operations: [] };
    known.operations.push(operation);
    groups.set(id, known);
  }
  return [...groups].map(([id, { unit, stage, operations }]) =>
    stepOf(unit, pace, '')(id, { kind: 'by-hand', stage, operations, inside: late !== undefined }, [...new Set(operations.map(({ panel }) => panel))], {
      'marked-out': operations.length,
      'hand-cut': operations.length,
    }),
  );
}

function railSteps({ rails, pace, shop }: BuildJob): Step[] {
  return rails.flatMap(({ id, parts, screws }) => {
    const made = stepOf(null, pace, `rail/${id}/`);
    const panels = parts.flatMap((line) => line.panels);
    return [
      made(
        'cleat-rip',
        { kind: 'cleat-rip', boards: parts.map((line) => line.id) },
        panels,
        { 'set-machine': 1, 'bevel-rip': parts.length, 'board-cut': panels.length },
        { machines: machineFor('bevel', shop) },
      ),
      made(
        'up',
        { kind: 'rail', rail: id },
        panels.filter((panel) => panel.startsWith(`${id}/`)),
        { 'mark-line': 1, 'wall-screw': screws },
        { helper: 'long', canPause: false, machines: machineFor('bore', shop) },
      ),
    ];
  });
}
