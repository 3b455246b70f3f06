/** A place that was checked before drilling: where, and how. */
import { NOTE, type Looked } from '@keen/core';
import { Button, TextField } from '@mui/material';
import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { selectDesign } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { WallLength } from './fields.tsx';

export function LookedReading({ id }: { readonly id: string }) {
  const { wall } = useAppSelector(selectDesign);
  const { apply } = useEdit();
  const dispatch = useAppDispatch();
  const area = wall.looked[id]!;
  const path = ['looked', id];
  const [asking, setAsking] = useState(false);
  const [note, setNote] = useState(area.note);
  const short = note.trim().length < NOTE.least;
  /** In writing only once something is written: until then the area stays what it was. */
  const choose = (how: Looked['how']): void => {
    setAsking(how === 'in-writing' && short);
    if (how !== 'in-writing' || !short) apply([{ path: ['wall', ...path, 'how'], value: how }], '');
  };
  const write = (text: string): void => {
    setNote(text);
    if (text.trim().length < NOTE.least) return;
    apply(
      [
        { path: ['wall', ...path, 'how'], value: 'in-writing' },
        { path: ['wall', ...path, 'note'], value: text },
      ],
      `${id}.note`,
    );
  };
  return (
    <div className="reading">
      <h2>Looked at here</h2>
      <p className="kind">
        holes inside this area count as looked at, in a cable band too; on a cable or pipe that was found only what is answered for in writing opens them
      </p>
      <div className="fields">
        <WallLength path={[...path, 'left']} label="from the left end of the wall" limits="along" />
        <WallLength path={[...path, 'up']} label="lower edge above the floor" limits="up" />
        <WallLength path={[...path, 'width']} label="width" limits="size" />
        <WallLength path={[...path, 'height']} label="height" limits="size" />
        <ChoiceField
          label="how"
          name={`wall.looked.${id}.how`}
          value={asking ? 'in-writing' : area.how}
          options={[
            { value: 'detector', label: 'with a detector' },
            { value: 'probe-hole', label: 'through a probe hole' },
            { value: 'power-off', label: 'with the power off' },
            { value: 'in-writing', label: 'not looked: answered for in writing' },
          ]}
          onChange={(how) => choose(how as Looked['how'])}
        />
        {(asking || area.how === 'in-writing') && (
          <div className="in-writing">
            <TextField
              label="who answers for it, and why"
              multiline
              value={note}
              error={short}
              helperText={short ? `${NOTE.least} characters or more, and a hole in a cable zone is open` : 'kept with the wall, and told at the hole'}
              onChange={(event) => write(event.target.value)}
              slotProps={{ htmlInput: { maxLength: NOTE.most, 'data-field': `wall.looked.${id}.note` } }}
            />
          </div>
        )}
      </div>
      <Button
        color="error"
        onClick={() => {
          dispatch(picked(null));
          apply([{ path: ['wall', ...path], value: undefined }], '', 'Taken back');
        }}
      >
        Take it back
      </Button>
    </div>
  );
}
