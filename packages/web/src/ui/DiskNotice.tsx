/** Says that the desk's disk is nearly full, on every page and before saving fails. */
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
        // Whoever saves says that nobody answers.
      }
    };
    void ask();
    const timer = setInterval(() => void ask(), ASK_EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  if (freeMb === null) return null;
  return (
    <Alert severity="warning" className="disk-notice">
      The disk is nearly full: {freeMb} MB left. Free some space, or changes can soon not be saved.
    </Alert>
  );
}
