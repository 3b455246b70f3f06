/** A project without a cabinet: how to begin. */
import { Button } from '@mui/material';
import type { StationId } from './Stations.tsx';

export function EmptyProject({ onStation }: { readonly onStation: (station: StationId) => void }) {
  return (
    <div className="empty">
      <h1>No cabinet on this wall yet</h1>
      <p>
        Enter what it must hold and let a box be proposed for it, or enter the wall first and fill the room there is. Or open the list at the top left and
        choose “Add a unit …”: a sound one of its family, with a cleat, to start from.
      </p>
      <div className="fixes">
        <Button variant="contained" onClick={() => onStation('contents')}>
          What must it hold?
        </Button>
        <Button variant="outlined" onClick={() => onStation('wall')}>
          Where does it go?
        </Button>
      </div>
    </div>
  );
}
