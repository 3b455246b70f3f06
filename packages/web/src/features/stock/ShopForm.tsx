/** The shop as its owner tells it: machines, dado stack, bits, jigs, what each fit stands for. Saved at once as a whole. */
import {
  entered,
  exactTextWithUnit,
  MACHINE_KINDS,
  machinesInOrder,
  MEASURE_LIMITS,
  mm,
  newBit,
  newMachine,
  STARTER_SHOPS,
  type Bit,
  type DisplayUnit,
  type Entered,
  type Fit,
  type Machine,
  type MachineKind,
  type Measure,
  type Shop,
  type Stack,
  type Workshop,
} from '@keen/core';
import { Button, FormControlLabel, Switch, TextField } from '@mui/material';
import { useState } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { LengthListField } from '../../ui/LengthListField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { useDisplayUnit } from '../project/selectors.ts';
import { useWorkshopChange } from './useWorkshopChange.ts';

const MEASURE_WORDS: Readonly<Record<Measure, string>> = {
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

const FIT_WORDS: Readonly<Record<Fit, string>> = { tight: 'tight fit: play', push: 'push fit: play', glue: 'glue fit: play', loose: 'loose fit: play' };
const FITS = Object.keys(FIT_WORDS) as readonly Fit[];

export function ShopForm({ workshop }: { readonly workshop: Workshop }) {
  const unit = useDisplayUnit();
  const save = useWorkshopChange();
  const [shop, setShop] = useState(workshop.shop);
  const [round, setRound] = useState(0);
  const startFrom = (id: string): void => {
    const made = STARTER_SHOPS.find((each) => each.id === id)?.make();
    if (!made) return;
    // Fits, sheet trim and what one lifts are the person's own, whatever stands in the shop.
    const { machines, stack, bits, jigs } = made;
    setShop({ ...shop, machines, stack, bits, jigs });
    setRound(round + 1);
  };
  return (
    <form
      className="shop"
      onSubmit={(event) => {
        event.preventDefault();
        void save({ ...workshop, shop });
      }}
    >
      <div className="fields four" key={round}>
        <ChoiceField
          label="start again from"
          name="shop.start"
          value=""
          options={[{ value: '', label: 'the shop as it is' }, ...STARTER_SHOPS.map(({ id, name }) => ({ value: id, label: name }))]}
          onChange={startFrom}
        />
        <LengthField
          label="trimmed off sheet edges"
          name="shop.trim"
          value={shop.trim}
          unit={unit}
          least={mm(0)}
          most={mm(100)}
          onChange={(trim) => trim && setShop({ ...shop, trim })}
        />
        <NumberField
          label="one person lifts"
          name="shop.liftsKg"
          unit="kg"
          least={1}
          most={200}
          value={shop.liftsKg}
          onChange={(liftsKg) => liftsKg !== null && setShop({ ...shop, liftsKg })}
        />
      </div>
      <Machines key={`machines ${round}`} shop={shop} unit={unit} onChange={(machines) => setShop({ ...shop, machines })} />
      <StackFields key={`stack ${round}`} stack={shop.stack} unit={unit} onChange={(stack) => setShop({ ...shop, stack })} />
      <Bits key={`bits ${round}`} bits={shop.bits} unit={unit} onChange={(bits) => setShop({ ...shop, bits })} />
      <h3>Jigs and fits</h3>
      <div className="fields four">
        <FormControlLabel
          control={<Switch checked={shop.jigs.pins} onChange={(event) => setShop({ ...shop, jigs: { ...shop.jigs, pins: event.target.checked } })} />}
          label="a jig for rows of shelf pins"
        />
        <FormControlLabel
          control={<Switch checked={shop.jigs.pockets} onChange={(event) => setShop({ ...shop, jigs: { ...shop.jigs, pockets: event.target.checked } })} />}
          label="a jig for pocket holes"
        />
        {FITS.map((fit) => (
          <LengthField
            key={fit}
            label={FIT_WORDS[fit]}
            name={`shop.fits.${fit}`}
            value={shop.fits[fit]}
            unit={unit}
            least={mm(-1)}
            most={mm(5)}
            onChange={(play) => play && setShop({ ...shop, fits: { ...shop.fits, [fit]: play } })}
          />
        ))}
      </div>
      <Button type="submit" variant="outlined" disabled={shop === workshop.shop}>
        Save the shop
      </Button>
    </form>
  );
}

function Machines({ shop, unit, onChange }: { readonly shop: Shop; readonly unit: DisplayUnit; readonly onChange: (machines: Shop['machines']) => void }) {
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
            {(Object.keys(MACHINE_KINDS[machine.kind].has) as Measure[]).map((measure) => (
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
  readonly measure: Measure;
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

function StackFields({
  stack,
  unit,
  onChange,
}: {
  readonly stack: Stack | null;
  readonly unit: DisplayUnit;
  readonly onChange: (stack: Stack | null) => void;
}) {
  const blank = STARTER_SHOPS[0]!.make().stack;
  return (
    <>
      <h3>Dado stack</h3>
      <div className="fields four">
        <FormControlLabel
          control={<Switch checked={stack !== null} onChange={(event) => onChange(event.target.checked ? blank : null)} />}
          label="there is one"
        />
        {stack && (
          <>
            <LengthField
              label="both outer blades"
              name="shop.stack.outer"
              value={stack.outer}
              unit={unit}
              least={mm(2)}
              most={mm(20)}
              onChange={(outer) => outer && onChange({ ...stack, outer })}
            />
            <LengthField
              label="cuts wider than it is by"
              name="shop.stack.over"
              value={stack.over}
              unit={unit}
              least={mm(-2)}
              most={mm(2)}
              onChange={(over) => over && onChange({ ...stack, over })}
            />
            <LengthListField
              label="chippers"
              name="shop.stack.chippers"
              value={stack.chippers}
              unit={unit}
              least={mm(0.02)}
              most={mm(12)}
              longest={12}
              onChange={(chippers) => onChange({ ...stack, chippers })}
            />
            <LengthListField
              label="shims"
              name="shop.stack.shims"
              value={stack.shims}
              unit={unit}
              least={mm(0.02)}
              most={mm(12)}
              longest={20}
              onChange={(shims) => onChange({ ...stack, shims })}
            />
          </>
        )}
      </div>
    </>
  );
}

const BIT_WORDS: Readonly<Record<Bit['kind'], string>> = { straight: 'straight bits', drill: 'drill bits', forstner: 'Forstner bits' };

/** Diameters alone: a bit keeps its id, and what test cuts said of it, as long as its diameter stays in the list. */
function Bits({ bits, unit, onChange }: { readonly bits: Shop['bits']; readonly unit: DisplayUnit; readonly onChange: (bits: Shop['bits']) => void }) {
  const ofKind = (kind: Bit['kind']): Bit[] =>
    Object.values(bits)
      .filter((bit) => bit.kind === kind)
      .sort((a, b) => a.diameter.nm - b.diameter.nm);
  const set = (kind: Bit['kind'], diameters: readonly Entered[]): void => {
    const others = Object.values(bits).filter((bit) => bit.kind !== kind);
    const known = ofKind(kind);
    let next = 1 + Math.max(0, ...Object.keys(bits).map((id) => Number(/-(\d+)$/.exec(id)?.[1] ?? 0)));
    const unique = [...new Map(diameters.map((diameter) => [diameter.nm, diameter])).values()];
    const kept = unique.map((diameter, index) => {
      const before = known.find((bit) => bit.diameter.nm === diameter.nm);
      return before ? { ...before, diameter } : { ...newBit(`${kind}-${next++}`, index, kind, '1 mm'), diameter: entered(diameter.text) };
    });
    onChange(Object.fromEntries([...others, ...kept].map((bit) => [bit.id, bit])));
  };
  return (
    <>
      <h3>Bits</h3>
      <div className="fields bits">
        {(Object.keys(BIT_WORDS) as Bit['kind'][]).map((kind) => (
          <LengthListField
            key={kind}
            label={BIT_WORDS[kind]}
            name={`shop.bits.${kind}`}
            value={ofKind(kind).map(({ diameter }) => diameter)}
            unit={unit}
            least={mm(0.5)}
            most={mm(60)}
            longest={40}
            onChange={(diameters) => set(kind, diameters)}
          />
        ))}
      </div>
    </>
  );
}
