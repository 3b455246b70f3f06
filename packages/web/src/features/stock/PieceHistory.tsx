/** What has happened to a piece of the store, back to the sheet it was part of; and its photograph. */
import { pieceName, tapeTextWithUnit, readEntered, type DisplayUnit, type Problem } from '@keen/core';
import { Button } from '@mui/material';
import { useCallback, useEffect, useRef, useState } from 'react';
import { AWAY, request } from '../../app/api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { FileInput } from '../../ui/FileInput.tsx';
import { problemReported } from '../project/project.slice.ts';

interface StockEvent {
  readonly kind: 'bought' | 'kept' | 'changed' | 'reserved' | 'released' | 'cut' | 'uncut' | 'thrown';
  readonly at: string;
  readonly project: { readonly id: string; readonly name: string } | null;
}

interface Ancestor {
  readonly id: string;
  readonly piece: { readonly length: string; readonly width: string };
  readonly events: readonly StockEvent[];
}

export interface History extends Ancestor {
  readonly state: 'store' | 'cut' | 'thrown';
  readonly picture: boolean;
  readonly parents: readonly Ancestor[];
  readonly kept: readonly { readonly id: string }[];
}

const day = (at: string): string => new Date(at).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' });

function eventWords({ kind, at, project }: StockEvent): string {
  const words = {
    bought: project ? `bought for ${project.name}` : 'bought',
    kept: project ? `left over from ${project.name}, kept` : 'put into the store',
    changed: 'changed',
    reserved: `kept for ${project?.name ?? ''}`,
    released: `given back by ${project?.name ?? ''}`,
    cut: `cut for ${project?.name ?? ''}`,
    uncut: `cut taken back in ${project?.name ?? ''}`,
    thrown: 'taken out',
  };
  return `${day(at)}: ${words[kind]}`;
}

const size = ({ length, width }: Ancestor['piece'], unit: DisplayUnit): string =>
  [length, width]
    .map((text) => (({ ok: good, ...read }) => (good && 'value' in read ? tapeTextWithUnit(read.value.nm, unit) : text))(readEntered(text)))
    .join(' × ');

/** What is known of where pieces of it came from, nearest first. */
export function Ancestry({ history, unit }: { readonly history: History; readonly unit: DisplayUnit }) {
  return (
    <ul className="ancestry">
      {[history, ...history.parents].map((each, index) => (
        <li key={each.id}>
          {index === 0 ? 'of ' : 'was part of '}
          {pieceName(each.id)}, {size(each.piece, unit)}
          <ul>
            {each.events.map((event, n) => (
              <li key={n}>{eventWords(event)}</li>
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}

export function PieceHistory({ id, unit }: { readonly id: string; readonly unit: DisplayUnit }) {
  const [history, setHistory] = useState<History | null>(null);
  const [shown, setShown] = useState(0);
  const dispatch = useAppDispatch();
  const file = useRef<HTMLInputElement>(null);
  const look = useCallback(async (): Promise<void> => {
    try {
      const { status, body } = await request<History & Problem>(`stock/${encodeURIComponent(id)}`);
      if (status === 200) setHistory(body);
      else dispatch(problemReported(body));
    } catch {
      dispatch(problemReported(AWAY));
    }
  }, [id, dispatch]);
  useEffect(() => {
    const first = async (): Promise<void> => look();
    void first();
  }, [look]);
  const send = async (picked: File): Promise<void> => {
    try {
      const answer = await fetch(`/api/stock/${encodeURIComponent(id)}/picture`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: picked,
      });
      if (answer.ok) setShown(shown + 1);
      else dispatch(problemReported((await answer.json()) as Problem));
      await look();
    } catch {
      dispatch(problemReported(AWAY));
    }
  };
  if (!history) return <p className="quiet">Looking it up …</p>;
  return (
    <div className="piece-history">
      <Ancestry history={history} unit={unit} />
      {history.kept.length > 0 && <p>Left over from it: {history.kept.map((each) => pieceName(each.id)).join(', ')}</p>}
      {history.picture && <img src={`/api/stock/${encodeURIComponent(id)}/picture?${shown}`} alt={`Photograph of ${pieceName(id)}`} />}
      <FileInput input={file} label={`Photograph of ${pieceName(id)}`} accept="image/jpeg,image/png,image/webp" onFile={send} />
      <Button size="small" onClick={() => file.current?.click()}>
        {history.picture ? 'Another photograph' : 'Add a photograph'}
      </Button>
    </div>
  );
}
