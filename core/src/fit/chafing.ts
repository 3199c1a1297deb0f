import type { Movement } from './moving/moving';

/** Where an edge comes to bare skin at the far end of a movement that goes as far as is wanted. */
export interface Chafe {
  partId: string;
  /** What it comes to, and at what angle of which movement. */
  skin: string;
  label: string;
  angleDeg: number;
}

/**
 * Where parts chafe: they leave a movement as far as is wanted and come to bare skin before it ends. What ends it sooner
 * is a finding of its own; parts that meet each other do not chafe.
 */
export const chafing = (movements: readonly Movement[]): Chafe[] =>
  movements.flatMap(({ stoppedBy, angleDeg, wantedDeg, mostDeg, label }): Chafe[] => {
    if (!stoppedBy || angleDeg < wantedDeg || angleDeg >= mostDeg) return [];
    const part = stoppedBy.find((s) => s.partId !== undefined);
    const skin = stoppedBy.find((s) => s.partId === undefined);
    return part?.partId !== undefined && skin
      ? [{ partId: part.partId, skin: skin.name, label, angleDeg }]
      : [];
  });
