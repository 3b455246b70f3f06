/** @jest-environment ./src/test/browser.mjs */
/** Stock on hand, form and list: entries become pieces, impossible ones are refused, what is reserved for others is left alone. */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { entered, readWorkshop, starterWorkshop, type StockPiece, type Workshop } from '@keen/core';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { openStore, Opened } from '../../test/open-project.tsx';
import { workshopChanged } from '../project/project.slice.ts';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen } from '../project/selectors.ts';
import { AddToStore } from './AddToStore.tsx';
import { BoardLengths } from './BoardLengths.tsx';
import { StoreList } from './StoreList.tsx';

const plain = globalThis.fetch;
let sent: { readonly url: string; readonly method: string; readonly body: any }[] = [];
beforeEach(() => {
  sent = [];
  // A server that accepts everything.
  globalThis.fetch = ((url: string, init: RequestInit = {}) => {
    const body = typeof init.body === 'string' ? (JSON.parse(init.body) as any) : undefined;
    sent.push({ url, method: init.method ?? 'GET', body });
    return Promise.resolve(new Response(JSON.stringify({ revision: 2, workshop: body?.workshop ?? {} }), { status: 200 }));
  }) as typeof fetch;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = plain;
});

function Whole() {
  const { workshop } = useAppSelector(selectOpen);
  return (
    <>
      <StoreList />
      <AddToStore workshop={workshop} />
    </>
  );
}

function shown(pieces: Workshop['pieces'] = {}) {
  const store = openStore();
  store.dispatch(workshopChanged({ workshop: { ...starterWorkshop(), pieces }, revision: 1 }));
  render(
    <Opened store={store} at="/project/p/ink/stock">
      <Whole />
    </Opened>,
  );
}
const type = async (label: string, text: string): Promise<void> => {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  await userEvent.type(field, text);
  await userEvent.tab();
};
const saved = async (): Promise<StockPiece[]> => {
  await waitFor(() => expect(sent.some(({ method }) => method === 'PUT')).toBe(true));
  return Object.values(readWorkshop(sent.find(({ method }) => method === 'PUT')!.body.workshop).pieces);
};
const piece = (id: string, more: Partial<StockPiece> = {}): StockPiece => ({
  id,
  product: 'birch-18',
  kind: 'offcut',
  length: entered('600 mm'),
  width: entered('300 mm'),
  ...more,
});

describe('what comes in', () => {
  test('an offcut with its place and a flaw gets the next number', async () => {
    shown({ 'offcut-4': piece('offcut-4') });
    await type('along the grain', '23 1/2in');
    await type('across it', '300');
    await type('kept where', 'behind the door');
    await type('flaw from, along', '100');
    await type('to', '140');
    await userEvent.click(screen.getByRole('button', { name: 'Add the offcut' }));
    const fresh = (await saved()).find(({ id }) => id === 'offcut-5');
    expect(fresh).toMatchObject({
      kind: 'offcut',
      length: { text: '23 1/2in' },
      width: { text: '300 mm' },
      place: 'behind the door',
      flaws: { f1: { from: { nm: 100e6 }, to: { nm: 140e6 } } },
    });
  });

  test('sheets that were bought start at the size they are sold in, one row each', async () => {
    shown();
    await userEvent.selectOptions(screen.getByLabelText('what comes in'), 'whole');
    await userEvent.selectOptions(screen.getByLabelText('of'), 'birch-18');
    await type('how many', '3');
    await type('one diagonal', '2730');
    expect(screen.getByText('Both diagonals, or none.')).toBeTruthy();
    await type('the other', '2500');
    expect(screen.getByText('No sheet of that size has these diagonals.')).toBeTruthy();
    expect((screen.getByRole('button', { name: 'Put into the store' }) as HTMLButtonElement).disabled).toBe(true);
    await type('the other', '2727');
    await userEvent.click(screen.getByRole('button', { name: 'Put into the store' }));
    const pieces = await saved();
    expect(pieces.map(({ id }) => id)).toEqual(['sheet-1', 'sheet-2', 'sheet-3']);
    expect(pieces[0]).toMatchObject({ kind: 'whole', length: { text: '2440 mm' }, diagonals: { one: { nm: 2730e6 }, other: { nm: 2727e6 } } });
  });

  test('a flaw that ends before it begins is said and nothing is sent', async () => {
    shown();
    await type('along the grain', '600');
    await type('across it', '300');
    await type('flaw from, along', '200');
    await type('to', '150');
    expect(screen.getByText('The flaw ends before it begins.')).toBeTruthy();
    expect((screen.getByRole('button', { name: 'Add the offcut' }) as HTMLButtonElement).disabled).toBe(true);
    expect(sent).toEqual([]);
  });
});

