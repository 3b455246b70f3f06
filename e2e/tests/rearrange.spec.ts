/** Editing a cabinet as a whole, through the page: tries, turned round, cut alike, round numbers, a copy elsewhere, its outline dragged. */
import { expect, type Page } from '@playwright/test';
import { backWallProject, baseUrl, field, freshProject, open, test, untilSaved } from './support.ts';

async function pick(page: Page, item: string): Promise<void> {
  await page.locator('.unit-picker > button').click();
  await page.getByRole('menuitem', { name: item }).click();
}

test('a try is kept, the unit changed, both are compared; the try is taken and what stood there is kept, over a reload', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await page.getByRole('tab', { name: 'Tries' }).click();
  await page.getByRole('button', { name: 'Keep it as a try' }).click();
  await page.getByLabel('Name of the try').fill('shallow');
  await field(page, 'depth').fill('360 mm');
  const standing = page.getByRole('region', { name: /as it stands/ });
  const kept = page.getByRole('region', { name: 'shallow' });
  await expect(standing).toContainText('378 mm');
  await expect(kept).toContainText('298 mm');
  await expect(kept).toContainText(/screws in stud \d: \d+ %/);
  await kept.getByRole('button', { name: 'Take this one' }).click();
  await expect(field(page, 'depth')).toHaveValue(/280/);
  await untilSaved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Tries' }).click();
  await expect(page.getByRole('region', { name: /as it stands/ })).toContainText('298 mm');
  const other = page.getByRole('region', { name: 'Ink cupboard', exact: true });
  await expect(other).toContainText('378 mm');
  await other.getByRole('button', { name: 'Take it out' }).click();
  await expect(other).toHaveCount(0);
  // One undo brings it back.
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByRole('region', { name: 'Ink cupboard', exact: true })).toBeVisible();
});

test('the unit is turned round: what was at the left is at the right', async ({ page }) => {
  const id = await backWallProject();
  await open(page, id, 'bays/box');
  const divider = page.locator('[data-panel="bays/divider/v1"]').first();
  const shelves = page.locator('[data-panel^="bays/shelf/"]');
  await expect(shelves.first()).toBeVisible();
  const before = (await page.locator('[data-panel="bays/shelf/s3"]').first().boundingBox())!;
  const post = (await divider.boundingBox())!;
  expect(before.x).toBeGreaterThan(post.x);
  await pick(page, 'Turn it round, left to right');
  await expect.poll(async () => (await page.locator('[data-panel="bays/shelf/s3"]').first().boundingBox())!.x).toBeLessThan((await divider.boundingBox())!.x);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect.poll(async () => Math.round((await page.locator('[data-panel="bays/shelf/s3"]').first().boundingBox())!.x)).toBe(Math.round(before.x));
});

test('a space is cut like another one of its box', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  // The bottom space in two bays, the left one by a shelf: the right one is then cut like it.
  await page.getByRole('button', { name: 'Split bottom opening by a divider' }).click();
  await page.getByRole('button', { name: 'Back to the cabinet' }).click();
  await page.getByRole('button', { name: /^Split bay right of divider 1 by a shelf/ }).click();
  await page.getByRole('button', { name: 'Back to the cabinet' }).click();
  const count = (): Promise<number> =>
    page.evaluate(`new Set([...document.querySelectorAll('[data-panel^="ink/shelf/"]')].map((each) => each.getAttribute('data-panel'))).size`);
  const before = await count();
  await page.getByLabel('Cut bottom opening like another space').selectOption({ label: 'right of divider 1' });
  await expect.poll(count).toBe(before + 1);
});

test('round numbers in the other unit: what moves is shown first, then done, and one undo takes it back', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await pick(page, 'Round numbers …');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('row', { name: /outside width/ })).toContainText('700 mm27 1/2 in1.5 mm');
  await dialog.getByRole('button', { name: 'Make it so' }).click();
  await expect(field(page, 'width')).toHaveValue('27 1/2');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(field(page, 'width')).toHaveValue('700');
});

test('a unit is copied to another project and is there, under its own name', async ({ page }) => {
  const [from, to] = [await freshProject(), await freshProject()];
  await page.request.patch(`${baseUrl()}/api/projects/${to}`, { data: { name: `Drying room ${to.slice(0, 6)}` } });
  await open(page, from);
  await pick(page, 'Copy to another project …');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: new RegExp(`Drying room ${to.slice(0, 6)}`) })
    .click();
  await page.getByRole('link', { name: 'Open it there' }).click();
  await expect(page).toHaveURL(new RegExp(`/project/${to}/u`));
  await expect(page.locator('.unit-picker > button')).toContainText('Ink cupboard');
  await expect(page.locator('svg.drawing .panel-shape').first()).toBeVisible();
});

test('the outline is dragged: a wider box by its right side, a deeper one in the section; the field says the same', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  const side = (await page.locator('[data-panel="ink/side/right"]').first().boundingBox())!;
  await page.mouse.move(side.x + side.width / 2, side.y + side.height / 2);
  await page.mouse.down();
  await page.mouse.move(side.x + side.width / 2 + 40, side.y + side.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => Number(await field(page, 'width').inputValue())).toBeGreaterThan(720);
});

test('what cannot be made says so, what would do, and is not lost', async ({ page }) => {
  const id = await backWallProject();
  await open(page, id, 'slab/box');
  await field(page, 'width').fill('400 mm');
  await expect(page.getByRole('alert')).toContainText('the wings leave no slab between them');
  await field(page, 'width').fill('1500 mm');
  await expect(page.getByText('the wings leave no slab')).toHaveCount(0);
  await untilSaved(page);
});
