/** Changes of the workshop, which all projects share. */
import { workshopCodec, type Problem, type Workshop } from '@keen/core';
import { AWAY, request, type StoredWorkshop } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { problemReported, workshopChanged } from '../project/project.slice.ts';
import { selectOpen } from '../project/selectors.ts';

/** Saves a change of the workshop; a refusal is shown and nothing is changed. */
export function useWorkshopChange(): (next: Workshop) => Promise<boolean> {
  const { workshopRevision } = useAppSelector(selectOpen);
  const dispatch = useAppDispatch();
  return async (next) => {
    try {
      const { status, body } = await request<StoredWorkshop & Problem & { current?: StoredWorkshop & { document: never; revision: number } }>(
        'workshop',
        'PUT',
        { base: workshopRevision, workshop: workshopCodec.write(next) },
      );
      if (status === 409 && body.current) {
        dispatch(workshopChanged({ workshop: workshopCodec.read(body.current.document, 'workshop'), revision: body.current.revision }));
        dispatch(
          problemReported({
            code: 'stale',
            message: 'The workshop was changed elsewhere; what you entered is still here',
            where: 'workshop',
            accepted: 'save it again',
          }),
        );
        return false;
      }
      if (status >= 400) {
        dispatch(problemReported(body));
        return false;
      }
      dispatch(workshopChanged({ workshop: workshopCodec.read(body.workshop, 'workshop'), revision: body.revision }));
      return true;
    } catch {
      dispatch(problemReported(AWAY));
      return false;
    }
  };
}
