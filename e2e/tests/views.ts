/** Every view there is, and how to come to it: visited by the accessibility and the overflow tests. */
import type { Page } from '@playwright/test';

export interface ViewCase {
  readonly name: string;
  readonly path: (project: string) => string;
  readonly before?: (page: Page) => Promise<unknown>;
}

const at = (unit: string, station: string) => (project: string) => `/project/${project}/${unit}/${station}`;
const openAll = (page: Page): Promise<unknown> => page.evaluate(() => document.querySelectorAll('details').forEach((each) => (each.open = true)));
const pane = async (page: Page): Promise<void> => {
  const button = page.getByRole('button', { name: 'Open the reading pane' });
  if (await button.isVisible()) await button.click();
  await openAll(page);
};

export const VIEWS: readonly ViewCase[] = [
  { name: 'home', path: () => '/' },
  { name: 'new cabinet', path: () => '/new' },
  { name: 'box', path: at('ink', 'box') },
  { name: 'box form', path: at('type', 'box'), before: pane },
  { name: 'box, a part', path: at('type', 'box'), before: async (page) => (await page.locator('[data-panel="type/shelf/s1"]').first().click(), pane(page)) },
  { name: 'cut list', path: at('ink', 'box'), before: (page) => page.getByRole('tab', { name: 'Cut list' }).click() },
  { name: 'cut list in inches', path: at('type', 'box'), before: (page) => page.getByRole('tab', { name: 'Cut list' }).click() },
  { name: 'stock', path: at('ink', 'stock') },
  { name: 'sheets', path: at('type', 'sheets'), before: (page) => page.locator('.piece').first().waitFor() },
  { name: 'hang', path: at('ink', 'hang'), before: openAll },
  { name: 'hang form', path: at('type', 'hang'), before: pane },
  { name: 'a sum', path: at('ink', 'box'), before: (page) => page.locator('.tally .explained').nth(3).click() },
  { name: 'find', path: at('ink', 'box'), before: (page) => page.keyboard.press('Control+K') },
  { name: 'shortcuts', path: at('ink', 'box'), before: (page) => page.keyboard.press('?') },
];
