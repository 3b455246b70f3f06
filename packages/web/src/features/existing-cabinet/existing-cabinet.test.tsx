/** @jest-environment ./src/test/browser.mjs */
/** Existing cabinets: entries are kept, invalid ones in the browser are ignored, repairs change the verdict. */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { storeExisting, storedExisting, UNDESCRIBED } from './stored.ts';
import { Component as WorryPage } from './ExistingCabinetPage.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const opened = (): void =>
  void render(
    <MemoryRouter>
      <WorryPage />
    </MemoryRouter>,
  );
const said = (): string => screen.getByRole('heading', { level: 1 }).textContent!;

test('it says what goes first, and a repair tried on it is believed', async () => {
  opened();
  expect(said()).toBe('Take the heavy things out of it first. Thin back that holds the cleat first: far over.');
  const rail = screen.getByText(/^A rail inside under the top/).closest('li')!;
  await userEvent.click(within(rail).getByRole('button', { name: 'As if it were done' }));
  expect(said()).toMatch(/^OK, from what was entered\./);
  expect(storedExisting()).toMatchObject({ heldIn: 'rail', heldBy: 'screws' });
});

test('in inches what is typed so stands so, and the switch is kept', async () => {
  opened();
  await userEvent.click(within(screen.getByRole('group', { name: 'Units' })).getByRole('button', { name: 'in' }));
  const height = screen.getByRole('textbox', { name: 'height' });
  // Nothing entered yet: the defaults of an inch tape.
  expect(height).toHaveProperty('value', '28');
  await userEvent.clear(height);
  await userEvent.type(height, '27 1/2{Enter}');
  expect(storedExisting().height).toBe(698_500_000);
  cleanup();
  opened();
  expect(screen.getByRole('textbox', { name: 'height' })).toHaveProperty('value', '27 1/2');
});

test('wallboard alone is ruled out whatever the figures', async () => {
  storeExisting({ ...UNDESCRIBED, heldIn: 'rail', heldBy: 'screws', studs: 0 });
  opened();
  expect(said()).toMatch(/^Take the heavy things out of it first\./);
  expect(screen.getByText('It is fixed to wallboard alone.')).toBeTruthy();
  const studs = screen.getByText(/^Find two studs/).closest('li')!;
  await userEvent.click(within(studs).getByRole('button'));
  expect(screen.queryByText('It is fixed to wallboard alone.')).toBeNull();
});

test.each([
  ['nonsense', '{'],
  ['another kind of value', JSON.stringify({ height: 'tall', studs: [], cleat: 7 })],
  ['a screw there is not', JSON.stringify({ screw: '#99' })],
  ['a cleat there is not', JSON.stringify({ cleat: 'cheese' })],
])('%s in the browser is as if nothing had been told', (_name, text) => {
  localStorage.setItem('keen-worry', text);
  expect(storedExisting()).toEqual(UNDESCRIBED);
});
