/** Key figures, in a strip like a rule: each opens its sum, or its station. */
import { figuresOf, labelWords, linkWords, massText, percentText, sagText, shows, tapeTextWithUnit, type ExplainedValue } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { Explained } from '../../ui/Explained.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { nestTotals, useNests } from '../sheets/useNests.tsx';
import { usePurchases } from '../sheets/usePurchases.ts';
import { selectOpen, useGhost, type ShownCabinet } from './selectors.ts';
import type { StationId } from './Stations.tsx';

export function Tally({ shown, onStation }: { readonly shown: ShownCabinet; readonly onStation: (station: StationId) => void }) {
  const { plan, unit } = shown;
  const { currency } = useAppSelector((state) => selectOpen(state).workshop);
  const { nests, searching } = useNests();
  const { cost } = usePurchases();
  const { width, height, depth } = plan.cabinet.outside;
  const totals = nestTotals(nests);
  const worst = plan.sag.reduce<(typeof plan.sag)[number] | undefined>((a, b) => (a && a.later.value >= b.later.value ? a : b), undefined);
  const weakest = plan.hang.links[0];
  const { findings } = figuresOf(plan);
  const ghost = useGhost(plan.id);
  const then = ghost ? figuresOf(ghost) : undefined;
  const stops = plan.findings.filter(({ severity }) => severity === 'stop').length;
  return (
    <footer className="tally" aria-label="Tally">
      <div className="tally-cell wide">
        <span className="tally-name">Outside, W × H × D</span>
        <span className="tally-value">
          <Explained title="outside width" unit={unit} of={width}>
            <LengthText value={width.value} unit={unit} />
          </Explained>
          {' × '}
          <Explained title="outside height" unit={unit} of={height}>
            <LengthText value={height.value} unit={unit} />
          </Explained>
          {' × '}
          <Explained title="depth from the wall" unit={unit} of={depth}>
            <LengthText value={depth.value} unit={unit} withUnit />
          </Explained>
        </span>
        {ghost && <Then now={tapeTextWithUnit(width.value, unit)} text={tapeTextWithUnit(ghost.cabinet.outside.width.value, unit)} of="wide" />}
      </div>
      <div className="tally-cell">
        <span className="tally-name">Whole project{searching && totals && ', so far'}</span>
        <span className="tally-value">
          {totals && cost ? (
            <>
              <button type="button" className="tally-go" onClick={() => onStation('sheets')}>
                {totals.sheets} {totals.sheets === 1 ? 'sheet' : 'sheets'}
              </button>
              {', costing '}
              <Explained title="to buy in all" unit={unit} of={cost}>
                {currency}
                {cost.value.toFixed(2)}
              </Explained>
            </>
          ) : (
            'working it out'
          )}
        </span>
      </div>
      <div className="tally-cell">
        <span className="tally-name">Weight</span>
        <span className="tally-value">
          <Explained title="empty unit" unit={unit} of={plan.weights.empty.mass}>
            {massText(plan.weights.empty.mass.value, unit)} empty
          </Explained>
          {' · '}
          <Explained title="loaded unit" unit={unit} of={plan.loaded.mass}>
            {massText(plan.loaded.mass.value, unit)} loaded
          </Explained>
        </span>
        {ghost && <Then now={massText(plan.loaded.mass.value, unit)} text={massText(ghost.loaded.mass.value, unit)} />}
      </div>
      <div className="tally-cell">
        <span className="tally-name">Worst sag, in years</span>
        <span className="tally-value">
          {worst ? (
            <Explained title="sag in years" unit={unit} of={worst.later} className={shows(worst) ? 'caution' : ''}>
              {labelWords(plan.cabinet.byId.get(worst.panel)!.name)}: {sagText(worst.later.value, unit)}
            </Explained>
          ) : (
            'no shelf'
          )}
        </span>
        {then && <Then now={worst ? sagText(worst.later.value, unit) : ''} text={sagText(then.worstSagMm, unit)} />}
      </div>
      <div className="tally-cell weakest">
        <span className="tally-name">Weakest link</span>
        <span className="tally-value">
          {weakest ? <WeakestLink use={weakest.use} name={linkWords(weakest)} fine={plan.hang.state === 'fine'} unit={unit} /> : 'nothing hangs'}
        </span>
        {then && <Then now={weakest ? percentText(weakest.use.value) : ''} text={percentText(then.weakest)} />}
      </div>
      <button type="button" className="tally-cell" onClick={() => onStation(plan.findings[0]?.station ?? 'box')}>
        <span className="tally-name">To look at</span>
        <span className={`tally-value${stops > 0 ? ' danger' : findings > 0 ? ' caution' : ''}`}>
          {findings}
          {stops > 0 && `, ${stops} to stop for`}
        </span>
        {then && <Then now={String(findings)} text={String(then.findings)} />}
      </button>
    </footer>
  );
}

/** A figure after the previewed fix; empty where unchanged. It takes no room of its own: a growing strip would push the fix from under the pointer. */
function Then({ now, text, of = '' }: { readonly now: string; readonly text: string; readonly of?: string }) {
  return now === text ? null : (
    <span className="then">
      → {text} {of}
    </span>
  );
}

function WeakestLink({ use, name, fine, unit }: { readonly use: ExplainedValue; readonly name: string; readonly fine: boolean; readonly unit: 'mm' | 'in' }) {
  return (
    <Explained title={name} unit={unit} of={use} className={fine ? '' : use.value > 1 ? 'danger' : 'caution'}>
      {name}: {percentText(use.value)}
    </Explained>
  );
}
