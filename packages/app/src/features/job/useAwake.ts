/** The screen stays on while a job is open, for who asked for it: hands that are on a screw cannot tap. */
import { useEffect } from 'react';
import { useAppSelector } from '../../store';

export function useAwake(): void {
  const isWanted = useAppSelector(({ settings }) => settings.awake === 'on');
  useEffect(() => {
    if (!isWanted || !('wakeLock' in navigator)) return;
    let held: WakeLockSentinel | null = null;
    let isOver = false;
    const hold = async () => {
      if (document.visibilityState !== 'visible') return;
      // Refused when the battery is low: then it sleeps as ever.
      const got = await navigator.wakeLock.request('screen').catch(() => null);
      if (isOver) void got?.release();
      else held = got;
    };
    // The browser lets go of it when the page is left, and says nothing when it is seen again.
    const again = () => void hold();
    void hold();
    document.addEventListener('visibilitychange', again);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', again);
      void held?.release();
    };
  }, [isWanted]);
}
