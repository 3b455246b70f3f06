/** No text is cut off, runs out of its box or over another, with the longest fractions and in millimetres, wide and narrow. */
import { expect, test } from '@playwright/test';
import { baseUrl, furnishedProject } from './support.ts';
import { VIEWS } from './views.ts';

let long: string;
test.beforeAll(async () => {
  long = await furnishedProject((file) => {
    const { ink, type } = file['design'].units;
    // 31/32 everywhere, so that every size is as long as a size can be.
    Object.assign(ink, { width: '39 31/32 in', height: '33 31/32 in', depth: '11 31/32 in', name: 'Ink cupboard over the long bench' });
    Object.assign(type, { width: '31 31/32 in', height: '18 31/32 in', depth: '11 31/32 in' });
    ink.place = { along: '22 31/32 in', up: '51 31/32 in' };
    type.place = { along: '70 31/32 in', up: '51 31/32 in' };
    ink.hanging.boardWidth = '6 31/32 in';
    file['design'].wall.width = '141 31/32 in';
  });
});

/** Runs inside the page; gives a line for each text that cannot be read whole. */
function faults(): string[] {
  const found: string[] = [];
  const wide = document.documentElement.clientWidth;
  if (document.documentElement.scrollWidth > wide) found.push(`the page scrolls sideways: ${document.documentElement.scrollWidth} of ${wide}`);
  const isHidden = (element: Element): boolean =>
    element.closest('.sr, [aria-hidden="true"], [hidden], datalist, option, script, style, title, noscript') !== null;
  const scrolls = (style: CSSStyleDeclaration): boolean => /auto|scroll/.test(style.overflowX);
  for (const element of document.querySelectorAll('body *')) {
    if (isHidden(element) || !(element as HTMLElement).checkVisibility?.()) continue;
    const text = [...element.childNodes].filter((node) => node.nodeType === Node.TEXT_NODE && node.textContent!.trim() !== '');
    const said = text
      .map((node) => node.textContent!.trim())
      .join(' ')
      .slice(0, 60);
    if (element instanceof HTMLInputElement && element.type !== 'checkbox' && element.type !== 'range' && element.scrollWidth > element.clientWidth + 1)
      found.push(`field '${element.value || element.placeholder}' is cut`);
    if (text.length === 0) continue;
    const range = document.createRange();
    range.selectNodeContents(element);
    const rect = range.getBoundingClientRect();
    if (rect.width === 0) continue;
    if (element instanceof SVGElement) {
      const svg = (element.ownerSVGElement ?? element).getBoundingClientRect();
      if (rect.left < svg.left - 1 || rect.right > svg.right + 1 || rect.top < svg.top - 1 || rect.bottom > svg.bottom + 1)
        found.push(`'${said}' leaves its drawing`);
      continue;
    }
    for (let box: Element | null = element; box && box !== document.body; box = box.parentElement) {
      const style = getComputedStyle(box);
      if (style.clipPath !== 'none') break;
      if (scrolls(style)) break;
      const frame = box.getBoundingClientRect();
      if (style.overflowX !== 'visible' && (rect.right > frame.right + 1 || rect.left < frame.left - 1)) found.push(`'${said}' is cut by .${box.className}`);
      if (style.position === 'fixed') break;
    }
    if (rect.right > wide + 1 && !element.closest('.tally, .sheet-tabs, .MuiDataGrid-root')) found.push(`'${said}' leaves the screen`);
  }
  const labels = [...document.querySelectorAll<SVGTextElement>('svg.drawing text')]
    .filter((each) => !each.closest('[aria-hidden="true"]'))
    .map((element) => ({ element, rect: element.getBoundingClientRect() }));
  labels.forEach((a, index) => {
    for (const b of labels.slice(index + 1)) {
      if (a.element.ownerSVGElement !== b.element.ownerSVGElement) continue;
      const across = Math.min(a.rect.right, b.rect.right) - Math.max(a.rect.left, b.rect.left);
      const down = Math.min(a.rect.bottom, b.rect.bottom) - Math.max(a.rect.top, b.rect.top);
      if (across > 2 && down > 4) found.push(`'${a.element.textContent}' and '${b.element.textContent}' lie over each other`);
    }
  });
  return found;
}

for (const width of [1280, 390])
  for (const { name, path, before } of VIEWS)
    test(`${name}, ${width} wide`, async ({ browser }) => {
      const page = await browser.newPage({ viewport: { width, height: width === 1280 ? 800 : 844 }, reducedMotion: 'reduce' });
      const look = async (unit: 'in' | 'mm'): Promise<boolean> => {
        await page.goto(`${baseUrl()}${path(long)}`);
        await page.waitForLoadState('networkidle');
        const toggle = page.getByRole('group', { name: 'Units' }).getByRole('button', { name: unit === 'mm' ? /^m/ : /^in/ });
        const switched = await toggle.isVisible();
        if (switched) await toggle.click();
        await before?.(page);
        await page.waitForTimeout(300);
        expect([unit, ...(await page.evaluate(faults))]).toEqual([unit]);
        return switched;
      };
      // Where there is no switch on the screen there is but one unit to look at.
      if (await look('in')) await look('mm');
      await page.close();
    });
