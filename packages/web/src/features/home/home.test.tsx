/** @jest-environment ./src/test/browser.mjs */
/** Home and the first three questions, against a server with scripted answers. */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { designCodec, entered, isShelfBox, starterWorkshop, workshopCodec, writeProjectText, type Design } from '@keen/core';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { makeStore } from '../../app/store.ts';
import { answerWith, type Answer, type Asked } from '../../test/answers.ts';
import { DESIGN, READINGS } from '../../test/print-room.ts';
import { projectRow } from '../../test/project-row.ts';
import type { ProjectRow } from '../../app/api.ts';
import { Component as HomePage } from './HomePage.tsx';
import { answersIn, Component as NewCabinetPage, START } from './NewCabinetPage.tsx';

let restore = (): void => {};
afterEach(() => {
  cleanup();
  restore();
});

const refusal = { code: 'full', message: 'there is no room', where: 'disk', accepted: 'a disk with room' };

/** A page with a server. Requests no test mentions are answered with success. */
function page(element: React.ReactNode, answer: (asked: Asked) => Answer | undefined, rows: readonly ProjectRow[] = [projectRow()]) {
  const server = answerWith((asked) => {
    const said = answer(asked);
    if (said !== undefined) return said;
    if (asked.path === 'projects' && asked.method === 'GET') return { body: rows };
    if (asked.path === 'projects/deleted') return { body: [] };
    if (asked.path === 'workshop') return { body: { revision: 1, workshop: workshopCodec.write(starterWorkshop()) } };
    if (asked.path === 'next-time') return { body: [] };
    return { body: { id: 'p2', demo: false, revision: 1, document: {} } };
  });
  ({ restore } = server);
  const router = createMemoryRouter(
    [
      { path: '/', element },
      { path: '*', element: <p>elsewhere</p> },
    ],
    { initialEntries: ['/'] },
  );
  render(
    <Provider store={makeStore()}>
      <RouterProvider router={router} />
    </Provider>,
  );
  const sent = (method: string): Asked[] => server.asked.filter((each) => each.method === method);
  return { sent, at: () => router.state.location.pathname, asked: server.asked };
}
const room = (answer: (asked: Asked) => Answer | undefined = () => undefined, rows?: readonly ProjectRow[]) => page(<HomePage />, answer, rows);
const menu = async (item: string): Promise<void> => {
  await userEvent.click(await screen.findByRole('button', { name: 'More about Print room' }));
  await userEvent.click(await screen.findByRole('menuitem', { name: item }));
};
const file = (name: string, text: string): File => {
  const made = new File([text], name, { type: 'application/json' });
  // jsdom cannot read files.
  Object.defineProperty(made, 'text', { value: () => Promise.resolve(text) });
  return made;
};
const pick = (chosen: File): Promise<void> => userEvent.upload(document.querySelector<HTMLInputElement>('input[type="file"]')!, chosen);

