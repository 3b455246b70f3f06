/** @jest-environment ./src/test/browser.mjs */
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { Guarded } from '../../ui/Guarded.tsx';
import { CannotPlan } from './CannotPlan.tsx';
import { NoSuchCabinet } from './NoSuchCabinet.tsx';
import { ReadingPane } from './ReadingPane.tsx';
import { useIsUnknownCabinet, useCabinet, useUnplanned } from './selectors.ts';
import { StationFault } from './StationFault.tsx';
import { edited } from './project.slice.ts';

afterEach(cleanup);

function Page() {
  const [shown, unplanned, isUnknown] = [useCabinet(), useUnplanned(), useIsUnknownCabinet()];
  return (
    <>
      {unplanned ? <CannotPlan shown={unplanned} onField={() => {}} /> : isUnknown ? <NoSuchCabinet station="box" /> : <h1>{shown?.spec.name}</h1>}
      <Guarded of={shown} fallback={() => <p>no form</p>}>
        <ReadingPane shown={shown} station="box" onStation={() => {}} />
      </Guarded>
    </>
  );
}
const RECESSED_OVER = [
  { path: ['units', 'ink', 'back', 'kind'], value: 'over' },
  { path: ['units', 'ink', 'hanging', 'kind'], value: 'recessed' },
];

describe('a cabinet that cannot be built', () => {
  test('says why, at which field, and what would be accepted; its form stays, and undo brings it back', async () => {
    const store = openStore();
    store.dispatch(edited({ edit: RECESSED_OVER, key: 'x' }));
    render(
      <Opened store={store}>
        <Page />
      </Opened>,
    );
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Ink cupboard cannot be built as entered');
    expect(screen.getByRole('alert').textContent).toMatch(/needs an inset back.*Accepted: rabbet, groove or none/);
    expect(screen.getByLabelText('outside width')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Save project file' })).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Undo last change' }));
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Ink cupboard');
  });

  test('one that planning fails on is said so with the ways back, even where its form breaks too', () => {
    const store = openStore([{ path: ['units', 'ink', 'shelves'], value: { s1: null } }]);
    render(
      <Opened store={store}>
        <Page />
      </Opened>,
    );
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Ink cupboard could not be planned');
    expect(screen.getByRole('button', { name: 'Undo last change' })).toBeTruthy();
  });
});

test('an address of a cabinet that is not there says so, and offers those that are', () => {
  render(
    <Opened store={openStore()} at="/project/p/nobody/box">
      <Page />
    </Opened>,
  );
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('This cabinet is not in the project');
  expect(screen.getByRole('link', { name: 'Ink cupboard' }).getAttribute('href')).toBe('/project/p/ink/box');
});

test('a station that breaks leaves the rest of the page, and is tried again when the design is another', () => {
  const store = openStore();
  const Breaks = ({ does }: { readonly does: boolean }) => {
    if (does) throw new Error('no drawing of that');
    return <h1>Drawn</h1>;
  };
  const page = (does: boolean, of: number) => (
    <Opened store={store}>
      <Guarded of={of} fallback={(error) => <StationFault error={error} />}>
        <Breaks does={does} />
      </Guarded>
      <p>the rest</p>
    </Opened>
  );
  const { rerender } = render(page(true, 1));
  expect(screen.getByRole('alert').textContent).toContain('no drawing of that');
  expect(screen.getByText('the rest')).toBeTruthy();
  rerender(page(false, 2));
  expect(screen.getByText('Drawn')).toBeTruthy();
});
