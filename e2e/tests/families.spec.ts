/** Families of cabinets through the page: picked from the gallery, seen from every side, changed by hand and by typing, kept over a reload. */
import { expect, type Page } from '@playwright/test';
import { freshProject, open, station, stored, test, untilSaved } from './support.ts';

const FAMILIES = [
  'shelf box',
  'cabinet run',
  'tool till',
  'slot rack',
  'ledge rack',
  'sloped-top box',
  'mitred box',
  'drawer unit',
  'fold-down surface',
  'slab',
  'corner unit',
] as const;

async function openGallery(page: Page): Promise<void> {
  await page.locator('.unit-picker > button').click();
  await page.getByRole('menuitem', { name: 'Add a unit …' }).click();
}

test('every family is in the gallery; each is added, drawn from all sides and listed', async ({ page }) => {
  test.setTimeout(180_000);
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(String(error)));
  const id = await freshProject();
  await open(page, id);
  for (const family of FAMILIES) {
    await openGallery(page);
    await page
      .getByRole('dialog')
      .getByRole('button', { name: new RegExp(`^${family}`) })
      .click();
    await expect(page.locator('.reading .kind')).toContainText(family);
    await expect(page.locator('svg.drawing .panel-shape').first()).toBeVisible();
    for (const view of ['Side + plan', 'Back', 'Cut at']) {
      await page.getByRole('tab', { name: view, exact: true }).click();
      await expect(page.locator('svg.drawing .panel-shape').first()).toBeVisible();
    }
    await page.getByRole('tab', { name: 'Cut list' }).click();
    await expect(page.locator('.cut-list tbody tr').first()).toBeVisible();
    await page.getByRole('tab', { name: 'Front + section' }).click();
  }
  expect(errors).toEqual([]);
});

test('a till: a tool is added, its bay typed, the panel tilted; all of it is there after a reload', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await openGallery(page);
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^tool till/ })
    .click();
  await expect(page.locator('.reading .kind')).toContainText('tool till');
  const bays = page.locator('.element-list', { hasText: 'bays' }).first();
  if (!(await bays.isVisible())) await page.getByText('Inside', { exact: true }).click();
  await bays.getByRole('button', { name: 'Add: bays' }).click();
  await expect(page.locator('.reading h2')).toHaveText(/divider 3/);
  await page.locator('[data-field$=".tool"]').fill('bone folder');
  await page.getByRole('button', { name: 'Back to the cabinet' }).click();
  const tilt = page.locator('[data-field="tiltDeg"]');
  await tilt.fill('12');
  await untilSaved(page);
  await page.reload();
  await expect(page.locator('[data-field="tiltDeg"]')).toHaveValue('12');
  await page.getByText('Inside', { exact: true }).click();
  await expect(page.locator('[data-field$=".tool"]').last()).toHaveValue('bone folder');
});

test('a shelf is dragged: the drawing follows the hand, the rest when it is let go, and one undo takes it back', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  const shelf = page.locator('[data-panel="ink/shelf/s1"]').first();
  const before = (await shelf.boundingBox())!;
  await page.mouse.move(before.x + before.width / 2, before.y + before.height / 2);
  await page.mouse.down();
  await page.mouse.move(before.x + before.width / 2, before.y + before.height / 2 - 30, { steps: 6 });
  await expect.poll(async () => (await shelf.boundingBox())!.y).toBeLessThan(before.y - 20);
  await page.mouse.up();
  await shelf.click();
  const at = page.locator('[data-field="shelves.s1.at"]').first();
  await expect(at).not.toHaveValue('');
  await page.keyboard.press('Control+z');
  await expect(at).toHaveValue('');
});

test('an insert is put in a space, and moved about in it', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await page.getByText('Inside', { exact: true }).click();
  await page.getByRole('button', { name: 'Add: inserts' }).click();
  await expect(page.locator('.reading h2')).toHaveText(/holder 1 with holes/);
  await page.locator('[data-field$=".along"]').fill('120');
  await page.getByRole('button', { name: 'Back to the cabinet' }).click();
  await page.getByRole('tab', { name: 'Cut list' }).click();
  await expect(page.locator('.cut-list')).toContainText('holder 1 with holes');
});

test('a cupboard is screwed straight to the studs: cleat and spacer are gone, the hook is no longer spoken of, and it stays so', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await station(page, 'Hang').click();
  await expect(page.locator('.reading')).toContainText('unhooks it');
  await page.getByLabel('hangs', { exact: true }).selectOption('through');
  await expect(page.locator('.reading .kind')).toHaveText('screwed through into the studs, no cleat');
  await expect(page.locator('.cleat-facts')).toContainText('hanging rail');
  await expect(page.locator('.reading')).not.toContainText('unhooks it');
  await page.getByRole('tab', { name: 'On the wall' }).click();
  await expect(page.getByText(/hanging rail from the front, from its left end/)).toBeVisible();
  await expect(page.locator('[data-field="hanging.bevelDeg"]')).toHaveCount(0);
  await untilSaved(page);
  expect((await stored(id))['document'].units.ink.hanging.kind).toBe('through');
  await page.reload();
  await expect(page.locator('.reading .kind')).toHaveText('screwed through into the studs, no cleat');
  await station(page, 'Box').click();
  await page.getByRole('tab', { name: 'Cut list' }).click();
  await expect(page.locator('.cut-list')).not.toContainText('cleat');
});
