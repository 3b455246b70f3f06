/** What is bought beside sheets and boards: hardware, screws, band, glue, finish; and the whole list to take along. */
import { amountText, shoppingCsv, shoppingOf, shoppingSize, shoppingText, type ShoppingLine } from '@keen/core';
import { Button } from '@mui/material';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { download, fileName } from '../../ui/download.ts';
import { useBuild } from '../build/useBuild.ts';
import { selectLearned, selectOpen, selectPlan, useDisplayUnit } from '../project/selectors.ts';
import { usePurchases } from '../sheets/usePurchases.ts';

const ALL: readonly string[] = [];

export function SmallThings() {
  const { design } = useAppSelector(selectOpen);
  const { workshop } = useAppSelector(selectLearned);
  const plan = useAppSelector(selectPlan);
  const unit = useDisplayUnit();
  const { build } = useBuild(unit, ALL);
  const { rows } = usePurchases();
  const list = useMemo(() => shoppingOf(plan, design, workshop, rows, build), [plan, design, workshop, rows, build]);
  const small = list.filter(({ kind }) => kind !== 'sheet' && kind !== 'board');
  const name = `${fileName(design.name)}-shopping`;
  return (
    <>
      {small.length > 0 && (
        <table className="sum-table plain">
          <thead>
            <tr>
              <th>and with it</th>
              <th>how many</th>
              <th className="what-for">for</th>
            </tr>
          </thead>
          <tbody>
            {small.map((line) => (
              <tr key={line.id}>
                <td>
                  {line.what}
                  {line.size && `, ${shoppingSize(line, unit)}`}
                </td>
                <td data-label="how many">{amountText(line, unit)}</td>
                <td className="quiet what-for">{forWords(line)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="price-list no-print">
        <Button onClick={() => download(`${name}.txt`, 'text/plain', shoppingText(list, design.name, workshop, unit))}>List as text</Button>
        <Button onClick={() => download(`${name}.csv`, 'text/csv', shoppingCsv(list, workshop, unit))}>List as CSV</Button>
      </p>
    </>
  );
}

const forWords = ({ for: names }: ShoppingLine): string => (names.length > 3 ? `${names.length} cabinets` : names.join(', '));
