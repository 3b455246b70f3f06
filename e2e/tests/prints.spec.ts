/** On paper and to other programs: sheets at their true size looked at before they are printed, a printer that was measured, files that are handed over. */
import { readFile } from 'node:fs/promises';
import { expect, type Download, type Page } from '@playwright/test';
import { PDFDocument } from 'pdf-lib';
import { freshProject, furnishedProject, open, test } from './support.ts';

/** The server draws PDFs one after the other: on a busy machine one waits. */
const DRAWN = { timeout: 40_000 };
const sheetsShown = (page: Page) => page.locator('.true-size-turn [role=status]');
const saved = async (page: Page, button: string): Promise<{ readonly name: string; readonly bytes: Buffer }> => {
  const [file] = (await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: button }).click()])) as [Download, void];
  return { name: file.suggestedFilename(), bytes: await readFile(await file.path()) };
};

test('sticks and templates are looked at, then opened as the PDF the server makes of them', async ({ page, context }) => {
  const id = await freshProject();
  await open(page, id, 'ink/joints');
  await page.getByRole('tab', { name: 'Story sticks' }).click();
  await page.getByRole('button', { name: 'On paper, at its true size' }).click();
  const dialog = page.getByRole('dialog', { name: 'On paper, at its true size' });
  await expect(dialog.getByRole('img', { name: /^Sheet 1 of \d+: story stick for A1 left side, A2 right side$/ })).toBeVisible();
  await expect(sheetsShown(page)).toHaveText('sheet 1 of 2');
  await dialog.getByRole('button', { name: 'Sheet after' }).click();
  await expect(sheetsShown(page)).toHaveText('sheet 2 of 2');
  // Larger paper takes all of it on one.
  await dialog.getByLabel('paper').selectOption('a3');
  await expect(sheetsShown(page)).toHaveText('sheet 1 of 1');
  await dialog.getByLabel('paper').selectOption('a4');
  await dialog.getByLabel('what', { exact: true }).selectOption('templates');
  await dialog.getByLabel('of', { exact: true }).selectOption('A6');
  await expect(dialog.getByRole('img', { name: /template for A6 hanging rail/ })).toBeVisible();
  const count = Number(/of (\d+)$/.exec(await sheetsShown(page).innerText())![1]);
  const [answer, beside] = await Promise.all([
    page.waitForResponse((response) => response.url().includes('/prints/templates'), DRAWN),
    context.waitForEvent('page', DRAWN),
    dialog.getByRole('button', { name: /to print/ }).click(),
  ]);
  expect(answer.headers()['content-type']).toBe('application/pdf');
  const pdf = await PDFDocument.load(await (await fetch(answer.url())).arrayBuffer());
  expect(pdf.getPageCount()).toBe(count);
  await beside.close();
});

test('a printer is measured once: kept under its name, over a reload, and everything is drawn for it', async ({ page }) => {
  const id = await freshProject();
  const ask = async (): Promise<void> => {
    await open(page, id, 'ink/joints');
    await page.getByRole('tab', { name: 'Story sticks' }).click();
    await page.getByRole('button', { name: 'On paper, at its true size' }).click();
  };
  await ask();
  const dialog = page.getByRole('dialog', { name: 'On paper, at its true size' });
  await dialog.getByText('The bars on the sheet measure otherwise').click();
  await dialog.getByLabel('100 mm along the sheet').fill('60');
  await expect(dialog.getByText('a number from 90 to 110')).toBeVisible();
  await dialog.getByLabel('100 mm along the sheet').fill('98,5');
  await dialog.getByLabel('what the printer is called here').fill('Old inkjet');
  await dialog.getByRole('button', { name: 'Keep it for this printer' }).click();
  await ask();
  await expect(dialog.getByLabel('printer', { exact: true })).toHaveValue('Old inkjet');
  const [answer] = await Promise.all([
    page.waitForResponse((response) => response.url().includes('/prints/sticks'), DRAWN),
    dialog.getByRole('button', { name: /to print/ }).click(),
  ]);
  expect(new URL(answer.url()).searchParams.get('along')).toBe('98.5');
});

