/** @jest-environment ./src/test/browser.mjs */
/** Parts without a cabinet: typed, changed, taken out; files that cannot be read say so and bring nothing in. */
import { afterEach, describe, expect, test } from '@jest/globals';
import { entered, keptCorners, type LoosePart } from '@keen/core';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { selectOpen } from '../project/selectors.ts';
import type { Store } from '../../app/store.ts';
import { LooseParts } from './LooseParts.tsx';

afterEach(cleanup);

const part = (id: string, more: Partial<LoosePart> = {}): LoosePart => ({
  id,
  order: 1,
  name: 'Tray',
  stock: 'birch-18',
  count: 1,
  length: entered('400 mm'),
  width: entered('250 mm'),
  grain: 'length',
  outline: [],
  ...more,
});
const DISC = keptCorners([
  { x: 0, y: 0, bulge: 0 },
  { x: 300, y: 0, bulge: 1 },
  { x: 300, y: 250, bulge: 0 },
  { x: 0, y: 250, bulge: 0 },
]);

function shown(...parts: LoosePart[]): Store {
  const store = openStore(parts.map((each) => ({ path: ['loose', each.id], value: each })));
  render(
    <Opened store={store}>
      <LooseParts />
    </Opened>,
  );
  return store;
}
const loose = (store: Store): LoosePart[] => Object.values(selectOpen(store.getState()).design.loose);
const give = (label: string, name: string, text: string): void => {
  // The browser of these tests cannot read its own files.
  const file = Object.assign(new File([text], name), { arrayBuffer: () => Promise.resolve(new TextEncoder().encode(text).buffer) });
  fireEvent.change(screen.getByLabelText(label), { target: { files: [file] } });
};

describe('parts without a cabinet', () => {
  test('one is added out of the sheet the cabinet is of, named, counted and sized', async () => {
    const store = shown();
    await userEvent.click(screen.getByRole('button', { name: 'Add a part' }));
    const row = within(screen.getByRole('group', { name: 'Part' }));
    await userEvent.clear(row.getByLabelText('count'));
    await userEvent.type(row.getByLabelText('count'), '4');
    await userEvent.clear(row.getByLabelText('length'));
    await userEvent.type(row.getByLabelText('length'), '23 1/2 in');
    await userEvent.clear(row.getByLabelText('part'));
    await userEvent.type(row.getByLabelText('part'), 'Jig');
    expect(loose(store)).toMatchObject([{ name: 'Jig', stock: 'birch-18', count: 4, length: { text: '23 1/2 in' } }]);
  });

  test('what cannot be is said and not taken', () => {
    const store = shown(part('a'));
    const row = within(screen.getByRole('group', { name: 'Tray' }));
    fireEvent.change(row.getByLabelText('width'), { target: { value: '1 mm' } });
    fireEvent.change(row.getByLabelText('count'), { target: { value: '900' } });
    expect(row.getByText('a whole number from 1 to 200')).toBeTruthy();
    expect(loose(store)).toMatchObject([{ count: 1, width: { text: '250 mm' } }]);
  });

  test('an outline shows its shape, and its size is its drawing’s', () => {
    shown(part('a', { outline: DISC }));
    const shape = screen.getByRole('img', { name: 'Outline of Tray, 4 corners' });
    expect(shape.querySelector('path')!.getAttribute('d')).toContain('A125 125 0 0 0 300 0');
    expect(screen.getByLabelText('length').hasAttribute('disabled')).toBe(true);
  });

  test('one is taken out, the others stay', async () => {
    const store = shown(part('a'), part('b', { order: 2, name: 'Lid' }));
    await userEvent.click(screen.getByRole('button', { name: 'Take Tray out' }));
    expect(loose(store).map(({ name }) => name)).toEqual(['Lid']);
  });
});

describe('files', () => {
  test('a cut list comes in through the mapper, bad rows are told', async () => {
    const store = shown();
    give('Cut list', 'list.csv', 'Piece;Qty;Length mm;Width mm\nShelf;3;500;120\nBad;1;far;120\n');
    expect(await screen.findByText(/'far' is no such length/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Take one part in' }));
    expect(loose(store)).toMatchObject([{ name: 'Shelf', count: 3, length: { nm: 500e6 }, width: { nm: 120e6 } }]);
  });

  test('a drawing becomes a part, and what was not understood is told', async () => {
    const store = shown();
    give('Drawing', 'tray.svg', '<svg width="300mm" height="90mm" viewBox="0 0 300 90"><path d="M0 0h300v50l-40 40h-260z"/><text>x</text></svg>');
    expect(await screen.findByText('Of “tray.svg”: 1 × text not understood.')).toBeTruthy();
    expect(loose(store)).toMatchObject([{ name: 'tray', length: { nm: 300e6 }, width: { nm: 90e6 } }]);
    expect(loose(store)[0]!.outline).toHaveLength(5);
  });

  test.each([
    ['Drawing', 'bad.dxf', 'Dear reader'],
    ['Cut list', 'empty.csv', 'part,length,width\n'],
  ])('%s: nonsense brings nothing in', async (label, name, text) => {
    const store = shown();
    give(label, name, text);
    await waitFor(() => expect(selectOpen(store.getState()).problem?.message ?? '').toContain(name));
    expect(loose(store)).toEqual([]);
  });
});

test('hundreds are shown a page at a time; one that is added is on the page that opens', () => {
  const store = shown(...Array.from({ length: 260 }, (_, n) => part(`p${n}`, { order: n + 1, name: `Tray ${n + 1}` })));
  expect(screen.getAllByRole('group')).toHaveLength(20);
  expect(screen.getByText('1 to 20 of 260 parts')).toBeTruthy();
  expect(document.querySelectorAll('*').length).toBeLessThan(4000);
  fireEvent.click(screen.getByRole('button', { name: 'Next' }));
  expect(screen.getByRole('group', { name: 'Tray 21' })).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Add a part' }));
  expect(loose(store)).toHaveLength(261);
  expect(screen.getByText('261 to 261 of 261 parts')).toBeTruthy();
});
