/** Wall: its elevation with everything on it, and the room in front of it from above. */
import { studsKnown, studsOf, thingsInOrder } from '@keen/core';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectDesign, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { PlanView } from './PlanView.tsx';
import { WallDrawing } from './WallDrawing.tsx';
import { LAYERS, type Layer } from './layers.ts';

export function WallStation({ shown }: { readonly shown: ShownCabinet | undefined }) {
  const design = useAppSelector(selectDesign);
  const plan = useAppSelector(selectPlan);
  const [layers, setLayers] = useState<ReadonlySet<Layer>>(new Set(['studs', 'bands', 'holes']));
  const toggle = (layer: Layer): void =>
    setLayers((old) => {
      const next = new Set(old);
      if (!next.delete(layer)) next.add(layer);
      return next;
    });
  const { wall } = design;
  const studs = studsOf(wall);
  const sure = studs.filter(({ state }) => state !== 'assumed').length;
  return (
    <div className="station-body">
      <div className="station-head">
        <p className="lead wall-lead">
          {studsKnown(wall) ? `${studs.length} studs, ${sure} of them found or probed` : 'Nobody has said where the studs are'}
          {thingsInOrder(wall).length > 0 ? `; ${thingsInOrder(wall).length} things on or before the wall` : ''}
          {plan.cabinets.length > 0 ? `; ${plan.cabinets.length} ${plan.cabinets.length === 1 ? 'cabinet' : 'cabinets'}` : ''}.
        </p>
        <div className="view-tabs" role="group" aria-label="Shown on the wall">
          {LAYERS.map(({ id, name }) => (
            <button key={id} type="button" aria-pressed={layers.has(id)} className={layers.has(id) ? 'current' : ''} onClick={() => toggle(id)}>
              {name}
            </button>
          ))}
        </div>
      </div>
      <WallDrawing shown={shown} layers={layers} />
      <PlanView shown={shown} />
    </div>
  );
}
