/** Figures of a step that open their sums: diagonals, area and amount of a coat, times of a glue-up. */
import type { DisplayUnit, Step } from '@keen/core';
import { Explained } from '../../ui/Explained.tsx';
import { LabelLink } from './LabelLink.tsx';

export function StepSums({ step: { detail }, unit }: { readonly step: Step; readonly unit: DisplayUnit }) {
  if (detail.kind === 'square')
    return (
      <p className="quiet">
        Sums:{' '}
        <Explained title="each diagonal" unit={unit} of={detail.diagonals.diagonal}>
          each diagonal
        </Explained>
        ,{' '}
        <Explained title="they may differ by" unit={unit} of={detail.diagonals.allowed}>
          how far they may differ
        </Explained>
      </p>
    );
  if (detail.kind === 'coat')
    return (
      <p className="quiet">
        Sums:{' '}
        <Explained title="area" unit={unit} of={detail.areaM2}>
          area
        </Explained>
        ,{' '}
        <Explained title="finish for one coat" unit={unit} of={detail.liters}>
          amount
        </Explained>
        ,{' '}
        <Explained title="to dry" unit={unit} of={detail.dryMin}>
          time to dry
        </Explained>
        <LabelLink of={`finish.${detail.finish}`} first="recoatMin">
          What its tin says …
        </LabelLink>
      </p>
    );
  if (detail.kind === 'glue' && detail.glue)
    return (
      <p className="quiet">
        Sums:{' '}
        <Explained title="from the first joint to the last clamp" unit={unit} of={detail.glue.minutes}>
          time to close it
        </Explained>
        ,{' '}
        <Explained title="in the clamps" unit={unit} of={detail.glue.clampMin}>
          time in the clamps
        </Explained>
        ,{' '}
        <Explained title="clamps wanted" unit={unit} of={detail.glue.clampsWanted}>
          clamps
        </Explained>
      </p>
    );
  return null;
}
