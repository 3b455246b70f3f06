/** Text that is cut off, runs out of its box or lies over another. */

/** Runs inside the page; gives a line for each text that cannot be read whole. */
export function textFaults(): string[] {
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
