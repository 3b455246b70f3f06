/** Stock: out of what? Thickness readings as a strip chart, offcuts, the saw and what one person lifts. */
import { shopFacts, thicknessOf } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { ShoppingList } from './ShoppingList.tsx';
import { StockCard } from './StockCard.tsx';
import { WorkshopForms } from './WorkshopForms.tsx';

export function StockStation({ shown }: { readonly shown: ShownCabinet }) {
  const { workshop, record } = useAppSelector(selectOpen);
  const { parts } = useAppSelector(selectPlan);
  const used = [...new Set(parts.map(({ stock }) => stock))].map((id) => workshop.products[id]!);
  const readings = shopFacts(record).readings;
  const unmeasured = used.filter((product) => product.kind === 'sheet' && thicknessOf(product, readings).readings < 2).length;
  return (
    <div className="station-body scroll">
      <h1>
        {unmeasured === 0
          ? 'Every sheet in use has been measured.'
          : `${unmeasured} of ${used.length} kinds in use ${unmeasured === 1 ? 'wants' : 'want'} a caliper.`}
      </h1>
      <p className="lead">Parts and slots are made to the mean of the readings; without one, to the name on the sheet.</p>
      <div className="stock-cards">
        {used.map((product) => (
          <StockCard key={product.id} product={product} shown={shown} />
        ))}
      </div>
      <ShoppingList shown={shown} />
      <WorkshopForms />
    </div>
  );
}
