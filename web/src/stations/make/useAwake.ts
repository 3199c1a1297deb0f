import { useEffect } from 'react';

/** Keeps the screen awake as long as the component is shown, where the browser can; asked again when the page is seen again. */
export function useAwake(): void {
  useEffect(() => {
    const { wakeLock } = navigator as { wakeLock?: WakeLock };
    if (!wakeLock) return;
    let lock: WakeLockSentinel | undefined;
    let left = false;
    const hold = (): void => {
      if (document.visibilityState !== 'visible') return;
      wakeLock.request('screen').then(
        (held) => {
          lock = held;
          if (left) void held.release();
        },
        // A low battery may forbid it; the screen then sleeps as it likes.
        () => undefined,
      );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, []);
}
