/** What axe finds on a page. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  readonly id: string;
  readonly impact: string;
  readonly nodes: readonly { readonly target: readonly string[]; readonly failureSummary: string }[];
}

export const loadAxe = (page: Page): Promise<void> => page.evaluate(AXE);

/** What axe calls serious or worse on the page as it stands; `only` one of its rules, where nothing else can have changed. */
export async function serious(page: Page, only?: string): Promise<string[]> {
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
