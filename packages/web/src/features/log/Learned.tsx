/** What was learned: planned and actual minutes, waste, parts off size, cutters and scales, checks that helped or came true; notes for next time. */
import {
  figureText,
  labelWords,
  learningsOf,
  lessonWords,
  minutesText,
  SAVED,
  shopFacts,
  tapeTextWithUnit,
  type DisplayUnit,
  type ExplainedValue,
  type Learnings,
  type Length,
  type StepKind,
  type Workshop,
} from '@keen/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { Explained } from '../../ui/Explained.tsx';
import { cutterWords } from '../joints/testCuts.ts';
import { selectLearned, selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';

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

export function Learned({ shown }: { readonly shown: ShownCabinet }) {
  const { record, design } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const { workshop, learned: cutters } = useAppSelector(selectLearned);
  const learnings = useMemo(() => learningsOf(plan, design, record, workshop), [plan, design, record, workshop]);
  const notes = shopFacts(record).notes.filter(({ note }) => note.nextTime);
  const { paces, waste, measured, off, worstNm, spoiled, lessons } = learnings;
  const context = { plan, products: workshop.products, cabinetNames: design.units, unit: shown.unit, currency: workshop.currency };
  const saved = lessons.filter(({ lesson }) => SAVED.has(lesson));
  const came = lessons.filter(({ lesson }) => !SAVED.has(lesson));
  const offsets = cutterWords(cutters, workshop.shop, shown.unit);
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
                  <td>
                    <Explained title="planned from now on" unit={shown.unit} of={pace}>
                      × {pace.value.toFixed(2)}
                    </Explained>
                  </td>
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
          {spoiled > 0 && ` ${spoiled} made once more.`}
        </p>
        <Waste waste={waste} products={workshop.products} unit={shown.unit} />
      </section>
      <section aria-labelledby="learned-offsets">
        <h2 id="learned-offsets">Cutters and scales</h2>
        {offsets.length === 0 ? (
          <p className="quiet">No test cut was measured: settings go by what the shop was told.</p>
        ) : (
          <ul>
            {offsets.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        )}
      </section>
      <section aria-labelledby="learned-saved">
        <h2 id="learned-saved">Checks that saved something</h2>
        {saved.length === 0 ? (
          <p className="quiet">None so far: readings, sizes as they came out and diagonals say it here with what it would have cost.</p>
        ) : (
          <ul>
            {saved.map((lesson, index) => (
              <li key={index}>{lessonWords(lesson, context)}</li>
            ))}
          </ul>
        )}
      </section>
      {came.length > 0 && (
        <section aria-labelledby="learned-came">
          <h2 id="learned-came">Left aside, and it came true</h2>
          <ul>
            {came.map((lesson, index) => (
              <li key={index}>{lessonWords(lesson, context)}</li>
            ))}
          </ul>
        </section>
      )}
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

/** Sheets that are cut up: parts, offcuts and waste, as planned and as cut. */
function Waste({ waste, products, unit }: { readonly waste: Learnings['waste']; readonly products: Workshop['products']; readonly unit: DisplayUnit }) {
  if (waste.length === 0) return <p className="quiet">No sheet is cut up whole yet: what was waste is said then.</p>;
  return (
    <table className="built-table" aria-label="Sheets that are cut up">
      <thead>
        <tr>
          <th scope="col">sheets</th>
          <th scope="col">parts</th>
          <th scope="col">kept</th>
          <th scope="col">waste planned</th>
          <th scope="col">waste</th>
        </tr>
      </thead>
      <tbody>
        {waste.map(({ product, sheets, sheetsM2, partsM2, keptM2, plannedM2, wasteM2 }) => {
          const share = (of: ExplainedValue) => (
            <Explained title={labelWords(of.label)} unit={unit} of={of}>
              {figureText(of.value, 'm2', unit)} ({Math.round((of.value / sheetsM2.value) * 100)} %)
            </Explained>
          );
          return (
            <tr key={product}>
              <th scope="row">
                {sheets} of {products[product]?.name ?? product}
              </th>
              <td>{share(partsM2)}</td>
              <td>{share(keptM2)}</td>
              <td>{share(plannedM2)}</td>
              <td>{share(wasteM2)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
