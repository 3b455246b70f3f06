/** One item: its outline, its fields, its weight, and where it stands. */
import {
  ITEM_COLUMNS,
  isEstimated,
  ITEM_MATERIALS,
  labelWords,
  massOf,
  massOfOne,
  massText,
  specsInOrder,
  unplacedItems,
  weightText,
  type ItemTableColumn,
  type Entered,
  type Item,
} from '@keen/core';
import { Button, FormControlLabel, Switch } from '@mui/material';
import type { ReactNode } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Explained } from '../../ui/Explained.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { WeightField } from '../../ui/WeightField.tsx';
import { selectDesign, selectPlan, useDisplayUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { moveThings, pinThings, removeItem } from './moveThings.ts';
import { WeighItem } from './WeighItem.tsx';
import { Silhouette } from './Silhouette.tsx';

/** Columns shown as fields; the outline is typed in the table. */
const FIRST: readonly ItemTableColumn['key'][] = ['name', 'kind', 'count', 'width', 'depth', 'height', 'kg', 'material'];
const REST: readonly ItemTableColumn['key'][] = ['stands', 'turned', 'stack', 'deep', 'reach', 'near', 'growth', 'lift', 'neck', 'hole'];

export function ItemReading({ item, findings }: { readonly item: Item; readonly findings: ReactNode }) {
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  const { apply } = useEdit();
  return (
    <div className="reading">
      <div className="item-head">
        <div>
          <h2>{item.name}</h2>
          <p className="kind">
            {item.count} of them,{' '}
            <Explained title={item.name} unit={unit} of={massOf(item, item.count)}>
              {massText(massOf(item, item.count).value, unit)}
            </Explained>{' '}
            {isEstimated(item) ? 'estimated' : 'weighed'}
          </p>
        </div>
        <Silhouette item={item} size={96} />
      </div>
      {findings}
      <div className="fields">
        {FIRST.map((key) => (
          <ItemField key={key} item={item} column={ITEM_COLUMNS.find((column) => column.key === key)!} />
        ))}
        {isEstimated(item) && (
          <p className="quiet">
            One is taken as{' '}
            <Explained title="mass of one" unit={unit} of={massOfOne(item)}>
              {massText(massOfOne(item).value, unit)}
            </Explained>
            , from {ITEM_MATERIALS[item.material]?.name} and its size. Weigh it where it matters.
          </p>
        )}
      </div>
      <details open>
        <summary>Where it stands</summary>
        <Homes item={item} />
      </details>
      <details>
        <summary>How it stands, and room around it</summary>
        <div className="fields">
          {REST.map((key) => (
            <ItemField key={key} item={item} column={ITEM_COLUMNS.find((column) => column.key === key)!} />
          ))}
        </div>
      </details>
      <Button
        color="error"
        onClick={() => {
          dispatch(picked(null));
          apply(removeItem(item), '', `${item.name} taken out`);
        }}
      >
        Take it out
      </Button>
    </div>
  );
}

function ItemField({ item, column }: { readonly item: Item; readonly column: ItemTableColumn }) {
  const unit = useDisplayUnit();
  const { apply, leave } = useEdit();
  const path = ['items', item.id, column.key];
  const name = path.join('.');
  const set = (value: unknown): void => apply([{ path, value }], name);
  const value = item[column.key];
  switch (column.type) {
    case 'text':
      return <NameField label={column.title} name={name} value={value as string} most={column.most} needed={column.needed} onChange={set} onLeave={leave} />;
    case 'choice':
      return (
        <ChoiceField
          label={column.title}
          name={name}
          value={value as string}
          options={column.options.map((option) => ({ value: option, label: column.key === 'material' ? (ITEM_MATERIALS[option]?.name ?? option) : option }))}
          onChange={set}
        />
      );
    case 'count':
      return (
        <NumberField label={column.title} name={name} whole least={column.least} most={column.most} value={value as number} onChange={set} onLeave={leave} />
      );
    case 'mass':
      return (
        <>
          <WeightField
            label="weight of one"
            name={name}
            unit={unit}
            value={item.kg}
            placeholder={item.kg === null ? `≈ ${weightText(massOfOne(item).value, unit)}` : ''}
            onChange={set}
            onLeave={leave}
          />
          <WeighItem key={item.id} item={item} unit={unit} onWeight={set} />
        </>
      );
    case 'yes-no':
      return (
        <FormControlLabel control={<Switch size="small" checked={value as boolean} onChange={(event) => set(event.target.checked)} />} label={column.title} />
      );
    case 'length':
      return (
        <LengthField
          label={column.title}
          name={name}
          value={value as Entered | null}
          unit={unit}
          least={column.least}
          most={column.most}
          optional={column.optional}
          placeholder={column.optional ? 'usual' : ''}
          onChange={set}
          onLeave={leave}
        />
      );
    case 'profile':
      return null;
  }
}

/** The typed twin of dragging: every floor it stands on, how many, and whether they are pinned. */
function Homes({ item }: { readonly item: Item }) {
  const design = useAppSelector(selectDesign);
  const plan = useAppSelector(selectPlan);
  const { apply } = useEdit();
  const loose = unplacedItems(design).find(({ item: each }) => each.id === item.id)?.count ?? 0;
  const floors = specsInOrder(design).flatMap((spec) =>
    plan.byId.get(spec.id)!.cabinet.compartments.map(({ keptBy, name }) => ({ unit: spec.id, on: keptBy, words: `${spec.name}: ${labelWords(name)}` })),
  );
  const options = [{ value: '', label: 'without a place' }, ...floors.map(({ unit, on, words }) => ({ value: `${unit}/${on}`, label: words }))];
  const target = (value: string): { unit: string; on: string } | null => floors.find(({ unit, on }) => `${unit}/${on}` === value) ?? null;
  const rows = floors.flatMap((floor) => {
    const home = item.homes[floor.unit]?.[floor.on];
    return home ? [{ floor, home }] : [];
  });
  return (
    <div className="fields">
      {rows.map(({ floor, home }) => (
        <div key={`${floor.unit}/${floor.on}`} className="home-row">
          <ChoiceField
            label={`${home.count} on`}
            name={`home.${floor.unit}.${floor.on}`}
            value={`${floor.unit}/${floor.on}`}
            options={options}
            onChange={(value) => apply(moveThings(item, home.count, floor, target(value)), '', `${item.name} moved`)}
          />
          <FormControlLabel
            control={<Switch size="small" checked={home.pinned} onChange={(event) => apply(pinThings(item, floor.unit, floor.on, event.target.checked), '')} />}
            label="stays here when the rest is set out"
          />
        </div>
      ))}
      {loose > 0 && (
        <ChoiceField
          label={`${loose} without a place: put on`}
          name="home.loose"
          value=""
          options={options}
          onChange={(value) => apply(moveThings(item, loose, null, target(value)), '', `${item.name} placed`)}
        />
      )}
    </div>
  );
}
