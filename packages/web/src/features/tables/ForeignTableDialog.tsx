/**
 * Import of a table made elsewhere: which column is what, what its rows become, and which cannot be read and why. Nothing is imported before it is
 * confirmed.
 */
import {
  guessColumns,
  leftOutCsv,
  LENGTH_UNITS,
  MASS_UNITS,
  readForeign,
  readForeignTable,
  SEPARATORS,
  usualUnit,
  type CellUnit,
  type ColumnChoice,
  type RowFault,
  type Separator,
  type TableColumn,
  type TableKind,
} from '@keen/core';
import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import { useMemo, useState, type ReactNode } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { download } from '../../ui/download.ts';

const SEPARATOR_NAMES: Readonly<Record<Separator, string>> = { ';': 'semicolons', ',': 'commas', '\t': 'tabs', '|': 'upright bars' };
/** Number of readable rows previewed. */
const SHOWN = 4;

export interface ForeignTableDialogProps<Row, Key extends string> {
  readonly name: string;
  readonly text: string;
  /** What its rows become; the same object as long as nothing about it is changed. */
  readonly kind: TableKind<Row, Key>;
  /** 'thing', 'sheet or board': singular and plural. */
  readonly called: readonly [one: string, several: string];
  /** A cell of a row as it will be imported. */
  readonly shownAs: (row: Row, key: Key) => string;
  readonly onTake: (rows: readonly Row[]) => void;
  readonly onClose: () => void;
  /** Further questions about the file. */
  readonly children?: ReactNode;
}

export function ForeignTableDialog<Row, Key extends string>({
  name,
  text,
  kind,
  called,
  shownAs,
  onTake,
  onClose,
  children,
}: ForeignTableDialogProps<Row, Key>) {
  const [separator, setSeparator] = useState<Separator | undefined>(undefined);
  const [chosen, setChosen] = useState<readonly ColumnChoice<Key>[] | null>(null);
  const [left, setLeft] = useState<readonly RowFault[] | null>(null);
  const table = useMemo(() => readForeignTable(text, separator), [text, separator]);
  const guessed = useMemo(() => (table.ok ? guessColumns(kind, table.value) : []), [table, kind]);
  const choices = chosen ?? guessed;
  const read = useMemo(() => (table.ok ? readForeign(kind, table.value, choices) : table), [table, choices, kind]);
  const change = (at: number, choice: ColumnChoice<Key>): void => setChosen(choices.map((each, index) => (index === at ? choice : each)));
  const faults = left ?? (read.ok ? read.value.faults : []);
  const rows = read.ok ? read.value.rows : [];
  const take = (): void => {
    onTake(rows);
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
                      kind={kind}
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
            {children}
            {!read.ok && (
              <Alert severity="warning">
                {read.problem.message}. Wanted: {read.problem.accepted}
              </Alert>
            )}
            {rows.length > 0 && (
              <Preview rows={rows} columns={kind.columns.filter(({ key }) => choices.some((choice) => choice.key === key))} shownAs={shownAs} />
            )}
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
          <Button variant="contained" disabled={rows.length === 0} onClick={take}>
            {rows.length === 1 ? `Take one ${called[0]} in` : `Take ${rows.length} ${called[1]} in`}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

interface ColumnRowProps<Key extends string> {
  readonly title: string;
  readonly samples: readonly string[];
  readonly choice: ColumnChoice<Key>;
  readonly kind: Pick<TableKind<never, Key>, 'columns' | 'unit'>;
  readonly onChange: (choice: ColumnChoice<Key>) => void;
}

function ColumnRow<Key extends string>({ title, samples, choice, kind: { columns, unit }, onChange }: ColumnRowProps<Key>) {
  const column = columns.find(({ key }) => key === choice.key);
  const units: readonly CellUnit[] = column?.measure === 'length' ? LENGTH_UNITS : column?.measure === 'mass' ? MASS_UNITS : [];
  const pick = (key: string): void => {
    const next = columns.find((each) => each.key === key);
    onChange({ key: next?.key ?? null, unit: next ? usualUnit(next, unit) : null });
  };
  return (
    <tr>
      <th scope="row">{title}</th>
      <td className="foreign-samples">{samples.filter((cell) => cell.trim() !== '').join(' · ')}</td>
      <td>
        <select aria-label={`${title} is taken for`} value={choice.key ?? ''} onChange={(event) => pick(event.target.value)}>
          <option value="">nothing: left out</option>
          {columns.map(({ key, title: own }) => (
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

interface PreviewProps<Row, Key extends string> {
  readonly rows: readonly Row[];
  readonly columns: readonly TableColumn<Key>[];
  readonly shownAs: (row: Row, key: Key) => string;
}

function Preview<Row, Key extends string>({ rows, columns, shownAs }: PreviewProps<Row, Key>) {
  return (
    <div className="foreign-columns">
      <table>
        <caption>{rows.length === 1 ? 'one row can be read' : `${rows.length} rows can be read`}, as it will stand</caption>
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
          {rows.slice(0, SHOWN).map((row, index) => (
            <tr key={index}>
              {columns.map(({ key, title }) => (
                <td key={key} data-title={title}>
                  {shownAs(row, key)}
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
