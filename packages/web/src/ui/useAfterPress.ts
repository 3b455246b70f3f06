/**
 * Puts something off until what is being clicked has been clicked. A line under a field that goes
 * at the moment the field is left would move the button below away from under the finger, and the
 * click would land nowhere.
 */
import { useCallback, useEffect, useRef } from 'react';

/** Longer than the mouse events that follow a tap take. */
const SETTLES_MS = 200;

/** Whether a button of the mouse or a finger is down now, anywhere on the page. */
let down = false;
let listening = false;

function listen(): void {
  if (listening) return;
  listening = true;
  window.addEventListener('pointerdown', () => (down = true), true);
  for (const kind of ['pointerup', 'pointercancel'] as const) window.addEventListener(kind, () => (down = false), true);
}

export interface AfterPress {
  /** Runs it a moment later, and never before the finger is up. Another call takes the place of the first. */
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
