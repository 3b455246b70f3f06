/** Reading pane at Sheets: why no fewer, the tolerance of the layouts, and the parts by mark. */
import { labelWords, offcutFirst } from '@keen/core';
import type { ReactNode } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { LengthText } from '../../ui/LengthText.tsx';
import { FindingCard } from '../project/FindingCard.tsx';
import type { StationId } from '../project/Stations.tsx';
import { selectAvailable, selectOpen, selectPlan, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import { RoomToSpare } from './RoomToSpare.tsx';
import { useNests } from './useNests.tsx';

export function SheetsReading({
  shown,
  findings,
  onStation,
}: {
  readonly shown: ShownCabinet;
  readonly findings: ReactNode;
  readonly onStation: (station: StationId) => void;
}) {
  const { nests } = useNests();
  const { workshop, design } = useAppSelector(selectOpen);
  const available = useAppSelector(selectAvailable);
  const { parts } = useAppSelector(selectPlan);
  const unit = useDisplayUnit();
  const dispatch = useAppDispatch();
  return (
    <div className="reading">
      <h2>Why not fewer?</h2>
      <p className="kind">what any plan must need</p>
      <table className="sum-table plain">
        <tbody>
          {nests.map(({ job, plan }) => (
            <tr key={job.product}>
              <td>{workshop.products[job.product]!.name}</td>
              <td>{plan ? `${plan.score.sheets} used, at least ${plan.bound.sheets}` : '…'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <RoomToSpare nests={nests} />
      {nests.flatMap(({ job, plan, cut, progress }) =>
        plan && !cut && progress === null
          ? offcutFirst(job, plan, available, parts, design.pins).map((finding) => (
              <FindingCard key={finding.check + job.product} finding={finding} unit={unit} onStation={onStation} />
            ))
          : [],
      )}
      {findings}
      <h2>Parts</h2>
      <ul className="part-list">
        {parts.map((line) => (
          <li key={line.id}>
            <button
              type="button"
              onClick={() => dispatch(panelSelected(line.unit === shown.spec.id ? line.panels[0]! : null))}
              onPointerEnter={() => dispatch(panelHovered(line.panels[0]!))}
              onPointerLeave={() => dispatch(panelHovered(null))}
            >
              <span className="mark">{line.mark}</span> {line.count > 1 && `${line.count} × `}
              {line.names.map(labelWords).join(', ')}
              <span className="quiet">
                {' '}
                <LengthText value={line.length.value} unit={unit} /> × <LengthText value={line.width.value} unit={unit} />
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
