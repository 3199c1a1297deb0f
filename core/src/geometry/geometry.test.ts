import { expect } from 'chai';
import { polygonHull, polygonLength } from 'd3-polygon';
import fc from 'fast-check';
import { ellipseAtNormal, ellipseOfGirth, ellipsePerimeter, parallelGirth } from './ellipse';
import { convexHull } from './hull';
import { meshArea, meshVolume, shellMesh } from './mesh';
import { boundsOf, centroid, contains, distanceToEdge, polylineLength, signedArea } from './polygon';
import { tapeGirthMm } from './slice';
import { unrollStrip } from './unroll';
import { dist2, type Vec2, type Vec3 } from './vec';

const square: Vec2[] = [
  { x: 0, y: 0 },
  { x: 10, y: 0 },
  { x: 10, y: 10 },
  { x: 0, y: 10 },
];

const closedLength = (points: Vec2[]): number => polylineLength([...points, points[0]!]);

describe('polygons and paths', () => {
  it('measures a square', () => {
    expect(signedArea(square)).to.equal(100);
    expect(signedArea([...square].reverse())).to.equal(-100);
    expect(centroid(square)).to.deep.equal({ x: 5, y: 5 });
    expect(boundsOf(square)).to.deep.equal({ minX: 0, minY: 0, maxX: 10, maxY: 10 });
    expect(contains(square, { x: 9, y: 1 })).to.equal(true);
    expect(contains(square, { x: 11, y: 1 })).to.equal(false);
    expect(distanceToEdge(square, { x: 7, y: 5 })).to.equal(3);
  });
});

describe('convex hull', () => {
  it('agrees with d3-polygon, a general-purpose library, in the girth a tape reads', () => {
    const coordinate = fc.integer({ min: -5000, max: 5000 }).map((v) => v / 10);
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 4, maxLength: 80 }),
        (points) => {
          const reference = polygonHull(points.map((p): [number, number] => [p.x, p.y]));
          if (reference) expect(tapeGirthMm(points)).to.be.closeTo(polygonLength(reference), 1e-6);
        },
      ),
    );
  });

  it('holds every point, is convex and keeps the bounds', () => {
    const coordinate = fc.integer({ min: -5000, max: 5000 }).map((v) => v / 10);
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 3, maxLength: 60 }),
        (points) => {
          const hull = convexHull(points);
          expect(boundsOf(hull)).to.deep.equal(boundsOf(points));
          if (hull.length < 3) return;
          for (let i = 0; i < hull.length; i++) {
            const [a, b] = [hull[i]!, hull[(i + 1) % hull.length]!];
            for (const p of points) {
              const side = (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);
              expect(side).to.be.at.least(-1e-6 * Math.max(1, dist2(a, b) * 500));
            }
          }
        },
      ),
    );
  });
});

describe('ellipses', () => {
  it('agrees with the published series constant for a 2:1 ellipse', () => {
    // Abramowitz & Stegun table 17.1: E(m = 0.75) = 1.21105602757; perimeter = 4·a·E(m).
    expect(ellipsePerimeter({ a: 2, b: 1 })).to.be.closeTo(4 * 2 * 1.21105602757, 1e-9);
    expect(ellipsePerimeter({ a: 5, b: 5 })).to.be.closeTo(10 * Math.PI, 1e-12);
  });

  it('obeys Steiner when pushed out, against a numerical perimeter', () => {
    const ellipse = ellipseOfGirth(170, 1.4);
    const n = 20000;
    const curve = Array.from({ length: n }, (_, i) => ellipseAtNormal(ellipse, (i / n) * 2 * Math.PI, 9));
    expect(closedLength(curve)).to.be.closeTo(parallelGirth(170, 9), 1e-4);
  });
});

describe('unrolling a ruled strip', () => {
  it('matches the sheet-metal frustum: sector radii R1 = r1·s/(r2−r1), R2 = R1 + s, angle 2π(r2−r1)/s', () => {
    // Source: cone frustum development, sheet-metal pattern tables (handbook relation).
    const [r1, r2, h, n] = [28, 42, 180, 2000];
    const ring = (r: number, z: number): Vec3[] =>
      Array.from({ length: n + 1 }, (_, i) => {
        const a = (i / n) * 2 * Math.PI;
        return { x: r * Math.cos(a), y: r * Math.sin(a), z };
      });
    const flat = unrollStrip({ low: ring(r1, 0), high: ring(r2, h) });
    const s = Math.hypot(h, r2 - r1);
    const R1 = (r1 * s) / (r2 - r1);
    const apex = { x: 0, y: -R1 };
    for (let i = 0; i <= n; i += 100) {
      expect(dist2(flat.low[i]!, apex)).to.be.closeTo(R1, 0.01);
      expect(dist2(flat.high[i]!, apex)).to.be.closeTo(R1 + s, 0.01);
    }
    const end = flat.low[n]!;
    const turned = Math.atan2(end.x - apex.x, end.y - apex.y);
    expect(turned).to.be.closeTo((2 * Math.PI * (r2 - r1)) / s, 1e-4);
  });

  it('keeps edge lengths for random elliptical cones', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        fc.double({ min: 50, max: 400, noNaN: true }),
        (girth, ratio, height) => {
          const low = ellipseOfGirth(girth, ratio);
          const high = ellipseOfGirth(girth * 1.3, 1.1);
          const n = 360;
          const rail = (e: typeof low, z: number): Vec3[] =>
            Array.from({ length: n + 1 }, (_, i) => ({ ...ellipseAtNormal(e, (i / n) * 2 * Math.PI), z }));
          const flat = unrollStrip({ low: rail(low, 0), high: rail(high, height) });
          expect(polylineLength(flat.low)).to.be.closeTo(girth, girth * 1e-4);
          expect(polylineLength(flat.high)).to.be.closeTo(girth * 1.3, girth * 1e-4);
        },
      ),
      { numRuns: 50 },
    );
  });
});

describe('meshes', () => {
  it('closes a tube shell with outward faces', () => {
    const n = 400;
    const grid = (r: number): Vec3[][] =>
      [0, 50, 100].map((z) =>
        Array.from({ length: n }, (_, i) => ({
          x: r * Math.cos((i / n) * 2 * Math.PI),
          y: r * Math.sin((i / n) * 2 * Math.PI),
          z,
        })),
      );
    const tube = shellMesh(grid(30), grid(36), true);
    expect(meshVolume(tube)).to.be.closeTo(Math.PI * (36 ** 2 - 30 ** 2) * 100, 100);
    const walls = 2 * Math.PI * 66 * 100;
    const rims = 2 * Math.PI * (36 ** 2 - 30 ** 2);
    expect(meshArea(tube)).to.be.closeTo(walls + rims, 40);
  });
});
