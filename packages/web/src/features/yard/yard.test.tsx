/** @jest-environment ./src/test/browser.mjs */
/** One trip to the yard: ticked projects, what they take together and alone, and messages when something is wrong. */
import { afterEach, describe, expect, test } from '@jest/globals';
import { entered, search, starterWorkshop, writeProject, type Design } from '@keen/core';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import type { ProjectRow } from '../../app/api.ts';
import { makeStore } from '../../app/store.ts';
import { answerWith, type Answer, type Asked } from '../../test/answers.ts';
import { DESIGN } from '../../test/print-room.ts';
import { projectRow } from '../../test/project-row.ts';
import type { WithLayOut } from './useTripSearch.ts';
import { Component as YardPage } from './YardPage.tsx';

let restore = (): void => {};
afterEach(() => {
  cleanup();
  restore();
});

const row = (id: string, name: string, more: Partial<ProjectRow> = {}): ProjectRow => projectRow({ id, name, ...more });
const workshop = starterWorkshop();
const fileOf = (design: Design) => writeProject({ design, record: [], workshop });
/** In this thread, a few steps for each. */
const layOut: WithLayOut = (work) =>
  work(({ job }) => {
    const stepper = search(job.problem, 1);
    stepper.step(40);
    return Promise.resolve(stepper.plan());
  });

function page(rows: readonly ProjectRow[], answer: (asked: Asked) => Answer | undefined = () => undefined) {
  const server = answerWith((asked) => {
    const said = answer(asked);
    if (said !== undefined) return said;
    return asked.path === 'projects' ? { body: rows } : { body: fileOf({ ...DESIGN, name: rows.find(({ id }) => asked.path.includes(id))?.name ?? '?' }) };
  });
  ({ restore } = server);
  const router = createMemoryRouter(
    [
      { path: '/yard', element: <YardPage withLayOut={layOut} /> },
      { path: '*', element: <p>elsewhere</p> },
    ],
    { initialEntries: ['/yard'] },
  );
  const { container } = render(
    <Provider store={makeStore()}>
      <RouterProvider router={router} />
    </Provider>,
  );
  return { container, asked: server.asked };
}
const rowsOf = () =>
  within(screen.getByRole('table'))
    .getAllByRole('row')
    .slice(1)
    .map((each) =>
      within(each)
        .getAllByRole('cell')
        .map(({ textContent }) => textContent),
    );

describe('one trip to the yard', () => {
  test('two cupboards share their sheets: fewer together than one by one, and the sums say so', async () => {
    page([row('p1', 'Print room'), row('p2', 'Back room')]);
    expect(await screen.findByRole('heading', { name: /Bought together: [\d.]+ saved/ })).toBeTruthy();
    const birch = rowsOf().find(([what]) => what!.startsWith('Birch plywood 6 mm'))!;
    expect(birch.slice(1)).toEqual(['1', '2', 'Print room, Back room']);
    const [all] = rowsOf().slice(-1);
    expect(Number(all![1])).toBeLessThan(Number(all![2]));
    await userEvent.click(screen.getByRole('button', { name: all![1]! }));
    expect(await screen.findByRole('dialog', { name: /to buy together/ })).toBeTruthy();
  });

  test('each project is read once; one that is not ticked is not bought for', async () => {
    const { asked } = page([row('p1', 'Print room'), row('p2', 'Back room')]);
    await screen.findByRole('heading', { name: /Bought together/ });
    await userEvent.click(screen.getByRole('checkbox', { name: /Back room/ }));
    expect(await screen.findByRole('heading', { name: 'What one project takes' })).toBeTruthy();
    expect(rowsOf()[0]!.at(-1)).toBe('Print room');
    await userEvent.click(screen.getByRole('checkbox', { name: /Print room/ }));
    expect(screen.getByText('Tick the projects you are buying for.')).toBeTruthy();
    await userEvent.click(screen.getByRole('checkbox', { name: /Print room/ }));
    await screen.findByRole('heading', { name: 'What one project takes' });
    expect(asked.filter(({ path }) => path.endsWith('/file')).map(({ path }) => path)).toEqual(['projects/p1/file', 'projects/p2/file']);
  });

  test('one that cannot be read is named with the reason, and the others go on', async () => {
    page([row('p1', 'Print room'), row('p2', 'Back room')], ({ path }) =>
      path === 'projects/p2/file' ? { status: 500, body: { code: 'disk', message: 'the disk is full', where: 'disk', accepted: 'room' } } : undefined,
    );
    expect(await screen.findByText('Back room is left out: the disk is full.')).toBeTruthy();
    expect(await screen.findByRole('heading', { name: 'What one project takes' })).toBeTruthy();
  });

  test('a cabinet that cannot be planned is named; a part that no sheet holds too', async () => {
    const { ink } = DESIGN.units as { ink: Design['units'][string] };
    const large = { ...ink, id: 'large', name: 'Large one', stock: 'birch-panel-1-2', height: entered('1700 mm') };
    const broken = { ...ink, id: 'narrow', name: 'Narrow one', hanging: { ...ink.hanging, rightInset: entered('1400 mm') } };
    page([row('p1', 'Print room')], ({ path }) =>
      path === 'projects/p1/file' ? { body: fileOf({ ...DESIGN, units: { large, narrow: broken } as Design['units'] }) } : undefined,
    );
    expect(await screen.findByText(/Narrow one cannot be planned/)).toBeTruthy();
    expect((await screen.findByText(/No sheet or board holds/)).textContent).toMatch(/1 [A-Z]\d/);
  });

  test('projects without a cabinet are not offered; with none at all it says so', async () => {
    page([row('p1', 'Print room', { units: [] })]);
    expect(await screen.findByText('There is no project with a cabinet in it yet.')).toBeTruthy();
  });

  test('without the server nothing is lost, and it can be tried again', async () => {
    let isAway = true;
    page([row('p1', 'Print room')], ({ path }) => (path === 'projects' && isAway ? 'away' : undefined));
    expect((await screen.findByRole('alert')).textContent).toContain('Nothing is lost');
    isAway = false;
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByRole('checkbox', { name: /Print room/ })).toBeTruthy();
  });
});
