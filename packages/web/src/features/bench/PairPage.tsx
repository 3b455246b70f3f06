/** Pairs a phone or tablet with the desk: the code from the desk, and how to trust its certificate. */
import type { Problem } from '@keen/core';
import { Alert, Button, TextField } from '@mui/material';
import { useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { request } from '../../app/api.ts';
import { waitingCount } from '../save/outbox.ts';

export function Component() {
  const [search] = useSearchParams();
  const [code, setCode] = useState(search.get('code') ?? '');
  const [name, setName] = useState('Phone at the bench');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [paired, setPaired] = useState(false);
  const [own, setOwn] = useState<OwnAccess | null>(null);
  useEffect(() => {
    request<OwnAccess>('sharing/own')
      .then(({ status, body }) => status === 200 && setOwn(body))
      // Nobody answers: pairing will say so.
      .catch(() => {});
  }, []);
  const pair = async (): Promise<void> => {
    setProblem(null);
    try {
      const answer = await fetch('/api/sharing/pair', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ code: code.trim(), name: name.trim() }),
      });
      if (answer.ok) setPaired(true);
      else setProblem((await answer.json()) as Problem);
    } catch {
      setProblem({
        code: 'away',
        message: 'the desk does not answer',
        where: 'desk',
        accepted: 'the same network, and the desk started with bin/start --share',
      });
    }
  };
  return (
    <main className="bench notice-page pair-page">
      <h1>{own?.kind === 'device' && !paired ? 'This device' : 'Pair with the desk'}</h1>
      {own?.kind === 'device' && !paired && <SignOut name={own.name ?? ''} onDone={() => setOwn(null)} onProblem={setProblem} />}
      {own?.kind === 'device' ? null : paired ? (
        <>
          <p role="status">Paired. This device opens the desk’s projects from now on.</p>
          <Button variant="contained" component={Link} to="/">
            To the room
          </Button>
        </>
      ) : (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void pair();
          }}
        >
          <TextField
            label="code the desk shows"
            value={code}
            onChange={(event) => setCode(event.target.value.replace(/\D/g, '').slice(0, 6))}
            slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'one-time-code', 'data-field': 'pair.code' }, inputLabel: { shrink: true } }}
          />
          <TextField
            label="what this device is called"
            value={name}
            onChange={(event) => setName(event.target.value.slice(0, 80))}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Button type="submit" variant="contained" disabled={code.length !== 6 || name.trim() === ''}>
            Pair
          </Button>
        </form>
      )}
      {problem && (
        <Alert severity="warning">
          {problem.message}. Accepted: {problem.accepted}
        </Alert>
      )}
      <details>
        <summary>The browser warns of this address</summary>
        <p>
          The desk makes its own certificates. Go on past the warning, and everything works in an open tab. To be rid of it, and to keep pages when the network
          is gone:
        </p>
        <ol>
          <li>
            <a href="/trust.crt">Fetch the desk’s authority</a>.
          </li>
          <li>
            Open it in the settings of the phone, under certificates or profiles, and trust it for web pages. Only this desk can make certificates with it.
          </li>
          <li>Take it out there again when the desk is gone.</li>
        </ol>
      </details>
    </main>
  );
}

/** The caller as the server sees it. */
interface OwnAccess {
  readonly kind: 'desk' | 'device' | 'stranger';
  readonly name: string | null;
}

/** Ends this device's pairing, and removes the desk's pages and projects from it. Unsent entries stay, and are sent when it is paired again. */
function SignOut({ name, onDone, onProblem }: { readonly name: string; readonly onDone: () => void; readonly onProblem: (problem: Problem) => void }) {
  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    waitingCount()
      .then(setWaiting)
      .catch(() => {});
  }, []);
  const signOut = async (): Promise<void> => {
    try {
      const { status, body } = await request<Problem | undefined>('sharing/own', 'DELETE');
      if (status >= 400 && body) return onProblem(body);
      if ('caches' in window) for (const kept of await caches.keys()) await caches.delete(kept);
      onDone();
    } catch {
      onProblem({ code: 'away', message: 'the desk does not answer', where: 'desk', accepted: 'the same network as the desk' });
    }
  };
  return (
    <section aria-label="This device">
      <p>
        This device is paired as <b>{name}</b>.
      </p>
      {waiting > 0 && (
        <p>
          {waiting === 1 ? '1 project has changes' : `${waiting} projects have changes`} that have not been sent. They stay on this device and are sent when it
          is paired again.
        </p>
      )}
      <div className="pair-actions">
        <Button variant="contained" size="large" component={Link} to="/">
          All projects
        </Button>
        <Button variant="outlined" size="large" onClick={() => void signOut()}>
          Sign out
        </Button>
      </div>
    </section>
  );
}
