import { expect } from 'chai';
import fc from 'fast-check';
import { dist3, type Mesh, meshArea, signedArea, type Vec2, type Vec3 } from '../geometry';
import { angleDefects } from './dartPath';
import { bendStrain } from '../foam';
import { flattenWithDarts } from './darts';
import type { Darted } from './dart';
import { facesOf } from './faces';
import { flips, tutteEmbedding } from './embedding';
import { flattenLocalGlobal } from './localGlobal';
import { refoldDistanceMm } from './refold';
import { nestedDissection } from './dissection';
import { SparseFactor } from './sparseFactor';
import { stretchOf } from './stretch';
import { flattenForFoam, foamEnergy } from './foamEnergy';
import { Mixing } from './mixing';
import { referenceFlat } from './testing/reference';
import { cap, grid, surfaces } from './testing/surfaces';
import { boundaryLoops } from './topology';

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
    const star = Array.from({ length: 60 }, (_, i) =>
      i === 0 ? Array.from({ length: 59 }, (_, k) => k + 1) : [0],
    );
    const all = Array.from({ length: 40 }, (_, i) =>
      Array.from({ length: 40 }, (_, k) => k).filter((k) => k !== i),
    );
    const alone = Array.from({ length: 50 }, (): number[] => []);
    for (const graph of [ring, apart, star, all, alone, [[]], []])
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

/** Area by the squares of what the two stretches from the form to the flat piece differ from one: from the side lengths alone. */
function rigidEnergy(mesh: Mesh, flat: readonly Vec2[]): number {
  return mesh.triangles.reduce((sum, [a, b, c]) => {
    const [p, q, r] = [mesh.points[a]!, mesh.points[b]!, mesh.points[c]!];
    const onForm = [dist3(p, q) ** 2, dist3(p, r) ** 2, dist3(q, r) ** 2] as const;
    const square = (i: number, j: number): number =>
      (flat[i]!.x - flat[j]!.x) ** 2 + (flat[i]!.y - flat[j]!.y) ** 2;
    const laid = [square(a, b), square(a, c), square(b, c)] as const;
    // Metrics of both triangles over the same two sides; the squares of the stretches are their ratio's eigenvalues.
    const metric = ([ab, ac, bc]: readonly [number, number, number]) => [ab, (ab + ac - bc) / 2, ac] as const;
    const [e, f, g] = metric(onForm);
    const [E, F, G] = metric(laid);
    const det = e * g - f * f;
    const trace = (E * g - 2 * F * f + G * e) / det;
    const ratio = (E * G - F * F) / det;
    const root = Math.sqrt(Math.max(0, (trace * trace) / 4 - ratio));
    const [high, low] = [Math.sqrt(trace / 2 + root), Math.sqrt(Math.max(0, trace / 2 - root))];
    return sum + (Math.sqrt(det) / 2) * ((high - 1) ** 2 + (low - 1) ** 2);
  }, 0);
}

/**
 * What CGAL 5.5.1 (Debian), a general-purpose geometry library, makes of the same meshes by its ARAP_parameterizer_3
 * with λ = 10,000 and 1,000 rounds: energy, mm², and worst stretch.
 */
const byCgal = {
  'half sphere': { energy: 2505.49, worst: 0.1808 },
  'bumpy head': { energy: 6504.34, worst: 0.3038 },
  saddle: { energy: 921.67, worst: 0.247 },
  'ruffled cone': { energy: 145.1, worst: 0.1656 },
} as const;

describe('against CGAL, a general-purpose geometry library', () => {
  it('lays what is hard to lay flat with no more energy, nor a worse stretch', () => {
    const meshes = surfaces();
    for (const [name, { energy, worst }] of Object.entries(byCgal)) {
      const mesh = meshes[name]!;
      const flat = flattenLocalGlobal(mesh);
      expect(flips(mesh, flat), name).to.equal(0);
      expect(rigidEnergy(mesh, flat), name).to.be.within(energy * 0.999, energy * 1.001);
      expect(stretchOf(mesh, flat).worst, name).to.be.at.most(worst + 0.0002);
    }
  });
});

describe('what the foam minds', () => {
  it('is eased: less stretch for a little more shortening, and never more energy', () => {
    for (const mesh of Object.values(surfaces()))
      for (const limit of [0.05, 0.1]) {
        const rigid = stretchOf(mesh, flattenLocalGlobal(mesh));
        const { flat, stretch } = flattenForFoam(mesh, { limit }, {});
        expect(flips(mesh, flat)).to.equal(0);
        expect(foamEnergy(stretch, limit)).to.be.lessThan(foamEnergy(rigid, limit) * 0.8);
        expect(stretch.mostly).to.be.lessThan(rigid.mostly * 0.85);
        expect(Math.min(...stretch.least)).to.be.greaterThan(Math.min(...rigid.least) - 0.1);
      }
  });

  it('leaves alone what the foam can take', () => {
    const mesh = cap(100, 0.7);
    expect(flattenForFoam(mesh, { limit: 0.1 }, {}).flat).to.deep.equal(flattenLocalGlobal(mesh));
  });
});

