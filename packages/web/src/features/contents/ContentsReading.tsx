/** Reading pane at Contents: the selected item, or the set-out of all of them. */
import type { Finding } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { FindingCard } from '../project/FindingCard.tsx';
import { selectDesign, selectPlan, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';
import { Agreement } from '../wall/Agreement.tsx';
import { ItemReading } from './ItemReading.tsx';
import { SetOutPanel } from './SetOutPanel.tsx';

export function ContentsReading({
  shown,
  onStation,
}: {
  readonly shown: ShownCabinet | undefined;
  readonly onStation: (station: StationId, unit?: string) => void;
}) {
  const design = useAppSelector(selectDesign);
  const plan = useAppSelector(selectPlan);
  const unit = useDisplayUnit();
  const chosen = useAppSelector(({ view }) => (view.picked?.kind === 'item' ? view.picked.id : null));
  const item = chosen !== null && Object.hasOwn(design.items, chosen) ? design.items[chosen] : undefined;
  const here = plan.findings.filter(({ station }) => station === 'contents');
  const about = (finding: Finding): boolean => item === undefined || finding.things?.includes(item.id) === true;
  const cards = here
    .filter((finding) => about(finding) && (item !== undefined || finding.unit === shown?.spec.id))
    .map((finding, index) => <FindingCard key={`${finding.check}${index}`} finding={finding} unit={shown?.unit ?? unit} onStation={onStation} />);
  const elsewhere = item ? 0 : here.filter(({ unit: of }) => of !== shown?.spec.id).length;
  if (item) return <ItemReading key={item.id} item={item} findings={cards} />;
  return (
    <div className="reading">
      <h2>{shown ? shown.spec.name : 'Nothing made yet'}</h2>
      <p className="kind">set out what it must hold; pick a thing to change it</p>
      <SetOutPanel shown={shown} onStation={onStation} />
      <Agreement shown={shown} onStation={onStation} />
      {cards}
      {elsewhere > 0 && <p className="elsewhere">{elsewhere} more about other cabinets.</p>}
    </div>
  );
}
