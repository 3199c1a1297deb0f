import type { Vec2 } from '../geometry';
import type { PieceEdge } from './piece';

/** The points of an outline along an edge, both ends included; an edge may run past the outline's first point. */
export const edgeRun = (outline: readonly Vec2[], { from, to }: Pick<PieceEdge, 'from' | 'to'>): Vec2[] =>
  to > from ? outline.slice(from, to + 1) : [...outline.slice(from), ...outline.slice(0, to + 1)];
