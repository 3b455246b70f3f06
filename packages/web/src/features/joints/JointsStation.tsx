/** Joints: each joint in section, and its setups in the order they are made. */
import { MAX_ORDERED, type Setup } from '@keen/core';
import { Button } from '@mui/material';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { selectDesign, selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';
import { useEdit } from '../project/useEdit.ts';
import { CleatRips } from './CleatRips.tsx';
import { FitView } from './FitView.tsx';
import { JointSections } from './JointSections.tsx';
import { operationsWords } from './operationsWords.ts';
import { SetupCard } from './SetupCard.tsx';
import { StoryStickView } from './StoryStickView.tsx';
import { useSetups } from './useSetups.ts';

type ViewId = 'sections' | 'fit' | 'own' | 'project' | 'sticks';

const VIEWS: readonly { readonly id: ViewId; readonly name: string }[] = [
  { id: 'sections', name: 'In section' },
  { id: 'fit', name: 'Will it go together?' },
  { id: 'own', name: 'Setups' },
  { id: 'sticks', name: 'Story sticks' },
  { id: 'project', name: 'Setups, whole project' },
];

export function JointsStation({ shown, onStation }: { readonly shown: ShownCabinet; readonly onStation: (station: StationId) => void }) {
  const [view, setView] = useState<ViewId>('sections');
  const { cabinets } = useAppSelector(selectPlan);
  return (
    <div className="station-body scroll">
      <div className="view-tabs" role="tablist" aria-label="View">
        {VIEWS.filter(({ id }) => id !== 'project' || cabinets.length > 1).map(({ id, name }) => (
          <button key={id} type="button" role="tab" aria-selected={view === id} className={view === id ? 'current' : ''} onClick={() => setView(id)}>
            {name}
          </button>
        ))}
      </div>
      {view === 'sections' && <JointSections shown={shown} />}
      {view === 'fit' && <FitView shown={shown} onStation={onStation} />}
      {view === 'sticks' && <StoryStickView shown={shown} />}
      {(view === 'own' || view === 'project') && <SetupList shown={shown} whole={view === 'project'} />}
    </div>
  );
}

function SetupList({ shown, whole }: { readonly shown: ShownCabinet; readonly whole: boolean }) {
  const of = useSetups(shown, whole);
  const { apply } = useEdit();
  const { parts } = useAppSelector(selectPlan);
  const { setupOrder } = useAppSelector(selectDesign);
  const { id } = useAppSelector(selectOpen);
  const navigate = useNavigate();
  const { setups, unmade, cleats, proved } = of.setups;
  const numbers = useMemo(() => new Map(setups.map(({ id }, index) => [id, index + 1])), [setups]);
  const isDone = ({ cuts }: Setup): boolean => cuts.every(({ operation }) => of.made.has(operation.id));
  const done = setups.filter(isDone).length;
  const reorder = (order: readonly string[]): void => {
    // Setups of other cabinets keep their places.
    const others = setupOrder.filter((id) => !order.includes(id));
    apply([{ path: ['setupOrder'], value: [...order, ...others].slice(0, MAX_ORDERED) }], 'setupOrder');
  };
  return (
    <>
      <h1>
        {setups.length === 0
          ? 'Nothing to cut but the blanks.'
          : `${setups.length} ${setups.length === 1 ? 'setting' : 'settings'}${proved ? ', as few as this shop can do with' : ''}.`}
      </h1>
      <p className="lead">
        Slots first, while every edge is square; then holes; bevels and slanted edges last.{done > 0 && ` ${done} of ${setups.length} done.`}
      </p>
      {setups.length > 0 && (
        <p className="setup-tools">
          <Button
            variant="outlined"
            onClick={() => {
              const first = setups.find((setup) => !isDone(setup)) ?? setups[0]!;
              void navigate(`/project/${id}/${shown.spec.id}/bench/next?step=${encodeURIComponent(`setup/${first.id}`)}`);
            }}
          >
            At the bench
          </Button>
          {setupOrder.some((id) => numbers.has(id)) && (
            <Button onClick={() => apply([{ path: ['setupOrder'], value: setupOrder.filter((id) => !numbers.has(id)) }], 'setupOrder')}>
              Back to the order they were found in
            </Button>
          )}
        </p>
      )}
      {unmade.length > 0 && (
        <section className="finding change">
          <p>
            <strong>This shop cannot make {unmade.length === 1 ? 'one cut' : `${unmade.length} cuts`}:</strong> {operationsWords(unmade, parts, shown.unit)}.
            Stock says what machines and bits there are.
          </p>
        </section>
      )}
      <ol className="setup-cards">
        {setups.map((setup, index) => (
          <SetupCard
            key={setup.id}
            setup={setup}
            number={index + 1}
            of={of}
            parts={parts}
            unit={shown.unit}
            shownUnit={shown.spec.id}
            after={setup.after.map((id) => numbers.get(id)!).sort((a, b) => a - b)}
            onOrder={reorder}
          />
        ))}
      </ol>
      <CleatRips cleats={cleats} shop={of.shop} unit={shown.unit} />
    </>
  );
}
