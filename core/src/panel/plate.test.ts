import { expect } from 'chai';
import fc from 'fast-check';
import Module from 'manifold-3d';
import { boundsOf, contains, grown, meshVolume, regionArea, signedArea } from '../geometry';
import { checkOf, make } from '../parts/testing/worn.test';
import { plateMesh } from './plateMesh';
import type { Plate } from './plateShape';
import { skinMesh } from './solid';

const solver = await Module();
solver.setup();

const plane = {
  origin: { x: 0, y: 0, z: 0 },
  across: { x: 1, y: 0, z: 0 },
  up: { x: 0, y: 1, z: 0 },
};
const box = (w: number, h: number) => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: h },
  { x: 0, y: h },
];

describe('the edges of a plate', () => {
  it('are named by the way they face, and their runs lie there', () => {
    const { piece } = make('box', { corners: 'butt', open: 'none' }).made.laid.find(
      (l) => l.panel.id === 'front',
    )!;
    const b = boundsOf(piece.outline);
    const middle = (name: string) => {
      const e = piece.edges.find((x) => x.name === name)!;
      const [p, q] = [piece.outline[e.from]!, piece.outline[e.to]!];
      return { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
    };
    expect(middle('upper edge').y).to.be.closeTo(b.maxY, 1e-6);
    expect(middle('lower edge').y).to.be.closeTo(b.minY, 1e-6);
    expect(middle('left edge').x).to.be.closeTo(b.minX, 1e-6);
    expect(middle('right edge').x).to.be.closeTo(b.maxX, 1e-6);
  });
});

describe('a plate as a solid', () => {
  it('is its area by its thickness, less what is cut through', () => {
    const plate: Plate = {
      ...plane,
      outline: box(80, 50),
      cuts: [{ id: 'c', name: 'c', outline: box(10, 10).map((p) => ({ x: p.x + 20, y: p.y + 20 })) }],
    };
    expect(meshVolume(plateMesh(plate, 6))).to.be.closeTo((80 * 50 - 100) * 6, 1e-6);
  });

  it('with sloped edges is the prismatoid of the handbooks', () => {
    // h/6 · (A₁ + 4 Aₘ + A₂): exact for a frustum of a pyramid on a rectangle.
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 200, noNaN: true }),
        fc.double({ min: 40, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 18, noNaN: true }),
        fc.double({ min: 2, max: 12, noNaN: true }),
        fc.boolean(),
        (w, h, inset, t, upward) => {
          const [wide, narrow] = [[box(w, h)], grown([box(w, h)], -inset)];
          const sections = (upward ? [wide, narrow] : [narrow, wide]).map((region, i) => ({
            atMm: i * t,
            region,
          }));
          const mid = regionArea(grown([box(w, h)], -inset / 2));
          const want = (t / 6) * (w * h + 4 * mid + regionArea(narrow));
          const got = meshVolume(plateMesh({ ...plane, outline: box(w, h), cuts: [], sections }, t));
          expect(got).to.be.closeTo(want, want * 1e-4);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('stays closed where a slope ends at a square side', () => {
    // Sloped on three sides only: the lower side is common to both outlines.
    const narrow = [box(60, 90).map((p) => ({ x: p.x + 10, y: p.y }))];
    const sections = [
      { atMm: 0, region: [box(80, 100)] },
      { atMm: 5, region: narrow },
    ];
    const mesh = plateMesh({ ...plane, outline: box(80, 100), cuts: [], sections }, 5);
    const moved = { ...mesh, points: mesh.points.map((p) => ({ x: p.x + 300, y: p.y - 200, z: p.z + 70 })) };
    // The volume of a closed surface does not depend on where it is.
    expect(meshVolume(moved)).to.be.closeTo(meshVolume(mesh), 1e-3);
    const areaAt = (share: number): number => {
      const inset = 10 * share;
      return (80 - 2 * inset) * (100 - inset);
    };
    expect(meshVolume(mesh)).to.be.closeTo((5 / 6) * (areaAt(0) + 4 * areaAt(0.5) + areaAt(1)), 1);
    expect(boundsOf(narrow[0]!).minY).to.equal(0);
    expect(signedArea(narrow[0]!)).to.be.greaterThan(0);
  });
});

describe('solids of what is cut', () => {
  /** What an independent solid library makes of a mesh. */
  const volumeOf = (mesh: { points: { x: number; y: number; z: number }[]; triangles: number[][] }): number =>
    new solver.Manifold(
      new solver.Mesh({
        numProp: 3,
        vertProperties: new Float32Array(mesh.points.flatMap((p) => [p.x, p.y, p.z])),
        triVerts: new Uint32Array(mesh.triangles.flat()),
      }),
    ).volume();

  it('have their mitres: a box of 100 mm in 10 mm holds 100³ − 80³', () => {
    for (const corners of ['mitre', 'butt', 'folded']) {
      const { made } = make(
        'box',
        { corners, held: 'outside', open: 'none', widthMm: 100, heightMm: 100, deepMm: 100, skinMm: 0 },
        { nominalMm: 10, foamId: 'dense-eva' },
      );
      const solids = made.laid.map((l) => meshVolume(skinMesh(l).mesh));
      expect(
        solids.reduce((a, b) => a + b, 0),
        corners,
      ).to.be.closeTo(100 ** 3 - 80 ** 3, 1);
      for (const l of made.laid.filter((q) => !q.panel.plate))
        expect(volumeOf(skinMesh(l).mesh), l.panel.name).to.be.closeTo(meshVolume(skinMesh(l).mesh), 20);
    }
  });

  it('have what is cut to a depth: fullers are in the blade, and its mass is that of the solid', () => {
    const mm3 = (fullerMm: number): { solid: number; reported: number } => {
      const { made } = make('blade', { fullerMm, lengthMm: 400, pointMm: 80 }, { foamId: 'dense-eva' });
      return {
        solid: made.laid.reduce((sum, l) => sum + meshVolume(skinMesh(l).mesh), 0),
        reported: made.pieces.reduce((sum, p) => sum + p.volumeMm3!, 0),
      };
    };
    const [plain, fullered] = [mm3(0), mm3(12)];
    expect(plain.solid - fullered.solid).to.be.greaterThan(2 * 12 * 200);
    expect(fullered.reported).to.be.closeTo(fullered.solid, fullered.solid * 1e-6);
    expect(plain.reported - fullered.reported).to.be.closeTo(plain.solid - fullered.solid, 1);
  });

  it('keep fullers and light channels within the blade, and say so', () => {
    const wide = make('blade', { fullerMm: 60, windowMm: 60, widthMm: 50 }, { foamId: 'dense-eva' });
    for (const piece of wide.pieces)
      for (const mark of piece.marks.filter((m) => m.kind === 'pocket' || m.kind === 'slot'))
        for (const p of mark.points)
          expect(contains(piece.outline, p), `${piece.name}: ${mark.text}`).to.equal(true);
    expect(checkOf(wide, 'narrow-fullerMm')).to.not.equal(undefined);
    expect(checkOf(wide, 'narrow-windowMm')).to.not.equal(undefined);
  });
});
