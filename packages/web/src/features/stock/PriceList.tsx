/** Sheets and boards that can be bought, out of a merchant's price list or any table, and out again as one. */
import { MATERIALS, productsCsv, productsTable, readForeignTable, type Product } from '@keen/core';
import { Button, Tooltip } from '@mui/material';
import { useMemo, useRef, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { download } from '../../ui/download.ts';
import { FileInput } from '../../ui/FileInput.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { problemReported } from '../project/project.slice.ts';
import { selectOpen, useDisplayUnit } from '../project/selectors.ts';
import { ForeignTableDialog } from '../tables/ForeignTableDialog.tsx';
import { readForeignFile } from '../tables/readers.ts';
import { useWorkshopChange } from './useWorkshopChange.ts';

interface Opened {
  readonly name: string;
  readonly text: string;
}

export function PriceList() {
  const { workshop } = useAppSelector(selectOpen);
  const unit = useDisplayUnit();
  const save = useWorkshopChange();
  const dispatch = useAppDispatch();
  const input = useRef<HTMLInputElement>(null);
  const [opened, setOpened] = useState<Opened | null>(null);
  const [rate, setRate] = useState(1);
  const kind = useMemo(() => productsTable(unit, workshop.products, rate), [unit, workshop.products, rate]);
  const open = async (file: File): Promise<void> => {
    const text = await readForeignFile('table', file);
    const table = text.ok ? readForeignTable(text.value) : text;
    if (text.ok && table.ok) {
      setRate(1);
      return setOpened({ name: file.name, text: text.value });
    }
    const { problem } = table as Exclude<typeof table, { ok: true }>;
    dispatch(problemReported({ ...problem, message: `“${file.name}” was not read: ${problem.message} (${problem.where})` }));
  };
  const take = (rows: readonly Product[]): void =>
    void save({ ...workshop, products: { ...workshop.products, ...Object.fromEntries(rows.map((product) => [product.id, product])) } });
  return (
    <p className="price-list">
      <Tooltip describeChild title="CSV or .xlsx: new kinds come in, known ones get the new price">
        <Button variant="outlined" onClick={() => input.current?.click()}>
          Price list in
        </Button>
      </Tooltip>
      <Button onClick={() => download('stock.csv', 'text/csv', productsCsv(workshop.products))}>Price list out</Button>
      <FileInput input={input} label="Price list" accept=".csv,.tsv,.txt,.xlsx,text/csv" onFile={open} />
      {opened && (
        <ForeignTableDialog
          name={opened.name}
          text={opened.text}
          kind={kind}
          called={['sheet or board', 'sheets and boards']}
          shownAs={(product, key) => cellOf(product, key)}
          onTake={take}
          onClose={() => setOpened(null)}
        >
          <NumberField
            label={`one of the list’s money is worth${workshop.currency === '' ? ' of ours' : ''}`}
            unit={workshop.currency}
            name="rate"
            least={0.0001}
            most={10_000}
            value={rate}
            onChange={(worth) => worth !== null && setRate(worth)}
          />
        </ForeignTableDialog>
      )}
    </p>
  );
}

function cellOf(product: Product, key: Parameters<ReturnType<typeof productsTable>['put']>[1]): string {
  switch (key) {
    case 'material':
      return MATERIALS[product.material].name;
    case 'nominal':
    case 'length':
    case 'width':
      return product[key].text;
    case 'price':
      return product.price.toFixed(2);
    case 'faced':
      return product.faced ? 'yes' : 'no';
    default:
      return product[key];
  }
}
