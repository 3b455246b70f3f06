/** Four tabs at the bottom: Next, Parts, Wall, Buy; a part's own page above them. */
import { IconButton } from '@mui/material';
import Desk from '@mui/icons-material/DesktopWindowsOutlined';
import { Link, useParams, useSearchParams } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { HangingStepsView } from '../hang/HangingStepsView.tsx';
import { selectDesign, selectOpen, selectPlan, useCabinet } from '../project/selectors.ts';
import { ShoppingList } from '../stock/ShoppingList.tsx';
import { useBuild } from '../build/useBuild.ts';
import { RecordStatus } from './RecordStatus.tsx';
import { NextPlace } from './NextPlace.tsx';
import { PartPage } from './PartPage.tsx';
import { PartsPlace } from './PartsPlace.tsx';

const PLACES = [
  { id: 'next', name: 'Next' },
  { id: 'parts', name: 'Parts' },
  { id: 'wall', name: 'Wall' },
  { id: 'buy', name: 'Buy' },
] as const;
type PlaceId = (typeof PLACES)[number]['id'];

export function BenchPage() {
  const { projectId, unitId: cabinetId, place: asked } = useParams();
  const [search] = useSearchParams();
  const shown = useCabinet();
  const { cabinets } = useAppSelector(selectPlan);
  const all = search.get('of') === 'all';
  const of = useBuild(shown?.unit ?? 'mm', shown && !all ? [shown.spec.id] : []);
  const place: PlaceId = PLACES.find(({ id }) => id === asked)?.id ?? 'next';
  const part = search.get('part');
  const base = `/project/${projectId}/${cabinetId}/bench`;
  const kept = all ? '?of=all' : '';
  if (!shown)
    return (
      <main className="bench">
        <p>There is no cabinet here yet: one is begun at the desk.</p>
        <Link to="/">To the room</Link>
      </main>
    );
  return (
    <div className="bench">
      {part !== null ? (
        <PartPage panel={part} of={of} unit={shown.unit} back={`${base}/parts${kept}`} base={base} />
      ) : place === 'next' ? (
        <NextPlace of={of} shown={shown} all={all} />
      ) : (
        <>
          <BenchHeader title={PLACES.find(({ id }) => id === place)!.name} base={base} place={place} units={cabinets.length} />
          <main className="bench-place">
            {place === 'parts' && <PartsPlace of={of} shown={shown} base={base} />}
            {place === 'wall' && <HangingStepsView shown={shown} />}
            {place === 'buy' && <ShoppingList shown={shown} />}
          </main>
        </>
      )}
      <nav className="bench-places" aria-label="Places">
        {PLACES.map(({ id, name }) => (
          <Link key={id} to={`${base}/${id}${kept}`} aria-current={part === null && id === place ? 'page' : undefined}>
            {name}
          </Link>
        ))}
      </nav>
    </div>
  );
}

/** The cabinet, and the save status. */
export function BenchHeader({ title, base, place, units }: { readonly title: string; readonly base: string; readonly place: string; readonly units: number }) {
  const design = useAppSelector(selectDesign);
  const { id } = useAppSelector(selectOpen);
  const shown = useCabinet()!;
  return (
    <header className="bench-header">
      <IconButton component={Link} to={base.replace(/\/bench$/, '/build')} aria-label="To the desk view">
        <Desk />
      </IconButton>
      <div>
        <h1>{title}</h1>
        <p>
          {shown.spec.name} · <RecordStatus />
        </p>
      </div>
      {units > 1 && (
        <details className="bench-units">
          <summary aria-label="Another cabinet">▾</summary>
          <ul>
            {Object.values(design.units).map((spec) => (
              <li key={spec.id}>
                <Link to={`/project/${id}/${spec.id}/bench/${place}`}>{spec.name}</Link>
              </li>
            ))}
          </ul>
        </details>
      )}
    </header>
  );
}
