/** A long request that can be stopped: by its button, and by leaving the page. */
import { useEffect, useRef, useState } from 'react';

export interface Stoppable {
  readonly isRunning: boolean;
  /** Runs one at a time; `onAway` where nobody answers. A stopped request reports nothing. */
  readonly run: (request: (signal: AbortSignal) => Promise<void>, onAway: () => void) => Promise<void>;
  readonly stop: () => void;
}

export function useStoppable(): Stoppable {
  const [isRunning, setRunning] = useState(false);
  const current = useRef<AbortController | null>(null);
  useEffect(() => () => current.current?.abort(), []);
  return {
    isRunning,
    async run(request, onAway) {
      current.current?.abort();
      const own = new AbortController();
      current.current = own;
      setRunning(true);
      try {
        await request(own.signal);
      } catch {
        if (!own.signal.aborted) onAway();
      } finally {
        if (current.current === own) setRunning(false);
      }
    },
    stop: () => current.current?.abort(),
  };
}
