import { describe, expect, test } from '@jest/globals';
import { entered, starterWorkshop, type Design, type RecordEntry } from '@keen/core';
import { DESIGN as design } from '../../test/print-room.ts';
import {
  edited,
  entryAdded,
  fieldLeft,
  merged,
  oursKept,
  projectOpened,
  projectSlice,
  recordConfirmed,
  redone,
  saveDone,
  saveHeld,
  saveStarted,
  theirsTaken,
  undone,
  versionsDiffer,
} from './project.slice.ts';

const length = (text: string) => entered(text);
type State = ReturnType<typeof projectSlice.reducer>;
type Action = Parameters<typeof projectSlice.reducer>[1];
const opened = projectOpened({
  id: 'p',
  demo: false,
  design,
  base: { revision: 3, design },
  record: [],
  queue: [],
  workshop: starterWorkshop(),
  workshopRevision: 1,
  save: { kind: 'saved', at: 0 },
});
const after = (...actions: readonly Action[]): State =>
  [opened, ...actions].reduce<State>((state, action) => projectSlice.reducer(state, action), projectSlice.getInitialState());
const width = (text: string, key = 'ink.width') => edited({ edit: [{ path: ['units', 'ink', 'width'], value: length(text) }], key });
const widthOf = ({ open }: State): string => open!.design.units['ink']!.width.text;

describe('undo', () => {
  test('edits of one field in one go are one step; after leaving it the next is another', () => {
    const state = after(width('610 mm'), width('620 mm'), fieldLeft(), width('630 mm'));
    expect(state.open!.past).toHaveLength(2);
    const once = projectSlice.reducer(state, undone());
    expect(widthOf(once)).toBe('620 mm');
    expect(widthOf(projectSlice.reducer(once, undone()))).toBe('700 mm');
  });

  test('what was undone can be done again, until something else is done', () => {
    const state = after(width('610 mm'), undone());
    expect(widthOf(projectSlice.reducer(state, redone()))).toBe('610 mm');
    const other = projectSlice.reducer(state, width('650 mm'));
    expect(projectSlice.reducer(other, redone())).toEqual(other);
  });

  test('nothing to undo changes nothing', () => {
    expect(after(undone()).open!.design).toBe(design);
  });

  test('no more than two hundred steps are kept', () => {
    const many = Array.from({ length: 250 }, (_, n) => width(`${300 + n} mm`, `k${n}`));
    expect(after(...many).open!.past).toHaveLength(200);
  });

  test('an edit that leads nowhere throws and leaves the state alone', () => {
    expect(() => after(edited({ edit: [{ path: ['units', 'gone', 'width'], value: 1 }], key: '' }))).toThrow(RangeError);
  });
});

describe('saving', () => {
  test('a save that brought the design as it still is settles as saved', () => {
    const state = after(width('610 mm'), saveStarted());
    const saved = projectSlice.reducer(state, saveDone({ revision: 4, design: state.open!.design, at: 7 }));
    expect(saved.open).toMatchObject({ save: { kind: 'saved', at: 7 }, base: { revision: 4 } });
    expect(saved.open!.base.design).toBe(saved.open!.design);
  });

  test('an edit made while a save was on its way is still unsaved', () => {
    const state = after(width('610 mm'), saveStarted());
    const sent = state.open!.design;
    const later = projectSlice.reducer(projectSlice.reducer(state, width('615 mm')), saveDone({ revision: 4, design: sent, at: 7 }));
    expect(later.open!.save.kind).toBe('unsaved');
    expect(widthOf(later)).toBe('615 mm');
  });

  test('held stays held through more edits: the words do not flicker', () => {
    expect(after(width('610 mm'), saveHeld(), width('611 mm')).open!.save.kind).toBe('held');
  });
});

describe('someone else saved first', () => {
  const theirs: Design = { ...design, name: 'Theirs' };
  test('what goes together is put together, and one undo takes only ours off', () => {
    const mine = after(width('610 mm'));
    const both = projectSlice.reducer(mine, merged({ design: { ...mine.open!.design, name: 'Theirs' }, theirs, revision: 9 }));
    expect(both.open).toMatchObject({
      base: { revision: 9 },
      save: { kind: 'unsaved' },
      notice: { text: expect.stringContaining('both changes are in') },
    });
    const undoneOnce = projectSlice.reducer(both, undone());
    expect(undoneOnce.open!.design).toEqual(theirs);
    expect(projectSlice.reducer(undoneOnce, undone()).open!.design).toEqual(theirs);
  });

  test('while two versions stand against each other nothing is sent, whatever is edited', () => {
    const state = after(width('610 mm'), versionsDiffer({ theirs, revision: 9, conflicts: ['units.ink.width'] }), width('620 mm'));
    expect(state.open!.save.kind).toBe('two-versions');
    const kept = projectSlice.reducer(state, oursKept());
    expect(kept.open).toMatchObject({ twoVersions: null, base: { revision: 9, design: theirs }, save: { kind: 'unsaved' } });
    expect(widthOf(kept)).toBe('620 mm');
  });

  test('taking theirs leaves ours one undo away', () => {
    const taken = after(width('610 mm'), versionsDiffer({ theirs, revision: 9, conflicts: ['x'] }), theirsTaken(5));
    expect(taken.open).toMatchObject({ design: theirs, save: { kind: 'saved' }, twoVersions: null });
    expect(widthOf(projectSlice.reducer(taken, undone()))).toBe('610 mm');
  });
});

describe('the shop record', () => {
  const entry = (id: string): RecordEntry => ({
    id,
    at: '2026-03-01T09:00:00Z',
    kind: 'thickness',
    reading: { product: 'birch-18', value: length('17.8 mm') },
  });
  test('an entry counts at once and waits until the server has confirmed it', () => {
    const state = after(entryAdded(entry('a')), entryAdded(entry('b')));
    expect(state.open!.queue.map(({ id }) => id)).toEqual(['a', 'b']);
    const confirmed = projectSlice.reducer(state, recordConfirmed([{ sequence: 1, entry: entry('a') }]));
    expect(confirmed.open!.record.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(confirmed.open!.queue.map(({ id }) => id)).toEqual(['b']);
    expect(confirmed.open!.sequence).toBe(1);
  });
  test('what another device entered in between is still to be fetched', () => {
    const state = after(entryAdded(entry('a')), entryAdded(entry('b')));
    const confirmed = projectSlice.reducer(
      state,
      recordConfirmed([
        { sequence: 3, entry: entry('b') },
        { sequence: 1, entry: entry('a') },
      ]),
    );
    expect(confirmed.open!).toMatchObject({ sequence: 1, queue: [] });
  });
  test('undo never takes a fact back', () => {
    expect(after(entryAdded(entry('a')), width('610 mm'), undone(), undone()).open!.record).toHaveLength(1);
  });
});
