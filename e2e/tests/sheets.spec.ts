/** Sheets cut by cut: the first tick settles the layout, a spoiled part comes out of what is left, all of it kept over a reload. */
import { expect } from '@playwright/test';
import { freshProject, open, saveState, stored, test } from './support.ts';

test('a layout is settled by its first cut, and a spoiled part is laid out over what is left', async ({ page }) => {
  const id = await freshProject(({ design }) => {
    delete design.units.type;
  });
  await open(page, id, 'ink/sheets');
  await page.locator('.piece').first().waitFor();
  await page.getByRole('group', { name: 'Sheets' }).getByRole('button', { name: /18 mm/ }).click();
  await page.getByRole('tab', { name: 'Cut by cut' }).click();
  const card = page.locator('.cut-card');
  await expect(card).toContainText('Cut 1 of');
  const made = card.getByRole('button', { name: 'Cut is made' });
  const last = page.locator('.cut-list input[type=checkbox]').last();

  // Nothing is kept before the first cut; a later one cannot be made before its piece is there.
  expect(Object.keys((await stored(id))['document'].layouts)).toEqual([]);
  await expect(last).toBeDisabled();
  await made.click();
  await expect(saveState(page)).toContainText(/^saved/);
  await expect.poll(async () => Object.values((await stored(id))['document'].layouts).length).toBe(1);
  await page.reload();
  await page.getByRole('tab', { name: 'Cut by cut' }).click();
  await expect(card).toContainText('Cut 2 of');

  // A changed part does not change what is settled: it is said, and offered.
  const cuts = await page.locator('.cut-list input[type=checkbox]').count();
  for (let n = 2; n <= cuts; n++) {
    await expect(card).toContainText(`Cut ${n} of`);
    await made.click();
  }
  await expect(page.getByText('All cuts are made.')).toBeVisible();
  // Back to a cut that took a part off.
  const spoil = page.getByRole('button', { name: /is spoiled/ });
  for (let n = cuts; n > 1 && !(await spoil.first().isVisible()); n--) {
    await page.keyboard.press('ArrowLeft');
    await expect(card).toContainText(`Cut ${n - 1} of`);
  }
  await spoil.first().click();
  await expect(page.getByText('what is still wanted has changed since')).toBeVisible();
  await page.getByRole('button', { name: 'Lay out what is left' }).click();
  await expect(page.getByText('what is still wanted has changed since')).toBeHidden();
  // What the sheet left went into the store by itself, and is what the part comes out of.
  const offcut = page.getByRole('group', { name: 'Sheets' }).getByRole('button', { name: /offcut \d+, / });
  await expect(offcut).toBeVisible();
  await expect(card).toContainText('Cut 1 of');
  await expect.poll(async () => Object.values((await stored(id))['document'].layouts).length).toBe(2);
  await page.reload();
  await expect(offcut).toBeVisible();
});

test('a tick is taken back, and the way sheets are cut up is chosen with what it comes to', async ({ page }) => {
  const id = await freshProject(({ design }) => {
    delete design.units.type;
  });
  await open(page, id, 'ink/sheets');
  await page.locator('.piece').first().waitFor();
  await page.getByRole('button', { name: 'Compare the four ways' }).click();
  const rows = page.locator('.cutting-ways tbody tr');
  await expect(rows).toHaveCount(4);
  await expect(rows.last().getByRole('button', { name: 'Choose' })).toBeEnabled({ timeout: 40_000 });
  await rows.nth(1).getByRole('button', { name: 'Choose' }).click();
  await expect.poll(async () => (await stored(id))['document'].cutting.first).toBe('rip');
  await page.getByRole('tab', { name: 'Cut by cut' }).click();
  const first = page.locator('.cut-list input[type=checkbox]').first();
  await first.click();
  await expect(first).toBeChecked();
  await first.click();
  await expect(first).not.toBeChecked();
});
