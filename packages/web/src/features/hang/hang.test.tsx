/** @jest-environment ./src/test/browser.mjs */
/** What would help most at the Hang station: with figures, from a click to the design, and never of a plan that is gone. */
import { afterEach, expect, test } from '@jest/globals';
import type { Edit } from '@keen/core';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { useCabinet } from '../project/selectors.ts';
import { Remedies } from './Remedies.tsx';

afterEach(cleanup);

function Shown() {
  const shown = useCabinet();
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
const region = (): HTMLElement | null => screen.queryByRole('region', { name: 'What would help most' });
/** Once it is worked out. */
const told = async (): Promise<HTMLElement> => {
  await waitFor(() => expect(region()?.getAttribute('aria-busy')).toBe('false'), { timeout: 5000 });
  return region()!;
};
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
  const first = await told();
  const before = store.getState().project.open!.design;
  const [least] = carried(first);
  await userEvent.click(within(first).getAllByRole('button')[0]!);
  expect(store.getState().project.open!.design).not.toBe(before);
  // What was found for the plan before is out of sight at once, its place is kept; then better ones, or none.
  expect(region()!.getAttribute('aria-busy')).toBe('true');
  expect(region()!.querySelector('.remedies')!.classList).toContain('pending');
  expect(carried(await told())[0]).toBeGreaterThan(least!);
});

test('what cannot hang whatever its figures is told nothing here', async () => {
  opened([{ path: ['units', 'ink', 'hanging', 'stock'], value: 'mdf-18' }]);
  await waitFor(() => expect(region()).toBeNull(), { timeout: 5000 });
});
