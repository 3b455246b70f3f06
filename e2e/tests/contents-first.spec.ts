/** From an empty project to a box on the wall: what it must hold and where it goes first, the box follows. */
import { expect, type Page } from '@playwright/test';
import { baseUrl, field, station, stored, tally, test, untilSaved, watchErrors } from './support.ts';

test.describe.configure({ timeout: 120_000 });

const PASTED = [
  ['what', 'count', 'width', 'depth', 'height', 'kg each', 'together with', 'reached'],
  ['large tin', '4', '110', '110', '125', '1.35', 'inks', 'daily'],
  ['small tin', '6', '75', '75', '70', '0.42', 'inks', 'weekly'],
  ['solvent can', '2', '95', '95', '205', '1.1', '', 'weekly'],
  ['paper box', '2', '230', '165', '60', '1.9', 'papers', 'weekly'],
  ['card box', '1', '130', '180', '95', '1.2', 'papers', 'daily'],
  ['lead strips', '3', '95', '130', '70', '4.6', 'leads', 'seldom'],
  ['brass rule', '2', '40', '180', '40', '1.1', 'leads', 'seldom'],
  ['cloth pile', '1', '180', '160', '90', '', '', 'daily'],
  ['gloves', '1', '125', '230', '85', '0.6', '', 'daily'],
  ['oil bottle', '1', '75', '75', '180', '0.7', '', 'weekly'],
]
  .map((row) => row.join('\t'))
  .join('\n');

/** What a spreadsheet puts on the clipboard, dropped on the table as Ctrl+V does. */
async function paste(page: Page, text: string): Promise<void> {
  await page.getByRole('region', { name: /paste rows/ }).evaluate((element, data) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', data);
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  }, text);
}

test('a wall and twenty things become a shelf box on two studs, clear of the outlet, with its parts, sheets and hanging', async ({ page }) => {
  const errors = watchErrors(page);
  await page.goto(baseUrl());
  await page.getByRole('button', { name: 'Start from what it must hold' }).click();
  await expect(page).toHaveURL(/\/none\/contents$/);
  const project = /project\/([^/]+)/.exec(page.url())![1]!;

  // The wall: its size, studs every 400 from 200, an outlet.
  await station(page, 'Wall').click();
  await field(page, 'wall.width').fill('2800');
  await field(page, 'wall.ceiling').fill('2440');
  // The switch follows the design: its state is waited for, not read at once.
  await page.getByLabel('studs stand at a regular spacing').click();
  await expect(page.getByLabel('studs stand at a regular spacing')).toBeChecked();
  await field(page, 'wall.studs.spacing').fill('400');
  await field(page, 'wall.studs.offset').fill('200');
  await field(page, 'wall.add').selectOption('outlet');
  const thing = page.locator('.wall-thing.outlet');
  await expect(thing).toBeVisible();
  await page.getByLabel('from the left end of the wall').fill('1400');
  await page.getByLabel('lower edge above the floor').fill('1300');
  // A small thing is dragged into its place by the hand that holds the mouse.
  const before = (await thing.boundingBox())!;
  await page.mouse.move(before.x + before.width / 2, before.y + before.height / 2);
  await page.mouse.down();
  await page.mouse.move(before.x + before.width / 2 + 40, before.y + before.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByLabel('from the left end of the wall')).not.toHaveValue('1400');

  // Ten things pasted, ten typed.
  await station(page, 'Contents').click();
  await expect(page.getByRole('grid')).toBeVisible();
  await paste(page, PASTED);
  await expect(page.getByText('10 kinds of thing')).toBeVisible();
  for (let n = 1; n <= 10; n++) {
    await page.getByRole('button', { name: 'Add a row' }).click();
    await page.getByRole('textbox', { name: 'what' }).fill(`thing ${n}`);
    await page.getByRole('textbox', { name: 'count' }).fill('1');
    await page.getByRole('textbox', { name: 'width' }).fill(String(60 + 10 * n));
  }
  await expect(page.getByText('20 kinds of thing')).toBeVisible();
  // A cell is typed in like a spreadsheet's: Enter, type, Enter.
  await page.getByRole('gridcell', { name: 'large tin' }).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('black tin');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('gridcell', { name: 'black tin' })).toBeVisible();

  // Set out, looked at, taken.
  await page.keyboard.press('Escape');
  await page.getByRole('main').getByText('20 kinds of thing').click();
  await page.getByRole('tab', { name: 'On the shelves' }).click();
  await page.locator('.tray-room').click({ position: { x: 5, y: 5 }, force: true });
  await page.locator('svg.shelves').click({ position: { x: 3, y: 3 } });
  await page.getByRole('button', { name: 'Set them out' }).click();
  await expect(page.getByText(/floors?, .* of height inside: a box/)).toBeVisible();
  await page.getByRole('button', { name: 'Take this set-out' }).click();
  await expect(page.locator('svg.shelves .panel-shape.side').first()).toBeVisible();
  await expect(page.getByText('all have a place')).toBeVisible();
  await untilSaved(page);

  const { document } = await stored(project);
  const [box] = Object.values(document.design?.units ?? document.units) as Record<string, any>[];
  const items = Object.values(document.items) as Record<string, any>[];
  expect(items).toHaveLength(20);
  // Everything stands in the box that was proposed, on floors it has.
  const floors = ['bottom', ...Object.keys(box!['shelves'])];
  for (const item of items) {
    const homes = item['homes'][box!['id']] as Record<string, { count: number }>;
    expect(Object.keys(homes).every((on) => floors.includes(on))).toBe(true);
    expect(Object.values(homes).reduce((sum, { count }) => sum + count, 0)).toBe(item['count']);
  }

  // Over two studs, clear of the outlet: nothing of the wall is the matter with it but that nobody looked for cables.
  await station(page, 'Wall').click();
  await expect(page.locator('.wall-unit.bad')).toHaveCount(0);
  await expect(page.locator('.holes circle, .holes path')).not.toHaveCount(0);
  await expect(page.locator('.holes .never')).toHaveCount(0);
  await station(page, 'Hang').click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/estimated to carry .* of contents(, between .*)?; .* is planned/);
  await station(page, 'Sheets').click();
  await expect(page.locator('.piece').first()).toBeVisible();
  await expect(tally(page)).toContainText(/sheets?/);
  await station(page, 'Box').click();
  await page.getByRole('tab', { name: 'Cut list' }).click();
  await expect(page.locator('.cut-list tbody tr')).not.toHaveCount(0);

  // One undo takes the whole proposal off again, and redo brings it back.
  await page.keyboard.press('Control+Z');
  await expect(page.getByText('No cabinet yet')).toBeVisible();
  await page.keyboard.press('Control+Shift+Z');
  await expect(page.getByText('No cabinet yet')).toHaveCount(0);
  expect(errors).toEqual([]);
});

test('a cell that makes no sense changes nothing and says what would be taken', async ({ page }) => {
  await page.goto(baseUrl());
  await page.getByRole('button', { name: 'Start from what it must hold' }).click();
  await expect(page.getByRole('grid')).toBeVisible();
  await paste(page, 'what\tcount\twidth\nbrayer\t2\t60\nmallet\tmany\t90');
  await expect(page.getByRole('alert')).toContainText(/'many' is no count.*a whole number from 1/);
  await expect(page.getByText('Nothing yet. Paste rows')).toBeVisible();
});
