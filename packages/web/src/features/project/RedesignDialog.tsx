/** Converts a cabinet to round numbers in the other unit: every change is shown before it is applied. */
import { findingWords, labelWords, largestChange, newStops, redesign, toMm, type DisplayUnit, type Length } from '@keen/core';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useMemo, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { previewPlanner, selectAvailable, selectOpen, type ShownCabinet } from './selectors.ts';
import { useEdit } from './useEdit.ts';

/** Change of a length, to a hundredth: a tape would not show it. */
const by = (nm: number): string =>
  `${toMm(Math.abs(nm) as Length)
    .toFixed(2)
    .replace(/\.?0+$/, '')} mm`;

export function RedesignDialog({ shown, onClose }: { readonly shown: ShownCabinet; readonly onClose: () => void }) {
  const { spec } = shown;
  const { apply } = useEdit();
  const { design, record } = useAppSelector(selectOpen);
  const workshop = useAppSelector(selectAvailable);
  const [to, setTo] = useState<DisplayUnit>(spec.unit === 'mm' ? 'in' : 'mm');
  const made = redesign(spec, to);
  const stops = useMemo(
    () => newStops({ planner: previewPlanner, design, record, workshop }, spec.id, redesign(spec, to).edit),
    [design, record, workshop, spec, to],
  );
  // A length that is only written differently is not listed.
  const moved = made.moved.filter(({ from, to: next }) => from.nm !== next.nm);
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="redesign-title">
      <DialogTitle id="redesign-title">Round numbers for {spec.name}</DialogTitle>
      <DialogContent>
        <ToggleButtonGroup exclusive size="small" value={to} aria-label="Round in" onChange={(_event, value: DisplayUnit | null) => value && setTo(value)}>
          <ToggleButton value="mm">millimeters</ToggleButton>
          <ToggleButton value="in">inches</ToggleButton>
        </ToggleButtonGroup>
        <p className="quiet">
          {moved.length === 0
            ? 'Every length is round there already.'
            : `${moved.length} ${moved.length === 1 ? 'length moves' : 'lengths move'}, none by more than ${by(largestChange(made))}. Screws, boards and sheets stay as they are bought. To read it in ${to === 'mm' ? 'millimeters' : 'inches'} without moving anything, use the switch at the top.`}
        </p>
        {stops.map((stop) => (
          <p key={stop.check} className="caution">
            {findingWords(stop, to).says}
          </p>
        ))}
        {moved.length > 0 && (
          <table className="moved">
            <thead>
              <tr>
                <th>length</th>
                <th>is</th>
                <th>becomes</th>
                <th>moves by</th>
              </tr>
            </thead>
            <tbody>
              {moved.map(({ path, label, element, from, to: next }) => (
                <tr key={path.join('.')}>
                  <td>
                    {labelWords({ key: label })}
                    {element === null ? '' : ` (${element})`}
                  </td>
                  <td>{from.text}</td>
                  <td>{next.text}</td>
                  <td>{by(next.nm - from.nm)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it as it is</Button>
        <Button
          variant="contained"
          disabled={made.edit.length === 0}
          onClick={() => {
            apply(made.edit, '', `${spec.name} in round ${to === 'mm' ? 'millimeters' : 'inches'}`);
            onClose();
          }}
        >
          Make it so
        </Button>
      </DialogActions>
    </Dialog>
  );
}
