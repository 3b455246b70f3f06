/** The reading pane at Stock: which sheet each part comes from. */
import type { ReactNode } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { selectOpen, type ShownUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';

export function StockReading({ shown, findings }: { readonly shown: ShownUnit; readonly findings: ReactNode }) {
  const { workshop } = useAppSelector(selectOpen);
  const { set } = useEdit();
  const { box } = shown;
  const sheets = Object.values(workshop.products)
    .filter(({ kind }) => kind === 'sheet')
    .map(({ id, name }) => ({ value: id, label: name }));
  const any = Object.values(workshop.products).map(({ id, name }) => ({ value: id, label: name }));
  return (
    <div className="reading">
      <h2>{box.name}</h2>
      <p className="kind">what it is made of</p>
      {findings}
      <div className="fields">
        <ChoiceField label="carcass and shelves" name="stock" value={box.stock} options={sheets} onChange={(value) => set(box, ['stock'], value)} />
        {box.back.kind !== 'none' && (
          <ChoiceField label="back" name="back.stock" value={box.back.stock} options={sheets} onChange={(value) => set(box, ['back', 'stock'], value)} />
        )}
        <ChoiceField label="cleat" name="hanging.stock" value={box.hanging.stock} options={any} onChange={(value) => set(box, ['hanging', 'stock'], value)} />
      </div>
      <p className="quiet">Other kinds are in these lists. A change of sheet changes thickness, weight, sag and hanging at once.</p>
    </div>
  );
}
