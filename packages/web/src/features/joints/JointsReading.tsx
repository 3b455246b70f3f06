/** Reading pane at Joints: how this cabinet is joined, and what its fits mean. */
import type { ReactNode } from 'react';
import { exactTextWithUnit } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { CabinetFields } from '../box/CabinetFields.tsx';
import { selectLearned, type ShownCabinet } from '../project/selectors.ts';

export function JointsReading({ shown: { spec, unit }, findings }: { readonly shown: ShownCabinet; readonly findings: ReactNode }) {
  const { shop } = useAppSelector(selectLearned).workshop;
  return (
    <div className="reading">
      <h2>{spec.name}</h2>
      <p className="kind">how it is joined</p>
      {findings}
      <details open>
        <summary>Joints</summary>
        <CabinetFields spec={spec} unit={unit} group="joints" />
      </details>
      <details>
        <summary>How it is made</summary>
        <CabinetFields spec={spec} unit={unit} group="making" />
      </details>
      <p className="quiet">
        In this shop a tight fit has {exactTextWithUnit(shop.fits.tight.nm, unit)} of play, a push fit {exactTextWithUnit(shop.fits.push.nm, unit)}, a glue fit{' '}
        {exactTextWithUnit(shop.fits.glue.nm, unit)}, a loose one {exactTextWithUnit(shop.fits.loose.nm, unit)}. Stock is where that is told.
      </p>
    </div>
  );
}
