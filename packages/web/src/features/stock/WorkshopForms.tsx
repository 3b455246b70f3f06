/** The workshop, shared by all projects: machines, prices, stock on hand. Saved on its own, with each change. */
import { lengthsForSale, MAX_TAX, nameInLists, type Workshop } from '@keen/core';
import { Button, FormControlLabel, Switch, TextField } from '@mui/material';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectOpen, selectPlan } from '../project/selectors.ts';
import { AddToStore } from './AddToStore.tsx';
import { PriceList } from './PriceList.tsx';
import { StoreList } from './StoreList.tsx';
import { ShopForm } from './ShopForm.tsx';
import { useDraft } from './useDraft.ts';
import { useWorkshopChange } from './useWorkshopChange.ts';

/** As the file keeps it. */
const CURRENCY_LENGTH = 8;

export function WorkshopForms() {
  const { workshop } = useAppSelector(selectOpen);
  return (
    <section className="workshop" aria-label="Workshop">
      <h2>The workshop</h2>
      <p className="kind">shared by all projects</p>
      <ShopForm workshop={workshop} />
      <Prices workshop={workshop} />
      <PriceList />
      <StoreList />
      <AddToStore workshop={workshop} />
    </section>
  );
}

function Prices({ workshop }: { readonly workshop: Workshop }) {
  const { parts } = useAppSelector(selectPlan);
  const save = useWorkshopChange();
  const [products, setProducts] = useDraft(workshop.products);
  const { currency, tax } = workshop;
  const asSaved = useMemo(() => ({ currency, tax }), [currency, tax]);
  const [money, setMoney] = useDraft(asSaved);
  const changed = products !== workshop.products || money !== asSaved;
  // Any length a board is sold in may be bought.
  const used = [...new Set(parts.flatMap(({ stock }) => lengthsForSale(products[stock]!, { products }).map(({ id }) => id)))].map((id) => products[id]!);
  return (
    <form
      className="fields four"
      aria-label="Prices"
      onSubmit={(event) => {
        event.preventDefault();
        void save({ ...workshop, ...money, products });
      }}
    >
      {used.map((product) => (
        <NumberField
          key={product.id}
          label={nameInLists(product, { products })}
          name={`price.${product.id}`}
          unit={money.currency}
          least={0}
          most={1e6}
          value={product.price}
          onChange={(price) => price !== null && setProducts({ ...products, [product.id]: { ...product, price } })}
        />
      ))}
      <TextField
        label="currency"
        value={money.currency}
        onChange={({ target }) => setMoney({ ...money, currency: target.value.slice(0, CURRENCY_LENGTH) })}
        slotProps={{ htmlInput: { 'data-field': 'currency', autoComplete: 'off', maxLength: CURRENCY_LENGTH }, inputLabel: { shrink: true } }}
      />
      <NumberField
        label="tax on what is bought"
        name="tax"
        unit="%"
        least={0}
        most={MAX_TAX}
        value={money.tax.percent}
        onChange={(percent) => percent !== null && setMoney({ ...money, tax: { ...money.tax, percent } })}
      />
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={money.tax.included}
            onChange={(event) => setMoney({ ...money, tax: { ...money.tax, included: event.target.checked } })}
          />
        }
        label="prices have it in them"
      />
      <Button type="submit" variant="outlined" disabled={!changed}>
        Save the prices
      </Button>
    </form>
  );
}
