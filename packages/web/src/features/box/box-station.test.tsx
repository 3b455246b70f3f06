/**
 * What the front view shows: a door that was just added is drawn, and can be taken away to look inside.
 * @jest-environment ./src/test/browser.mjs
 */
import '@testing-library/jest-dom/jest-globals';
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, act } from '@testing-library/react';
import { openStore, Opened } from '../../test/open-project.tsx';
import { edited } from '../project/project.slice.ts';
import { useCabinet } from '../project/selectors.ts';
import { ReadingPane } from '../project/ReadingPane.tsx';
import { BoxStation } from './BoxStation.tsx';

afterEach(cleanup);

function Station() {
  const shown = useCabinet();
  return shown ? <BoxStation shown={shown} /> : null;
}

function Pane() {
  return <ReadingPane shown={useCabinet()} station="box" onStation={() => {}} />;
}

test('a door that is added shows; without its doors the inside does', () => {
  const store = openStore([{ path: ['units', 'ink', 'front'], value: 'open' }]);
  render(
    <Opened store={store}>
      <Station />
    </Opened>,
  );
  expect(screen.queryByLabelText('Doors shown')).toBeNull();
  act(() => void store.dispatch(edited({ edit: [{ path: ['units', 'ink', 'front'], value: 'doors' }], key: 'front' })));
  expect(screen.getByLabelText('Doors shown')).toBeChecked();
  fireEvent.click(screen.getByLabelText('Doors shown'));
  expect(screen.getByLabelText('Doors shown')).not.toBeChecked();
});

test('a board as the stock of a cabinet, as a file may have it, is shown as what it is', () => {
  const store = openStore();
  const board = Object.values(store.getState().project.open!.workshop.products).find(({ kind }) => kind === 'board')!;
  store.dispatch(edited({ edit: [{ path: ['units', 'ink', 'stock'], value: board.id }], key: 'stock' }));
  render(
    <Opened store={store}>
      <Pane />
    </Opened>,
  );
  expect(screen.getByRole('combobox', { name: 'sheet' })).toHaveTextContent(board.name);
});
