/** The machines of the shop: each with the measures its kind has, one taken out or another added. */
import {
  exactTextWithUnit,
  MACHINE_KINDS,
  machinesInOrder,
  MEASURE_LIMITS,
  mm,
  newMachine,
  type DisplayUnit,
  type Entered,
  type Machine,
  type MachineKind,
  type MeasureKey,
  type Shop,
} from '@keen/core';
import { Button, TextField } from '@mui/material';
import { useState } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';

const MEASURE_WORDS: Readonly<Record<MeasureKey, string>> = {
  kerf: 'kerf',
  deep: 'cuts so deep',
  rip: 'fence goes out to',
  crosscut: 'widest piece across',
  guide: 'longest cut along the guide',
  tiltDeg: 'tilts to',
  tilts: 'tilts to the',
  mitreDeg: 'turns to',
  stack: 'room for a dado stack',
  base: 'bit to the edge of the base',
};

export function MachinesForm({
  shop,
  unit,
  onChange,
}: {
  readonly shop: Shop;
  readonly unit: DisplayUnit;
  readonly onChange: (machines: Shop['machines']) => void;
}) {
  const kinds = Object.keys(MACHINE_KINDS) as MachineKind[];
  const [adding, setAdding] = useState<MachineKind>('router');
  const rows = machinesInOrder(shop);
  const add = (): void => {
    const order = 1 + Math.max(-1, ...rows.map((row) => row.order));
    const free = Array.from({ length: rows.length + 1 }, (_, n) => (n === 0 ? adding : `${adding}-${n + 1}`)).find((id) => !Object.hasOwn(shop.machines, id))!;
    onChange({ ...shop.machines, [free]: newMachine(adding, free, order) });
  };
  return (
    <>
      <h3>Machines</h3>
      {rows.map((machine) => (
        <details key={machine.id} className="machine">
          <summary>
            {machine.name} <span className="quiet">{briefly(machine, unit)}</span>
          </summary>
          <div className="fields four">
            <TextField
              label="called"
              size="small"
              value={machine.name}
              slotProps={{ htmlInput: { 'data-field': `shop.${machine.id}.name`, maxLength: 80 } }}
              onChange={(event) => onChange({ ...shop.machines, [machine.id]: { ...machine, name: event.target.value } })}
            />
            {(Object.keys(MACHINE_KINDS[machine.kind].has) as MeasureKey[]).map((measure) => (
              <MeasureField
                key={measure}
                machine={machine}
                measure={measure}
                unit={unit}
                onChange={(next) => onChange({ ...shop.machines, [machine.id]: next })}
              />
            ))}
            <Button
              onClick={() => onChange(Object.fromEntries(Object.entries(shop.machines).filter(([id]) => id !== machine.id)))}
              aria-label={`Take the ${machine.name} out of the shop`}
            >
              Take it out
            </Button>
          </div>
        </details>
      ))}
      <div className="fields four">
        <ChoiceField
          label="another machine"
          name="shop.add"
          value={adding}
          options={kinds.map((kind) => ({ value: kind, label: MACHINE_KINDS[kind].name }))}
          onChange={(kind) => setAdding(kind as MachineKind)}
        />
        <Button variant="outlined" onClick={add}>
          Add it
        </Button>
      </div>
    </>
  );
}

/** The figures that decide what it is used for. */
const briefly = (machine: Machine, unit: DisplayUnit): string =>
  (['rip', 'crosscut', 'guide', 'kerf'] as const)
    .flatMap((measure) => (machine[measure] ? [`${MEASURE_WORDS[measure]} ${exactTextWithUnit(machine[measure].nm, unit)}`] : []))
    .join(', ');

interface MeasureFieldProps {
  readonly machine: Machine;
  readonly measure: MeasureKey;
  readonly unit: DisplayUnit;
  readonly onChange: (next: Machine) => void;
}

function MeasureField({ machine, measure, unit, onChange }: MeasureFieldProps) {
  const label = MEASURE_WORDS[measure];
  const name = `shop.${machine.id}.${measure}`;
  if (measure === 'tilts')
    return (
      <ChoiceField
        label={label}
        name={name}
        value={machine.tilts ?? 'left'}
        options={[
          { value: 'left', label: 'left' },
          { value: 'right', label: 'right' },
        ]}
        onChange={(tilts) => onChange({ ...machine, tilts: tilts as 'left' | 'right' })}
      />
    );
  const [least, most] = MEASURE_LIMITS[measure];
  if (measure === 'tiltDeg' || measure === 'mitreDeg')
    return (
      <NumberField
        label={label}
        name={name}
        unit="°"
        least={least}
        most={most}
        value={machine[measure] ?? 0}
        onChange={(degrees) => degrees !== null && onChange({ ...machine, [measure]: degrees })}
      />
    );
  const optional = measure === 'stack';
  return (
    <LengthField
      label={label}
      name={name}
      value={machine[measure] ?? null}
      unit={unit}
      least={mm(least)}
      most={mm(most)}
      optional={optional}
      {...(optional ? { placeholder: 'none' } : {})}
      onChange={(length: Entered | null) => (length || optional) && onChange({ ...machine, [measure]: length })}
    />
  );
}
