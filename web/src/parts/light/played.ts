import type { CircuitReport } from '@fomrik/core/circuit';
import type { Circuit } from '@fomrik/core/document';
import { type Effect, effectAt } from '@fomrik/core/light';
import { byId } from '@fomrik/core/units';
import { useMemo } from 'react';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';

/** An effect as it is played on lamps. */
export interface Played {
  effect: Effect;
  /** Items it is played on, in their order. */
  ids: readonly string[];
}

/** More flashes a second than this are not played: WCAG 2.2, 2.3.1. */
const MOST_FLASHES = 3;

/** What is played in the dark on the lamps of parts: never what flashes too often. */
export const playedOn = (
  made: readonly CircuitReport[],
  circuits: readonly Circuit[],
  partIds: readonly string[],
): Played[] =>
  made.flatMap((c) => {
    const effect = byId(circuits, c.id)?.effect;
    if (!effect || effect.kind === 'steady' || c.flashes > MOST_FLASHES) return [];
    const ids = c.lamps.filter((l) => partIds.includes(l.partId)).map((l) => l.item.id);
    return ids.length > 0 ? [{ effect, ids }] : [];
  });

/** What is played on the lamps of some parts of this build. */
export function usePlayed(partIds: readonly string[]): readonly Played[] {
  const made = useReport((s) => s.report?.circuits);
  const circuits = useBuild((s) => s.doc.circuits);
  const ids = partIds.join(' ');
  return useMemo(() => playedOn(made ?? [], circuits, ids.split(' ')), [made, circuits, ids]);
}

/** Whoever asked for less motion sees lamps at their full light. */
export const isStill = (): boolean => matchMedia('(prefers-reduced-motion: reduce)').matches;

/** Share of its full light that each lamp has at a moment; those that nothing is played on have all of it. */
export function sharesAt(played: readonly Played[], seconds: number): (itemId: string) => number {
  const shares = new Map<string, number>();
  for (const { effect, ids } of played)
    ids.forEach((id, i) => shares.set(id, effectAt(effect, seconds, i, ids.length)));
  return (itemId) => shares.get(itemId) ?? 1;
}
