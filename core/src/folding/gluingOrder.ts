import type { Piece } from '../panel';

/** How much of one piece is glued to another, mm. */
const seamMm = (piece: Pick<Piece, 'edges'>, to: string): number =>
  piece.edges.reduce((sum, e) => sum + (e.mate?.pieceId === to && !e.dry ? e.lengthMm : 0), 0);

/**
 * Pieces in the order they are glued: from the one with the most seam outwards, each next the one with the longest seam to
 * what is together; those that nothing holds come last.
 */
export function gluingOrder(pieces: readonly Pick<Piece, 'id' | 'edges'>[]): string[] {
  const left = new Map(pieces.map((p) => [p.id, p]));
  const order: string[] = [];
  const most = (of: (p: Pick<Piece, 'id' | 'edges'>) => number): { id: string; mm: number } | undefined =>
    [...left.values()]
      .map((p) => ({ id: p.id, mm: of(p) }))
      .reduce<{ id: string; mm: number } | undefined>(
        (best, one) => (!best || one.mm > best.mm + 1e-6 ? one : best),
        undefined,
      );
  const whole = (p: Pick<Piece, 'id' | 'edges'>): number =>
    pieces.reduce((sum, q) => (q.id === p.id ? sum : sum + seamMm(p, q.id)), 0);
  const held = (p: Pick<Piece, 'id' | 'edges'>): number => order.reduce((sum, id) => sum + seamMm(p, id), 0);
  while (left.size > 0) {
    const next = most(held);
    const taken = next && next.mm > 0 ? next : most(whole)!;
    order.push(taken.id);
    left.delete(taken.id);
  }
  return order;
}
