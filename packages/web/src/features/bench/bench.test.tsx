/** @jest-environment ./src/test/browser.mjs */
/** The bench in one hand: steps ticked and taken back, a foot switch, the entry pad, a part by its code. */
import { describe, expect, test } from '@jest/globals';
import { entered, mm, shopFacts, type RecordEntry } from '@keen/core';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { openStore } from '../../test/open-project.tsx';
import { READINGS } from '../../test/print-room.ts';
import { BenchPage } from './BenchPage.tsx';
import { EntryPad } from './EntryPad.tsx';

function bench(at = '/project/p/ink/bench', more: readonly RecordEntry[] = []) {
  const store = openStore([], [...READINGS, ...more]);
  const router = createMemoryRouter([{ path: '/project/:projectId/:unitId/bench/:place?', element: <BenchPage /> }], { initialEntries: [at] });
  render(
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>,
  );
  return { record: (): readonly RecordEntry[] => store.getState().project.open!.record, router };
}
const title = (): string => screen.getByRole('heading', { level: 1 }).textContent;
const where = (): number => Number(/Step (\d+) of/.exec(screen.getByRole('button', { name: /Step \d/ }).textContent)![1]);

describe('one step at a time', () => {
  test('done is a tick and brings the next one; taken back, it is to be done again', async () => {
    const { record } = bench('/project/p/ink/bench/next?step=ink%2Flabel');
    expect(title()).toBe('Label and count');
    const at = where();
    await userEvent.click(screen.getByRole('button', { name: 'Done' }));
    expect(shopFacts(record()).steps.map(({ done }) => done.step)).toEqual(['ink/label']);
    expect(where()).toBeGreaterThan(at);
    await userEvent.click(screen.getByRole('button', { name: 'The step before' }));
    await userEvent.click(screen.getByRole('button', { name: 'Not done after all' }));
    expect(shopFacts(record()).steps).toEqual([]);
  });

  test('any key of a foot switch goes on, keys that go back go back, and what is held down does nothing', async () => {
    bench('/project/p/ink/bench/next?step=ink%2Flabel');
    const at = where();
    for (const key of ['{PageDown}', 'x', '{F5}']) await userEvent.keyboard(key);
    expect(where()).toBe(at + 3);
    for (const key of ['{PageUp}', '{ArrowLeft}']) await userEvent.keyboard(key);
    expect(where()).toBe(at + 1);
    await userEvent.keyboard('{Shift>}{/Shift}{Tab}');
    expect(where()).toBe(at + 1);
  });

  test('what it waits for is named', () => {
    bench('/project/p/ink/bench/next?step=ink%2Fhang');
    expect(screen.getByText(/^First: .*What it hangs by, to the cabinet/)).toBeTruthy();
  });

  test('what a dry fit shows is entered for the opening it is of', async () => {
    const { record } = bench('/project/p/ink/bench/next?step=ink%2Fdry-fit%2Fside%2Fleft');
    await userEvent.click(screen.getByRole('button', { name: 'It came out…' }));
    const dialog = screen.getByRole('dialog');
    await userEvent.click(within(dialog).getAllByRole('button', { name: /opening.*, width/ })[0]!);
    await userEvent.click(within(dialog).getByRole('button', { name: 'less by 1' }));
    await userEvent.click(within(dialog).getByRole('button', { name: 'It measures that' }));
    expect([...shopFacts(record()).openings.values()]).toHaveLength(1);
    expect(within(dialog).getByText(/^Written down:/)).toBeTruthy();
  });
});

