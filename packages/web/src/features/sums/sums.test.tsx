/** @jest-environment ./src/test/browser.mjs */
/** Quick sums: every card begins with a worked example and its picture; entries are computed, or refused at their field. */
import { afterEach, expect, test } from '@jest/globals';
import { SUM_TITLES, SUMS, type Edit } from '@keen/core';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { useCabinet } from '../project/selectors.ts';
import { lengthLabel } from './primitives.tsx';
import { Sums } from './Sums.tsx';

afterEach(cleanup);

function Shown({ put }: { readonly put: boolean }) {
  const shown = useCabinet();
  return shown ? <Sums unit={shown.unit} put={put ? shown.spec : null} /> : null;
}

function opened(sum: string, put = true, edit: Edit = []) {
  const store = openStore(edit);
  render(
    <Opened store={store} at={`/project/p/ink/sums?sum=${sum}`}>
      <Shown put={put} />
    </Opened>,
  );
  return store;
}
const field = (label: string): HTMLElement => screen.getByLabelText(label);
const retype = async (label: string, text: string): Promise<void> => {
  await userEvent.clear(field(label));
  await userEvent.type(field(label), text);
};

test.each(SUMS.map(({ name }) => name))('%s begins with results, a picture and its working', (name) => {
  opened(name, false);
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(SUM_TITLES[name]!.asks);
  expect(screen.queryByRole('alert')).toBeNull();
  const picture = screen.getByRole('img', { name: /^Drawn with / });
  expect(picture.children.length).toBeGreaterThan(0);
  expect(picture.innerHTML).not.toMatch(/NaN|undefined|Infinity/);
  const results = document.querySelectorAll('.sum-results dd');
  expect(results.length).toBeGreaterThan(0);
  for (const each of results) expect(each.textContent).not.toMatch(/^$|NaN|undefined|object/);
  expect(document.querySelectorAll('.working li').length).toBeGreaterThan(0);
});

test('what makes no sense is said at its field, and the last answer stays until it does', async () => {
  opened('strips');
  expect(document.querySelector('.sum-results')!.textContent).toContain('147.6 mm');
  await retype('kerf', '3 kg');
  await waitFor(() => expect(screen.getByText(/Accepted: a length/)).toBeTruthy());
  expect(document.querySelector('.sum-results')!.textContent).toContain('147.6 mm');
  expect(screen.queryByRole('group', { name: /^Put it into/ })).toBeNull();
  await retype('kerf', '2mm');
  // (600 − 3 · 2) / 4
  await waitFor(() => expect(document.querySelector('.sum-results')!.textContent).toContain('148.5 mm'));
});

test('a length is put where a person chooses, never by itself', async () => {
  const store = opened('strips');
  const put = screen.getByRole('group', { name: 'Put it into Ink cupboard' });
  expect(within(put).getByRole('button')).toHaveProperty('disabled', true);
  await userEvent.selectOptions(within(put).getByLabelText('into Ink cupboard'), 'depth');
  await userEvent.click(within(put).getByRole('button', { name: 'Put 147.6 mm there' }));
  expect(store.getState().project.open!.design.units['ink']!.depth.text).toBe('147.6 mm');
});

test('what is out of a field’s limits is not offered there', () => {
  opened('panel-weight');
  // A mass goes into no length, count or angle.
  expect(screen.queryByRole('group', { name: /^Put it into/ })).toBeNull();
});

test('lengths in a picture are told in the unit of the page; what a tape does not show, in thousandths', () => {
  expect(lengthLabel(161.5, 'mm')).toBe('161.5');
  expect(lengthLabel(161.5, 'in')).toBe('6 11/32');
  expect(lengthLabel(6.35, 'in')).toBe('1/4');
  expect(lengthLabel(0.8, 'in')).toBe('0.031');
});
