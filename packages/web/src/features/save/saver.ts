/**
 * Saves the open project: one save in flight, half a second after the last edit, with an outbox
 * behind it. A stale save is merged by path; what cannot be merged is put to the person.
 */
import { designCodec, merge, outcomeOf, sameJson, recordCodec, type Design, type Json, type Problem, type RecordEntry, workshopCodec } from '@keen/core';
import { request, type StoredEntry, type StoredWorkshop } from '../../app/api.ts';
import type { Store } from '../../app/store.ts';
import {
  entriesRefused,
  merged,
  recordConfirmed,
  saveDone,
  saveHeld,
  saveUnknown,
  saveRefused,
  saveStarted,
  versionsDiffer,
  workshopChanged,
  type ProjectState,
} from '../project/project.slice.ts';
import { hold, release } from './outbox.ts';
import { MAX_SENT } from './record-pages.ts';

const QUIET_MS = 500;
const HOLD_MS = 80;
const RETRY_MS = [1000, 2000, 4000, 8000];

/** The server cannot say whether a save was kept. */
class AnswerLost extends Error {}

interface Stale extends Problem {
  /** `session`: the tab whose save it is. */
  readonly current: { readonly revision: number; readonly document: Json; readonly session?: string };
}

export interface Saver {
  /** Sends what is waiting now; resolves when it has been tried. */
  flush(): Promise<void>;
  stop(): void;
}

/** What waits, without what was refused: sending that again would change nothing. */
const toSend = ({ queue, refusedEntries }: ProjectState): readonly RecordEntry[] =>
  refusedEntries.length === 0 ? queue : queue.filter(({ id }) => !refusedEntries.some((refused) => refused.id === id));

