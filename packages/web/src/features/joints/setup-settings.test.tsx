/** @jest-environment ./src/test/browser.mjs */
import { afterEach, expect, test } from '@jest/globals';
import { plan, setupsOf, setupWords, STARTER_SHOPS, type SetupWords } from '@keen/core';
import { cleanup, render, screen } from '@testing-library/react';
import { ExplainProvider } from '../../ui/Explained.tsx';
import { openStore, Opened } from '../../test/open-project.tsx';
import { SetupSettings } from './SetupSettings.tsx';

afterEach(cleanup);

test('a number is not found at the end of a longer one', () => {
  const store = openStore();
  const { design, record, workshop } = store.getState().project.open!;
  const of = plan(design, record, workshop).cabinets[0]!.cabinet.panels[0]!.length;
  render(
    <Opened store={store}>
      <ExplainProvider onSource={() => {}}>
        <SetupSettings set={[{ what: 'straight edge', to: '118 mm from its far wall (the slot begins at 18 mm)', sum: { of, text: '18 mm' } }]} unit="mm" />
      </ExplainProvider>
    </Opened>,
  );
  expect(screen.getByRole('definition').firstChild?.textContent).toBe('118 mm from its far wall (the slot begins at ');
});

test('whatever a machine is set to is read whole, with its number where it stands in the sentence', () => {
  const store = openStore();
  const { design, record, workshop } = store.getState().project.open!;
  const shop = STARTER_SHOPS.find(({ id }) => id === 'hand-held')!.make();
  const made = plan(design, record, { ...workshop, shop });
  const setups = setupsOf(
    made.cabinets.map(({ cabinet }) => cabinet),
    shop,
  );
  const rows = setups.setups.flatMap((setup): SetupWords['set'] => setupWords(setup, { shop, blanks: setups.blanks, parts: made.parts }, 'mm').set);
  // A straight edge beyond the slot has its number in the middle.
  const beyond = rows.filter(({ to, sum }) => sum && !to.startsWith(sum.text));
  expect(beyond.length).toBeGreaterThan(0);
  for (const row of rows) {
    render(
      <Opened store={store}>
        <ExplainProvider onSource={() => {}}>
          <SetupSettings set={[row]} unit="mm" />
        </ExplainProvider>
      </Opened>,
    );
    expect(screen.getByRole('definition').textContent).toBe(row.to);
    if (row.sum) expect(screen.getByRole('button').textContent).toBe(row.sum.text);
    cleanup();
  }
});
