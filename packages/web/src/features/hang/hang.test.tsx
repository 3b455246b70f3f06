/** @jest-environment ./src/test/browser.mjs */
/** What would help most at the Hang station: with figures, from a click to the design, and never of a plan that is gone. */
import { afterEach, expect, test } from '@jest/globals';
import type { Edit } from '@keen/core';
import { act, cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { useUnit } from '../project/selectors.ts';
import { Remedies } from './Remedies.tsx';

afterEach(cleanup);

function Shown() {
  const shown = useUnit();
  return shown ? <Remedies shown={shown} onStation={() => undefined} /> : null;
}

function opened(edit: Edit = []) {
  const store = openStore(edit);
  render(
    <Opened store={store} at="/project/p/ink/hang">
      <Shown />
    </Opened>,
  );
  return store;
}
const told = async (): Promise<HTMLElement> => screen.findByRole('region', { name: 'What would help most' }, { timeout: 5000 });
const carried = (region: HTMLElement): number[] =>
  within(region)
    .getAllByText(/^carries/)
    .map((each) => Number(/[\d.]+/.exec(each.textContent!)![0]));

test('three changes at most, the best first, with what it carries after each', async () => {
  opened();
  const figures = carried(await told());
  expect(figures.length).toBeGreaterThan(0);
  expect(figures.length).toBeLessThanOrEqual(3);
  expect(figures).toEqual([...figures].sort((a, b) => b - a));
});

test('a click makes the change, and what helps then is worked out anew', async () => {
  const store = opened([{ path: ['units', 'ink', 'hanging', 'wallScrew', 'upper'], value: 1 }]);
  const region = await told();
  const before = store.getState().project.open!.design;
  const [first] = carried(region);
  await userEvent.click(within(region).getAllByRole('button')[0]!);
  expect(store.getState().project.open!.design).not.toBe(before);
  // Gone at once with the plan it was found for; then better ones, or none.
  expect(screen.queryByRole('region', { name: 'What would help most' })).toBeNull();
  await waitFor(() => expect(carried(screen.getByRole('region', { name: 'What would help most' }))[0]).toBeGreaterThan(first!), { timeout: 5000 });
});

test('what cannot hang whatever its figures is told nothing here', async () => {
  opened([{ path: ['units', 'ink', 'hanging', 'stock'], value: 'mdf-18' }]);
  await act(() => new Promise((resolve) => setTimeout(resolve, 800)));
  expect(screen.queryByRole('region', { name: 'What would help most' })).toBeNull();
});
