/** One trip to the yard, from the room: two projects laid out on the same sheets. */
import { expect } from '@playwright/test';
import { baseUrl, furnishedProject, test } from './support.ts';

test('two projects are bought for together; what each needs, what it saves and every sheet are shown', async ({ page }) => {
  const ids = [await furnishedProject((file) => (file['design'].name = 'Front room')), await furnishedProject((file) => (file['design'].name = 'Back room'))];
  // The others of this product belong to other tests.
  await page.route('**/api/projects', async (route) => {
    const answer = await route.fetch();
    const rows = (await answer.json()) as { readonly id: string }[];
    await route.fulfill({ response: answer, json: rows.filter(({ id }) => ids.includes(id)) });
  });
  await page.goto(baseUrl());
  await page.getByRole('link', { name: 'One trip to the yard' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Bought together: [\d.]+ saved|Together they take as much/, { timeout: 60_000 });
  const table = page.getByRole('region', { name: 'What to buy' }).getByRole('table');
  await expect(table.getByRole('row').last()).toContainText(/cost\d+\.\d\d\d+\.\d\d/);
  await expect(table).not.toContainText('…');
  await expect(page.locator('.yard-sheet').first()).toContainText('sheet 1 of');
  await expect(page.locator('.yard-sheet .piece').first()).toBeVisible();
  await page.getByRole('checkbox', { name: /Back room/ }).uncheck();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('What one project takes', { timeout: 60_000 });
});
