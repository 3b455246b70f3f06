import { chromium } from '@playwright/test';
import { startProduct } from './product.ts';
import { mkdirSync } from 'node:fs';
mkdirSync('/tmp/look',{recursive:true});
const product = await startProduct();
process.env['KEEN_URL']=product.url;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror',(e)=>console.log('ERR',e.message));
const steps = (await import(process.argv[2]!)) as { run: (p: typeof page, url: string) => Promise<void> };
try { await steps.run(page, product.url); } catch(e) { console.log(String(e).slice(0,1500)); await page.screenshot({path:'/tmp/look/fail.png'}); }
await browser.close(); await product.stop();
