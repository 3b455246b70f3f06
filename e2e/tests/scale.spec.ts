/** What a thing weighs: typed in kilograms or in pounds and ounces, or taken from the scale, which can be lost or never stand. */
import { expect, type Page } from '@playwright/test';
import { baseUrl, freshProject, open, stored, test, untilSaved } from './support.ts';

const kgOf = async (id: string): Promise<number | null> =>
  (Object.values((await stored(id))['document'].items as Record<string, any>)[0] as { kg: number | null }).kg;
const fail = (how: string): Promise<unknown> =>
  fetch(`${baseUrl()}/api/devices/scale/fault`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ how, after: 1 }) });
const weight = (page: Page) => page.getByLabel('weight of one');

test('a weight is typed as people type it, or taken from the scale once it stands', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/contents');
  await page.getByRole('button', { name: 'Add a thing' }).click();
  await weight(page).fill('3 lb 4 oz');
  await expect(page.getByText('1.474 kg')).toBeVisible();
  await weight(page).blur();
  await untilSaved(page);
  await expect.poll(() => kgOf(id)).toBe(1.4742);
  await weight(page).fill('heavy');
  await expect(page.getByText(/such as 2\.5, 800 g or 3 lb 4 oz/)).toBeVisible();
  await weight(page).fill('');
  await weight(page).blur();
  await untilSaved(page);

  await page.getByLabel('pieces on the scale').fill('5');
  await page.getByRole('button', { name: 'Weigh with the scale' }).click();
  await expect(page.getByText(/^5 weigh [\d.]+ kg\./)).toBeVisible();
  await untilSaved(page);
  await expect.poll(() => kgOf(id)).toBeGreaterThan(0);
});

test('a scale that is lost or never stands enters nothing, and says so', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/contents');
  await page.getByRole('button', { name: 'Add a thing' }).click();
  await untilSaved(page);
  for (const [how, says] of [
    ['drop', 'was lost before it stood; nothing was entered'],
    ['unsteady', 'It never stood still; nothing was entered'],
  ] as const) {
    await fail(how);
    await page.getByRole('button', { name: 'Weigh with the scale' }).click();
    await expect(page.getByText(says)).toBeVisible({ timeout: 20_000 });
  }
  await untilSaved(page);
  expect(await kgOf(id)).toBeNull();
});
