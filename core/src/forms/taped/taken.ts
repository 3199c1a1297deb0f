import type { Row } from '../../document';
import { boundsOf, type Vec2 } from '../../geometry';
import { fittedWithin } from '../held/fitted';
import { begunOutline } from './edges';
import { MOST_PIECES } from './fields';

/** A line drawn on a piece, as shares of the box round it. */
export interface TakenLine {
  panel: string;
  points: [u: number, v: number][];
}

/** No more points draw one piece, and no fewer. */
const EACH = [3, 120] as const;

const share = (v: number): number => Math.round(1e4 * Math.min(1, Math.max(0, v))) / 1e4;

/** Outlines found on a photograph as the pieces of a pattern, with the lines that were drawn on them. */
export function takenPieces(
  found: readonly { outline: readonly Vec2[]; marks: readonly (readonly Vec2[])[] }[],
  withinMm: number,
  mostPoints: number,
): { rows: Row[]; pieces: number; lines: TakenLine[] } {
  const own = found.slice(0, MOST_PIECES);
  // All of them share what the list of points holds.
  const each = Math.max(EACH[0], Math.min(EACH[1], Math.floor(mostPoints / Math.max(1, own.length))));
  const made = own.map(({ outline, marks }, i) => {
    const nodes = fittedWithin(outline, withinMm, each);
    const b = boundsOf(begunOutline(nodes).outline);
    const [w, h] = [b.maxX - b.minX || 1, b.maxY - b.minY || 1];
    return {
      rows: nodes.map((n): Row => ({ ...n, piece: i + 1 })),
      lines: marks.map((line): TakenLine => ({
        panel: `piece-${i + 1}`,
        points: line.map((p) => [share((p.x - b.minX) / w), share((p.y - b.minY) / h)]),
      })),
    };
  });
  return {
    rows: made.flatMap((m) => m.rows),
    pieces: own.length,
    lines: made.flatMap((m) => m.lines),
  };
}
