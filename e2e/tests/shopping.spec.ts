/** What to buy: the merchant's prices taken over, other sizes instead, what is told when the merchant is away; what if; labels. */
import { expect } from '@playwright/test';
import { baseUrl, field, freshProject, furnishedProject, open, tally, test } from './support.ts';

const fault = (how: string): Promise<Response> =>
  fetch(`${baseUrl()}/api/merchant/fault`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ how }) });

test.afterEach(() => fault('fine'));

test('a price that has changed is said and taken over with a click; another size is bought instead', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/stock');
  const shopping = page.getByRole('region', { name: 'What to buy' });
  const row = shopping.getByRole('row', { name: /^Birch plywood 6 mm/ });
  await expect(row).toContainText('33.40 each');
  await row.getByRole('button', { name: 'Reckon Birch plywood 6 mm at 33.40' }).click();
  await expect(row.getByRole('cell').nth(2)).toHaveText('33.40');
  await expect(row.getByRole('button')).toBeHidden();
  await shopping.getByRole('button', { name: 'Other sizes instead?' }).click();
  const square = shopping.getByRole('row', { name: /^Birch plywood 6 mm in 1525 mm × 1525 mm/ });
  await expect(square).toContainText(/25\.50|less/, { timeout: 30_000 });
  await square.getByRole('button', { name: 'Buy 1525 mm × 1525 mm' }).click();
  await expect(shopping.getByRole('row', { name: /^Birch plywood 6 mm, 1525 mm × 1525 mm/ })).toContainText('25.50');
});

test('a merchant that is closed or sold out: what it said last, from when, and what is missing', async ({ page }) => {
  const id = await freshProject();
  await fault('out');
  await open(page, id, 'ink/stock');
  const shopping = page.getByRole('region', { name: 'What to buy' });
  await expect(shopping.getByRole('row', { name: /^Birch plywood 18 mm/ })).toContainText(/0 in stock, \d+ in 1 days/);
  await fault('down');
  await page.reload();
  await expect(shopping).toContainText(/Prices and stock of sheet merchant, stand-in as of .*: the merchant answers 503\./);
});

test('what it costs opens its sum, down to the price and where that is entered', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/sheets');
  await tally(page)
    .getByText(/^\D*\d+\.\d\d$/)
    .click();
  const sum = page.getByRole('dialog', { name: 'Sum: to buy in all' });
  await sum.getByRole('button', { name: 'Birch plywood 18 mm' }).click();
  await page
    .getByRole('dialog', { name: /^Sum: Birch plywood 18 mm/ })
    .getByRole('button', { name: 'price of one' })
    .click();
  await expect(field(page, 'price.birch-18')).toBeFocused();
});

test('what if: a shelf fewer and other sheets, each with sheets and money', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/sheets');
  await page.locator('.piece').first().waitFor();
  await page.getByRole('button', { name: 'What if it were otherwise?' }).click();
  const table = page.getByRole('region', { name: 'What if' });
  await expect(table.getByRole('row', { name: /^one shelf fewer in Ink cupboard/ })).toContainText(/\d+\.\d\d/, { timeout: 40_000 });
  await expect(table.getByRole('row', { name: /1525 mm × 1525 mm/ }).first()).toContainText(/\(/, { timeout: 40_000 });
});

test('labels: a sheet as PDF; on the printer over an empty roll, all of them once', async ({ page }) => {
  const id = await furnishedProject();
  await open(page, id, 'ink/sheets');
  await page.locator('.piece').first().waitFor();
  const labels = page.getByRole('region', { name: 'Labels' });
  await labels.getByLabel('labels for').selectOption('project');
  const [file] = await Promise.all([page.waitForEvent('download', { timeout: 30_000 }), labels.getByRole('button', { name: /labels as PDF/ }).click()]);
  expect(file.suggestedFilename()).toMatch(/-labels\.pdf$/);
  const count = Number(/^\d+/.exec((await labels.getByRole('button', { name: /labels as PDF/ }).textContent())!)![0]);
  // More than a roll has: it goes on when a new one is in.
  for (let n = 0; n < 3; n++) {
    await labels.getByRole('button', { name: 'On the label printer' }).click();
    const done = labels.getByText(`${count} of ${count} printed`);
    const empty = labels.getByText('The label printer is out of paper');
    await expect(done.or(empty)).toBeVisible({ timeout: 30_000 });
    if (await empty.isVisible()) await labels.getByRole('button', { name: 'A new roll is in' }).click();
    await expect(done).toBeVisible({ timeout: 30_000 });
  }
});

test('the code of a label opens the part it is stuck on', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/box?part=ink%2Fshelf%2Fs1');
  await expect(page.getByRole('heading', { name: 'shelf 1' })).toBeVisible();
});
