/** Blocks a form while one of its fields is invalid: the browser says why, and focuses the field. */
import { useEffect, useRef, type RefObject } from 'react';

/** For the input itself. Otherwise a form would submit the last valid value, which is no longer visible. */
export function useRefusal(wrong: string | undefined): RefObject<HTMLInputElement | null> {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => input.current?.setCustomValidity(wrong ?? ''), [wrong]);
  return input;
}
