/** Hang: will it stay up? The sentence first, then its reasons, the cleat itself, and what is done at the wall. */
import { bothMasses, labelWords, loadLimits, massText, type Hang, type LoadLimits } from '@keen/core';
import { useSearchParams } from 'react-router';
import type { ShownUnit } from '../project/selectors.ts';
import { CleatView } from './CleatView.tsx';
import { OnTheWall } from './OnTheWall.tsx';
import { WillItHold } from './WillItHold.tsx';

const VIEWS = { holds: 'Will it hold', cleat: 'The cleat', wall: 'On the wall' } as const;
type View = keyof typeof VIEWS;

export function HangStation({ shown }: { readonly shown: ShownUnit }) {
  const { plan, unit } = shown;
  const { hang } = plan;
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view');
  const view: View = asked !== null && Object.hasOwn(VIEWS, asked) ? (asked as View) : 'holds';
  const show = (next: View): void => setSearch(next === 'holds' ? {} : { view: next }, { replace: true });
  return (
    <div className="station-body scroll">
      <h1 className={hang.state === 'refused' || hang.state === 'over' ? 'danger' : ''}>{headline(hang, loadLimits(plan.hangInput), unit)}</h1>
      <p className="lead">{verdictWords(hang)}</p>
      <div className="sheet-tabs hang-tabs">
        <div role="tablist" aria-label="What is shown">
          {(Object.keys(VIEWS) as View[]).map((each) => (
            <button key={each} type="button" role="tab" aria-selected={view === each} onClick={() => show(each)}>
              {each === 'cleat' && !plan.unit.hanging.rip ? (plan.unit.hanging.plate ? 'The plates' : 'The screws') : VIEWS[each]}
            </button>
          ))}
        </div>
      </div>
      {view === 'holds' && <WillItHold shown={shown} />}
      {view === 'cleat' && <CleatView shown={shown} />}
      {view === 'wall' && <OnTheWall shown={shown} />}
      <p className="fine-print">{WORDING}</p>
    </div>
  );
}

function headline(hang: Hang, { carriesKg }: LoadLimits, unit: 'mm' | 'in'): string {
  const weakest = hang.links[0];
  if (hang.state === 'refused') return 'Do not hang it like this.';
  if (carriesKg === null || !weakest) return hang.plannedKg === 0 ? 'Nothing is planned to stand in it yet.' : 'Do not hang it like this.';
  return `Carries ${bothMasses(carriesKg, unit)} of contents; you plan ${massText(hang.plannedKg, unit)}. ${labelWords(weakest.name).replace(/^./, (letter) => letter.toUpperCase())} ${/^screws/.test(labelWords(weakest.name)) ? 'go' : 'goes'} first.`;
}

const CAPPED: Readonly<Record<NonNullable<Hang['capped']>, string>> = {
  'one-stud': 'on one stud alone',
  anchors: 'on anchors in wallboard',
  moving: 'in what moves',
  'unlocked-plates': 'on keyhole plates that nothing locks',
};

function verdictWords({ state, refusals, capped, links }: Hang): string {
  switch (state) {
    case 'fine':
      return 'Fine: every link is under its mark. Friction and the wallboard are not counted on, so the true margin is larger.';
    case 'tight':
      if (capped && links.every(({ use, fineTo }) => use.value <= fineTo))
        return `Tight, however little it is used: ${CAPPED[capped]} it is never called better.`;
      return 'Tight: it may hang, with little to spare. The pane says what would help most.';
    case 'over':
      return 'Over: do not hang it like this. The pane says what would help most.';
    case 'refused':
      return `${refusals.length === 1 ? 'One thing rules' : `${refusals.length} things rule`} it out whatever the figures; the pane names ${refusals.length === 1 ? 'it' : 'them'}.`;
  }
}

const WORDING =
  "Estimate from published timber-engineering formulas with the inputs you gave; not a certified design. Building code, landlord rules and a licensed engineer take precedence. The wall's condition, hidden cables and the quality of the fixing are yours to check: look first at every hole. A screw that spins or strips counts as none. Load gradually, look again after a day and a month.";
