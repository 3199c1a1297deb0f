import { expect } from 'chai';
import fc from 'fast-check';
import polygonClipping, { type MultiPolygon, type Polygon } from 'polygon-clipping';
import { contains, distanceToEdge, signedArea, type Vec2 } from '../../geometry';
import { convexParts, simplerRound } from './convexParts';

/** A ring round the origin, its corners at so many distances from it: notched and bulging at will. */
const ring = fc
  .array(fc.double({ min: 20, max: 100, noNaN: true }), { minLength: 5, maxLength: 40 })
  .map((out) =>
    out.map((r, i): Vec2 => {
      const a = (2 * Math.PI * i) / out.length;
      return { x: r * Math.cos(a), y: r * Math.sin(a) };
    }),
  );

/** A round ring with small waves, as a curve that is drawn in chords. */
const wavy = fc
  .record({
    points: fc.integer({ min: 20, max: 120 }),
    waves: fc.integer({ min: 2, max: 7 }),
    deep: fc.double({ min: 0, max: 0.4, noNaN: true }),
  })
  .map(({ points, waves, deep }) =>
    Array.from({ length: points }, (_, i): Vec2 => {
      const a = (2 * Math.PI * i) / points;
      const r = 100 * (1 + deep * Math.cos(waves * a));
      return { x: r * Math.cos(a), y: r * Math.sin(a) };
    }),
  );

const pairs = (points: readonly Vec2[]): [number, number][] => points.map(({ x, y }) => [x, y]);
const areaOf = (region: MultiPolygon): number =>
  region.reduce(
    (sum, polygon) =>
      sum +
      polygon.reduce(
        (own, r, i) => own + (i === 0 ? 1 : -1) * Math.abs(signedArea(r.map(([x, y]) => ({ x, y })))),
        0,
      ),
    0,
  );

const turns = (part: readonly Vec2[]): number[] =>
  part.map((a, i) => {
    const [b, c] = [part[(i + 1) % part.length]!, part[(i + 2) % part.length]!];
    return (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
  });

describe('convex parts of a solid', () => {
  it('are convex and fill it, hole and all, and nothing else, by another library', () => {
    fc.assert(
      fc.property(ring, fc.boolean(), (outer, holed) => {
        const hole = [...outer].reverse().map((p) => ({ x: 0.4 * p.x, y: 0.4 * p.y }));
        const parts = convexParts(holed ? [outer, hole] : [outer]);
        for (const part of parts) expect(Math.min(...turns(part))).to.be.at.least(-1e-6);
        const solid: Polygon = holed ? [pairs(outer), pairs(hole)] : [pairs(outer)];
        const area = parts.reduce((sum, part) => sum + signedArea(part), 0);
        expect(area).to.be.closeTo(areaOf([solid]), 1e-6 * area);
        for (const part of parts)
          expect(areaOf(polygonClipping.difference([pairs(part)], solid))).to.be.below(1e-6 * area);
      }),
      { numRuns: 60 },
    );
  });

  it('are fewer than the triangles, and one where the solid is convex', () => {
    const square = [0, 1, 2, 3].map((i) => ({ x: i === 1 || i === 2 ? 9 : 0, y: i > 1 ? 9 : 0 }));
    expect(convexParts([square])).to.have.length(1);
    // An L is two at the least.
    const angle = [
      [0, 0],
      [9, 0],
      [9, 3],
      [3, 3],
      [3, 9],
      [0, 9],
    ].map(([x, y]) => ({ x: x!, y: y! }));
    expect(convexParts([angle])).to.have.length(2);
  });
});

describe('a simpler ring round another', () => {
  it('holds all of it, goes out of it no further than it may, and has fewer corners', () => {
    fc.assert(
      fc.property(fc.oneof(ring, wavy), fc.double({ min: 0.1, max: 3, noNaN: true }), (outer, mostMm) => {
        const simpler = simplerRound(outer, mostMm);
        expect(simpler.length).to.be.at.most(outer.length);
        // Corners and points between them, of the one in the other.
        const along = (of: readonly Vec2[]): Vec2[] =>
          of.flatMap((p, i) =>
            [0, 0.3, 0.7].map((t) => {
              const q = of[(i + 1) % of.length]!;
              return { x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) };
            }),
          );
        for (const p of along(outer))
          if (!contains(simpler, p)) expect(distanceToEdge(simpler, p)).to.be.below(1e-6);
        for (const p of along(simpler))
          if (!contains(outer, p)) expect(distanceToEdge(outer, p)).to.be.at.most(mostMm + 1e-6);
      }),
      { numRuns: 60 },
    );
    const round = Array.from({ length: 120 }, (_, i) => ({
      x: 100 * Math.cos((Math.PI * i) / 60),
      y: 100 * Math.sin((Math.PI * i) / 60),
    }));
    expect(simplerRound(round, 1).length).to.be.below(60);
  });
});
