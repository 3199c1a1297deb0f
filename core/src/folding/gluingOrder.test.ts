import { expect } from 'chai';
import type { PieceEdge } from '../panel';
import { reportOf } from '../parts/testing/worn.test';
import { gluingOrder } from './gluingOrder';

const edge = (to: string | undefined, lengthMm: number, dry = false): PieceEdge =>
  ({
    id: `to-${to ?? 'none'}`,
    lengthMm,
    ...(to && { mate: { pieceId: to, edgeId: 'x' } }),
    ...(dry && { dry }),
  }) as unknown as PieceEdge;

describe('the order of gluing', () => {
  it('by hand: from the most seam, then the longest to what is together; a dry seam holds nothing', () => {
    const pieces = [
      { id: 'lid', edges: [edge('wall', 400, true)] },
      { id: 'end', edges: [edge('floor', 50), edge('wall', 40)] },
      { id: 'wall', edges: [edge('floor', 200), edge('end', 40)] },
      { id: 'floor', edges: [edge('wall', 200), edge('end', 50)] },
    ];
    // The floor has 250, the wall 240, the end 90; the lid is only laid on.
    expect(gluingOrder(pieces)).to.deep.equal(['floor', 'wall', 'end', 'lid']);
  });

  for (const form of ['helmet', 'box', 'bracer', 'gorget'])
    it(`${form}: every piece once, each glued to one before it where it is glued at all`, () => {
      const { pieces } = reportOf(form);
      const order = gluingOrder(pieces);
      expect([...order].sort()).to.deep.equal(pieces.map((p) => p.id).sort());
      order.forEach((id, i) => {
        if (i === 0) return;
        const own = pieces.find((p) => p.id === id)!;
        const mates = own.edges.flatMap((e) =>
          e.mate && !e.dry && e.mate.pieceId !== id ? [e.mate.pieceId] : [],
        );
        const before = order.slice(0, i);
        const others = pieces.some(
          (p) =>
            !before.includes(p.id) &&
            p.edges.some((e) => e.mate && before.includes(e.mate.pieceId) && !e.dry),
        );
        if (mates.length > 0 && others)
          expect(
            mates.some((m) => before.includes(m)),
            id,
          ).to.equal(true);
      });
    });
});
