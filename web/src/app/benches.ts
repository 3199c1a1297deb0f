import type { Station } from '@fomrik/core/document';
import { type ComponentType, lazy, useEffect } from 'react';

const loaders: Record<Station, () => Promise<{ default: ComponentType }>> = {
  brief: () => import('../stations/brief/Brief').then((m) => ({ default: m.Brief })),
  body: () => import('../stations/body/Body').then((m) => ({ default: m.Body })),
  shape: () => import('../stations/shape/Shape').then((m) => ({ default: m.Shape })),
  inside: () => import('../stations/inside/Inside').then((m) => ({ default: m.Inside })),
  cut: () => import('../stations/cut/Cut').then((m) => ({ default: m.Cut })),
  make: () => import('../stations/make/Make').then((m) => ({ default: m.Make })),
  log: () => import('../stations/log/Log').then((m) => ({ default: m.Log })),
};

/** The stations, each fetched when it is first gone to. */
export const benches = Object.fromEntries(
  Object.entries(loaders).map(([key, load]) => [key, lazy(load)]),
) as unknown as Record<Station, ComponentType>;

/** Files that were fetched since the page was loaded. */
const fetched = new Set<string>();

/** A page that is never at rest goes on after so long all the same, ms. */
const BUSY_MS = 1000;

const idle = (): Promise<void> =>
  new Promise((resolve) => requestIdleCallback(() => resolve(), { timeout: BUSY_MS }));

/**
 * Fetches every script of the application, one after another while nothing else is to be done, so that all of it is at
 * hand while the server is away. The browser keeps them; none is read before it is used.
 */
async function fetchAhead(signal: AbortSignal): Promise<void> {
  const list = await fetch('/offline.json', { signal });
  if (!list.ok) return;
  for (const file of (await list.json()) as string[]) {
    if (!file.endsWith('.js') || fetched.has(file)) continue;
    await idle();
    if (signal.aborted) return;
    await (await fetch(file, { signal, priority: 'low' })).blob();
    fetched.add(file);
  }
}

/** Fetches ahead what a build may need, once it is shown. */
export function useLoadAhead(ready: boolean): void {
  useEffect(() => {
    if (!ready) return;
    const leaving = new AbortController();
    // Whatever is not fetched ahead is fetched when it is used.
    fetchAhead(leaving.signal).catch(() => undefined);
    return () => leaving.abort();
  }, [ready]);
}
