/**
 * Defers something until the current click is complete. A line below a field that disappears on blur would move the button below it from under the pointer,
 * and the click would miss.
 */
import { useCallback, useEffect, useRef } from 'react';

/** Longer than the mouse events that follow a tap. */
const SETTLES_MS = 200;

/** Whether a mouse button or finger is down, anywhere on the page. */
let down = false;
let listening = false;

function listen(): void {
  if (listening) return;
  listening = true;
  window.addEventListener('pointerdown', () => (down = true), true);
  for (const kind of ['pointerup', 'pointercancel'] as const) window.addEventListener(kind, () => (down = false), true);
}

export interface AfterPress {
  /** Runs it shortly after, and never before release. Another call replaces the first. */
  readonly afterPress: (run: () => void) => void;
  readonly callOff: () => void;
}

export function useAfterPress(): AfterPress {
  const waiting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const callOff = useCallback((): void => clearTimeout(waiting.current), []);
  const afterPress = useCallback((run: () => void): void => {
    clearTimeout(waiting.current);
    const settled = (): void => {
      if (down) waiting.current = setTimeout(settled, SETTLES_MS);
      else run();
    };
    waiting.current = setTimeout(settled, SETTLES_MS);
  }, []);
  useEffect(() => {
    listen();
    return callOff;
  }, [callOff]);
  return { afterPress, callOff };
}
