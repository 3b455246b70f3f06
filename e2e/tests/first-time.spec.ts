/** From an empty database to a cut list in the hand, by keyboard alone. */
import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';
import { startProduct, type Product } from '../product.ts';
import { test } from './support.ts';

test.describe.configure({ timeout: 120_000, mode: 'serial' });
let empty: Product;
test.beforeAll(async () => void (empty = await startProduct()));
test.afterAll(() => empty.stop());

/** Tabs on until the element with the focus is what is wanted; a person would do no other. */
async function tabTo(page: Page, wanted: RegExp, most = 60): Promise<void> {
  for (let n = 0; n < most; n++) {
    await page.keyboard.press('Tab');
    const here = await page.evaluate(() => {
      const { activeElement: at } = document;
      const label = at?.id ? document.querySelector(`label[for="${at.id}"]`)?.textContent : '';
      return `${at?.getAttribute('aria-label') ?? ''} ${label ?? ''} ${at?.textContent?.slice(0, 80) ?? ''}`;
    });
    if (wanted.test(here)) {
      // Whoever works by keyboard must see where they are.
      const outline = await page.evaluate(
        () => getComputedStyle(document.activeElement!).outlineStyle !== 'none' || document.activeElement!.closest('.Mui-focused') !== null,
      );
      expect(outline).toBe(true);
      return;
    }
  }
  throw new Error(`Tab never came to ${wanted}`);
}

test('New cabinet, three answers, a cut list downloaded: keyboard only, under two minutes', async ({ page }) => {
  for (const demo of ['print-room', 'print-room-back', 'type-store']) await fetch(`${empty.url}/api/projects/${demo}`, { method: 'DELETE' });
  await page.goto(empty.url);
  await expect(page.getByText('No project yet')).toBeVisible();
  await tabTo(page, /New cabinet/);
  await page.keyboard.press('Enter');

  await expect(page.getByRole('heading', { name: 'New cabinet' })).toBeVisible();
  await tabTo(page, /^ ?Name/);
  await page.keyboard.type('Brayer cabinet');
  await tabTo(page, /width/);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('640');
  await tabTo(page, /height/);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('28 1/2in');
  await tabTo(page, /sheet/);
  await tabTo(page, /studs every/);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('16in');
  await page.keyboard.press('Enter');

  await expect(page).toHaveURL(/\/box$/);
  await expect(page.locator('.tally')).toContainText('640');
  await tabTo(page, /Cut list/);
  await page.keyboard.press('Enter');
  await tabTo(page, /Download the cut list/);
  const [download] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('Enter')]);
  expect(download.suggestedFilename()).toMatch(/^brayer-cabinet.*\.csv$/);
  const csv = await readFile(await download.path(), 'utf8');
  const lines = csv.trim().split('\r\n');
  expect(lines[0]).toMatch(/^mark,count,part/);
  // 640 wide in 18 mm taken at its name: 640 − 36 + 2 × 5.75 = 615.5.
  expect(csv).toContain(',615.5,');
  expect(lines.length).toBeGreaterThan(7);
});

test('the drawing is one stop: arrows go from part to part, plus makes it wider', async ({ page }) => {
  await page.goto(empty.url);
  await page.getByRole('link', { name: /Brayer cabinet/ }).click();
  await expect(page.locator('.tally')).toBeVisible();
  await tabTo(page, /front and section/);
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.panel-shape.selected').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('+');
  await expect(page.locator('[data-field="width"]')).toHaveValue('641');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Ctrl+Z');
});
