/** Joints through the page: sections, setups in their order, test cuts that later setups start from, ticks that stay. */
import { expect } from '@playwright/test';
import { field, freshProject, open, station, test, untilSaved, watchErrors } from './support.ts';

test('a joint is seen in section; another depth is another section, and the parts follow', async ({ page }) => {
  const errors = watchErrors(page);
  const id = await freshProject();
  await open(page, id);
  await station(page, 'Joints').click();
  await expect(page.locator('.joint-section .joint-host')).toBeVisible();
  await page.locator('.joint-list button', { hasText: 'shelf' }).first().click();
  await expect(page.locator('.joint-facts')).toContainText('11.8'); // 17.8 less 6 under the slot
  const before = await page.locator('.joint-section .joint-guest').getAttribute('d');
  await page.locator('[data-field="jointDepth"]').fill('4');
  await expect.poll(() => page.locator('.joint-section .joint-host').getAttribute('d')).not.toBe(before);
  await expect(page.locator('.joint-facts')).toContainText('13.8');
  await expect(page.getByRole('region', { name: 'What changed' })).toContainText('left side: slots 6 mm deep, now 4 mm');
  await page.getByRole('button', { name: 'Count from here' }).click();
  await expect(page.getByRole('region', { name: 'What changed' })).toBeHidden();
  // The joint is on the drawing too, and another is chosen there.
  await expect(page.locator('.joint-seam.current')).toHaveCount(2);
  await page.locator('.joint-seam', { hasText: 'bottom and left side' }).click();
  await expect(page.locator('.joint-list .current')).toContainText('bottom into left side');
  await page.getByRole('slider', { name: 'Play, so many times as wide as it is' }).focus();
  await page.keyboard.press('End');
  await expect(page.getByText('play drawn 12 times as wide')).toBeVisible();
  expect(errors).toEqual([]);
});

test('a test cut corrects the later setups, is kept over a reload, and is taken back', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await station(page, 'Joints').click();
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  const second = page.locator('.setup-card').nth(1);
  await expect(second).toContainText('shim 0.3 mm');
  await second.locator('summary').click();
  // 17.9 wanted, 18 came out: it cuts 0.1 over.
  await second.locator('.test-cut input').fill('18 mm');
  await second.getByRole('button', { name: 'Set up from it' }).click();
  await expect(page.locator('.setup-card').nth(1)).toContainText('shim 0.2 mm');
  await expect(page.locator('.setup-card').nth(1)).toContainText('cuts 0.1 mm wider than it is');
  // The other slots are set up from it too.
  await expect(page.locator('.setup-card').nth(2)).toContainText('shim 0.2 mm');
  await untilSaved(page);

  await page.reload();
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  await expect(page.locator('.setup-card').nth(1)).toContainText('shim 0.2 mm');
  await page.locator('.setup-card').nth(1).locator('summary').click();
  await page.locator('.setup-card').nth(1).getByRole('button', { name: 'Take the last one back' }).click();
  await expect(page.locator('.setup-card').nth(1)).toContainText('shim 0.3 mm');
});

test('a setup is ticked as done and stays so; its parts light up; the whole project has its own list', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await station(page, 'Joints').click();
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  const first = page.locator('.setup-card').first();
  await first.getByRole('checkbox').check();
  await expect(first).toContainText('done');
  await expect(page.locator('.lead')).toContainText('1 of');
  await first.locator('.setup-pieces button').first().hover();
  await expect(first.locator('.setup-pieces button').first()).toHaveClass(/lit/);
  await untilSaved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  await expect(page.locator('.setup-card').first().getByRole('checkbox')).toBeChecked();
  await page.locator('.setup-card').first().getByRole('checkbox').uncheck();
  await expect(page.locator('.setup-card').first()).not.toHaveClass(/done/);
  const own = await page.locator('.setup-card').count();
  await page.getByRole('tab', { name: 'Setups, whole project' }).click();
  await expect.poll(() => page.locator('.setup-card').count()).toBeGreaterThan(own);
});

test('a shop without a bench is told in Stock, and the setups are for a router', async ({ page }) => {
  // The workshop is shared by all projects and by the tests beside this one: it is answered for here, not changed.
  await page.route('**/api/workshop', async (route) => {
    if (route.request().method() !== 'PUT') return route.continue();
    const { base, workshop } = route.request().postDataJSON() as { base: number; workshop: { shop: { machines: object } } };
    expect(Object.keys(workshop.shop.machines)).toEqual(['guided-saw', 'router', 'hand-drill']);
    return route.fulfill({ json: { revision: base + 1, workshop } });
  });
  const id = await freshProject();
  await open(page, id);
  await station(page, 'Stock').click();
  await page.locator('[data-field="shop.start"]').selectOption('hand-held');
  await page.getByRole('button', { name: 'Save the shop' }).click();
  await expect(page.getByRole('button', { name: 'Save the shop' })).toBeDisabled();
  await station(page, 'Joints').click();
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  await expect(page.locator('.setup-card').first()).toContainText('Router: slots, along a straight edge');
  await page.locator('.setup-card summary').first().click();
  await expect(page.locator('.setup-card').first()).toContainText('Feed against the bit');
});

