/** What to buy: sheets and boards, from whom, for how much, and what else would do: three of these or two larger ones. */
import { boughtAs, createPlanner, fitsCar, isSameSize, offersOf, whatIfs, type Entered, type Offer, type Product, type Workshop } from '@keen/core';
import { Alert, Button } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { merchantCatalogue, merchantPrices, type Catalogue, type PriceRow } from '../../app/merchant.ts';
import { useAppSelector } from '../../app/store.ts';
import { Explained } from '../../ui/Explained.tsx';
import { selectLearned, selectOpen, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import type { WayFigures } from '../sheets/nest.worker.ts';
import { useNests } from '../sheets/useNests.tsx';
import { usePurchases } from '../sheets/usePurchases.ts';
import { heardWords } from '../sheets/WhatIfs.tsx';
import { pastPrices } from './pastPrices.ts';
import { SmallThings } from './SmallThings.tsx';
import { useWorkshopChange } from './useWorkshopChange.ts';

const planner = createPlanner();

/** What an offer comes to for the whole project, beside what it is now. */
interface Instead {
  readonly product: string;
  readonly offer: Offer;
  readonly figures: WayFigures | null;
}

export function ShoppingList({ shown }: { readonly shown: ShownCabinet }) {
  const { workshop: whole, design, record } = useAppSelector(selectOpen);
  const { workshop } = useAppSelector(selectLearned);
  const { figures } = useNests();
  const unit = useDisplayUnit();
  const save = useWorkshopChange();
  const [heard, setHeard] = useState<Catalogue | string | null>(null);
  const [past, setPast] = useState<readonly PriceRow[]>([]);
  const [instead, setInstead] = useState<{ readonly now: WayFigures | null; readonly rows: readonly Instead[] } | null>(null);
  useEffect(() => {
    let gone = false;
    const ask = async (): Promise<void> => {
      const catalogue = await merchantCatalogue();
      if (!gone) setHeard(catalogue);
      const prices = await merchantPrices();
      if (!gone) setPast(prices);
    };
    void ask();
    return () => {
      gone = true;
    };
  }, []);
  /** Which comparison goes on: one that was left for a purchase or a later one shows nothing any more. */
  const comparing = useRef(0);
  const offers = heard === null || typeof heard === 'string' ? [] : heard.offers;
  const { rows, cost } = usePurchases();
  const compare = async (): Promise<void> => {
    const asked = whatIfs({ planner, design, record, workshop, offers, unit: shown.spec.id }).filter(
      ({ change }) => change.what === 'as-is' || change.what === 'offer',
    );
    const own = ++comparing.current;
    let now: WayFigures | null = null;
    const rows: Instead[] = [];
    setInstead({ now, rows });
    for (const { change, jobs, workshop: theirs } of asked) {
      const found = await figures(jobs, theirs);
      if (comparing.current !== own) return;
      if (change.what === 'offer') rows.push({ product: change.product, offer: change.offer, figures: found });
      else now = found;
      setInstead({ now, rows: [...rows] });
    }
  };
  const take = (product: Product, offer: Offer): void => {
    comparing.current++;
    setInstead(null);
    void save({ ...whole, products: { ...whole.products, [product.id]: boughtAs(product, offer) } });
  };
  return (
    <section className="shopping" aria-label="What to buy">
      <h2>What to buy</h2>
      {rows.length === 0 ? (
        <p className="quiet">Nothing: the store has it all.</p>
      ) : (
        <table className="sum-table plain">
          <thead>
            <tr>
              <th>what</th>
              <th>how many</th>
              <th>money</th>
              <th>at the merchant’s</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ product: id, count }) => {
              const product = workshop.products[id]!;
              return (
                <tr key={id}>
                  <td>
                    {product.name}, {sizeOf(product)}
                  </td>
                  <td data-label="how many">{count}</td>
                  <td data-label="money">{(count * product.price).toFixed(2)}</td>
                  <td>
                    <AtMerchant product={product} count={count} offers={offers} past={past} workshop={workshop} onPrice={take} />
                  </td>
                </tr>
              );
            })}
            <tr className="total">
              <td>in all{workshop.tax.included || workshop.tax.percent === 0 ? '' : `, with ${workshop.tax.percent} % tax`}</td>
              <td />
              <td>
                {cost && (
                  <Explained title="to buy in all" unit={unit} of={cost}>
                    {cost.value.toFixed(2)} {workshop.currency}
                  </Explained>
                )}
              </td>
              <td />
            </tr>
          </tbody>
        </table>
      )}
      <SmallThings />
      {typeof heard === 'string' && <Alert severity="warning">No merchant’s prices: {heard}</Alert>}
      {heard !== null && typeof heard !== 'string' && (
        <p className="quiet">
          {heardWords(heard)}{' '}
          <Button size="small" disabled={instead !== null && instead.rows.length === 0} onClick={() => void compare()}>
            Other sizes instead?
          </Button>
        </p>
      )}
      {instead && (
        <table className="sum-table plain">
          <thead>
            <tr>
              <th>instead</th>
              <th>sheets in all</th>
              <th>money</th>
              <th>at the merchant’s</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {instead.rows.map(({ product, offer, figures: each }) => (
              <tr key={`${product} ${offer.id}`}>
                <td>
                  {workshop.products[product]!.name} in {sizeOf(offer)}
                </td>
                <td data-label="sheets in all">{each ? (each.unplaced > 0 ? `${each.unplaced} parts do not go on` : each.sheets) : '…'}</td>
                <td data-label="money">{each ? `${each.cost.toFixed(2)}${moreWords(each, instead.now)}` : '…'}</td>
                <td>
                  {offer.inStock === 0 ? `out of stock, ${offer.leadDays} days` : `${offer.inStock} in stock`}
                  {fitsCar(workshop, offer) ? '' : ', not in the car whole'}
                </td>
                <td>
                  {each && each.unplaced === 0 && (
                    <Button size="small" onClick={() => take(workshop.products[product]!, offer)} aria-label={`Buy ${sizeOf(offer)}`}>
                      Buy this size
                    </Button>
                  )}
                </td>
              </tr>
            ))}
            {instead.rows.length === 0 && (
              <tr>
                <td colSpan={5} className="quiet">
                  laying the parts out …
                </td>
              </tr>
            )}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** In the unit it is sold in. */
const sizeOf = ({ length, width }: { readonly length: Entered; readonly width: Entered }): string => `${length.text} × ${width.text}`;

function moreWords(each: WayFigures, now: WayFigures | null): string {
  const more = now ? each.cost - now.cost : 0;
  return Math.abs(more) < 0.005 ? '' : `, ${Math.abs(more).toFixed(2)} ${more > 0 ? 'more' : 'less'}`;
}

interface AtMerchantProps {
  readonly product: Product;
  readonly count: number;
  readonly offers: readonly Offer[];
  /** What was asked before. */
  readonly past: readonly PriceRow[];
  readonly workshop: Workshop;
  readonly onPrice: (product: Product, offer: Offer) => void;
}

/** The same sheet at the merchant's: whether there are enough, and whether the price is still the one that is reckoned with. */
function AtMerchant({ product, count, offers, past, workshop, onPrice }: AtMerchantProps) {
  const offer = offersOf(product, offers).find((each) => isSameSize(product, each));
  if (!offer) return <span className="quiet">not offered</span>;
  const short = count - offer.inStock;
  const before = pastPrices(offer.id, past);
  return (
    <>
      {offer.price.toFixed(2)} each,{' '}
      {short > 0 ? (
        <strong className="danger">
          {offer.inStock} in stock, {short} in {offer.leadDays} days
        </strong>
      ) : (
        `${offer.inStock} in stock`
      )}
      {fitsCar(workshop, offer) ? '' : ', not in the car whole'}
      {before !== '' && <span className="quiet past-prices"> ({before})</span>}
      {offer.price !== product.price && (
        <>
          {' '}
          <Button size="small" onClick={() => onPrice(product, offer)} aria-label={`Reckon ${product.name} at ${offer.price.toFixed(2)}`}>
            Reckon with it
          </Button>
        </>
      )}
    </>
  );
}