describe('the room', () => {
  test('shows each project with its cabinets, to scale on its wall', async () => {
    room();
    expect((await screen.findByRole('link', { name: /Print room/ })).textContent).toContain('Ink cupboard');
    const drawn = document.querySelector('.elevation-unit')!;
    expect(['x', 'y', 'width', 'height'].map((name) => Number(drawn.getAttribute(name)))).toEqual([300, 2500 - 1320 - 820, 700, 820]);
    expect(document.querySelectorAll('.elevation-shelf')).toHaveLength(2);
  });

  test('without a project says how to begin; a project without a cabinet says so', async () => {
    room(() => undefined, []);
    expect(await screen.findByText('No project yet')).toBeTruthy();
    cleanup();
    restore();
    room(() => undefined, [projectRow({ units: [], demo: true })]);
    expect((await screen.findByRole('link', { name: /Print room/ })).textContent).toMatch(/no cabinet yet.*--reset-demo/);
  });

  test('with nobody there says that nothing is lost, and tries again', async () => {
    let away = true;
    room(({ path, method }) => (away && path === 'projects' && method === 'GET' ? 'away' : undefined));
    expect(await screen.findByText(/The projects cannot be shown: the server does not answer\. Nothing is lost\./)).toBeTruthy();
    away = false;
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByRole('link', { name: /Print room/ })).toBeTruthy();
  });

  test('renames a project, not to nothing', async () => {
    const { sent } = room();
    await menu('Rename …');
    const dialog = within(await screen.findByRole('dialog'));
    await userEvent.clear(dialog.getByLabelText('Name'));
    await userEvent.type(dialog.getByLabelText('Name'), '   ');
    expect(dialog.getByRole<HTMLButtonElement>('button', { name: 'Rename' }).disabled).toBe(true);
    await userEvent.type(dialog.getByLabelText('Name'), 'Back room ');
    await userEvent.click(dialog.getByRole('button', { name: 'Rename' }));
    await waitFor(() => expect(sent('PATCH')).toEqual([{ method: 'PATCH', path: 'projects/p1', body: { name: 'Back room' } }]));
  });

  test('a copy that cannot be made is said with what could be', async () => {
    room(({ path }) => (path.endsWith('/duplicate') ? { status: 507, body: refusal } : undefined));
    await menu('Duplicate');
    expect((await screen.findByRole('alert')).textContent).toBe('It was not copied. there is no room (disk). Accepted: a disk with room');
  });

  test('deleted is brought back by Undo', async () => {
    const { sent } = room();
    await menu('Delete');
    expect(await screen.findByText('Print room deleted')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(sent('POST').map(({ path }) => path)).toEqual(['projects/p1/restore']));
  });

  test('what was deleted earlier is at the foot of the room, and comes back from there', async () => {
    const rows = [{ id: 'p9', name: 'Old room', deletedAt: '2026-11-03T10:00:00.000Z' }];
    const { sent } = room(({ path }) => (path === 'projects/deleted' ? { body: rows } : undefined));
    await userEvent.click(await screen.findByText('One deleted project'));
    expect(screen.getByText('deleted 3 November 2026')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Bring back Old room' }));
    await waitFor(() => expect(sent('POST').map(({ path }) => path)).toEqual(['projects/p9/restore']));
  });

  test('begins with what it must hold on a bare wall', async () => {
    const { sent, at } = room();
    await userEvent.click(screen.getByRole('button', { name: 'Start from what it must hold' }));
    await waitFor(() => expect(at()).toBe('/project/p2/none/contents'));
    const design = designCodec.read((sent('POST')[0]!.body as { design: unknown }).design, 'design');
    expect([design.units, design.wall.studs.known]).toEqual([{}, false]);
  });
});

test('a project that cannot be read says why and gives its file, and the others are there', async () => {
  const { sent } = room(
    () => undefined,
    [
      projectRow(),
      projectRow({
        id: 'p9',
        name: ' ',
        wall: null,
        units: [],
        problem: { code: 'value', message: "' ' cannot be used here", where: 'document.name', accepted: 'text' },
      }),
    ],
  );
  expect((await screen.findByRole('alert')).textContent).toContain('This project cannot be read');
  expect(screen.getByRole('link', { name: /Print room/ })).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
  await waitFor(() => expect(sent('DELETE').map(({ path }) => path)).toEqual(['projects/p9']));
});

describe('a file', () => {
  test('is sent as it is, and opened', async () => {
    const { sent, at } = room();
    await pick(file('room.carcass.json', writeProjectText({ design: DESIGN, record: READINGS, workshop: starterWorkshop() })));
    await waitFor(() => expect(at()).toBe('/project/p2'));
    expect(sent('POST').map(({ path }) => path)).toEqual(['bundles']);
  });

  test('the server does not take is refused with its words', async () => {
    const { at } = room(({ path }) => (path === 'bundles' ? { status: 400, body: refusal } : undefined));
    await pick(file('letters.json', '{"format":"letters"}'));
    expect((await screen.findByRole('alert')).textContent).toMatch(/“letters.json” was not opened, and nothing was changed\. there is no room/);
    expect(at()).toBe('/');
  });

  test('of a project is fetched from the server, which has all of it', async () => {
    const kept: { name: string; size: number }[] = [];
    // jsdom has no object URLs and follows no link.
    Object.assign(URL, {
      createObjectURL: ({ size }: Blob) => {
        kept.push({ name: '', size });
        return 'blob:x';
      },
      revokeObjectURL: () => {},
    });
    const click = jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      kept[kept.length - 1] = { ...kept.at(-1)!, name: this.download };
    });
    room(({ path, method }) => {
      return method === 'GET' && path === 'projects/p1/file' ? { body: { design: designCodec.write(DESIGN) } } : undefined;
    });
    await menu('Save as a file');
    await waitFor(() => expect(kept.map(({ name }) => name)).toEqual(['print-room.carcass.json']));
    expect(kept[0]!.size).toBeGreaterThan(1000);
    click.mockRestore();
  });
});

