/** Conflicts between contents and place, with the choices that settle each and their effect. */
import { agreementOf, tapeTextWithUnit } from '@keen/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { FixButton } from '../project/FindingCard.tsx';
import { selectDesign, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';

export function Agreement({ shown, onStation }: { readonly shown: ShownCabinet | undefined; readonly onStation: (station: StationId) => void }) {
  const design = useAppSelector(selectDesign);
  const plan = useAppSelector(selectPlan);
  const rows = useMemo(() => (shown ? agreementOf(design, plan, shown.plan) : []), [design, plan, shown]);
  if (!shown || rows.length === 0) return null;
  return (
    <>
      {rows.map(({ measure, needsNm, leavesNm, because, item, choices }) => (
        <section key={`${measure} ${because}`} className="finding change" aria-label={`Contents and wall disagree about the ${measure}`}>
          <p>
            <span className="finding-severity">they disagree</span>{' '}
            <strong>
              Needs {tapeTextWithUnit(needsNm, shown.unit)} of {measure}
              {item ? ` for ${item}` : ''}; {because} leaves {tapeTextWithUnit(leavesNm, shown.unit)}.
            </strong>
          </p>
          <div className="fixes">
            {choices.map((fix, index) => (
              <FixButton key={index} fix={fix} cabinetId={shown.spec.id} unit={shown.unit} onStation={onStation} />
            ))}
          </div>
        </section>
      ))}
    </>
  );
}
