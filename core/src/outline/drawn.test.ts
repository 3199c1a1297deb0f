import { expect } from 'chai';
import fc from 'fast-check';
import { overlapsItself, regionArea, signedArea } from '../geometry';
import { drawnOutline, nodeLine, offsetNodes, type Node } from './drawn';

describe('drawn outlines', () => {
  const nodes: fc.Arbitrary<Node[]> = fc.array(
    fc.record({
      xMm: fc.integer({ min: -300, max: 300 }),
      yMm: fc.integer({ min: -300, max: 300 }),
      node: fc.constantFrom('corner' as const, 'smooth' as const, 'arc' as const),
    }),
    { minLength: 3, maxLength: 14 },
  );

  it('run through every point and come out as one ring that does not cross itself', () => {
    fc.assert(
      fc.property(nodes, (of) => {
        const line = nodeLine(of);
        for (const n of of)
          expect(Math.min(...line.map((p) => Math.hypot(p.x - n.xMm, p.y - n.yMm)))).to.be.lessThan(1e-6);
        const { outline } = drawnOutline(of);
        expect(signedArea(outline)).to.be.greaterThan(0);
        expect(overlapsItself(outline)).to.equal(false);
      }),
      { numRuns: 120, seed: 3 },
    );
  });

  it('go round on the circle through an arc node, whichever way it bulges', () => {
    const corner = (xMm: number, yMm: number) => ({ xMm, yMm, node: 'corner' as const });
    const arc = (xMm: number, yMm: number) => ({ xMm, yMm, node: 'arc' as const });
    // A slot with two half circles of radius 20: 60 × 40 and a circle.
    const slot = drawnOutline([
      corner(-30, 0),
      corner(30, 0),
      arc(50, 20),
      corner(30, 40),
      corner(-30, 40),
      arc(-50, 20),
    ]);
    expect(slot.crosses).to.equal(false);
    expect(signedArea(slot.outline)).to.be.closeTo(60 * 40 + Math.PI * 400, 4);
    // Bulging in, the same half circles are taken away.
    const waist = drawnOutline([
      corner(-30, 0),
      corner(30, 0),
      arc(10, 20),
      corner(30, 40),
      corner(-30, 40),
      arc(-10, 20),
    ]);
    expect(signedArea(waist.outline)).to.be.closeTo(60 * 40 - Math.PI * 400, 4);
    // In line, an arc is straight.
    expect(
      signedArea(
        drawnOutline([corner(0, 0), arc(50, 0), corner(100, 0), corner(100, 50), corner(0, 50)]).outline,
      ),
    ).to.be.closeTo(5000, 1e-6);
  });

  it('are drawn in and out by a distance: corners mitred, arcs as circles of the new radius, gone when nothing is left', () => {
    const square = [
      [0, 0],
      [100, 0],
      [100, 60],
      [0, 60],
    ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm!, node: 'corner' as const }));
    const area = (mm: number): number => signedArea(drawnOutline(offsetNodes(square, mm, 120)!).outline);
    expect(offsetNodes(square, -10, 120)).to.have.length(4);
    expect(area(-10)).to.be.closeTo(80 * 40, 1e-6);
    expect(area(5)).to.be.closeTo(110 * 70, 1e-6);
    expect(offsetNodes(square, -30, 120)).to.equal(undefined);
    const round = [
      { xMm: 40, yMm: 0, node: 'corner' as const },
      { xMm: 0, yMm: 40, node: 'arc' as const },
      { xMm: -40, yMm: 0, node: 'corner' as const },
      { xMm: 0, yMm: -40, node: 'arc' as const },
    ];
    const drawnIn = offsetNodes(round, -15, 120)!;
    expect(drawnIn.length).to.be.greaterThan(20);
    for (const { xMm, yMm } of drawnIn) expect(Math.hypot(xMm, yMm)).to.be.closeTo(25, 0.15);
  });

  it('that cross are reported, and a plain one is not', () => {
    const corner = (xMm: number, yMm: number): Node => ({ xMm, yMm, node: 'corner' });
    expect(drawnOutline([corner(0, 0), corner(100, 0), corner(0, 100), corner(100, 100)]).crosses).to.equal(
      true,
    );
    const plain = drawnOutline([corner(0, 0), corner(100, 0), corner(100, 50), corner(0, 50)]);
    expect(plain.crosses).to.equal(false);
    expect(regionArea([plain.outline])).to.be.closeTo(5000, 1e-6);
  });
});
