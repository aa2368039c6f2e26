import { useEffect } from 'react';

/** Keeps the screen awake while somebody works; where a browser cannot, quietly nothing. */
export function useWakeLock(working: boolean): void {
  useEffect(() => {
    if (!working || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        const held = await navigator.wakeLock.request('screen');
        if (over) await held.release();
        else lock = held;
      } catch {
        // A low battery or a setting refuses it: the screen dims as it always does.
      }
    };
    const again = () => void ask();
    again();
    // It is taken away with every switch to another app.
    document.addEventListener('visibilitychange', again);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      lock?.release().catch(() => undefined);
    };
  }, [working]);
}
