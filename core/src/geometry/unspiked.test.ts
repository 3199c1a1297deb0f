import { expect } from 'chai';
import fc from 'fast-check';
import { joined, signedArea, unspiked, type Vec2 } from '.';

const spots = fc.array(fc.record({ x: fc.integer({ min: 0, max: 4 }), y: fc.integer({ min: 0, max: 3 }) }), {
  minLength: 3,
  maxLength: 12,
});

describe('rings without spikes', () => {
  it('enclose what they did, and polygon libraries come back from them, however points coincide', () => {
    fc.assert(
      fc.property(spots, fc.constantFrom(1, 7.3, 1500), (points, scale) => {
        const ring = points.map((p) => ({ x: p.x * scale, y: p.y * scale }));
        const clean = unspiked(ring);
        expect(Math.abs(signedArea(clean) - signedArea(ring))).to.be.below(1e-3 * scale * scale);
        for (const [i, p] of clean.entries()) {
          const [a, b] = [clean[(i + clean.length - 1) % clean.length]!, clean[(i + 1) % clean.length]!];
          const cross = (p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x);
          const dot = (p.x - a.x) * (b.x - p.x) + (p.y - a.y) * (b.y - p.y);
          expect(Math.abs(cross) < 1e-9 * scale * scale && dot < 0).to.equal(false);
        }
        if (clean.length >= 3) joined([clean], []);
      }),
      { numRuns: 3000 },
    );
  });

  it('are nothing where a line runs out and back along itself', () => {
    const out: Vec2[] = Array.from({ length: 9 }, (_, i) => ({ x: -60 * i, y: 1e-68 * i }));
    expect(unspiked([...out, { x: 0, y: 3000 }, ...[...out].reverse()])).to.deep.equal([]);
    // A square keeps its corners and loses its spike.
    const square = [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
      { x: 10, y: 5 },
      { x: 40, y: 5 },
      { x: 10, y: 5 },
      { x: 10, y: 10 },
      { x: 0, y: 10 },
    ];
    expect(Math.abs(signedArea(unspiked(square)))).to.be.closeTo(100, 1e-9);
    expect(Math.max(...unspiked(square).map((p) => p.x))).to.equal(10);
  });
});
