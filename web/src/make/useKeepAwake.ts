import { useEffect } from 'react';

/** Keeps the screen from going dark while somebody has both hands full. Where a browser cannot, nothing happens. */
export function useKeepAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = async (): Promise<void> => {
      if (document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (gone) await lock.release();
      } catch {
        // A battery that is low, or a page without the right: the screen then goes as it always does.
      }
    };
    // It is let go of whenever the page is hidden.
    const again = (): void => void ask();
    void ask();
    document.addEventListener('visibilitychange', again);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [on]);
}
