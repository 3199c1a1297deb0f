import { expect } from 'chai';
import fc from 'fast-check';
import { thinned } from './thinned';
import type { Vec2 } from './vec';

/** The most that points of one ring lie off another, by trying every edge: a second way. */
function furthest(from: readonly Vec2[], ring: readonly Vec2[]): number {
  return Math.max(
    ...from.map((p) =>
      Math.min(
        ...ring.map((a, i) => {
          const b = ring[(i + 1) % ring.length]!;
          const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
          const along = ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length;
          const t = Math.min(length, Math.max(0, along)) / length;
          return Math.hypot(a.x + t * (b.x - a.x) - p.x, a.y + t * (b.y - a.y) - p.y);
        }),
      ),
    ),
  );
}

const toothed = (teeth: number): Vec2[] =>
  Array.from({ length: 4 * teeth }, (_, i) => {
    const angle = (2 * Math.PI * i) / (4 * teeth);
    const r = i % 4 < 2 ? 100 : 90;
    return { x: r * Math.cos(angle), y: r * Math.sin(angle) };
  });

describe('a ring in fewer points', () => {
  it('keeps every tooth of a wheel', () => {
    expect(thinned(toothed(61), 2000, 0.1)).to.deep.include({ offMm: 0.1 });
    expect(thinned(toothed(61), 2000, 0.1).ring).to.have.length(244);
  });

  it('keeps every tooth of a comb, and says how far off it is when there are too many', () => {
    const comb: Vec2[] = [
      { x: 0, y: -20 },
      { x: 600, y: -20 },
      ...Array.from({ length: 600 }, (_, i) => ({ x: 600 - i, y: i % 2 === 0 ? 0 : 10 })),
    ];
    expect(thinned(comb, 2000, 0.1).ring).to.have.length(602);
    const few = thinned(comb, 120, 0.1);
    expect(few.ring.length).to.be.within(3, 120);
    expect(few.offMm).to.be.greaterThan(5);
    expect(furthest(comb, few.ring)).to.be.at.most(few.offMm + 1e-9);
  });

  it('lies within what it says of every ring', () => {
    const ring = fc
      .array(fc.double({ min: 5, max: 100, noNaN: true }), { minLength: 4, maxLength: 120 })
      .map((radii) =>
        radii.map((r, i) => {
          const angle = (2 * Math.PI * i) / radii.length;
          return { x: r * Math.cos(angle), y: r * Math.sin(angle) };
        }),
      );
    fc.assert(
      fc.property(
        ring,
        fc.integer({ min: 4, max: 60 }),
        fc.double({ min: 0.01, max: 3, noNaN: true }),
        (of, most, mm) => {
          const found = thinned(of, most, mm);
          expect(found.ring.length).to.be.at.most(Math.max(4, most));
          expect(furthest(of, found.ring)).to.be.at.most(found.offMm + 1e-9);
          for (const p of found.ring) expect(of).to.include(p);
        },
      ),
      { numRuns: 80 },
    );
  });
});
