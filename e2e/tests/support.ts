/** What the tests share: a product for each worker, a project for each test, and the ways a person finds out what is saved and shown. */
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test as base, type Page } from '@playwright/test';
import { startProduct, type Product } from '../product.ts';

export const EXAMPLE = fileURLToPath(new URL('../../examples/print-room.carcass.json', import.meta.url));
const BACK_WALL = fileURLToPath(new URL('../../examples/print-room-back.carcass.json', import.meta.url));
export const example = (): Record<string, any> => JSON.parse(readFileSync(EXAMPLE, 'utf8')) as Record<string, any>;
export const baseUrl = (): string => process.env['KEEN_URL']!;

interface Workshop {
  readonly revision: number;
  /** As the server keeps it. */
  readonly workshop: unknown;
}

export const workshopNow = async (): Promise<Workshop> => (await (await read(`${baseUrl()}/api/workshop`)).json()) as Workshop;

/**
 * Stock, store and machines belong to the whole product: tests that ran beside one another on one product saw each other's offcuts. Each
 * worker has its own, and what a test changed of them is put back after it.
 */
export const test = base.extend<{ workshopAsItWas: void }, { product: Product }>({
  product: [
    async ({}, use) => {
      const product = await startProduct();
      process.env['KEEN_URL'] = product.url;
      await use(product);
      await product.stop();
    },
    { scope: 'worker', auto: true, timeout: 120_000 },
  ],
  workshopAsItWas: [
    async ({}, use) => {
      const before = await workshopNow();
      await use();
      const { revision } = await workshopNow();
      if (revision === before.revision) return;
      const answer = await fetch(`${baseUrl()}/api/workshop`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ base: revision, workshop: before.workshop }),
      });
      if (!answer.ok) throw new Error(`the workshop was not put back: ${await answer.text()}`);
    },
    { auto: true },
  ],
});

/** The two large cabinets alone, filled by what was guessed for each shelf: no things, no rails. */
function bare(file: Record<string, any>): void {
  const { design } = file;
  design.items = {};
  design.wall.rails = {};
  design.units = { ink: design.units.ink, type: design.units.type };
}

/** A copy of the whole print room with all it holds, under its own id. */
export const furnishedProject = (change: (file: Record<string, any>) => void = () => {}): Promise<string> => importProject(change);

/** A copy of its two large cabinets under its own id. */
export const freshProject = (change: (file: Record<string, any>) => void = () => {}, url = baseUrl()): Promise<string> =>
  importProject((file) => {
    bare(file);
    change(file);
  }, url);

async function importProject(change: (file: Record<string, any>) => void, url = baseUrl()): Promise<string> {
  const file = example();
  change(file);
  const answer = await fetch(`${url}/api/projects/import`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ file }) });
  if (!answer.ok) throw new Error(await answer.text());
  return ((await answer.json()) as { id: string }).id;
}

/** A copy of the back wall, a cabinet of every family on it. */
export const backWallProject = (): Promise<string> => importProject((file) => Object.assign(file, JSON.parse(readFileSync(BACK_WALL, 'utf8'))));

/** A read. Once more when the connection that was kept open has been closed meanwhile: a test that waits on a command hears of it too late. */
async function read(address: string): Promise<Response> {
  try {
    return await fetch(address);
  } catch {
    return fetch(address);
  }
}

export const stored = async (id: string, url = baseUrl()): Promise<Record<string, any>> =>
  (await (await read(`${url}/api/projects/${id}`)).json()) as Record<string, any>;

export const field = (page: Page, name: string) => page.locator(`[data-field="${name}"]`);
export const saveState = (page: Page) => page.locator('[data-save]');
export const station = (page: Page, name: string) => page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name });
export const tally = (page: Page) => page.getByRole('contentinfo', { name: 'Tally' });

export async function open(page: Page, id: string, where = 'ink/box', url = baseUrl()): Promise<void> {
  await page.goto(`${url}/project/${id}/${where}`);
  await expect(saveState(page)).toBeVisible();
}

export const untilSaved = (page: Page) => expect(saveState(page)).toHaveAttribute('data-save', 'saved', { timeout: 20_000 });

/** Errors of the page, other than requests that a test lets fail on purpose. */
export function watchErrors(page: Page): string[] {
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource|net::ERR/.test(message.text())) errors.push(message.text());
  });
  return errors;
}

/** Until nothing has been fetched for a moment. A project’s line to the server stays open, so the network is never idle. */
export async function quiet(page: Page): Promise<void> {
  await page.waitForLoadState('load');
  const fetched = (): Promise<number> => page.evaluate(() => performance.getEntriesByType('resource').length);
  for (let before = -1, now = await fetched(); before !== now; now = await fetched()) {
    before = now;
    await page.waitForTimeout(400);
  }
}
