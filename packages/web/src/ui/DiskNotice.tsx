/** Warns on every page that the desk's disk is nearly full, before saving fails. Dismissed, it returns when half of the remaining space is gone. */
import { Alert } from '@mui/material';
import { useEffect, useState } from 'react';

const ASK_EVERY_MS = 60_000;

interface Health {
  readonly disk?: { readonly freeMb: number; readonly isLow: boolean };
}

export function DiskNotice() {
  const [freeMb, setFreeMb] = useState<number | null>(null);
  useEffect(() => {
    const ask = async (): Promise<void> => {
      try {
        const { disk } = (await (await fetch('/api/health')).json()) as Health;
        setFreeMb(disk?.isLow ? disk.freeMb : null);
      } catch {
        // A failed save reports that nobody answers.
      }
    };
    void ask();
    const timer = setInterval(() => void ask(), ASK_EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  const [dismissedMb, setDismissedMb] = useState(Infinity);
  if (freeMb === null || freeMb > dismissedMb / 2) return null;
  return (
    <Alert severity="warning" className="disk-notice" onClose={() => setDismissedMb(freeMb)}>
      The disk is nearly full: {freeMb} MB left. Free some space, or changes cannot be saved soon.
    </Alert>
  );
}
