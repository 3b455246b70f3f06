/** A place someone looked at before drilling: where, and how. */
import { Button } from '@mui/material';
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
  return (
    <div className="reading">
      <h2>Looked at here</h2>
      <p className="kind">holes inside this area count as looked at; in a cable band they stay “never”</p>
      <div className="fields">
        <WallLength path={[...path, 'left']} label="from the left end of the wall" limits="along" />
        <WallLength path={[...path, 'up']} label="lower edge above the floor" limits="up" />
        <WallLength path={[...path, 'width']} label="width" limits="size" />
        <WallLength path={[...path, 'height']} label="height" limits="size" />
        <ChoiceField
          label="how"
          name={`wall.looked.${id}.how`}
          value={area.how}
          options={[
            { value: 'detector', label: 'with a detector' },
            { value: 'probe-hole', label: 'through a probe hole' },
            { value: 'power-off', label: 'with the power off' },
          ]}
          onChange={(how) => apply([{ path: ['wall', ...path, 'how'], value: how }], '')}
        />
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
