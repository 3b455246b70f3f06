/** Stock: out of what? Thickness readings as a strip chart, offcuts, the saw and what one person lifts. */
import {
  entered,
  exactTextWithUnit,
  PLAUSIBLE_SHARE,
  readEntered,
  standingReadings,
  thicknessOf,
  toMm,
  type Entered,
  type Length,
  type Product,
  type RecordEntry,
} from '@keen/core';
import Close from '@mui/icons-material/Close';
import { Button, Chip } from '@mui/material';
import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { entryAdded } from '../project/project.slice.ts';
import { selectOpen, selectPlan, type ShownUnit } from '../project/selectors.ts';
import { CaliperReadings } from './CaliperReadings.tsx';
import { WorkshopForms } from './WorkshopForms.tsx';

export function StockStation({ shown }: { readonly shown: ShownUnit }) {
  const { workshop, record } = useAppSelector(selectOpen);
  const { parts } = useAppSelector(selectPlan);
  const used = [...new Set(parts.map(({ stock }) => stock))].map((id) => workshop.products[id]!);
  const readings = standingReadings(record);
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
      <WorkshopForms />
    </div>
  );
}

function StockCard({ product, shown }: { readonly product: Product; readonly shown: ShownUnit }) {
  const { record } = useAppSelector(selectOpen);
  const chosen = useAppSelector(({ view }) => view.unit);
  const unit = chosen ?? product.unit;
  const used = thicknessOf(product, standingReadings(record));
  const withdrawn = new Set(record.map(({ withdraws }) => withdraws));
  const own = record.filter((entry) => entry.reading?.product === product.id && !withdrawn.has(entry.id));
  const inThis = shown.plan.parts.some(({ stock }) => stock === product.id);
  return (
    <section className="stock-card" aria-label={product.name}>
      <header>
        <h2>{product.name}</h2>
        <span className="kind">
          <LengthText value={product.length.nm} unit={unit} /> × <LengthText value={product.width.nm} unit={unit} withUnit />
          {inThis ? '' : ', not in this cabinet'}
        </span>
      </header>
      <p className="big-number">
        <LengthText value={used.value} unit={unit} exact withUnit />
        <span className="second">
          {' '}
          {used.readings === 0
            ? 'as named, not measured'
            : used.readings === 1
              ? 'one reading; take a second'
              : `mean of ${used.readings}, spread ${exactTextWithUnit(used.spread, unit)}`}
        </span>
      </p>
      <StripChart nominal={used.nominal} values={own.map(({ reading }) => reading!.value.nm)} />
      <Readings entries={own} unit={unit} />
      <AddReading product={product} unit={unit} />
      {product.kind === 'sheet' && <CaliperReadings product={product} unit={unit} {...plausible(product)} />}
    </section>
  );
}

/** Readings along a scale of a millimetre each way about the name: each a tick, the mean a triangle. */
function StripChart({ nominal, values }: { readonly nominal: Length; readonly values: readonly Length[] }) {
  const reach = Math.max(0.6, ...values.map((value) => Math.abs(toMm(value) - toMm(nominal)) * 1.2));
  const x = (value: number): number => 150 + ((value - toMm(nominal)) / reach) * 140;
  const mean = values.length > 0 ? values.reduce<number>((sum, value) => sum + toMm(value), 0) / values.length : undefined;
  return (
    <svg
      className="strip-chart"
      viewBox="0 0 300 46"
      role="img"
      aria-label={values.length === 0 ? 'no readings yet' : `${values.length} readings about the nominal`}
    >
      <path className="axis" d="M6 26 H294" />
      <path className="nominal" d={`M${x(toMm(nominal))} 10 V34`} />
      <text x={x(toMm(nominal))} y={44}>
        name
      </text>
      {values.map((value, index) => (
        <path key={index} className="reading-tick" d={`M${x(toMm(value))} 18 V34`} />
      ))}
      {mean !== undefined && <path className="mean" d={`M${x(mean)} 17 l-5 -9 h10 z`} />}
    </svg>
  );
}

function Readings({ entries, unit }: { readonly entries: readonly RecordEntry[]; readonly unit: 'mm' | 'in' }) {
  const dispatch = useAppDispatch();
  const withdraw = (id: string): void => void dispatch(entryAdded({ id: crypto.randomUUID(), at: new Date().toISOString(), kind: 'withdrawn', withdraws: id }));
  if (entries.length === 0) return <p className="quiet">Measure in two places at least, on the very sheets you will cut.</p>;
  return (
    <ul className="readings">
      {entries.map((entry) => {
        const text = exactTextWithUnit(entry.reading!.value.nm, unit);
        return (
          <li key={entry.id}>
            <Chip size="small" label={text} onDelete={() => withdraw(entry.id)} deleteIcon={<Close aria-label={`Take back the reading ${text}`} />} />
          </li>
        );
      })}
    </ul>
  );
}

/** What can be a reading of a sheet of this name. */
const plausible = ({ nominal }: Product): { readonly least: Length; readonly most: Length } => ({
  least: Math.round(nominal.nm * (1 - PLAUSIBLE_SHARE)) as Length,
  most: Math.round(nominal.nm * (1 + PLAUSIBLE_SHARE)) as Length,
});

function AddReading({ product, unit }: { readonly product: Product; readonly unit: 'mm' | 'in' }) {
  const dispatch = useAppDispatch();
  const [value, setValue] = useState<Entered | null>(null);
  const [round, setRound] = useState(0);
  const { least, most } = plausible(product);
  const add = (): void => {
    if (!value || !readEntered(value.text).ok) return;
    dispatch(
      entryAdded({ id: crypto.randomUUID(), at: new Date().toISOString(), kind: 'thickness', reading: { product: product.id, value: entered(value.text) } }),
    );
    setValue(null);
    setRound(round + 1);
  };
  return (
    <form
      className="add-reading"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <LengthField
        key={round}
        label={`reading on ${product.name}`}
        name={`reading.${product.id}`}
        value={value}
        unit={unit}
        least={least}
        most={most}
        optional
        onChange={setValue}
      />
      <Button type="submit" variant="outlined" disabled={!value}>
        Add
      </Button>
    </form>
  );
}
