/** The reading pane at Stock: which sheet each part comes from. */
import { familyOf } from '@keen/core';
import type { ReactNode } from 'react';
import { StockFields } from '../box/CabinetFields.tsx';
import type { ShownCabinet } from '../project/selectors.ts';

export function StockReading({ shown, findings }: { readonly shown: ShownCabinet; readonly findings: ReactNode }) {
  const { spec, unit } = shown;
  const stocks = familyOf(spec).form.fields.filter((field) => field.kind === 'stock' && (field.when?.(spec) ?? true));
  return (
    <div className="reading">
      <h2>{spec.name}</h2>
      <p className="kind">what it is made of</p>
      {findings}
      <StockFields spec={spec} unit={unit} fields={stocks} />
      <p className="quiet">Other kinds are in these lists. A change of sheet changes thickness, weight, sag and hanging at once.</p>
    </div>
  );
}
