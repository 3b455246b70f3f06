/** The forces on the cabinet, the links of the load path, and a slider that loads it until a link fails. */
import { analyzeHangingAt, loadLimits, massText, stateAt, VERDICT_WORDS, type HangingAnalysis } from '@keen/core';
import { Button } from '@mui/material';
import { lazy, memo, Suspense, useMemo, useState } from 'react';
import { RangeSlider, type SliderMark } from '../../ui/RangeSlider.tsx';
import type { ShownCabinet } from '../project/selectors.ts';
import { Assumptions } from './Assumptions.tsx';
import { CleatSection } from './CleatSection.tsx';
import { LinkList } from './LinkList.tsx';
import { LoadCasesTable } from './LoadCasesTable.tsx';
import { SideView } from './SideView.tsx';

const LoadChart = lazy(() => import('./LoadChart.tsx'));
/** Independent of the load: drawn once, not at every move. */
const Section = memo(CleatSection);
const Beside = memo(function Beside({ shown }: { readonly shown: ShownCabinet }) {
  return (
    <>
      <LoadCasesTable shown={shown} />
      <Assumptions shown={shown} />
    </>
  );
});

export function LoadPathView({ shown }: { readonly shown: ShownCabinet }) {
  const { plan, unit } = shown;
  const { hang: planned } = plan;
  const [factor, setFactor] = useState(1);
  const tried: HangingAnalysis = useMemo(() => (factor === 1 ? planned : analyzeHangingAt(plan.hangInput, factor)), [factor, planned, plan.hangInput]);
  const state = factor === 1 ? planned.state : stateAt(tried, planned);
  const limits = useMemo(() => loadLimits(plan.hangInput), [plan.hangInput]);
  const { carriesKg: carries, fineToKg } = limits;
  const most = carries && planned.plannedKg > 0 ? Math.max(2, (carries * 1.3) / planned.plannedKg) : 2;
  const marks = useMemo(
    () =>
      apart(
        [
          { value: 1, label: 'planned' },
          ...(carries === null ? [] : [{ value: carries / planned.plannedKg, label: 'limit' }]),
          ...(fineToKg === null ? [] : [{ value: fineToKg / planned.plannedKg, label: 'OK to' }]),
        ],
        most,
      ),
    [carries, fineToKg, most, planned.plannedKg],
  );
  return (
    <>
      <div className="hang-grid">
        <SideView shown={shown} hang={tried} />
        <div className="hang-right">
          <Section shown={shown} />
          <LinkList links={tried.links} unit={unit} />
        </div>
      </div>
      {planned.plannedKg > 0 && (
        <div className="load-slider">
          <label htmlFor="load">Contents</label>
          <RangeSlider
            id="load"
            label="Contents, times what is planned"
            min={0}
            max={most}
            step={0.01}
            value={factor}
            onChange={setFactor}
            text={massText(planned.plannedKg * factor, unit)}
            marks={marks}
          />
          <output className={state === 'fine' ? '' : state === 'tight' ? 'caution' : 'danger'}>
            {massText(planned.plannedKg * factor, unit)}: {VERDICT_WORDS[state]}
          </output>
          <LoadButtons limit={carries === null ? null : Math.min(most, (carries / planned.plannedKg) * 1.01)} asPlanned={factor === 1} onLoad={setFactor} />
        </div>
      )}
      {planned.plannedKg > 0 && planned.links.length > 0 && (
        <Suspense fallback={<div className="load-chart" />}>
          <LoadChart input={plan.hangInput} plannedKg={planned.plannedKg} most={most} factor={factor} unit={unit} />
        </Suspense>
      )}
      <Beside shown={shown} />
    </>
  );
}

interface LoadButtonsProps {
  /** Just beyond the first failure; null where it is refused at any load. */
  readonly limit: number | null;
  readonly asPlanned: boolean;
  readonly onLoad: (factor: number) => void;
}

const LoadButtons = memo(function LoadButtons({ limit, asPlanned, onLoad }: LoadButtonsProps) {
  return (
    <>
      <Button variant="outlined" disabled={limit === null} onClick={() => limit !== null && onLoad(limit)}>
        Load until something lets go
      </Button>
      <Button disabled={asPlanned} onClick={() => onLoad(1)}>
        As planned
      </Button>
    </>
  );
});

/** Least distance of mark labels, as a share of the slider. */
const WORDS_APART = 0.17;

/** Marks by importance: one whose label would overlap an earlier one has none. */
const apart = (marks: readonly { readonly value: number; readonly label: string }[], most: number): SliderMark[] =>
  marks.map(({ value, label }, index) =>
    marks.slice(0, index).some((earlier) => Math.abs(earlier.value - value) < WORDS_APART * most) ? { value } : { value, label },
  );
