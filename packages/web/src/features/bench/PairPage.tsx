/** A phone or tablet is paired with the desk: the code the desk shows, and how to trust its certificate. */
import type { Problem } from '@keen/core';
import { Alert, Button, TextField } from '@mui/material';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';

export function Component() {
  const [search] = useSearchParams();
  const [code, setCode] = useState(search.get('code') ?? '');
  const [name, setName] = useState('Phone at the bench');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [paired, setPaired] = useState(false);
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
      <h1>Pair with the desk</h1>
      {paired ? (
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
