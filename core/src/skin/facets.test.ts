import { expect } from 'chai';
import fc from 'fast-check';
import {
  cross3,
  dist3,
  dot3,
  type Mesh,
  overlapsItself,
  signedArea,
  sub3,
  unit3,
  type Vec3,
} from '../geometry';
import { layPanels, netsOf } from '../panel';
import { foam } from '../parts/testing/worn.test';
import { facetPanels } from './facetPanels';
import { facetsOf, movedFacets, turnAt } from './facets';
import { facetedLantern } from './facetedLantern';
import { mended } from './mended';
import { scanned } from './scanned';
import { egg } from './testing/surfaces';

const phi = (1 + Math.sqrt(5)) / 2;
const v = (x: number, y: number, z: number): Vec3 => ({ x, y, z });
const every = (of: (s: number, t: number) => Vec3): Vec3[] =>
  [-1, 1].flatMap((s) => [-1, 1].map((t) => of(s, t)));

/** Corners of the five regular solids (Euclid, book XIII), their dihedral angles as published, and their edges for these corners. */
const solids: {
  name: string;
  corners: Vec3[];
  faces: number;
  dihedralDeg: number;
  edge: number;
  sides: number;
}[] = [
  {
    name: 'tetrahedron',
    corners: [v(1, 1, 1), v(1, -1, -1), v(-1, 1, -1), v(-1, -1, 1)],
    faces: 4,
    dihedralDeg: 70.5288,
    edge: Math.sqrt(8),
    sides: 3,
  },
  {
    name: 'cube',
    corners: [-1, 1].flatMap((x) => every((y, z) => v(x, y, z))),
    faces: 6,
    dihedralDeg: 90,
    edge: 2,
    sides: 4,
  },
  {
    name: 'octahedron',
    corners: [v(1, 0, 0), v(-1, 0, 0), v(0, 1, 0), v(0, -1, 0), v(0, 0, 1), v(0, 0, -1)],
    faces: 8,
    dihedralDeg: 109.4712,
    edge: Math.SQRT2,
    sides: 3,
  },
  {
    name: 'dodecahedron',
    corners: [
      ...[-1, 1].flatMap((x) => every((y, z) => v(x, y, z))),
      ...every((s, t) => v(0, s / phi, t * phi)),
      ...every((s, t) => v(s / phi, t * phi, 0)),
      ...every((s, t) => v(s * phi, 0, t / phi)),
    ],
    faces: 12,
    dihedralDeg: 116.5651,
    edge: 2 / phi,
    sides: 5,
  },
  {
    name: 'icosahedron',
    corners: [
      ...every((s, t) => v(0, s, t * phi)),
      ...every((s, t) => v(s, t * phi, 0)),
      ...every((s, t) => v(s * phi, 0, t)),
    ],
    faces: 20,
    dihedralDeg: 138.1897,
    edge: 2,
    sides: 3,
  },
];

/** The hull of a few points as triangles, by trying every three: slow and plain. */
function hull(points: readonly Vec3[], size: number): Mesh {
  const at = points.map((p) => v(p.x * size, p.y * size, p.z * size));
  const triangles: Mesh['triangles'] = [];
  const planes = new Map<string, number[]>();
  for (let a = 0; a < at.length; a++)
    for (let b = 0; b < at.length; b++)
      for (let c = 0; c < at.length; c++) {
        if (a === b || b === c || a === c) continue;
        const n = cross3(sub3(at[b]!, at[a]!), sub3(at[c]!, at[a]!));
        if (at.some((p) => dot3(n, sub3(p, at[a]!)) > 1e-6 * size ** 3)) continue;
        const own = at.flatMap((p, i) => (Math.abs(dot3(n, sub3(p, at[a]!))) < 1e-6 * size ** 3 ? [i] : []));
        if (dot3(n, n) > 1e-12) planes.set(own.join(), own);
      }
  for (const own of planes.values()) {
    const m = own.reduce(
      (s, i) => v(s.x + at[i]!.x / own.length, s.y + at[i]!.y / own.length, s.z + at[i]!.z / own.length),
      v(0, 0, 0),
    );
    const n = unit3(m);
    const x = unit3(sub3(at[own[0]!]!, m));
    const y = cross3(n, x);
    const turn = (i: number): number => Math.atan2(dot3(sub3(at[i]!, m), y), dot3(sub3(at[i]!, m), x));
    const ring = [...own].sort((i, j) => turn(i) - turn(j));
    for (let k = 1; k + 1 < ring.length; k++) triangles.push([ring[0]!, ring[k]!, ring[k + 1]!]);
  }
  return { points: at, triangles };
}

const sheet = foam(2, 'dense-eva');
const laidOf = (mesh: Mesh, inMm: number, mostMm = 2000) => {
  const { panels, joins } = facetPanels(mesh, inMm, mostMm, 2);
  const laid = layPanels(panels, joins, () => sheet, { limit: 1, darts: 0 });
  const nets = netsOf(laid, joins);
  return { panels, joins, laid, pieces: nets.gather(laid.map((l) => l.piece)) };
};

/** Of an outline, the larger side of its box at every few degrees of turn. */
const widths = (of: readonly { x: number; y: number }[]): number[] =>
  Array.from({ length: 90 }, (_, k) => (k * Math.PI) / 180).map((t) => {
    const xs = of.map((p) => p.x * Math.cos(t) - p.y * Math.sin(t));
    const ys = of.map((p) => p.x * Math.sin(t) + p.y * Math.cos(t));
    return Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
  });

