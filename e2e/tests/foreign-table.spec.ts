/** Contents out of another program's table: columns are matched by a person, good rows come in, bad ones are listed and handed back. */
import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';
import writeXlsxFile from 'write-excel-file/node';
import { freshProject, open, saveState, stored, test, untilSaved, workshopNow } from './support.ts';

/** As a spreadsheet with a decimal comma writes it, letters beyond ASCII in the old way; units mixed, three rows that cannot be read. */
const FOREIGN = Buffer.from(
  [
    'Lager;Stueck;Br. cm;Tiefe mm;H;Gewicht g;Farbe',
    'Ink tin;12;9,5;95;4 1/2 in;1020,5;black',
    'Brayer;3;3;25,5 cm;1\' 2";1,4 kg;',
    'Rouleau \u00e9troit;2;10;100;4;1000;rouge',
    ';2;10;100;4;1000;no name',
    'Roller;two;10;100;4;1000;',
    'Plate;1;far;810;1 1/4;800;',
  ].join('\r\n'),
  'latin1',
);
const give = (page: Page, name: string, buffer: Buffer): Promise<void> =>
  page.locator('input[aria-label="Table of contents"]').setInputFiles({ name, mimeType: 'text/csv', buffer });

test('a foreign table: its columns are matched, good rows are in, three bad ones listed with their reasons and handed back', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/contents');
  await give(page, 'store.csv', FOREIGN);
  const dialog = page.getByRole('dialog', { name: 'What is what in “store.csv”?' });
  // No title is known: nothing is guessed, and nothing can be taken before it is said what things are called.
  await expect(dialog.getByText('no column is taken for ‘what’')).toBeVisible();
  await expect(dialog.getByRole('button', { name: /in$/ })).toBeDisabled();
  const take = (column: string, as: string): Promise<string[]> => dialog.getByLabel(`${column} is taken for`).selectOption({ label: as });
  await take('Lager', 'what');
  await take('Stueck', 'count');
  await take('Br. cm', 'width');
  await dialog.getByLabel('bare numbers in Br. cm are').selectOption('cm');
  await take('Tiefe mm', 'depth');
  await take('H', 'height');
  await dialog.getByLabel('bare numbers in H are').selectOption('in');
  await take('Gewicht g', 'kg each');
  await dialog.getByLabel('bare numbers in Gewicht g are').selectOption('g');
  const faults = dialog.getByRole('region', { name: 'Rows that cannot be read' });
  await expect(faults.getByRole('listitem')).toHaveCount(3);
  await expect(faults).toContainText('row 5, what: what is empty.');
  await expect(faults).toContainText("row 6, count: 'two' is no count. Accepted: a whole number from 1 to 2000.");
  await expect(faults).toContainText("row 7, width: 'far'");
  await expect(dialog.getByText('3 rows can be read, as it will stand')).toBeVisible();
  expect(Object.keys((await stored(id))['document'].items)).toEqual([]);
  await dialog.getByRole('button', { name: 'Take 3 things in' }).click();
  await expect(saveState(page)).toContainText(/^saved/);
  await untilSaved(page);
  const kept = Object.values((await stored(id))['document'].items as Record<string, any>).sort((a, b) => a.order - b.order);
  expect(kept.map(({ name, count, kg }) => [name, count, kg])).toEqual([
    ['Ink tin', 12, 1.0205],
    ['Brayer', 3, 1.4],
    ['Rouleau \u00e9troit', 2, 1],
  ]);
  expect(kept.map(({ width, depth, height }) => [width, depth, height].map((text: string) => text.replaceAll(' ', '')))).toEqual([
    ['9,5cm', '95mm', '41/2in'],
    ['3cm', '25,5cm', `1'2"`],
    ['10cm', '100mm', '4in'],
  ]);
  // The others stay on the screen, and are handed back to be put right.
  const left = page.getByRole('dialog', { name: 'What “store.csv” still holds' });
  const [file] = await Promise.all([page.waitForEvent('download'), left.getByRole('button', { name: 'These rows as CSV' }).click()]);
  const back = await readFile(await file.path(), 'utf8');
  expect(back.split('\n')).toHaveLength(5);
  await left.getByRole('button', { name: 'Close' }).click();
  await give(page, 'again.csv', Buffer.from(back.replace('two', '2').replace('far', '8').replace('\n;2', '\nBodkin;2')));
  const again = page.getByRole('dialog', { name: 'What is what in “again.csv”?' });
  await again.getByLabel('Lager is taken for').selectOption({ label: 'what' });
  await expect(again.getByRole('region', { name: 'Rows that cannot be read' })).toBeHidden();
  await again.getByRole('button', { name: 'Take nothing' }).click();
});