describe('a new cabinet', () => {
  const field = (name: string): HTMLInputElement => document.querySelector(`[data-field="${name}"]`)!;
  const type = async (name: string, text: string): Promise<void> => {
    await userEvent.clear(field(name));
    if (text !== '') await userEvent.type(field(name), text);
  };
  const made = (asked: readonly Asked[]): Design =>
    designCodec.read((asked.find(({ path, method }) => method === 'POST' && path === 'projects')!.body as { design: unknown }).design, 'design');
  const begin = (answer: (asked: Asked) => Answer | undefined = () => undefined) => page(<NewCabinetPage />, answer);

  test('is what was answered, and lands in Box', async () => {
    const { asked, at } = begin();
    await userEvent.type(screen.getByLabelText('Name'), 'Proof shelf');
    await type('new.width', '450');
    await type('new.height', '60cm');
    await type('new.shelves', '1');
    await userEvent.click(screen.getByRole('button', { name: 'Make it' }));
    await waitFor(() => expect(at()).toBe('/project/p2/u1/box'));
    const { name, units: specs, wall } = made(asked);
    const spec = specs['u1']!;
    expect(name).toBe('Proof shelf');
    expect(isShelfBox(spec) && [spec.width.nm, spec.height.text, Object.keys(spec.shelves).length, spec.stock]).toEqual([450e6, '60cm', 1, 'birch-18']);
    expect([wall.studs.known, wall.studs.spacing.text]).toEqual([true, '400 mm']);
  });

  test('in inches starts from sizes of an inch room, and keeps what is no size', async () => {
    const { asked, at } = begin();
    await userEvent.type(screen.getByLabelText('Name'), 'Tills');
    await type('new.shelves', '4');
    await userEvent.click(screen.getByRole('button', { name: /inches/i }));
    expect([field('new.width').value, field('new.shelves').value]).toEqual(['24', '4']);
    await type('new.width', '23 1/2');
    await userEvent.click(screen.getByRole('button', { name: 'Make it' }));
    await waitFor(() => expect(at()).toBe('/project/p2/u1/box'));
    const { units: specs, unit } = made(asked);
    const spec = specs['u1']!;
    expect([unit, isShelfBox(spec) && spec.width.nm]).toEqual(['in', 23.5 * 25.4e6]);
  });

  test('on a wall nobody has looked into has no studs, not guessed ones', async () => {
    const { asked, at } = begin();
    await type('new.studs', '');
    await userEvent.click(screen.getByRole('button', { name: 'Make it' }));
    await waitFor(() => expect(at()).toBe('/project/p2/u1/box'));
    expect(made(asked).wall.studs.known).toBe(false);
  });

  test('that the server refuses stays on the page with what was entered', async () => {
    const { at } = begin(({ method }) => (method === 'POST' ? { status: 507, body: refusal } : undefined));
    await type('new.width', '450');
    await userEvent.click(screen.getByRole('button', { name: 'Make it' }));
    expect((await screen.findByRole('alert')).textContent).toBe(
      'It was not made: there is no room. Accepted: a disk with room. What you entered is still here.',
    );
    expect([at(), field('new.width').value]).toEqual(['/', '450']);
  });

  test('out of chips hangs on a cleat of plywood', async () => {
    const chips = Object.values(starterWorkshop().products).find(
      ({ kind, material, unit }) => kind === 'sheet' && unit === 'mm' && !material.endsWith('plywood'),
    )!;
    const { asked, at } = begin();
    await userEvent.selectOptions(field('new.stock'), chips.id);
    await userEvent.click(screen.getByRole('button', { name: 'Make it' }));
    await waitFor(() => expect(at()).toBe('/project/p2/u1/box'));
    const spec = made(asked).units['u1']!;
    const { hanging } = spec;
    expect(isShelfBox(spec) && spec.stock).toBe(chips.id);
    const cleat = starterWorkshop().products[hanging.stock]!;
    expect(cleat.material).toMatch(/plywood$/);
    expect(hanging.spacer?.stock).toBe(hanging.stock);
  });

  test('says what was noted for next time on cabinets like it', async () => {
    begin(({ path }) =>
      path === 'next-time'
        ? {
            body: [
              { family: 'shelf-box', unit: 'Ink cupboard', text: 'Tape the slots' },
              { family: 'slab', unit: 'Panel', text: 'Match the grain' },
            ],
          }
        : undefined,
    );
    const notes = within(await screen.findByRole('complementary', { name: 'Noted for next time' }));
    expect(notes.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual(['Tape the slots (Ink cupboard)']);
  });
});

test('another unit keeps what was entered, and gives what is usual there for what was not', () => {
  const asked = { ...START.mm, name: 'Drying cupboard', width: entered('812 mm'), shelves: 5 };
  expect(answersIn('in', asked)).toEqual({ ...START.in, name: 'Drying cupboard', width: entered('812 mm'), shelves: 5 });
  expect(answersIn('mm', answersIn('in', asked))).toEqual(asked);
});
