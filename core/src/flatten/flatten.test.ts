import { expect } from 'chai';
import fc from 'fast-check';
import { dist3, type Mesh, meshArea, signedArea, type Vec3 } from '../geometry';
import { angleDefects } from './dartPath';
import { flattenWithDarts } from './darts';
import { flips, tutteEmbedding } from './embedding';
import { flattenLocalGlobal } from './localGlobal';
import { refoldDistanceMm } from './refold';
import { nestedDissection } from './dissection';
import { SparseFactor } from './sparseFactor';
import { stretchOf } from './stretch';
import { referenceFlat } from './testing/reference';
import { boundaryLoops } from './topology';

/** A grid over the unit square bent by `at`. */
function grid(rows: number, columns: number, at: (u: number, v: number) => Vec3): Mesh {
  const points: Vec3[] = [];
  for (let r = 0; r <= rows; r++) for (let c = 0; c <= columns; c++) points.push(at(c / columns, r / rows));
  const triangles: [number, number, number][] = [];
  const id = (r: number, c: number): number => r * (columns + 1) + c;
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++)
      triangles.push([id(r, c), id(r, c + 1), id(r + 1, c + 1)], [id(r, c), id(r + 1, c + 1), id(r + 1, c)]);
  return { points, triangles };
}

/** A cap of a sphere of radius R out to polar angle `reach`, as rings round the pole. */
function cap(radius: number, reach: number, rings = 14, steps = 36): Mesh {
  const points: Vec3[] = [{ x: 0, y: 0, z: radius }];
  for (let r = 1; r <= rings; r++) {
    const polar = (r / rings) * reach;
    for (let i = 0; i < steps; i++) {
      const a = (i / steps) * 2 * Math.PI;
      points.push({
        x: radius * Math.sin(polar) * Math.cos(a),
        y: radius * Math.sin(polar) * Math.sin(a),
        z: radius * Math.cos(polar),
      });
    }
  }
  const id = (r: number, i: number): number => (r === 0 ? 0 : 1 + (r - 1) * steps + (i % steps));
  const triangles: [number, number, number][] = [];
  for (let i = 0; i < steps; i++) triangles.push([0, id(1, i), id(1, i + 1)]);
  for (let r = 1; r < rings; r++)
    for (let i = 0; i < steps; i++)
      triangles.push([id(r, i), id(r + 1, i), id(r + 1, i + 1)], [id(r, i), id(r + 1, i + 1), id(r, i + 1)]);
  return { points, triangles };
}

const cylinder = (radius: number, sweep: number, length: number): Mesh =>
  grid(16, 30, (u, v) => ({
    x: radius * Math.cos(u * sweep),
    y: radius * Math.sin(u * sweep),
    z: v * length,
  }));

const flatOutlineArea = (mesh: Mesh, flat: { x: number; y: number }[]): number =>
  signedArea(boundaryLoops(mesh)[0]!.map((v) => flat[v]!));

describe('the sparse solver', () => {
  it('solves what it factored', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 40 }),
        fc.array(fc.double({ min: 0.1, max: 5, noNaN: true }), { minLength: 120, maxLength: 120 }),
        (n, values) => {
          const entries: [number, number, number][] = [];
          const diagonal = new Float64Array(n).fill(0.5);
          for (let i = 0; i < n; i++) {
            for (const j of [i - 1, i - 3]) {
              if (j < 0) continue;
              const w = values[(i * 2 + j + 3) % 120]!;
              entries.push([i, j, -w]);
              diagonal[i]! += w;
              diagonal[j]! += w;
            }
          }
          const truth = Float64Array.from({ length: n }, (_, i) => values[i]! - 2);
          const b = Float64Array.from({ length: n }, (_, i) => diagonal[i]! * truth[i]!);
          for (const [i, j, v] of entries) {
            b[i]! += v * truth[j]!;
            b[j]! += v * truth[i]!;
          }
          const solved = new SparseFactor(n, entries, diagonal).solve(b);
          solved.forEach((x, i) => expect(x).to.be.closeTo(truth[i]!, 1e-8));
        },
      ),
    );
  });

  it('numbers every vertex once', () => {
    const ring = Array.from({ length: 300 }, (_, i) => [(i + 1) % 300, (i + 299) % 300]);
    const apart = [...ring, ...ring.map((near) => near.map((n) => n + 300))];
    for (const graph of [ring, apart, [[]], []])
      expect([...nestedDissection(graph)].sort((a, b) => a - b)).to.deep.equal(graph.map((_, i) => i));
  });

  it('refuses a matrix that is not positive definite', () => {
    expect(() => new SparseFactor(2, [[1, 0, 5]], Float64Array.from([1, 1]))).to.throw('positive definite');
  });
});

