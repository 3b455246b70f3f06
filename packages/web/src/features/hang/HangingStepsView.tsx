/** The steps at the wall: where every hole goes, then step by step up to loading. For a phone on the ladder, and to print. */
import { boringWords, groundOf, hangingSummary, joinedTo, holeStateWords, labelWords, type HangingHoles, type HangingSummary } from '@keen/core';
import Print from '@mui/icons-material/PrintOutlined';
import { Button } from '@mui/material';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { Explained } from '../../ui/Explained.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { selectAvailable, selectDesign, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { HungHeightForm } from './HungHeightForm.tsx';
import { SurveyNotes } from './SurveyNotes.tsx';
import { WallHalfFront } from './WallHalfFront.tsx';

export function HangingStepsView({ shown }: { readonly shown: ShownCabinet }) {
  const { plan, spec, unit } = shown;
  const { wall } = useAppSelector(selectDesign);
  const workshop = useAppSelector(selectAvailable);
  const whole = useAppSelector(selectPlan);
  const told = useMemo(() => hangingSummary(plan, spec, wall, workshop, unit, joinedTo(whole, plan.id)), [plan, spec, wall, workshop, unit, whole]);
  const ground = groundOf(wall);
  const stud = ground === 'timber' || ground === 'metal' ? 'stud' : 'place';
  const refused = plan.hang.state === 'refused' || plan.hang.state === 'over';
  return (
    <div className="on-the-wall">
      {refused && <p className="danger stop-line">Not to be hung as it is drawn: the pane says why. The places below are those of the drawing.</p>}
      <WallHalfFront shown={shown} holes={told.holes} stud={stud} />
      <Holes shown={shown} holes={told.holes} grounded={stud} />
      <Steps shown={shown} told={told} />
      <Button className="no-print" variant="outlined" startIcon={<Print />} onClick={() => print()}>
        Print this
      </Button>
    </div>
  );
}

function Holes({ shown: { plan, unit }, holes, grounded }: { readonly shown: ShownCabinet; readonly holes: HangingHoles; readonly grounded: string }) {
  if (holes.wall.length === 0) return <p className="quiet">No stud is behind it where a screw could go: there is nothing to bore yet.</p>;
  const strip = labelWords(plan.cabinet.byId.get(holes.strip.panel)!.name);
  return (
    <section aria-labelledby="wall-holes">
      <h2 id="wall-holes">Holes in the wall</h2>
      <p>
        Line for the lower edge of the {strip}:{' '}
        <Explained title="line on the wall" unit={unit} of={holes.strip.foot}>
          <LengthText value={holes.strip.foot.value} unit={unit} withUnit />
        </Explained>{' '}
        above the floor. {boringWords(holes.wallBoring, unit)}
      </p>
      <div className="hole-table">
        <table>
          <thead>
            <tr>
              <th scope="col">hole</th>
              <th scope="col">{grounded}</th>
              <th scope="col">from the strip’s left end</th>
              <th scope="col">above its lower edge</th>
              <th scope="col">from the wall’s left end</th>
              <th scope="col">above the floor</th>
              <th scope="col">drill there?</th>
            </tr>
          </thead>
          <tbody>
            {holes.wall.map((hole, index) => (
              <tr key={hole.id} className={`at-${hole.state}`}>
                <th scope="row">{hole.kind === 'lock' ? 'lock' : index + 1}</th>
                <td data-label={grounded}>{hole.stud ?? ''}</td>
                <td data-label={hole.kind === 'lock' ? 'from the cabinet’s left end' : 'from its left end'}>
                  {hole.kind === 'lock' && 'cabinet’s '}
                  {hole.kind === 'lower' && 'lower half’s '}
                  <LengthText value={hole.fromLeft} unit={unit} />
                </td>
                <td data-label={hole.kind === 'lock' ? 'above its bottom' : 'above its lower edge'}>
                  {hole.kind === 'lock' && 'bottom '}
                  <LengthText value={hole.above} unit={unit} />
                </td>
                <td data-label="from the wall’s left end">
                  <LengthText value={hole.along} unit={unit} />
                </td>
                <td data-label="above the floor">
                  <LengthText value={hole.up} unit={unit} />
                </td>
                <td data-label="drill there?">
                  <b>{holeStateWords(hole.state)}</b>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <SurveyNotes holes={holes} />
    </section>
  );
}

function Steps({ shown, told }: { readonly shown: ShownCabinet; readonly told: HangingSummary }) {
  return (
    <section aria-labelledby="hanging-steps">
      <h2 id="hanging-steps">Step by step</h2>
      <ol className="hanging-steps">
        {told.steps.map(({ id, title, says, caution }) => (
          <li key={id}>
            <h3>{title}</h3>
            {says.map((line) => (
              <p key={line}>{line}</p>
            ))}
            {caution && <p className="caution">{caution}</p>}
            {id === 'check' && <HungHeightForm shown={shown} />}
          </li>
        ))}
      </ol>
    </section>
  );
}
