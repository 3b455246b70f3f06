/** Copies the cabinet on show into another project: read, added and saved at once, or not at all. */
import { designCodec, outcomeOf, specFor, type Problem } from '@keen/core';
import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle, List, ListItemButton, ListItemText } from '@mui/material';
import { useState } from 'react';
import { Link } from 'react-router';
import { AWAY, problemOf, request, useProjectsQuery, type StoredProject } from '../../app/api.ts';
import { useAppSelector } from '../../app/store.ts';
import { claimSession } from '../save/outbox.ts';
import { selectOpen, type ShownCabinet } from './selectors.ts';

type State =
  { readonly kind: 'choosing' } | { readonly kind: 'copying' } | { readonly kind: 'done'; readonly to: string; readonly name: string; readonly unit: string };

export function CopyElsewhereDialog({ shown: { spec }, onClose }: { readonly shown: ShownCabinet; readonly onClose: () => void }) {
  const { id } = useAppSelector(selectOpen);
  const projects = useProjectsQuery();
  const [state, setState] = useState<State>({ kind: 'choosing' });
  const [problem, setProblem] = useState<Problem | null>(null);
  const others = (projects.data ?? []).filter((row) => row.id !== id);
  const failed = problem ?? (projects.error ? problemOf(projects.error) : null);
  const copyTo = async (to: string, name: string): Promise<void> => {
    setState({ kind: 'copying' });
    setProblem(null);
    const said = await copyInto(to, spec);
    if ('problem' in said) {
      setProblem(said.problem);
      setState({ kind: 'choosing' });
    } else setState({ kind: 'done', to, name, unit: said.unit });
  };
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="copy-title">
      <DialogTitle id="copy-title">Copy {spec.name} to another project</DialogTitle>
      <DialogContent>
        {failed && (
          <Alert severity="warning">
            It was not copied: {failed.message}. {failed.accepted}.
          </Alert>
        )}
        {state.kind === 'done' ? (
          <Alert severity="success">
            It is in {state.name} now, where it stood here. What stands in it stays behind.{' '}
            <Link to={`/project/${state.to}/${state.unit}/box`}>Open it there</Link>
          </Alert>
        ) : others.length === 0 && !projects.isLoading ? (
          <p className="quiet">There is no other project yet. Begin one in the room, then come back.</p>
        ) : (
          <List dense>
            {others.map((row) => (
              <ListItemButton key={row.id} disabled={state.kind === 'copying'} onClick={() => void copyTo(row.id, row.name)}>
                <ListItemText primary={row.name} secondary={`${row.units.length} ${row.units.length === 1 ? 'unit' : 'units'}`} />
              </ListItemButton>
            ))}
          </List>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{state.kind === 'done' ? 'Stay here' : 'Cancel'}</Button>
      </DialogActions>
    </Dialog>
  );
}

/** Adds a cabinet to a stored project; retries once when the project was saved meanwhile. */
async function copyInto(to: string, spec: ShownCabinet['spec']): Promise<{ unit: string } | { problem: Problem }> {
  const unit = `u${crypto.randomUUID().slice(0, 8)}`;
  try {
    const session = await claimSession();
    for (let attempt = 0; ; attempt++) {
      const stored = await request<StoredProject>(`projects/${to}`);
      if (stored.status >= 400) return { problem: stored.body as unknown as Problem };
      const read = outcomeOf(() => designCodec.read(stored.body.document, 'design'));
      if (!read.ok) return { problem: read.problem };
      const target = read.value;
      const document = designCodec.write({ ...target, units: { ...target.units, [unit]: specFor(target, spec, unit) } });
      const saved = await request<Problem>(`projects/${to}`, 'PUT', { base: stored.body.revision, session, document });
      if (saved.status === 409 && attempt === 0) continue;
      return saved.status >= 400 ? { problem: saved.body } : { unit };
    }
  } catch (error) {
    if (error instanceof TypeError) return { problem: AWAY };
    throw error;
  }
}
