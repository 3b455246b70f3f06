/** Fit simulation: every slot, every part between its ends and every pair of doors, simulated thousands of times before anything is cut. */
import {
  MM_PER_INCH,
  type DisplayUnit,
  toleranceChains,
  helpsFor,
  labelWords,
  percentText,
  type ToleranceChain,
  type FitHelp,
  type FitRun,
  type Fit,
} from '@keen/core';
import { Button } from '@mui/material';
import { lazy, Suspense, useDeferredValue, useMemo, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { selectLearned, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import type { StationId } from '../project/Stations.tsx';
import { useEdit } from '../project/useEdit.ts';
import { panelHovered } from '../project/view.slice.ts';
import { useFit } from './useFit.ts';

const FitChart = lazy(() => import('./FitChart.tsx'));

/** To a hundredth of a millimeter, or a thousandth of an inch. */
const about = (mm: number, unit: DisplayUnit): string =>
  unit === 'mm' ? `${Math.round(mm * 100) / 100} mm` : `${Math.round((mm / MM_PER_INCH) * 1000) / 1000} in`;

/** Share of trouble worth reporting. [ASSUME] */
const WORTH = 0.05;

const LOOSER: Readonly<Record<Fit, Fit | null>> = { tight: 'push', push: 'glue', glue: 'loose', loose: null };

export function FitView({ shown, onStation }: { readonly shown: ShownCabinet; readonly onStation: (station: StationId) => void }) {
  const { stockOf } = useAppSelector(selectPlan);
  const { shop } = useAppSelector(selectLearned).workshop;
  const solid = useDeferredValue(shown.plan.cabinet);
  const chains = useMemo(() => toleranceChains(solid, (id) => stockOf(id).used, shop), [solid, stockOf, shop]);
  const runs = useFit(chains);
  const [chosen, setChosen] = useState<string | null>(null);
  const troubleOf = (chain: ToleranceChain): number => {
    const run = runs.get(chain.id);
    return run ? run.binds + run.rattles : 0;
  };
  const sorted = [...chains].sort((a, b) => troubleOf(b) - troubleOf(a));
  const chain = sorted.find(({ id }) => id === chosen) ?? sorted[0];
  const run = chain && runs.get(chain.id);
  if (!chain) return <h1>Nothing here has to fit into anything.</h1>;
  const doubtful = chains.filter((each) => troubleOf(each) > WORTH).length;
  return (
    <>
      <h1>{runs.size === 0 ? 'Trying it …' : doubtful === 0 ? 'It will go together.' : `${doubtful} of ${chains.length} fits are doubtful.`}</h1>
      <p className="lead">Each tried 4000 times with the spread of the readings and what machines repeat to, before anything is cut.</p>
      <div className="joint-grid">
        <ChainList chains={sorted} runs={runs} current={chain} onChoose={setChosen} />
        {run && (
          <div>
            <Suspense fallback={<div className="fit-chart" />}>
              <FitChart chain={chain} run={run} unit={shown.unit} />
            </Suspense>
            <p>
              <strong>{percentText(run.binds)}</strong> of the goes bind, <strong>{percentText(run.rattles)}</strong> are too loose; it varies by{' '}
              {about(run.sdMm, shown.unit)} about {about(run.meanMm, shown.unit)}.
            </p>
            <Helps chain={chain} shown={shown} onStation={onStation} />
          </div>
        )}
      </div>
    </>
  );
}

interface ChainListProps {
  readonly chains: readonly ToleranceChain[];
  readonly runs: ReadonlyMap<string, FitRun>;
  readonly current: ToleranceChain;
  readonly onChoose: (id: string) => void;
}

function ChainList({ chains, runs, current, onChoose }: ChainListProps) {
  const dispatch = useAppDispatch();
  return (
    <ul className="joint-list">
      {chains.map((chain) => {
        const run = runs.get(chain.id);
        return (
          <li key={chain.id}>
            <button
              type="button"
              className={chain === current ? 'current' : ''}
              aria-pressed={chain === current}
              onClick={() => onChoose(chain.id)}
              onPointerEnter={() => dispatch(panelHovered(chain.panels[0]!))}
              onPointerLeave={() => dispatch(panelHovered(null))}
            >
              <ChainName chain={chain} />
              {chain.count > 1 && ` × ${chain.count}`}
              <span className="quiet">{run ? `${percentText(run.binds)} bind, ${percentText(run.rattles)} too loose` : '…'}</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function ChainName({ chain: { kind, guest, host, other, panels } }: { readonly chain: ToleranceChain }) {
  if (kind === 'drawer') return <strong>a drawer on its slides</strong>;
  if (kind === 'row')
    return (
      <>
        <strong>{panels.length} parts in a row</strong> between {labelWords(host)} and {other ? labelWords(other) : ''}
      </>
    );
  if (kind === 'doors') return panels.length === 1 ? <strong>the door in its opening</strong> : <strong>{panels.length} doors in their opening</strong>;
  return (
    <>
      <strong>{labelWords(guest)}</strong>{' '}
      {kind === 'slot' ? 'goes into its slot' : `goes in between ${labelWords(host)} and ${other ? labelWords(other) : ''}`}
    </>
  );
}

/** The most effective improvements, each with the trouble that remains. */
function Helps({
  chain,
  shown: { spec },
  onStation,
}: {
  readonly chain: ToleranceChain;
  readonly shown: ShownCabinet;
  readonly onStation: (station: StationId) => void;
}) {
  const { set } = useEdit();
  const { shop } = useAppSelector(selectLearned).workshop;
  const looser = LOOSER[spec.fit];
  const adds = looser && chain.kind === 'slot' ? (shop.fits[looser].nm - shop.fits[spec.fit].nm) / 1e6 : null;
  const helps = helpsFor(chain, adds);
  if (helps.length === 0) return null;
  const left = ({ trouble }: FitHelp): string => `${percentText(trouble)} in trouble then`;
  return (
    <section className="finding look">
      <p>
        <strong>What would help most:</strong>
      </p>
      <ul className="fit-helps">
        {helps.map((help) => (
          <li key={help.kind}>
            {help.kind === 'measure' && (
              <Button variant="outlined" onClick={() => onStation('stock')}>
                Take more readings: {left(help)}
              </Button>
            )}
            {help.kind === 'looser' && looser && (
              <Button variant="outlined" onClick={() => set(spec, ['fit'], looser)}>
                Make it a {looser} fit: {left(help)}
              </Button>
            )}
            {help.kind === 'cut-last' && <>Cut it last, to what is there: {left(help)}.</>}
          </li>
        ))}
      </ul>
    </section>
  );
}
