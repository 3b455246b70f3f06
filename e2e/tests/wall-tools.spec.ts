/** The wall's own tools through the screen: the space filled, a run made, a rail hung on, a bow measured, a stud corrected. */
import { expect } from '@playwright/test';
import { field, freshProject, furnishedProject, open, station, stored, test, untilSaved, watchErrors } from './support.ts';

test('the free space is filled, or shared by a run of equal ones with a gap kept free', async ({ page }) => {
  const errors = watchErrors(page);
  const id = await freshProject((file) => {
    delete file['design'].units.type;
    file['design'].wall.things = {};
  });
  await open(page, id, 'ink/wall');
  await page.getByText('Fit the space there is').click();
  // The whole wall but the baseboard and 30 mm under the ceiling; a cabinet is at most 3 m wide and 2.7 m high.
  await expect(field(page, 'fit.room').locator('option').first()).toHaveText(/4800 mm × 2340 mm/);
  await field(page, 'fit.count').fill('3');
  await field(page, 'fit.open').fill('900');
  await expect(page.getByText('3 of 1300 mm; 0 mm left over.')).toBeVisible();
  await page.getByRole('button', { name: 'Make this run' }).click();
  await untilSaved(page);
  const { units } = (await stored(id))['document'];
  const places = (Object.values(units) as { width: string; place: { along: string } }[])
    .map(({ width, place }) => [parseFloat(place.along), width])
    .sort((a, b) => Number(a[0]) - Number(b[0]));
  expect(places).toEqual([
    [0, '1300 mm'],
    [2200, '1300 mm'],
    [3500, '1300 mm'],
  ]);
  expect(errors).toEqual([]);
});

test('a cabinet is hung on a rail: ripped as it, at its height, and out of its boards', async ({ page }) => {
  const id = await furnishedProject((file) => (file['design'].units['spacing-1'].hanging.wallRail = null));
  await open(page, id, 'spacing-1/wall');
  await field(page, 'place.rail').selectOption({ label: 'the upper rail' });
  await expect(page.locator('.pane .finding').filter({ hasText: /the upper rail/ })).toHaveCount(0);
  await page.getByText('What is on it').click();
  await page.getByRole('button', { name: 'the upper rail' }).click();
  await expect(page.locator('.pane')).toContainText('On it: Spacing box, left, Spacing box, right.');
  await untilSaved(page);
  const { hanging, place } = (await stored(id))['document'].units['spacing-1'];
  expect(hanging.wallRail).toBe('rail-upper');
  expect(parseFloat(place.up)).toBeCloseTo(1516.637, 2);
});

test('a bow is measured reading by reading, and the shims follow', async ({ page }) => {
  const id = await freshProject((file) => (file['design'].wall.bow = {}));
  await page.route(/BowChart/, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 500));
    await route.continue();
  });
  await open(page, id, 'ink/wall');
  await page.getByRole('button', { name: 'Measure the bow' }).click();
  for (const [at, off, delay] of [
    ['800', '0', 40],
    ['1245', '4', 350],
    ['1700', '0', 40],
  ] as const) {
    await field(page, 'bow.next.along').fill(at);
    await field(page, 'bow.next.off').fill(off);
    // Pressed slowly nothing may move away under the finger; and who goes on at once types over what is there, not behind it.
    await page.getByRole('button', { name: 'Add this reading' }).click({ delay });
  }
  await expect(page.getByRole('img', { name: /Bow of the wall: 0 mm at 800 mm, 4 mm at 1245 mm/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('.pane .finding').filter({ hasText: /bows .* along the cleat/ })).toBeVisible();
  await expect(page.locator('.shims')).toContainText('1040');
});

test('a stud is corrected where it was found, and the screws go with it', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/wall');
  await page.getByText('What is on it').click();
  await page.getByRole('button', { name: /Stud 5 at 1850 mm/ }).click();
  await page.getByLabel('center from the left end').fill('1862');
  await expect(page.locator('.pane')).toContainText('to its neighbors');
  await untilSaved(page);
  const marks = Object.values((await stored(id))['document'].wall.studs.marks) as { regular: number; at: string; state: string }[];
  expect(marks.find(({ regular }) => regular === 4)).toMatchObject({ at: '1862 mm', state: 'found' });
  await station(page, 'Hang').click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('estimated to carry');
});
