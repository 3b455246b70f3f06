/**
 * Every view, wide and narrow: no text is cut off or over another with the longest fractions, axe finds nothing serious, and nothing
 * goes wrong in the page; wide in millimeters and in the dark too. One visit for all of it, in one window a worker: a new one compiles
 * the whole application, which is what takes the time.
 */
import { expect, type Page } from '@playwright/test';
import { loadAxe, serious } from './axe.ts';
import { baseUrl, furnishedProject, quiet, test, watchErrors } from './support.ts';
import { textFaults } from './text-faults.ts';
import { VIEWS } from './views.ts';

const WIDE = { width: 1280, height: 800 };
const NARROW = { width: 390, height: 844 };

let project: string;
let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await browser.newPage();
  project = await furnishedProject((file) => {
    const { ink, type } = file['design'].units;
    // 31/32 everywhere, so that every size is as long as a size can be.
    Object.assign(ink, { width: '39 31/32 in', height: '33 31/32 in', depth: '11 31/32 in', name: 'Ink cupboard over the long bench' });
    Object.assign(type, { width: '31 31/32 in', height: '18 31/32 in', depth: '11 31/32 in' });
    ink.place = { along: '22 31/32 in', up: '51 31/32 in' };
    type.place = { along: '70 31/32 in', up: '51 31/32 in' };
    ink.hanging.boardWidth = '6 31/32 in';
    file['design'].wall.width = '141 31/32 in';
    // Something is the matter with it, so that findings are looked at too.
    type.hanging.wallScrew.length = '2 in';
  });
});

test.afterAll(() => page.close());

for (const { name, path, before } of VIEWS)
  test(name, async () => {
    await page.setViewportSize(WIDE);
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
    const errors = watchErrors(page);
    await forgetful(page);
    await page.goto(`${baseUrl()}${path(project)}`);
    await quiet(page);
    await before?.(page);
    await page.evaluate(() => document.fonts.ready);
    // What was opened by hand may lie over the switch of units: it is not clicked at its place.
    const units = page.locator('[role="group"][aria-label="Units"] button');
    const turnTo = async (unit: 'in' | 'mm'): Promise<void> => {
      const button = units.filter({ hasText: unit === 'mm' ? /^m/ : /^in/ });
      // Where there is no switch on the screen there is but one cabinet to look at.
      if ((await button.count()) > 0) await button.dispatchEvent('click');
    };
    const ground = (): Promise<string> => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
    // Everything fades and follows in that time; a drawing that still does is looked at again, one that has settled with a fault keeps it.
    const settle = (): Promise<void> => page.waitForTimeout(300);
    const legible = async (at: string): Promise<void> => {
      await settle();
      await expect.poll(async () => [at, ...(await page.evaluate(textFaults))], { timeout: 5_000 }).toEqual([at]);
    };

    await turnTo('mm');
    await legible('wide, mm');
    await turnTo('in');
    await legible('wide, in');
    await loadAxe(page);
    const light = await ground();
    expect(await serious(page)).toEqual([]);
    await page.emulateMedia({ colorScheme: 'dark' });
    await expect.poll(ground).not.toBe(light);
    await settle();
    expect(await serious(page, 'color-contrast')).toEqual([]);
    await page.emulateMedia({ colorScheme: 'light' });
    await page.setViewportSize(NARROW);
    await legible('narrow, in');
    expect(await serious(page)).toEqual([]);
    expect(errors).toEqual([]);
  });

/** As a device that was never here: nothing is kept of the view before. */
async function forgetful(page: Page): Promise<void> {
  await page.goto('about:blank');
  await page.context().clearCookies();
  const session = await page.context().newCDPSession(page);
  await session.send('Storage.clearDataForOrigin', { origin: new URL(baseUrl()).origin, storageTypes: 'local_storage,indexeddb' });
  await session.detach();
}
