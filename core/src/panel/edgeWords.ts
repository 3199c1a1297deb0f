import { trimNumber } from '../units';
import type { PieceEdge } from './piece';

type Bevelled = Pick<PieceEdge, 'bevelDeg' | 'bevelSpreadDeg' | 'tilted'>;

/** `45°`, or `38–45°` where a bevel changes along its edge. */
export function bevelAngle({ bevelDeg, bevelSpreadDeg }: Omit<Bevelled, 'tilted'>): string {
  if (!bevelSpreadDeg) return `${trimNumber(Math.abs(bevelDeg), 0)}°`;
  const [a, b] = bevelSpreadDeg.map(Math.abs).sort((x, y) => x - y) as [number, number];
  return `${trimNumber(a, 0)}–${trimNumber(b, 0)}°`;
}

/** Short, for a piece: which face the bevel runs down to, or which way the point of a tilted blade goes. */
export function bevelMarkWords(edge: Bevelled): string {
  const angle = bevelAngle(edge);
  if (edge.tilted) return `blade ${angle}, point ${edge.bevelDeg > 0 ? 'in' : 'out'}`;
  return `${angle} ${edge.bevelDeg > 0 ? 'back' : 'front'}`;
}

/** Long, for a step or a status line. */
export function bevelWords(edge: Bevelled): string {
  const angle = bevelAngle(edge);
  if (edge.tilted)
    return `blade tilted ${angle}, its point ${edge.bevelDeg > 0 ? 'under the piece' : 'away from the piece'}`;
  return edge.bevelDeg > 0
    ? `${angle}, from the outer face to the line on the back`
    : `${angle}, from the back to the line on the front`;
}
