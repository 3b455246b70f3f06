/** Reading pane at Wall: the selection, or the wall itself, the place of the cabinet, and the free space. */
import type { Finding } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { FindingCard } from '../project/FindingCard.tsx';
import { selectDesign, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';
import { Agreement } from './Agreement.tsx';
import { BowReading } from './BowReading.tsx';
import { FitSpace } from './FitSpace.tsx';
import { LookedReading } from './LookedReading.tsx';
import { PlaceFields } from './PlaceFields.tsx';
import { RailReading } from './RailReading.tsx';
import { ScanPanel } from './ScanPanel.tsx';
import { StudReading } from './StudReading.tsx';
import { ThingReading } from './ThingReading.tsx';
import { AddToWall, WallForm } from './WallForm.tsx';
import { WallList } from './WallList.tsx';

export function WallReading({
  shown,
  onStation,
}: {
  readonly shown: ShownCabinet | undefined;
  readonly onStation: (station: StationId, unit?: string) => void;
}) {
  const { wall } = useAppSelector(selectDesign);
  const plan = useAppSelector(selectPlan);
  const chosen = useAppSelector(({ view }) => view.picked);
  if (chosen?.kind === 'thing' && wall.things[chosen.id]) return <ThingReading key={chosen.id} thing={wall.things[chosen.id]!} />;
  if (chosen?.kind === 'stud') return <StudReading key={chosen.id} id={chosen.id} />;
  if (chosen?.kind === 'rail' && wall.rails[chosen.id]) return <RailReading key={chosen.id} rail={wall.rails[chosen.id]!} />;
  if (chosen?.kind === 'looked' && wall.looked[chosen.id]) return <LookedReading key={chosen.id} id={chosen.id} />;
  if (chosen?.kind === 'bow' && wall.bow[chosen.id]) return <BowReading key={chosen.id} line={wall.bow[chosen.id]!} shown={shown} />;
  // A cabinet that does not seat on its rail concerns the wall as much as the cleat.
  const here = plan.findings.filter(({ station, check }) => station === 'wall' || check === 'off-rail' || check === 'rail-mismatch');
  const mine = (finding: Finding): boolean => finding.unit === shown?.spec.id;
  return (
    <div className="reading">
      <h2>{shown ? shown.spec.name : 'The wall'}</h2>
      <p className="kind">{shown ? 'where it goes; pick anything on the wall to change it' : 'what is on it, and the room there is'}</p>
      {here.filter(mine).map((finding, index) => (
        <FindingCard key={`${finding.check}${index}`} finding={finding} unit={shown!.unit} onStation={onStation} />
      ))}
      {here.some((finding) => !mine(finding)) && <p className="elsewhere">{here.filter((finding) => !mine(finding)).length} more about other cabinets.</p>}
      <Agreement shown={shown} onStation={onStation} />
      {shown && (
        <details open>
          <summary>Where it hangs</summary>
          <PlaceFields shown={shown} />
        </details>
      )}
      <details open={!shown}>
        <summary>The wall</summary>
        <WallForm />
      </details>
      <details open>
        <summary>Add to the wall</summary>
        <AddToWall />
      </details>
      <details>
        <summary>What is on it</summary>
        <WallList wall={wall} />
      </details>
      <details>
        <summary>Stud scanner</summary>
        <ScanPanel />
      </details>
      <details>
        <summary>Fit the space there is</summary>
        <FitSpace shown={shown} onStation={onStation} />
      </details>
    </div>
  );
}
