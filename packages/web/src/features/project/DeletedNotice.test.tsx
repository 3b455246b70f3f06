/** @jest-environment ./src/test/browser.mjs */
import { afterEach, expect, jest, test } from '@jest/globals';
import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerWith } from '../../test/answers.ts';
import { openStore, Opened } from '../../test/open-project.tsx';
import { RestoreProject } from './RestoreProject.tsx';
import { DeletedNotice } from './DeletedNotice.tsx';
import { saveRefused } from './project.slice.ts';

afterEach(cleanup);

test('a project that was deleted while it was open is told so; other refusals are not', () => {
  const store = openStore();
  render(
    <Opened store={store}>
      <DeletedNotice />
    </Opened>,
  );
  expect(screen.queryByRole('alert')).toBeNull();
  const refusal = { message: 'this project was deleted on 2026-12-01', where: 'id', accepted: 'a project that is there' };
  act(() => void store.dispatch(saveRefused({ ...refusal, code: 'value' })));
  expect(screen.queryByRole('alert')).toBeNull();
  act(() => void store.dispatch(saveRefused({ ...refusal, code: 'deleted' })));
  expect(screen.getByRole('alert').textContent).toMatch(/deleted elsewhere.*kept in this browser/);
  expect(screen.getByRole('button', { name: 'Bring it back' })).toBeTruthy();
});

test('it comes back with one click, and where that fails it says so and can be tried again', async () => {
  const onBack = jest.fn();
  let fails = true;
  const { asked, restore } = answerWith(() => (fails ? { status: 500, body: {} } : { body: {} }));
  render(<RestoreProject projectId="p1" onBack={onBack} />);
  await userEvent.click(screen.getByRole('button', { name: 'Bring it back' }));
  await screen.findByRole('button', { name: 'It did not come back: try again' });
  expect(onBack).not.toHaveBeenCalled();
  fails = false;
  await userEvent.click(screen.getByRole('button', { name: 'It did not come back: try again' }));
  await waitFor(() => expect(onBack).toHaveBeenCalledTimes(1));
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual(['POST projects/p1/restore', 'POST projects/p1/restore']);
  restore();
});
