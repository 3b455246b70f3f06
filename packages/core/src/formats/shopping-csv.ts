/** The shopping list as a table for a merchant to return with prices: sheets and boards as in a price list. */
import type { DisplayUnit } from '../length/length.ts';
import type { ShoppingLine } from '../sheets/shopping.ts';
import { MATERIALS } from '../stock/materials.ts';
import { csvText } from './csv.ts';
import { amountText, shoppingSize } from './shopping-words.ts';
import type { Workshop } from '../model/workshop.ts';

/** Titles of sheets and boards are those of products-table.ts, so that the returned list reads as a price list. */
export function shoppingCsv(lines: readonly ShoppingLine[], { products }: Pick<Workshop, 'products'>, unit: DisplayUnit): string {
  const rows = lines.map((line) => {
    const product = line.kind === 'sheet' || line.kind === 'board' ? products[line.id.replace(/^stock\//, '')] : undefined;
    return [
      line.what,
      line.kind,
      product ? MATERIALS[product.material].name : '',
      product ? product.nominal.text : '',
      product ? product.length.text : shoppingSize(line, unit),
      product ? product.width.text : '',
      amountText(line, unit),
      line.in === 'pieces' ? line.amount : '',
      line.price ?? '',
      line.for.join(', '),
    ];
  });
  const titles = ['what', 'kind', 'material', 'thickness', 'length', 'width', 'how many', 'pieces', 'price', 'for'];
  return csvText([titles, ...rows]);
}
