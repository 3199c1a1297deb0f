import type { Station } from '@fomrik/core/document';
import { fileExports } from '@fomrik/core/files/exports';
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

/** What stations fetch later on, beside their own code. */
const extras: (() => Promise<unknown>)[] = [
  () => import('../parts/SolidView'),
  () => import('../parts/FigureView'),
  () => import('../parts/plotly'),
  () => Promise.all(fileExports.map((file) => file.load())),
];

/** Fetches everything a build may need once nothing else is to be done, so that it opens while the server is away. */
export function useLoadAhead(ready: boolean): void {
  useEffect(() => {
    if (!ready) return;
    const idle = requestIdleCallback(() => {
      for (const load of [...Object.values(loaders), ...extras]) load().catch(() => undefined);
    });
    return () => cancelIdleCallback(idle);
  }, [ready]);
}
