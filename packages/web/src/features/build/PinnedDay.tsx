/** Earliest day of a step, typed: the twin of dragging it there. Also shows where it falls. */
import { dayOf, dayStart, type Step } from '@keen/core';
import { Button, TextField } from '@mui/material';
import { useAppSelector } from '../../app/store.ts';
import { selectDesign } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { dayWords } from './dayWords.ts';

/** `falls`: its scheduled start; null while unknown. */
export function PinnedDay({ step, falls }: { readonly step: Step; readonly falls: number | null }) {
  const { build } = useAppSelector(selectDesign);
  const { apply } = useEdit();
  const held = build.notBefore[step.id];
  const hold = (day: string | null): void => {
    const { [step.id]: _before, ...rest } = build.notBefore;
    apply([{ path: ['build', 'notBefore'], value: day === null ? rest : { ...rest, [step.id]: day } }], `build.notBefore.${step.id}`);
  };
  const later = held !== undefined && falls !== null && dayOf(falls) > held;
  return (
    <div className="held-to">
      <TextField
        type="date"
        label="not before"
        value={held ?? ''}
        onChange={({ target: { value } }) => hold(value === '' ? null : value)}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { 'data-field': 'step.notBefore', min: '2000-01-01', max: '2099-12-31' } }}
      />
      {held !== undefined && (
        <Button size="small" onClick={() => hold(null)}>
          Let it go
        </Button>
      )}
      {later && (
        <p className="caution">
          Held to {dayWords(dayStart(held))}, it falls on {dayWords(falls)} all the same: what it follows, or the hours there are, come later.
        </p>
      )}
    </div>
  );
}
