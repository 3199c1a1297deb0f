import { useEffect } from 'react';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import { clockMs, useWorkClock } from '../store/workClock';
import { clockWords } from '../stations/make/useNow';

/** The title bar says what runs: the clock of the step in hand, or the drying that is through first. */
export function useClocksInTitle(open: boolean): void {
  useEffect(() => {
    const tell = (): void => {
      const { id, doc } = useBuild.getState();
      const clock = useWorkClock.getState();
      const now = Date.now();
      const steps = useReport.getState().report?.steps ?? [];
      const name = open && doc.name ? `${doc.name} · Fomrik` : 'Fomrik';
      const inHand = steps.find(
        (s) => clock.buildId === id && clock.startedAt !== null && s.id === clock.stepId,
      );
      const drying = steps
        .flatMap((s) => {
          const at = doc.make.done[s.id];
          const until = at === undefined ? 0 : new Date(at).getTime() + s.waitMin * 60_000;
          return until > now ? [{ until, waitFor: s.waitFor ?? 'waiting' }] : [];
        })
        .sort((a, b) => a.until - b.until)[0];
      const running = inHand
        ? `${clockWords(clockMs(clock, id, inHand.id, now))} at work`
        : drying && `${clockWords(drying.until - now)} until ${drying.waitFor}`;
      document.title = open && running ? `${running} · ${name}` : name;
    };
    tell();
    const timer = setInterval(tell, 1000);
    return () => clearInterval(timer);
  }, [open]);
}