/** Faces of foam on a surface about the origin, or about the z axis: its points moved out and in. */
const shells = (mesh: Mesh, outMm: number, inMm: number, axis = false): Vec3[][] =>
  [outMm, -inMm].map((mm) =>
    mesh.points.map((p) => {
      const r = Math.hypot(p.x, p.y, axis ? 0 : p.z);
      const by = 1 + mm / r;
      return { x: p.x * by, y: p.y * by, z: axis ? p.z : p.z * by };
    }),
  );

describe('the faces of thick foam', () => {
  it('give what the handbooks’ bend gives where nothing stretches', () => {
    for (const [t, k] of [
      [4, 0.5],
      [10, 0.5],
      [10, 0.4],
    ] as const) {
      // The surface that keeps its length is k·t above the inner face.
      const neutral = cylinder(80 + k * t, 1.5, 120);
      const flat = flattenLocalGlobal(neutral, { iterations: 400 });
      const faces = facesOf(neutral, shells(neutral, (1 - k) * t, k * t, true));
      const strain = bendStrain({ thicknessMm: t, insideRadiusMm: 80, neutralFraction: k });
      expect(stretchOf(neutral, flat, faces).faceMostly).to.be.closeTo(strain, 0.002);
    }
  });

  it('of a ball give its stretch and its bend, one upon the other', () => {
    const mesh = cap(90, 0.9);
    const { flat } = flattenForFoam(mesh, { limit: 0.08 }, {});
    const { most, faces } = stretchOf(mesh, flat, facesOf(mesh, shells(mesh, 5, 5)));
    // On a ball the outer face is the neutral layer, larger all round by its distance over the radius.
    most.forEach((m, t) => expect(faces[t]).to.be.closeTo((1 + m) * (1 + 5 / 90) - 1, 1e-9));
  });

  it('take no bend where they are grooved for it', () => {
    const mesh = cylinder(20, 1.5, 120);
    const flat = flattenLocalGlobal(mesh, { iterations: 400 });
    expect(stretchOf(mesh, flat, facesOf(mesh, shells(mesh, 5, 5, true))).faceMostly).to.equal(0);
  });

  it('make thick foam ask for darts that thin foam does not, and gain by them', () => {
    const mesh = cap(90, 1.15);
    const laid = (t: number, most: number): Darted =>
      flattenWithDarts(mesh, {
        foam: { limit: 0.12, faces: facesOf(mesh, shells(mesh, t / 2, t / 2)) },
        most,
      });
    expect(laid(3, 4).darts).to.have.length(0);
    const [whole, darted] = [laid(18, 0), laid(18, 4)];
    expect(whole.stretch.mostly).to.be.lessThan(0.12);
    expect(whole.stretch.faceMostly).to.be.greaterThan(0.15);
    expect(darted.darts.length).to.be.greaterThan(0);
    expect(darted.stretch.faceMostly).to.be.lessThan(0.15);
  });

  it('are eased where only they are beyond what heat gives', () => {
    const mesh = cap(90, 1.15);
    const faces = facesOf(mesh, shells(mesh, 8, 8));
    const rigid = stretchOf(mesh, flattenLocalGlobal(mesh), faces);
    expect(rigid.worst).to.be.lessThan(0.12);
    const eased = flattenForFoam(mesh, { limit: 0.12, faces }, {}).stretch;
    expect(foamEnergy(eased, 0.12)).to.be.lessThan(foamEnergy(rigid, 0.12) * 0.9);
    expect(eased.faceMostly).to.be.lessThan(rigid.faceMostly - 0.01);
  });
});

describe('mixing steps', () => {
  it('solves a linear iteration of a few dimensions in as many rounds', () => {
    // x ← Mx + b with eigenvalues 0.9, 0.5, −0.3: plain rounds would need over a hundred for this.
    const step = (x: Float64Array): Float64Array =>
      Float64Array.from([0.9 * x[0]! + 1, 0.5 * x[1]! + 2, -0.3 * x[2]! + 3]);
    const mixing = new Mixing();
    let at: Float64Array = new Float64Array(3);
    for (let i = 0; i < 6; i++) at = mixing.next(at, step(at));
    [10, 4, 3 / 1.3].forEach((v, i) => expect(at[i]).to.be.closeTo(v, 1e-6));
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
    const made = flattenWithDarts(mesh, { foam: { limit: 0.05 }, most: 6 });
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
      flattenWithDarts(cylinder(60, 2, 100), { foam: { limit: 0.05 }, most: 4, iterations: 100 }).darts,
    ).to.have.length(0);
  });
});