export function startSaver(store: Store, session: string): Saver {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let holdTimer: ReturnType<typeof setTimeout> | undefined;
  let inFlight: Promise<void> | undefined;
  let failures = 0;
  let seen: Design | undefined;
  let seenQueue: readonly RecordEntry[] | undefined;
  let seenBase: ProjectState['base'] | undefined;
  let stopped = false;

  const open = (): ProjectState | null => store.getState().project.open;

  const schedule = (ms: number): void => {
    clearTimeout(timer);
    timer = setTimeout(() => void flush(), ms);
  };

  const keep = (): void => {
    const project = open();
    if (!project) return;
    const { id, base, design, queue } = project;
    if (design === base.design && queue.length === 0) void release(id, session);
    else
      void hold({
        project: id,
        session,
        base: base.revision,
        baseDocument: designCodec.write(base.design),
        document: designCodec.write(design),
        entries: queue.map((entry) => recordCodec.write(entry)),
      });
  };

  const unsubscribe = store.subscribe(() => {
    const project = open();
    if (!project || stopped) return;
    // The base counts too: keeping ours over theirs changes nothing else, and is still to be sent.
    if (project.design === seen && project.queue === seenQueue && project.base === seenBase) return;
    seen = project.design;
    seenQueue = project.queue;
    seenBase = project.base;
    clearTimeout(holdTimer);
    holdTimer = setTimeout(keep, HOLD_MS);
    if (project.save.kind === 'two-versions') return;
    if (project.design !== project.base.design || toSend(project).length > 0)
      schedule(project.save.kind === 'held' || project.save.kind === 'checking' ? RETRY_MS[0]! : QUIET_MS);
  });

  const flush = async (): Promise<void> => {
    clearTimeout(timer);
    if (inFlight) {
      await inFlight;
      return;
    }
    inFlight = send().finally(() => (inFlight = undefined));
    await inFlight;
    const project = open();
    if (project && !stopped && failures === 0 && project.save.kind === 'unsaved') schedule(QUIET_MS);
  };

  const send = async (): Promise<void> => {
    const project = open();
    if (!project || project.save.kind === 'two-versions') return;
    try {
      await sendEntries(project);
      await sendDesign(project);
      failures = 0;
      const refused = open()?.refusedEntries[0];
      if (refused && open()?.save.kind === 'saved') store.dispatch(saveRefused(refused.problem));
    } catch (error) {
      // Nobody answered, or the answer made no sense: it stays here and is tried again. A save whose answer was lost is asked about by
      // sending it again: where it was kept, the server has it already and says so.
      failures++;
      store.dispatch(error instanceof AnswerLost ? saveUnknown() : saveHeld());
      schedule(RETRY_MS[Math.min(failures, RETRY_MS.length) - 1]!);
    }
    keep();
  };

  /** In chunks: a queue of a long day offline goes out in several requests, each confirmed before the next. */
  const sendEntries = async (project: ProjectState): Promise<void> => {
    const { id } = project;
    const queue = toSend(project);
    for (let from = 0; from < queue.length; from += MAX_SENT) await sendChunk(id, queue.slice(from, from + MAX_SENT));
    if (queue.some(({ kind }) => kind === 'sawn' || kind === 'withdrawn')) await storeMoved();
  };

  const sendChunk = async (id: string, chunk: readonly RecordEntry[]): Promise<void> => {
    const { status, body } = await request<StoredEntry[]>(`projects/${id}/record`, 'POST', { entries: chunk.map((entry) => recordCodec.write(entry)) });
    if (status >= 500) throw new TypeError('the server cannot save now');
    if (status >= 400) {
      // One that is refused stands in nobody's way: the others are sent one by one.
      if (chunk.length > 1) for (const entry of chunk) await sendChunk(id, [entry]);
      else store.dispatch(entriesRefused(chunk.map((entry) => ({ id: entry.id, problem: body as unknown as Problem }))));
      return;
    }
    store.dispatch(recordConfirmed(body.map(({ sequence, entry }) => ({ sequence, entry: recordCodec.read(entry, 'record') }))));
  };

  const sendDesign = async ({ id, base, design }: ProjectState): Promise<void> => {
    if (design === base.design) {
      if (open()?.save.kind !== 'saved') store.dispatch(saveDone({ revision: base.revision, design, at: Date.now() }));
      return;
    }
    store.dispatch(saveStarted());
    const { status, body } = await request<{ revision: number } & Problem>(`projects/${id}`, 'PUT', {
      base: base.revision,
      session,
      document: designCodec.write(design),
    });
    if (status === 409) return reconcile(body as unknown as Stale, design);
    if (status === 503 && body.code === 'unknown') throw new AnswerLost();
    if (status >= 500) throw new TypeError('the server cannot save now');
    if (status >= 400) return void store.dispatch(saveRefused(body));
    store.dispatch(saveDone({ revision: body.revision, design, at: Date.now() }));
    if (Object.keys(design.layouts).join() !== Object.keys(base.design.layouts).join()) await storeMoved();
  };

  /** Cuts change what is in the store: the workshop is looked at again. */
  const storeMoved = async (): Promise<void> => {
    const { status, body } = await request<StoredWorkshop>('workshop');
    if (status === 200 && body.revision !== open()?.workshopRevision)
      store.dispatch(workshopChanged({ workshop: workshopCodec.read(body.workshop, 'workshop'), revision: body.revision }));
  };

  const reconcile = ({ current }: Stale, sent: Design): void => {
    const project = open();
    if (!project) return;
    const theirs = designCodec.read(current.document, 'document');
    // What the server has is what was sent: an earlier attempt got through, only its answer did not.
    if (sameJson(current.document, designCodec.write(sent))) return void store.dispatch(saveDone({ revision: current.revision, design: sent, at: Date.now() }));
    // This tab's own save, that got through while the tab was loaded again: what it holds now came after that.
    if (current.session === session) return void store.dispatch(saveDone({ revision: current.revision, design: theirs, at: Date.now() }));
    const { merged: both, conflicts } = merge(designCodec.write(project.base.design), designCodec.write(project.design), current.document);
    const read = conflicts.length === 0 ? outcomeOf(() => designCodec.read(both, 'document')) : undefined;
    if (read?.ok) store.dispatch(merged({ design: read.value, theirs, revision: current.revision }));
    else store.dispatch(versionsDiffer({ theirs, revision: current.revision, conflicts: conflicts.length > 0 ? conflicts : ['design'] }));
  };

  const now = (): void => void flush();
  window.addEventListener('online', now);
  // A tab that is closed a moment after an edit has not held it yet.
  window.addEventListener('pagehide', keep);
  return {
    flush,
    stop() {
      stopped = true;
      clearTimeout(timer);
      clearTimeout(holdTimer);
      keep();
      unsubscribe();
      window.removeEventListener('online', now);
      window.removeEventListener('pagehide', keep);
    },
  };
}
