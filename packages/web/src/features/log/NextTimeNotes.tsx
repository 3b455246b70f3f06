/** Notes for next time about cabinets of a kind, from any project, shown where a similar one is begun. */
import { useEffect, useState } from 'react';
import { request } from '../../app/api.ts';

interface NextTimeNote {
  readonly family: string;
  readonly unit: string;
  readonly text: string;
}

/** Those of one family, or of all. */
export function NextTimeNotes({ family }: { readonly family?: string }) {
  const [notes, setNotes] = useState<readonly NextTimeNote[]>([]);
  useEffect(() => {
    let gone = false;
    request<NextTimeNote[]>('next-time')
      .then(({ status, body }) => {
        if (!gone && status === 200) setNotes(body);
      })
      // A failure here must not keep a cabinet from being begun.
      .catch(() => {});
    return () => {
      gone = true;
    };
  }, []);
  const told = notes.filter((note) => family === undefined || note.family === family).slice(0, 5);
  if (told.length === 0) return null;
  return (
    <aside className="next-time-notes" aria-label="Noted for next time">
      <h2>Noted for next time</h2>
      <ul>
        {told.map(({ unit, text }, index) => (
          <li key={index}>
            {text} <span className="quiet">({unit})</span>
          </li>
        ))}
      </ul>
    </aside>
  );
}
