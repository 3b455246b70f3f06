/** axe finds nothing serious on any view, in both themes, wide and narrow. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test, type Page } from '@playwright/test';
import { baseUrl, furnishedProject, watchErrors } from './support.ts';
import { VIEWS } from './views.ts';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  readonly id: string;
  readonly impact: string;
  readonly nodes: readonly { readonly target: readonly string[]; readonly failureSummary: string }[];
}

let project: string;
test.beforeAll(async () => void (project = await furnishedProject((file) => (file['design'].units.type.hanging.wallScrew.length = '2 in'))));

/** What axe calls serious or worse on the page as it stands; `only` one of its rules, where nothing else can have changed. */
async function serious(page: Page, only?: string): Promise<string[]> {
  const violations = await page.evaluate(
    async (rule) => ((await (window as any).axe.run(rule ? { runOnly: [rule] } : {})) as { violations: Violation[] }).violations,
    only,
  );
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes.map(({ target, failureSummary }) => `${target.join(' ')} (${failureSummary.split('\n').slice(1, 2).join('').trim()})`).join('; ')}`,
    );
}

for (const width of [1280, 390])
  for (const { name, path, before } of VIEWS)
    test(`${name}, ${width} wide`, async ({ browser }) => {
      const page = await browser.newPage({ viewport: { width, height: width === 1280 ? 800 : 844 }, colorScheme: 'light', reducedMotion: 'reduce' });
      const errors = watchErrors(page);
      await page.goto(`${baseUrl()}${path(project)}`);
      await page.waitForLoadState('networkidle');
      await before?.(page);
      await page.evaluate(AXE);
      const ground = (): Promise<string> => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
      const light = await ground();
      expect(await serious(page)).toEqual([]);
      await page.emulateMedia({ colorScheme: 'dark' });
      await expect.poll(ground).not.toBe(light);
      // Colors fade from one to the other.
      await page.waitForTimeout(300);
      expect(await serious(page, 'color-contrast')).toEqual([]);
      expect(errors).toEqual([]);
      await page.close();
    });
