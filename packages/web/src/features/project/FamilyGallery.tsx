/** The families of cabinets, each drawn from a real one at its usual size: pick one to add it. */
import { buildCabinet, FAMILIES, labelWords, resolveCabinet, stockReader, type FamilyId, type CabinetSpec } from '@keen/core';
import { Dialog, DialogContent, DialogTitle } from '@mui/material';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { Elevation } from '../../ui/Elevation.tsx';
import { NextTimeNotes } from '../log/NextTimeNotes.tsx';
import { newSpecFor } from './newSpecFor.ts';
import { selectOpen } from './selectors.ts';

export function FamilyGallery({
  open,
  onClose,
  onPick,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onPick: (spec: CabinetSpec) => void;
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

function Examples({ onPick }: { readonly onPick: (spec: CabinetSpec) => void }) {
  const { design, workshop } = useAppSelector(selectOpen);
  const examples = useMemo(() => {
    const stockOf = stockReader([], workshop);
    return FAMILIES.map(({ id }) => {
      const spec = newSpecFor(id as FamilyId, design, workshop);
      return { spec, solid: resolveCabinet(buildCabinet(spec, stockOf)) };
    });
  }, [design, workshop]);
  return (
    <ul className="gallery">
      {examples.map(({ spec, solid }) => (
        <li key={spec.family}>
          <button type="button" onClick={() => onPick(spec)}>
            <Elevation cabinet={solid} />
            <strong>{labelWords({ key: `family-${spec.family}` })}</strong>
            <span>{labelWords({ key: `family-${spec.family}-for` })}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