test('what is no table is refused in words, and nothing comes in', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/contents');
  await give(page, 'book.xlsx', Buffer.from([0x50, 0x4b, 3, 4, 0, 0, 0, 0]));
  await expect(page.getByText(/“book\.xlsx” was not read: the archive/)).toBeVisible();
  await give(page, 'titles.csv', Buffer.from('what,count\n'));
  await expect(page.getByText(/“titles\.csv” was not read/)).toBeVisible();
  expect(Object.keys((await stored(id))['document'].items)).toEqual([]);
});

test('a workbook is read like any other table, a date that was a fraction is told', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/contents');
  const rows = [
    [{ value: 'Item' }, { value: 'Qty' }, { value: 'Width (cm)' }, { value: 'Depth (cm)' }, { value: 'Height (cm)' }],
    [{ value: 'Ink tin' }, { value: 12 }, { value: 9.5 }, { value: 9.5 }, { value: 11 }],
    [{ value: 'Gauge' }, { value: 1 }, { value: new Date(Date.UTC(2026, 0, 2)), type: Date, format: 'd-mmm' }, { value: 9 }, { value: 9 }],
  ];
  await give(page, 'store.xlsx', await writeXlsxFile(rows as never).toBuffer());
  const dialog = page.getByRole('dialog', { name: 'What is what in “store.xlsx”?' });
  await expect(dialog.getByRole('region', { name: 'Rows that cannot be read' })).toContainText('the date 2026-01-02');
  await dialog.getByRole('button', { name: 'Take one thing in' }).click();
  await untilSaved(page);
  const kept = Object.values((await stored(id))['document'].items as Record<string, any>);
  expect(kept.map(({ name, count, width }) => [name, count, width])).toEqual([['Ink tin', 12, '9.5 cm']]);
});

test('a price list: known sheets get their new price, new ones come in, what cannot be read is told', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/stock');
  const products = async (): Promise<Record<string, any>> => ((await workshopNow()).workshop as { products: Record<string, any> }).products;
  const [known] = Object.values(await products());
  const list = [
    'Article;Material;Thickness;Length;Width;Price',
    `${known.name};${known.material};${known.nominal};${known.length};${known.width};81,50`,
    'Garage panel;MDF;12 mm;2440 mm;1220 mm;1.034,00',
    'Moon rock;moon rock;12 mm;2440 mm;1220 mm;5',
  ].join('\n');
  await page.locator('input[aria-label="Price list"]').setInputFiles({ name: 'prices.csv', mimeType: 'text/csv', buffer: Buffer.from(list) });
  const dialog = page.getByRole('dialog', { name: 'What is what in “prices.csv”?' });
  await expect(dialog.getByRole('region', { name: 'Rows that cannot be read' })).toContainText("row 4, material: 'moon rock' is no material");
  await dialog.getByRole('button', { name: 'Take 2 sheets and boards in' }).click();
  await expect.poll(async () => (await products())[known.id].price).toBe(81.5);
  expect((await products())['garage-panel']).toMatchObject({ kind: 'sheet', material: 'mdf', price: 1034 });
});
