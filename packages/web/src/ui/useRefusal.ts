/** Keeps a form from being sent while one of its fields cannot be read: the browser says why, and goes to the field. */
import { useEffect, useRef, type RefObject } from 'react';

/** For the input itself. Without it a form would go with what was readable there before, which nobody sees any more. */
export function useRefusal(wrong: string | undefined): RefObject<HTMLInputElement | null> {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => input.current?.setCustomValidity(wrong ?? ''), [wrong]);
  return input;
}
