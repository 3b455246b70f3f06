/** The reading pane at Stock: which sheet each part comes from. */
import { familyOf } from '@keen/core';
import type { ReactNode } from 'react';
import { StockFields } from '../box/UnitFields.tsx';
import type { ShownUnit } from '../project/selectors.ts';

export function StockReading({ shown, findings }: { readonly shown: ShownUnit; readonly findings: ReactNode }) {
  const { box, unit } = shown;
  const stocks = familyOf(box).form.fields.filter((field) => field.kind === 'stock' && (field.when?.(box) ?? true));
  return (
    <div className="reading">
      <h2>{box.name}</h2>
      <p className="kind">what it is made of</p>
      {findings}
      <StockFields box={box} unit={unit} fields={stocks} />
      <p className="quiet">Other kinds are in these lists. A change of sheet changes thickness, weight, sag and hanging at once.</p>
    </div>
  );
}
