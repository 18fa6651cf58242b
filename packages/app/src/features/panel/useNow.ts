import { useEffect, useState } from 'react';

/** The time, told anew every second while it is wanted. */
export function useNow(wanted: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!wanted) return;
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [wanted]);
  return now;
}
