import { type DependencyList, useEffect, useState } from 'react';

/**
 * What a worker answers to a question that is asked anew whenever one of `asked` changes.
 * The last answer stays until the next is there; an answer that comes too late is dropped.
 */
export function useWorked<T>(ask: () => Promise<T>, asked: DependencyList): T | undefined {
  const [answer, setAnswer] = useState<{ value: T }>();
  useEffect(() => {
    let wanted = true;
    void ask().then((value) => wanted && setAnswer({ value }));
    return () => {
      wanted = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the question is what `asked` says it is
  }, asked);
  return answer?.value;
}
