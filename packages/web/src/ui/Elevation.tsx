/** A cabinet's front in small, to scale, without dimensions: in the gallery, and beside its variants. */
import { boundsOfCabinet, frontView, type ResolvedCabinet } from '@keen/core';

export interface ElevationProps {
  readonly cabinet: ResolvedCabinet;
  /** Size of the paper, mm; the cabinet's own size without it. Cabinets on papers of one size are to one scale. */
  readonly size?: { readonly width: number; readonly height: number };
}

export function Elevation({ cabinet, size }: ElevationProps) {
  const { low, high } = boundsOfCabinet(cabinet);
  const width = size?.width ?? high.along - low.along;
  const height = size?.height ?? high.up - low.up;
  const room = Math.max(width, height * 1.5) * 0.04;
  const middle = (low.along + high.along) / 2;
  return (
    <svg
      viewBox={`${middle - width / 2 - room} ${-low.up - height - room} ${width + 2 * room} ${height + 2 * room}`}
      aria-hidden="true"
      style={{ ['--line' as string]: Math.max(width, height) / 160 }}
    >
      {frontView(cabinet)
        .filter(({ hidden, role }) => !hidden && role !== 'wall-half')
        .map(({ panel, role, points }) => (
          <polygon key={panel} className={`example ${role}`} points={points.map(([x, y]) => `${x},${-y}`).join(' ')} />
        ))}
    </svg>
  );
}
