/** Every view there is, and how to come to it: visited by the accessibility and the overflow tests. */
import type { Page } from '@playwright/test';

export interface ViewCase {
  readonly name: string;
  readonly path: (project: string) => string;
  readonly before?: (page: Page) => Promise<unknown>;
}

const at = (unit: string, station: string) => (project: string) => `/project/${project}/${unit}/${station}`;
const openAll = (page: Page): Promise<unknown> => page.evaluate(() => document.querySelectorAll('details').forEach((each) => (each.open = true)));
const pane = async (page: Page): Promise<void> => {
  const button = page.getByRole('button', { name: 'Open the reading pane' });
  if (await button.isVisible()) await button.click();
  await openAll(page);
};

export const VIEWS: readonly ViewCase[] = [
  {
    name: 'build',
    path: at('ink', 'build'),
    before: (page) =>
      page
        .getByRole('button', { name: /Glue up left side/ })
        .first()
        .click(),
  },
  { name: 'build, days', path: (project) => `${at('ink', 'build')(project)}?view=days&of=all`, before: (page) => page.locator('.day-block').first().waitFor() },
  { name: 'build, as built', path: (project) => `${at('type', 'build')(project)}?view=built`, before: pane },
  { name: 'log', path: at('ink', 'log') },
  {
    name: 'bench, a step',
    path: (project) => `/project/${project}/ink/bench/next?step=${encodeURIComponent('ink/glue/side/left')}`,
    before: (page) => page.locator('.bench-numbers').waitFor(),
  },
  {
    name: 'bench, what came out',
    path: (project) => `/project/${project}/ink/bench/next?step=${encodeURIComponent('ink/label')}`,
    before: async (page) => {
      await page.getByRole('button', { name: 'It came out…' }).click();
      await page.getByRole('button', { name: /left side, length/ }).click();
    },
  },
  { name: 'bench, parts', path: (project) => `/project/${project}/ink/bench/parts` },
  { name: 'bench, a part', path: (project) => `/project/${project}/ink/bench?part=${encodeURIComponent('ink/shelf/s1')}` },
  { name: 'bench, wall', path: (project) => `/project/${project}/type/bench/wall` },
  { name: 'home', path: () => '/' },
  { name: 'new cabinet', path: () => '/new' },
  { name: 'contents', path: at('ink', 'contents') },
  {
    name: 'contents, table',
    path: at('ink', 'contents'),
    before: async (page) => (await page.getByRole('tab', { name: 'Table' }).click(), page.getByRole('grid').waitFor()),
  },
  {
    name: 'contents, a foreign table',
    path: at('ink', 'contents'),
    before: async (page) => {
      const text = 'Article;Qty;Width cm;Depth mm;Height;Weight lb\nInk tin;12;9,5;95;4 1/2 in;2,25\nRoller;two;10;100;100;1\n;1;10;100;100;1';
      await page.locator('input[aria-label="Table of contents"]').setInputFiles({ name: 'store.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
      await page.locator('.foreign-faults').waitFor();
    },
  },
  { name: 'contents, set out', path: at('type', 'contents'), before: pane },
  {
    name: 'contents, how many fit',
    path: at('type', 'contents'),
    before: async (page) => (await page.getByRole('tab', { name: 'How many fit' }).click(), page.getByRole('button', { name: 'Ask how many fit' }).click()),
  },
  { name: 'contents, a thing', path: at('ink', 'contents'), before: async (page) => (await page.locator('[data-thing="t06"]').first().click(), pane(page)) },
  { name: 'wall', path: at('ink', 'wall') },
  { name: 'wall form', path: at('type', 'wall'), before: pane },
  { name: 'wall, a window', path: at('ink', 'wall'), before: async (page) => (await page.locator('[data-thing="window"]').first().click(), pane(page)) },
  {
    name: 'wall, a rail',
    path: at('spacing-1', 'wall'),
    before: async (page) => (await page.locator('[data-rail="rail-lower"]').first().click({ force: true }), pane(page)),
  },
  { name: 'box', path: at('ink', 'box') },
  { name: 'box form', path: at('type', 'box'), before: pane },
  { name: 'box, a part', path: at('type', 'box'), before: async (page) => (await page.locator('[data-panel="type/shelf/s1"]').first().click(), pane(page)) },
  { name: 'box, its sides', path: at('ink', 'box'), before: (page) => page.getByRole('tab', { name: 'Side + plan' }).click() },
  { name: 'box, cut anywhere', path: at('type', 'box'), before: (page) => page.getByRole('tab', { name: 'Cut at' }).click() },
  { name: 'box, inside', path: at('type', 'box'), before: async (page) => (await pane(page), page.getByText('Inside', { exact: true }).click()) },
  {
    name: 'families',
    path: at('ink', 'box'),
    before: async (page) => (await page.locator('.unit-picker > button').click(), page.getByRole('menuitem', { name: 'Add a unit …' }).click()),
  },
  { name: 'cut list', path: at('ink', 'box'), before: (page) => page.getByRole('tab', { name: 'Cut list' }).click() },
  { name: 'cut list in inches', path: at('type', 'box'), before: (page) => page.getByRole('tab', { name: 'Cut list' }).click() },
  { name: 'stock', path: at('ink', 'stock') },
  { name: 'joints', path: at('ink', 'joints'), before: (page) => page.locator('.joint-section').waitFor() },
  {
    name: 'fits',
    path: at('ink', 'joints'),
    before: async (page) => (await page.getByRole('tab', { name: 'Will it go together?' }).click(), page.locator('.fit-chart canvas').waitFor()),
  },
  { name: 'story sticks', path: at('ink', 'joints'), before: (page) => page.getByRole('tab', { name: 'Story sticks' }).click() },
  {
    name: 'true size on paper',
    path: at('type', 'joints'),
    before: async (page) => {
      await page.getByRole('tab', { name: 'Story sticks' }).click();
      await page.getByRole('button', { name: 'On paper, at its true size' }).click();
      await page.locator('.sheet-preview').waitFor();
      await openAll(page);
    },
  },
  {
    name: 'the shop set on paper',
    path: at('ink', 'box'),
    before: async (page) => {
      await page.getByRole('button', { name: 'Print the shop set' }).click();
      await page.getByRole('button', { name: 'Draw it' }).click();
      await page.locator('.page-shown').waitFor({ timeout: 50_000 });
    },
  },
  {
    name: 'setups',
    path: at('type', 'joints'),
    before: async (page) => (await page.getByRole('tab', { name: 'Setups', exact: true }).click(), openAll(page)),
  },
  { name: 'sheets', path: at('type', 'sheets'), before: (page) => page.locator('.piece').first().waitFor() },
  {
    name: 'sheets, cut by cut',
    path: at('type', 'sheets'),
    before: async (page) => {
      await page.locator('.piece').first().waitFor();
      await page.getByRole('tab', { name: 'Cut by cut' }).click();
      await page.locator('.cut-card').waitFor();
    },
  },
  { name: 'hang', path: at('ink', 'hang'), before: openAll },
  { name: 'hang form', path: at('type', 'hang'), before: pane },
  { name: 'cleat', path: at('ink', 'hang?view=cleat') },
  { name: 'on the wall', path: at('type', 'hang?view=wall') },
  { name: 'quick sums', path: at('ink', 'sums?sum=cleat-statics') },
  { name: 'one that worries', path: () => '/worry' },
  { name: 'one trip to the yard', path: () => '/yard', before: (page) => page.locator('.yard-table').waitFor() },
  { name: 'quick sums, no project', path: () => '/sums?sum=door' },
  { name: 'a sum', path: at('ink', 'box'), before: (page) => page.locator('.tally .explained', { hasText: 'empty' }).click() },
  { name: 'find', path: at('ink', 'box'), before: (page) => page.keyboard.press('Control+K') },
  { name: 'shortcuts', path: at('ink', 'box'), before: (page) => page.keyboard.press('?') },
];
