/** The lengths a board is sold in, each with its price, and one more of them. */
import { inAnotherLength, lengthSold, lengthsForSale, PRODUCT_LIMITS, type DisplayUnit, type Entered, type Product } from '@keen/core';
import Close from '@mui/icons-material/Close';
import { Button, Chip } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectOpen, selectPlan } from '../project/selectors.ts';
import { useWorkshopChange } from './useWorkshopChange.ts';

export function BoardLengths({ product, unit }: { readonly product: Product; readonly unit: DisplayUnit }) {
  const { workshop } = useAppSelector(selectOpen);
  const { parts } = useAppSelector(selectPlan);
  const save = useWorkshopChange();
  const [length, setLength] = useState<Entered | null>(null);
  const [price, setPrice] = useState<number | null>(null);
  const [round, setRound] = useState(0);
  const sold = lengthsForSale(product, workshop);
  const isKnown = length !== null && sold.some((each) => each.length.nm === length.nm);
  const add = async (): Promise<void> => {
    if (!length || price === null || isKnown) return;
    const added = inAnotherLength(product, length, price, workshop);
    if (!(await save({ ...workshop, products: { ...workshop.products, [added.id]: added } }))) return;
    setLength(null);
    setPrice(null);
    setRound(round + 1);
  };
  const drop = ({ id }: Product): void => {
    const { [id]: _gone, ...products } = workshop.products;
    void save({ ...workshop, products });
  };
  return (
    <>
      <h3>Sold in</h3>
      <ul className="readings">
        {sold.map((each) => {
          const text = `${lengthSold(each)} at ${each.price.toFixed(2)}${workshop.currency === '' ? '' : ` ${workshop.currency}`}`;
          // One that parts are made from stays.
          const isUsed = sold.length === 1 || parts.some(({ stock }) => stock === each.id);
          return (
            <li key={each.id}>
              {isUsed ? (
                <Chip size="small" label={text} />
              ) : (
                <Chip size="small" label={text} onDelete={() => drop(each)} deleteIcon={<Close aria-label={`No longer sold in ${lengthSold(each)}`} />} />
              )}
            </li>
          );
        })}
      </ul>
      <form
        key={round}
        className="add-reading"
        aria-label={`One more length of ${product.name}`}
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
      >
        <LengthField
          label="another length"
          name={`lengths.${product.id}`}
          value={length}
          unit={unit}
          least={PRODUCT_LIMITS.side.least}
          most={PRODUCT_LIMITS.side.most}
          optional
          onChange={setLength}
        />
        <NumberField label="price" name={`lengths.price.${product.id}`} unit={workshop.currency} least={0} most={1e6} value={price} onChange={setPrice} />
        <Button type="submit" variant="outlined" disabled={!length || price === null || isKnown}>
          Add it
        </Button>
      </form>
      {isKnown && <p className="quiet">It is sold in that length already.</p>}
      {sold.length > 1 && <p className="quiet">Parts are cut from the mix of lengths that costs least.</p>}
    </>
  );
}
