/** The caliper: readings kept as they come, none lost when it drops, stalls or sends nonsense. */
import { expect } from '@playwright/test';
import { baseUrl, freshProject, open, test, untilSaved } from './support.ts';

const fault = (how: 'drop' | 'silent' | 'nonsense', after: number): Promise<Response> =>
  fetch(`${baseUrl()}/api/devices/caliper/fault`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ how, after }) });

// One caliper lies in the shop: two sheets at once would take each other's faults.
test.describe.configure({ mode: 'serial' });

test('dropped in the middle: what was read is kept over a reload, the rest is read on', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/stock');
  const card = page.locator('.stock-card', { hasText: 'Birch plywood 18 mm' });
  const count = (): Promise<number> => card.locator('.readings li').count();
  const before = await count();
  // The caliper may still be starting.
  await expect.poll(async () => (await fault('drop', 2)).status, { timeout: 20_000 }).toBe(204);
  await card.getByRole('button', { name: 'Read 5 places with the caliper' }).click();
  await expect(card.getByRole('alert')).toContainText('was lost after 2; they are kept');
  expect(await count()).toBe(before + 2);
  await untilSaved(page);
  await page.reload();
  await expect.poll(count).toBe(before + 2);
  await fault('drop', 1);
  await card.getByRole('button', { name: 'Read 5 places with the caliper' }).click();
  await card.getByRole('button', { name: 'Read the other 4' }).click();
  await expect.poll(count).toBe(before + 7);
  await expect(card.locator('.big-number')).toContainText(`mean of ${before + 7}`);
});

test('nonsense between two readings is said and not kept; a caliper that stalls is given up', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/stock');
  const card = page.locator('.stock-card', { hasText: 'Birch plywood 6 mm' });
  const count = (): Promise<number> => card.locator('.readings li').count();
  const before = await count();
  await fault('nonsense', 3);
  await card.getByRole('button', { name: 'Read 5 places with the caliper' }).click();
  await expect(card.getByRole('alert')).toContainText('2 lines were no reading of this sheet');
  expect(await count()).toBe(before + 5);
  await fault('silent', 1);
  await card.getByRole('button', { name: 'Read 5 places with the caliper' }).click();
  await expect(card.getByRole('alert')).toContainText('fell silent after 1; they are kept', { timeout: 15_000 });
  expect(await count()).toBe(before + 6);
});
