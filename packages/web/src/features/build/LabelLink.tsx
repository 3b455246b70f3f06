/** Link to the label settings of a glue or finish. */
import { Button } from '@mui/material';
import { useNavigate } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { focusField } from '../project/focusField.ts';
import { selectOpen } from '../project/selectors.ts';

/** `of`: 'glue.yellow', 'finish.oil'; `first`: the field to focus. */
export function LabelLink({ of, first, children }: { readonly of: string; readonly first: string; readonly children: string }) {
  const { id, design } = useAppSelector(selectOpen);
  const navigate = useNavigate();
  return (
    <Button
      size="small"
      onClick={() => {
        void navigate(`/project/${id}/${Object.keys(design.units)[0]}/stock`);
        focusField(`shop.labels.${of}.${first}`);
      }}
    >
      {children}
    </Button>
  );
}
