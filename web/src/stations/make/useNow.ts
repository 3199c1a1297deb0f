import { useEffect, useState } from 'react';

/** The present moment, every second while something runs. */
export function useNow(runs: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!runs) return;
    setNow(Date.now());
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [runs]);
  return now;
}

/** `1:05:09` of a time in milliseconds. */
export function clockWords(ms: number): string {
  const s = Math.max(0, Math.floor(ms / 1000));
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}`;
}
