/** Home: projects as small drawn elevations, and one large button to begin. */
import { designCodec, entered, newWall, type Design, type Problem, EMPTY_DECISIONS } from '@keen/core';
import { Alert, Button, CircularProgress, Dialog, DialogActions, DialogContent, DialogTitle, Snackbar, TextField } from '@mui/material';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import {
  problemOf,
  useCreateProjectMutation,
  useDeleteProjectMutation,
  useDuplicateProjectMutation,
  useOpenFileMutation,
  useProjectsQuery,
  useRenameProjectMutation,
  useRestoreProjectMutation,
  type ProjectRow,
} from '../../app/api.ts';
import { downloadBlob, fileName } from '../../ui/download.ts';
import { FileInput } from '../../ui/FileInput.tsx';
import { Logo } from '../../ui/Logo.tsx';
import { SharingDialog } from '../bench/SharingDialog.tsx';
import { DeletedProjects } from './DeletedProjects.tsx';
import { SchemeButton } from './SchemeButton.tsx';
import { ProjectCard } from './ProjectCard.tsx';

export function Component() {
  const { data: projects, error, isLoading, refetch } = useProjectsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [problem, setProblem] = useState<{ title: string; problem: Problem } | null>(null);
  const [deleted, setDeleted] = useState<ProjectRow | null>(null);
  const [renaming, setRenaming] = useState<ProjectRow | null>(null);
  const [open, { isLoading: opening }] = useOpenFileMutation();
  const [duplicate] = useDuplicateProjectMutation();
  const [remove] = useDeleteProjectMutation();
  const [restore] = useRestoreProjectMutation();
  const [rename] = useRenameProjectMutation();
  const [create, { isLoading: beginning }] = useCreateProjectMutation();
  const input = useRef<HTMLInputElement>(null);
  const [sharing, setSharing] = useState(false);
  const navigate = useNavigate();
  const say = (title: string) => (answer: { error?: unknown }) => {
    if (answer.error !== undefined) setProblem({ title, problem: problemOf(answer.error) });
  };

  /** Read on the server in a worker: whole or not at all. */
  const openFile = async (file: File): Promise<void> => {
    const answer = await open(file);
    if ('data' in answer && answer.data) void navigate(`/project/${answer.data.id}`);
    else setProblem({ title: `“${file.name}” was not opened, and nothing was changed`, problem: problemOf(answer.error) });
  };
  const saveFile = ({ id, name }: ProjectRow): Promise<void> =>
    fetchFile(`/api/projects/${encodeURIComponent(id)}/file`, `${fileName(name)}.carcass.json`, 'It could not be saved as a file');
  const saveBundle = ({ id, name }: ProjectRow): Promise<void> =>
    fetchFile(`/api/projects/${encodeURIComponent(id)}/bundle`, `${fileName(name)}.carcass.zip`, 'It could not be saved with its pictures');
  const fetchFile = async (address: string, name: string, title: string): Promise<void> => {
    try {
      const answer = await fetch(address);
      if (answer.ok) downloadBlob(name, await answer.blob());
      else setProblem({ title, problem: (await answer.json()) as Problem });
    } catch {
      setProblem({ title, problem: problemOf(undefined) });
    }
  };
  /** A project with an empty wall: the cabinet follows from its contents or from the free space. */
  const beginWith = async (station: 'contents' | 'wall'): Promise<void> => {
    const answer = await create(designCodec.write(emptyDesign()));
    if ('data' in answer && answer.data) void navigate(`/project/${answer.data.id}/none/${station}`);
    else setProblem({ title: 'It was not begun', problem: problemOf(answer.error) });
  };
  const removeOne = async (row: ProjectRow): Promise<void> => {
    const answer = await remove(row.id);
    if (answer.error) say('It was not deleted')(answer);
    else setDeleted(row);
  };

  return (
    <div className="home">
      {sharing && <SharingDialog path="/" onClose={() => setSharing(false)} />}
      <header className="home-head">
        <Logo size={40} />
        <h1>Keen Carcass</h1>
        <p>From what it must hold to “it hangs”.</p>
        <SchemeButton />
      </header>
      <main>
        <div className="home-actions">
          <Button component={Link} to="/new" variant="contained" size="large" className="begin">
            New cabinet
          </Button>
          <Button variant="outlined" size="large" disabled={beginning} onClick={() => void beginWith('contents')}>
            Start from what it must hold
          </Button>
          <Button variant="outlined" size="large" disabled={opening} onClick={() => input.current?.click()}>
            Open a file …
          </Button>
          <Button component={Link} to="/sums" variant="outlined" size="large">
            Quick sums
          </Button>
          <Button component={Link} to="/yard" variant="outlined" size="large">
            One trip to the yard
          </Button>
          <Button component={Link} to="/worry" variant="outlined" size="large">
            One that worries you
          </Button>
          <Button variant="outlined" size="large" onClick={() => setSharing(true)}>
            Phones …
          </Button>
          <FileInput input={input} label="Project file" accept=".json,.zip,application/json,application/zip" onFile={openFile} />
        </div>
        {problem && (
          <Alert severity="error" onClose={() => setProblem(null)} className="home-problem">
            <strong>{problem.title}.</strong> {problem.problem.message} ({problem.problem.where}). Accepted: {problem.problem.accepted}
          </Alert>
        )}
        {error && (
          <Alert severity="warning" action={<Button onClick={() => void refetch()}>Try again</Button>}>
            The projects cannot be shown: {problemOf(error).message}. Nothing is lost.
          </Alert>
        )}
        {isLoading && <CircularProgress aria-label="Loading the projects" />}
        {projects?.length === 0 && (
          <div className="empty">
            <h2>No project yet</h2>
            <p>“New cabinet” asks three questions and draws as you answer.</p>
          </div>
        )}
        <ul className="cards">
          {projects?.map((row) => (
            <ProjectCard
              key={row.id}
              row={row}
              onRename={() => setRenaming(row)}
              onDuplicate={() => void duplicate(row.id).then(say('It was not copied'))}
              onSave={() => void saveFile(row)}
              onSaveWhole={() => void saveBundle(row)}
              onDelete={() => void removeOne(row)}
            />
          ))}
        </ul>
        <DeletedProjects onBringBack={({ id }) => void restore(id).then(say('It did not come back'))} />
      </main>
      <RenameDialog
        key={renaming?.id}
        row={renaming}
        onClose={() => setRenaming(null)}
        onRename={(name) => {
          if (renaming) void rename({ id: renaming.id, name }).then(say('It was not renamed'));
          setRenaming(null);
        }}
      />
      <Snackbar
        open={deleted !== null}
        autoHideDuration={15_000}
        onClose={(_event, reason) => reason !== 'clickaway' && setDeleted(null)}
        message={`${deleted?.name ?? ''} deleted`}
        action={
          <Button
            className="on-ink"
            onClick={() => {
              if (deleted) void restore(deleted.id).then(say('It did not come back'));
              setDeleted(null);
            }}
          >
            Undo
          </Button>
        }
      />
    </div>
  );
}

const emptyDesign = (): Design => ({
  name: 'New wall',
  unit: 'mm',
  wall: newWall({ unit: 'mm', width: entered('3000 mm'), ceiling: entered('2400 mm'), spacing: null }),
  children: false,
  person: { height: entered('1720 mm') },
  items: {},
  ...EMPTY_DECISIONS,
  units: {},
});

function RenameDialog({
  row,
  onClose,
  onRename,
}: {
  readonly row: ProjectRow | null;
  readonly onClose: () => void;
  readonly onRename: (name: string) => void;
}) {
  const [name, setName] = useState(row?.name ?? '');
  return (
    <Dialog open={row !== null} onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim()) onRename(name.trim());
        }}
      >
        <DialogTitle>Rename the project</DialogTitle>
        <DialogContent>
          <TextField autoFocus margin="dense" label="Name" value={name} onChange={(event) => setName(event.target.value.slice(0, 80))} />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={!name.trim()}>
            Rename
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
