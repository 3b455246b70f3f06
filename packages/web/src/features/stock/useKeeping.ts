/** Reserves pieces of stock for this project and releases them: at once or not at all, with a message when another project was first. */
import { workshopCodec, type Problem } from '@keen/core';
import { AWAY, request, type StoredWorkshop } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { problemReported, workshopChanged } from '../project/project.slice.ts';
import { selectOpen } from '../project/selectors.ts';

export interface Keeping {
  readonly keep: (pieces: readonly string[]) => Promise<boolean>;
  readonly giveBack: (pieces: readonly string[]) => Promise<boolean>;
}

export function useKeeping(): Keeping {
  const { id: project } = useAppSelector(selectOpen);
  const dispatch = useAppDispatch();
  const changed = ({ workshop, revision }: StoredWorkshop): void =>
    void dispatch(workshopChanged({ workshop: workshopCodec.read(workshop, 'workshop'), revision }));
  const ask = async (what: 'reserve' | 'release', pieces: readonly string[]): Promise<boolean> => {
    try {
      const { status, body } = await request<StoredWorkshop & Problem>(`stock/${what}`, 'POST', { project, pieces });
      if (status < 400) {
        changed(body);
        return true;
      }
      // Another project changed the stock first: it is shown as it is now.
      changed((await request<StoredWorkshop>('workshop')).body);
      dispatch(problemReported(body));
    } catch {
      dispatch(problemReported(AWAY));
    }
    return false;
  };
  return { keep: (pieces) => ask('reserve', pieces), giveBack: (pieces) => ask('release', pieces) };
}
