/** The families of unit, each drawn from a real one at its usual size: pick one and it is added. */
import { buildUnit, FAMILIES, labelWords, resolveUnit, stockReader, type FamilyId, type UnitDesign } from '@keen/core';
import { Dialog, DialogContent, DialogTitle } from '@mui/material';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { Elevation } from '../../ui/Elevation.tsx';
import { NextTimeNotes } from '../log/NextTimeNotes.tsx';
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
      <DialogContent>
        {open && <Examples onPick={onPick} />}
        {open && <NextTimeNotes />}
      </DialogContent>
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
