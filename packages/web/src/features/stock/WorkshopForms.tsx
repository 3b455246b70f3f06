/** The workshop itself, shared by all projects: machines, prices, offcuts. Saved as it is changed, on its own. */
import { entered, mm, type Entered, type Offcut, type Workshop } from '@keen/core';
import { Button, FormControlLabel, Switch, TextField } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectOpen, selectPlan, useDisplayUnit } from '../project/selectors.ts';
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
      <Offcuts workshop={workshop} />
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
      onSubmit={(event) => {
        event.preventDefault();
        void save({ ...workshop, products });
      }}
    >
      {used.map((product) => (
        <NumberField
          key={product.id}
          label={`price, ${product.name}`}
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

function Offcuts({ workshop }: { readonly workshop: Workshop }) {
  const unit = useDisplayUnit();
  const save = useWorkshopChange();
  const products = Object.values(workshop.products);
  const [product, setProduct] = useState(products[0]?.id ?? '');
  const [flawFrom, setFlawFrom] = useState<Entered | null>(null);
  const [flawTo, setFlawTo] = useState<Entered | null>(null);
  const board = workshop.products[product]?.kind === 'board';
  const [length, setLength] = useState<Entered | null>(null);
  const [width, setWidth] = useState<Entered | null>(null);
  const [place, setPlace] = useState('');
  const [crooked, setCrooked] = useState(false);
  const [round, setRound] = useState(0);
  const rows = Object.values(workshop.offcuts);
  const add = async (): Promise<void> => {
    if (!length || !width) return;
    const number = 1 + Math.max(0, ...rows.map(({ id }) => Number(/^offcut-(\d+)$/.exec(id)?.[1] ?? 0)));
    const flaws = board && flawFrom && flawTo ? { flaws: { f1: { id: 'f1', from: entered(flawFrom.text), to: entered(flawTo.text) } } } : {};
    const offcut: Offcut = {
      id: `offcut-${number}`,
      product,
      length: entered(length.text),
      width: entered(width.text),
      ...flaws,
      ...(place.trim() === '' ? {} : { place: place.trim() }),
      ...(crooked && !board ? { crooked } : {}),
    };
    if (await save({ ...workshop, offcuts: { ...workshop.offcuts, [offcut.id]: offcut } })) {
      setLength(null);
      setWidth(null);
      setFlawFrom(null);
      setFlawTo(null);
      setPlace('');
      setCrooked(false);
      setRound(round + 1);
    }
  };
  return (
    <>
      <h3>Offcuts and lengths at hand, used before new ones</h3>
      <ul className="offcuts">
        {rows.map((offcut) => (
          <li key={offcut.id}>
            {offcut.id.replace('-', ' ')}: {workshop.products[offcut.product]?.name}, <LengthText value={offcut.length.nm} unit={unit} /> ×{' '}
            <LengthText value={offcut.width.nm} unit={unit} withUnit />
            {Object.values(offcut.flaws ?? {}).map(({ id, from, to }) => (
              <span key={id}>
                {', '}flaw <LengthText value={from.nm} unit={unit} /> to <LengthText value={to.nm} unit={unit} withUnit />
              </span>
            ))}
            {offcut.crooked && ', no straight edge'}
            {offcut.place !== undefined && `, ${offcut.place}`}
            <Button
              onClick={() => void save({ ...workshop, offcuts: Object.fromEntries(Object.entries(workshop.offcuts).filter(([id]) => id !== offcut.id)) })}
              aria-label={`Take ${offcut.id.replace('-', ' ')} out of the store`}
            >
              Take out
            </Button>
          </li>
        ))}
        {rows.length === 0 && <li className="quiet">none</li>}
      </ul>
      <form
        key={round}
        className="fields four"
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
      >
        <ChoiceField label="offcut of" value={product} options={products.map(({ id, name }) => ({ value: id, label: name }))} onChange={setProduct} />
        <LengthField label="along the grain" name="offcut.length" value={length} unit={unit} least={mm(20)} most={mm(5000)} optional onChange={setLength} />
        <LengthField label="across it" name="offcut.width" value={width} unit={unit} least={mm(20)} most={mm(5000)} optional onChange={setWidth} />
        <TextField
          label="kept where"
          value={place}
          onChange={(event) => setPlace(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 80, 'data-field': 'offcut.place' }, inputLabel: { shrink: true } }}
        />
        {!board && <FormControlLabel control={<Switch checked={crooked} onChange={(event) => setCrooked(event.target.checked)} />} label="no straight edge" />}
        {board && (
          <>
            <LengthField label="flaw from" name="offcut.flaw.from" value={flawFrom} unit={unit} least={mm(0)} most={mm(5000)} optional onChange={setFlawFrom} />
            <LengthField label="flaw to" name="offcut.flaw.to" value={flawTo} unit={unit} least={mm(0)} most={mm(5000)} optional onChange={setFlawTo} />
          </>
        )}
        <Button type="submit" variant="outlined" disabled={!length || !width}>
          Add the offcut
        </Button>
      </form>
    </>
  );
}
