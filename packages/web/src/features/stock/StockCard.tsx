/** One kind of stock: what it measures, reading by reading along a scale, sheet by sheet. */
import {
  exactTextWithUnit,
  sheetsMeasured,
  shopFacts,
  thicknessOf,
  toMm,
  type DisplayUnit,
  type Length,
  type Product,
  type EntryOf,
  type SheetMeasured,
} from '@keen/core';
import Close from '@mui/icons-material/Close';
import { Chip } from '@mui/material';
import { useAppSelector } from '../../app/store.ts';
import { LengthText } from '../../ui/LengthText.tsx';
import { selectOpen, type ShownCabinet } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';
import { BoardLengths } from './BoardLengths.tsx';
import { PLACE_WORDS } from './placeWords.ts';
import { TakeReadings } from './TakeReadings.tsx';

export function StockCard({ product, shown }: { readonly product: Product; readonly shown: ShownCabinet }) {
  const { record } = useAppSelector(selectOpen);
  const chosen = useAppSelector(({ view }) => view.unit);
  const unit = chosen ?? product.unit;
  const facts = shopFacts(record);
  const used = thicknessOf(product, facts.readings);
  const own = facts.of.thickness.filter(({ reading }) => reading.product === product.id);
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
      <StripChart nominal={used.nominal} values={own.map(({ reading }) => reading.value.nm)} />
      <Readings entries={own.filter(({ reading }) => reading.sheet === undefined)} unit={unit} />
      {own.length === 0 && <p className="quiet">Measure in two places at least, on the very {product.kind === 'board' ? 'boards' : 'sheets'} you will cut.</p>}
      {sheetsMeasured(product.id, facts.readings).flatMap((measured) =>
        measured.sheet === null
          ? []
          : [
              <div key={measured.sheet} className="sheet-summary">
                <p>{summaryWords(measured, unit)}</p>
                <Readings entries={own.filter(({ reading }) => reading.sheet === measured.sheet)} unit={unit} />
              </div>,
            ],
      )}
      {product.kind === 'board' && <BoardLengths product={product} unit={unit} />}
      <TakeReadings product={product} unit={unit} />
    </section>
  );
}

/** Readings along a scale of a millimeter each way about the name: each a tick, the mean a triangle. */
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

function Readings({ entries, unit }: { readonly entries: readonly EntryOf<'thickness'>[]; readonly unit: DisplayUnit }) {
  const { withdraw } = useRecord();
  if (entries.length === 0) return null;
  return (
    <ul className="readings">
      {entries.map((entry) => {
        const { value, place } = entry.reading;
        const text = `${exactTextWithUnit(value.nm, unit)}${place === undefined ? '' : ` ${PLACE_WORDS[place]}`}`;
        return (
          <li key={entry.id}>
            <Chip size="small" label={text} onDelete={() => withdraw(entry.id)} deleteIcon={<Close aria-label={`Take back the reading ${text}`} />} />
          </li>
        );
      })}
    </ul>
  );
}

const EDGE_WORDS = { left: 'left end', right: 'right end', near: 'near edge', far: 'far edge' } as const;

function summaryWords({ sheet, mean, readings, spread, trend }: SheetMeasured, unit: DisplayUnit): string {
  const count = readings.length === 1 ? 'one reading' : `mean of ${readings.length}, spread ${exactTextWithUnit(spread, unit)}`;
  const grows = trend ? `; ${exactTextWithUnit(trend.by, unit)} thicker towards the ${EDGE_WORDS[trend.towards]}` : '';
  return `Sheet ${sheet}: ${exactTextWithUnit(mean, unit)}, ${count}${grows}`;
}
