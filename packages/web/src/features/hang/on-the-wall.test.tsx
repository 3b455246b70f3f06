/** @jest-environment ./src/test/browser.mjs */
/** At the wall: holes that may not be bored until someone looked, and the height it came to. */
import { afterEach, expect, test } from '@jest/globals';
import type { Edit } from '@keen/core';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { useCabinet } from '../project/selectors.ts';
import { LoadCasesTable } from './LoadCasesTable.tsx';
import { HangingStepsView } from './HangingStepsView.tsx';

afterEach(cleanup);

function Shown({ what: What }: { readonly what: typeof HangingStepsView }) {
  const shown = useCabinet();
  return shown ? <What shown={shown} /> : null;
}

function opened(edit: Edit = [], what = HangingStepsView) {
  const store = openStore(edit);
  render(
    <Opened store={store} at="/project/p/ink/hang">
      <Shown what={what} />
    </Opened>,
  );
  return store;
}
const rows = (): HTMLElement[] =>
  within(screen.getByRole('region', { name: 'Holes in the wall' }))
    .getAllByRole('row')
    .slice(1);

test('every hole has its row, and looking at their places opens them all at once', async () => {
  const store = opened();
  expect(rows().length).toBeGreaterThanOrEqual(4);
  expect(
    rows()
      .map((row) => row.textContent)
      .join(' '),
  ).toContain('look first');
  await userEvent.click(screen.getAllByRole('button', { name: 'Enter it' })[0]!);
  expect(
    rows()
      .map((row) => row.textContent)
      .join(' '),
  ).not.toContain('look first');
  const areas = Object.values(store.getState().project.open!.design.wall.looked);
  expect(areas.map(({ how }) => how)).toEqual(['detector', 'detector']);
  expect(screen.queryByText('Look before a hole is bored')).toBeNull();
});

test('nobody is believed in writing before it is written', async () => {
  const store = opened();
  await userEvent.selectOptions(screen.getByLabelText('these places were looked at'), 'in-writing');
  const enter = screen.getAllByRole('button', { name: 'Enter it' })[0]!;
  expect(enter).toHaveProperty('disabled', true);
  await userEvent.type(screen.getByLabelText('who answers for it, and why'), 'dead wire');
  expect(enter).toHaveProperty('disabled', true);
  await userEvent.type(screen.getByLabelText('who answers for it, and why'), ', says the owner');
  await userEvent.click(enter);
  expect(Object.values(store.getState().project.open!.design.wall.looked).map(({ note }) => note)).toContain('dead wire, says the owner');
});

test('what it came to is a fact of the record, and can be taken back', async () => {
  const store = opened();
  await userEvent.type(screen.getByLabelText('its bottom came to, above the floor'), '1298');
  await userEvent.click(screen.getAllByRole('button', { name: 'Enter it' }).at(-1)!);
  const entry = store.getState().project.open!.record.at(-1)!;
  expect(entry).toMatchObject({ kind: 'hung', hung: { unit: 'ink', allowed: { nm: 0 } } });
  await userEvent.click(screen.getByRole('button', { name: 'Take it back' }));
  expect(store.getState().project.open!.record.at(-1)).toMatchObject({ kind: 'withdrawn', withdraws: entry.id });
  expect(screen.getByLabelText('its bottom came to, above the floor')).toBeTruthy();
});

test('one load case governs, and every figure of it opens its sum', () => {
  opened([{ path: ['units', 'ink', 'contents', 'bottom'], value: { preset: 'tools', kg: 20 } }], LoadCasesTable);
  const governing = screen.getAllByRole('row').filter((row) => row.textContent!.includes('governs'));
  expect(governing).toHaveLength(1);
  expect(within(governing[0]!).getAllByRole('button')).toHaveLength(3);
});
