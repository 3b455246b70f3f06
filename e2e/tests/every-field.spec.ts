/**
 * Every field of every family: its least, its most, nothing, nonsense, nought and less than nought are typed. The page lives, says what is
 * accepted, saves what was typed and loses nothing of what is typed after. A few families and fields of each here; all of them with
 * KEEN_FIELDS=all.
 */
import { expect, type Page } from '@playwright/test';
import { FAMILIES, type FamilyId } from '@keen/core';
import { newSpecOf } from '../../packages/web/src/test/new-spec.ts';
import { freshProject, open, stored, test, untilSaved, watchErrors } from './support.ts';

const ALL = process.env['KEEN_FIELDS'] === 'all';
const TRIED = ALL ? FAMILIES : FAMILIES.filter(({ id }) => id === 'shelf-box' || id === 'drawer-unit' || id === 'fold-down');
/** Fields of each station that are tried, spread over its form. */
const SAMPLE = ALL ? Infinity : 3;
const TYPED = ['0', '-5', '', 'nonsense', '99999', '1'] as const;

test.describe.configure({ timeout: 600_000 });

/** A cabinet of a family as a file has it: lengths as text. */
const unitOf = (family: FamilyId): unknown =>
  JSON.parse(
    JSON.stringify(newSpecOf(family, 'ink'), (_key, value: unknown) =>
      typeof value === 'object' && value !== null && 'nm' in value && 'text' in value ? value.text : value,
    ),
  );

/** Names of the number and length fields on the page, those that are typed in. */
const typedFields = (page: Page): Promise<string[]> =>
  page
    .locator('input[data-field]:not([type=checkbox])')
    .evaluateAll((inputs) =>
      inputs.filter((input) => !(input as HTMLInputElement).disabled && input.getAttribute('inputmode')).map((input) => input.getAttribute('data-field')!),
    );

for (const { id: family } of TRIED) {
  test(`${family}: whatever is typed, the page lives and what is typed after is saved`, async ({ page }) => {
    const errors = watchErrors(page);
    const id = await freshProject((file) => {
      file['design'].units = { ink: unitOf(family as FamilyId) };
      file['design'].items = {};
    });
    for (const station of ['box', 'hang']) {
      await open(page, id, `ink/${station}`);
      await page.locator('details').evaluateAll((all) => all.forEach((each) => ((each as HTMLDetailsElement).open = true)));
      const names = await typedFields(page);
      const every = Math.max(1, Math.ceil(names.length / SAMPLE));
      for (const name of names.filter((_, index) => index % every === 0)) {
        const input = page.locator(`input[data-field="${name}"]`).first();
        if ((await input.count()) === 0) continue;
        const before = await input.inputValue();
        for (const text of TYPED) {
          await input.fill(text);
          await expect(page.locator('h1, h2').first()).toBeVisible();
          // Refused, it says what would be taken; taken, it is in the design.
          if ((await input.getAttribute('aria-invalid')) === 'true')
            await expect(page.locator('.Mui-error .MuiFormHelperText-root, p.Mui-error').first()).toBeVisible();
          await expect(page.getByText('This cannot be shown for the design as it is.')).toHaveCount(0);
          if ((await input.count()) === 0) break;
        }
        if ((await input.count()) > 0) {
          await input.fill(before);
          await input.blur();
        }
      }
    }
    // What is typed after all that is kept.
    await open(page, id, 'ink/hang');
    await page.locator('details').evaluateAll((all) => all.forEach((each) => ((each as HTMLDetailsElement).open = true)));
    await page.locator('input[data-field="place.up"]').fill('1277 mm');
    await untilSaved(page);
    expect((await stored(id))['document'].units.ink.place.up).toBe('1277 mm');
    await page.reload();
    await expect(page.locator('input[data-field="place.up"]')).toHaveCount(1);
    expect(errors).toEqual([]);
  });
}
