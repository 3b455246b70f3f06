/** The sheet a part was cut from, back to the day that was bought. */
import type { DisplayUnit } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { AWAY, request } from '../../app/api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { problemReported } from '../project/project.slice.ts';
import { Ancestry, type History } from './PieceHistory.tsx';

/** `sheet`: a settled layout and which of its sheets, 'l1#0'. */
export function CameFrom({ sheet, unit }: { readonly sheet: string; readonly unit: DisplayUnit }) {
  const [history, setHistory] = useState<History | 'none' | null>(null);
  const dispatch = useAppDispatch();
  const look = async (): Promise<void> => {
    try {
      const { status, body } = await request<History>(`stock?cutBy=${encodeURIComponent(sheet)}`);
      setHistory(status === 200 ? body : 'none');
    } catch {
      dispatch(problemReported(AWAY));
    }
  };
  if (history === 'none') return <p className="quiet">Its sheet is not cut into yet.</p>;
  if (history) return <Ancestry history={history} unit={unit} />;
  return (
    <Button size="small" onClick={() => void look()}>
      Where its sheet came from
    </Button>
  );
}
