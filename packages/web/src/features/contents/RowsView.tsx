/** How many fit: rows of one kind side by side, pitch, margins and dividers, and what one more would need. */
import { capital, entered, itemsInOrder, labelWords, mm, ROW_KINDS, tapeTextWithUnit, toMm, type Row, type RowAnswer, type RowKind } from '@keen/core';
import Add from '@mui/icons-material/Add';
import { Button } from '@mui/material';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Explained } from '../../ui/Explained.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectDesign, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';

const KIND_WORDS: Readonly<Record<RowKind, string>> = {
  slots: 'slots: rolls, sheets',
  notches: 'notches: stems, shanks',
  cells: 'cells between dividers',
  ledge: 'on a ledge',
  supports: 'across two supports',
  modules: 'a module each',
};
/** One kind of item, or several side by side. */
const SEVERAL: ReadonlySet<RowKind> = new Set(['cells', 'ledge', 'modules']);

export function RowsView({ shown }: { readonly shown: ShownCabinet | undefined }) {
  const design = useAppSelector(selectDesign);
  const { apply } = useEdit();
  const items = itemsInOrder(design.items);
  if (!shown) return <p className="empty-line">A row stands in a cabinet: set things out first, or add a cabinet.</p>;
  if (items.length === 0) return <p className="empty-line">Enter what it must hold first; then ask how many fit.</p>;
  const { spec, unit, plan } = shown;
  const [lowest] = plan.cabinet.compartments;
  const answered = new Set(plan.rows.map(({ row }) => row.id));
  const unanswered = Object.values(spec.rows).filter(({ id }) => !answered.has(id));
  const pick = (metric: string, imperial: string) => entered(unit === 'mm' ? metric : imperial);
  const add = (on: string): void => {
    const id = `r${crypto.randomUUID().slice(0, 8)}`;
    const row: Row = {
      id,
      order: Object.values(spec.rows).reduce((most, { order }) => Math.max(most, order), 0) + 1,
      kind: 'slots',
      on,
      items: [items[0]!.id],
      wanted: null,
      pitch: null,
      clearance: pick('6 mm', '1/4 in'),
      thickness: pick('6 mm', '1/4 in'),
      margin: pick('0 mm', '0 in'),
      tiltDeg: 0,
      lip: null,
      gap: pick('100 mm', '4 in'),
    };
    apply([{ path: ['units', spec.id, 'rows', id], value: row }], '', 'Row added');
  };
  return (
    <div className="list-room rows">
      {plan.rows.map((answer) => (
        <RowCard key={answer.row.id} answer={answer} shown={shown} />
      ))}
      {unanswered.map((row) => (
        <RowWithoutPlace key={row.id} row={row} shown={shown} />
      ))}
      {lowest ? (
        <Button variant="outlined" startIcon={<Add />} onClick={() => add(lowest.keptBy)}>
          Ask how many fit
        </Button>
      ) : (
        <p className="empty-line">This cabinet has no floor or ledge that a row could stand on.</p>
      )}
    </div>
  );
}

/** A row whose items or floor are gone: move it, or delete it. */
function RowWithoutPlace({ row, shown: { spec, plan } }: { readonly row: Row; readonly shown: ShownCabinet }) {
  const design = useAppSelector(selectDesign);
  const { apply } = useEdit();
  const items = itemsInOrder(design.items);
  const at = ['units', spec.id, 'rows', row.id];
  const kept = row.items.filter((id) => design.items[id]);
  return (
    <section className="row-card" aria-label={KIND_WORDS[row.kind]}>
      <p>
        <strong>{kept.length === 0 ? 'What stood in this row is no longer listed.' : 'The floor of this row is no longer there.'}</strong>
      </p>
      <div className="fields four">
        {kept.length === 0 ? (
          <ChoiceField
            label="of"
            name={`rows.${row.id}.item`}
            value=""
            options={[{ value: '', label: 'Choose one' }, ...items.map(({ id, name }) => ({ value: id, label: name }))]}
            onChange={(id) => id !== '' && apply([{ path: [...at, 'items'], value: [id] }], '')}
          />
        ) : (
          <ChoiceField
            label="on"
            name={`rows.${row.id}.on`}
            value=""
            options={[
              { value: '', label: 'Choose one' },
              ...plan.cabinet.compartments.map(({ keptBy, name }) => ({ value: keptBy, label: capital(labelWords(name)) })),
            ]}
            onChange={(on) => on !== '' && apply([{ path: [...at, 'on'], value: on }], '')}
          />
        )}
      </div>
      <Button onClick={() => apply([{ path: at, value: undefined }], '', 'Row deleted')}>Delete row</Button>
    </section>
  );
}

