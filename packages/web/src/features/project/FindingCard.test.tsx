/** @jest-environment ./src/test/browser.mjs */
import { afterEach, describe, expect, test } from '@jest/globals';
import { applyEdit, entered, plan, starterWorkshop, type Edit, type Finding } from '@keen/core';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { DESIGN, READINGS } from '../../test/print-room.ts';
import { FindingCard, effectWords } from './FindingCard.tsx';

afterEach(cleanup);

const path = ['units', 'ink', 'hanging', 'wallScrew', 'length'];
const shortScrews: Edit = [{ path, value: entered('50 mm') }];

function card(edit: Edit, check: Finding['check']) {
  const store = openStore(edit);
  const { design } = store.getState().project.open!;
  const finding = plan(design, READINGS, starterWorkshop()).findings.find((each) => each.check === check)!;
  const stations: string[] = [];
  render(
    <Opened store={store}>
      <FindingCard finding={finding} unit="mm" onStation={(station) => stations.push(station)} />
    </Opened>,
  );
  return { store, stations };
}

describe('a finding', () => {
  test('says how grave it is, what is wrong with the numbers, and why it matters', () => {
    card(shortScrews, 'screw-too-short');
    expect(screen.getByText('stop')).toBeTruthy();
    expect(screen.getByText(/Wall screws of 50 mm grip/)).toBeTruthy();
    expect(screen.getByText(/Too little thread/)).toBeTruthy();
  });

  test('its fix says what it would give when it is looked at, and changes nothing until it is clicked', async () => {
    const { store } = card(shortScrews, 'screw-too-short');
    const fix = screen.getByRole<HTMLButtonElement>('button', { name: /^Use .* screws$/ });
    // Offered once it has been tried.
    await waitFor(() => expect(fix.disabled).toBe(false));
    await userEvent.hover(fix);
    expect(screen.getByText(/to look at \d+ → \d+/)).toBeTruthy();
    expect(store.getState().view.ghost).toMatchObject({ unit: 'ink' });
    expect(store.getState().project.open!.design.units['ink']!.hanging.wallScrew.length.text).toBe('50 mm');
    await userEvent.unhover(fix);
    expect(store.getState().view.ghost).toBeNull();
    await userEvent.click(fix);
    const { open } = store.getState().project;
    expect(open!.design.units['ink']!.hanging.wallScrew.length.text).not.toBe('50 mm');
    expect(open!.notice).toMatchObject({ text: expect.stringMatching(/^Done: Use/), undo: true });
  });

  test('a fix that would not settle it is not offered', async () => {
    const edit: Edit = [
      { path: ['units', 'ink', 'depth'], value: entered('420 mm') },
      { path: ['units', 'ink', 'hanging', 'wallScrew', 'upper'], value: 1 },
    ];
    card(edit, 'children');
    const finding = plan(applyEdit(DESIGN, edit), READINGS, starterWorkshop()).findings.find(({ check }) => check === 'children')!;
    expect(screen.getAllByRole('button')).toHaveLength(finding.fixes.length);
    await waitFor(() => screen.queryAllByRole<HTMLButtonElement>('button').forEach(({ disabled }) => expect(disabled).toBe(false)));
    for (const { textContent } of screen.queryAllByRole('button')) expect(textContent).not.toMatch(/^Use #\d+ screws$/);
  });

  test('pointing at it lights its part up', async () => {
    const { store } = card(shortScrews, 'screw-too-short');
    await userEvent.hover(screen.getByText(/Wall screws of 50 mm/));
    expect(store.getState().view.hovered).toBe('ink/wall-half');
  });

  test('what only a person can supply leads to the station for it', async () => {
    const { stations } = card([{ path: ['units', 'ink', 'stock'], value: 'birch-15' }], 'nominal-thickness');
    await userEvent.click(screen.getByRole('button', { name: 'Take 2 readings' }));
    expect(stations).toEqual(['stock']);
  });
});

test('an effect names only what changes, the worse with the better', () => {
  const before = plan(DESIGN, READINGS, starterWorkshop()).cabinets[0]!;
  const figures = { weakest: 0.72, state: before.hang.state, worstSagMm: 1.1, emptyKg: 19.4, findings: 3, stops: 0 };
  expect(effectWords({ design: DESIGN, before: figures, after: figures }, 'mm')).toBe('nothing else changes');
  expect(effectWords({ design: DESIGN, before: figures, after: { ...figures, weakest: 0.6, emptyKg: 24 } }, 'mm')).toBe(
    'weakest link 72 % → 60 %, empty 19 kg → 24 kg',
  );
  expect(effectWords({ design: DESIGN, before: figures, after: { ...figures, worstSagMm: 2 } }, 'in')).toBe('worst sag 0.043 in → 0.079 in');
});
