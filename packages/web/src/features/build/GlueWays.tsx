/** Methods to close a glue-up, each with its requirements; one is chosen, or left to glue, clamps and hands. */
import { glueWayWords, type Closing, type GlueWay } from '@keen/core';
import { Button } from '@mui/material';
import { Explained } from '../../ui/Explained.tsx';
import { useAppSelector } from '../../app/store.ts';
import { selectDesign, useDisplayUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';

const same = (a: GlueWay, b: GlueWay): boolean => a.goes === b.goes && a.cauls === b.cauls;

export function GlueWays({ closing: { way, ways, chosen, of } }: { readonly closing: Closing }) {
  const { build } = useAppSelector(selectDesign);
  const unit = useDisplayUnit();
  const { apply } = useEdit();
  if (ways.length < 2) return null;
  const take = (next: GlueWay): void => apply([{ path: ['build', 'glueUps', of], value: next }], `build.glueUps.${of}`);
  const leave = (): void => {
    const { [of]: _gone, ...rest } = build.glueUps;
    apply([{ path: ['build', 'glueUps'], value: rest }], 'build.glueUps');
  };
  return (
    <fieldset className="glue-ways">
      <legend>How it is closed</legend>
      {ways.map((told) => {
        const { name, time, clamps, hindered } = glueWayWords(told);
        return (
          <label key={name} className={hindered ? 'hindered' : ''}>
            <input type="radio" name={`way of ${of}`} checked={same(told.way, way)} onChange={() => take(told.way)} />
            <span>
              {name}{' '}
              <Explained title="from the first joint to the last clamp" unit={unit} of={told.minutes}>
                {time}
              </Explained>
              ,{' '}
              <Explained title="clamps wanted" unit={unit} of={told.clamps}>
                {clamps}
              </Explained>
              {hindered && <span className="caution"> · {hindered}</span>}
            </span>
          </label>
        );
      })}
      {chosen ? (
        <Button size="small" onClick={leave}>
          Leave it to what is at hand
        </Button>
      ) : (
        <p className="quiet">The plainest that glue, clamps and hands allow.</p>
      )}
    </fieldset>
  );
}
