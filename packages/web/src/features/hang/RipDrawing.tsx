/** The cleat board, end on, with the blade's path: which faces are long, and which way around each half goes. */
import { roundToNm, tapeTextWithUnit, toMm, widestKerf } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { useSize } from '../../ui/useSize.ts';
import { selectAvailable, type ShownCabinet } from '../project/selectors.ts';

const SIDE = 30;
const TOP = 34;

export function RipDrawing({ shown: { plan, unit } }: { readonly shown: ShownCabinet }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const { shop } = useAppSelector(selectAvailable);
  const { hanging } = plan.cabinet;
  if (!hanging.rip) return null;
  const [B, t, long, short] = [hanging.boardWidth, hanging.cleatThickness, hanging.longFace, hanging.shortFace].map(toMm) as [number, number, number, number];
  const scale = Math.min((size.width - 2 * SIDE) / B, 3);
  const x = (mm: number): number => SIDE + mm * scale;
  const y = (mm: number): number => TOP + (t - mm) * scale;
  const points = (corners: readonly (readonly [number, number])[]): string => corners.map(([across, up]) => `${x(across)},${y(up)}`).join(' ');
  const told = (mm: number): string => tapeTextWithUnit(roundToNm(mm), unit);
  const height = TOP + t * scale + 44;
  return (
    <section className="rip-drawing" aria-label="The rip" ref={ref}>
      <h2>Out of one board, in one pass</h2>
      {size.width > 0 && (
        <svg
          className="drawing"
          width={size.width}
          height={height}
          role="img"
          aria-label={`The board end on, ${told(B)} wide: blade tilted ${hanging.bevelDeg} degrees, long faces ${told(long)}, short faces ${told(short)}.`}
        >
          <polygon
            className="panel-shape wall-half"
            points={points([
              [0, 0],
              [long, 0],
              [short, t],
              [0, t],
            ])}
          />
          <polygon
            className="panel-shape cabinet-half"
            points={points([
              [B, t],
              [B - long, t],
              [B - short, 0],
              [B, 0],
            ])}
          />
          <text className="piece-size" x={x(long / 2)} y={y(0) + 18}>
            {told(long)}
          </text>
          <text className="piece-size" x={x(B - long / 2)} y={y(t) - 8}>
            {told(long)}
          </text>
          <text className="piece-name" x={x(short / 2)} y={y(t / 2) + 5}>
            wall half
          </text>
          <text className="piece-name" x={x(B - short / 2)} y={y(t / 2) + 5}>
            cabinet half
          </text>
          <text className="rest" x={x(B / 2)} y={y(0) + 36} textAnchor="middle">
            blade at {hanging.bevelDeg}°, kerf {told(toMm(widestKerf(shop)))}
          </text>
        </svg>
      )}
    </section>
  );
}
