/** The cabinet's form: size first, what it holds, then joints and back. Findings of the station stand on top of it. */
import type { ReactNode } from 'react';
import { FormControlLabel, Switch } from '@mui/material';
import type { ShownUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { ContentsFields } from './ContentsFields.tsx';
import { UnitFields } from './UnitFields.tsx';

export function BoxForm({ shown, findings }: { readonly shown: ShownUnit; readonly findings: ReactNode }) {
  const { box, plan, unit } = shown;
  const { set } = useEdit();
  return (
    <div className="reading">
      <h2>{box.name}</h2>
      <p className="kind">shelf box; change a figure and everything follows</p>
      {findings}
      <UnitFields box={box} unit={unit} group="size" />
      <details open>
        <summary>What it holds</summary>
        {plan.unit.compartments.map((compartment) => (
          <ContentsFields key={compartment.id} shown={shown} compartment={compartment} />
        ))}
        <FormControlLabel
          control={<Switch size="small" checked={box.topLoaded} onChange={(event) => set(box, ['topLoaded'], event.target.checked)} />}
          label="things are put on top"
        />
      </details>
      <details>
        <summary>Joints</summary>
        <UnitFields box={box} unit={unit} group="joints" />
      </details>
      <details>
        <summary>Back</summary>
        <UnitFields box={box} unit={unit} group="back" />
      </details>
    </div>
  );
}
