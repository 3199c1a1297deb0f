import { create } from 'zustand';
import { useReport } from './report';

/** Shorter than this, nobody is told that figures are older than what is on screen; milliseconds. */
const TOLD_AFTER_MS = 1000;

/** Seconds, by a clock that runs only while an answer is waited for: an answer in time draws nothing anew. */
const useSeconds = create<{ behind: number }>(() => ({ behind: 0 }));

let clock: ReturnType<typeof setInterval> | undefined;

useReport.subscribe(({ since }, before) => {
  if (since === before.since) return;
  clearInterval(clock);
  if (useSeconds.getState().behind > 0) useSeconds.setState({ behind: 0 });
  if (since === 0) return;
  clock = setInterval(
    () => useSeconds.setState({ behind: Math.round((Date.now() - since) / 1000) }),
    TOLD_AFTER_MS,
  );
});

/** For how many seconds figures and findings have been of an older document; 0 when they are of this one, or nearly. */
export const useBehind = (): number => useSeconds((s) => s.behind);

/** Whether they are of an older document, for as long as one notices. */
export const useIsBehind = (): boolean => useSeconds((s) => s.behind > 0);
