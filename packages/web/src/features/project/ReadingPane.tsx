/** The selected part: its dimensions with their sums, and its checks. Without a selection, the cabinet's own form. */
import type { Finding } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { BoxForm } from '../box/BoxForm.tsx';
import { BuildReading } from '../build/BuildReading.tsx';
import { LogReading } from '../log/LogReading.tsx';
import { ContentsReading } from '../contents/ContentsReading.tsx';
import { PartReading } from '../box/PartReading.tsx';
import { HangReading } from '../hang/HangReading.tsx';
import { JointsReading } from '../joints/JointsReading.tsx';
import { SheetsReading } from '../sheets/SheetsReading.tsx';
import { StockReading } from '../stock/StockReading.tsx';
import { WallReading } from '../wall/WallReading.tsx';
import { FindingCard } from './FindingCard.tsx';
import { useUnplanned, type ShownCabinet } from './selectors.ts';
import type { StationId } from './Stations.tsx';

export interface ReadingPaneProps {
  readonly shown: ShownCabinet | undefined;
  readonly station: StationId;
  readonly onStation: (station: StationId) => void;
}

export function ReadingPane({ shown, station, onStation }: ReadingPaneProps) {
  const unplanned = useUnplanned();
  if (station === 'contents') return <ContentsReading shown={shown} onStation={onStation} />;
  if (station === 'wall') return <WallReading shown={shown} onStation={onStation} />;
  if (shown) return <CabinetReading shown={shown} station={station} onStation={onStation} />;
  return unplanned ? <BoxForm shown={{ spec: unplanned.spec, plan: null, unit: unplanned.unit }} findings={null} /> : null;
}

function CabinetReading({
  shown,
  station,
  onStation,
}: {
  readonly shown: ShownCabinet;
  readonly station: Exclude<StationId, 'contents' | 'wall'>;
  readonly onStation: (station: StationId) => void;
}) {
  const selected = useAppSelector(({ view }) => view.selected);
  const panel = selected ? shown.plan.cabinet.byId.get(selected) : undefined;
  const about = (finding: Finding): boolean => (panel ? finding.panels.includes(panel.id) : finding.station === station);
  const findings = shown.plan.findings.filter(about);
  const elsewhere = panel ? 0 : shown.plan.findings.length - findings.length;
  const cards = (
    <>
      {findings.map((finding, index) => (
        <FindingCard key={`${finding.check}${index}`} finding={finding} unit={shown.unit} onStation={onStation} />
      ))}
      {elsewhere > 0 && <p className="elsewhere">{elsewhere} more at other stations.</p>}
    </>
  );
  if (panel) return <PartReading shown={shown} panel={panel} findings={cards} onStation={onStation} />;
  switch (station) {
    case 'box':
      return <BoxForm shown={shown} findings={cards} />;
    case 'stock':
      return <StockReading shown={shown} findings={cards} />;
    case 'joints':
      return <JointsReading shown={shown} findings={cards} />;
    case 'sheets':
      return <SheetsReading shown={shown} findings={cards} onStation={onStation} />;
    case 'build':
      return <BuildReading shown={shown} findings={cards} />;
    case 'log':
      return <LogReading />;
    case 'hang':
      return <HangReading shown={shown} findings={cards} onStation={onStation} />;
  }
}
