import { useEffect, useState } from 'react';

/** The registrar's now in milliseconds, a few times a second while it is looked at. */
export function useRegistrarClock(aheadMs: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, []);
  return now + aheadMs;
}
