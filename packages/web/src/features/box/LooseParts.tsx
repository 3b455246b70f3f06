/** Loose parts outside any cabinet: typed, from a cut list, or drawn elsewhere. Laid out and cut with the others. */
import {
  drawnPart,
  entered,
  looseInOrder,
  MAX_LOOSE,
  MAX_LOOSE_COUNT,
  PART_SIDE,
  partsTable,
  readForeignTable,
  type Entered,
  type LoosePart,
  type Problem,
} from '@keen/core';
import { Alert, Button, IconButton, Tooltip } from '@mui/material';
import Delete from '@mui/icons-material/DeleteOutlined';
import { memo, useRef, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { FileInput } from '../../ui/FileInput.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { newId } from '../contents/newId.ts';
import { problemReported } from '../project/project.slice.ts';
import { selectAvailable, selectDesign, useDisplayUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { ForeignTableDialog } from '../tables/ForeignTableDialog.tsx';
import { readForeignFile } from '../tables/readers.ts';

const GRAINS: readonly { readonly value: LoosePart['grain']; readonly label: string }[] = [
  { value: 'length', label: 'along its length' },
  { value: 'width', label: 'across it' },
  { value: 'none', label: 'either way' },
];

/** Rows per page: each has six fields. */
const PAGE = 20;

interface Opened {
  readonly name: string;
  readonly text: string;
  readonly kind: ReturnType<typeof partsTable>;
}

export function LooseParts() {
  const design = useAppSelector(selectDesign);
  const { products } = useAppSelector(selectAvailable);
  const unit = useDisplayUnit();
  const { apply } = useEdit();
  const dispatch = useAppDispatch();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [notes, setNotes] = useState<{ readonly name: string; readonly notes: readonly string[] } | null>(null);
  const table = useRef<HTMLInputElement>(null);
  const drawing = useRef<HTMLInputElement>(null);
  const parts = looseInOrder(design.loose);
  const [asked, setPage] = useState(0);
  const page = Math.min(asked, Math.max(0, Math.ceil(parts.length / PAGE) - 1));
  const first = page * PAGE;
  const order = (parts.at(-1)?.order ?? 0) + 1;
  const stock = parts.at(-1)?.stock ?? Object.values(design.units)[0]?.stock ?? Object.keys(products)[0]!;
  const put = (rows: readonly LoosePart[], text: string): void =>
    apply(
      rows.map((part) => ({ path: ['loose', part.id], value: part })),
      '',
      text,
    );
  const add = (): void => {
    const pick = (metric: string, imperial: string): Entered => entered(unit === 'mm' ? metric : imperial);
    // The new row is on the last page.
    setPage(Math.floor(parts.length / PAGE));
    put(
      [{ id: newId(), order, name: 'Part', stock, count: 1, length: pick('400 mm', '16 in'), width: pick('250 mm', '10 in'), grain: 'length', outline: [] }],
      'Part added',
    );
  };
  const refused = (name: string, problem: Problem): void =>
    void dispatch(problemReported({ ...problem, message: `“${name}” was not read: ${problem.message} (${problem.where})` }));
  const openTable = async (file: File): Promise<void> => {
    const text = await readForeignFile('table', file);
    if (!text.ok) return refused(file.name, text.problem);
    const read = readForeignTable(text.value);
    if (!read.ok) return refused(file.name, read.problem);
    setOpened({ name: file.name, text: text.value, kind: partsTable({ unit, products, stock, order, newId, there: parts.length }) });
  };
  const openDrawing = async (file: File): Promise<void> => {
    const read = await readForeignFile('drawing', file);
    if (!read.ok) return refused(file.name, read.problem);
    const name = file.name.replace(/\.[^.]*$/, '').slice(0, 60);
    const room = MAX_LOOSE - parts.length;
    const outlines = read.value.outlines.slice(0, room);
    const left = read.value.outlines.length - outlines.length;
    put(
      outlines.map((outline, index) =>
        drawnPart(outline, { id: newId(), order: order + index, name: outlines.length === 1 ? name : `${name} ${index + 1}`, stock }),
      ),
      outlines.length === 1 ? 'one part drawn elsewhere' : `${outlines.length} parts drawn elsewhere`,
    );
    const all = [...read.value.notes, ...(left > 0 ? [`${left} more outlines than a project can hold`] : [])];
    setNotes(all.length > 0 ? { name: file.name, notes: all } : null);
  };
  return (
    <section className="loose-parts" aria-label="Parts without a cabinet">
      <h2>Parts without a cabinet</h2>
      <p className="quiet">For a jig, for a friend, drawn elsewhere: they are laid out, labelled and cut with the others.</p>
      {parts.slice(first, first + PAGE).map((part) => (
        <LooseRow key={part.id} part={part} />
      ))}
      {parts.length > PAGE && (
        <nav className="pages" aria-label="Pages of parts">
          <Button disabled={first === 0} onClick={() => setPage(page - 1)}>
            Previous
          </Button>
          <span>
            {first + 1} to {Math.min(first + PAGE, parts.length)} of {parts.length} parts
          </span>
          <Button disabled={first + PAGE >= parts.length} onClick={() => setPage(page + 1)}>
            Next
          </Button>
        </nav>
      )}
      {notes && (
        <Alert severity="info" onClose={() => setNotes(null)}>
          Of “{notes.name}”: {notes.notes.join('; ')}.
        </Alert>
      )}
      <p className="price-list">
        <Button variant="outlined" disabled={parts.length >= MAX_LOOSE} onClick={add}>
          Add a part
        </Button>
        <Tooltip describeChild title="CSV or .xlsx, ours or anybody's">
          <Button onClick={() => table.current?.click()}>Cut list in</Button>
        </Tooltip>
        <Tooltip describeChild title="Closed outlines of a DXF or SVG drawing">
          <Button onClick={() => drawing.current?.click()}>Drawing in</Button>
        </Tooltip>
      </p>
      <FileInput input={table} label="Cut list" accept=".csv,.tsv,.txt,.xlsx,text/csv" onFile={openTable} />
      <FileInput input={drawing} label="Drawing" accept=".dxf,.svg,image/svg+xml" onFile={openDrawing} />
      {opened && (
        <ForeignTableDialog
          name={opened.name}
          text={opened.text}
          kind={opened.kind}
          called={['part', 'parts']}
          shownAs={(part, key) =>
            key === 'length' || key === 'width' ? part[key].text : key === 'stock' ? (products[part.stock]?.name ?? part.stock) : String(part[key])
          }
          onTake={(rows) => put(rows, `${rows.length} parts read`)}
          onClose={() => setOpened(null)}
        />
      )}
    </section>
  );
}

/** The size of an outline comes from its drawing: only a rectangle is typed. */
const LooseRow = memo(function LooseRow({ part }: { readonly part: LoosePart }) {
  const { products } = useAppSelector(selectAvailable);
  const unit = useDisplayUnit();
  const { apply, leave } = useEdit();
  const path = (key: string): string[] => ['loose', part.id, key];
  const set = (key: keyof LoosePart) => (value: unknown) => apply([{ path: path(key), value }], path(key).join('.'));
  const size = (key: 'length' | 'width') => (
    <LengthField
      label={key}
      name={path(key).join('.')}
      value={part[key]}
      unit={unit}
      least={PART_SIDE.least}
      most={PART_SIDE.most}
      disabled={part.outline.length > 0}
      onChange={(value) => value && set(key)(value)}
      onLeave={leave}
    />
  );
  return (
    <div className="loose-row" role="group" aria-label={part.name}>
      <NameField label="part" name={path('name').join('.')} value={part.name} most={80} needed onChange={set('name')} onLeave={leave} />
      <NumberField
        label="count"
        name={path('count').join('.')}
        whole
        least={1}
        most={MAX_LOOSE_COUNT}
        value={part.count}
        onChange={(count) => count !== null && set('count')(count)}
        onLeave={leave}
      />
      {size('length')}
      {size('width')}
      <ChoiceField
        label="out of"
        name={path('stock').join('.')}
        value={part.stock}
        options={Object.values(products).map(({ id, name }) => ({ value: id, label: name }))}
        onChange={set('stock')}
      />
      <ChoiceField label="grain" name={path('grain').join('.')} value={part.grain} options={GRAINS} onChange={set('grain')} />
      {part.outline.length > 0 && <Outline part={part} />}
      <IconButton aria-label={`Take ${part.name} out`} onClick={() => apply([{ path: ['loose', part.id], value: undefined }], '', `${part.name} taken out`)}>
        <Delete fontSize="small" />
      </IconButton>
    </div>
  );
});

/** Its outline in small, with arcs. */
function Outline({ part: { outline, length, width, name } }: { readonly part: LoosePart }) {
  const mm = (nm: number): number => nm / 1e6;
  const d = outline
    .map(({ x, y, bulge }, index) => {
      const next = outline[(index + 1) % outline.length]!;
      const to = `${mm(next.x)} ${mm(width.nm - next.y)}`;
      if (bulge === 0) return `L${to}`;
      const chord = Math.hypot(mm(next.x - x), mm(next.y - y));
      const radius = (chord * (1 + bulge * bulge)) / (4 * Math.abs(bulge));
      return `A${radius} ${radius} 0 ${Math.abs(bulge) > 1 ? 1 : 0} ${bulge > 0 ? 0 : 1} ${to}`;
    })
    .join('');
  return (
    <svg
      className="loose-outline"
      viewBox={`-4 -4 ${mm(length.nm) + 8} ${mm(width.nm) + 8}`}
      role="img"
      aria-label={`Outline of ${name}, ${outline.length} corners`}
    >
      <path d={`M${mm(outline[0]!.x)} ${mm(width.nm - outline[0]!.y)}${d}Z`} vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
