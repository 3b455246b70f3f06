/** What is typed in a form and not saved yet, kept while what it began from is changed elsewhere. */
import { sameJson, type Json } from '@keen/core';
import { useState } from 'react';

/** The draft and its setter: equal to `current`, by identity too, until something is typed. */
export function useDraft<T extends object>(current: T): readonly [T, (next: T) => void] {
  const [held, setHeld] = useState({ base: current, draft: current });
  const draft = held.base === current ? held.draft : rebased(held.base, held.draft, current);
  if (held.base !== current) setHeld({ base: current, draft });
  return [draft, (next) => setHeld({ base: current, draft: next })];
}

/** The new state with what differs between draft and base laid over it, member by member. */
export function rebased<T>(base: T, draft: T, current: T): T {
  // What was typed is what stands there now: it was saved.
  if (Object.is(draft, base) || sameJson(draft as Json, current as Json)) return current;
  if (!isGroup(base) || !isGroup(draft) || !isGroup(current)) return draft;
  const made: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(current), ...Object.keys(draft)])) {
    const isTakenOut = key in base && !(key in draft);
    const isGone = key in base && !(key in current) && Object.is(draft[key], base[key]);
    if (!isTakenOut && !isGone) made[key] = key in draft ? (key in current ? rebased(base[key], draft[key], current[key]) : draft[key]) : current[key];
  }
  return made as T;
}

/** A length that was entered is one value, and so is a list. */
const isGroup = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value) && !('nm' in value);
