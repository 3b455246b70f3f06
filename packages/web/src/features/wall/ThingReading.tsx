/** A thing on or in front of the wall: place, size, swing. */
import { OPENS_DEG, type WallThing } from '@keen/core';
import { Button, TextField } from '@mui/material';
import { useAppDispatch } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { useEdit } from '../project/useEdit.ts';
import { picked } from '../project/view.slice.ts';
import { WallLength, WallNumber } from './fields.tsx';
import { THING_WORDS } from './WallForm.tsx';

export function ThingReading({ thing }: { readonly thing: WallThing }) {
  const { apply, leave } = useEdit();
  const dispatch = useAppDispatch();
  const path = ['things', thing.id];
  const side = thing.kind === 'side-door';
  const swings = side || thing.kind === 'door';
  return (
    <div className="reading">
      <h2>{thing.name}</h2>
      <p className="kind">{THING_WORDS[thing.kind]}</p>
      <div className="fields">
        <TextField
          label="name"
          value={thing.name}
          onChange={({ target }) => target.value.trim() && apply([{ path: ['wall', ...path, 'name'], value: target.value.slice(0, 80) }], `${thing.id}.name`)}
          onBlur={leave}
          slotProps={{ htmlInput: { 'data-field': `wall.things.${thing.id}.name`, autoComplete: 'off' }, inputLabel: { shrink: true } }}
        />
        {!side && <WallLength path={[...path, 'left']} label="from the left end of the wall" limits="along" />}
        <WallLength path={[...path, 'up']} label="lower edge above the floor" limits="up" />
        <WallLength path={[...path, 'width']} label={side ? 'width of the leaf' : 'width'} limits="size" />
        <WallLength path={[...path, 'height']} label="height" limits="size" />
        <WallLength path={[...path, 'out']} label={side ? 'hinge from this wall' : 'stands out'} limits="out" />
        {swings && (
          <>
            <ChoiceField
              label={side ? 'in the wall at the' : 'hinged'}
              name={`wall.things.${thing.id}.hinge`}
              value={thing.hinge}
              options={[
                { value: 'left', label: side ? 'left end' : 'left' },
                { value: 'right', label: side ? 'right end' : 'right' },
                ...(side ? [] : [{ value: 'none', label: 'opens away from this room' }]),
              ]}
              onChange={(hinge) => apply([{ path: ['wall', ...path, 'hinge'], value: hinge }], '')}
            />
            <WallNumber path={[...path, 'opensDeg']} label="opens" unit="°" {...OPENS_DEG} />
            <WallLength path={[...path, 'handle']} label="handle stands out" limits="out" />
          </>
        )}
      </div>
      <Button
        color="error"
        onClick={() => {
          dispatch(picked(null));
          apply([{ path: ['wall', ...path], value: undefined }], '', `${thing.name} taken off`);
        }}
      >
        Take it off the wall
      </Button>
    </div>
  );
}
