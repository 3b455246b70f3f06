/** Undo. With nothing left to undo in this visit, it goes back to the previous version on the server. */
import { designCodec, outcomeOf } from '@keen/core';
import { useCallback } from 'react';
import { useStore } from 'react-redux';
import { request, type RevisionRow, type StoredProject } from '../../app/api.ts';
import { useAppDispatch, type Store } from '../../app/store.ts';
import { sessionName } from '../save/outbox.ts';
import { problemReported, theirsTaken, undone, versionsDiffer } from './project.slice.ts';

export function useUndo(): () => void {
  const store = useStore() as Store;
  const dispatch = useAppDispatch();
  return useCallback(() => {
    const open = store.getState().project.open;
    if (!open) return;
    if (open.past.length > 0) {
      dispatch(undone());
      return;
    }
    void goBack(store, open.id, open.base.revision);
  }, [dispatch, store]);
}

/** Going back further: from a restored version it continues at the one it restored, never at the one it replaced. */
export function versionBefore([newest, ...older]: readonly RevisionRow[]): RevisionRow | undefined {
  if (!newest) return undefined;
  const from = newest.restoredFrom ?? newest.number;
  return older.find(({ number }) => number < from);
}

async function goBack(store: Store, id: string, base: number): Promise<void> {
  try {
    const { body: history } = await request<RevisionRow[]>(`projects/${id}/revisions`);
    const before = versionBefore(history);
    if (!before)
      return void store.dispatch(problemReported({ code: 'nothing', message: 'There is nothing to undo', where: 'history', accepted: 'a change first' }));
    const { status, body } = await request<StoredProject>(`projects/${id}/revisions/${before.number}/restore`, 'POST', { base, session: sessionName() });
    if (status >= 400) return void store.dispatch(problemReported(body as unknown as { code: string; message: string; where: string; accepted: string }));
    const read = outcomeOf(() => designCodec.read(body.document, 'document'));
    if (!read.ok) return void store.dispatch(problemReported(read.problem));
    // The restored version is the newest: taken over like any other from elsewhere, and undoable.
    store.dispatch(versionsDiffer({ theirs: read.value, revision: body.revision, conflicts: [] }));
    store.dispatch(theirsTaken(Date.now()));
  } catch {
    store.dispatch(
      problemReported({
        code: 'away',
        message: 'The server does not answer; the version before is kept there',
        where: 'server',
        accepted: 'try again when it is back',
      }),
    );
  }
}
