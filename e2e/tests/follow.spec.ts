import { expect } from '@playwright/test';
import { field, freshProject, open, station, stored, tally, test, untilSaved, watchErrors } from './support.ts';

test('a width typed at the keyboard has everything follow, within the next frame', async ({ page }) => {
  const errors = watchErrors(page);
  const id = await freshProject();
  await open(page, id);
  await expect(tally(page)).toContainText('4 sheets');
  const before = await tally(page).innerText();

  await field(page, 'width').focus();
  await page.keyboard.press('Control+A');
  // What stands in the tally two frames after the last key, taken inside the page.
  await page.evaluate(() => {
    document
      .querySelector('[data-field="width"]')!
      .addEventListener('input', () =>
        requestAnimationFrame(() => requestAnimationFrame(() => ((window as any).after = document.querySelector('.tally')!.textContent))),
      );
  });
  await page.keyboard.type('1000');
  await expect.poll(() => page.evaluate(() => (window as any).after as string)).toContain('1000');
  const after = await page.evaluate(() => (window as any).after as string);
  expect(after).toMatch(/26 kg empty/); // 19 kg before
  expect(after).not.toContain('1.1 mm'); // the sag of 700 mm
  expect(before).toContain('19 kg empty');
  await expect(page.locator('[data-dimension="outside width"]')).toContainText('1000');

  await page.getByRole('tab', { name: 'Cut list' }).click();
  await expect(page.locator('.cut-list')).toContainText('976'); // 1000 − 2 × 17.8 + 2 × 5.75 = 975.9
  await page.keyboard.press('6');
  await expect(page.locator('[data-piece="ink/shelf/s1"], .piece').first()).toBeVisible();
  await station(page, 'Hang').click();
  await expect(page.locator('h1')).toContainText('estimated to carry');
  await page.getByRole('tab', { name: 'On the wall' }).click();
  await expect(page.getByText(/wall half from the front/)).toBeVisible();

  await untilSaved(page);
  expect((await stored(id))['document'].units.ink.width).toBe('1000 mm');
  expect(errors).toEqual([]);
});

test('it survives a reload, and undoes: in the same visit step by step, after a reload to the version before', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await field(page, 'width').fill('760');
  await field(page, 'width').press('Enter');
  await field(page, 'height').fill('32 1/4in');
  await untilSaved(page);

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(field(page, 'height')).toHaveValue('820');
  await expect(field(page, 'width')).toHaveValue('760');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(field(page, 'height')).toHaveValue('32 1/4in');
  await page.keyboard.press('Control+Z');
  await untilSaved(page);

  await page.reload();
  await expect(field(page, 'width')).toHaveValue('760');
  await expect(field(page, 'height')).toHaveValue('820');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(field(page, 'width')).toHaveValue('700');
  await untilSaved(page);
  expect((await stored(id))['document'].units.ink.width).toBe('700 mm');
});

test('a part pointed at in the drawing is selected in the pane, on its sheet and in the list', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await page.locator('[data-panel="ink/shelf/s2"]').first().click();
  await expect(page.getByRole('complementary', { name: 'Reading pane' })).toContainText('shelf 2');
  await page.getByRole('tab', { name: 'Cut list' }).click();
  await expect(page.locator('.cut-list .selected')).toContainText('shelf 2');
  await station(page, 'Sheets').click();
  await expect(page.locator('.piece.selected')).toContainText('shelf 2');
});

test('every number opens its sum, and the sum leads back to the field it was entered in', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await tally(page)
    .getByRole('button', { name: /loaded/ })
    .click();
  const sum = page.locator('.sum-table').last();
  await expect(sum).toContainText('empty');
  await page.keyboard.press('Escape');
  await page.locator('[data-panel="ink/shelf/s1"]').first().click();
  const pane = page.getByRole('complementary', { name: 'Reading pane' });
  await expect(pane.getByRole('heading').first()).toContainText('shelf 1');
  await expect(pane.locator('.sum-card .sum-table')).toContainText('675.9 mm');
  await pane.locator('.sum-card .sum-link', { hasText: 'outside width' }).first().click();
  await expect(field(page, 'width')).toBeFocused();
});

test('a mistake is caught with its numbers; its fix shows what it would do, is applied with a click and undone with another', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/hang');
  await field(page, 'hanging.wallScrew.length').fill('50');
  const finding = page.locator('.finding.stop', { hasText: 'Wall screws of 50 mm grip 19.5 mm' });
  await expect(finding).toBeVisible();
  const fix = finding.getByRole('button').first();
  await expect(fix).toContainText('screws');
  const strip = await tally(page).boundingBox();
  await fix.hover();
  await expect(finding.locator('.effect')).toContainText(/to look at \d+ → \d+/);
  await expect(tally(page).locator('.then').first()).toBeVisible();
  // It does not grow: a fix low in the pane would go from under the pointer.
  expect(await tally(page).boundingBox()).toEqual(strip);
  await fix.click();
  await expect(finding).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(finding).toBeVisible();
});

test('what cannot be read stays in the field with the reason, and the plan stays as it was', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await field(page, 'width').fill('1.1/2');
  await expect(page.getByText(/puts a point before a fraction/)).toBeVisible();
  await expect(tally(page)).toContainText('700');
  await field(page, 'width').press('Escape');
  await expect(field(page, 'width')).toHaveValue('700');
  await field(page, 'width').fill('99999');
  await expect(page.getByText(/from 100 mm to 3000 mm/)).toBeVisible();
  await untilSaved(page);
  expect((await stored(id))['document'].units.ink.width).toBe('700 mm');
});
