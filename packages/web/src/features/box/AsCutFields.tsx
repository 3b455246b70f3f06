/** Measured size of a part: measured dimensions are kept, and joints not yet cut follow. */
import { enteredFromNm, mm, shopFacts, type AsCut, type DisplayUnit, type Entered, type PartLine, type ResolvedPanel } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { selectOpen } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';

const MEASURES = ['length', 'width', 'thickness'] as const;
type Measure = (typeof MEASURES)[number];

/** Limits, mm. */
const MOST: Readonly<Record<Measure, number>> = { length: 6000, width: 3000, thickness: 200 };

interface AsCutFieldsProps {
  readonly panel: ResolvedPanel;
  readonly line: PartLine;
  readonly unit: DisplayUnit;
  /** Expanded from the start. */
  readonly open?: boolean;
}

export function AsCutFields({ panel, line, unit, open = false }: AsCutFieldsProps) {
  const { record } = useAppSelector(selectOpen);
  const { add, withdraw } = useRecord();
  const known = shopFacts(record).asCut.get(panel.id);
  const [typed, setTyped] = useState<Partial<Record<Measure, Entered>>>({});
  const [round, setRound] = useState(0);
  const keep = (asCut: AsCut): void => {
    const planned = {
      ...(asCut.length ? { length: enteredFromNm(line.length.value) } : {}),
      ...(asCut.width ? { width: enteredFromNm(line.width.value) } : {}),
    };
    add({ kind: 'as-cut', asCut: Object.keys(planned).length > 0 ? { ...asCut, planned } : asCut });
    setTyped({});
    setRound(round + 1);
  };
  return (
    <details open={open}>
      <summary>{known ? 'Cut, as it came out' : 'Cut? As it came off the saw'}</summary>
      {known && (
        <p className="as-cut">
          {MEASURES.flatMap((measure) => {
            const value = known.cut[measure];
            return value
              ? [
                  <span key={measure}>
                    {measure} <LengthText value={value.nm} unit={unit} exact withUnit />{' '}
                  </span>,
                ]
              : [];
          })}
          <Button size="small" onClick={() => known.entries.forEach(withdraw)}>
            Not cut after all
          </Button>
        </p>
      )}
      <form
        className="fields"
        onSubmit={(event) => {
          event.preventDefault();
          if (Object.keys(typed).length > 0) keep({ panel: panel.id, ...typed });
        }}
      >
        {MEASURES.map((measure) => (
          <LengthField
            key={`${measure} ${round}`}
            label={`${measure} as cut`}
            name={`as-cut.${measure}`}
            value={typed[measure] ?? null}
            unit={unit}
            least={mm(0.5)}
            most={mm(MOST[measure])}
            optional
            onChange={(value) => setTyped(({ [measure]: _before, ...others }) => (value ? { ...others, [measure]: value } : others))}
          />
        ))}
        <Button type="submit" variant="outlined" disabled={Object.keys(typed).length === 0}>
          It measures that
        </Button>
        {!known && (
          <Button onClick={() => keep({ panel: panel.id, length: enteredFromNm(line.length.value), width: enteredFromNm(line.width.value) })}>
            It is cut as planned
          </Button>
        )}
      </form>
    </details>
  );
}
