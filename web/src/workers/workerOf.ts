import { type Remote, wrap } from 'comlink';

/** Why a worker gave no answer: it is missing, threw while it was loaded, ended, or took too long. */
export class WorkerFault extends Error {}

/** The answer is not wanted any more. */
export class Stopped extends Error {}

/** A worker that is started when it is first asked, and anew after it failed or was stopped. */
export interface WorkerHandle<T> {
  /** What can be asked of it; every answer may be a WorkerFault instead, or what the question itself threw. */
  api: Remote<T>;
  /** Gives up what it is at: open questions end with Stopped. */
  stop: () => void;
}

interface Live<T> {
  api: Remote<T>;
  /** Rejects when the worker fails or is stopped. */
  ended: Promise<never>;
  end: (why: Error) => void;
}

/** @param waitMs how long one answer may take. */
export function workerOf<T extends object>(start: () => Worker, waitMs = 60_000): WorkerHandle<T> {
  let live: Live<T> | undefined;
  const begin = (): Live<T> => {
    const thread = start();
    let refuse: (why: Error) => void = () => undefined;
    const ended = new Promise<never>((_, reject) => (refuse = reject));
    // Nobody may be waiting when it fails.
    ended.catch(() => undefined);
    const end = (why: Error): void => {
      thread.terminate();
      if (live?.ended === ended) live = undefined;
      refuse(why);
    };
    thread.addEventListener('error', (event) => {
      const { message } = event as Partial<ErrorEvent>;
      end(new WorkerFault(message ? `It failed: ${message}` : 'It could not be loaded.'));
    });
    thread.addEventListener('messageerror', () => end(new WorkerFault('Its answer could not be read.')));
    return { api: wrap<T>(thread), ended, end };
  };
  const ask = async (key: string | symbol, args: unknown[]): Promise<unknown> => {
    const { api, ended, end } = (live ??= begin());
    const method = (api as unknown as Record<string | symbol, (...a: unknown[]) => Promise<unknown>>)[key]!;
    let limit: ReturnType<typeof setTimeout> | undefined;
    if (Number.isFinite(waitMs))
      limit = setTimeout(() => end(new WorkerFault(`It did not answer within ${waitMs / 1000} s.`)), waitMs);
    try {
      return await Promise.race([method(...args), ended]);
    } finally {
      clearTimeout(limit);
    }
  };
  const api = new Proxy({} as Remote<T>, {
    // A handle is passed about and awaited: it is no promise itself.
    get: (_, key) => (key === 'then' ? undefined : (...args: unknown[]) => ask(key, args)),
  });
  return { api, stop: () => live?.end(new Stopped('Stopped.')) };
}
