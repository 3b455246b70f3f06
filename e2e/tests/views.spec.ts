/**
 * Every view, wide and narrow: no text is cut off or over another with the longest fractions, axe finds nothing serious, and nothing
 * goes wrong in the page; wide in millimetres and in the dark too. One visit for all of it: opening a page is what takes the time.
 */
import { expect, test } from '@playwright/test';
import { loadAxe, serious } from './axe.ts';
import { baseUrl, furnishedProject, quiet, watchErrors } from './support.ts';
import { textFaults } from './text-faults.ts';
import { VIEWS } from './views.ts';

let project: string;
test.beforeAll(async () => {
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

for (const width of [1280, 390])
  for (const { name, path, before } of VIEWS)
    test(`${name}, ${width} wide`, async ({ browser }) => {
      const page = await browser.newPage({ viewport: { width, height: width === 1280 ? 800 : 844 }, colorScheme: 'light', reducedMotion: 'reduce' });
      const errors = watchErrors(page);
      const look = async (unit: 'in' | 'mm'): Promise<boolean> => {
        // What was opened by hand may lie over the switch: only a view as it comes is looked at twice in one visit.
        if (unit === 'in' || before) await page.goto(`${baseUrl()}${path(project)}`);
        if (unit === 'in' || before) await quiet(page);
        const toggle = page.getByRole('group', { name: 'Units' }).getByRole('button', { name: unit === 'mm' ? /^m/ : /^in/ });
        const switched = await toggle.isVisible();
        if (switched) await toggle.click();
        await before?.(page);
        await page.evaluate(() => document.fonts.ready);
        // A drawing that still follows the switch is looked at again; one that has settled with a fault keeps it.
        await page.waitForTimeout(300);
        await expect.poll(async () => [unit, ...(await page.evaluate(textFaults))], { timeout: 5_000 }).toEqual([unit]);
        return switched;
      };
      const units = await look('in');
      await loadAxe(page);
      const ground = (): Promise<string> => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
      const light = await ground();
      expect(await serious(page)).toEqual([]);
      if (width < 1000) {
        expect(errors).toEqual([]);
        return page.close();
      }
      await page.emulateMedia({ colorScheme: 'dark' });
      await expect.poll(ground).not.toBe(light);
      // Colors fade from one to the other.
      await page.waitForTimeout(300);
      expect(await serious(page, 'color-contrast')).toEqual([]);
      // Where there is no switch on the screen there is but one unit to look at.
      if (units) await look('mm');
      expect(errors).toEqual([]);
      await page.close();
    });
