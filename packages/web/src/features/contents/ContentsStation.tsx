/** Contents station: items to scale on their floors, or the table they are entered in. */
import {
  cellText,
  columnFor,
  contentsCsv,
  itemsInOrder,
  massOf,
  massText,
  newItem,
  readContents,
  readForeignTable,
  thingsTable,
  unplacedItems,
  type Item,
} from '@keen/core';
import Add from '@mui/icons-material/Add';
import { Button, CircularProgress, Tooltip } from '@mui/material';
import { lazy, Suspense, useRef, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { download, fileName } from '../../ui/download.ts';
import { FileInput } from '../../ui/FileInput.tsx';
import { selectDesign, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import { problemReported } from '../project/project.slice.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { ForeignTableDialog } from '../tables/ForeignTableDialog.tsx';
import { readForeignFile } from '../tables/readers.ts';
import { RowsView } from './RowsView.tsx';
import { ShelvesDrawing } from './ShelvesDrawing.tsx';
import { newId } from './newId.ts';

const ItemTable = lazy(() => import('./ItemTable.tsx'));

const VIEWS = [
  { id: 'shelves', name: 'On the shelves' },
  { id: 'table', name: 'Table' },
  { id: 'rows', name: 'How many fit' },
] as const;
type View = (typeof VIEWS)[number]['id'];

export function ContentsStation({ shown }: { readonly shown: ShownCabinet | undefined }) {
  const design = useAppSelector(selectDesign);
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  const { apply } = useEdit();
  const items = itemsInOrder(design.items);
  const [chosen, setView] = useState<View | null>(null);
  // Without items the table comes first.
  const view = chosen ?? (items.length === 0 || !shown ? 'table' : 'shelves');
  const [foreign, setForeign] = useState<{ readonly name: string; readonly text: string; readonly kind: ReturnType<typeof thingsTable> } | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const loose = unplacedItems(design);
  const kg = items.reduce((sum, item) => sum + massOf(item, item.count).value, 0);
  const add = (): void => {
    const id = newId();
    apply([{ path: ['items', id], value: newItem({ id, order: (items.at(-1)?.order ?? 0) + 1, unit }) }], '');
    dispatch(picked({ kind: 'item', id }));
  };
  const nextOrder = (items.at(-1)?.order ?? 0) + 1;
  const openCsv = async (file: File): Promise<void> => {
    const text = await readForeignFile('table', file);
    const read = text.ok ? readContents(text.value, { unit, order: nextOrder, newId, titled: true, there: items.length }) : text;
    if (read.ok) return takeIn(read.value.items);
    // A table from elsewhere, or one of ours with an error: a person chooses the columns, and sees which rows cannot be read.
    const foreign = text.ok ? readForeignTable(text.value) : text;
    if (text.ok && foreign.ok)
      return setForeign({ name: file.name, text: text.value, kind: thingsTable({ unit, order: nextOrder, newId, there: items.length }) });
    const { problem } = foreign.ok ? read : foreign;
    dispatch(problemReported({ ...problem, message: `“${file.name}” was not read: ${problem.message} (${problem.where})` }));
  };
  const takeIn = (taken: readonly Item[]): void =>
    apply(
      taken.map((item) => ({ path: ['items', item.id], value: item })),
      '',
      `${taken.length} rows read`,
    );
  return (
    <div className="station-body">
      <div className="station-head">
        <div className="view-tabs" role="tablist" aria-label="View">
          {VIEWS.map(({ id, name }) => (
            <button key={id} type="button" role="tab" aria-selected={view === id} className={view === id ? 'current' : ''} onClick={() => setView(id)}>
              {name}
            </button>
          ))}
        </div>
        <div className="head-tools">
          <Button variant="outlined" startIcon={<Add />} onClick={add}>
            Add a thing
          </Button>
          <Tooltip describeChild title="CSV or .xlsx, ours or any other: you say which column is what">
            <Button onClick={() => input.current?.click()}>Table in</Button>
          </Tooltip>
          <Button disabled={items.length === 0} onClick={() => download(`${fileName(design.name)}-contents.csv`, 'text/csv', contentsCsv(design.items, unit))}>
            CSV out
          </Button>
          <FileInput input={input} label="Table of contents" accept=".csv,.tsv,.txt,.xlsx,text/csv" onFile={openCsv} />
        </div>
      </div>
      {foreign && (
        <ForeignTableDialog
          name={foreign.name}
          text={foreign.text}
          kind={foreign.kind}
          called={['thing', 'things']}
          shownAs={(item, key) => cellText(item, columnFor(key), unit)}
          onTake={takeIn}
          onClose={() => setForeign(null)}
        />
      )}
      <p className="lead">
        {items.length === 0
          ? 'Everything that will live in it, counted and measured; room to lift it out and to grow is kept by itself.'
          : `${items.length} ${items.length === 1 ? 'kind' : 'kinds'} of thing, ${massText(kg, unit)}; ${loose.length === 0 ? 'all have a place.' : `${loose.length} without a place.`}`}
      </p>
      {view === 'table' ? (
        <Suspense fallback={<CircularProgress aria-label="Loading the table" />}>
          <ItemTable label="What it must hold" />
        </Suspense>
      ) : view === 'rows' ? (
        <RowsView shown={shown} />
      ) : (
        <ShelvesDrawing shown={shown} />
      )}
    </div>
  );
}
