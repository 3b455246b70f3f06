/** The three most effective changes, each with the load the cabinet would carry after it. Computed when input pauses, never before the frame. */
import { bothMasses, percentText, remediesFor, type Remedy } from '@keen/core';
import { useEffect, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { FixButton } from '../project/FindingCard.tsx';
import { previewPlanner, selectOpen, type ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';

/** Pause after the last change. */
const RESTS_MS = 250;

export function Remedies({ shown, onStation }: { readonly shown: ShownCabinet; readonly onStation: (station: StationId) => void }) {
  const { spec, plan, unit } = shown;
  const { design, record, workshop } = useAppSelector(selectOpen);
  const [found, setFound] = useState<{ readonly of: unknown; readonly rows: readonly Remedy[] } | null>(null);
  useEffect(() => {
    const timer = window.setTimeout(() => setFound({ of: plan, rows: remediesFor(previewPlanner, design, record, workshop, spec.id) }), RESTS_MS);
    return () => window.clearTimeout(timer);
  }, [plan, design, record, workshop, spec.id]);
  // Results for another plan are hidden; their space is kept, so that nothing below moves.
  const settled = found?.of === plan;
  if (plan.hang.links.length === 0 || (settled && found.rows.length === 0)) return null;
  const { state } = plan.hang;
  return (
    <section className={`finding ${state === 'fine' ? 'look' : 'change'}`} aria-label="What would help most" aria-busy={!settled}>
      <p>
        <strong>{state === 'fine' ? 'To carry more:' : 'What would help most:'}</strong>
      </p>
      <ul className={`remedies${settled ? '' : ' pending'}`}>
        {(found?.rows ?? []).map(({ fix, carriesKg, weakest }) => (
          <li key={JSON.stringify(fix.edit)}>
            <FixButton fix={fix} cabinetId={spec.id} unit={unit} onStation={onStation} />
            <span className="quiet">{carriesKg === null ? `most used link at ${percentText(weakest)}` : `carries ${bothMasses(carriesKg, unit)}`}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
