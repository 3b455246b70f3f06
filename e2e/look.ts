import { chromium } from '@playwright/test';
import { startProduct } from './product.ts';
const { run } = await import(process.argv[2]!);
const product = await startProduct();
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' });
try {
  const page = await browser.newPage({ viewport: { width: Number(process.env['W'] ?? 1280), height: Number(process.env['H'] ?? 800) } });
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
  await run(page, product.url);
} catch (e) { console.log('FAILED', (e as Error).message.slice(0, 1500)); } finally { await browser.close(); await product.stop?.(); process.exit(0); }
