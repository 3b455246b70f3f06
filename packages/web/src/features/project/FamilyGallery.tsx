/** The families of unit, each drawn from a real one at its usual size: pick one and it is added. */
import {
  buildUnit,
  boundsOfUnit,
  FAMILIES,
  frontView,
  labelWords,
  resolveUnit,
  stockReader,
  type FamilyId,
  type ResolvedUnit,
  type UnitDesign,
} from '@keen/core';
import { Dialog, DialogContent, DialogTitle } from '@mui/material';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { freshUnit } from './freshUnit.ts';
import { selectOpen } from './selectors.ts';

export function FamilyGallery({
  open,
  onClose,
  onPick,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onPick: (unit: UnitDesign) => void;
}) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="md" fullWidth aria-labelledby="gallery-title">
      <DialogTitle id="gallery-title">What do you want to make?</DialogTitle>
      <DialogContent>{open && <Examples onPick={onPick} />}</DialogContent>
    </Dialog>
  );
}

function Examples({ onPick }: { readonly onPick: (unit: UnitDesign) => void }) {
  const { design, workshop } = useAppSelector(selectOpen);
  const examples = useMemo(() => {
    const stockOf = stockReader([], workshop);
    return FAMILIES.map(({ id }) => {
      const unit = freshUnit(id as FamilyId, design, workshop);
      return { unit, solid: resolveUnit(buildUnit(unit, stockOf)) };
    });
  }, [design, workshop]);
  return (
    <ul className="gallery">
      {examples.map(({ unit, solid }) => (
        <li key={unit.family}>
          <button type="button" onClick={() => onPick(unit)}>
            <Elevation unit={solid} />
            <strong>{labelWords({ key: `family-${unit.family}` })}</strong>
            <span>{labelWords({ key: `family-${unit.family}-for` })}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function Elevation({ unit }: { readonly unit: ResolvedUnit }) {
  const { low, high } = boundsOfUnit(unit);
  const [width, height] = [high.along - low.along, high.up - low.up];
  const room = Math.max(width, height * 1.5) * 0.04;
  return (
    <svg
      viewBox={`${low.along - room} ${-high.up - room} ${width + 2 * room} ${height + 2 * room}`}
      aria-hidden="true"
      style={{ ['--line' as string]: Math.max(width, height) / 160 }}
    >
      {frontView(unit)
        .filter(({ hidden }) => !hidden)
        .map(({ panel, role, points }) => (
          <polygon key={panel} className={`example ${role}`} points={points.map(([x, y]) => `${x},${-y}`).join(' ')} />
        ))}
    </svg>
  );
}
