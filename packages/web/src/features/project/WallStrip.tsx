/** The real wall in small: studs, and each cabinet as a block; a click opens it. */
import { studCentres, toMm, specsInOrder } from '@keen/core';
import { Link } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen, useCabinet } from './selectors.ts';
import type { StationId } from './Stations.tsx';

const WIDTH = 240;
const HEIGHT = 40;

export function WallStrip({ station }: { readonly station: StationId }) {
  const { id, design } = useAppSelector(selectOpen);
  const shown = useCabinet();
  const { wall } = design;
  const spread = WIDTH / toMm(wall.width.nm);
  return (
    <nav className="wall-strip" aria-label="Cabinets on the wall" style={{ width: WIDTH, height: HEIGHT }}>
      {studCentres(wall).map((at) => (
        <span key={at} className="strip-stud" style={{ left: toMm(at) * spread }} />
      ))}
      {specsInOrder(design).map((spec) => {
        const width = Math.max(24, toMm(spec.width.nm) * spread);
        const height = Math.min(HEIGHT, Math.max(16, (toMm(spec.height.nm) / toMm(wall.ceiling.nm)) * HEIGHT));
        const current = spec.id === shown?.spec.id;
        const fromLeft = Math.min(WIDTH - width, Math.max(0, toMm(spec.place.along.nm) * spread));
        const fromTop = HEIGHT - HEIGHT * Math.min(1, (toMm(spec.place.up.nm) + toMm(spec.height.nm)) / toMm(wall.ceiling.nm));
        return (
          <Link
            key={spec.id}
            to={`/project/${id}/${spec.id}/${station}`}
            className={`strip-unit${current ? ' current' : ''}`}
            aria-current={current ? 'true' : undefined}
            aria-label={spec.name}
            title={spec.name}
            // The open one is below the others, so that a covered one can be picked.
            style={{ left: fromLeft, top: Math.min(fromTop, HEIGHT - height), width, height, zIndex: current ? 0 : 1 }}
          />
        );
      })}
    </nav>
  );
}
