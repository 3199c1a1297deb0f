import { type DependencyList, useEffect, useState } from 'react';
import { Stopped } from '../workers/workerOf';

/** What a worker has answered: the last answer there is, whether the next is on its way, and why there is none. */
export interface Worked<T> {
  value: T | undefined;
  busy: boolean;
  fault: string;
  again: () => void;
}

/**
 * What a worker answers to a question that is asked anew whenever one of `asked` changes; without a question there is
 * nothing to wait for and no answer. The last answer stays until the next is there; one that comes too late is dropped.
 */
export function useWorked<T>(ask: (() => Promise<T>) | undefined, asked: DependencyList): Worked<T> {
  const [answer, setAnswer] = useState<{ value: T }>();
  const [busy, setBusy] = useState(ask !== undefined);
  const [fault, setFault] = useState('');
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (!ask) {
      setBusy(false);
      setFault('');
      setAnswer(undefined);
      return;
    }
    let wanted = true;
    setBusy(true);
    setFault('');
    ask().then(
      (value) => {
        if (!wanted) return;
        setAnswer({ value });
        setBusy(false);
      },
      (error: Error) => {
        if (!wanted) return;
        setBusy(false);
        if (!(error instanceof Stopped)) setFault(error.message);
      },
    );
    return () => {
      wanted = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the question is what `asked` says it is
  }, [...asked, tries]);
  return { value: answer?.value, busy, fault, again: () => setTries((t) => t + 1) };
}
