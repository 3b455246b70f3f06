/** The part screwed to the wall from the front: every hole with its number and drilling state, and the studs. */
import { holeStateWords, labelWords, tapeTextWithUnit, toMm, wallHalfEnds, wallRows, type HangingHoles } from '@keen/core';
import { LengthTspans } from '../../ui/LengthText.tsx';
import { useSize } from '../../ui/useSize.ts';
import type { ShownCabinet } from '../project/selectors.ts';

const SIDE = 24;
/** Greatest drawn height of a backboard, px. */
const MAX_HIGH = 190;
/** Room for a stud's label, px. */
const LABEL = 112;

/** `stud`: name of a fixing position on this wall. */
export function WallHalfFront({ shown, holes, stud }: { readonly shown: ShownCabinet; readonly holes: HangingHoles; readonly stud: string }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const { plan, unit } = shown;
  const { hanging, byId } = plan.cabinet;
  const name = hanging.rip ? 'wall half' : labelWords(byId.get(hanging.wallHalf)!.name);
  const long = toMm(holes.strip.length);
  const short = toMm(hanging.shortFace);
  const rows = wallRows(plan.cabinet);
  const scale = Math.min((size.width - 2 * SIDE) / long, 1.6, MAX_HIGH / short);
  const x = (mm: number): number => SIDE + mm * scale;
  const high = Math.max(rows.upper + rows.lower > 0 ? 44 : 30, short * scale);
  const y = (mm: number): number => 26 + high - (mm / short) * high;
  const { from } = wallHalfEnds(plan.cabinet);
  const notch = hanging.notch && { from: toMm(hanging.notch.from) - from, to: toMm(hanging.notch.to) - from, depth: toMm(hanging.notch.depth) };
  const inStrip = holes.wall.filter(({ kind }) => kind === 'strip');
  if (holes.studs.length === 0) return null;
  return (
    <div className="wall-half-front" ref={ref}>
      {size.width > 0 && (
        <svg
          className="drawing"
          width={size.width}
          height={high + 66}
          role="img"
          aria-label={`The ${name} from the front, ${tapeTextWithUnit(holes.strip.length, unit)} long: ${stud}s at ${holes.studs.map(({ fromLeft }) => tapeTextWithUnit(fromLeft, unit)).join(', ')} from its left end.`}
        >
          <text className="view-name" x={x(0)} y={14}>
            {name} from the front, from its left end
          </text>
          {holes.studs.map(({ fromLeft }) => (
            <rect key={fromLeft} className="stud" x={x(toMm(fromLeft) - 19)} y={20} width={38 * scale} height={high + 12} />
          ))}
          <path
            className="panel-shape wall-half"
            d={`M${x(0)} 26H${x(long)}V${y(0)}${notch ? `H${x(notch.to)}V${y(notch.depth)}H${x(notch.from)}V${y(0)}` : ''}H${x(0)}Z`}
          />
          {inStrip.map((hole, index) => (
            <g key={hole.id} className={`screw-hole at-${hole.state}`} transform={`translate(${x(toMm(hole.fromLeft))} ${y(toMm(hole.above))})`}>
              <title>{`hole ${index + 1}: ${holeStateWords(hole.state)}`}</title>
              {hole.state === 'never' ? <path d="M-4 -4l8 8m0 -8l-8 8" /> : <circle r={3.5} />}
            </g>
          ))}
          {holes.studs.map(({ fromLeft }, index) => (
            <text key={fromLeft} className="piece-size" x={Math.min(Math.max(x(toMm(fromLeft)), LABEL / 2), size.width - LABEL / 2)} y={26 + high + 26}>
              <LengthTspans value={fromLeft} unit={unit} />
              <tspan className="rest">
                {' '}
                {stud} {index + 1}
              </tspan>
            </text>
          ))}
        </svg>
      )}
    </div>
  );
}
