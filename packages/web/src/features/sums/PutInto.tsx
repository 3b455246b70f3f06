/** Puts a result into the cabinet: a length into a length, an angle into an angle, a list into as many shelves or dividers. */
import { MM_PER_INCH, entered, familyOf, labelWords, sumKeyWords, typedText, type Entered, type SumResult, type SumAnswer, type CabinetSpec } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { isResult } from './SumResults.tsx';
import { at, useEdit } from '../project/useEdit.ts';

interface Place {
  readonly id: string;
  readonly name: string;
  readonly edit: (spec: CabinetSpec) => { readonly path: readonly string[]; readonly value: unknown }[];
  readonly says: string;
}

export function PutInto({ answer, spec }: { readonly answer: SumAnswer; readonly spec: CabinetSpec }) {
  const { apply } = useEdit();
  // A list goes first where there are equally many elements: the likely target.
  const fit = Object.entries(answer.results)
    .flatMap(([key, result]) => {
      const places = isResult(result) ? placesFor(spec, result) : [];
      return places.length > 0 ? [{ key, places, list: isResult(result) && typeof result.value === 'object' }] : [];
    })
    .sort((a, b) => Number(b.list) - Number(a.list));
  const [chosen, setChosen] = useState<string | null>(null);
  const [where, setWhere] = useState<string | null>(null);
  if (fit.length === 0) return null;
  const row = fit.find(({ key }) => key === chosen) ?? fit[0]!;
  const place = row.places.find(({ id }) => id === where) ?? (row.places.length === 1 ? row.places[0] : undefined);
  const put = (): void => {
    if (place) apply(place.edit(spec), '', `${spec.name}: ${place.name} is ${place.says}`);
  };
  return (
    <div className="put-into" role="group" aria-label={`Put it into ${spec.name}`}>
      <ChoiceField
        label="put"
        value={row.key}
        options={fit.map(({ key }) => ({ value: key, label: sumKeyWords(answer.sum, key) }))}
        onChange={(key) => {
          setChosen(key);
          setWhere(null);
        }}
      />
      <ChoiceField
        label={`into ${spec.name}`}
        value={place?.id ?? ''}
        options={[...(row.places.length > 1 ? [{ value: '', label: 'choose …' }] : []), ...row.places.map(({ id, name }) => ({ value: id, label: name }))]}
        onChange={setWhere}
      />
      <Button variant="outlined" disabled={!place} onClick={put}>
        {place ? `Put ${place.says} there` : 'Put it there'}
      </Button>
    </div>
  );
}

/** Rounded to a tenth of a millimeter or a sixty-fourth: what is put in is what is read. */
function asEntered(mm: number, unit: CabinetSpec['unit']): Entered {
  return unit === 'mm' ? entered(`${Math.round(mm * 10) / 10} mm`) : entered(`${Math.round((mm / MM_PER_INCH) * 64)}/64 in`);
}

function placesFor(spec: CabinetSpec, { value, unit }: SumResult): Place[] {
  const { fields, elements } = familyOf(spec).form;
  if (typeof value === 'object') {
    if (unit !== 'mm') return [];
    return elements.flatMap(({ path, label, fields: own }): Place[] => {
      const rows = Object.values((spec as unknown as Record<string, Record<string, { id: string; order: number }>>)[path] ?? {}).sort(
        (a, b) => a.order - b.order,
      );
      if (rows.length !== value.length || !own.some((field) => field.path.join('.') === 'at' && field.kind === 'length')) return [];
      const lengths = value.map((mm) => asEntered(mm, spec.unit));
      return [
        {
          id: path,
          name: labelWords({ key: label }),
          says: lengths.map((each) => typedText(each, spec.unit)).join(', '),
          edit: () => rows.map(({ id }, index) => ({ path: ['units', spec.id, path, id, 'at'], value: lengths[index] })),
        },
      ];
    });
  }
  if (typeof value !== 'number') return [];
  return fields.flatMap((field): Place[] => {
    if (field.when && !field.when(spec)) return [];
    const path = field.path.join('.');
    const base = { id: path, name: labelWords({ key: field.label }) };
    const edit = (put: unknown) => () => [{ path: ['units', spec.id, ...field.path], value: put }];
    if (field.kind === 'length' && unit === 'mm') {
      const put = asEntered(value, spec.unit);
      if (put.nm < field.least || put.nm > field.most) return [];
      return [{ ...base, says: `${typedText(put, spec.unit)} ${spec.unit}`, edit: edit(put) }];
    }
    if (field.kind === 'degrees' && unit === 'deg' && value >= field.least && value <= field.most)
      return [{ ...base, says: `${Math.round(value * 100) / 100}°`, edit: edit(Math.round(value * 100) / 100) }];
    if (
      field.kind === 'count' &&
      unit === undefined &&
      Number.isInteger(value) &&
      value >= field.least &&
      value <= field.most &&
      at(spec, field.path) !== value
    )
      return [{ ...base, says: String(value), edit: edit(value) }];
    return [];
  });
}
