/**
 * What the front view shows: a door that was just added is drawn, and can be taken away to look inside.
 * @jest-environment ./src/test/browser.mjs
 */
import '@testing-library/jest-dom/jest-globals';
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, act } from '@testing-library/react';
import { openStore, Opened } from '../../test/open-project.tsx';
import { edited } from '../project/project.slice.ts';
import { useUnit } from '../project/selectors.ts';
import { BoxStation } from './BoxStation.tsx';

afterEach(cleanup);

function Station() {
  const shown = useUnit();
  return shown ? <BoxStation shown={shown} /> : null;
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
