/** The table of items: cells to type in, keyboard navigation, paste from a spreadsheet. */
import {
  cellText,
  ITEM_COLUMNS,
  itemsInOrder,
  massOfOne,
  newItem,
  readCell,
  readContents,
  countPlaced,
  toShownMass,
  type ItemTableColumn,
  type Edit,
  type Item,
} from '@keen/core';
import { DataGrid, type GridColDef, type GridRenderCellParams } from '@mui/x-data-grid';
import { useMemo, type ClipboardEvent } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { selectDesign, useDisplayUnit } from '../project/selectors.ts';
import { problemReported } from '../project/project.slice.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { newId } from './newId.ts';

const WIDTHS: Readonly<Partial<Record<ItemTableColumn['key'], number>>> = {
  name: 190,
  near: 120,
  material: 110,
  profile: 180,
  kind: 86,
  stands: 88,
  count: 66,
  turned: 70,
  stack: 60,
  deep: 60,
};

export default function ItemTable({ label }: { readonly label: string }) {
  const design = useAppSelector(selectDesign);
  const chosen = useAppSelector(({ view }) => (view.picked?.kind === 'item' ? view.picked.id : null));
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  const { apply } = useEdit();
  const items = useMemo(() => itemsInOrder(design.items), [design.items]);
  const columns = useMemo<GridColDef<Item>[]>(
    () => [
      ...ITEM_COLUMNS.map((column): GridColDef<Item> => ({
        field: column.key,
        headerName: column.type === 'length' ? `${column.title}, ${unit}` : column.title,
        width: WIDTHS[column.key] ?? (column.type === 'length' ? 98 : 84),
        editable: true,
        sortable: false,
        ...(column.type === 'choice' ? { type: 'singleSelect' as const, valueOptions: [...column.options] } : {}),
        valueGetter: (_value, row) => cellText(row, column, unit),
        valueSetter: (value: unknown, row) => {
          const read = readCell(column, typed(value), unit, `${row.name}, ${column.title}`);
          return read.ok ? { ...row, [column.key]: read.value } : row;
        },
        preProcessEditCellProps: ({ props, row }) => {
          const read = readCell(column, typed(props.value), unit, `${(row as Item).name}, ${column.title}`);
          return { ...props, error: !read.ok, helperText: read.ok ? '' : read.problem.accepted };
        },
        ...(column.key === 'kg' ? { renderCell: (cell: GridRenderCellParams<Item>) => <MassCell item={cell.row} /> } : {}),
      })),
      {
        field: 'placed',
        headerName: 'placed',
        width: 80,
        sortable: false,
        valueGetter: (_value, row) => `${countPlaced(row, design.units)} of ${row.count}`,
      },
    ],
    [unit, design.units],
  );

  const paste = (event: ClipboardEvent): void => {
    const text = event.clipboardData.getData('text/plain');
    const inCell = (event.target as Element).closest('input, textarea') !== null;
    // A single cell goes into the edited cell; a table becomes new rows.
    if (text.trim() === '' || (inCell && !/[\t\n]/.test(text.trim()))) return;
    event.preventDefault();
    addRows(text);
  };
  const addRows = (text: string): void => {
    const order = (items.at(-1)?.order ?? 0) + 1;
    const read = readContents(text, { unit, order, newId, there: items.length });
    if (!read.ok) return void dispatch(problemReported(read.problem));
    const edit: Edit = read.value.items.map((item) => ({ path: ['items', item.id], value: item }));
    apply(edit, '', `${edit.length} pasted`);
  };
  const add = (): void => {
    const id = newId();
    apply([{ path: ['items', id], value: newItem({ id, order: (items.at(-1)?.order ?? 0) + 1, unit }) }], '');
    dispatch(picked({ kind: 'item', id }));
  };

  return (
    <div className="item-table" onPaste={paste} role="region" aria-label="Table of things; paste rows from a spreadsheet here" tabIndex={-1}>
      <p className="table-foot">
        <button type="button" className="explained" onClick={add}>
          Add a row
        </button>
        <span className="quiet">
          {' '}
          or paste rows from a spreadsheet:{' '}
          {ITEM_COLUMNS.slice(0, 8)
            .map(({ title }) => title)
            .join(', ')}{' '}
          …; a first row of titles may come in any order.
        </span>
      </p>
      <DataGrid
        aria-label={label}
        rows={items}
        columns={columns}
        density="compact"
        hideFooter
        disableColumnMenu
        disableColumnFilter
        disableRowSelectionOnClick
        getRowClassName={({ id }) => (id === chosen ? 'picked-row' : '')}
        onCellClick={({ id }) => dispatch(picked({ kind: 'item', id: String(id) }))}
        processRowUpdate={(next: Item, old: Item) => {
          const changed = ITEM_COLUMNS.filter(({ key }) => next[key] !== old[key]);
          apply(
            changed.map(({ key }) => ({ path: ['items', next.id, key], value: next[key] })),
            '',
          );
          return next;
        }}
        onProcessRowUpdateError={(error: Error) =>
          dispatch(problemReported({ code: 'cell', message: error.message, where: 'table', accepted: 'what the column says' }))
        }
        slots={{ noRowsOverlay: NoRows }}
      />
    </div>
  );
}

/** A cell's value as text. */
const typed = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? String(value) : '');

/** Its weight; an estimate is marked. */
function MassCell({ item }: { readonly item: Item }) {
  const unit = useDisplayUnit();
  if (item.kg !== null) return <>{item.kg}</>;
  const shown = toShownMass(massOfOne(item).value, 'mm');
  return (
    <span className="quiet" title={`estimated from ${item.material} and its size; shown in kilograms${unit === 'in' ? ' here' : ''}`}>
      ≈ {shown < 0.095 ? shown.toFixed(2) : shown.toFixed(1)}
    </span>
  );
}

function NoRows() {
  return <div className="no-rows">Nothing yet. Paste rows from a spreadsheet, or add a row.</div>;
}
