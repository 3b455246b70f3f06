/** Parts pinned by hand, sheets kept out of the store, a search that goes on on the server. */
import { expect, type Page } from '@playwright/test';
import { freshProject, furnishedProject, open, station, stored, test, untilSaved } from './support.ts';

const pieceNamed = (page: Page, id: string) => page.locator(`[data-piece="${id}"]`);
const settled = (page: Page) => expect(page.getByText('looking for a better layout')).toBeHidden({ timeout: 20_000 });

test('a part is dragged, pinned and typed; the others are laid out round it, over a reload, until it is let go', async ({ page }) => {
  const id = await freshProject(({ design }) => {
    delete design.units.type;
  });
  await open(page, id, 'ink/sheets');
  await page.getByRole('group', { name: 'Sheets' }).getByRole('button', { name: /18 mm/ }).click();
  const side = pieceNamed(page, 'ink/side/left');
  await side.waitFor();
  await settled(page);
  const from = (await side.boundingBox())!;
  const sheet = (await page.locator('.sheet-edge').boundingBox())!;
  await page.mouse.move(from.x + 20, from.y + 12);
  await page.mouse.down();
  // Past the right edge: it is said, and nothing is pinned when it is let go there.
  await page.mouse.move(sheet.x + sheet.width - 30, from.y + 20, { steps: 4 });
  await expect(page.locator('.carried')).toContainText('past the edge of the sheet');
  await page.mouse.move(sheet.x + 0.4 * sheet.width, sheet.y + 0.6 * sheet.height, { steps: 4 });
  await expect(page.locator('.carried')).not.toHaveClass(/wrong/);
  await page.mouse.up();
  await untilSaved(page);
  const pins = (await stored(id))['document'].pins;
  expect(Object.keys(pins)).toEqual(['ink/side/left']);
  await settled(page);
  await page.reload();
  await side.waitFor();
  await settled(page);
  await side.click();
  const form = page.getByRole('form', { name: /^Where A\d lies$/ });
  const left = form.getByLabel('from the left edge');
  await expect(left).toHaveValue(String(pins['ink/side/left'].x).replace('mm', ''));
  // The typed twin: into the trim it cannot go, beside it it can.
  await left.fill('2');
  await expect(form).toContainText('past the edge of the sheet, or in its trim');
  await expect(form.getByRole('button', { name: 'Pin it there' })).toBeDisabled();
  await left.fill('5');
  await form.getByRole('button', { name: 'Pin it there' }).click();
  await untilSaved(page);
  expect((await stored(id))['document'].pins['ink/side/left'].x).toBe('5mm');
  await form.getByRole('button', { name: 'Let it go' }).click();
  await untilSaved(page);
  expect((await stored(id))['document'].pins).toEqual({});
});

test('an offcut is used with a click, kept for the project, and another project does without it', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/sheets');
  await page.locator('.piece').first().waitFor();
  await settled(page);
  await page.getByRole('button', { name: /^Cut A\d from it$/ }).click();
  await expect(page.getByRole('group', { name: 'Sheets' }).getByRole('button', { name: /offcut 1/ })).toBeVisible();
  await page.getByRole('button', { name: 'Keep it for this project' }).click();
  await expect(page.getByRole('button', { name: 'Keep it for this project' })).toBeHidden();
  const other = await freshProject();
  await open(page, other, 'ink/sheets');
  await page.locator('.piece').first().waitFor();
  await settled(page);
  await expect(page.getByText(/Offcut 1, .* is in the store/)).toBeHidden();
  await station(page, 'Stock').click();
  const row = page.locator('.store [data-piece="offcut-1"]');
  await expect(row).toContainText('kept for');
  await expect(row.getByRole('button', { name: 'Keep offcut 1 for this project' })).toBeHidden();
  // Given back by whoever has it, it is free again.
  await open(page, id, 'ink/stock');
  await row.getByRole('button', { name: 'Give offcut 1 back' }).click();
  await expect(row.getByRole('button', { name: 'Keep offcut 1 for this project' })).toBeVisible();
});

test('a search goes on on the server while the page is closed, and is stopped from it', async ({ page }) => {
  const id = await furnishedProject(({ design }) => {
    // Pinned all over it, they leave too little in one piece for the rest: a second sheet, and nothing proves that best.
    const pin = (id: string, x: string, y: string) => [id, { id, product: 'birch-18', sheet: 'birch-18#1', x, y, turned: false }];
    design.pins = Object.fromEntries([pin('ink/side/left', '200mm', '100mm'), pin('ink/side/right', '1300mm', '420mm'), pin('ink/top', '500mm', '800mm')]);
  });
  await open(page, id, 'ink/sheets');
  await page.getByRole('group', { name: 'Sheets' }).getByRole('button', { name: /18 mm/ }).first().click();
  await pieceNamed(page, 'ink/side/left').waitFor();
  await settled(page);
  await page.getByRole('button', { name: '5 min' }).click();
  await expect(page.getByText(/The server looks for a better layout: .* of 5 min/)).toBeVisible();
  await page.goto('about:blank');
  await open(page, id, 'ink/sheets');
  await page.getByRole('group', { name: 'Sheets' }).getByRole('button', { name: /18 mm/ }).first().click();
  await expect(page.getByText(/The server looks for a better layout: [1-9]\d* s of 5 min/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop it' }).click();
  await expect(page.getByText(/The server looked for/)).toBeVisible();
});
