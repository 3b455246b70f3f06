/** Time by the clock on this wall, whole minutes since 1970: what days are laid out in. */
import { dayStart } from '@keen/core';
import { useEffect, useState } from 'react';

/** A device's time, ISO 8601 or now, as the clock on the wall shows it here. */
export function clockOf(at?: string): number {
  const time = at === undefined ? new Date() : new Date(at);
  const day = `${time.getFullYear()}-${String(time.getMonth() + 1).padStart(2, '0')}-${String(time.getDate()).padStart(2, '0')}`;
  return dayStart(day) + time.getHours() * 60 + time.getMinutes();
}

/** Now, a minute at a time: what waits for glue opens by itself. */
export function useMinute(): number {
  const [now, setNow] = useState(() => clockOf());
  useEffect(() => {
    const timer = setInterval(() => setNow(clockOf()), 20_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}