describe('a model of flat faces', () => {
  for (const { name, corners, faces, dihedralDeg, edge, sides } of solids)
    it(`${name}: its faces, edges and areas, and bevels of half of what its dihedral angle turns`, () => {
      const mesh = hull(corners, 40);
      const facets = facetsOf(mesh);
      expect(facets.map((f) => f.corners.length)).to.deep.equal(Array.from({ length: faces }, () => sides));
      const { laid, joins, pieces } = laidOf(mesh, 0);
      const bevel = (180 - dihedralDeg) / 2;
      for (const { piece } of laid) {
        expect(piece.edges).to.have.length(sides);
        for (const e of piece.edges) {
          if (e.joint === 'fold') expect(e.foldDeg).to.be.closeTo(2 * bevel, 0.01);
          else
            expect(e.foldsBackDeg === undefined ? 2 * e.bevelDeg : e.foldsBackDeg).to.be.closeTo(
              2 * bevel,
              0.01,
            );
        }
      }
      // Cut from the model as it is: sides on the inner face, before bevels grow them.
      const found = facets.flatMap((f) =>
        f.sides.map((s) => dist3(mesh.points[s.from]!, mesh.points[s.to]!)),
      );
      for (const mm of found) expect(mm).to.be.closeTo(edge * 40, 1e-9);
      // As many folds as faces less nets, every other edge cut and mated.
      const nets = pieces.length;
      expect(joins.filter((j) => j.kind === 'fold')).to.have.length(faces - nets);
      expect(joins).to.have.length((faces * sides) / 2);
      // The icosahedron's flaps would touch: it takes one net more than the others.
      expect(nets).to.be.at.most(faces === 20 ? 3 : 1);
      for (const p of pieces) expect(overlapsItself(p.outline)).to.equal(false);
      const regular = (sides * (edge * 40) ** 2) / (4 * Math.tan(Math.PI / sides));
      // The layer that keeps its length lies half of 2 mm out: a tenth of the area at most.
      expect(pieces.reduce((sum, p) => sum + p.areaMm2, 0) / (faces * regular)).to.be.within(0.99, 1.2);
    });

  it('goes inside its faces by the foam everywhere: planes of the inner faces lie that far in', () => {
    for (const { corners } of solids) {
      const mesh = hull(corners, 40);
      const facets = facetsOf(mesh);
      movedFacets(mesh.points, facets, -6).forEach((ring, f) => {
        const { normal, corners: own } = facets[f]!;
        for (const p of ring) expect(dot3(sub3(p, mesh.points[own[0]!]!), normal)).to.be.closeTo(-6, 1e-6);
      });
      // Corners that facets share meet again.
      const moved = movedFacets(mesh.points, facets, -6);
      const at = new Map<number, Vec3>();
      facets.forEach((f, i) =>
        f.corners.forEach((c, k) => {
          const p = moved[i]![k]!;
          if (at.has(c)) expect(dist3(at.get(c)!, p)).to.be.below(1e-3);
          at.set(c, p);
        }),
      );
    }
  });

  it('is one net or more, none larger than asked, none over itself, and loses no facet', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            x: fc.double({ min: -1, max: 1, noNaN: true }),
            y: fc.double({ min: -1, max: 1, noNaN: true }),
            z: fc.double({ min: -1, max: 1, noNaN: true }),
          }),
          { minLength: 6, maxLength: 9 },
        ),
        (raw) => {
          // Spread out, so that no two corners are one.
          const points = raw.map((p, i) =>
            unit3(v(p.x + Math.cos(2.4 * i), p.y + Math.sin(2.4 * i), p.z + 1 - i / 4)),
          );
          fc.pre(points.every((p, i) => points.every((q, k) => k <= i || dist3(p, q) > 0.25)));
          const mesh = hull(points, 80);
          fc.pre(mesh.triangles.length >= 4);
          const { panels, joins, pieces } = laidOf(mesh, 0, 260);
          const folds = joins.filter((j) => j.kind === 'fold').length;
          expect(pieces).to.have.length(panels.length - folds);
          for (const piece of pieces) {
            expect(overlapsItself(piece.outline)).to.equal(false);
            expect(signedArea(piece.outline)).to.be.above(0);
            // Its facets were within it; bevels and folds grow it a little, and it is turned as it comes.
            if (piece.id.startsWith('net')) expect(Math.min(...widths(piece.outline))).to.be.at.most(275);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('turns the way the surface does: out at the edge of a box, in at a gutter', () => {
    const box = hull(solids[1]!.corners, 40);
    const facets = facetsOf(box);
    for (const side of facets[0]!.sides)
      expect(turnAt(box.points, facets, 0, side)).to.be.closeTo(Math.PI / 2, 1e-9);
    const inside: Mesh = { points: box.points, triangles: box.triangles.map(([a, b, c]) => [a, c, b]) };
    const hollow = facetsOf(inside);
    for (const side of hollow[0]!.sides)
      expect(turnAt(inside.points, hollow, 0, side)).to.be.closeTo(-Math.PI / 2, 1e-9);
  });

  it('is left to seams when it has more faces than any low-polygon model', () => {
    const made = facetPanels(egg(80, 90, 100, 10), 0, 500, 6);
    expect(made.panels).to.deep.equal([]);
    expect(made.facets).to.be.above(240);
  });

  it('that was scanned, mended and read is one net again: the made-up lantern', () => {
    const scan = scanned(facetedLantern(), { noiseMm: 0, holes: 0, seed: 5 });
    const { mesh } = mended(scan);
    const { panels, pieces } = laidOf(mesh, 0);
    // Six sides, six of the shoulder, six of the roof, and both ends.
    expect(panels).to.have.length(20);
    expect(pieces.length).to.be.at.most(3);
    for (const p of pieces) expect(overlapsItself(p.outline)).to.equal(false);
  });
});
