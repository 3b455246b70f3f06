/** Taking readings: which sheet, where on it, typed or from the caliper. After each the next place is chosen. */
import {
  entered,
  PLAUSIBLE_SHARE,
  readEntered,
  SHEET_PLACES,
  shopFacts,
  type DisplayUnit,
  type Entered,
  type Length,
  type Product,
  type SheetPlace,
  type ThicknessReading,
} from '@keen/core';
import { Button, TextField } from '@mui/material';
import { useRef, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { selectOpen } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';
import { CaliperReadings } from './CaliperReadings.tsx';
import { PLACE_WORDS } from './placeWords.ts';

/** Once round the sheet: what a person walks. */
const ROUND: readonly SheetPlace[] = ['near-left', 'near', 'near-right', 'right', 'far-right', 'far', 'far-left', 'left', 'middle'];

/** What can be a reading of a sheet of this name. */
const plausible = ({ nominal }: Product): { readonly least: Length; readonly most: Length } => ({
  least: Math.round(nominal.nm * (1 - PLAUSIBLE_SHARE)) as Length,
  most: Math.round(nominal.nm * (1 + PLAUSIBLE_SHARE)) as Length,
});

export function TakeReadings({ product, unit }: { readonly product: Product; readonly unit: DisplayUnit }) {
  const { record } = useAppSelector(selectOpen);
  const { add } = useRecord();
  const [value, setValue] = useState<Entered | null>(null);
  const [round, setRound] = useState(0);
  const [sheet, setSheet] = useState('');
  const [chosen, setChosen] = useState<SheetPlace | null>(null);
  const { least, most } = plausible(product);
  const name = sheet.trim();
  const own = shopFacts(record).readings.filter((reading) => reading.product === product.id && reading.sheet === name);
  const isRead = new Set(own.map(({ place }) => place));
  /** Readings of a stream come faster than the page is drawn: places are counted here. */
  const streamed = useRef<SheetPlace[]>([]);
  const nextAfter = (taken: readonly (SheetPlace | undefined)[]): SheetPlace => ROUND.find((place) => !isRead.has(place) && !taken.includes(place)) ?? 'middle';
  const place = chosen ?? nextAfter([]);
  const reading = (measured: Entered, at: SheetPlace): ThicknessReading =>
    name === '' ? { product: product.id, value: measured } : { product: product.id, value: measured, sheet: name, place: at };
  const take = (): void => {
    if (!value || !readEntered(value.text).ok) return;
    add({ kind: 'thickness', reading: reading(entered(value.text), place) });
    setValue(null);
    setChosen(null);
    setRound(round + 1);
  };
  return (
    <>
      <form
        className="add-reading"
        onSubmit={(event) => {
          event.preventDefault();
          take();
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
      {product.kind === 'sheet' && (
        <TextField
          className="sheet-name"
          label="written on the sheet"
          size="small"
          value={sheet}
          placeholder="any of the lot"
          slotProps={{ htmlInput: { maxLength: 40, 'data-field': `reading-sheet.${product.id}` }, inputLabel: { shrink: true } }}
          onChange={(event) => {
            streamed.current = [];
            setSheet(event.target.value);
          }}
        />
      )}
      {name !== '' && <PlacePicker sheet={name} place={place} isRead={isRead} onPick={setChosen} />}
      {product.kind === 'sheet' && (
        <CaliperReadings
          product={product}
          unit={unit}
          least={least}
          most={most}
          onReading={(measured) => {
            const at = nextAfter(streamed.current);
            streamed.current.push(at);
            add({ kind: 'thickness', reading: reading(measured, at) });
          }}
        />
      )}
    </>
  );
}

interface PlacePickerProps {
  readonly sheet: string;
  readonly place: SheetPlace;
  readonly isRead: ReadonlySet<SheetPlace | undefined>;
  readonly onPick: (place: SheetPlace) => void;
}

/** A sheet as it lies on the bench: nine places to measure, those that are read filled. */
function PlacePicker({ sheet, place, isRead, onPick }: PlacePickerProps) {
  return (
    <div className="place-picker" role="radiogroup" aria-label={`Where on sheet ${sheet}`}>
      {SHEET_PLACES.map((each) => (
        <button
          key={each}
          type="button"
          role="radio"
          aria-checked={each === place}
          aria-label={`${PLACE_WORDS[each]}${isRead.has(each) ? ', read' : ''}`}
          className={isRead.has(each) ? 'read' : ''}
          onClick={() => onPick(each)}
        />
      ))}
      <span className="quiet">{PLACE_WORDS[place]}</span>
    </div>
  );
}
