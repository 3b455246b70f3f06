/** Readings as they come from the caliper: each is kept the moment it arrives, whatever happens to the caliper after. */
import { enteredFromNm, exactTextWithUnit, toMm, type DisplayUnit, type Entered, type Length, type Product } from '@keen/core';
import { Alert, Button } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { deviceLines } from '../../app/deviceLines.ts';

const PLACES = 5;

interface CaliperReadingsProps {
  readonly product: Product;
  readonly unit: DisplayUnit;
  /** What can be a reading of this sheet. */
  readonly least: Length;
  readonly most: Length;
  readonly onReading: (value: Entered) => void;
}

export function CaliperReadings({ product, unit, least, most, onReading }: CaliperReadingsProps) {
  const [taken, setTaken] = useState<number | null>(null);
  const [said, setSaid] = useState<{ readonly text: string; readonly missing: number } | null>(null);
  const running = useRef<AbortController | null>(null);
  // A stream outlives the drawing it was begun in: each reading goes to the newest listener.
  const latest = useRef(onReading);
  useEffect(() => {
    latest.current = onReading;
  });
  const measure = async (places: number): Promise<void> => {
    const abort = new AbortController();
    running.current = abort;
    let [kept, refused] = [0, 0];
    setSaid(null);
    setTaken(0);
    const ended = await deviceLines(`caliper/readings?nominal=${toMm(product.nominal.nm)}&places=${places}`, 'caliper', abort.signal, (event) => {
      const nm = event.type === 'reading' ? Math.round(Number(event['mm']) * 1000) * 1000 : NaN;
      if (!(nm >= least && nm <= most)) return void refused++;
      latest.current(enteredFromNm(nm));
      setTaken(++kept);
    });
    running.current = null;
    setTaken(null);
    const words = [
      ended.kind === 'away' ? `${ended.message}.` : '',
      ended.kind === 'lost' ? `The caliper ${ended.why === 'silent' ? 'fell silent' : 'was lost'} after ${kept}; they are kept.` : '',
      ended.kind === 'stopped' ? `Stopped after ${kept}; they are kept.` : '',
      refused > 0
        ? `${refused} ${refused === 1 ? 'line was' : 'lines were'} no reading of this sheet (${exactTextWithUnit(least, unit)} to ${exactTextWithUnit(most, unit)}) and not kept.`
        : '',
      ended.kind === 'end' && ended.batteryLow ? 'Its battery is low.' : '',
    ].filter((text) => text !== '');
    const missing = ended.kind === 'end' || ended.kind === 'away' ? 0 : places - kept;
    if (words.length > 0) setSaid({ text: capital(words.join(' ')), missing });
  };
  return (
    <div className="caliper">
      {taken === null ? (
        <Button variant="outlined" size="small" onClick={() => void measure(PLACES)}>
          Read {PLACES} places with the caliper
        </Button>
      ) : (
        <>
          <span role="status">{taken} read …</span>{' '}
          <Button size="small" onClick={() => running.current?.abort()}>
            Stop
          </Button>
        </>
      )}
      {said && (
        <Alert
          severity="warning"
          action={
            said.missing > 0 ? (
              <Button color="inherit" size="small" onClick={() => void measure(said.missing)}>
                Read the other {said.missing}
              </Button>
            ) : undefined
          }
        >
          {said.text}
        </Alert>
      )}
    </div>
  );
}

const capital = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase());
