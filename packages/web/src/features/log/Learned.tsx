/** What was learned: minutes planned and taken, what came out off, what was made twice; notes for next time. */
import { learningsOf, minutesText, standingNotes, tapeTextWithUnit, type Length, type StepKind } from '@keen/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen, selectPlan, type ShownUnit } from '../project/selectors.ts';

const KINDS: Readonly<Partial<Record<StepKind, string>>> = {
  measure: 'measuring sheets',
  cut: 'cutting sheets',
  boards: 'cutting boards',
  label: 'labelling',
  setup: 'slots and holes',
  'cleat-rip': 'ripping the cleat',
  band: 'edge band',
  sand: 'sanding',
  coat: 'finish',
  'dry-fit': 'dry fit',
  glue: 'glue-ups',
  square: 'diagonals',
  doors: 'doors',
  drawers: 'drawers',
  hang: 'hanging',
};

export function Learned({ shown }: { readonly shown: ShownUnit }) {
  const { record } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const learned = useMemo(() => learningsOf(plan, record), [plan, record]);
  const notes = standingNotes(record).filter(({ note }) => note.nextTime);
  const { paces, measured, off, worstNm, spoiled, caught, accepted } = learned;
  return (
    <div className="learned">
      <section aria-labelledby="learned-time">
        <h2 id="learned-time">Time</h2>
        {paces.length === 0 ? (
          <p className="quiet">No step was timed yet: enter the minutes with a tick, and later plans take this shop’s own pace.</p>
        ) : (
          <table className="built-table">
            <thead>
              <tr>
                <th scope="col">steps</th>
                <th scope="col">planned</th>
                <th scope="col">took</th>
                <th scope="col">planned from now on</th>
              </tr>
            </thead>
            <tbody>
              {paces.map(({ kind, planned, took, pace }) => (
                <tr key={kind}>
                  <th scope="row">{KINDS[kind] ?? kind.replace('-', ' ')}</th>
                  <td>{minutesText(planned)}</td>
                  <td>{minutesText(took)}</td>
                  <td>× {pace.toFixed(2)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <section aria-labelledby="learned-size">
        <h2 id="learned-size">Sizes</h2>
        <p>
          {measured === 0
            ? 'No part was measured after it was cut.'
            : `${measured} ${measured === 1 ? 'part was' : 'parts were'} measured, ${off === 0 ? 'none' : off} off by more than half a millimeter; the most was ${tapeTextWithUnit(worstNm as Length, shown.unit)}.`}
        </p>
        {(spoiled > 0 || caught > 0 || accepted > 0) && (
          <p>
            {[
              spoiled > 0 ? `${spoiled} made once more` : '',
              caught > 0 ? `${caught} put right after the plan had said so` : '',
              accepted > 0 ? `${accepted} used as they were although the plan said otherwise` : '',
            ]
              .filter(Boolean)
              .join('; ')}
            .
          </p>
        )}
      </section>
      <section aria-labelledby="learned-notes">
        <h2 id="learned-notes">For next time</h2>
        {notes.length === 0 ? (
          <p className="quiet">Nothing yet: a note marked “for next time” is said again when a cabinet like this one is begun.</p>
        ) : (
          <ul>
            {notes.map(({ id, note }) => (
              <li key={id}>{note.text}</li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}
