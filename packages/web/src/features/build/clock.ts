/** Local time as whole minutes since 1970, the unit of schedules. */
import { wallMinutes } from '@keen/core';
import { useEffect, useState } from 'react';

/** A device's time, ISO 8601 or now. */
export const clockOf = (at?: string): number => wallMinutes(at === undefined ? new Date() : new Date(at));

/** The current minute: waits for glue end by themselves. */
export function useMinute(): number {
  const [now, setNow] = useState(() => clockOf());
  useEffect(() => {
    const timer = setInterval(() => setNow(clockOf()), 20_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}
