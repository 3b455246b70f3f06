/** Time by the clock on this wall, whole minutes since 1970: what days are laid out in. */
import { wallMinutes } from '@keen/core';
import { useEffect, useState } from 'react';

/** A device's time, ISO 8601 or now. */
export const clockOf = (at?: string): number => wallMinutes(at === undefined ? new Date() : new Date(at));

/** Now, a minute at a time: what waits for glue opens by itself. */
export function useMinute(): number {
  const [now, setNow] = useState(() => clockOf());
  useEffect(() => {
    const timer = setInterval(() => setNow(clockOf()), 20_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}
