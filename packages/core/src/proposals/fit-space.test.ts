/** Spaces filled: the cabinet that fills one stands clear of everything, and a run keeps to its room. */
import { describe, expect, test } from '@jest/globals';
import { mm } from '../length/length.ts';
import { printRoom } from '../test/print-room.ts';
import { applyEdit } from '../model/edit.ts';
import { fillRoom, roomAbout, roomsFor, runOfCabinets } from './fit-space.ts';
import { createPlanner, plan } from '../planner/plan.ts';

const { design, record, workshop } = printRoom();
const made = plan(design, record, workshop);
const ink = design.units['ink']!;
const blocks = made.cabinets.map(({ block }) => block);
const clear = { above: mm(30), beside: mm(10), below: 0 };
const rooms = roomsFor(design, blocks, made.byId.get('ink')!.block.out, clear, ['ink']);

const tried = { planner: createPlanner(), design, record, workshop };
/** All a generator gives at its end. */
const filledIn = (room: (typeof rooms)[number]) => {
  const sizes = fillRoom(tried, ink, room);
  for (let next = sizes.next(); ; next = sizes.next()) if (next.done) return next.value;
};

test('every free room, filled, gives a cabinet that runs into nothing and can be lifted on', () => {
  expect(rooms.length).toBeGreaterThan(3);
  for (const room of rooms.slice(0, 4)) {
    const { edit, stops } = filledIn(room);
    // Its two shelves and its rail take so much height.
    if (room.top - room.bottom > mm(500)) expect(stops.filter(({ check }) => check !== 'cable-unknown')).toEqual([]);
    const filled = plan(applyEdit(design, edit), record, workshop).byId.get('ink')!;
    const wrong = filled.findings.filter(({ check }) => ['collides', 'covers-outlet', 'room-door', 'hits-baseboard', 'lift-clearance'].includes(check));
    expect(wrong).toEqual([]);
    // As large as the room in whole millimeters, or the share of it that its sheets and its hanging take.
    expect((filled.block.right - filled.block.left) / Math.min(room.right - room.left, mm(3000))).toBeGreaterThan(0.5);
  }
});

test('smaller rooms than a cabinet are not offered', () => {
  for (const { left, right, bottom, top } of rooms) expect(Math.min(right - left, top - bottom)).toBeGreaterThanOrEqual(mm(150));
});

describe('a run', () => {
  const room = { left: mm(100), right: mm(2500), bottom: mm(1300), top: mm(2200) };
  const wish = { count: 3, width: null, gap: mm(5), open: { width: 0, after: 0 }, share: 'ends' as const };
  let n = 0;
  const newId = () => `copy${n++}`;

  test('is the cabinet and copies of it, equal, with ids of their own and no overlap', () => {
    const { edit, run } = runOfCabinets(design, ink, room, wish, newId);
    const after = plan(applyEdit(design, edit!), record, workshop);
    const mine = after.cabinets.filter(({ id }) => id !== 'type');
    expect(mine.map(({ id }) => id)).toEqual(['ink', 'copy0', 'copy1']);
    expect(new Set(mine.map(({ block }) => block.right - block.left))).toEqual(new Set([run.width]));
    for (let k = 1; k < mine.length; k++) expect(mine[k]!.block.left - mine[k - 1]!.block.right).toBe(mm(5));
  });
  test('that does not fit is not made, and says by how much', () => {
    const { edit, run } = runOfCabinets(design, ink, room, { ...wish, width: mm(900) }, newId);
    expect(edit).toBeNull();
    expect(run.left).toBe(mm(2400 - 10 - 2700));
  });
});

test('the room about a cabinet reaches to what is in the way; none where it stands in something', () => {
  const about = roomAbout(made.byId.get('ink')!.block, roomsFor(design, blocks, mm(298), { above: 0, beside: 0, below: 0 }, ['ink']))!;
  expect(about.right).toBe(mm(1705)); // the type-case box
  expect(about.top).toBe(mm(2460));
  expect(roomAbout({ left: 0, right: mm(9000), bottom: 0, top: mm(100) }, rooms)).toBeNull();
});
