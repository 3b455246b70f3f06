/** Every load case of the cabinet, with the position of its load and the link nearest to a limit; the governing one stands out. */
import {
  caseWords,
  forceText,
  labelWords,
  loadCases,
  massText,
  movingCases,
  movingWords,
  roundToNm,
  percentText,
  tapeTextWithUnit,
  type DisplayUnit,
  type LoadCase,
} from '@keen/core';
import { useDeferredValue, useMemo } from 'react';
import { Explained } from '../../ui/Explained.tsx';
import type { ShownCabinet } from '../project/selectors.ts';

export function LoadCasesTable({ shown: { plan, unit } }: { readonly shown: ShownCabinet }) {
  const input = useDeferredValue(plan.hangInput);
  const { cases, governing, guessedKg } = useMemo(() => loadCases(input), [input]);
  const moving = useMemo(() => movingCases(input), [input]);
  return (
    <section className="load-cases" aria-labelledby="load-cases">
      <h2 id="load-cases">Load cases</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">case</th>
            <th scope="col">weight</th>
            <th scope="col">its center, out from the wall</th>
            <th scope="col">nearest to its limit</th>
            <th scope="col">used</th>
          </tr>
        </thead>
        <tbody>
          {cases.map((each) => (
            <tr key={each.id} className={each.id === governing ? 'governs' : ''}>
              <th scope="row">
                {caseWords(each)}
                {each.id === governing && <b> governs</b>}
              </th>
              <td data-label="weight">
                <Explained title={`weight, ${caseWords(each)}`} unit={unit} of={each.load.mass}>
                  {massText(each.load.mass.value, unit)}
                </Explained>
              </td>
              <td data-label="its center, out">
                <Center each={each} unit={unit} />
              </td>
              <td data-label="nearest to its limit">{each.weakest ? labelWords(each.weakest.name) : 'nothing is worked out'}</td>
              <td data-label="used" className={each.weakest && each.weakest.share > 1 ? (each.judged ? 'danger' : 'caution') : ''}>
                {each.weakest && (
                  <Explained title={`${labelWords(each.weakest.name)}, ${caseWords(each)}`} unit={unit} of={each.weakest.figure}>
                    {percentText(each.weakest.share)}
                  </Explained>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {guessedKg > 0 && (
        <p className="quiet">
          {massText(guessedKg, unit)} of the contents nobody weighed: if filled as assumed. In the row “as heavy as it may be” they weigh 30 % more, and the
          cabinet 10 to 15 %.
        </p>
      )}
      {moving.length > 0 && (
        <>
          <h3>Bolted through two planes, each of them alone must take</h3>
          <dl className="moving-cases">
            {moving.map((each) => (
              <div key={each.key}>
                <dt>{movingWords(each)}</dt>
                <dd>
                  <Explained title={movingWords(each)} unit={unit} of={each.plane}>
                    {forceText(each.plane.value, unit)}
                  </Explained>
                  {each.unhooks && <b className="danger"> lifts it off its hook</b>}
                </dd>
              </div>
            ))}
          </dl>
          <p className="quiet">A crash is not covered: fixings for it are a job for the vehicle’s certifier.</p>
        </>
      )}
    </section>
  );
}

/** Distance of the load from the wall, with its sum where there is one. */
function Center({ each, unit }: { readonly each: LoadCase; readonly unit: DisplayUnit }) {
  const { out, outFigure } = each.load;
  const text = tapeTextWithUnit(roundToNm(Math.round(out)), unit).replace(/ (strong|shy)$/, '');
  return outFigure ? (
    <Explained title={`center of gravity, ${caseWords(each)}`} unit={unit} of={outFigure}>
      {text}
    </Explained>
  ) : (
    text
  );
}