describe('what is there', () => {
  test('what another project keeps says so and cannot be taken out; what this one keeps can be given back', () => {
    shown({
      'offcut-1': piece('offcut-1', { reserved: { project: 'other', name: 'Back room' } }),
      'offcut-2': piece('offcut-2', { reserved: { project: 'p', name: 'Print room' } }),
      'offcut-3': piece('offcut-3', { crooked: true, place: 'under the bench' }),
    });
    const row = (id: string): HTMLElement => document.querySelector<HTMLElement>(`[data-piece="${id}"]`)!;
    const names = (id: string): (string | null)[] =>
      within(row(id))
        .getAllByRole('button')
        .map((button) => button.textContent);
    expect(row('offcut-1').textContent).toContain('kept for Back room');
    expect(names('offcut-1')).toEqual(['More']);
    expect(names('offcut-2')).toEqual(['More', 'Give back', 'Take out']);
    expect(row('offcut-3').textContent).toContain('no straight edge, under the bench');
    expect(names('offcut-3')).toEqual(['More', 'Keep for this', 'Take out']);
  });

  test('a sheet out of square says what it is good for', () => {
    shown({
      'sheet-1': piece('sheet-1', {
        kind: 'whole',
        length: entered('2440 mm'),
        width: entered('1220 mm'),
        diagonals: { one: entered('2730 mm'), other: entered('2726 mm') },
      }),
    });
    expect(document.querySelector('[data-piece="sheet-1"]')!.textContent).toMatch(/out of square: good for 2438/);
  });
});

describe('a board in one more length', () => {
  function card() {
    const store = openStore();
    const product = store.getState().project.open!.workshop.products['board-1x4']!;
    const { container } = render(
      <Opened store={store}>
        <BoardLengths product={product} unit="in" />
      </Opened>,
    );
    const type = (name: string, text: string): Promise<void> => userEvent.type(container.querySelector(`[data-field="${name}"]`)!, `${text}{Tab}`);
    const sold = () =>
      within(screen.getByRole('list'))
        .getAllByRole('listitem')
        .map(({ textContent }) => textContent);
    return { type, sold, products: () => Object.values(store.getState().project.open!.workshop.products) };
  }

  test('is sold beside the others, at its own price, and can be dropped again', async () => {
    const { type, sold, products } = card();
    const before = products().length;
    await type('lengths.board-1x4', '120');
    await type('lengths.price.board-1x4', '12.5');
    await userEvent.click(screen.getByRole('button', { name: 'Add it' }));
    await waitFor(() => expect(sold()).toHaveLength(2));
    expect(sold()[1]).toMatch(/^120 in at 12\.50/);
    expect(products()).toHaveLength(before + 1);
    expect(sent.map(({ method }) => method)).toEqual(['PUT']);
    await userEvent.click(screen.getByLabelText(/^No longer sold in 120/));
    await waitFor(() => expect(sold()).toHaveLength(1));
  });

  test('that it is sold in already is said, and not added', async () => {
    const { type } = card();
    await type('lengths.board-1x4', '96');
    await type('lengths.price.board-1x4', '9');
    expect(screen.getByText('It is sold in that length already.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Add it' }).hasAttribute('disabled')).toBe(true);
    expect(sent).toEqual([]);
  });
});
