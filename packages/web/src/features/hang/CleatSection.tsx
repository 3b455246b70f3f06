/** The heart of it: what is on the wall cut through, large, with its screws; what a rip leaves and what lifting it on takes, or where the screws go through. */
import {
  apply,
  cabinetScrewRow,
  labelWords,
  LIFT_CLEARANCE,
  LIFT_MARGIN_MM,
  nearest,
  screwById,
  sectionPlane,
  sectionView,
  tapeTextWithUnit,
  toMm,
  wallHalfFoot,
  wallRows,
  type Rip,
} from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { Explained } from '../../ui/Explained.tsx';
import { LengthText } from '../../ui/LengthText.tsx';
import { openField } from '../box/openField.ts';
import { PanelShape } from '../box/BoxDrawing.tsx';
import { selectDesign, type ShownUnit } from '../project/selectors.ts';

const WIDE = 250;
const HIGH = 264;

export function CleatSection({ shown }: { readonly shown: ShownUnit }) {
  const { plan, unit } = shown;
  const { hanging } = plan.unit;
  const { rip } = hanging;
  const { wall } = useAppSelector(selectDesign);
  const board = toMm(wall.covering.nm);
  const front = toMm(hanging.stripOff) + toMm(hanging.cleatThickness);
  const foot = toMm(hanging.valleyUp) - toMm(hanging.shortFace);
  const bottom = foot - 14;
  const top = toMm(hanging.valleyUp) + toMm(hanging.longFace) + 10;
  const scale = Math.min(HIGH / (top - bottom), WIDE / (board + 46 + front + 46));
  const x = (mm: number): number => 8 + (40 + board + mm) * scale;
  const y = (mm: number): number => HIGH - (mm - bottom) * scale;
  const rows = wallRows(plan.unit);
  const screw = screwById(hanging.wallScrew.screw);
  const length = toMm(hanging.wallScrew.length);
  const rail = hanging.hangingRail ? plan.unit.byId.get(hanging.hangingRail)! : undefined;
  const back = plan.unit.panels.find(({ role }) => role === 'back');
  const inside = front + (back ? toMm(back.thickness) : 0) + (rail ? toMm(rail.thickness) : 0);
  const screwRow = rip ? cabinetScrewRow(plan.unit) : null;
  return (
    <div className="cleat">
      <svg
        className="drawing cleat-section"
        width={WIDE}
        height={HIGH}
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        role="img"
        aria-label={
          rip
            ? `Section of the cleat: long face ${tapeTextWithUnit(hanging.longFace, unit)}, short face ${tapeTextWithUnit(hanging.shortFace, unit)}, bevel ${hanging.bevelDeg} degrees.`
            : `Section of what is screwed to the wall: ${tapeTextWithUnit(hanging.shortFace, unit)} high, screws ${tapeTextWithUnit(hanging.wallScrew.length, unit)} long.`
        }
      >
        <rect className="stud" x={0} y={0} width={x(-board)} height={HIGH} />
        <rect className="wallboard" x={x(-board)} y={0} width={board * scale} height={HIGH} />
        {sectionView(plan.unit, sectionPlane(plan.unit)).map((seen) => (
          <PanelShape key={seen.panel} seen={seen} view={{ x, y }} />
        ))}
        {rows.upper > 0 && <ScrewLine x1={x(front)} x2={x(front - length)} y={y(foot + rows.topMm)} thick={screw.diameterMm * scale} />}
        {rows.lower > 0 && <ScrewLine x1={x(front)} x2={x(front - length)} y={y(foot + rows.lowMm)} thick={screw.diameterMm * scale} />}
        {hanging.cabinetScrew.count > 0 && screwRow !== null && (
          <ScrewLine
            x1={x(inside)}
            x2={x(inside - toMm(hanging.cabinetScrew.length))}
            y={y(top - 10 - screwRow)}
            thick={screwById(hanging.cabinetScrew.screw).diameterMm * scale}
          />
        )}
      </svg>
      {rip ? <CleatFacts shown={shown} rip={rip} /> : <ThroughFacts shown={shown} />}
    </div>
  );
}

function CleatFacts({ shown: { plan, box, unit }, rip }: { readonly shown: ShownUnit; readonly rip: Rip }) {
  const { hanging } = plan.unit;
  const clearance = apply(LIFT_CLEARANCE, { engagement: rip.engagement, margin: LIFT_MARGIN_MM });
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
          <LengthText value={nearest(rip.engagement.value)} unit={unit} withUnit />
        </Explained>
      </dd>
      <dt>Free height wanted above</dt>
      <dd>
        <Explained title="free height wanted above" unit={unit} of={clearance}>
          <LengthText value={nearest(clearance.value)} unit={unit} withUnit />
        </Explained>
      </dd>
      <dt>Wall half's lower edge, from the floor</dt>
      <dd>
        <StripFoot shown={{ plan, box, unit }} title="wall half's lower edge" />
      </dd>
      <dt>{hanging.standoff === 'spacer' ? 'Spacer' : 'Gap behind'}</dt>
      <dd>
        <LengthText value={hanging.standoff === 'spacer' ? hanging.spacerThickness : hanging.gap} unit={unit} exact withUnit />
      </dd>
    </dl>
  );
}

/** What a person marks and drills when the unit is screwed straight to the studs. */
function ThroughFacts({ shown }: { readonly shown: ShownUnit }) {
  const { plan, unit } = shown;
  const { hanging } = plan.unit;
  const rows = wallRows(plan.unit);
  const [stud] = plan.hang.studs;
  const above = (mm: number) => <LengthText value={nearest(mm)} unit={unit} withUnit />;
  return (
    <dl className="cleat-facts">
      <dt>Screwed through</dt>
      <dd>{labelWords(plan.unit.byId.get(hanging.wallHalf)!.name)}</dd>
      <dt>Its lower edge, from the floor</dt>
      <dd>
        <StripFoot shown={shown} title="lower edge of what is screwed to the wall" />
      </dd>
      {rows.upper > 0 && (
        <>
          <dt>Upper row, above its lower edge</dt>
          <dd>{above(rows.topMm)}</dd>
        </>
      )}
      {rows.lower > 0 && (
        <>
          <dt>Low row, above its lower edge</dt>
          <dd>{above(rows.lowMm)}</dd>
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
            <LengthText value={nearest(Math.round(stud.penetrationMm * 10) / 10)} unit={unit} withUnit />
          </dd>
        </>
      )}
    </dl>
  );
}

function StripFoot({ shown: { plan, box, unit }, title }: { readonly shown: Pick<ShownUnit, 'plan' | 'box' | 'unit'>; readonly title: string }) {
  const mark = wallHalfFoot(plan.unit, box.place.up.nm);
  return (
    <Explained title={title} unit={unit} of={mark}>
      <LengthText value={mark.value} unit={unit} withUnit />
    </Explained>
  );
}

function ScrewLine({ x1, x2, y, thick }: { readonly x1: number; readonly x2: number; readonly y: number; readonly thick: number }) {
  return (
    <g className="screw">
      <path d={`M${x1} ${y} H${x2 + 6}`} strokeWidth={Math.max(2, thick)} />
      <path d={`M${x2 + 7} ${y - thick / 2} L${x2} ${y} L${x2 + 7} ${y + thick / 2} z`} className="tip" />
      <path d={`M${x1} ${y - thick} V${y + thick} L${x1 - thick} ${y} z`} className="tip" />
    </g>
  );
}
