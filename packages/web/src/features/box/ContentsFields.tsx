/** Contents of one compartment: a preset, or weighed kilograms. */
import {
  cutLike,
  fromShownMass,
  isShelfBox,
  labelWords,
  massPerUnit,
  massText,
  MAX_CONTENTS_KG,
  patternsFor,
  PRESETS,
  splitSpace,
  toShownMass,
  type Compartment,
  type Contents,
  type PresetId,
} from '@keen/core';
import { Button } from '@mui/material';
import { useAppDispatch } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Explained } from '../../ui/Explained.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import type { ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { panelSelected } from '../project/view.slice.ts';

const NOTHING: Contents = { preset: 'nothing', kg: null };

export function ContentsFields({ shown, compartment }: { readonly shown: ShownCabinet; readonly compartment: Compartment }) {
  const { spec, plan, unit } = shown;
  const { set, leave } = useEdit();
  const { keptBy } = compartment;
  const held = spec.contents[keptBy] ?? NOTHING;
  const { mass, arrangement } = plan.weights.contents.find((row) => row.compartment.id === compartment.id)!;
  const path = ['contents', keptBy];
  const title = labelWords(compartment.name);
  // Items that were set out have their own weight; nothing is estimated then.
  if (arrangement)
    return (
      <p className="contents-row set-out-row">
        <span>
          {title}: {arrangement.spots.length} {arrangement.spots.length === 1 ? 'thing' : 'things'} set out,{' '}
        </span>
        <Explained title={`contents, ${title}`} unit={unit} of={mass}>
          {massText(mass.value, unit)}
        </Explained>
        <SplitSpace shown={shown} space={keptBy} title={title} />
      </p>
    );
  return (
    <div className="contents-row">
      <ChoiceField
        label={title}
        name={`contents.${keptBy}.preset`}
        value={held.preset}
        options={Object.values(PRESETS).map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(preset) => set(spec, path, { ...held, preset: preset as PresetId })}
      />
      <NumberField
        label="weighs"
        name={`contents.${keptBy}.kg`}
        unit={massPerUnit(unit)}
        optional
        least={0}
        most={Math.floor(toShownMass(MAX_CONTENTS_KG, unit))}
        value={held.kg === null ? null : Math.round(toShownMass(held.kg, unit) * 10) / 10}
        placeholder={held.kg === null ? massText(mass.value, unit).split(' ')[0]! : ''}
        onChange={(shownMass) => set(spec, path, { ...held, kg: shownMass === null ? null : fromShownMass(shownMass, unit) })}
        onLeave={leave}
      />
      <Explained title={`contents, ${title}`} unit={unit} of={mass}>
        {massText(mass.value, unit)} {held.kg === null ? 'assumed' : 'entered'}
      </Explained>
      <SplitSpace shown={shown} space={keptBy} title={title} />
    </div>
  );
}

/** Adds a shelf or divider to one space of a shelf box. */
function SplitSpace({ shown, space, title }: { readonly shown: ShownCabinet; readonly space: string; readonly title: string }) {
  const { apply } = useEdit();
  const dispatch = useAppDispatch();
  const { spec } = shown;
  if (!isShelfBox(spec)) return null;
  const patterns = patternsFor(spec, space);
  const freshId = (kind: 'shelf' | 'divider'): string => `${kind.slice(0, 1)}${crypto.randomUUID().slice(0, 8)}`;
  const like = (pattern: string): void => apply(cutLike(spec, space, pattern, freshId), '', `${title} cut like ${nameOfSpace(shown, pattern)}`);
  const split = (kind: 'shelf' | 'divider'): void => {
    const id = freshId(kind);
    apply(
      splitSpace(spec, space, kind, id).map(({ path, value }) => ({ path: ['units', spec.id, ...path], value })),
      '',
      kind === 'shelf' ? 'Shelf added' : 'Divider added',
    );
    dispatch(panelSelected(`${spec.id}/${kind}/${id}`));
  };
  return (
    <span className="split-space">
      <Button size="small" aria-label={`Split ${title} by a shelf`} onClick={() => split('shelf')}>
        + shelf
      </Button>
      <Button size="small" aria-label={`Split ${title} by a divider`} onClick={() => split('divider')}>
        + divider
      </Button>
      {patterns.length > 0 && (
        <select className="cut-like" aria-label={`Cut ${title} like another space`} value="" onChange={(event) => like(event.target.value)}>
          <option value="" disabled>
            cut like …
          </option>
          {patterns.map((pattern) => (
            <option key={pattern} value={pattern}>
              {nameOfSpace(shown, pattern)}
            </option>
          ))}
        </select>
      )}
    </span>
  );
}

/** A divided space has no name in the drawing: it is named after what opens it. */
function nameOfSpace({ plan, spec }: ShownCabinet, space: string): string {
  const panel = ['shelf', 'divider'].map((role) => plan.cabinet.byId.get(`${spec.id}/${role}/${space}`)).find((each) => each !== undefined);
  if (!panel) return 'the whole inside';
  return `${panel.role === 'shelf' ? 'over' : 'right of'} ${labelWords(panel.name)}`;
}
