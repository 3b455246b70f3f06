/** States that a good day never shows: a long nest that is stopped, a project that is gone, a home without its server. */
import { expect } from '@playwright/test';
import { baseUrl, field, freshProject, furnishedProject, open, tally, test } from './support.ts';

test('a nest in progress says so and can be stopped; what was found so far stays', async ({ page }) => {
  // The room as it is: a sheet and the offcut at hand, where no bound says that one sheet would not do, so the search goes on.
  const id = await furnishedProject();
  await open(page, id, 'ink/sheets');
  await expect(page.locator('.piece').first()).toBeVisible();
  await page.getByRole('button', { name: 'Look for ten seconds more' }).click({ timeout: 30_000 });
  await expect(page.getByText('looking for a better layout')).toBeVisible();
  await expect(page.getByRole('progressbar')).toBeVisible();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByText('looking for a better layout')).toHaveCount(0);
  await expect(page.locator('.piece').first()).toBeVisible();
  await expect(tally(page)).toContainText(/\d+ sheets/);
});

test('a project that is not there says so and leads back to the room', async ({ page }) => {
  await page.goto(`${baseUrl()}/project/gone/ink/box`);
  await expect(page.getByText('There is no project at this address.')).toBeVisible();
  await page.getByRole('link', { name: 'All projects' }).click();
  await expect(page.getByRole('link', { name: 'New cabinet' })).toBeVisible();
});

test('home without its server says that nothing is lost', async ({ page }) => {
  await page.route('**/api/projects', (route) => route.abort());
  await page.goto(baseUrl());
  await expect(page.getByRole('alert')).toContainText('Nothing is lost');
  await page.unroute('**/api/projects');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a deletion is undone from the notice, a copy and a new name appear at once', async ({ page }) => {
  const name = `Room ${Math.floor(performance.now() * 1000)}`;
  await freshProject((file) => (file['design'].name = name));
  await page.goto(baseUrl());
  const card = page.getByRole('listitem').filter({ has: page.getByText(name, { exact: true }) });
  await card.getByRole('button', { name: `More about ${name}` }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(card).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(card).toHaveCount(1);
  await card.getByRole('button', { name: `More about ${name}` }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByText(`${name}, copy`)).toBeVisible();
});

test('a shelf is added, moved by its typed height and taken out, and its neighbours keep their contents', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await page.getByRole('button', { name: 'Add a shelf' }).click();
  await expect(page.locator('[data-panel^="ink/shelf/"]')).toHaveCount(6); // three, in front and section
  await expect(field(page, 'width')).toHaveCount(0); // the new shelf is selected: the pane shows it
  await page.keyboard.press('Escape');
  await expect(field(page, 'contents.s1.kg')).toHaveValue('18');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.locator('[data-panel^="ink/shelf/"]')).toHaveCount(4);
});
