/** Records the height of a cabinet's bottom, at the wall or at the desk. */
import { AS_ASKED, entered, shopFacts, tapeTextWithUnit, typedText, WALL_LIMITS, type Entered } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { selectOpen, type ShownCabinet } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';

/** The height when it was first hung: a fact that sets the next line. */
export function HungHeightForm({ shown: { plan, spec, unit } }: { readonly shown: ShownCabinet }) {
  const { record } = useAppSelector(selectOpen);
  const { add, withdraw } = useRecord();
  const [came, setCame] = useState<Entered | null>(null);
  const known = shopFacts(record).hung.find(({ hung }) => hung.unit === spec.id);
  const { least, most } = WALL_LIMITS.up;
  if (known) {
    const off = known.hung.asked.nm - known.hung.came.nm;
    return (
      <p className="came-to">
        <span>
          It came to{' '}
          <b>
            {typedText(known.hung.came, unit)} {unit}
          </b>
          {Math.abs(off) <= AS_ASKED
            ? ', as asked.'
            : `: ${tapeTextWithUnit(Math.abs(off) as typeof known.hung.came.nm, unit)} ${off > 0 ? 'lower' : 'higher'} than asked.`}
        </span>
        <Button className="no-print" onClick={() => withdraw(known.id)}>
          Take it back
        </Button>
      </p>
    );
  }
  const enter = (): void => {
    if (came) add({ kind: 'hung', hung: { unit: spec.id, asked: spec.place.up, came, allowed: entered(`${plan.seating.lower / 1e6} mm`) } });
    setCame(null);
  };
  return (
    <div className="came-to no-print">
      <LengthField
        label="its bottom came to, above the floor"
        name="hung.came"
        value={came}
        unit={unit}
        least={least}
        most={most}
        optional
        onChange={setCame}
      />
      <Button variant="outlined" disabled={!came} onClick={enter}>
        Enter it
      </Button>
    </div>
  );
}
