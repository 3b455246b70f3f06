/** Keeps the screen awake while the page is visible, where the browser allows it. */
import { useEffect } from 'react';

export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    const ask = async (): Promise<void> => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      // With a low battery, or an untrusted page, the phone dims as it likes.
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
