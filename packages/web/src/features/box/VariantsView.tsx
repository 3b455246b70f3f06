/** Variants of the cabinet side by side: the picture, and the figures to compare. One click uses a variant; the current cabinet is kept. */
import {
  boundsOfCabinet,
  createPlanner,
  figuresOf,
  keepVariant,
  linkWords,
  massText,
  percentText,
  sagText,
  stockFor,
  chooseVariant,
  tapeTextWithUnit,
  variantFigures,
  variantsOf,
  type Planner,
  type VariantFigures,
} from '@keen/core';
import { Button, TextField } from '@mui/material';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { Elevation } from '../../ui/Elevation.tsx';
import { selectOpen, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';

/** Each variant has its own planner, so that an edit replans that one only. */
const planners = new Map<string, Planner>();
function plannerOf(tried: string | null): Planner {
  const planner = planners.get(tried ?? '') ?? createPlanner();
  planners.set(tried ?? '', planner);
  return planner;
}

/** More columns cannot be compared at a glance. */
const MOST = 4;

export function VariantsView({ shown }: { readonly shown: ShownCabinet }) {
  const { design, record, workshop } = useAppSelector(selectOpen);
  const { apply } = useEdit();
  const { spec, unit } = shown;
  const kept = variantsOf(design, spec.id);
  const rows = useMemo(() => variantFigures(plannerOf, design, record, workshop, spec.id), [design, record, workshop, spec.id]);
  const keep = (): void => {
    const id = `t${crypto.randomUUID().slice(0, 8)}`;
    apply(keepVariant(design, spec.id, id, `Try ${kept.length + 1}`), '', 'Kept as a try');
  };
  const bounds = rows.map(({ plan }) => boundsOfCabinet(plan.cabinet));
  const [widest, highest] = [Math.max(...bounds.map(({ low, high }) => high.along - low.along)), Math.max(...bounds.map(({ low, high }) => high.up - low.up))];
  return (
    <div className="tries">
      <div className="tries-row">
        {rows.map((row) => (
          <VariantColumn key={row.id ?? ''} row={row} unit={unit} size={{ width: widest, height: highest }} />
        ))}
        <div className="tried tried-new">
          <Button variant="outlined" disabled={kept.length >= MOST - 1} onClick={keep}>
            Keep it as a try
          </Button>
          <p className="quiet">
            {kept.length >= MOST - 1
              ? 'Three tries are kept: take one out first.'
              : 'The unit as it stands is put by. Change it as you like: both are compared here, and you can go back.'}
          </p>
        </div>
      </div>
    </div>
  );
}

function VariantColumn({
  row,
  unit,
  size,
}: {
  readonly row: VariantFigures;
  readonly unit: 'mm' | 'in';
  readonly size: { readonly width: number; readonly height: number };
}) {
  const { design, workshop } = useAppSelector(selectOpen);
  const { apply } = useEdit();
  const { id, name, plan } = row;
  const stock = useMemo(() => stockFor(plan.parts, workshop), [plan.parts, workshop]);
  const figures = figuresOf(plan);
  const weakest = plan.hang.links[0];
  const { width, height, depth } = plan.cabinet.outside;
  const facts: readonly (readonly [string, string, string?])[] = [
    ['outside', `${tapeTextWithUnit(width.value, unit)} × ${tapeTextWithUnit(height.value, unit)}`],
    ['into the room', tapeTextWithUnit(depth.value, unit)],
    [
      'sheets, boards',
      `${stock.sheets}${stock.boards > 0 ? ` and ${stock.boards}` : ''}${stock.unplaced > 0 ? `, ${stock.unplaced} not placed` : ''}`,
      stock.unplaced > 0 ? 'danger' : '',
    ],
    ['money', `${workshop.currency}${stock.cost.toFixed(2)}`],
    ['weight, empty and loaded', `${massText(figures.emptyKg, unit)}, ${massText(plan.loaded.mass.value, unit)}`],
    ['worst sag, in years', plan.sag.length > 0 ? sagText(figures.worstSagMm, unit) : 'no shelf'],
    ['weakest link', weakest ? `${linkWords(weakest)}: ${percentText(weakest.use.value)}` : 'nothing hangs', weakest && weakest.use.value > 1 ? 'danger' : ''],
    ['to look at', `${figures.findings}${figures.stops > 0 ? `, ${figures.stops} to stop for` : ''}`, figures.stops > 0 ? 'danger' : ''],
  ];
  return (
    <section className={`tried ${id === null ? 'standing' : ''}`} aria-label={id === null ? `${name}, as it stands` : name}>
      {id === null ? (
        <h3>{name}, as it stands</h3>
      ) : (
        <TextField
          size="small"
          variant="standard"
          value={name}
          slotProps={{ htmlInput: { 'aria-label': 'Name of the try', maxLength: 80 } }}
          onChange={(event) => apply([{ path: ['tries', id, 'name'], value: event.target.value }], `tries.${id}.name`)}
        />
      )}
      <Elevation cabinet={plan.cabinet} size={size} />
      <dl>
        {facts.map(([term, value, look]) => (
          <div key={term}>
            <dt>{term}</dt>
            <dd className={look ?? ''}>{value}</dd>
          </div>
        ))}
      </dl>
      {id !== null && (
        <div className="tried-actions">
          <Button size="small" variant="contained" onClick={() => apply(chooseVariant(design, id), '', `${name} taken`)}>
            Take this one
          </Button>
          <Button size="small" onClick={() => apply([{ path: ['tries', id], value: undefined }], '', `${name} taken out`)}>
            Take it out
          </Button>
        </div>
      )}
    </section>
  );
}