test('the shop set is drawn, looked through page by page, and opened as the PDF that is printed', async ({ page }) => {
  const id = await freshProject();
  await open(page, id, 'ink/box');
  await page.getByRole('button', { name: 'Print the shop set' }).click();
  const dialog = page.getByRole('dialog', { name: 'The shop set, on paper' });
  await dialog.getByLabel('paper').selectOption('a3');
  await dialog.getByRole('button', { name: 'Draw it' }).click();
  const shown = dialog.getByRole('img', { name: /^Page 1 of \d+ as it will be printed$/ });
  await expect(shown).toBeVisible({ timeout: 30_000 });
  const drawn = (): Promise<boolean> =>
    dialog.getByRole('img').evaluate((img) => (img as HTMLImageElement).complete && (img as HTMLImageElement).naturalWidth > 0);
  await expect.poll(drawn).toBe(true);
  await dialog.getByRole('button', { name: 'Page after' }).click();
  await dialog.getByLabel('page', { exact: true }).fill('5');
  await expect(dialog.getByRole('img', { name: /^Page 5 of/ })).toBeVisible();
  await expect.poll(drawn).toBe(true);
  const link = dialog.getByRole('link', { name: /^Open its \d+ pages/ });
  const count = Number(/its (\d+)/.exec(await link.innerText())![1]);
  const pdf = await PDFDocument.load(await (await fetch(new URL((await link.getAttribute('href'))!, page.url()))).arrayBuffer());
  expect(pdf.getPageCount()).toBe(count);
  // A3, laid across.
  expect(Math.round(pdf.getPage(0).getWidth())).toBe(1191);

  // The same page as SVG, measured by the browser: the front is as large as its scale says, in millimeters.
  const link3 = await dialog.getByRole('link', { name: 'This page as SVG' }).getAttribute('href');
  const beside = await page.context().newPage();
  await beside.goto(new URL(link3!.replace(/\d+$/, '3'), page.url()).href);
  const { times, high } = await beside.evaluate(() => {
    const svg = document.documentElement as unknown as SVGSVGElement;
    const pxPerMm = svg.getBoundingClientRect().width / svg.width.baseVal.valueInSpecifiedUnits;
    const title = [...svg.querySelectorAll('text')].map((text) => text.textContent).find((text) => /^front.*1 : [\d.]+$/.test(text))!;
    const heights = [...svg.querySelectorAll('path[fill="#ffffff"]')].map((path) => path.getBoundingClientRect().height / pxPerMm);
    return { times: Number(/1 : ([\d.]+)$/.exec(title)![1]), high: Math.max(...heights) };
  });
  // Its sides, 820 mm high; a line's own width goes over both ends.
  expect(Math.abs(high * times - 820)).toBeLessThan(0.4 * times);
  await beside.close();
});

test('parts, sheets and bodies are handed over as files', async ({ page }) => {
  const id = await furnishedProject();
  await open(page, id, 'ink/box');
  await page.getByRole('tab', { name: 'Cut list' }).click();
  const parts = await saved(page, 'Part drawings (DXF)');
  expect(parts.name).toBe('print-room-parts.dxf');
  for (const layer of ['OUTLINE', 'SLOT_6', 'TEXT']) expect(parts.bytes.toString()).toContain(layer);
  await page.getByRole('tab', { name: '3D' }).click();
  expect((await saved(page, 'Body (glTF)')).bytes.toString('latin1', 0, 4)).toBe('glTF');
  expect((await saved(page, 'Body (STL)')).bytes.length).toBeGreaterThan(5000);
  await open(page, id, 'ink/sheets');
  await page.locator('.piece').first().waitFor();
  const sheets = await saved(page, 'All sheets as DXF');
  expect(sheets.bytes.toString()).toContain('SHEET');
  const svg = await saved(page, 'This sheet as SVG');
  expect(svg.name).toMatch(/\.svg$/);
  // Sized in real units: a browser shows it at its true size.
  await page.setContent(svg.bytes.toString());
  const { width } = (await page.locator('svg').boundingBox())!;
  expect(width).toBeCloseTo((2440 + 40) * (96 / 25.4), -1);
});
