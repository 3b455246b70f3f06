/** Hang: will it stay up? The sentence first, then the forces, the cleat in section, the weakest links, the load slider. */
import { bothMasses, hangAt, labelWords, loadLimits, massText, type Hang, type LoadLimits } from '@keen/core';
import { Button, Slider } from '@mui/material';
import { lazy, Suspense, useDeferredValue, useMemo, useState } from 'react';
import type { ShownUnit } from '../project/selectors.ts';
import { CleatSection } from './CleatSection.tsx';
import { LinkList } from './LinkList.tsx';
import { SideView } from './SideView.tsx';
import { WallHalfFront } from './WallHalfFront.tsx';

const LoadChart = lazy(() => import('./LoadChart.tsx'));

export function HangStation({ shown }: { readonly shown: ShownUnit }) {
  const { plan, unit } = shown;
  const { hang: planned } = plan;
  const [factor, setFactor] = useState(1);
  /** The chart follows when the figures and the drawing stand. */
  const charted = useDeferredValue(factor);
  const tried: Hang = useMemo(() => (factor === 1 ? planned : hangAt(plan.hangInput, factor)), [factor, planned, plan.hangInput]);
  const limits = loadLimits(plan.hangInput);
  const { carriesKg: carries, fineToKg } = limits;
  const most = carries && planned.plannedKg > 0 ? Math.max(2, (carries * 1.3) / planned.plannedKg) : 2;
  return (
    <div className="station-body scroll">
      <h1 className={planned.state === 'refused' || planned.state === 'over' ? 'danger' : ''}>{headline(planned, limits, unit)}</h1>
      <p className="lead">{verdictWords(planned)}</p>
      <div className="hang-grid">
        <SideView shown={shown} hang={tried} />
        <div className="hang-right">
          <CleatSection shown={shown} />
          <LinkList links={tried.links} unit={unit} />
        </div>
      </div>
      <WallHalfFront shown={shown} />
      {planned.plannedKg > 0 && (
        <div className="load-slider">
          <label htmlFor="load">Contents</label>
          <Slider
            id="load"
            aria-label="Contents, times what is planned"
            min={0}
            max={most}
            step={0.01}
            value={factor}
            onChange={(_event, value) => setFactor(value)}
            getAriaValueText={(value) => massText(planned.plannedKg * value, unit)}
            marks={apart(
              [
                { value: 1, label: 'planned' },
                ...(carries === null ? [] : [{ value: carries / planned.plannedKg, label: 'limit' }]),
                ...(fineToKg === null ? [] : [{ value: fineToKg / planned.plannedKg, label: 'fine to' }]),
              ],
              most,
            )}
          />
          <output className={tried.state === 'fine' ? '' : tried.state === 'tight' ? 'caution' : 'danger'}>
            {massText(planned.plannedKg * factor, unit)}: {tried.state === 'over' ? 'over' : tried.state === 'refused' ? 'not like this' : tried.state}
          </output>
          <Button
            variant="outlined"
            disabled={carries === null}
            onClick={() => carries !== null && setFactor(Math.min(most, (carries / planned.plannedKg) * 1.01))}
          >
            Load until something lets go
          </Button>
          <Button disabled={factor === 1} onClick={() => setFactor(1)}>
            As planned
          </Button>
        </div>
      )}
      {planned.plannedKg > 0 && planned.links.length > 0 && (
        <Suspense fallback={<div className="load-chart" />}>
          <LoadChart input={plan.hangInput} plannedKg={planned.plannedKg} most={most} factor={charted} unit={unit} />
        </Suspense>
      )}
      <p className="fine-print">{WORDING}</p>
    </div>
  );
}

/** Words of marks stand this share of the slider apart at least. */
const WORDS_APART = 0.17;

/** Marks in the order of what must be read: one whose words would lie over an earlier one's has none. */
const apart = (marks: readonly { readonly value: number; readonly label: string }[], most: number): { value: number; label?: string }[] =>
  marks.map(({ value, label }, index) =>
    marks.slice(0, index).some((earlier) => Math.abs(earlier.value - value) < WORDS_APART * most) ? { value } : { value, label },
  );

function headline(hang: Hang, { carriesKg }: LoadLimits, unit: 'mm' | 'in'): string {
  const weakest = hang.links[0];
  if (hang.state === 'refused') return 'Do not hang it like this.';
  if (carriesKg === null || !weakest) return hang.plannedKg === 0 ? 'Nothing is planned to stand in it yet.' : 'Do not hang it like this.';
  return `Carries ${bothMasses(carriesKg, unit)} of contents; you plan ${massText(hang.plannedKg, unit)}. ${labelWords(weakest.name).replace(/^./, (letter) => letter.toUpperCase())} ${/^screws/.test(labelWords(weakest.name)) ? 'go' : 'goes'} first.`;
}

function verdictWords({ state, refusals }: Hang): string {
  switch (state) {
    case 'fine':
      return 'Fine: every link is under its mark. Friction and the wallboard are not counted on, so the true margin is larger.';
    case 'tight':
      return 'Tight: it may hang, with little to spare. The pane says what would help most.';
    case 'over':
      return 'Over: do not hang it like this. The pane says what would help most.';
    case 'refused':
      return `${refusals.length === 1 ? 'One thing rules' : `${refusals.length} things rule`} it out whatever the figures; the pane names ${refusals.length === 1 ? 'it' : 'them'}.`;
  }
}

const WORDING =
  "Estimate from published timber-engineering formulas with the inputs you gave; not a certified design. Building code, landlord rules and a licensed engineer take precedence. The wall's condition, hidden cables and the quality of the fixing are yours to check: look first at every hole. A screw that spins or strips counts as none. Load gradually, look again after a day and a month.";
