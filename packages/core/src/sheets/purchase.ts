/** Cost of a project's stock: new sheets and boards at the workshop's prices, and the tax. Stock on hand costs nothing. */
import { evaluate, formula, termOf, total, type ExplainedValue } from '../explained/explained-value.ts';
import type { Workshop } from '../model/workshop.ts';

/** A number of new sheets or boards of one product. */
export interface Purchase {
  readonly product: string;
  readonly count: number;
}

const OF_ONE_KIND = formula({
  label: 'stock-cost',
  unit: 'money',
  text: 'n · price',
  source: '[eq]',
  terms: { n: 'count', price: 'money' },
  compute: ({ n, price }) => n * price,
});

const TAX = formula({
  label: 'tax-on-stock',
  unit: 'money',
  text: 'net · percent / 100',
  source: '[eq]',
  terms: { net: 'money', percent: 'factor' },
  compute: ({ net, percent }) => (net * percent) / 100,
});

/** Amount to pay in the workshop's currency; each price leads back to its entry. */
export function purchaseCost(purchases: readonly Purchase[], { products, tax }: Pick<Workshop, 'products' | 'tax'>): ExplainedValue {
  const rows = purchases
    .filter(({ count }) => count > 0)
    .map(({ product, count }) => {
      const { name, price } = products[product]!;
      const terms = { n: count, price: { value: price, source: { kind: 'entered' as const, path: ['price', product] } } };
      return termOf(evaluate(OF_ONE_KIND, terms, { key: 'stock-cost', of: name }));
    });
  if (tax.included || tax.percent === 0) return total('project-cost', 'money', rows);
  const net = rows.reduce((sum, { value }) => sum + value, 0);
  const percent = { value: tax.percent, source: { kind: 'entered' as const, path: ['tax'] } };
  return total('project-cost', 'money', [...rows, termOf(evaluate(TAX, { net, percent }))]);
}
