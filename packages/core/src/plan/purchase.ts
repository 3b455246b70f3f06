/** What a project's stock costs: new sheets and boards at the workshop's prices. What is in the store costs nothing. */
import type { Workshop } from '../stock/workshop.ts';
import { apply, formula, termOf, total, type Figure } from '../worked/figure.ts';

/** So many new sheets or boards of a product. */
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

/** Money in the workshop's currency; each price leads back to where it is entered. */
export const purchaseCost = (purchases: readonly Purchase[], { products }: Pick<Workshop, 'products'>): Figure =>
  total(
    'project-cost',
    'money',
    purchases
      .filter(({ count }) => count > 0)
      .map(({ product, count }) => {
        const { name, price } = products[product]!;
        const terms = { n: count, price: { value: price, source: { kind: 'entered' as const, path: ['price', product] } } };
        return termOf(apply(OF_ONE_KIND, terms, { key: 'stock-cost', of: name }));
      }),
  );
