import { chromium } from '@playwright/test';
import { startProduct } from './product.ts';
const product = await startProduct();
process.env['KEEN_URL'] = product.url;
const { furnishedProject } = await import('./tests/support.ts');
const id = await furnishedProject();
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const errors: string[] = [];
for (const [w, h] of [[1280, 800], [390, 844]] as const) {
  const page = await browser.newPage({ viewport: { width: w, height: h }, reducedMotion: 'reduce' });
  page.on('pageerror', (e) => errors.push(String(e)));
  await page.goto(`${product.url}/project/${id}/ink/sheets`);
  await page.locator('.piece').first().waitFor();
  await page.waitForTimeout(9000);
  await page.screenshot({ path: `/tmp/sheets-${w}.png` });
  await page.getByRole('tab', { name: 'Cut by cut' }).click();
  await page.waitForTimeout(500);
  await page.screenshot({ path: `/tmp/cuts-${w}.png` });
  if (w === 1280) {
    await page.getByRole('button', { name: 'The next cut' }).click();
    await page.getByRole('button', { name: 'The next cut' }).click();
    await page.locator('.cut-card').scrollIntoViewIfNeeded();
    await page.screenshot({ path: `/tmp/cuts3-${w}.png` });
    await page.getByRole('button', { name: 'Compare the four ways' }).click();
    await page.waitForTimeout(12000);
    await page.locator('.cutting-ways').scrollIntoViewIfNeeded();
    await page.screenshot({ path: `/tmp/ways-${w}.png` });
  }
  await page.close();
}
console.log(errors);
await browser.close();
await product.stop();
process.exit(0);
