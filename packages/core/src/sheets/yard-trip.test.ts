/** Several projects on one trip: the parts of all, each still to be cut, from one store. */
import { describe, expect, test } from '@jest/globals';
import { auditPlan } from '../nesting/audit.ts';
import { search } from '../nesting/search.ts';
import { entered } from '../length/entered.ts';
import { furnishedRoom, printRoom, typed } from '../test/print-room.ts';
import { applyEdit } from '../model/edit.ts';
import { plan } from '../planner/plan.ts';
import { projectOfPiece, yardTrip, type TripProject } from './yard-trip.ts';

const project = (id: string, { design, record, workshop } = printRoom()): TripProject => ({ id, design, record, workshop });
const piecesOf = (trip: ReturnType<typeof yardTrip>): string[] => trip.together.sheets.flatMap(({ problem }) => problem.parts.map(({ id }) => id));

describe('a trip for several projects', () => {
  test('has every piece of each once, under the number of its project, and marks that tell them apart', () => {
    const trip = yardTrip([project('a'), project('b')]);
    const one = trip.alone[0]!.sheets.flatMap(({ problem }) => problem.parts.map(({ id }) => id));
    expect(piecesOf(trip).sort()).toEqual([...one.map((id) => `1/${id}`), ...one.map((id) => `2/${id}`)].sort());
    expect(
      piecesOf(trip)
        .map(projectOfPiece)
        .filter((n) => n === 1),
    ).toHaveLength(one.length);
    expect(new Set(trip.parts.map(({ mark }) => mark)).size).toBe(trip.parts.length);
    expect(trip.parts[0]!.mark).toBe('1 A1');
  });

  test('takes no more new sheets than the projects each alone, in layouts that can be cut', () => {
    const { together, alone } = yardTrip([project('a'), project('b', furnishedRoom())]);
    const newSheets = ({ problem, product }: (typeof together.sheets)[number]): number => {
      const stepper = search(problem, 1);
      stepper.step(120);
      const found = stepper.plan();
      expect(auditPlan(problem, found)).toEqual([]);
      expect(found.unplaced).toEqual([]);
      return found.sheets.filter(({ sheet }) => sheet === product).length;
    };
    const sum = (jobs: readonly (typeof together.sheets)[number][]): number => jobs.reduce((total, job) => total + newSheets(job), 0);
    // What is at hand serves one of them only.
    const bare = alone.flatMap(({ sheets }) => sheets.map((job) => ({ ...job, problem: { ...job.problem, sheets: job.problem.sheets.slice(-1) } })));
    expect(sum(together.sheets)).toBeLessThanOrEqual(sum(bare));
  });

  test('what is cut is not bought again; what only one of them may use serves all that go together', () => {
    const { design, record, workshop } = printRoom();
    const { parts } = plan(design, record, workshop);
    const done = parts.find(({ stock }) => stock === 'birch-18')!.panels[0]!;
    const sawn = { id: 'sawn', at: '2026-03-02T09:00:00Z', kind: 'sawn' as const, sawn: { layout: 'by-hand', cuts: [], parts: [done] } };
    const kept = {
      ...workshop,
      pieces: { own: { id: 'own', product: 'birch-18', kind: 'offcut' as const, length: entered('900 mm'), width: entered('600 mm') } },
    };
    const trip = yardTrip([
      { ...project('a'), record: [...record, sawn] },
      { ...project('b'), workshop: kept },
    ]);
    const pieces = piecesOf(trip);
    expect([pieces.includes(`1/${done}`), pieces.includes(`2/${done}`)]).toEqual([false, true]);
    expect(trip.together.sheets.find(({ product }) => product === 'birch-18')!.problem.sheets.some(({ id }) => id === 'own')).toBe(true);
  });

  test('boards come out of one plan, and a first cut that is not agreed on is free', () => {
    const { design, record, workshop } = printRoom();
    const board = applyEdit(design, [typed('hanging.boardWidth', '130 mm'), { path: ['units', 'ink', 'hanging', 'stock'], value: 'board-1x6' }]);
    const ripped = applyEdit(board, [{ path: ['cutting', 'first'], value: 'rip' }]);
    const own = (id: string, of: typeof board): TripProject => ({ id, design: of, record, workshop });
    const { together, alone } = yardTrip([own('a', board), own('b', ripped)]);
    const bought = (jobs: readonly (typeof together.boards)[number][]): number =>
      jobs.reduce((total, { plan: of }) => total + of.bought.reduce((sum, { count }) => sum + count, 0), 0);
    expect([bought(alone[0]!.boards), bought(alone[1]!.boards), bought(together.boards)]).toEqual([1, 1, 1]);
    expect(together.sheets.every(({ problem }) => problem.first === undefined)).toBe(true);
    expect(alone[1]!.sheets.every(({ problem }) => problem.first?.by === 'rip')).toBe(true);
  });

  test('a cabinet that cannot be planned is named and left out; a trip for nothing is refused', () => {
    const { design, record, workshop } = printRoom();
    const broken = applyEdit(design, [typed('hanging.rightInset', '1400 mm')]);
    const { leftOut, parts } = yardTrip([project('a'), { id: 'b', design: broken, record, workshop }]);
    const made = plan(broken, record, workshop);
    expect(made.unplanned).toHaveLength(1);
    expect(leftOut).toEqual(made.unplanned.map(({ name }) => ({ project: 'b', cabinet: name })));
    expect(parts).toHaveLength(plan(design, record, workshop).parts.length + made.parts.length);
    expect(() => yardTrip([])).toThrow(RangeError);
  });
});
