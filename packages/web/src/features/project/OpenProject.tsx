/** Opens the project of the address: from the server, with changes held in this browser on top, and follows it. */
import { designCodec, outcomeOf, readWorkshop, recordCodec, type Problem } from '@keen/core';
import { Alert, Button, CircularProgress } from '@mui/material';
import { useEffect, useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { useStore } from 'react-redux';
import { AWAY, KEEP_COPY, request, type StoredProject, type StoredWorkshop } from '../../app/api.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../app/store.ts';
import { claimSession, takeUp } from '../save/outbox.ts';
import { wholeRecord } from '../save/record-pages.ts';
import { followProject, type Follower } from '../save/live.ts';
import { startSaver, type Saver } from '../save/saver.ts';
import { RestoreProject } from './RestoreProject.tsx';
import { WaysOut } from './WaysOut.tsx';
import { projectClosed, projectOpened } from './project.slice.ts';
import { panelSelected } from './view.slice.ts';

export function OpenProject({ children }: { readonly children: ReactNode }) {
  const { projectId = '' } = useParams();
  const store = useStore() as Store;
  const dispatch = useAppDispatch();
  const open = useAppSelector(({ project }) => project.open?.id === projectId);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [tries, setTries] = useState(0);

  const retry = (): void => {
    setProblem(null);
    setTries(tries + 1);
  };

  useEffect(() => {
    let saver: Saver | undefined;
    let follower: Follower | undefined;
    let left = false;
    void (async () => {
      const session = await claimSession();
      const result = await load(projectId, session);
      if (left) return;
      if ('problem' in result) return setProblem(result.problem);
      dispatch(panelSelected(null));
      saver = startSaver(store, session);
      dispatch(projectOpened(result.opened));
      follower = followProject(store, projectId, session);
      // A label's code names its part.
      const part = new URLSearchParams(location.search).get('part');
      if (part !== null) dispatch(panelSelected(part));
    })();
    return () => {
      left = true;
      saver?.stop();
      follower?.stop();
      dispatch(projectClosed());
    };
  }, [projectId, tries, store, dispatch]);

  if (problem) {
    return (
      <main className="notice-page">
        <h1>{problem.code === 'deleted' ? 'This project was deleted' : 'This project cannot be opened'}</h1>
        <Alert
          severity="warning"
          action={problem.code === 'deleted' ? <RestoreProject projectId={projectId} onBack={retry} /> : <Button onClick={retry}>Try again</Button>}
        >
          {problem.code === 'deleted'
            ? `${problem.message.replace(/^this project was/, 'It was')}, and comes back as it was.`
            : problem.code === 'not-found'
              ? 'There is no project at this address.'
              : `${problem.where}: ${problem.message}. Accepted: ${problem.accepted}.`}
        </Alert>
        {problem.code !== 'away' && problem.code !== 'not-found' && problem.code !== 'deleted' ? (
          <WaysOut projectId={projectId} />
        ) : (
          <Button component={Link} to="/">
            All projects
          </Button>
        )}
      </main>
    );
  }
  if (!open) {
    return (
      <main className="notice-page">
        <CircularProgress aria-label="Opening the project" />
      </main>
    );
  }
  return children;
}

type Opened = Parameters<typeof projectOpened>[0];

async function load(id: string, session: string): Promise<{ opened: Opened } | { problem: Problem }> {
  try {
    const [project, record, workshop] = await Promise.all([
      request<StoredProject>(`projects/${id}`, 'GET', undefined, KEEP_COPY),
      wholeRecord(id),
      request<StoredWorkshop>('workshop', 'GET', undefined, KEEP_COPY),
    ]);
    if (!Array.isArray(record)) return { problem: record as Problem };
    const failed = [project, workshop].find(({ status }) => status >= 400);
    if (failed) return { problem: failed.body as unknown as Problem };
    const read = outcomeOf(() => ({
      design: designCodec.read(project.body.document, 'document'),
      record: record.map(({ entry }) => recordCodec.read(entry, 'record')),
      sequence: record.at(-1)?.sequence ?? 0,
      workshop: readWorkshop(workshop.body.workshop),
    }));
    if (!read.ok) return { problem: read.problem };
    const { design, ...rest } = read.value;
    const stored: Opened = {
      id,
      demo: project.body.demo,
      design,
      base: { revision: project.body.revision, design },
      ...rest,
      queue: [],
      workshopRevision: workshop.body.revision,
      save: { kind: 'saved', at: Date.now() },
    };
    return { opened: await withHeld(stored, session) };
  } catch {
    return { problem: AWAY };
  }
}

/** Applies what an earlier visit of this tab, or closed tabs, could not send. */
async function withHeld(stored: Opened, session: string): Promise<Opened> {
  const { own, setAside } = await takeUp(stored.id, session);
  if (!own) return { ...stored, setAside };
  const { base, design, entries } = own;
  const queue = entries.filter(({ id }) => !stored.record.some((entry) => entry.id === id));
  return { ...stored, design, base, record: [...stored.record, ...queue], queue, setAside, save: { kind: 'unsaved' } };
}
