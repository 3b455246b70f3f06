/** What to buy for all projects together, beside what each takes alone. */
import {
  lengthSold,
  lengthsForSale,
  projectOfPiece,
  purchaseCost,
  shoppingCsv,
  stockLines,
  tapeTextWithUnit,
  type DisplayUnit,
  type Product,
  type YardTrip,
} from '@keen/core';
import { Button } from '@mui/material';
import { download } from '../../ui/download.ts';
import { Explained } from '../../ui/Explained.tsx';
import { purchasesOf, tripRows } from './tripTotals.ts';
import type { TripLayouts } from './useTripSearch.ts';

interface TripTableProps {
  readonly trip: YardTrip;
  readonly layouts: TripLayouts;
  /** Of the projects, in order. */
  readonly names: readonly string[];
  readonly unit: DisplayUnit;
}

const sizeOf = (product: Product): string =>
  product.kind === 'board' ? lengthSold(product) : `${product.length.text} × ${tapeTextWithUnit(product.width.nm, product.unit)}`;

export function TripTable({ trip, layouts, names, unit }: TripTableProps) {
  const { workshop } = trip;
  const rows = tripRows(trip, layouts);
  const [together, alone] = (['together', 'alone'] as const).map((way) => {
    const bought = purchasesOf(rows, way);
    return bought && { bought, cost: purchaseCost(bought, workshop) };
  });
  const money = (amount: number): string => `${amount.toFixed(2)}${workshop.currency === '' ? '' : ` ${workshop.currency}`}`;
  const saved = together && alone ? alone.cost.value - together.cost.value : null;
  /** A board may be bought in another length than its parts were assigned. */
  const usedBy = (product: string): string[] => {
    const kind = new Set(lengthsForSale(workshop.products[product]!, workshop).map(({ id }) => id));
    return [...new Set(trip.parts.flatMap(({ stock, id }) => (kind.has(stock) ? [names[projectOfPiece(id)] ?? ''] : [])))];
  };
  return (
    <section aria-label="What to buy">
      <h1>{headline(names.length, saved, money)}</h1>
      {rows.length === 0 && layouts.isDone ? (
        <p className="quiet">Nothing to buy: the store has it all.</p>
      ) : (
        <table className="yard-table">
          <thead>
            <tr>
              <th>what</th>
              <th>together</th>
              <th>one by one</th>
              <th>for</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ product: id, together: count, alone: others }) => {
              const product = workshop.products[id]!;
              return (
                <tr key={id}>
                  <td>
                    {product.name}, {sizeOf(product)}
                  </td>
                  <td>{count ?? '…'}</td>
                  <td>{others ?? '…'}</td>
                  <td>{usedBy(id).join(', ')}</td>
                </tr>
              );
            })}
            <tr className="total">
              <td>cost</td>
              {[
                { title: 'to buy together', found: together },
                { title: 'one by one', found: alone },
              ].map(({ title, found }) => (
                <td key={title}>
                  {found ? (
                    <Explained title={title} unit={unit} of={found.cost}>
                      {money(found.cost.value)}
                    </Explained>
                  ) : (
                    '…'
                  )}
                </td>
              ))}
              <td />
            </tr>
          </tbody>
        </table>
      )}
      {together && together.bought.length > 0 && (
        <Button variant="outlined" onClick={() => download('yard.csv', 'text/csv', shoppingCsv(stockLines(together.bought, workshop, usedBy), workshop, unit))}>
          Save the list
        </Button>
      )}
    </section>
  );
}

function headline(count: number, saved: number | null, money: (amount: number) => string): string {
  if (saved === null) return 'Laying the parts out …';
  if (count === 1) return 'What one project takes';
  return saved > 0.005 ? `Bought together: ${money(saved)} saved` : 'Together they take as much as one by one';
}
