import { chromium } from '@playwright/test';
const [,, out, ...views] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const page = await b.newPage({ viewport: { width: 1280, height: 800 } });
for (const v of views) {
  const [unit, tab, project='print-room-back', station='box'] = v.split(':');
  await page.goto(`http://127.0.0.1:4601/project/${project}/${unit}/${station}`);
  await page.waitForTimeout(1200);
  if (tab) await page.getByRole('tab', { name: tab, exact: true }).click();
  await page.waitForTimeout(tab === '3D' ? 4000 : 500);
  await page.screenshot({ path: `${out}/${unit}-${(tab||station).replace(/\W/g,'')}.png` });
}
await b.close();
