/** An address of a cabinet the project does not have: edited by hand, or deleted since. */
import { specsInOrder } from '@keen/core';
import { Button } from '@mui/material';
import { Link } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen } from './selectors.ts';
import type { StationId } from './Stations.tsx';

export function NoSuchCabinet({ station }: { readonly station: StationId }) {
  const { id, design } = useAppSelector(selectOpen);
  const cabinets = specsInOrder(design);
  return (
    <div className="empty">
      <h1>This cabinet is not in the project</h1>
      <p>It may have been deleted. Open one of these instead:</p>
      <div className="fixes">
        {cabinets.map((cabinet) => (
          <Button key={cabinet.id} variant="outlined" component={Link} to={`/project/${id}/${cabinet.id}/${station}`}>
            {cabinet.name}
          </Button>
        ))}
      </div>
    </div>
  );
}
