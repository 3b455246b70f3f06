/** Files that are right come in; files that are wrong are refused with a clear message and change nothing. */
import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { EXAMPLE, baseUrl, example, test, watchErrors } from './support.ts';

const text = (change: (file: Record<string, any>) => void): string => {
  const file = example();
  change(file);
  return JSON.stringify(file);
};

for (const [name, write, says] of [
  ['truncated', () => text(() => {}).slice(0, 5000), /not whole JSON/],
  ['nested without end', () => '['.repeat(200_000), /brackets stand more than 40 deep/],
  ['of wrong types', () => text((file) => (file['design'].units.ink.width = 700)), /700 cannot be used here/],
  ['with a negative size', () => text((file) => (file['design'].units.ink.width = '-700 mm')), /out of range/],
  ['with a prototype', () => text(() => {}).replace('"units":{', '"units":{"__proto__":{"x":1},'), /__proto__/],
  ['of a newer version', () => text((file) => (file['version'] = 99)), /newer program \(version 99\)/],
  ['of something else', () => '{"hello":"world"}', /its format is/],
] as const) {
  test(`a file ${name} is refused`, async ({ page }) => {
    const errors = watchErrors(page);
    await page.goto(baseUrl());
    // Other tests bring projects in meanwhile: what counts is that this page's file made none.
    let made = 0;
    page.on('response', (response) => {
      if (response.request().method() === 'POST' && response.ok()) made++;
    });
    await page.locator('input[type=file]').setInputFiles({ name: 'strange.carcass.json', mimeType: 'application/json', buffer: Buffer.from(write()) });
    const alert = page.getByRole('alert');
    await expect(alert).toContainText('“strange.carcass.json” was not opened, and nothing was changed');
    await expect(alert).toContainText(says);
    await expect(alert).toContainText('Accepted:');
    expect(made).toBe(0);
    await expect(page).toHaveURL(`${baseUrl()}/`);
    expect(errors).toEqual([]);
  });
}

test('a file that is right opens as a project; saved again it is the same file', async ({ page }) => {
  await page.goto(baseUrl());
  await page.locator('input[type=file]').setInputFiles(EXAMPLE);
  await expect(page).toHaveURL(/\/project\/[0-9a-f-]{36}/);
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save the project as a file' }).click()]);
  const saved = JSON.parse((await (await import('node:fs/promises')).readFile(await download.path(), 'utf8')) as string) as Record<string, any>;
  expect(saved['design']).toEqual(example()['design']);
  expect(saved['record']).toEqual(example()['record']);
});

test('a project saved with its pictures opens as another one; an archive that breaks off is refused', async ({ page }) => {
  await page.goto(baseUrl());
  await page.getByRole('button', { name: 'More about Print room', exact: true }).first().click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: 'Save with its pictures' }).click()]);
  expect(file.suggestedFilename()).toBe('print-room.carcass.zip');
  const bytes = readFileSync(await file.path());
  const give = (name: string, buffer: Buffer): Promise<void> => page.locator('input[type=file]').setInputFiles({ name, mimeType: 'application/zip', buffer });
  await give('half.zip', bytes.subarray(0, bytes.length / 2));
  await expect(page.getByRole('alert')).toContainText('“half.zip” was not opened, and nothing was changed');
  await give('room.carcass.zip', bytes);
  await expect(page).toHaveURL(/\/project\/[0-9a-f-]{36}/);
  await expect(page.getByRole('link', { name: /^Print room: to the room/ })).toBeVisible();
});
