/** A note with photos, about a step or a part where one is selected. */
import { Alert, Button, FormControlLabel, Switch, TextField } from '@mui/material';
import { useRef, useState, type ChangeEvent } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';
import { photoAddress, usePhotos } from './usePhotos.ts';

export interface NoteFormProps {
  readonly about?: { readonly step?: string; readonly part?: string; readonly unit?: string };
  readonly onKept?: () => void;
}

export function NoteForm({ about = {}, onKept }: NoteFormProps) {
  const { id: project } = useAppSelector(selectOpen);
  const { add } = useRecord();
  const [text, setText] = useState('');
  const [nextTime, setNextTime] = useState(false);
  const { photos, kept, sending, send, again, drop, clear } = usePhotos();
  const picker = useRef<HTMLInputElement>(null);
  const picked = ({ target }: ChangeEvent<HTMLInputElement>): void => {
    send([...(target.files ?? [])]);
    // The same file may be selected again.
    target.value = '';
  };
  const keep = (): void => {
    add({ kind: 'note', note: { text: text.trim(), photos: kept, nextTime, ...about } });
    setText('');
    setNextTime(false);
    clear();
    onKept?.();
  };
  return (
    <form
      className="note-form"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <TextField
        label="note"
        multiline
        minRows={2}
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder="What turned out otherwise, what to do better"
        slotProps={{ htmlInput: { maxLength: 4000, 'data-field': 'note' }, inputLabel: { shrink: true } }}
      />
      <input ref={picker} type="file" accept="image/*" multiple hidden aria-label="Pictures" onChange={picked} />
      {photos.length > 0 && (
        <ul className="note-photos">
          {photos.map((photo) => {
            const { id, name, state, problem } = photo;
            return (
              <li key={id}>
                {state === 'kept' ? (
                  <img src={photoAddress(project, id, 'small')} alt={name} />
                ) : state === 'sending' ? (
                  <span className="quiet">{name} is sent …</span>
                ) : (
                  <Alert
                    severity="warning"
                    action={
                      <>
                        {problem?.code === 'away' && (
                          <Button size="small" onClick={() => again(photo)}>
                            Send it again
                          </Button>
                        )}
                        <Button size="small" aria-label={`Leave ${name} out`} onClick={() => drop(photo)}>
                          Leave it out
                        </Button>
                      </>
                    }
                  >
                    {name}: {problem?.message}. Accepted: {problem?.accepted}
                  </Alert>
                )}
              </li>
            );
          })}
        </ul>
      )}
      <div className="note-buttons">
        <Button onClick={() => picker.current?.click()}>Add a picture</Button>
        <FormControlLabel control={<Switch size="small" checked={nextTime} onChange={(event) => setNextTime(event.target.checked)} />} label="for next time" />
        <Button type="submit" variant="contained" disabled={sending || (text.trim() === '' && kept.length === 0)}>
          Write it down
        </Button>
      </div>
    </form>
  );
}
