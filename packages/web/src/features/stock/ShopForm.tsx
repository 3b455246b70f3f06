/** The shop as its owner says it: machines, dado stack, bits, clamps, labels, jigs, what each fit stands for. Saved at once as a whole. */
import {
  entered,
  mm,
  newBit,
  STARTER_SHOPS,
  type Bit,
  type DisplayUnit,
  type Entered,
  type Fit,
  type Length,
  type Repeatability,
  type Shop,
  type DadoStack,
  type Workshop,
} from '@keen/core';
import { Button, FormControlLabel, Switch } from '@mui/material';
import { useState } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { LengthListField } from '../../ui/LengthListField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { useDisplayUnit } from '../project/selectors.ts';
import { ClampsForm } from './ClampsForm.tsx';
import { LabelsForm } from './LabelsForm.tsx';
import { MachinesForm } from './MachinesForm.tsx';
import { useDraft } from './useDraft.ts';
import { useWorkshopChange } from './useWorkshopChange.ts';

const FIT_WORDS: Readonly<Record<Fit, string>> = { tight: 'tight fit: play', push: 'push fit: play', glue: 'glue fit: play', loose: 'loose fit: play' };
const REPEAT_WORDS: Readonly<Record<Repeatability, string>> = {
  slot: 'width of a slot: spread',
  depth: 'depth of a slot: spread',
  length: 'length of a part: spread',
  place: 'place of a slot: spread',
  hinge: 'hang of a door: spread',
};

/** What is worth keeping of what is left over, and what the car takes lying flat. */
function SizesFields({ shop, unit, onChange }: { readonly shop: Shop; readonly unit: DisplayUnit; readonly onChange: (shop: Shop) => void }) {
  const { keep, car } = shop;
  const side = (of: 'keep' | 'car', which: 'length' | 'width', label: string, value: Entered, least: Length, most: Length) => (
    <LengthField
      label={label}
      name={`shop.${of}.${which}`}
      value={value}
      unit={unit}
      least={least}
      most={most}
      onChange={(size) => size && onChange({ ...shop, [of]: { ...(of === 'keep' ? keep : car!), [which]: size } })}
    />
  );
  return (
    <div className="fields four">
      {side('keep', 'length', 'worth keeping: as long as', keep.length, mm(20), mm(3000))}
      {side('keep', 'width', 'and as wide as', keep.width, mm(20), mm(3000))}
      <FormControlLabel
        control={
          <Switch
            checked={car !== null}
            onChange={(event) => onChange({ ...shop, car: event.target.checked ? { length: entered('1600 mm'), width: entered('1000 mm') } : null })}
          />
        }
        label="sheets go in a car"
      />
      {car && side('car', 'length', 'it takes, lying flat: length', car.length, mm(300), mm(6000))}
      {car && side('car', 'width', 'and width', car.width, mm(300), mm(3000))}
    </div>
  );
}

export function ShopForm({ workshop }: { readonly workshop: Workshop }) {
  const unit = useDisplayUnit();
  const save = useWorkshopChange();
  const [shop, setShop] = useDraft(workshop.shop);
  const [round, setRound] = useState(0);
  const startFrom = (id: string): void => {
    const made = STARTER_SHOPS.find((each) => each.id === id)?.make();
    if (!made) return;
    // Fits, clamps, labels, sheet trim and what one lifts are the person's own, whatever stands in the shop.
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
      <SizesFields shop={shop} unit={unit} onChange={setShop} />
      <MachinesForm key={`machines ${round}`} shop={shop} unit={unit} onChange={(machines) => setShop({ ...shop, machines })} />
      <StackFields key={`stack ${round}`} stack={shop.stack} unit={unit} onChange={(stack) => setShop({ ...shop, stack })} />
      <Bits key={`bits ${round}`} bits={shop.bits} unit={unit} onChange={(bits) => setShop({ ...shop, bits })} />
      <ClampsForm shop={shop} unit={unit} onChange={(clamps) => setShop({ ...shop, clamps })} />
      <LabelsForm shop={shop} unit={unit} onChange={(labels) => setShop({ ...shop, labels })} />
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
        <Lengths
          words={FIT_WORDS}
          name="shop.fits"
          values={shop.fits}
          unit={unit}
          least={mm(-1)}
          most={mm(5)}
          onChange={(fits) => setShop({ ...shop, fits })}
        />
      </div>
      <h3>How well cuts repeat</h3>
      <p className="quiet">
        Set up and cut ten times over: two of three come out within the spread of their mean. “Will it go together?” is worked out from these.
      </p>
      <div className="fields four">
        <Lengths
          words={REPEAT_WORDS}
          name="shop.repeats"
          values={shop.repeats}
          unit={unit}
          least={mm(0.001)}
          most={mm(5)}
          onChange={(repeats) => setShop({ ...shop, repeats })}
        />
      </div>
      <Button type="submit" variant="outlined" disabled={shop === workshop.shop}>
        Save the shop
      </Button>
    </form>
  );
}

interface LengthsProps<K extends string> {
  readonly words: Readonly<Record<K, string>>;
  readonly name: string;
  readonly values: Readonly<Record<K, Entered>>;
  readonly unit: DisplayUnit;
  readonly least: Length;
  readonly most: Length;
  readonly onChange: (values: Readonly<Record<K, Entered>>) => void;
}

/** A field for each of some lengths that are told together. */
function Lengths<K extends string>({ words, name, values, unit, least, most, onChange }: LengthsProps<K>) {
  return (Object.keys(words) as K[]).map((key) => (
    <LengthField
      key={key}
      label={words[key]}
      name={`${name}.${key}`}
      value={values[key]}
      unit={unit}
      least={least}
      most={most}
      onChange={(length) => length && onChange({ ...values, [key]: length })}
    />
  ));
}

function StackFields({
  stack,
  unit,
  onChange,
}: {
  readonly stack: DadoStack | null;
  readonly unit: DisplayUnit;
  readonly onChange: (stack: DadoStack | null) => void;
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
