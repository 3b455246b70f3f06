/** Reading pane at Hang: most effective changes, fixings, place, and wall. */
import { forceText, hangsOnCleat, labelWords, percentText } from '@keen/core';
import { Button, FormControlLabel, Switch } from '@mui/material';
import type { ReactNode } from 'react';
import { Explained } from '../../ui/Explained.tsx';
import { CabinetFields } from '../box/CabinetFields.tsx';
import type { ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';
import { useEdit } from '../project/useEdit.ts';
import { Remedies } from './Remedies.tsx';

export function HangReading({
  shown,
  findings,
  onStation,
}: {
  readonly shown: ShownCabinet;
  readonly findings: ReactNode;
  readonly onStation: (station: StationId) => void;
}) {
  const { spec, unit } = shown;
  return (
    <div className="reading">
      <h2>{spec.name}</h2>
      <p className="kind">{labelWords({ key: `hanging-${spec.hanging.kind}` })}</p>
      {findings}
      <Remedies shown={shown} onStation={onStation} />
      <ByHand shown={shown} />
      <details open>
        <summary>{hangsOnCleat(spec.hanging) ? 'Cleat' : 'How it hangs'}</summary>
        <CabinetFields spec={spec} unit={unit} group="hanging" />
        {spec.hanging.kind === 'outside' && <SpacerSwitch shown={shown} />}
      </details>
      <details open>
        <summary>Screws</summary>
        <CabinetFields spec={spec} unit={unit} group="fixings" />
      </details>
      <details>
        <summary>Where it hangs</summary>
        <CabinetFields spec={spec} unit={unit} group="place" />
      </details>
      <Button variant="outlined" onClick={() => onStation('wall')}>
        The wall and its studs
      </Button>
      <p className="quiet">
        Not counted, on the safe side: friction, {hangsOnCleat(spec.hanging) ? 'the back bearing on the wall half,' : 'glue and'} wallboard.
      </p>
    </div>
  );
}

/** Loads by hand: a pull at the bottom, someone leaning on the front edge. */
function ByHand({ shown: { spec, plan, unit } }: { readonly shown: ShownCabinet }) {
  const { climbing, forces } = plan.hang;
  return (
    <p className="quiet">
      {forces.hook && (
        <>
          A firm pull of about{' '}
          <Explained title="unhooks when pulled with" unit={unit} of={forces.hook.pullLimit}>
            {forceText(forces.hook.pullLimit.value, unit)}
          </Explained>{' '}
          at the bottom unhooks it
          {spec.hanging.antiLift ? '; the screw against lifting off holds it.' : '.'}{' '}
        </>
      )}
      {climbing && (
        <>
          Someone leaning on the front edge:{' '}
          {climbing.tip && (
            <>
              hook{' '}
              <Explained title="tip ratio with someone leaning" unit={unit} of={climbing.tip}>
                {percentText(climbing.tip.value)}
              </Explained>
              ,{' '}
            </>
          )}
          screws{' '}
          <Explained title="screws with someone leaning" unit={unit} of={climbing.screws}>
            {percentText(climbing.screws.value)}
          </Explained>
          {forces.hook ? (
            '.'
          ) : (
            <>
              ; pulling at the bottom: screws{' '}
              <Explained title="screws with someone pulling" unit={unit} of={climbing.pull}>
                {percentText(climbing.pull.value)}
              </Explained>
              .
            </>
          )}
        </>
      )}
    </p>
  );
}

function SpacerSwitch({ shown: { spec } }: { readonly shown: ShownCabinet }) {
  const { set } = useEdit();
  const height = spec.hanging.rail ?? spec.hanging.boardWidth;
  return (
    <FormControlLabel
      control={
        <Switch
          size="small"
          checked={spec.hanging.spacer !== null}
          onChange={(event) => set(spec, ['hanging', 'spacer'], event.target.checked ? { stock: spec.hanging.stock, height } : null)}
        />
      }
      label="spacer at the bottom"
    />
  );
}
