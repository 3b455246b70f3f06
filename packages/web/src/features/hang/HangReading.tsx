/** The reading pane at Hang: what would help most, the fixings, where it hangs, and the wall. */
import { forceText, percentText, remediesFor, mm, type Wall } from '@keen/core';
import { FormControlLabel, Switch } from '@mui/material';
import type { ReactNode } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { Explained } from '../../ui/Explained.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { UnitFields } from '../box/UnitFields.tsx';
import { FixButton } from '../project/FindingCard.tsx';
import { selectDesign, useDisplayUnit, type ShownUnit } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';
import { useEdit } from '../project/useEdit.ts';

export function HangReading({
  shown,
  findings,
  onStation,
}: {
  readonly shown: ShownUnit;
  readonly findings: ReactNode;
  readonly onStation: (station: StationId) => void;
}) {
  const { box, plan, unit } = shown;
  const { hang } = plan;
  const remedies = remediesFor(box, plan);
  return (
    <div className="reading">
      <h2>{box.name}</h2>
      <p className="kind">hung on a bevelled cleat</p>
      {findings}
      {remedies.length > 0 && (
        <section className="finding change">
          <p>
            <strong>What would help most:</strong>
          </p>
          <div className="fixes">
            {remedies.map((fix, index) => (
              <FixButton key={index} fix={fix} unitId={box.id} unit={unit} onStation={onStation} />
            ))}
          </div>
        </section>
      )}
      <p className="quiet">
        A firm pull of about{' '}
        <Explained title="unhooks when pulled with" unit={unit} of={hang.forces.pullLimit}>
          {forceText(hang.forces.pullLimit.value, unit)}
        </Explained>{' '}
        at the bottom unhooks it
        {box.hanging.antiLift ? '; the screw against lifting off holds it.' : '.'}
        {hang.climbing && (
          <>
            {' '}
            Someone leaning on the front edge: hook{' '}
            <Explained title="tip ratio with someone leaning" unit={unit} of={hang.climbing.tip}>
              {percentText(hang.climbing.tip.value)}
            </Explained>
            , screws{' '}
            <Explained title="screws with someone leaning" unit={unit} of={hang.climbing.screws}>
              {percentText(hang.climbing.screws.value)}
            </Explained>
            .
          </>
        )}
      </p>
      <details open>
        <summary>Cleat</summary>
        <UnitFields box={box} unit={unit} group="hanging" />
        {box.hanging.kind === 'outside' && <SpacerSwitch shown={shown} />}
      </details>
      <details open>
        <summary>Screws</summary>
        <UnitFields box={box} unit={unit} group="fixings" />
      </details>
      <details>
        <summary>Where it hangs</summary>
        <UnitFields box={box} unit={unit} group="place" />
      </details>
      <details>
        <summary>The wall</summary>
        <WallFields />
      </details>
      <p className="quiet">Not counted, on the safe side: friction, the back bearing on the wall half, wallboard.</p>
    </div>
  );
}

function SpacerSwitch({ shown: { box } }: { readonly shown: ShownUnit }) {
  const { set } = useEdit();
  const height = box.hanging.rail ?? box.hanging.boardWidth;
  return (
    <FormControlLabel
      control={
        <Switch
          size="small"
          checked={box.hanging.spacer !== null}
          onChange={(event) => set(box, ['hanging', 'spacer'], event.target.checked ? { stock: box.hanging.stock, height } : null)}
        />
      }
      label="spacer at the bottom"
    />
  );
}

function WallFields() {
  const design = useAppSelector(selectDesign);
  const unit = useDisplayUnit();
  const { apply, leave } = useEdit();
  const { wall } = design;
  const set = (path: readonly string[], value: unknown): void => apply([{ path: ['wall', ...path], value }], `wall.${path.join('.')}`);
  const field = (label: string, path: readonly string[], least: number, most: number) => {
    const value = path.reduce<unknown>((node, key) => (node as Record<string, unknown>)[key], wall) as Wall['width'];
    return (
      <LengthField
        key={label}
        label={label}
        name={`wall.${path.join('.')}`}
        value={value}
        unit={unit}
        least={mm(least)}
        most={mm(most)}
        onChange={(next) => next && set(path, next)}
        onLeave={leave}
      />
    );
  };
  return (
    <div className="fields">
      <FormControlLabel
        control={<Switch size="small" checked={wall.studs.known} onChange={(event) => set(['studs', 'known'], event.target.checked)} />}
        label="the studs have been found"
      />
      {wall.studs.known && [field('studs every', ['studs', 'spacing'], 50, 3000), field('first stud from the left end', ['studs', 'offset'], 0, 20_000)]}
      {field('depth of the studs', ['studs', 'depth'], 20, 400)}
      {field('wallboard, with tile and air', ['wallboard'], 0, 200)}
      {field('width of the wall', ['width'], 200, 50_000)}
      {field('ceiling above the floor', ['ceiling'], 500, 20_000)}
      <FormControlLabel
        control={
          <Switch size="small" checked={design.children} onChange={(event) => apply([{ path: ['children'], value: event.target.checked }], 'children')} />
        }
        label="children can reach it"
      />
    </div>
  );
}