function RowCard({ answer, shown }: { readonly answer: RowAnswer; readonly shown: ShownCabinet }) {
  const { row, fits, wanted, margin, pitch, needs, oneMore, inside } = answer;
  const { spec, unit, plan } = shown;
  const design = useAppSelector(selectDesign);
  const { apply, leave } = useEdit();
  const items = itemsInOrder(design.items);
  const at = (key: keyof Row): string[] => ['units', spec.id, 'rows', row.id, key];
  const set = (key: keyof Row, value: unknown): void => apply([{ path: at(key), value }], at(key).join('.'));
  const length = (key: 'clearance' | 'thickness' | 'margin' | 'gap', label: string, most: number) => (
    <LengthField
      label={label}
      name={`rows.${row.id}.${key}`}
      value={row[key]}
      unit={unit}
      least={mm(0)}
      most={mm(most)}
      onChange={(value) => value && set(key, value)}
      onLeave={leave}
    />
  );
  const pitched = row.kind === 'slots' || row.kind === 'notches';
  const say = (nm: number): string => tapeTextWithUnit(nm as typeof margin, unit);
  return (
    <section className="row-card" aria-label={KIND_WORDS[row.kind]}>
      <RowDrawing answer={answer} />
      <p>
        <strong>
          {fits} {fits === 1 ? 'fits' : 'fit'}
          {fits === wanted ? ', as wanted' : `; ${wanted} wanted`}.
        </strong>{' '}
        {pitched && (
          <>
            From one to the next{' '}
            <Explained title="from one to the next" unit={unit} of={pitch}>
              <LengthText value={pitch.value} unit={unit} withUnit />
            </Explained>
            ,{' '}
          </>
        )}
        {say(margin)} left at each end of{' '}
        <Explained title="inside" unit={unit} of={inside}>
          <LengthText value={inside.value} unit={unit} withUnit />
        </Explained>
        . All that are wanted take{' '}
        <Explained title="all that are wanted" unit={unit} of={needs}>
          <LengthText value={needs.value} unit={unit} withUnit />
        </Explained>
        ; one more than fits takes {say(oneMore)}.
      </p>
      {answer.positions.length > 0 && (
        <p className="quiet">
          {row.kind === 'cells' ? 'Dividers' : 'Near edges'} from the left:{' '}
          {answer.positions
            .slice(0, 24)
            .map((each) => say(each))
            .join(', ')}
          {answer.positions.length > 24 ? ' …' : ''}
        </p>
      )}
      {row.kind === 'modules' && (
        <p className="quiet">Widths: {answer.items.map((item, index) => `${item.name} ${say(answer.widths[index]?.value ?? 0)}`).join(', ')}</p>
      )}
      <div className="fields four">
        <ChoiceField
          label="row"
          name={`rows.${row.id}.kind`}
          value={row.kind}
          options={ROW_KINDS.map((kind) => ({ value: kind, label: KIND_WORDS[kind] }))}
          onChange={(kind) => set('kind', kind)}
        />
        <ChoiceField
          label="on"
          name={`rows.${row.id}.on`}
          value={row.on}
          options={plan.cabinet.compartments.map(({ keptBy, name }) => ({ value: keptBy, label: labelWords(name) }))}
          onChange={(on) => set('on', on)}
        />
        <ChoiceField
          label="of"
          name={`rows.${row.id}.item`}
          value={row.items[0]!}
          options={items.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(id) => set('items', [id, ...row.items.slice(1).filter((each) => each !== id)])}
        />
        {SEVERAL.has(row.kind) && (
          <ChoiceField
            label="and also"
            name={`rows.${row.id}.also`}
            value=""
            options={[
              { value: '', label: `${row.items.length - 1} more` },
              ...items.filter(({ id }) => !row.items.includes(id)).map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(id) => id !== '' && set('items', [...row.items, id])}
          />
        )}
        <NumberField
          label="wanted"
          name={`rows.${row.id}.wanted`}
          whole
          optional
          least={1}
          most={2000}
          value={row.wanted}
          placeholder={String(wanted)}
          onChange={(value) => set('wanted', value)}
          onLeave={leave}
        />
        {pitched && (
          <LengthField
            label="pitch"
            name={`rows.${row.id}.pitch`}
            value={row.pitch}
            unit={unit}
            least={mm(2)}
            most={mm(2000)}
            optional
            placeholder="worked out"
            onChange={(value) => set('pitch', value)}
            onLeave={leave}
          />
        )}
        {row.kind !== 'ledge' && length('clearance', 'play of each', 200)}
        {row.kind !== 'ledge' &&
          row.kind !== 'notches' &&
          row.kind !== 'supports' &&
          length('thickness', row.kind === 'cells' ? 'divider' : row.kind === 'modules' ? 'side of a module' : 'slot', 60)}
        {row.kind === 'supports' && length('gap', 'gap between the supports', 2000)}
        {length('margin', 'margin, at least', 500)}
        {(pitched || row.kind === 'ledge' || row.kind === 'supports') && (
          <>
            <NumberField
              label="tilted back"
              unit="°"
              name={`rows.${row.id}.tiltDeg`}
              least={0}
              most={45}
              value={row.tiltDeg}
              onChange={(value) => value !== null && set('tiltDeg', value)}
              onLeave={leave}
            />
            <LengthField
              label="front lip"
              name={`rows.${row.id}.lip`}
              value={row.lip}
              unit={unit}
              least={mm(3)}
              most={mm(150)}
              optional
              placeholder="none"
              onChange={(value) => set('lip', value)}
              onLeave={leave}
            />
          </>
        )}
      </div>
      <Button onClick={() => apply([{ path: ['units', spec.id, 'rows', row.id], value: undefined }], '', 'Row deleted')}>Delete row</Button>
    </section>
  );
}

/** The row from above, to scale: the inside, and each slot or item. */
function RowDrawing({ answer: { row, inside, positions, fits, margin, widths, items, pitch } }: { readonly answer: RowAnswer }) {
  const WIDTH = 640;
  const scale = WIDTH / Math.max(1, toMm(inside.value));
  const deep = 44;
  const things: { x: number; w: number }[] = [];
  if (widths.length > 0) {
    let at = toMm(margin);
    for (let n = 0; n < Math.min(fits, 400); n++) {
      const w = toMm((widths[n] ?? widths.at(-1)!).value);
      things.push({ x: at, w });
      at += w + (row.kind === 'cells' ? toMm(row.thickness.nm) : 0);
    }
  } else {
    const slot =
      row.kind === 'notches'
        ? toMm((items[0]!.neck ?? items[0]!.width).nm) + toMm(row.clearance.nm)
        : row.kind === 'supports'
          ? toMm(pitch.value)
          : toMm(row.thickness.nm);
    for (const at of positions.slice(0, 400)) things.push({ x: toMm(at), w: slot });
  }
  return (
    <svg className="drawing row-drawing" viewBox={`-2 -2 ${WIDTH + 4} ${deep + 4}`} role="img" aria-label={`${fits} in a row`}>
      <rect className="sheet-edge" x={0} y={0} width={WIDTH} height={deep} />
      {things.map(({ x, w }, index) => (
        <rect
          key={index}
          className="thing-shape"
          x={x * scale}
          y={row.kind === 'notches' ? deep * 0.4 : 6}
          width={Math.max(1, w * scale)}
          height={row.kind === 'notches' ? deep * 0.6 : deep - 12}
        />
      ))}
    </svg>
  );
}