test('fits are tried before they are cut; a looser one is a click away and helps', async ({ page }) => {
  const errors = watchErrors(page);
  const id = await freshProject();
  await open(page, id);
  await station(page, 'Joints').click();
  await page.getByRole('tab', { name: 'Will it go together?' }).click();
  await expect(page.locator('.fit-chart canvas')).toBeVisible();
  const shelf = page.locator('.joint-list button', { hasText: 'goes into its slot' }).first();
  await shelf.click();
  const share = async (): Promise<number> => Number(/([\d.]+) % bind/.exec(await shelf.innerText())![1]);
  const before = await share();
  expect(before).toBeGreaterThan(5);
  await page.getByRole('button', { name: /Make it a glue fit/ }).click();
  await expect.poll(share).toBeLessThan(before);
  expect(errors).toEqual([]);
});

test('setups take a person’s own order as far as references allow, and go to the bench one at a time', async ({ page }) => {
  const id = await freshProject((file) => (file['design'].units.ink.slotExit = 'wide'));
  await open(page, id);
  await station(page, 'Joints').click();
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  const cards = page.locator('.setup-card');
  const rip = cards.filter({ hasText: 'pieces left wide, to their width' }).first();
  const place = async (): Promise<number> => Number(await rip.locator('.setup-number').innerText());
  // Past what cuts other parts it goes; before the slots of its own it does not.
  const why = rip.getByRole('status');
  for (let tries = 0; tries < 8 && (await why.innerText()) === ''; tries++) {
    await rip.getByRole('button', { name: `Make setup ${await place()} earlier` }).click();
    await page.waitForTimeout(150);
  }
  await expect(why).toContainText('come out over the strip that is ripped off here');
  expect(await place()).toBeGreaterThan(1);
  const first = await cards.first().locator('.setup-set').innerText();
  await page.getByRole('button', { name: 'Make setup 1 later' }).click();
  await expect(cards.nth(1).locator('.setup-set')).toHaveText(first.replaceAll('\n', ''));
  await untilSaved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  await expect(cards.nth(1).locator('.setup-set')).toHaveText(first.replaceAll('\n', ''));
  await page.getByRole('button', { name: 'At the bench' }).click();
  // The first of them fills the screen; ticked, the next one comes.
  await expect(page.locator('.bench-where')).toBeVisible();
  const title = page.getByRole('heading', { level: 1 });
  const before = await title.innerText();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.locator('.bench-where')).toContainText(/Step \d+ of/);
  await page.getByRole('button', { name: 'The step before' }).click();
  await expect(title).toHaveText(before);
  await expect(page.getByRole('button', { name: 'Not done after all' })).toBeVisible();
  await open(page, id, 'ink/joints');
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  await expect(cards.first()).toHaveClass(/done/);
});

test('a scale that is off is learned and read differently from then on; a number opens its sum', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await station(page, 'Joints').click();
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  const card = page.locator('.setup-card', { hasText: '14.95 mm to the near side' });
  await card.locator('summary').click();
  await card.locator('select').selectOption('place');
  await card.locator('.test-cut input').last().fill('15.25');
  await card.getByRole('button', { name: 'Set up from it' }).click();
  await expect(card).toContainText('14.65 mm: it comes out 0.3 mm over, by one test cut');
  await card.locator('.setup-set').getByRole('button', { name: '14.65 mm' }).click();
  await expect(page.getByRole('dialog', { name: /Sum/ })).toContainText('comes out over what is set by');
});

test('a part that measures otherwise keeps its size: its joints follow as far as they can, then it is said with a way back', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await page.locator('[data-panel="ink/shelf/s1"]').first().click();
  await page.getByText('Cut? As it came off the saw').click();
  await field(page, 'as-cut.length').fill('675.4');
  await page.getByRole('button', { name: 'It measures that' }).click();
  await expect(page.locator('.big-number')).toContainText('675.5');
  await expect(page.getByText('Cut, as it came out')).toBeVisible();
  await page.getByRole('button', { name: 'Not cut after all' }).click();
  await field(page, 'as-cut.length').fill('656.4');
  await page.getByRole('button', { name: 'It measures that' }).click();
  await untilSaved(page);
  await station(page, 'Joints').click();
  const said = page.getByRole('complementary', { name: 'Reading pane' }).getByText(/is cut 656\.4 mm long/);
  await expect(said).toBeVisible();
  await page.getByRole('button', { name: /^Set outside width to/ }).click();
  await expect(said).toBeHidden();
});

test('readings are told by sheet and place; what a layout is cut from decides the slots of its parts', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await station(page, 'Stock').click();
  await field(page, 'reading-sheet.birch-18').fill('B');
  for (const value of ['18.1', '18.3']) {
    await field(page, 'reading.birch-18').fill(value);
    await field(page, 'reading.birch-18').press('Enter');
  }
  await expect(page.getByText('Sheet B: 18.2 mm, mean of 2, spread 0.2 mm')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'near left corner, read' })).toBeVisible();
  await expect(page.getByRole('radio', { name: 'near right corner' })).toBeChecked();
  await station(page, 'Sheets').click();
  await page.locator('[data-field="which-sheet"]').selectOption('B');
  await station(page, 'Joints').click();
  await page.getByRole('tab', { name: 'Setups', exact: true }).click();
  // 18.2 and 0.1 of play.
  await expect(page.locator('.setup-card', { hasText: '18.3 mm' }).first()).toBeVisible();
});
