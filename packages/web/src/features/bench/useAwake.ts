/** Keeps the screen awake while the page is looked at, where the browser allows that. */
import { useEffect } from 'react';

export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    const ask = async (): Promise<void> => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      // A low battery, or a page that is not trusted: it dims as the phone likes.
      lock = await navigator.wakeLock.request('screen').catch(() => undefined);
    };
    const again = (): void => void ask();
    again();
    document.addEventListener('visibilitychange', again);
    return () => {
      document.removeEventListener('visibilitychange', again);
      void lock?.release().catch(() => {});
    };
  }, []);
}
