/** Sweeps of lengths by a tenth of a millimeter: uses move with them, and where one jumps something is said of it. */
import { expect, test } from '@jest/globals';
import { plan } from '../planner/plan.ts';
import { applyEdit } from '../model/edit.ts';
import { ink, printRoom, typed } from '../test/print-room.ts';

const { design, record, workshop } = printRoom();
const STEPS = 50;
/** Of its use, a step may move a link by this: rows of screws stand in whole millimeters. */
const MOVED = 0.04;
const weighed = ink('contents', Object.fromEntries(['bottom', 's1', 's2'].map((on) => [on, { preset: 'general', kg: 12 }])));

const planned = (path: string, mm: number) => plan(applyEdit(design, [weighed, typed(path, `${mm.toFixed(1)} mm`)]), record, workshop).byId.get('ink')!;

test.each([
  ['width', 690],
  ['width', 733],
  ['height', 818],
  ['depth', 279],
  ['hanging.boardWidth', 158],
  ['hanging.leftInset', 93],
  ['hanging.rightInset', 98],
  ['hanging.rail', 88],
  ['hanging.wallScrew.length', 78],
  ['place.along', 893],
])('%s from %d mm', (path, from) => {
  let before = planned(path, from);
  for (let step = 1; step <= STEPS; step++) {
    const now = planned(path, from + step / 10);
    const counts = now.hang.studs.length === before.hang.studs.length;
    if (counts) {
      const was = new Map(before.hang.links.map(({ id, use }) => [id, use.value]));
      for (const { id, use } of now.hang.links)
        expect([path, step, id, Math.abs(use.value - was.get(id)!) <= MOVED * Math.max(use.value, 0.05)]).toEqual([path, step, id, true]);
    } else {
      // One of the two has a stud too near the cleat's end, and says how much is missing.
      const said = [before, now].flatMap(({ findings }) => findings.filter(({ check }) => check === 'stud-by-end'));
      expect([path, step, said.length]).toEqual([path, step, 1]);
      const [{ hasMm, wantedMm }] = said as [Extract<(typeof said)[number], { check: 'stud-by-end' }>];
      expect(wantedMm - hasMm).toBeLessThanOrEqual(0.1 + 1e-6);
    }
    before = now;
  }
});
