'use client';
import { useEffect } from 'react';

/** Keeps the screen awake while this is shown and in sight; a device that cannot goes to sleep as ever. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const hold = async () => {
      if (gone || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (gone) await lock.release();
      } catch {
        // Refused by the device, on a low battery for one: it may ask again when it is in sight anew.
        lock = null;
      }
    };
    const seen = () => void hold();
    seen();
    document.addEventListener('visibilitychange', seen);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', seen);
      void lock?.release();
    };
  }, []);
}
