/** The shopping list as text: amounts as they are sold, and the list as plain text for a message or a slip of paper. */
import { lengthText } from '../checks/words/amounts.ts';
import type { DisplayUnit } from '../length/length.ts';
import { shoppingCost, type ShoppingLine } from '../sheets/shopping.ts';
import { LITERS_PER_QUART, MM_PER_FOOT } from '../length/constants.ts';
import type { Workshop } from '../model/workshop.ts';

/** '4', '12.5 m', '0.8 l', 'for 36 joints'; liquids and rolls are rounded up. */
export function amountText({ amount, in: measure }: Pick<ShoppingLine, 'amount' | 'in'>, unit: DisplayUnit): string {
  switch (measure) {
    case 'pieces':
      return String(amount);
    case 'mm':
      return unit === 'mm' ? `${(Math.ceil(amount / 100) / 10).toFixed(1)} m` : `${Math.ceil(amount / MM_PER_FOOT)} ft`;
    case 'l':
      return unit === 'mm' ? `${(Math.ceil(amount * 20) / 20).toFixed(2)} l` : `${(Math.ceil((amount / LITERS_PER_QUART) * 10) / 10).toFixed(1)} qt`;
    case 'joints':
      return `for ${amount} ${amount === 1 ? 'joint' : 'joints'}`;
  }
}

/** '2440 mm × 1220 mm', '3 in', in the unit it is sold in; empty without a size. */
export function shoppingSize({ size, home }: Pick<ShoppingLine, 'size' | 'home'>, reader: DisplayUnit): string {
  if (!size) return '';
  const unit = home ?? reader;
  return size.width === null ? lengthText(size.length, unit) : `${lengthText(size.length, unit)} × ${lengthText(size.width, unit)}`;
}

const TITLES: Readonly<Record<ShoppingLine['kind'], string>> = {
  sheet: 'Sheets',
  board: 'Boards',
  hardware: 'Hardware',
  fastener: 'Screws and the like',
  band: 'Edge band',
  glue: 'Glue',
  finish: 'Finish',
};

/** Line by line, with a box to tick. */
export function shoppingText(
  lines: readonly ShoppingLine[],
  name: string,
  { currency, tax: rate }: Pick<Workshop, 'currency' | 'tax'>,
  unit: DisplayUnit,
): string {
  const { net, tax } = shoppingCost(lines, rate);
  const money = (amount: number): string => [amount.toFixed(2), currency].join(' ').trim();
  const kinds = [...new Set(lines.map(({ kind }) => kind))];
  return [
    `${name}: to buy`,
    ...kinds.flatMap((kind) => [
      '',
      TITLES[kind],
      ...lines
        .filter((line) => line.kind === kind)
        .map((line) => {
          const size = shoppingSize(line, unit);
          const cost = line.price === null ? '' : `, ${money(line.price * line.amount)}`;
          return `[ ] ${amountText(line, unit)}${line.in === 'pieces' ? ' ×' : ''} ${line.what}${size === '' ? '' : `, ${size}`}${cost}`;
        }),
    ]),
    '',
    ...(net > 0 ? [`In all, as far as prices are known: ${money(net + tax)}${tax > 0 ? `, ${money(tax)} of it tax` : ''}`, ''] : []),
  ].join('\n');
}
