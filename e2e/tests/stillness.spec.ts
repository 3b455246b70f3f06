/** What comes later (typefaces, a better layout, what would help most) moves nothing that may be under a finger. */
import { expect, type Page } from '@playwright/test';
import { freshProject, open, station, test } from './support.ts';

/** Shares of the screen that moved by themselves, added up, with what moved. As text: this file is checked without a browser's own types. */
const moved = (page: Page): Promise<{ readonly sum: number; readonly what: readonly string[] }> =>
  page.evaluate('({ sum: window.moved.reduce((all, { value }) => all + value, 0), what: window.moved.flatMap(({ what }) => what) })');

test.beforeEach(async ({ page }) => {
  await page.addInitScript(`
    window.moved = [];
    new PerformanceObserver((list) => {
      for (const { value, hadRecentInput, sources } of list.getEntries())
        if (!hadRecentInput) window.moved.push({ value, what: sources.map(({ node }) => String(node?.className || node?.textContent).slice(0, 60)) });
    }).observe({ type: 'layout-shift', buffered: true });
  `);
});

for (const where of ['wall', 'box', 'hang'])
  test(`nothing at ${where} moves by itself, though typefaces and layouts come late`, async ({ page }) => {
    const id = await freshProject();
    await page.route(/\.woff2?$/, async (route) => {
      await new Promise((resolve) => setTimeout(resolve, 600));
      await route.continue();
    });
    await open(page, id, `ink/${where}`);
    await expect(station(page, 'Sheets')).toContainText('the fewest', { timeout: 60_000 });
    await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
    const { sum, what } = await moved(page);
    // A row of tabs that gives way by the width of one is 0.01.
    expect(sum, what.join('; ')).toBeLessThan(0.005);
  });
