/** @jest-environment ./src/test/browser.mjs */
/** Foreign tables: the guess, a person's changes, what is imported, and the messages about the rest. */
import { afterEach, describe, expect, test } from '@jest/globals';
import { thingsTable, type Item } from '@keen/core';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useMemo } from 'react';
import { ForeignTableDialog } from './ForeignTableDialog.tsx';

afterEach(cleanup);

function dialog(text: string) {
  const taken: (readonly Item[])[] = [];
  let closed = 0;
  function Shown() {
    const kind = useMemo(() => {
      let next = 0;
      return thingsTable({ unit: 'mm', order: 0, newId: () => `i${next++}` });
    }, []);
    return (
      <ForeignTableDialog
        name="things.csv"
        text={text}
        kind={kind}
        called={['thing', 'things']}
        shownAs={({ name, count }, key) => (key === 'name' ? name : key === 'count' ? String(count) : '…')}
        onTake={(rows) => taken.push(rows)}
        onClose={() => closed++}
      />
    );
  }
  render(<Shown />);
  return { taken, closed: () => closed };
}
const GOOD = 'What;Wide;Deep;High;How many\nBrayer;120;40;90;3\nStick;300;60;25;2\n';
const BAD = `${GOOD}Ink can;wide;80;80;1\nKnife;150;20;20;none\n`;
const COLUMNS = thingsTable({ unit: 'mm', order: 0, newId: () => '' }).columns;
const takenFor = (title: string): HTMLSelectElement => screen.getByRole('combobox', { name: `${title} is taken for` });
const choose = (title: string, words: RegExp): Promise<void> => {
  const select = takenFor(title);
  return userEvent.selectOptions(select, within(select).getByRole('option', { name: words }));
};

/** Every column by hand: the guess has its own test. */
async function told(): Promise<void> {
  const title = (key: string): RegExp => new RegExp(`^${COLUMNS.find((column) => column.key === key)!.title.replace(/[()]/g, '\\$&')}$`);
  await choose('What', title('name'));
  await choose('Wide', title('width'));
  await choose('Deep', title('depth'));
  await choose('High', title('height'));
  await choose('How many', title('count'));
}

describe('a table of somebody else’s', () => {
  test('shows what its columns begin with, and takes nothing in by itself', () => {
    const { taken, closed } = dialog(GOOD);
    expect(screen.getByRole('heading', { name: 'What is what in “things.csv”?' })).toBeTruthy();
    expect(screen.getByText('Brayer · Stick')).toBeTruthy();
    expect([taken, closed()]).toEqual([[], 0]);
  });

  test('told column by column its rows come in as they were shown, and it is over', async () => {
    const { taken, closed } = dialog(GOOD);
    await told();
    expect(screen.getByText(/^2 rows can be read, as it will stand$/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Take 2 things in' }));
    expect(taken[0]!.map(({ name, width, count }) => [name, width.nm, count])).toEqual([
      ['Brayer', 120e6, 3],
      ['Stick', 300e6, 2],
    ]);
    expect(closed()).toBe(1);
  });

  test('bare numbers are what a person says they are', async () => {
    const { taken } = dialog(GOOD);
    await told();
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'bare numbers in Wide are' }), 'cm');
    await userEvent.click(screen.getByRole('button', { name: 'Take 2 things in' }));
    expect(taken[0]![0]!.width.nm).toBe(1200e6);
  });

  test('rows that cannot be read are told with where and what would be taken, and stay behind', async () => {
    const { taken, closed } = dialog(BAD);
    await told();
    const left = within(screen.getByRole('region', { name: 'Rows that cannot be read' }));
    expect(left.getByText('2 rows are left out')).toBeTruthy();
    expect(left.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
      expect.stringMatching(/row 4.*Accepted: /),
      expect.stringMatching(/row 5.*Accepted: /),
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'Take 2 things in' }));
    expect(taken[0]).toHaveLength(2);
    // Rows left over are still shown and can be downloaded.
    expect(closed()).toBe(0);
    expect(screen.getByRole('heading', { name: 'What “things.csv” still holds' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'These rows as CSV' })).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(closed()).toBe(1);
  });

  test('without a column for the name nothing can come in, and that is said', async () => {
    dialog(GOOD);
    await told();
    await choose('What', /left out/);
    expect(screen.getByRole('alert').textContent).toMatch(/Wanted: /);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Take 0 things in' }).disabled).toBe(true);
  });

  test('parted by something else it is read again', async () => {
    dialog(GOOD);
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'cells are parted by' }), 'commas');
    expect(screen.getByRole('rowheader', { name: 'What;Wide;Deep;High;How many' })).toBeTruthy();
  });

  test('nothing of it may be taken', async () => {
    const { taken, closed } = dialog(GOOD);
    await userEvent.click(screen.getByRole('button', { name: 'Take nothing' }));
    expect([taken, closed()]).toEqual([[], 1]);
  });
});
