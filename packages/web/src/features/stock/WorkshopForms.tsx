/** The workshop itself, shared by all projects: machines, prices, the store. Saved as it is changed, on its own. */
import type { Workshop } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectOpen, selectPlan } from '../project/selectors.ts';
import { AddToStore } from './AddToStore.tsx';
import { PriceList } from './PriceList.tsx';
import { StoreList } from './StoreList.tsx';
import { ShopForm } from './ShopForm.tsx';
import { useWorkshopChange } from './useWorkshopChange.ts';

export function WorkshopForms() {
  const { workshop, workshopRevision } = useAppSelector(selectOpen);
  return (
    <section className="workshop" aria-label="Workshop">
      <h2>The workshop</h2>
      <p className="kind">shared by all projects</p>
      <ShopForm key={`shop ${workshopRevision}`} workshop={workshop} />
      <Prices key={`prices ${workshopRevision}`} workshop={workshop} />
      <PriceList />
      <StoreList />
      <AddToStore workshop={workshop} />
    </section>
  );
}

function Prices({ workshop }: { readonly workshop: Workshop }) {
  const { parts } = useAppSelector(selectPlan);
  const save = useWorkshopChange();
  const [products, setProducts] = useState(workshop.products);
  const used = [...new Set(parts.map(({ stock }) => stock))].map((id) => products[id]!);
  return (
    <form
      className="fields four"
      aria-label="Prices"
      onSubmit={(event) => {
        event.preventDefault();
        void save({ ...workshop, products });
      }}
    >
      {used.map((product) => (
        <NumberField
          key={product.id}
          label={product.name}
          name={`price.${product.id}`}
          unit={workshop.currency}
          least={0}
          most={1e6}
          value={product.price}
          onChange={(price) => price !== null && setProducts({ ...products, [product.id]: { ...product, price } })}
        />
      ))}
      <Button type="submit" variant="outlined" disabled={products === workshop.products}>
        Save the prices
      </Button>
    </form>
  );
}
