/** No page is broken by what is stored: fifty documents and drafts that went wrong are planted, and each page says so and lets a person go on. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import mysql from 'mysql2/promise';
import type { Product } from '../product.ts';
import { baseUrl, example, freshProject, test } from './support.ts';

test.describe.configure({ timeout: 240_000 });

type Row = Record<string, any>;

/** Values no field of a document takes, or hardly. */
const WRONG: readonly unknown[] = [null, '', 0, -1, 1e300, 'x', [], {}, true, '9999 m', '-5 mm', { text: '5 mm' }];

/** A document with one place in it set wrong, or taken out; the same for the same number. */
function spoiled(document: Row, n: number): Row {
  const made = structuredClone(document);
  let node = made;
  let turn = n * 7 + 3;
  for (;;) {
    const keys = Object.keys(node);
    const key = keys[turn % keys.length]!;
    const value = node[key] as unknown;
    turn = Math.floor(turn / 2) + n + 1;
    if (typeof value === 'object' && value !== null && Object.keys(value).length > 0 && turn % 3 !== 0) {
      node = value as Row;
      continue;
    }
    if (n % 4 === 0) delete node[key];
    else node[key] = WRONG[n % WRONG.length];
    return made;
  }
}

/** Sizes that can be typed and do not go together: kept, and told at their field. */
const UNBUILDABLE: readonly ((ink: Row) => void)[] = [
  (ink) => ((ink['back'].kind = 'over'), (ink['hanging'].kind = 'recessed')),
  (ink) => ((ink['hanging'].kind = 'through'), (ink['hanging'].rail = null)),
  (ink) => (ink['hanging'].rightInset = '900 mm'),
  (ink) => (ink['hanging'].brackets = { count: 6, length: '400 mm' }),
  (ink) => ((ink['hanging'].brackets = { count: 2, length: '100 mm' }), (ink['hanging'].spacer = null), (ink['hanging'].lowerCleat = '300 mm')),
];

const stored = ({ design }: Row): Row => design as Row;

async function plant(product: Product, id: string, document: Row): Promise<void> {
  const { adminPassword } = JSON.parse(readFileSync(join(product.folder, 'database.json'), 'utf8')) as { adminPassword: string };
  const connection = await mysql.createConnection({
    socketPath: join(product.folder, 'mysql.run', 'mysql.sock'),
    user: 'root',
    password: adminPassword,
    database: 'keen',
  });
  // A revision of its own, or what is known of the old one would be shown.
  await connection.query('update projects set document = ?, revision = revision + 1 where id = ?', [JSON.stringify(document), id]);
  await connection.end();
}

/** Somebody can go on: a cabinet is shown, or why it is not with a way out. */
async function goesOn(page: Page): Promise<void> {
  await expect(page.getByText('This page broke.')).toHaveCount(0);
  await expect(page.locator('.tally, .cannot-plan, .empty, #station svg, .notice-page [role=alert]').first()).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('link', { name: /all projects/i }).first()).toBeVisible();
}

test('thirty documents with one thing wrong: each page says what, home lists them all', async ({ page, product }) => {
  for (let n = 0; n < 30; n++) {
    const id = await freshProject((file) => (file['design'].name = `Broken ${n}`));
    const file = example();
    await plant(product, id, spoiled(stored(file), n));
    await page.goto(`${baseUrl()}/project/${id}/ink/box`);
    await goesOn(page);
    await fetch(`${baseUrl()}/api/projects/${id}`, { method: 'DELETE' });
  }
  await page.goto(baseUrl());
  await expect(page.getByRole('link', { name: 'New cabinet' })).toBeVisible();
  await expect(page.getByRole('listitem').first()).toBeVisible();
});

test('designs that cannot be built are kept, told at their field, and changed back there', async ({ page }) => {
  for (const change of UNBUILDABLE) {
    const id = await freshProject(({ design }) => change(design.units.ink));
    for (const station of ['box', 'hang', 'sheets', 'build', 'wall']) {
      await page.goto(`${baseUrl()}/project/${id}/ink/${station}`);
      await goesOn(page);
    }
    await page.goto(`${baseUrl()}/project/${id}/ink/box`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ink cupboard cannot be built as entered');
    await expect(page.getByRole('alert').first()).toContainText('Accepted:');
    // The other cabinet is planned as ever.
    await page.goto(`${baseUrl()}/project/${id}/type/box`);
    await expect(page.locator('.tally')).toBeVisible();
  }
});

test('twenty drafts with one thing wrong: the project opens, and what could not be read is kept to be taken away', async ({ page }) => {
  const id = await freshProject();
  await page.goto(baseUrl());
  const rows = Array.from({ length: 20 }, (_, n) => ({ session: `gone-${n}`, document: spoiled(stored(example()), n + 30) }));
  await page.goto(`${baseUrl()}/project/${id}/ink/box`);
  await goesOn(page);
  await page.evaluate(
    async ({ project, planted }) => {
      const open = indexedDB.open('keen-outbox');
      const database = await new Promise<IDBDatabase>((done, failed) => {
        open.onsuccess = () => done(open.result);
        open.onerror = () => failed(open.error!);
      });
      const store = database.transaction('held', 'readwrite').objectStore('held');
      for (const { session, document } of planted) store.put({ project, session, base: 1, baseDocument: document, document, entries: [], version: 11 });
      await new Promise((done) => (store.transaction.oncomplete = done));
      database.close();
    },
    { project: id, planted: rows },
  );
  await page.reload();
  await goesOn(page);
  // What cannot be read, or clashes, is kept for a person to decide about; the project itself is as it was.
  await expect(page.locator('.set-aside')).toContainText(/cannot be read|clashes with this one/);
  await expect(page.locator('.tally')).toBeVisible();
});
