/** First cut direction, and preference among equally few sheets: each option with its result. */
import type { Cutting } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { selectDesign } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import type { WayFigures } from './nest.worker.ts';
import { useNests } from './useNests.tsx';

const FIRST: readonly { readonly value: Cutting['first']; readonly label: string }[] = [
  { value: 'any', label: 'whatever wants the fewest sheets' },
  { value: 'rip', label: 'strips along the grain: rip first' },
  { value: 'crosscut', label: 'lengths across it: crosscut first' },
  { value: 'breakdown', label: 'pieces one person can handle, or the car takes' },
];

const THEN: readonly { readonly value: Cutting['then']; readonly label: string }[] = [
  { value: 'settings', label: 'few settings and cuts' },
  { value: 'offcut', label: 'one large offcut left' },
  { value: 'handling', label: 'little turning of heavy pieces' },
];

export function CuttingWays() {
  const { cutting } = useAppSelector(selectDesign);
  const { compare } = useNests();
  const { apply } = useEdit();
  const [figures, setFigures] = useState<Partial<Record<Cutting['first'], WayFigures>> | null>(null);
  const [busy, setBusy] = useState(false);
  const choose = (change: Partial<Cutting>): void => apply([{ path: ['cutting'], value: { ...cutting, ...change } }], 'cutting');
  const run = async (): Promise<void> => {
    setBusy(true);
    setFigures({});
    for (const { value } of FIRST) {
      const found = await compare(value);
      if (!found) break;
      setFigures((old) => ({ ...old, [value]: found }));
    }
    setBusy(false);
  };
  return (
    <section className="cutting-ways" aria-label="How the sheets are cut up">
      <ChoiceField
        label="what comes first"
        name="cutting-first"
        value={cutting.first}
        options={FIRST}
        onChange={(first) => choose({ first: first as Cutting['first'] })}
      />
      <ChoiceField
        label="then what counts"
        name="cutting-then"
        value={cutting.then}
        options={THEN}
        onChange={(then) => choose({ then: then as Cutting['then'] })}
      />
      <Button onClick={() => void run()} disabled={busy}>
        {busy ? 'Comparing …' : 'Compare the four ways'}
      </Button>
      {figures && (
        <table className="sum-table plain">
          <thead>
            <tr>
              <th>what comes first</th>
              <th>sheets</th>
              <th>settings</th>
              <th>cuts</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {FIRST.map(({ value, label }) => {
              const row = figures[value];
              return (
                <tr key={value}>
                  <td>
                    {label}
                    {row && row.unplaced > 0 && <span className="danger"> {row.unplaced} parts do not go on</span>}
                    {row && row.impossible > 0 && <span className="danger"> {row.impossible} cuts no saw makes</span>}
                  </td>
                  <td>{row?.sheets ?? '…'}</td>
                  <td>{row?.settings ?? '…'}</td>
                  <td>{row?.cuts ?? '…'}</td>
                  <td>
                    {value === cutting.first ? (
                      'chosen'
                    ) : (
                      <Button size="small" disabled={!row || row.unplaced > 0} onClick={() => choose({ first: value })}>
                        Choose
                      </Button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}
