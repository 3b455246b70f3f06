/** The real wall in small: studs, and each cabinet a block; a click opens it. */
import { studCentres, toMm, unitsInOrder } from '@keen/core';
import { Link } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen, useUnit } from './selectors.ts';
import type { StationId } from './Stations.tsx';

const WIDTH = 240;
const HEIGHT = 40;

export function WallStrip({ station }: { readonly station: StationId }) {
  const { id, design } = useAppSelector(selectOpen);
  const shown = useUnit();
  const { wall } = design;
  const scale = Math.min(WIDTH / toMm(wall.width.nm), HEIGHT / toMm(wall.ceiling.nm));
  const spread = WIDTH / toMm(wall.width.nm);
  return (
    <nav className="wall-strip" aria-label="Cabinets on the wall" style={{ width: WIDTH, height: HEIGHT }}>
      {studCentres(wall).map((at) => (
        <span key={at} className="strip-stud" style={{ left: toMm(at) * spread }} />
      ))}
      {unitsInOrder(design).map((unit) => {
        const width = Math.max(24, toMm(unit.width.nm) * spread);
        const height = Math.max(10, toMm(unit.height.nm) * scale * 1.6);
        const current = unit.id === shown?.box.id;
        return (
          <Link
            key={unit.id}
            to={`/project/${id}/${unit.id}/${station}`}
            className={`strip-unit${current ? ' current' : ''}`}
            aria-current={current ? 'true' : undefined}
            aria-label={unit.name}
            title={unit.name}
            style={{ left: Math.min(WIDTH - width, Math.max(0, toMm(unit.place.along.nm) * spread)), width, height: Math.min(HEIGHT - 6, height) }}
          />
        );
      })}
    </nav>
  );
}
