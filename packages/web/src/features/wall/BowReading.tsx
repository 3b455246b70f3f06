/** Bow of the wall along a level line: readings from a taut string, as a curve and as fields. */
import { entered, offAt, toMm, WALL_LIMITS, type BowLine, type BowReading as Reading, type Length } from '@keen/core';
import { Button } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { selectDesign, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { WallLength } from './fields.tsx';

const BowChart = lazy(() => import('./BowChart.tsx'));

export function BowReading({ line, shown }: { readonly line: BowLine; readonly shown: ShownCabinet | undefined }) {
  const { wall } = useAppSelector(selectDesign);
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  const { apply, leave } = useEdit();
  const [next, setNext] = useState<{ along: Reading['along'] | null; off: Reading['off'] | null }>({ along: null, off: null });
  const readings = Object.values(line.readings).sort((a, b) => a.along.nm - b.along.nm);
  const path = ['wall', 'bow', line.id];
  const step = entered(unit === 'mm' ? '400 mm' : '16 in');
  const add = (): void => {
    if (!next.along || !next.off) return;
    const id = `b${crypto.randomUUID().slice(0, 8)}`;
    apply([{ path: [...path, 'readings', id], value: { id, along: next.along, off: next.off } }], '', 'Reading added');
    setNext({ along: entered(`${Math.min(wall.width.nm, next.along.nm + step.nm) / 1e6} mm`), off: null });
  };
  const points = readings.map(({ along, off }) => ({ x: toMm(along.nm), y: toMm(off.nm) }));
  const block = shown?.plan.block;
  return (
    <div className="reading">
      <h2>Bow of the wall</h2>
      <p className="kind">from a taut string or a straight edge to the wall; more where it is hollow</p>
      {readings.length >= 2 ? (
        <Suspense fallback={<div className="bow-chart" />}>
          <BowChart
            points={points}
            wide={toMm(wall.width.nm)}
            from={block ? toMm(block.left as Length) : null}
            to={block ? toMm(block.right as Length) : null}
          />
        </Suspense>
      ) : (
        <div className="bow-chart waiting">
          <p className="quiet">Two readings make a line; one every stud makes a good one.</p>
        </div>
      )}
      <div className="fields">
        <WallLength path={['bow', line.id, 'up']} label="string above the floor" limits="up" />
        {readings.map(({ id, along, off }) => (
          <div key={id} className="bow-row">
            <LengthField
              label="at"
              name={`bow.${id}.along`}
              value={along}
              unit={unit}
              {...WALL_LIMITS.along}
              onChange={(value) => value && apply([{ path: [...path, 'readings', id, 'along'], value }], `${id}.along`)}
              onLeave={leave}
            />
            <LengthField
              label="string to wall"
              name={`bow.${id}.off`}
              value={off}
              unit={unit}
              {...WALL_LIMITS.off}
              onChange={(value) => value && apply([{ path: [...path, 'readings', id, 'off'], value }], `${id}.off`)}
              onLeave={leave}
            />
            <Button aria-label="Take this reading out" onClick={() => apply([{ path: [...path, 'readings', id], value: undefined }], '', 'Reading taken out')}>
              ×
            </Button>
          </div>
        ))}
        <form
          className="bow-row"
          onSubmit={(event) => {
            event.preventDefault();
            add();
          }}
        >
          <LengthField
            label="next, at"
            name="bow.next.along"
            value={next.along}
            unit={unit}
            optional
            {...WALL_LIMITS.along}
            onChange={(along) => setNext({ ...next, along })}
          />
          <LengthField
            label="string to wall"
            name="bow.next.off"
            value={next.off}
            unit={unit}
            optional
            {...WALL_LIMITS.off}
            onChange={(off) => setNext({ ...next, off })}
          />
          <Button type="submit" variant="outlined" disabled={!next.along || !next.off} aria-label="Add this reading">
            +
          </Button>
        </form>
        {shown && offAt(line, shown.plan.block.left) !== null && (
          <p className="quiet">
            Behind {shown.spec.name} the wall is {bowWords(line, shown)} off the string.
          </p>
        )}
      </div>
      <Button
        color="error"
        onClick={() => {
          dispatch(picked(null));
          apply([{ path, value: undefined }], '', 'Line taken out');
        }}
      >
        Take this line out
      </Button>
    </div>
  );
}

function bowWords(line: BowLine, { plan: { block } }: ShownCabinet): string {
  const [a, b] = [offAt(line, block.left)!, offAt(line, block.right)!];
  return `${(a / 1e6).toFixed(1)} mm at its left end and ${(b / 1e6).toFixed(1)} mm at its right end`;
}
