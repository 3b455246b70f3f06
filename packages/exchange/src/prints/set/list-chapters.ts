/** Lists: parts, purchases, assumptions and cautions. */
import {
  amountText,
  ASSUMED,
  edgeWords,
  exactText,
  findingWords,
  labelWords,
  shoppingCost,
  shoppingSize,
  tapeText,
  type Assumed,
  type Finding,
} from '@keen/core';
import type { ShopSetContext } from './chapter.ts';
import { Flow, ticks, type Pages } from './flow.ts';

export function cutListChapter(pages: Pages, { parts, workshop, unit }: ShopSetContext): void {
  const flow = new Flow(pages, 'cut list');
  flow.paragraph(`Lengths and widths in ${unit}, as a tape says them; thickness as it was measured. Write the mark on each piece as it comes off.`);
  flow.table(
    [
      { title: 'mark', share: 1, bold: true },
      { title: 'count', share: 0.9, right: true },
      { title: 'part', share: 4.4 },
      { title: 'length', share: 2, right: true },
      { title: 'width', share: 2, right: true },
      { title: 'thick', share: 1.4, right: true },
      { title: 'out of', share: 3.6 },
      { title: 'grain along', share: 1.6 },
      { title: 'edge band', share: 2.4 },
      { title: 'cut', share: 1.5 },
    ],
    parts.map((line) => [
      line.mark,
      String(line.count),
      [...new Set(line.names.map(labelWords))].join(', '),
      tapeText(line.length.value, unit),
      tapeText(line.width.value, unit),
      exactText(line.thickness, unit),
      workshop.products[line.stock]?.name ?? line.stock,
      line.grain === 'none' ? 'any' : line.grain,
      line.bands.map((edge) => edgeWords(line, edge)).join(', '),
      ticks(Math.min(line.count, 4)),
    ]),
  );
  flow.paragraph(`${parts.reduce((sum, { count }) => sum + count, 0)} pieces of ${parts.length} kinds: count them before anything is glued.`, { bold: true });
}

export function shoppingChapter(pages: Pages, { shopping, workshop, unit }: ShopSetContext): void {
  const flow = new Flow(pages, 'shopping list');
  if (shopping.length === 0) {
    flow.paragraph('Nothing: the store has it all.');
    return;
  }
  flow.table(
    [
      { title: '', share: 0.5 },
      { title: 'how many', share: 1.8, right: true },
      { title: 'what', share: 5 },
      { title: 'size', share: 3.4 },
      { title: money('each', workshop.currency), share: 1.7, right: true },
      { title: money('in all', workshop.currency), share: 1.7, right: true },
      { title: 'for', share: 5 },
    ],
    shopping.map((line) => [
      ticks(1),
      amountText(line, unit),
      line.what,
      shoppingSize(line, unit),
      line.price === null ? '' : line.price.toFixed(2),
      line.price === null ? '' : (line.price * line.amount).toFixed(2),
      line.for.length > 4 ? `${line.for.length} cabinets` : line.for.join(', '),
    ]),
  );
  const { net, tax } = shoppingCost(shopping, workshop.tax);
  flow.paragraph(
    `Sheets and boards in all: ${[(net + tax).toFixed(2), workshop.currency].join(' ').trim()}${tax > 0 ? `, ${tax.toFixed(2)} of it tax` : ''}. What has no price here is bought by the piece or the pack, with some over.`,
    { bold: true },
  );
}

const money = (title: string, currency: string): string => (currency === '' ? title : `${title}, ${currency}`);

const SEVERITY: Readonly<Record<Finding['severity'], string>> = { stop: 'stop', change: 'change', look: 'look' };

export function cautionsChapter(pages: Pages, { cabinets, unit, plan }: ShopSetContext): void {
  const flow = new Flow(pages, 'what to look at, and what was assumed', 2);
  const rails = plan.rails.length > 0 ? 'Rails of the wall are reckoned with what hangs on them. ' : '';
  flow.heading('How far it can be trusted');
  flow.paragraph(
    `${rails}The plan never stands in for codes or a licensed person. Nothing here is over a bed, a cot, a cooker or a seat unless the checks below say so. Load it little by little, and look again after a day and a month.`,
  );
  flow.heading('What the checks found');
  const found = cabinets.filter(({ findings }) => findings.length > 0);
  if (found.length === 0) flow.paragraph('Nothing to look at.');
  for (const { letter, name, findings } of found) {
    flow.heading(`${letter} ${name}`, { high: 2.8 });
    for (const finding of findings) {
      const { says, why } = findingWords(finding, unit);
      flow.paragraph(`${SEVERITY[finding.severity].toUpperCase()}: ${says} ${why}`, {
        indent: 4,
        bullet: finding.severity === 'stop' ? '!' : 'tick',
        bold: finding.severity === 'stop',
      });
    }
  }
  flow.heading('At the machines, and at the wall');
  for (const line of CAUTIONS) flow.paragraph(line, { indent: 4, bullet: '!' });
  flow.heading('Figures that decide the hanging and were chosen, not published');
  for (const [, row] of Object.entries(ASSUMED)) flow.paragraph(assumedWords(row), { indent: 4, bullet: '•', high: 2.2 });
}

/** A value as text; the unit of a factor or share follows it. */
function assumedWords({ value, unit, what, tag }: Assumed): string {
  const shown = `${Math.round(value * 1000) / 1000}${unit === '' ? '' : unit === '×' ? ' times' : ` ${unit}`}`;
  return `${shown}: ${what}${tag === '(m)' ? ' (to be checked against its source)' : ''}.`;
}

const CAUTIONS = [
  'Unplug before a blade or a cutter is touched. No gauge is held against a blade that can turn.',
  'The edge on the fence is the longer one; a stop against the fence stands before the blade, never beside it. A push stick for what is narrower than a hand.',
  'Guards come off for slots: they go back on before the next through cut.',
  'A router goes against the turn of its cutter, a few millimeters deep at a pass.',
  'Dust of sheet goods, fiberboard above all, is not breathed: mask and extraction.',
  'Rags with oil or stain catch fire by themselves: flat outside to dry, or under water in a tin.',
  'Before a hole is bored in a wall: detector, a probe hole, power off. Pipes too.',
  'Lifting overhead is for two, or for a ledger under it.',
  'Wallboard alone holds nothing heavy.',
];
