/** The cleat in section beside the forces, with its figures; or, screwed through, where the screws go. */
import { evaluate, labelWords, LIFT_CLEARANCE, LIFT_MARGIN_MM, roundToNm, wallHalfFoot, wallRows, type Rip } from '@keen/core';
import { Explained } from '../../ui/Explained.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { openField } from '../box/openField.ts';
import type { ShownCabinet } from '../project/selectors.ts';
import { CleatDrawing } from './CleatDrawing.tsx';

export function CleatSection({ shown }: { readonly shown: ShownCabinet }) {
  return (
    <div className="cleat">
      <CleatDrawing shown={shown} wide={250} high={264} />
      <CleatFacts shown={shown} />
    </div>
  );
}

/** Its board and rip, and its place on the wall. */
export function CleatFacts({ shown }: { readonly shown: ShownCabinet }) {
  const { rip } = shown.plan.cabinet.hanging;
  return rip ? <HookFacts shown={shown} rip={rip} /> : <ThroughFacts shown={shown} />;
}

function HookFacts({ shown: { plan, spec, unit }, rip }: { readonly shown: ShownCabinet; readonly rip: Rip }) {
  const { hanging } = plan.cabinet;
  const clearance = evaluate(LIFT_CLEARANCE, { engagement: rip.engagement, margin: LIFT_MARGIN_MM });
  return (
    <dl className="cleat-facts">
      <dt>Ripped from</dt>
      <dd>
        <button type="button" className="entered-number" onClick={() => openField('hanging.boardWidth')}>
          <LengthText value={hanging.boardWidth} unit={unit} withUnit />
        </button>{' '}
        at{' '}
        <button type="button" className="entered-number" onClick={() => openField('hanging.bevelDeg')}>
          {hanging.bevelDeg}°
        </button>
      </dd>
      <dt>Long face, each half</dt>
      <dd>
        <Explained title="both long faces" unit={unit} of={rip.longFaces}>
          <LengthText value={hanging.longFace} unit={unit} withUnit />
        </Explained>
      </dd>
      <dt>Short face</dt>
      <dd>
        <Explained title="short face" unit={unit} of={rip.shortFace}>
          <LengthText value={hanging.shortFace} unit={unit} withUnit />
        </Explained>
      </dd>
      <dt>Hooks over by</dt>
      <dd>
        <Explained title="hooks over by" unit={unit} of={rip.engagement}>
          <LengthText value={roundToNm(rip.engagement.value)} unit={unit} withUnit />
        </Explained>
      </dd>
      <dt>Free height wanted above</dt>
      <dd>
        <Explained title="free height wanted above" unit={unit} of={clearance}>
          <LengthText value={roundToNm(clearance.value)} unit={unit} withUnit />
        </Explained>
      </dd>
      <dt>Wall half's lower edge, from the floor</dt>
      <dd>
        <StripFoot shown={{ plan, spec, unit }} title="wall half's lower edge" />
      </dd>
      <dt>{hanging.standoff === 'spacer' ? 'Spacer' : 'Gap behind'}</dt>
      <dd>
        <LengthText value={hanging.standoff === 'spacer' ? hanging.spacerThickness : hanging.gap} unit={unit} exact withUnit />
      </dd>
    </dl>
  );
}

/** What to mark and drill when the cabinet is screwed straight to the studs. */
function ThroughFacts({ shown }: { readonly shown: ShownCabinet }) {
  const { plan, unit } = shown;
  const { hanging } = plan.cabinet;
  const rows = wallRows(plan.cabinet);
  const [stud] = plan.hang.studs;
  const above = (mm: number) => <LengthText value={roundToNm(mm)} unit={unit} withUnit />;
  return (
    <dl className="cleat-facts">
      <dt>{hanging.plate ? 'Plates let into' : 'Screwed through'}</dt>
      <dd>{labelWords(plan.cabinet.byId.get(hanging.wallHalf)!.name)}</dd>
      <dt>Its lower edge, from the floor</dt>
      <dd>
        <StripFoot shown={shown} title="lower edge of what is screwed to the wall" />
      </dd>
      {rows.upper > 0 && (
        <>
          <dt>{hanging.plate ? 'Plates, above its lower edge' : 'Upper row, above its lower edge'}</dt>
          <dd>{above(rows.topMm)}</dd>
        </>
      )}
      {rows.lower > 0 && (
        <>
          <dt>Low row, above its lower edge</dt>
          <dd>{above(rows.lowMm)}</dd>
        </>
      )}
      {hanging.plate && (
        <>
          <dt>Heads off the wall</dt>
          <dd>
            <button type="button" className="entered-number" onClick={() => openField('hanging.plate.proud')}>
              <LengthText value={hanging.plate.proud} unit={unit} exact withUnit />
            </button>
          </dd>
        </>
      )}
      {hanging.stripOff > 0 && (
        <>
          <dt>Between it and the wall</dt>
          <dd>
            <LengthText value={hanging.stripOff} unit={unit} exact withUnit />
          </dd>
        </>
      )}
      {stud && (
        <>
          <dt>Grip in the stud</dt>
          <dd>
            <LengthText value={roundToNm(Math.round(stud.penetrationMm * 10) / 10)} unit={unit} withUnit />
          </dd>
        </>
      )}
    </dl>
  );
}

function StripFoot({ shown: { plan, spec, unit }, title }: { readonly shown: Pick<ShownCabinet, 'plan' | 'spec' | 'unit'>; readonly title: string }) {
  const mark = wallHalfFoot(plan.cabinet, spec.place.up.nm, plan.seating.lower);
  return (
    <Explained title={title} unit={unit} of={mark}>
      <LengthText value={mark.value} unit={unit} withUnit />
    </Explained>
  );
}