describe('what no longer fits', () => {
  test('is said where it was entered, and trimmed with a click', async () => {
    const { record } = bench('/project/p/ink/bench/next?step=ink%2Flabel');
    await userEvent.click(screen.getByRole('button', { name: 'It came out…' }));
    const dialog = within(screen.getByRole('dialog'));
    await userEvent.click(dialog.getByRole('button', { name: /left side, length/ }));
    await userEvent.click(dialog.getByRole('button', { name: 'more by 1' }));
    await userEvent.click(dialog.getByRole('button', { name: 'It measures that' }));
    const misfits = within(dialog.getByRole('region', { name: 'What no longer fits' }));
    expect(misfits.getByText(/^Left side is cut 821 mm long; the plan has it at 820 mm now/)).toBeTruthy();
    expect(misfits.getByRole('button', { name: /^Make the left side anew/ })).toBeTruthy();
    await userEvent.click(misfits.getByRole('button', { name: /^Trim 1 mm off the left side/ }));
    expect(dialog.queryByRole('region', { name: 'What no longer fits' })).toBeNull();
    expect(shopFacts(record()).asCut.get('ink/side/left')!.cut.length!.nm).toBe(820e6);
  });

  test('stands on the page of the part', () => {
    const cut: RecordEntry = { id: 'c', at: '2026-11-01T10:00:00Z', kind: 'as-cut', asCut: { panel: 'ink/side/left', length: entered('818 mm') } };
    bench('/project/p/ink/bench?part=ink%2Fside%2Fleft', [cut]);
    expect(within(screen.getByRole('region', { name: 'What no longer fits' })).getByRole('button', { name: /^Shim the 2 mm/ })).toBeTruthy();
  });
});

describe('the entry pad', () => {
  const pad = (unit: 'mm' | 'in') => {
    const kept: string[] = [];
    render(
      <EntryPad
        label="shelf, length"
        unit={unit}
        planned={unit === 'mm' ? mm(676) : entered('26 5/8 in').nm}
        least={mm(1)}
        most={mm(3000)}
        onKeep={({ text, nm }) => kept.push(`${text} ${nm / 1e6}`)}
      />,
    );
    return { kept, press: (name: string) => userEvent.click(screen.getByRole('button', { name })) };
  };

  test('steps go from what was planned', async () => {
    const { kept, press } = pad('mm');
    await press('less by 1');
    await press('less by 1');
    expect(screen.getByRole('status').textContent).toBe('674 mm, 2 mm short');
    await press('It measures that');
    expect(kept).toEqual(['674 mm 674']);
  });

  test('whole numbers and fraction keys make inches as they are read off a tape', async () => {
    const { kept, press } = pad('in');
    for (const key of ['2', '6', '9/16']) await press(key);
    expect(screen.getByRole('status').textContent).toBe('26 9/16 in, 1/16 in short');
    await press('5/8');
    await press('It measures that');
    expect(kept).toEqual(['26 5/8 in 676.275']);
  });

  test('what cannot be is said with what could, and not kept', async () => {
    const { kept, press } = pad('mm');
    for (const key of ['9', '9', '9', '9']) await press(key);
    expect(screen.getByRole('status').textContent).toMatch(/from 1 mm to 3000 mm/);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'It measures that' }).disabled).toBe(true);
    await press('Take the last away');
    await press('It measures that');
    expect(kept).toEqual(['999 mm 999']);
  });
});

describe('a part by its code', () => {
  test('says what it is, where it goes and what is next for it; measured there, it is kept', async () => {
    const { record } = bench('/project/p/ink/bench?part=ink%2Fshelf%2Fs1');
    expect(title()).toMatch(/^A\d+ shelf 1$/);
    expect(screen.getByText(/Next for it:/).textContent).toMatch(/Cut|Measure/);
    expect(screen.getByRole('img', { name: /^Where A\d+ goes$/ })).toBeTruthy();
    await userEvent.click(screen.getByText('Cut? As it came off the saw'));
    await userEvent.click(screen.getByRole('button', { name: 'It is cut as planned' }));
    expect(shopFacts(record()).asCut.has('ink/shelf/s1')).toBe(true);
  });

  test('of a part that is gone says so', () => {
    bench('/project/p/ink/bench?part=ink%2Fshelf%2Fgone');
    expect(title()).toBe('No such part');
  });
});
