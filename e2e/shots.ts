/**
 * One picture of each main view, from the demo data: node --import tsx e2e/shots.ts [--only NAME] [--to FOLDER] [--url URL]
 * Without an address a product of its own is started, so that the pictures show nothing but the demo.
 */
import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { startProduct } from './product.ts';
import { quiet } from './tests/support.ts';

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly size?: { readonly width: number; readonly height: number };
  readonly dark?: boolean;
  readonly before?: (page: Page) => Promise<unknown>;
}

const PHONE = { width: 390, height: 844 };
const INK = '/project/print-room/ink';
const TYPE = '/project/print-room/type';
const BACK = '/project/print-room-back';

async function writeNote(page: Page): Promise<void> {
  await page.getByLabel('note').fill('Squeeze-out under shelf 2: more tape before the glue.');
  await page.getByLabel('for next time').check();
  await page.getByRole('button', { name: 'Write it down' }).click();
}

async function twoTries(page: Page): Promise<void> {
  await page.getByRole('tab', { name: 'Tries' }).click();
  await page.getByRole('button', { name: 'Keep it as a try' }).click();
  await page.getByLabel('Name of the try').fill('narrow and shallow');
  await page.locator('[data-field="depth"]').fill('340');
  await page.locator('[data-field="width"]').fill('760');
  await page.waitForTimeout(6000);
}

/** Software drawing takes its time. */
async function inSpace(page: Page): Promise<void> {
  await page.getByRole('tab', { name: '3D', exact: true }).click();
  await page.waitForTimeout(4000);
}

/** The shop set, open at the front of the first cabinet. */
async function onPaper(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Print the shop set' }).click();
  await page.getByRole('button', { name: 'Draw it' }).click();
  await page.locator('.page-shown').waitFor({ timeout: 30_000 });
  await page.getByRole('dialog').getByLabel('page', { exact: true }).fill('3');
  await page.getByRole('img', { name: /^Page 3 of/ }).waitFor();
  await page.waitForTimeout(800);
}

/** A shelf in its dado, its play drawn larger. */
async function shelfJoint(page: Page): Promise<void> {
  await page.locator('.joint-list button', { hasText: 'shelf' }).first().click();
  await page.getByRole('slider', { name: 'Play, so many times as wide as it is' }).focus();
  for (let step = 0; step < 7; step++) await page.keyboard.press('ArrowRight');
  await page.evaluate(() => document.querySelector('.station-body')?.scrollTo(0, 0));
  await page.waitForTimeout(400);
}

const SHOTS: readonly Shot[] = [
  { name: 'home', path: '/' },
  { name: 'new-cabinet', path: '/new' },
  { name: 'contents', path: `${INK}/contents` },
  { name: 'wall', path: `${INK}/wall` },
  { name: 'box', path: `${INK}/box` },
  { name: 'space', path: `${BACK}/ring/box`, before: inSpace },
  { name: 'stock', path: `${INK}/stock` },
  { name: 'joints', path: `${INK}/joints`, before: shelfJoint },
  { name: 'setups', path: `${INK}/joints`, dark: true, before: (page) => page.getByRole('tab', { name: 'Setups', exact: true }).click() },
  { name: 'sheets', path: `${INK}/sheets`, before: (page) => page.waitForTimeout(2500) },
  { name: 'hang', path: `${TYPE}/hang` },
  {
    name: 'build',
    path: `${INK}/build`,
    before: (page) =>
      page
        .getByRole('button', { name: /Glue up left side/ })
        .first()
        .click(),
  },
  { name: 'days', path: `${INK}/build?view=days&of=all`, before: (page) => page.waitForTimeout(2500) },
  { name: 'bench-step', path: `${INK}/bench/next?step=${encodeURIComponent('ink/glue/side/left')}`, size: PHONE },
  { name: 'bench-part', path: `${INK}/bench?part=${encodeURIComponent('ink/shelf/s1')}`, size: PHONE },
  { name: 'log', path: `${INK}/log`, before: writeNote },
  { name: 'sum', path: `${INK}/box`, before: (page) => page.locator('.tally .explained', { hasText: 'empty' }).click() },
  { name: 'on-paper', path: `${INK}/box`, before: onPaper },
  // Last: it changes the cupboard.
  { name: 'tries', path: `${INK}/box`, before: twoTries },
];

const argument = (name: string): string | undefined => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};

const only = argument('only')?.split(',');
const folder = argument('to') ?? fileURLToPath(new URL('../docs/screenshots', import.meta.url));
mkdirSync(folder, { recursive: true });
const own = argument('url') === undefined ? await startProduct() : undefined;
const url = argument('url') ?? own!.url;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' });
try {
  for (const { name, path, size, dark, before } of SHOTS) {
    if (only && !only.includes(name)) continue;
    const page = await browser.newPage({ viewport: size ?? { width: 1280, height: 800 }, colorScheme: dark ? 'dark' : 'light' });
    await page.goto(`${url}${path}`);
    await quiet(page);
    await page.waitForTimeout(1200);
    await before?.(page);
    await page.waitForTimeout(500);
    await page.screenshot({ path: `${folder}/${name}.png` });
    await page.close();
    console.log(name);
  }
} finally {
  await browser.close();
  await own?.stop();
}
