/**
 * A thing in the reading pane: its numbers typed, where it stands, what it weighs.
 * @jest-environment ./src/test/browser.mjs
 */
import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeAll, expect, test } from '@jest/globals';
import { entered, FAMILIES, newItem, type FamilyId, type Item, type CabinetSpec } from '@keen/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { newSpecOf } from '../../test/new-spec.ts';
import { openStore, Opened } from '../../test/open-project.tsx';
import { picked } from '../project/view.slice.ts';
import { ContentsReading } from './ContentsReading.tsx';
import { RowsView } from './RowsView.tsx';
import { useCabinet } from '../project/selectors.ts';

const tin: Item = {
  ...newItem({ id: 'tin', order: 1, unit: 'mm' }),
  name: 'black tin',
  count: 4,
  kg: 1.5,
  homes: { ink: { s1: { count: 3, pinned: false } } },
};

// Set-out waits for its worker, which is no part of these tests.
beforeAll(
  () =>
    void Object.assign(globalThis, {
      Worker: class extends EventTarget {
        postMessage() {}
        terminate() {}
      },
    }),
);
afterEach(cleanup);

function Pane() {
  return <ContentsReading shown={useCabinet()} onStation={() => {}} />;
}
function shown(item: Item = tin) {
  const store = openStore([{ path: ['items', item.id], value: item }]);
  store.dispatch(picked({ kind: 'item', id: item.id }));
  render(
    <Opened store={store} at="/project/p/ink/contents">
      <Pane />
    </Opened>,
  );
  return { store, item: () => store.getState().project.open!.design.items[item.id]! };
}

test('says how many there are, what they weigh, and how many have no place', () => {
  shown();
  expect(screen.getByRole('heading', { name: 'black tin' })).toBeInTheDocument();
  expect(screen.getByText(/^6(\.0)? kg$/)).toBeInTheDocument();
  expect(screen.getByLabelText('3 on')).toHaveDisplayValue('Ink cupboard: opening over shelf 1');
  expect(screen.getByLabelText('1 without a place: put on')).toBeInTheDocument();
});

test('a count typed follows at once; one that is none says what would be taken and changes nothing', () => {
  const { item } = shown();
  fireEvent.change(screen.getByLabelText('count'), { target: { value: '7' } });
  expect(item().count).toBe(7);
  fireEvent.change(screen.getByLabelText('count'), { target: { value: '0' } });
  expect(item().count).toBe(7);
  expect(screen.getByText('a whole number from 1 to 2000')).toBeInTheDocument();
});

test('the typed twin of a drag: put on a floor, pinned there', () => {
  const { item } = shown();
  fireEvent.change(screen.getByLabelText('1 without a place: put on'), { target: { value: 'ink/bottom' } });
  expect(item().homes['ink']).toEqual({ s1: { count: 3, pinned: false }, bottom: { count: 1, pinned: true } });
});

test('an estimate is marked as one, a mass typed is not', () => {
  const { item } = shown({ ...tin, kg: null });
  expect(screen.getByText(/estimated/)).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText('weight of one'), { target: { value: '2' } });
  expect(item().kg).toBe(2);
  expect(screen.getByText(/weighed/)).toBeInTheDocument();
});

test('taken out, it is gone and one undo brings it back', () => {
  const { store, item } = shown();
  fireEvent.click(screen.getByRole('button', { name: 'Take it out' }));
  expect(item()).toBeUndefined();
  expect(store.getState().project.open!.past).toHaveLength(1);
});

function Rows() {
  return <RowsView shown={useCabinet()} />;
}
function rowsOf(family: FamilyId, rows: CabinetSpec['rows'] = {}) {
  const unit = { ...newSpecOf(family, 'ink'), rows };
  const store = openStore([
    { path: ['units', 'ink'], value: unit },
    { path: ['items', 'tin'], value: tin },
  ]);
  render(
    <Opened store={store} at="/project/p/ink/contents">
      <Rows />
    </Opened>,
  );
  return () => Object.values(store.getState().project.open!.design.units['ink']!.rows);
}

test.each(FAMILIES.map(({ id }) => id as FamilyId))('%s: asked how many fit, a row stands on a floor there is, or none can be added', (family) => {
  const rows = rowsOf(family);
  const ask = screen.queryByRole('button', { name: 'Ask how many fit' });
  if (!ask) {
    expect(screen.getByText(/no floor or ledge/)).toBeInTheDocument();
    return;
  }
  fireEvent.click(ask);
  expect(rows()).toHaveLength(1);
  expect(screen.getByText(/^\d+ fits?/)).toBeInTheDocument();
});

test('a row whose floor is gone is said so, put on another, or deleted', () => {
  const row = {
    id: 'r1',
    order: 1,
    kind: 'slots' as const,
    on: 'gone',
    items: ['tin'],
    wanted: null,
    pitch: null,
    clearance: entered('6 mm'),
    thickness: entered('6 mm'),
    margin: entered('0 mm'),
    tiltDeg: 0,
    lip: null,
    gap: entered('100 mm'),
  };
  const rows = rowsOf('shelf-box', { r1: row, r2: { ...row, id: 'r2', order: 2 } });
  expect(screen.getAllByText(/floor of this row is no longer there/)).toHaveLength(2);
  fireEvent.change(screen.getAllByLabelText('on')[0]!, { target: { value: 'bottom' } });
  expect(rows()[0]).toMatchObject({ on: 'bottom' });
  expect(screen.getAllByText(/floor of this row is no longer there/)).toHaveLength(1);
  fireEvent.click(screen.getAllByRole('button', { name: 'Delete row' }).at(-1)!);
  expect(rows()).toHaveLength(1);
});
