import { useEffect, useState } from 'react';
import { useReport } from './report';

/** Shorter than this, nobody is reported that figures are older than what is on screen; milliseconds. */
const TOLD_AFTER_MS = 1000;

/** For how many seconds figures and findings have been of an older document; 0 when they are of this one, or nearly. */
export function useBehind(): number {
  const since = useReport((s) => s.since);
  const [now, setNow] = useState(0);
  useEffect(() => {
    setNow(0);
    if (since === 0) return;
    const timer = setInterval(() => setNow(Date.now()), TOLD_AFTER_MS);
    return () => clearInterval(timer);
  }, [since]);
  return since === 0 || now - since < TOLD_AFTER_MS ? 0 : Math.round((now - since) / 1000);
}
