/** The work in words: machine setups, and build steps in order. */
import { fullTitle, inWantedOrder, minutesText, waitMin, setupWords, stepWords } from '@keen/core';
import type { ShopSetContext } from './chapter.ts';
import { Flow, type Pages } from './flow.ts';

export function setupsChapter(pages: Pages, { setups, design, workshop, built, parts, unit }: ShopSetContext): void {
  const ordered = inWantedOrder(setups.setups, design.setupOrder);
  if (ordered.length === 0) return;
  const flow = new Flow(pages, 'setups: one machine, one setting, all its cuts', 2);
  const context = { ...built.setups, shop: workshop.shop, blanks: setups.blanks, parts };
  ordered.forEach((setup, index) => {
    const words = setupWords(setup, context, unit);
    flow.heading(`${index + 1}  ${words.title}`, { high: 3, keep: 20 });
    for (const { what, to } of words.set) flow.paragraph(`${what}: ${to}`, { bold: true, indent: 4 });
    for (const { mark, name, cuts, lies, places } of words.pieces)
      flow.paragraph([`${mark} ${name}${cuts > 1 ? `, ${cuts} cuts` : ''}`, lies, ...places].filter((text) => text !== '').join('; '), {
        indent: 4,
        bullet: 'tick',
      });
    flow.paragraph(words.gauge, { indent: 4 });
    flow.paragraph(words.caution, { indent: 4, bullet: '!' });
  });
}

export function stepsChapter(pages: Pages, { build, built, cabinets, unit }: ShopSetContext): void {
  if (build.steps.length === 0) return;
  const flow = new Flow(pages, 'the build, step by step', 2);
  build.steps.forEach((step, index) => {
    const words = stepWords(step, built, unit);
    flow.heading(`${index + 1}  ${cabinets.length > 1 ? fullTitle(words) : words.title}`, { high: 2.8, keep: 16 });
    for (const line of words.says) flow.paragraph(line);
    for (const line of words.checks) flow.paragraph(line, { indent: 4, bullet: 'tick' });
    if (words.caution) flow.paragraph(words.caution, { bold: true, indent: 4, bullet: '!' });
    if (words.alone) flow.paragraph(words.alone, { indent: 4 });
    flow.paragraph(`About ${minutesText(step.minutes.value)}${step.waits ? `; nothing that follows it begins for ${minutesText(waitMin(step.waits))}` : ''}.`, {
      indent: 4,
    });
  });
}
