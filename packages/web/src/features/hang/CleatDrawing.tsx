/** The cleat in section, to scale, with its screws at true length; the cabinet side may be off its seat. */
import { cabinetScrewRow, hookPlane, screwById, sectionView, tapeTextWithUnit, toMm, wallRows } from '@keen/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { PanelShape } from '../box/BoxDrawing.tsx';
import { selectDesign, type ShownCabinet } from '../project/selectors.ts';

export interface CleatDrawingProps {
  readonly shown: ShownCabinet;
  /** Greatest size, px. */
  readonly wide: number;
  readonly high: number;
  /** Distance of the cabinet from its seat, mm. */
  readonly off?: { readonly up: number; readonly out: number };
  /** Room reserved for its movement, mm. */
  readonly room?: { readonly up: number; readonly out: number };
}

const SEATED = { up: 0, out: 0 };
/** Least depth of stud shown, and of the cabinet in front of the cleat, mm; every screw is shown whole. */
const STUD_MM = 40;
const PAST_TIP_MM = 10;
const FRONT_MM = 46;

export function CleatDrawing({ shown, wide, high, off = SEATED, room = SEATED }: CleatDrawingProps) {
  const { plan, unit } = shown;
  const { hanging, byId } = plan.cabinet;
  const { wall } = useAppSelector(selectDesign);
  const seen = useMemo(() => sectionView(plan.cabinet, hookPlane(plan.cabinet)), [plan.cabinet]);
  const board = toMm(wall.covering.nm);
  const front = toMm(hanging.stripOff) + toMm(hanging.cleatThickness);
  const foot = toMm(hanging.valleyUp) - toMm(hanging.shortFace);
  const bottom = foot - 14;
  const top = toMm(hanging.valleyUp) + toMm(hanging.longFace) + 10 + room.up;
  // Heads of the wall screws: at the front of what they go through, or in a plate.
  const heads = hanging.plate ? toMm(hanging.plate.proud) : front;
  const stud = Math.max(STUD_MM, toMm(hanging.wallScrew.length) - heads - board + PAST_TIP_MM);
  const across = board + stud + 6 + front + FRONT_MM + room.out;
  const scale = Math.min(high / (top - bottom), wide / across);
  const [width, height] = [Math.round(across * scale), Math.round((top - bottom) * scale)];
  const x = (mm: number): number => 8 + (stud + board + mm) * scale;
  const y = (mm: number): number => height - (mm - bottom) * scale;
  const rows = wallRows(plan.cabinet);
  const screw = screwById(hanging.wallScrew.screw);
  const length = toMm(hanging.wallScrew.length);
  const rail = hanging.hangingRail ? byId.get(hanging.hangingRail)! : undefined;
  const back = plan.cabinet.panels.find(({ role }) => role === 'back');
  const inside = front + (back ? toMm(back.thickness) : 0) + (rail ? toMm(rail.thickness) : 0);
  const screwRow = hanging.rip ? cabinetScrewRow(plan.cabinet) : null;
  const onWall = (panel: string): boolean => byId.get(panel)!.onWall === true;
  const tip = top - 10 - room.up;
  return (
    <svg
      className="drawing cleat-section"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={
        hanging.rip
          ? `Section of the cleat: long face ${tapeTextWithUnit(hanging.longFace, unit)}, short face ${tapeTextWithUnit(hanging.shortFace, unit)}, bevel ${hanging.bevelDeg} degrees.`
          : hanging.plate
            ? `Section of a keyhole plate on its screw: heads ${tapeTextWithUnit(hanging.plate.proud, unit)} off the wall, screws ${tapeTextWithUnit(hanging.wallScrew.length, unit)} long.`
            : `Section of what is screwed to the wall: ${tapeTextWithUnit(hanging.shortFace, unit)} high, screws ${tapeTextWithUnit(hanging.wallScrew.length, unit)} long.`
      }
    >
      <rect className="stud" x={0} y={0} width={x(-board)} height={height} />
      <rect className="wallboard" x={x(-board)} y={0} width={board * scale} height={height} />
      {seen
        .filter(({ panel }) => onWall(panel))
        .map((each) => (
          <PanelShape key={each.panel} seen={each} view={{ x, y }} />
        ))}
      <g transform={`translate(${off.out * scale} ${-off.up * scale})`}>
        {seen
          .filter(({ panel }) => !onWall(panel))
          .map((each) => (
            <PanelShape key={each.panel} seen={each} view={{ x, y }} />
          ))}
        {hanging.cabinetScrew.count > 0 && screwRow !== null && (
          <ScrewLine
            x1={x(inside)}
            x2={x(inside - toMm(hanging.cabinetScrew.length))}
            y={y(tip - screwRow)}
            thick={screwById(hanging.cabinetScrew.screw).diameterMm * scale}
          />
        )}
      </g>
      {hanging.plate && (
        <Plate left={x(0)} pocket={x(POCKET_MM)} face={x(PLATE_MM)} top={y(foot + rows.topMm + PLATE_HIGH_MM / 2)} high={PLATE_HIGH_MM * scale} />
      )}
      {rows.upper > 0 && <ScrewLine x1={x(heads)} x2={x(heads - length)} y={y(foot + rows.topMm)} thick={screw.diameterMm * scale} />}
      {rows.lower > 0 && <ScrewLine x1={x(heads)} x2={x(heads - length)} y={y(foot + rows.lowMm)} thick={screw.diameterMm * scale} />}
    </svg>
  );
}

/** A typical plate, mm: let in flush, with a pocket for the head behind it. */
const PLATE_MM = 2;
const PLATE_HIGH_MM = 40;
const POCKET_MM = 9;

function Plate({ left, pocket, face, top, high }: Readonly<Record<'left' | 'pocket' | 'face' | 'top' | 'high', number>>) {
  return (
    <g className="keyhole-plate">
      <rect className="pocket" x={left} y={top + high * 0.2} width={pocket - left} height={high * 0.6} />
      <rect className="steel" x={left} y={top} width={face - left} height={high} />
    </g>
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
