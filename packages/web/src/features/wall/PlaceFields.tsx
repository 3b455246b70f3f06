/** Where a cabinet hangs: typed, or placed by rule (centered, aligned, spread, on a rail). */
import { centredBetween, entered, faceOf, hangOnRail, hangsOnCleat, railsInOrder, spread, cabinetShims, type Entered, type Length } from '@keen/core';
import { Button } from '@mui/material';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { CabinetFields } from '../box/CabinetFields.tsx';
import { previewPlanner, selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { stepped } from './useWallDrag.ts';

export function PlaceFields({ shown }: { readonly shown: ShownCabinet }) {
  const { spec, plan: cabinetPlan, unit } = shown;
  const { design, record, workshop } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const { apply, leave } = useEdit();
  const { wall } = design;
  const { block } = cabinetPlan;
  const width = block.right - block.left;
  const others = plan.cabinets.filter(({ id }) => id !== spec.id);
  const move = (along: number | null, up: number | null, words: string): void =>
    apply(
      [
        ...(along === null ? [] : [{ path: ['units', spec.id, 'place', 'along'], value: stepped(along, spec.unit) }]),
        ...(up === null ? [] : [{ path: ['units', spec.id, 'place', 'up'], value: stepped(up, spec.unit) }]),
      ],
      '',
      words,
    );
  const leftOf = others.filter((other) => other.block.right <= block.left).sort((a, b) => b.block.right - a.block.right)[0];
  const rightOf = others.filter((other) => other.block.left >= block.right).sort((a, b) => a.block.left - b.block.left)[0];
  const from = leftOf?.block.right ?? 0;
  const to = rightOf?.block.left ?? wall.width.nm;
  const exact = (nm: number): Entered => entered(`${nm / 1e6} mm`);
  const spreadAll = (): void => {
    const row = [...plan.cabinets].sort((a, b) => a.block.left - b.block.left);
    const lefts = spread(
      0,
      wall.width.nm,
      row.map(({ block: each }) => each.right - each.left),
    );
    apply(
      row.map(({ id }, index) => ({ path: ['units', id, 'place', 'along'], value: stepped(lefts[index]!, spec.unit) })),
      '',
      'Spread out evenly',
    );
  };
  const hangOn = (id: string): void => {
    if (id === '') return apply([{ path: ['units', spec.id, 'hanging', 'wallRail'], value: null }], '', 'On a wall half of its own');
    apply(hangOnRail(previewPlanner, design, record, workshop, spec.id, id), '', `Hung on ${wall.rails[id]!.name}`);
  };
  const shims = cabinetShims({ spec, cabinet: cabinetPlan.cabinet, hang: cabinetPlan.hang }, faceOf(wall));
  return (
    <>
      <CabinetFields spec={spec} unit={unit} group="place" />
      <div className="fields">
        <LengthField
          label="from the right end of the wall"
          name="place.fromRight"
          value={exact(wall.width.nm - block.right)}
          unit={unit}
          onChange={(value) =>
            value && apply([{ path: ['units', spec.id, 'place', 'along'], value: exact(wall.width.nm - width - value.nm) }], `${spec.id}.place.right`)
          }
          onLeave={leave}
        />
        <ChoiceField
          label="hangs on"
          name="place.rail"
          value={spec.hanging.wallRail ?? ''}
          options={[
            { value: '', label: 'a wall half of its own' },
            ...railsInOrder(wall).map(({ id, name }) => ({ value: id, label: name, disabled: spec.hanging.kind !== 'outside' })),
          ]}
          onChange={hangOn}
        />
      </div>
      {spec.hanging.kind !== 'outside' && railsInOrder(wall).length > 0 && (
        <p className="quiet">
          {!hangsOnCleat(spec.hanging) ? 'Without a cleat it hangs on no rail.' : 'A cleat hidden between the sides cannot hang on a rail that runs past them.'}
        </p>
      )}
      <div className="fixes">
        <Button variant="outlined" onClick={() => move(centredBetween(from, to, width), null, 'Centered')}>
          Center between {leftOf?.name ?? 'the left end'} and {rightOf?.name ?? 'the right end'}
        </Button>
        {others.map((other) => (
          <Button key={other.id} variant="outlined" onClick={() => move(null, other.block.top - (block.top - block.bottom), `Tops in line with ${other.name}`)}>
            Top in line with {other.name}
          </Button>
        ))}
        {others.length > 0 && (
          <Button variant="outlined" onClick={spreadAll}>
            Spread all cabinets out evenly
          </Button>
        )}
      </div>
      {shims && (
        <div className="shims">
          <h3>Behind the cleat, at each stud</h3>
          <table className="sum-table plain">
            <thead>
              <tr>
                <th>stud</th>
                <th>cleat</th>
                <th>spacer</th>
              </tr>
            </thead>
            <tbody>
              {shims.cleat.map(({ along, thickness }, index) => (
                <tr key={along}>
                  <td>
                    <LengthText value={along} unit={unit} withUnit />
                  </td>
                  <td>{fine(thickness)}</td>
                  <td>{fine(shims.spacer[index]!.thickness)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="quiet">
            Shims or scribe so that both lie in one plane.{' '}
            {shims.rack > 1e6 ? `Unshimmed, top and bottom are turned by ${fine(shims.rack)}: it would rack.` : 'It would not rack.'}
          </p>
        </div>
      )}
    </>
  );
}

/** Shims are cut from card and veneer: millimeters to a tenth. */
const fine = (nm: Length): string => `${(nm / 1e6).toFixed(1)} mm`;
