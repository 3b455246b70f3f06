/** Two tabs on one project: no edit is ever lost without a word. */
import { expect, type BrowserContext, type Page } from '@playwright/test';
import { baseUrl, field, freshProject, open, saveState, station, stored, test, untilSaved } from './support.ts';

/** Without the line by which tabs follow one another: as on a bad network, where both edit the same version. */
async function twoTabs(context: BrowserContext, id: string): Promise<[Page, Page]> {
  await context.route('**/live', (route) => route.abort());
  const [a, b] = [await context.newPage(), await context.newPage()];
  await open(a, id);
  await open(b, id);
  return [a, b];
}
const widthIn = async (id: string): Promise<string> => (await stored(id))['document'].units.ink.width as string;
const versions = async (id: string): Promise<string[]> => {
  const history = (await (await fetch(`${baseUrl()}/api/projects/${id}/revisions`)).json()) as { number: number }[];
  const widths: string[] = [];
  for (const { number } of history) {
    const one = await fetch(`${baseUrl()}/api/projects/${id}/revisions/${number}`);
    if (one.ok) widths.push(((await one.json()) as any).document.units.ink.width as string);
  }
  return widths;
};

test('a tab where nothing waits to be saved follows the other, and what both enter of the shop is there once', async ({ context }) => {
  const id = await freshProject();
  const [a, b] = [await context.newPage(), await context.newPage()];
  await open(a, id);
  await open(b, id);
  await field(a, 'width').fill('760');
  await untilSaved(a);
  await expect(field(b, 'width')).toHaveValue('760');
  await expect(b.getByRole('dialog', { name: 'Two versions' })).toBeHidden();
  // From there both edit what both see.
  await field(b, 'depth').fill('300');
  await untilSaved(b);
  await expect(field(a, 'depth')).toHaveValue('300');
});

test('edits of different things are put together, and it is said', async ({ context }) => {
  const id = await freshProject();
  const [a, b] = await twoTabs(context, id);
  await field(a, 'width').fill('760');
  await untilSaved(a);
  await field(b, 'depth').fill('300');
  await expect(b.getByText('Changed elsewhere too: both changes are in')).toBeVisible();
  await untilSaved(b);
  await expect(field(b, 'width')).toHaveValue('760');
  const { ink } = (await stored(id))['document'].units;
  expect([ink.width, ink.depth]).toEqual(['760 mm', '300 mm']);
  // One undo takes this tab's own change off again, not the other's.
  await b.getByRole('button', { name: 'Undo' }).click();
  await untilSaved(b);
  const after = (await stored(id))['document'].units.ink;
  expect([after.width, after.depth]).toEqual(['760 mm', '280 mm']);
});

test('edits of the same thing are put to the person; keeping mine leaves the other in the history', async ({ context }) => {
  const id = await freshProject();
  const [a, b] = await twoTabs(context, id);
  await field(a, 'width').fill('760');
  await untilSaved(a);
  await field(b, 'width').fill('690');
  const dialog = b.getByRole('dialog', { name: 'Two versions' });
  await expect(dialog).toContainText('width');
  await expect(saveState(b)).toContainText('not saved: two versions');
  expect(await widthIn(id)).toBe('760 mm');
  await dialog.getByRole('button', { name: 'Keep mine', exact: true }).click();
  await untilSaved(b);
  expect(await widthIn(id)).toBe('690 mm');
  expect(await versions(id)).toEqual(expect.arrayContaining(['690 mm', '760 mm', '700 mm']));
});

test('taking the other keeps mine as a project of its own', async ({ context }) => {
  const id = await freshProject((file) => (file['design'].name = `Two tabs ${Math.floor(performance.now() * 1000)}`));
  const name = (await stored(id))['document'].name as string;
  const [a, b] = await twoTabs(context, id);
  await field(a, 'width').fill('760');
  await untilSaved(a);
  await field(b, 'width').fill('690');
  await b.getByRole('button', { name: 'Take the other, keep mine as a copy' }).click();
  await expect(field(b, 'width')).toHaveValue('760');
  expect(await widthIn(id)).toBe('760 mm');
  const rows = (await (await fetch(`${baseUrl()}/api/projects`)).json()) as { id: string; name: string }[];
  const copy = rows.find((row) => row.name === `${name}, my version`)!;
  expect(await widthIn(copy.id)).toBe('690 mm');
});

test('a reading taken in one tab while the other edits the design: both are kept, nobody is asked', async ({ context }) => {
  const id = await freshProject();
  const [a, b] = await twoTabs(context, id);
  await station(a, 'Stock').click();
  await field(a, 'reading.birch-6').fill('6.4');
  await field(a, 'reading.birch-6').press('Enter');
  await field(b, 'width').fill('760');
  await untilSaved(a);
  await untilSaved(b);
  await expect(saveState(a)).toHaveAttribute('data-queue', '0');
  expect(await widthIn(id)).toBe('760 mm');
  const record = (await (await fetch(`${baseUrl()}/api/projects/${id}/record`)).json()) as { entry: { reading?: { value: string } } }[];
  expect(record.map(({ entry }) => entry.reading?.value)).toContain('6.4 mm');
});
