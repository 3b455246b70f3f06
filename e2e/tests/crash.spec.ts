/** Killed outright in the middle of saving: what was called saved is there afterwards. On the product's own database settings. */
import { expect, type Page } from '@playwright/test';
import { untilUp, type Product } from '../product.ts';
import { field, freshProject, open, saveState, stored, test, untilSaved } from './support.ts';

test.describe.configure({ timeout: 180_000 });

/** Notes every width that the page was showing when it said "saved". */
async function noteSaved(page: Page): Promise<void> {
  await page.evaluate(() => {
    const noted: number[] = ((window as any).saved = []);
    const words = document.querySelector('[data-save]')!;
    const note = (): void => {
      if (words.getAttribute('data-save') === 'saved') noted.push(Number(document.querySelector<HTMLInputElement>('[data-field="width"]')!.value));
    };
    new MutationObserver(note).observe(words, { attributes: true, childList: true, subtree: true, characterData: true });
  });
}
const notedIn = (page: Page): Promise<number[]> => page.evaluate(() => (window as any).saved as number[]);
const storedWidth = async (id: string): Promise<number> => Number.parseFloat((await stored(id))['document'].units.ink.width as string);

for (const [what, victims] of [
  ['the server', (p: Product) => [p.serverPid()]],
  ['MariaDB', (p: Product) => [p.databasePid()]],
  ['both at once', (p: Product) => [p.databasePid(), p.serverPid()]],
] as const) {
  test(`kill -9 of ${what} during autosave loses nothing that was called saved`, async ({ page, product }) => {
    const id = await freshProject();
    await open(page, id);
    await noteSaved(page);
    for (let round = 0; round < 2; round++) {
      const start = 701 + round * 100;
      for (let width = start; width < start + 14; width++) {
        await field(page, 'width').fill(String(width));
        // Spread over the quiet time before a save, so that the kill falls into every part of it.
        await page.waitForTimeout(120 + ((width * 97) % 560));
        if (width === start + 9) for (const pid of victims(product)) process.kill(pid, 'SIGKILL');
      }
      const said = (await notedIn(page)).at(-1) ?? 700;
      await untilUp(product.url);
      // Straight from the database, before the page has had a word with it again or after: never behind what was said.
      expect(await storedWidth(id)).toBeGreaterThanOrEqual(said);
      await untilSaved(page);
      expect(await storedWidth(id)).toBe(start + 13);
    }
    await page.reload();
    await expect(field(page, 'width')).toHaveValue('814');
  });
}

test('kill -9 of the server in the middle of uploads: a picture that was called kept is whole, one that was not comes when it is sent again', async ({
  page,
  product,
}) => {
  const id = await freshProject();
  // Large and noisy, so that reading, redrawing and writing each take a while.
  const picture = Buffer.from(
    await page.evaluate(async () => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [2400, 1800];
      const context = canvas.getContext('2d')!;
      const noise = context.createImageData(2400, 1800);
      for (let n = 0; n < noise.data.length; n++) noise.data[n] = n % 4 === 3 ? 255 : (n * 2654435761) >>> 24;
      context.putImageData(noise, 0, 0);
      const blob = await new Promise<Blob>((done) => canvas.toBlob((made) => done(made!), 'image/jpeg', 0.95));
      const url = await new Promise<string>((done) => {
        const reader = new FileReader();
        reader.onload = () => done(reader.result as string);
        reader.readAsDataURL(blob);
      });
      return url.split(',')[1]!;
    }),
    'base64',
  );
  const at = (name: string): string => `${product.url}/api/projects/${id}/photos/${name}`;
  const send = async (name: string): Promise<boolean> => {
    try {
      return (await fetch(at(name), { method: 'PUT', headers: { 'Content-Type': 'image/jpeg' }, body: picture })).ok;
    } catch {
      return false;
    }
  };
  const names = Array.from({ length: 8 }, (_, n) => `photo-000${n}`);
  const said = new Map<string, boolean>();
  let first = (): void => {};
  const oneIsKept = new Promise<void>((resolve) => (first = resolve));
  const sending = names.map(async (name) => {
    const kept = await send(name);
    said.set(name, kept);
    if (kept) first();
  });
  // One is kept, the others are on their way.
  await Promise.race([oneIsKept, Promise.all(sending)]);
  process.kill(product.serverPid(), 'SIGKILL');
  await Promise.all(sending);
  await untilUp(product.url);
  expect([...said.values()]).toContain(true);
  for (const name of names) {
    const answer = await fetch(at(name));
    if (said.get(name)) expect(answer.status).toBe(200);
    // Whole or not there: never a half.
    if (answer.ok) expect(await decodes(page, await answer.arrayBuffer())).toEqual([2400, 1800]);
    else expect(answer.status).toBe(404);
  }
  for (const name of names) expect(await send(name)).toBe(true);
  for (const name of names) expect(await decodes(page, await (await fetch(at(name))).arrayBuffer())).toEqual([2400, 1800]);
});

/** Width and height of a picture that a browser can draw to its last line. */
const decodes = (page: Page, bytes: ArrayBuffer): Promise<number[]> =>
  page.evaluate(async (base64) => {
    const image = new Image();
    image.src = `data:image/jpeg;base64,${base64}`;
    await image.decode();
    return [image.naturalWidth, image.naturalHeight];
  }, Buffer.from(bytes).toString('base64'));

test('while the server is away the page says so, keeps what is typed over a reload, and sends it when the server is back', async ({ page }) => {
  const id = await freshProject();
  await open(page, id);
  await page.route('**/api/**', (route) => route.abort());
  await field(page, 'width').fill('777');
  await expect(saveState(page)).toContainText('not saved: server away, held here');
  await expect(field(page, 'width')).toHaveValue('777');
  expect(await storedWidth(id)).toBe(700);
  await page.unroute('**/api/**');
  await page.reload();
  await expect(field(page, 'width')).toHaveValue('777');
  await untilSaved(page);
  expect(await storedWidth(id)).toBe(777);
});

test('what a closed tab could not send is taken up by the next one', async ({ context }) => {
  const id = await freshProject();
  const first = await context.newPage();
  await open(first, id);
  await first.route('**/api/**', (route) => route.abort());
  await field(first, 'width').fill('778');
  await expect(saveState(first)).toHaveAttribute('data-save', 'held');
  await first.close();
  const second = await context.newPage();
  await open(second, id);
  await expect(field(second, 'width')).toHaveValue('778');
  await untilSaved(second);
  expect(await storedWidth(id)).toBe(778);
});
