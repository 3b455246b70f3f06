/** Unsaved entries of a form, kept while their base is changed elsewhere. */
import { sameJson, type Json } from '@keen/core';
import { useState } from 'react';

/** The draft and its setter: identical to `current` until something is typed. */
export function useDraft<T extends object>(current: T): readonly [T, (next: T) => void] {
  const [held, setHeld] = useState({ base: current, draft: current });
  const draft = held.base === current ? held.draft : rebased(held.base, held.draft, current);
  if (held.base !== current) setHeld({ base: current, draft });
  return [draft, (next) => setHeld({ base: current, draft: next })];
}

/** The new state with the differences between draft and base applied to it, member by member. */
export function rebased<T>(base: T, draft: T, current: T): T {
  // The typed value is the stored one: it was saved.
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

/** An entered length is one value, and so is a list. */
const isGroup = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value) && !('nm' in value);
