/** A cabinet that is half built, planned on from where it stands; and glue-ups that follow the clamps there are. */
import { expect } from '@playwright/test';
import { field, freshProject, open, station, stored, test, untilSaved, workshopNow } from './support.ts';

const GLUED = ['back', 'bottom', 'hanging-rail', 'shelf/s1', 'shelf/s2', 'side/left', 'side/right', 'top'].map((part) => `ink/${part}`);

/** The ink cupboard alone, its box and its back glued up. */
const gluedUp = (): Promise<string> =>
  freshProject((file) => {
    file['design'].units = { ink: file['design'].units.ink };
    file['record'] = ['glue/side/left/first', 'glue/side/left', 'glue/back'].map((name, index) => ({
      id: `glued-${index}`,
      at: `2026-11-0${index + 1}T19:00:00.000Z`,
      kind: 'step',
      done: { step: `ink/${name}`, kind: 'glue', panels: name === 'glue/back' ? GLUED : GLUED.filter((part) => part !== 'ink/back') },
    }));
    // Settings were ticked too: what is not ticked of these parts is still to be made.
    file['record'].push({
      id: 'made',
      at: '2026-11-01T10:00:00.000Z',
      kind: 'made',
      made: ['ink/side/left:ink/shelf/s1:start', 'ink/side/right:ink/shelf/s1:end'],
    });
  });

test('one shelf more after the box is glued up: said, put on pins with a click, and planned from there', async ({ page }) => {
  test.setTimeout(90_000);
  const id = await gluedUp();
  await open(page, id, 'ink/box');
  await page.getByRole('button', { name: 'Add a shelf' }).first().click();
  await untilSaved(page);
  await station(page, 'Build').click();
  const said = page.locator('.finding').getByText(/came after all round it was glued up: it does not go into its joints any more/);
  await expect(said).toBeVisible();
  await page.getByRole('button', { name: 'Put it on pins, their holes bored along a strip' }).click();
  await expect(said).toHaveCount(0);
  await untilSaved(page);
  const shelves = (await stored(id))['document'].units.ink.shelves as Record<string, { fixing: string }>;
  expect(
    Object.values(shelves)
      .map(({ fixing }) => fixing)
      .sort(),
  ).toEqual(['fixed', 'fixed', 'pins']);
  // Its holes are bored by hand in the box, and what was glued stays done.
  const steps = page.locator('.step-list');
  await steps.getByText('Bore by hand in what is glued up').click();
  await expect(page.getByRole('heading', { level: 2, name: 'Bore by hand in what is glued up' })).toBeVisible();
  await expect(page.getByText(/^Holes through a strip bored true at the bench/)).toBeVisible();
  await expect(steps.locator('button.done', { hasText: 'Put the back on' })).toBeVisible();
  await expect(steps.locator('button:not(.done)', { hasText: 'Put in what is loose' })).toBeVisible();
});

test('a glue-up follows the clamps there are, and leads to where they are entered', async ({ page }) => {
  test.setTimeout(90_000);
  const id = await freshProject();
  await open(page, id, 'ink/stock');
  // All but three of the long ones are lent out.
  for (const reach of ['300 mm', '800 mm']) await page.getByRole('button', { name: `Take out the clamps that open ${reach}` }).click();
  await field(page, 'shop.clamps.clamps-3.count').fill('3');
  await page.getByRole('button', { name: 'Save the shop' }).click();
  await expect.poll(async () => Object.keys(((await workshopNow()).workshop as { shop: { clamps: object } }).shop.clamps)).toEqual(['clamps-3']);
  await page.goto(`/project/${id}/ink/build?step=${encodeURIComponent('ink/glue/side/left')}`.replace(/^/, new URL(page.url()).origin));
  await expect(page.getByText('8 clamps wanted that reach 740 mm; 3 are here.')).toBeVisible();
  const ways = page.getByRole('group', { name: 'How it is closed' });
  await expect(ways.getByText('clamps are missing')).toHaveCount(4);
  await page.getByRole('button', { name: 'Enter the clamps there are' }).click();
  await expect(field(page, 'shop.clamps.clamps-3.count')).toBeFocused();
  await field(page, 'shop.clamps.clamps-3.count').fill('4');
  await page.getByRole('button', { name: 'Save the shop' }).click();
  await page.goBack();
  // Four are enough under cauls, one side after the other.
  await expect(page.getByRole('heading', { level: 2, name: 'Glue the right side on' })).toBeVisible();
  await expect(ways.getByRole('radio').nth(3)).toBeChecked();
});
