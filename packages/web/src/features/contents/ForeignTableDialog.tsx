/** A table somebody else made: which column is what, what comes of it, and which rows cannot be read and why. Nothing comes in before it is asked for. */
import {
  cellText,
  guessColumns,
  ITEM_COLUMNS,
  leftOutCsv,
  LENGTH_UNITS,
  MASS_UNITS,
  readForeign,
  readForeignTable,
  SEPARATORS,
  type CellUnit,
  type ColumnChoice,
  type DisplayUnit,
  type Item,
  type RowFault,
  type Separator,
} from '@keen/core';
import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import { useMemo, useState } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { download } from '../../ui/download.ts';
import { newId } from './newId.ts';

const SEPARATOR_NAMES: Readonly<Record<Separator, string>> = { ';': 'semicolons', ',': 'commas', '\t': 'tabs', '|': 'upright bars' };
/** Of rows that can be read, so many are shown before they come in. */
const SHOWN = 4;

export interface ForeignTableDialogProps {
  readonly name: string;
  readonly text: string;
  readonly unit: DisplayUnit;
  /** Where new things stand among those there are. */
  readonly order: number;
  /** How many there are. */
  readonly there: number;
  readonly onTake: (items: readonly Item[]) => void;
  readonly onClose: () => void;
}

export function ForeignTableDialog({ name, text, unit, order, there, onTake, onClose }: ForeignTableDialogProps) {
  const [separator, setSeparator] = useState<Separator | undefined>(undefined);
  const [chosen, setChosen] = useState<readonly ColumnChoice[] | null>(null);
  const [left, setLeft] = useState<readonly RowFault[] | null>(null);
  const table = useMemo(() => readForeignTable(text, separator), [text, separator]);
  const guessed = useMemo(() => (table.ok ? guessColumns(table.value, unit) : []), [table, unit]);
  const choices = chosen ?? guessed;
  const read = useMemo(() => (table.ok ? readForeign(table.value, choices, { unit, order, newId, there }) : table), [table, choices, unit, order, there]);
  const change = (at: number, choice: ColumnChoice): void => setChosen(choices.map((each, index) => (index === at ? choice : each)));
  const faults = left ?? (read.ok ? read.value.faults : []);
  const items = read.ok ? read.value.items : [];
  const take = (): void => {
    onTake(items);
    if (faults.length === 0) onClose();
    else setLeft(faults);
  };
  return (
    <Dialog open maxWidth="lg" fullWidth onClose={onClose} aria-labelledby="foreign-title">
      <DialogTitle id="foreign-title">{left === null ? `What is what in “${name}”?` : `What “${name}” still holds`}</DialogTitle>
      <DialogContent className="foreign-table">
        {!table.ok && (
          <Alert severity="warning">
            {table.problem.message}. Accepted: {table.problem.accepted}
          </Alert>
        )}
        {left === null && table.ok && (
          <>
            <div className="foreign-columns">
              <table>
                <thead>
                  <tr>
                    <th scope="col">column of the file</th>
                    <th scope="col">begins with</th>
                    <th scope="col">is taken for</th>
                    <th scope="col">bare numbers are</th>
                  </tr>
                </thead>
                <tbody>
                  {table.value.titles.map((title, at) => (
                    <ColumnRow
                      key={at}
                      title={title}
                      samples={table.value.rows.slice(0, 3).map(({ cells }) => cells[at] ?? '')}
                      choice={choices[at] ?? { key: null, unit: null }}
                      unit={unit}
                      onChange={(choice) => change(at, choice)}
                    />
                  ))}
                </tbody>
              </table>
            </div>
            <ChoiceField
              label="cells are parted by"
              value={table.value.separator}
              options={SEPARATORS.map((value) => ({ value, label: SEPARATOR_NAMES[value] }))}
              onChange={(value) => (setSeparator(value as Separator), setChosen(null))}
            />
            {!read.ok && (
              <Alert severity="warning">
                {read.problem.message}. Wanted: {read.problem.accepted}
              </Alert>
            )}
            {items.length > 0 && <Preview items={items} choices={choices} unit={unit} />}
          </>
        )}
        {faults.length > 0 && <Faults faults={faults} />}
      </DialogContent>
      <DialogActions>
        {faults.length > 0 && table.ok && (
          <Button onClick={() => download(`left-out-of-${name.replace(/\.[^.]*$/, '')}.csv`, 'text/csv', leftOutCsv(table.value, faults))}>
            These rows as CSV
          </Button>
        )}
        <Button onClick={onClose}>{left === null ? 'Take nothing' : 'Close'}</Button>
        {left === null && (
          <Button variant="contained" disabled={items.length === 0} onClick={take}>
            {items.length === 1 ? 'Take one thing in' : `Take ${items.length} things in`}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

interface ColumnRowProps {
  readonly title: string;
  readonly samples: readonly string[];
  readonly choice: ColumnChoice;
  readonly unit: DisplayUnit;
  readonly onChange: (choice: ColumnChoice) => void;
}

function ColumnRow({ title, samples, choice, unit, onChange }: ColumnRowProps) {
  const column = ITEM_COLUMNS.find(({ key }) => key === choice.key);
  const units: readonly CellUnit[] = column?.type === 'length' ? LENGTH_UNITS : column?.type === 'mass' ? MASS_UNITS : [];
  const pick = (key: string): void => {
    const next = ITEM_COLUMNS.find((each) => each.key === key);
    onChange({ key: next?.key ?? null, unit: next?.type === 'length' ? unit : next?.type === 'mass' ? 'kg' : null });
  };
  return (
    <tr>
      <th scope="row">{title}</th>
      <td className="foreign-samples">{samples.filter((cell) => cell.trim() !== '').join(' · ')}</td>
      <td>
        <select aria-label={`${title} is taken for`} value={choice.key ?? ''} onChange={(event) => pick(event.target.value)}>
          <option value="">nothing: left out</option>
          {ITEM_COLUMNS.map(({ key, title: own }) => (
            <option key={key} value={key}>
              {own}
            </option>
          ))}
        </select>
      </td>
      <td>
        {units.length > 0 && (
          <select
            aria-label={`bare numbers in ${title} are`}
            value={choice.unit ?? ''}
            onChange={(event) => onChange({ ...choice, unit: event.target.value as CellUnit })}
          >
            {units.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        )}
      </td>
    </tr>
  );
}

function Preview({ items, choices, unit }: { readonly items: readonly Item[]; readonly choices: readonly ColumnChoice[]; readonly unit: DisplayUnit }) {
  const columns = ITEM_COLUMNS.filter(({ key }) => choices.some((choice) => choice.key === key));
  return (
    <div className="foreign-columns">
      <table>
        <caption>
          {items.length === 1 ? 'one row can be read' : `${items.length} rows can be read`}, as it will stand, in {unit}
        </caption>
        <thead>
          <tr>
            {columns.map(({ key, title }) => (
              <th key={key} scope="col">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {items.slice(0, SHOWN).map((item) => (
            <tr key={item.id}>
              {columns.map((column) => (
                <td key={column.key} data-title={column.title}>
                  {cellText(item, column, unit)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Faults({ faults }: { readonly faults: readonly RowFault[] }) {
  return (
    <section aria-label="Rows that cannot be read">
      <h3>{faults.length === 1 ? 'One row is left out' : `${faults.length} rows are left out`}</h3>
      <ul className="foreign-faults">
        {faults.map(({ line, cells, problem }) => (
          <li key={line}>
            <strong>{problem.where}</strong>: {problem.message}. Accepted: {problem.accepted}.
            <span className="quiet">{cells.filter((cell) => cell.trim() !== '').join(' · ')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
