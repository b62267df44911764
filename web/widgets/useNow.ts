import { useEffect, useState } from 'react';

const TICK_MS = 10_000;

/** The time, kept: clocks that are shown go on by themselves. */
export function useNow(): number {
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), TICK_MS);
    return () => clearInterval(timer);
  }, []);
  return now;
}
