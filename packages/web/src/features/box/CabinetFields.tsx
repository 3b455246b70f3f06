/** The family's form, generated from its fields: one row each. */
import { familyOf, labelWords, nameInLists, WORDS, type DisplayUnit, type FormField, type FieldGroup, type CabinetSpec, type Workshop } from '@keen/core';
import { FormControlLabel, Switch, TextField } from '@mui/material';
import { memo, useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { selectOpen, selectPlan } from '../project/selectors.ts';
import { at, lengthAt, useEdit } from '../project/useEdit.ts';

export function CabinetFields({ spec, unit, group }: { readonly spec: CabinetSpec; readonly unit: DisplayUnit; readonly group: FieldGroup }) {
  const workshop = useAppSelector((state) => selectOpen(state).workshop);
  return (
    <div className="fields">
      {shownFields(spec, group).map((field) => (
        <CabinetField key={field.path.join('.')} field={field} within={NOWHERE} spec={spec} unit={unit} workshop={workshop} />
      ))}
    </div>
  );
}

/** The fields of a group that matter for this cabinet. */
export const shownFields = (spec: CabinetSpec, group: FieldGroup): FormField[] =>
  familyOf(spec).form.fields.filter((field) => field.group === group && field.kind !== 'id' && (field.when?.(spec) ?? true));

/** Some fields of a cabinet, wherever they are in its form, such as its sheets. */
export function StockFields({ spec, unit, fields }: { readonly spec: CabinetSpec; readonly unit: DisplayUnit; readonly fields: readonly FormField[] }) {
  const workshop = useAppSelector((state) => selectOpen(state).workshop);
  return (
    <div className="fields">
      {fields.map((field) => (
        <CabinetField key={field.path.join('.')} field={field} within={NOWHERE} spec={spec} unit={unit} workshop={workshop} />
      ))}
    </div>
  );
}

/** Value as text; empty for null. */
const textAt = (spec: CabinetSpec, path: readonly string[]): string => {
  const value = at(spec, path);
  return typeof value === 'string' ? value : '';
};

const NOWHERE: readonly string[] = [];

/** The fields of one element: a shelf, a divider, a tool's bay. */
export function ElementFields({
  spec,
  unit,
  list,
  id,
}: {
  readonly spec: CabinetSpec;
  readonly unit: DisplayUnit;
  readonly list: string;
  readonly id: string;
}) {
  const workshop = useAppSelector((state) => selectOpen(state).workshop);
  const within = useMemo(() => [list, id], [list, id]);
  const form = familyOf(spec).form.elements.find(({ path }) => path === list)!;
  const element = at(spec, within);
  return (
    <div className="fields">
      {form.fields
        .filter((field) => field.kind !== 'id' && (field.when?.(element) ?? true))
        .map((field) => (
          <CabinetField key={field.path.join('.')} field={field} within={within} spec={spec} unit={unit} workshop={workshop} />
        ))}
    </div>
  );
}

interface CabinetFieldProps {
  readonly field: FormField;
  /** The element the field belongs to, as a path inside the cabinet. */
  readonly within: readonly string[];
  readonly spec: CabinetSpec;
  readonly unit: DisplayUnit;
  readonly workshop: Workshop;
}

/** A form has thirty fields and a keystroke changes one: the others are not redrawn. */
const isSame = (a: CabinetFieldProps, b: CabinetFieldProps): boolean =>
  a.field === b.field &&
  a.within === b.within &&
  a.unit === b.unit &&
  a.workshop === b.workshop &&
  a.spec.id === b.spec.id &&
  at(a.spec, [...a.within, ...a.field.path]) === at(b.spec, [...b.within, ...b.field.path]) &&
  (a.field.kind !== 'choice' || a.field.options.every((option) => allows(a, option) === allows(b, option)));

const allows = ({ field, spec }: CabinetFieldProps, option: string): boolean => field.kind !== 'choice' || (field.allows?.(spec, option) ?? true);

const CabinetField = memo(function UnitField(props: CabinetFieldProps) {
  const { field, within, spec, unit, workshop } = props;
  const { set, leave } = useEdit();
  const path = [...within, ...field.path];
  const name = path.join('.');
  const label = labelWords({ key: field.label });
  switch (field.kind) {
    case 'length':
      return (
        <LengthField
          label={label}
          name={name}
          value={lengthAt(spec, path)}
          unit={unit}
          least={field.least}
          most={field.most}
          optional={field.optional ?? false}
          placeholder={field.optional ? (within.length > 0 ? 'evenly spaced' : 'none') : ''}
          onChange={(value) => set(spec, path, value)}
          onLeave={leave}
        />
      );
    case 'choice':
      return (
        <ChoiceField
          label={label}
          name={name}
          value={String(at(spec, path))}
          options={field.options.map((value) => ({ value, label: optionWords(path, value), disabled: !allows(props, value) }))}
          onChange={(value) => set(spec, path, value)}
        />
      );
    case 'count':
      return (
        <NumberField
          label={label}
          name={name}
          whole
          value={at(spec, path) as number}
          least={field.least}
          most={field.most}
          onChange={(value) => value !== null && set(spec, path, value)}
          onLeave={leave}
        />
      );
    case 'degrees':
      return (
        <NumberField
          label={label}
          name={name}
          unit="°"
          value={at(spec, path) as number}
          least={field.least}
          most={field.most}
          onChange={(value) => value !== null && set(spec, path, value)}
          onLeave={leave}
        />
      );
    case 'yes-no':
      return (
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={at(spec, path) === true}
              onChange={(event) => set(spec, path, event.target.checked)}
              slotProps={{ input: { 'data-field': name } as Record<string, string> }}
            />
          }
          label={label}
        />
      );
    case 'number':
      return (
        <NumberField
          label={label}
          name={name}
          unit={field.measure === 'factor' ? '' : field.measure}
          value={at(spec, path) as number}
          least={field.least}
          most={field.most}
          onChange={(value) => value !== null && set(spec, path, value)}
          onLeave={leave}
        />
      );
    case 'text':
      return (
        <TextField
          size="small"
          label={label}
          value={textAt(spec, path)}
          onChange={(event) => event.target.value.trim() !== '' && set(spec, path, event.target.value.slice(0, field.most))}
          slotProps={{ htmlInput: { 'data-field': name, maxLength: field.most } }}
        />
      );
    case 'part':
      return (
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={at(spec, path) !== null}
              onChange={(event) => set(spec, path, event.target.checked ? field.start(spec) : null)}
              slotProps={{ input: { 'data-field': name } as Record<string, string> }}
            />
          }
          label={label}
        />
      );
    case 'space':
      return <SpaceField label={label} name={name} value={String(at(spec, path))} spec={spec} onChange={(value) => set(spec, path, value)} />;
    case 'id':
      return null;
    case 'stock':
      return (
        <ChoiceField
          label={label}
          name={name}
          value={textAt(spec, path)}
          options={[
            ...(field.optional ? [{ value: '', label: 'none' }] : []),
            ...Object.values(workshop.products)
              // An existing value is always shown, wherever it came from.
              .filter(({ id, kind }) => !field.sheetsOnly || kind === 'sheet' || id === textAt(spec, path))
              .map((product) => ({ value: product.id, label: nameInLists(product, workshop) })),
          ]}
          onChange={(value) => set(spec, path, value === '' ? null : value)}
        />
      );
  }
}, isSame);

/** 'rabbet' as a joint, or 'in a rabbet' as a back: the path decides where the words differ. */
function optionWords(path: readonly string[], option: string): string {
  const own = `${path.at(-1) === 'kind' ? path[0] : path.at(-1)}-${option}`;
  return WORDS[own] ?? WORDS[option] ?? option;
}

interface SpaceFieldProps {
  readonly label: string;
  readonly name: string;
  readonly value: string;
  readonly spec: CabinetSpec;
  readonly onChange: (value: string) => void;
}

/** A space by its name in the drawing; one that is gone, by its old name. */
function SpaceField({ label, name, value, spec, onChange }: SpaceFieldProps) {
  const plan = useAppSelector(selectPlan).byId.get(spec.id);
  const spaces = (plan?.cabinet.compartments ?? []).map((space) => ({ value: space.keptBy, label: labelWords(space.name) }));
  const options = spaces.some((space) => space.value === value) ? spaces : [{ value, label: `${value} (gone)` }, ...spaces];
  return <ChoiceField label={label} name={name} value={value} options={options} onChange={onChange} />;
}
