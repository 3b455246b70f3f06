/** Holes that may not be drilled yet: how their places were surveyed, or who takes responsibility. */
import { enteredFromNm, NOTE, type HangingHoles, type Looked, type WallHole } from '@keen/core';
import { Button, TextField } from '@mui/material';
import { useState } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { useEdit } from '../project/useEdit.ts';

/** Extent of a surveyed place around its holes, nm. */
const ROUND = 20_000_000;

export function SurveyNotes({ holes }: { readonly holes: HangingHoles }) {
  const { apply } = useEdit();
  const [how, setHow] = useState<Looked['how']>('detector');
  const [note, setNote] = useState('');
  const open = holes.wall.filter(({ state }) => state === 'look-first' || state === 'never');
  if (open.length === 0) return null;
  const onRun = open.some(({ band }) => band?.from === 'run');
  const short = how === 'in-writing' && note.trim().length < NOTE.least;
  const enter = (): void => {
    const sets = (['strip', 'lower', 'lock'] as const).map((each) => open.filter(({ kind }) => kind === each)).filter((set) => set.length > 0);
    apply(
      sets.map((set) => {
        const area = around(set, how, how === 'in-writing' ? note.trim() : '');
        return { path: ['wall', 'looked', area.id], value: area };
      }),
      '',
      how === 'in-writing' ? 'Answered for in writing' : 'Entered: you looked at these places',
    );
  };
  return (
    <div className="looked-here no-print">
      <p>
        {open.length} of {holes.wall.length} {open.length === 1 ? 'hole is' : 'holes are'} not to be bored yet.
        {onRun && ' Some are on a cable or pipe that was found: only what is answered for in writing opens those.'}
      </p>
      <ChoiceField
        label="these places were looked at"
        value={how}
        options={[
          { value: 'detector', label: 'with a detector' },
          { value: 'probe-hole', label: 'through a probe hole' },
          { value: 'power-off', label: 'with the power off' },
          { value: 'in-writing', label: 'not: someone answers for them' },
        ]}
        onChange={(chosen) => setHow(chosen as Looked['how'])}
      />
      {how === 'in-writing' && (
        <TextField
          label="who answers for it, and why"
          value={note}
          multiline
          helperText={`${NOTE.least} characters or more; it is told at the holes`}
          onChange={(event) => setNote(event.target.value)}
          slotProps={{ htmlInput: { maxLength: NOTE.most } }}
        />
      )}
      <Button variant="outlined" disabled={short} onClick={enter}>
        Enter it
      </Button>
    </div>
  );
}

function around(holes: readonly WallHole[], how: Looked['how'], note: string): Looked {
  const alongs = holes.map(({ along }) => along);
  const ups = holes.map(({ up }) => up);
  const [left, low] = [Math.min(...alongs) - ROUND, Math.min(...ups) - ROUND];
  return {
    id: `w${crypto.randomUUID().slice(0, 8)}`,
    left: enteredFromNm(left),
    up: enteredFromNm(low),
    width: enteredFromNm(Math.max(...alongs) + ROUND - left),
    height: enteredFromNm(Math.max(...ups) + ROUND - low),
    how,
    note,
  };
}
