/**
 * Follows the open project: entries of other devices are fetched when the server announces them, and after every reconnection. A design saved elsewhere is
 * taken over where nothing here waits to be saved; otherwise the next save merges the two.
 */
import { designCodec, outcomeOf, recordCodec } from '@keen/core';
import { request, type StoredProject } from '../../app/api.ts';
import type { Store } from '../../app/store.ts';
import { designFollowed, recordFollowed } from '../project/project.slice.ts';
import { entriesAfter } from './record-pages.ts';

export interface Follower {
  stop(): void;
}

export function followProject(store: Store, id: string, session: string): Follower {
  if (typeof EventSource === 'undefined') return { stop: () => {} };
  const lines = new EventSource(`/api/projects/${id}/live`);
  const open = () => {
    const { open: project } = store.getState().project;
    return project?.id === id ? project : null;
  };
  let asking = false;
  let again = false;

  /** One request at a time; a second is sent after it. */
  const catchUp = async (): Promise<void> => {
    if (asking) {
      again = true;
      return;
    }
    asking = true;
    try {
      const project = open();
      if (!project) return;
      const body = await entriesAfter(id, project.sequence);
      if (!Array.isArray(body) || body.length === 0) return;
      const read = outcomeOf(() => body.map(({ entry }) => recordCodec.read(entry, 'record')));
      if (read.ok) store.dispatch(recordFollowed({ entries: read.value, sequence: body.at(-1)!.sequence }));
    } catch {
      // Disconnected: the next beat asks again.
    } finally {
      asking = false;
      if (again) {
        again = false;
        void catchUp();
      }
    }
  };

  const newer = async (revision: number): Promise<void> => {
    const before = open();
    if (!before || revision <= before.base.revision || before.design !== before.base.design) return;
    try {
      const { status, body } = await request<StoredProject>(`projects/${id}`);
      const read = status === 200 ? outcomeOf(() => designCodec.read(body.document, 'document')) : undefined;
      const now = open();
      if (read?.ok && now && now.design === now.base.design && body.revision > now.base.revision)
        store.dispatch(designFollowed({ design: read.value, revision: body.revision, at: Date.now() }));
    } catch {
      // Fetched with the next request.
    }
  };

  lines.addEventListener('beat', () => void catchUp());
  lines.addEventListener('record', () => void catchUp());
  lines.addEventListener('design', (event) => {
    const { revision, session: by } = JSON.parse((event as MessageEvent<string>).data) as { revision: number; session: string };
    if (by !== session) void newer(revision);
  });
  return { stop: () => lines.close() };
}
