/** Which screws in which studs: the wall half from the front, with the distance of every stud from its left end. */
import { labelWords, nearest, tapeTextWithUnit, toMm, wallHalfEnds, wallRows } from '@keen/core';
import { LengthTspans } from '../../ui/LengthText.tsx';
import { useSize } from '../../ui/useSize.ts';
import type { ShownUnit } from '../project/selectors.ts';

const SIDE = 24;
/** A backboard is drawn no higher, px. */
const MOST_HIGH = 170;
/** Room of a stud's label, px. */
const LABEL = 108;

export function WallHalfFront({ shown }: { readonly shown: ShownUnit }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const { plan, unit } = shown;
  const { studs } = plan.hang;
  const { from, to } = wallHalfEnds(plan.unit);
  const name = plan.unit.hanging.rip ? 'wall half' : labelWords(plan.unit.byId.get(plan.unit.hanging.wallHalf)!.name);
  const short = toMm(plan.unit.hanging.shortFace);
  const rows = wallRows(plan.unit);
  const scale = Math.min((size.width - 2 * SIDE) / (to - from), 1.1, MOST_HIGH / short);
  const x = (mm: number): number => SIDE + (mm - from) * scale;
  const high = Math.max(30, short * scale);
  const y = (mm: number): number => 26 + high - (mm / short) * high;
  const spots = (count: number, middle: number): number[] => (count === 1 ? [middle] : [middle - 7, middle + 7]);
  if (studs.length === 0) return null;
  return (
    <div className="wall-half-front" ref={ref}>
      {size.width > 0 && (
        <svg
          className="drawing"
          width={size.width}
          height={high + 64}
          role="img"
          aria-label={`The ${name} from the front, ${tapeTextWithUnit(nearest(to - from), unit)} long: studs at ${studs.map(({ atMm }) => tapeTextWithUnit(nearest(atMm - from), unit)).join(', ')} from its left end.`}
        >
          <text className="view-name" x={x(from)} y={14}>
            {name} from the front: studs, from its left end
          </text>
          {studs.map(({ atMm }) => (
            <rect key={atMm} className="stud" x={x(atMm - 19)} y={20} width={38 * scale} height={high + 12} />
          ))}
          <rect className="panel-shape wall-half" x={x(from)} y={26} width={(to - from) * scale} height={high} />
          {studs.map(({ atMm }, index) => (
            <g key={atMm}>
              {rows.upper > 0 && spots(rows.upper, atMm).map((at) => <circle key={at} className="screw-head" cx={x(at)} cy={y(rows.topMm)} r={3.5} />)}
              {rows.lower > 0 && spots(rows.lower, atMm).map((at) => <circle key={at} className="screw-head" cx={x(at)} cy={y(rows.lowMm)} r={3.5} />)}
              <text className="piece-size" x={Math.min(Math.max(x(atMm), LABEL / 2), size.width - LABEL / 2)} y={26 + high + 26}>
                <LengthTspans value={nearest(Math.round((atMm - from) * 10) / 10)} unit={unit} />
                <tspan className="rest"> stud {index + 1}</tspan>
              </text>
            </g>
          ))}
        </svg>
      )}
    </div>
  );
}