describe('flattening', () => {
  it('starts without flips on any cap', () => {
    for (const reach of [0.3, 1, 2, 2.6])
      expect(flips(cap(100, reach), tutteEmbedding(cap(100, reach)))).to.equal(0);
  });

  it('lays developable surfaces flat with no stretch', () => {
    for (const mesh of [
      cylinder(60, 4, 200),
      grid(16, 30, (u, v) => ({
        x: (40 + 60 * v) * Math.cos(u * 3),
        y: (40 + 60 * v) * Math.sin(u * 3),
        z: v * 150,
      })),
    ]) {
      const flat = flattenLocalGlobal(mesh, { iterations: 400 });
      const { worst, least } = stretchOf(mesh, flat);
      expect(flips(mesh, flat)).to.equal(0);
      expect(worst).to.be.lessThan(0.002);
      expect(Math.min(...least)).to.be.greaterThan(-0.002);
      expect(flatOutlineArea(mesh, flat)).to.be.closeTo(meshArea(mesh), meshArea(mesh) * 1e-3);
      expect(refoldDistanceMm(mesh, flat)).to.be.lessThan(0.5);
    }
  });

  it('stretches a cap about as the map projections say, never flipping', () => {
    // Map projections: laying a cap of polar angle θ flat equidistantly from its pole stretches its rim by
    // θ / sin θ − 1 (Snyder, Map Projections: A Working Manual, azimuthal equidistant). A map that spreads the
    // strain does no worse.
    for (const reach of [0.4, 0.8, 1.2]) {
      const mesh = cap(100, reach);
      const flat = flattenLocalGlobal(mesh, { iterations: 120 });
      const { most, least } = stretchOf(mesh, flat);
      expect(flips(mesh, flat)).to.equal(0);
      const equidistant = reach / Math.sin(reach) - 1;
      expect(Math.max(...most)).to.be.at.most(equidistant * 1.1);
      // The rim is crowded: the flat piece is shorter round it than an unstrained disc of that area would be.
      expect(Math.min(...least)).to.be.lessThan(0);
    }
  });

  it('carries the angle defect that Gauss–Bonnet asks', () => {
    // Gauss–Bonnet: total curvature of a cap is 2π(1 − cos θ).
    const mesh = cap(100, 1, 24, 72);
    const rim = new Set(boundaryLoops(mesh)[0]);
    const inside = angleDefects(mesh).reduce((sum, d, v) => sum + (rim.has(v) ? 0 : d), 0);
    const lastRing = 1 - 1 / 24 / 2;
    expect(inside).to.be.closeTo(2 * Math.PI * (1 - Math.cos(lastRing)), 0.02);
  });

  it('refolds within less than the depth it lost', () => {
    const mesh = cap(100, 0.5);
    const flat = flattenLocalGlobal(mesh);
    expect(refoldDistanceMm(mesh, flat)).to.be.lessThan(100 * (1 - Math.cos(0.5)));
    expect(refoldDistanceMm(mesh, flat)).to.be.greaterThan(0);
  });
});

describe('against watlas, a general-purpose mesh-parameterisation library', () => {
  it('a cap needs no more stretch, nor more shrinking, than by its least-squares conformal map', async function () {
    this.timeout(20_000);
    for (const reach of [0.4, 0.8, 1.2]) {
      const mesh = cap(90, reach);
      const reference = stretchOf(mesh, (await referenceFlat(mesh))!);
      const ours = stretchOf(mesh, flattenLocalGlobal(mesh));
      expect(ours.worst, `stretch at ${reach}`).to.be.at.most(reference.worst);
      expect(Math.min(...ours.least)).to.be.at.least(Math.min(...reference.least) - 0.01);
      expect(ours.energy, `energy at ${reach}`).to.be.lessThan(reference.energy);
    }
  });
});

describe('darts', () => {
  it('bring a dome within what the foam can take, legs equal in length', () => {
    const mesh = cap(90, 1.25);
    const plain = stretchOf(mesh, flattenLocalGlobal(mesh));
    const made = flattenWithDarts(mesh, { limit: 0.05, most: 6 });
    expect(made.darts.length).to.be.within(1, 6);
    expect(made.stretch.mostly).to.be.lessThan(plain.mostly * 0.8);
    expect(made.stretch.energy).to.be.lessThan(plain.energy * 0.4);
    expect(flips(made.mesh, made.flat)).to.equal(0);
    for (const { path } of made.darts) {
      const legs = [0, 1].map((side) =>
        path.slice(1).reduce((sum, v, i) => {
          const copies = (o: number): number[] => made.origin.flatMap((from, at) => (from === o ? [at] : []));
          const p = copies(path[i]!)[Math.min(side, copies(path[i]!).length - 1)]!;
          const q = copies(v)[Math.min(side, copies(v).length - 1)]!;
          return sum + Math.hypot(made.flat[p]!.x - made.flat[q]!.x, made.flat[p]!.y - made.flat[q]!.y);
        }, 0),
      );
      const onForm = path
        .slice(1)
        .reduce((sum, v, i) => sum + dist3(mesh.points[v]!, mesh.points[path[i]!]!), 0);
      expect(legs[0]!).to.be.closeTo(onForm, onForm * 0.03);
      expect(Math.abs(legs[0]! - legs[1]!)).to.be.lessThan(1e-9);
    }
  });

  it('leaves a developable surface whole', () => {
    expect(
      flattenWithDarts(cylinder(60, 2, 100), { limit: 0.05, most: 4, iterations: 100 }).darts,
    ).to.have.length(0);
  });
});
