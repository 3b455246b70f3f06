/** Form for what can be seen and measured of a cabinet that hangs, with limits, in the order of inspection. */
import {
  entered,
  enteredFromNm,
  MATERIALS,
  mm,
  SCREW_IDS,
  tapeTextWithUnit,
  EXISTING_BOTTOMS,
  EXISTING_CLEATS,
  EXISTING_FIXINGS,
  EXISTING_HOLDS,
  type DisplayUnit,
  type Entered,
  type Length,
  type ExistingCabinet,
} from '@keen/core';
import { FormControlLabel, Switch } from '@mui/material';
import type { ReactNode } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/NumberField.tsx';

export interface ExistingCabinetFormProps {
  readonly existing: ExistingCabinet;
  readonly set: (change: Partial<ExistingCabinet>) => void;
  readonly unit: DisplayUnit;
}

type KeysOf<T> = { [K in keyof ExistingCabinet]: ExistingCabinet[K] extends T ? K : never }[keyof ExistingCabinet];

const WORDS: Readonly<Record<string, string>> = {
  'wood-screws': 'wood screws',
  'drywall-screws': 'drywall screws',
  nails: 'nails',
  screws: 'screws',
  staples: 'staples',
  dado: 'a glued dado',
  'butt-glue': 'glue alone, butted',
};

/** Finest division of an inch tape: measures that lie on it are shown in inches, others as entered. */
const THIRTY_SECOND = 793_750;
const shownIn = (nm: Length, unit: DisplayUnit): Entered =>
  unit === 'in' && nm !== 0 && nm % THIRTY_SECOND === 0 ? entered(tapeTextWithUnit(nm, 'in')) : enteredFromNm(nm);

export function ExistingCabinetForm({ existing, set, unit: shown }: ExistingCabinetFormProps) {
  const length = (key: KeysOf<ExistingCabinet['height']>, label: string, least: number, most: number): ReactNode => (
    <LengthField
      label={label}
      name={`worry.${key}`}
      value={shownIn(existing[key] as ExistingCabinet['height'], shown)}
      unit={shown}
      least={mm(least)}
      most={mm(most)}
      onChange={(value) => value && set({ [key]: value.nm })}
    />
  );
  const number = (
    key: 'emptyKg' | 'contentsKg' | 'floorKg' | 'studs' | 'perStud' | 'heldCount' | 'bottomCount' | 'wallBevelDeg' | 'cabinetBevelDeg',
    label: string,
    unit: string,
    most: number,
    whole = false,
    least = 0,
  ): ReactNode => (
    <NumberField
      label={label}
      name={`worry.${key}`}
      value={existing[key]}
      unit={unit}
      least={least}
      most={most}
      whole={whole}
      onChange={(value) => value !== null && set({ [key]: value })}
    />
  );
  const choice = <K extends 'fixing' | 'heldBy' | 'bottomBy'>(key: K, label: string, options: readonly ExistingCabinet[K][]): ReactNode => (
    <ChoiceField
      label={label}
      name={`worry.${key}`}
      value={existing[key]}
      options={options.map((value) => ({ value, label: WORDS[value]! }))}
      onChange={(value) => set({ [key]: value })}
    />
  );
  const yes = (key: 'upsideDown' | 'spacer' | 'locked' | 'glueOnFinish', label: string): ReactNode => (
    <FormControlLabel control={<Switch size="small" checked={existing[key]} onChange={(event) => set({ [key]: event.target.checked })} />} label={label} />
  );
  return (
    <form className="fields" onSubmit={(event) => event.preventDefault()} aria-label="The unit as it hangs">
      <h2>The unit</h2>
      {length('height', 'height', 100, 2700)}
      {length('depth', 'depth', 40, 900)}
      {number('emptyKg', 'weighs empty', 'kg', 300)}
      {number('contentsKg', 'holds in all', 'kg', 1000)}
      {number('floorKg', 'on the floor that holds most', 'kg', 1000)}
      <h2>In the wall</h2>
      {number('studs', 'studs its fixings reach (0: wallboard alone)', '', 12, true)}
      {number('perStud', 'in each stud', '', 6, true, 1)}
      {choice('fixing', 'fixed with', EXISTING_FIXINGS)}
      <ChoiceField
        label="as thick as"
        name="worry.screw"
        value={existing.screw}
        options={SCREW_IDS.map((value) => ({ value, label: value }))}
        onChange={(screw) => set({ screw })}
      />
      {length('screwLength', 'as long as', 15, 200)}
      {length('covering', 'covering: wallboard, tile, air', 0, 200)}
      <h2>The cleat</h2>
      <ChoiceField
        label="ripped from"
        name="worry.cleat"
        value={existing.cleat}
        options={EXISTING_CLEATS.map((value) => ({ value, label: MATERIALS[value].name }))}
        onChange={(value) => set({ cleat: value as ExistingCabinet['cleat'] })}
      />
      {length('thickness', 'thickness', 6, 60)}
      {length('shortFace', 'short face of the wall half', 15, 300)}
      {number('wallBevelDeg', 'bevel of the wall half', '°', 65, false, 20)}
      {number('cabinetBevelDeg', 'bevel of the cabinet half', '°', 65, false, 20)}
      {yes('upsideDown', 'its hook opens downwards')}
      {yes('spacer', 'a spacer keeps its bottom off the wall')}
      {yes('locked', 'a screw low down locks it')}
      <ChoiceField
        label="cabinet half is fixed into"
        name="worry.heldIn"
        value={existing.heldIn}
        options={[
          { value: 'back', label: 'the thin back alone' },
          { value: 'rail', label: 'a rail, the sides or the top' },
        ]}
        onChange={(value) => set({ heldIn: value as ExistingCabinet['heldIn'] })}
      />
      {choice('heldBy', 'with', EXISTING_HOLDS)}
      {number('heldCount', 'how many', '', 60, true, 1)}
      {existing.heldIn === 'back' && length('backMm', 'thickness of the back', 2, 30)}
      <h2>The box</h2>
      <ChoiceField
        label="its bottom is"
        name="worry.bottom"
        value={existing.bottom}
        options={[
          { value: 'between', label: 'between the sides' },
          { value: 'under', label: 'under the ends of the sides' },
        ]}
        onChange={(value) => set({ bottom: value as ExistingCabinet['bottom'] })}
      />
      {choice('bottomBy', 'held by', EXISTING_BOTTOMS)}
      {(existing.bottomBy === 'screws' || existing.bottomBy === 'nails') && number('bottomCount', 'in each side', '', 30, true, 1)}
      {yes('glueOnFinish', 'glued on paint, varnish or a faced board')}
      {length('lidHand', 'a lid: hinges to its edge (0: none)', 0, 900)}
      {existing.lidHand > 0 && length('lidTouch', 'hinges to where it meets the ceiling (0: nowhere)', 0, 900)}
    </form>
  );
}
