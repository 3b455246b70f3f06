/** Hang station: the verdict first, then the load path, the cleat, and the steps at the wall. */
import { massText, verdictSummary, type HangingAnalysis, type Judged } from '@keen/core';
import { useSearchParams } from 'react-router';
import type { ShownCabinet } from '../project/selectors.ts';
import { CleatView } from './CleatView.tsx';
import { HangingStepsView } from './HangingStepsView.tsx';
import { LoadPathView } from './LoadPathView.tsx';

const VIEWS = { holds: 'Will it hold', cleat: 'The cleat', wall: 'On the wall' } as const;
type View = keyof typeof VIEWS;

export function HangStation({ shown }: { readonly shown: ShownCabinet }) {
  const { plan, unit } = shown;
  const { hang } = plan;
  const told = verdictSummary(plan, unit);
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view');
  const view: View = asked !== null && Object.hasOwn(VIEWS, asked) ? (asked as View) : 'holds';
  const show = (next: View): void => setSearch(next === 'holds' ? {} : { view: next }, { replace: true });
  return (
    <div className="station-body scroll">
      <h1 className={isBad(hang) ? 'danger' : ''}>{told.headline}</h1>
      <p className="lead">
        {verdictWords(hang, told.weakest, unit)}
        {told.narrow && ` ${told.narrow}`}
      </p>
      <div className="sheet-tabs hang-tabs">
        <div role="tablist" aria-label="What is shown">
          {(Object.keys(VIEWS) as View[]).map((each) => (
            <button key={each} type="button" role="tab" aria-selected={view === each} onClick={() => show(each)}>
              {each === 'cleat' && !plan.cabinet.hanging.rip ? (plan.cabinet.hanging.plate ? 'The plates' : 'The screws') : VIEWS[each]}
            </button>
          ))}
        </div>
      </div>
      {view === 'holds' && <LoadPathView shown={shown} />}
      {view === 'cleat' && <CleatView shown={shown} />}
      {view === 'wall' && <HangingStepsView shown={shown} />}
      <p className="fine-print">
        {told.estimate} {AT_THE_WALL}
      </p>
      <p className="fine-print">{told.notCovered}</p>
    </div>
  );
}

const isBad = ({ state }: Judged): boolean => state === 'refused' || state === 'over';

const CAPPED: Readonly<Record<NonNullable<HangingAnalysis['capped']>, string>> = {
  'one-stud': 'on one stud alone',
  anchors: 'on anchors in wallboard',
  moving: 'in what moves',
  'unlocked-plates': 'on keyhole plates that nothing locks',
};

function verdictWords(hang: Judged, weakest: readonly string[], unit: 'mm' | 'in'): string {
  const { state, ruledOutBy, capped, links } = hang;
  const first = weakest.length > 0 ? ` Weakest: ${weakest.join('; ')}.` : '';
  switch (state) {
    case 'not-checked':
      return `Enter what the cabinet will hold, and every part of its hanging is checked for that load. Empty it weighs ${massText(hang.loaded.mass.value, unit)}.`;
    case 'fine':
      return `Every part of the hanging is under its mark. Friction and the wallboard are not counted on.${first}`;
    case 'tight':
      return capped && links.every(({ use, fineTo }) => use.value <= fineTo)
        ? `However little is used, ${CAPPED[capped]} it is never called better.${first}`
        : `It may hang, with little to spare. The reading pane lists what helps most.${first}`;
    case 'over':
      return `The load is more than the hanging carries. The reading pane lists what helps most.${first}`;
    case 'refused':
      return `${ruledOutBy.length === 1 ? 'One issue rules' : `${Math.max(2, ruledOutBy.length)} issues rule`} it out; the reading pane names ${ruledOutBy.length === 1 ? 'it' : 'them'}.`;
  }
}

const AT_THE_WALL =
  "The wall's condition, hidden cables and the quality of the fixing are yours to check: look first at every hole. A screw that spins or strips counts as none. Load gradually, look again after a day and a month.";
