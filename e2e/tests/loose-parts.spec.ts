/** Parts without a cabinet: typed, out of a drawing, out of a cut list; laid out and cut with the others. */
import { expect, type Page } from '@playwright/test';
import { freshProject, open, station, stored, test, untilSaved } from './support.ts';

const loose = async (id: string): Promise<Record<string, any>[]> =>
  Object.values((await stored(id))['document'].loose as Record<string, Record<string, any>>).sort((a, b) => a['order'] - b['order']);
const give = (page: Page, label: string, name: string, text: string): Promise<void> =>
  page.locator(`input[aria-label="${label}"]`).setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });

test('a drawing and a cut list become parts, what was not understood is told, and they are laid out with the rest', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/box');
  await page.getByRole('tab', { name: 'Cut list' }).click();
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="260mm" viewBox="0 0 400 260"><path d="M0 0h300a100 130 0 0 1 0 260h-300z"/><text>x</text></svg>';
  await give(page, 'Drawing', 'tray.svg', svg);
  await expect(page.getByText('Of “tray.svg”: 1 × text not understood.')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Outline of tray, \d+ corners$/ })).toBeVisible();
  await give(page, 'Cut list', 'friend.csv', 'Piece;Qty;Length mm;Width mm\nShelf;3;500;120\nBroken;1;far;120\n');
  const dialog = page.getByRole('dialog', { name: 'What is what in “friend.csv”?' });
  await expect(dialog.getByRole('region', { name: 'Rows that cannot be read' })).toContainText("row 3, length: 'far'");
  await dialog.getByRole('button', { name: 'Take one part in' }).click();
  await page.getByRole('dialog', { name: 'What “friend.csv” still holds' }).getByRole('button', { name: 'Close' }).click();
  await untilSaved(page);
  expect((await loose(id)).map(({ name, count, length, width }) => [name, count, length, width])).toEqual([
    ['tray', 1, '400 mm', '260 mm'],
    ['Shelf', 3, '500 mm', '120 mm'],
  ]);
  const row = page.getByRole('group', { name: 'Shelf' });
  await row.getByLabel('count').fill('2');
  await untilSaved(page);
  await station(page, 'Sheets').click();
  await expect(page.getByText('P.1 tray').first()).toBeAttached({ timeout: 30_000 });

  await station(page, 'Box').click();
  await page.getByRole('tab', { name: 'Cut list' }).click();
  await page.getByRole('button', { name: 'Take tray out' }).click();
  await expect(page.getByRole('group', { name: 'tray' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByRole('group', { name: 'tray' })).toBeVisible();
});

test('a drawing of nothing is refused in words, and nothing comes in', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/box');
  await page.getByRole('tab', { name: 'Cut list' }).click();
  await give(page, 'Drawing', 'bad.svg', '<!DOCTYPE svg [<!ENTITY a "b">]><svg xmlns="http://www.w3.org/2000/svg"/>');
  await expect(page.getByText(/“bad\.svg” was not read: it has a document type/)).toBeVisible();
  await give(page, 'Drawing', 'bad.dxf', 'Dear reader');
  await expect(page.getByText(/“bad\.dxf” was not read/)).toBeVisible();
  await untilSaved(page);
  expect(await loose(id)).toEqual([]);
});
