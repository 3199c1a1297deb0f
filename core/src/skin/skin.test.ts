import { expect } from 'chai';
import fc from 'fast-check';
import { cross3, dist3, dot3, type Mesh, meshArea, meshVolume, sub3, unit3, type Vec3 } from '../geometry';
import { edgesOf as panelEdges, edgeVertices, gridMesh } from '../panel';
import { chartCount, edgesOf } from './charted';
import { cutByPlane } from './cutByPlane';
import { gullMask } from './gullMask';
import { keptSide } from './keptSide';
import { chartOf, isDisc } from './loops';
import { panelsOf } from './panels';
import { chartAt, cutBy, isSymmetric, proposing, whole } from './propose';
import { movedOut, setAs } from './shaped';
import { soundCharts } from './sound';
import { squareMap } from './squared';
import { egg, lattice, tube } from './testing/surfaces';

const way = fc
  .tuple(fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }), fc.double({ min: -1, max: 1, noNaN: true }))
  .map(([turn, z]): Vec3 => ({
    x: Math.sqrt(1 - z * z) * Math.cos(turn),
    y: Math.sqrt(1 - z * z) * Math.sin(turn),
    z,
  }));

const eggs = fc
  .tuple(...[0, 1, 2].map(() => fc.integer({ min: 60, max: 160 })))
  .map(([a, b, c]) => egg(a!, b!, c!, 8));

/** Every edge has two faces, or one at a rim. */
const isSound = ({ triangles, points }: Mesh): boolean =>
  [...edgesOf({ points, triangles }).values()].every((t) => t.length <= 2);

describe('a surface cut by planes', () => {
  it('keeps its area, its volume and its edges, and every chart lies on one side', () => {
    fc.assert(
      fc.property(eggs, way, fc.double({ min: -50, max: 50, noNaN: true }), (mesh, normal, off) => {
        const through = { x: normal.x * off, y: normal.y * off, z: normal.z * off };
        const cut = cutByPlane(whole(mesh), through, normal);
        expect(meshArea(cut.mesh)).to.be.closeTo(meshArea(mesh), 1e-6 * meshArea(mesh));
        expect(meshVolume(cut.mesh)).to.be.closeTo(meshVolume(mesh), 1e-6 * meshVolume(mesh));
        expect(isSound(cut.mesh)).to.equal(true);
        expect(chartCount(cut)).to.equal(2);
        // A little past the plane where it ran close by a corner, never more than a share of an edge.
        for (const id of [0, 1]) {
          const heights = chartOf(cut, id).mesh.points.map((p) => dot3(sub3(p, through), normal));
          expect(Math.min(-Math.min(...heights), Math.max(...heights))).to.be.below(3);
        }
      }),
      { numRuns: 25 },
    );
  });

  it('cuts only the piece the spot is on, and the neighbours keep to the new points', () => {
    const halves = cutByPlane(whole(egg(80, 90, 100)), { x: 0, y: 0, z: 0 }, { x: 1, y: 0, z: 0 });
    const spot = { x: 78, y: 0, z: 4 };
    const three = cutByPlane(halves, spot, { x: 0, y: 0, z: 1 }, chartAt(halves, spot));
    expect(chartCount(three)).to.equal(3);
    expect(isSound(three.mesh)).to.equal(true);
    expect(meshArea(three.mesh)).to.be.closeTo(meshArea(halves.mesh), 1e-3);
  });
});

describe('charts as panels', () => {
  it('every edge has one mate or none, mates run between the same two points and are as long', () => {
    fc.assert(
      fc.property(
        eggs,
        fc.array(fc.tuple(way, fc.double({ min: -30, max: 30, noNaN: true })), {
          minLength: 1,
          maxLength: 3,
        }),
        (mesh, planes) => {
          const { charted } = soundCharts(
            cutBy(
              whole(mesh),
              planes.map(([normal, off]) => ({
                at: { x: normal.x * off, y: normal.y * off, z: normal.z * off },
                normal,
                all: true as const,
              })),
            ),
          );
          const { panels, joins, open } = panelsOf(charted, (i) => `piece ${i}`);
          expect(open).to.deep.equal([]);
          const ends = joins.flatMap((j) => [j.a, j.b].map(([p, e]) => `${p}/${e}`));
          expect(new Set(ends).size).to.equal(ends.length);
          // A closed surface leaves no edge without a mate, but for crumbs of a cut.
          const edges = panels.flatMap((p) => panelEdges(p).map((e) => ({ ...e, key: `${p.id}/${e.id}` })));
          const free = edges.filter((e) => !ends.includes(e.key));
          if (panels.length === chartCount(charted)) expect(free.map((e) => e.name)).to.deep.equal([]);
          for (const { a, b } of joins) {
            const run = ([id, edge]: [string, string]): Vec3[] => {
              const panel = panels.find((p) => p.id === id)!;
              const points = panel.grid.flat();
              return edgeVertices(panel, edge).map((v) => points[v]!);
            };
            const [one, other] = [run(a), run(b).reverse()];
            expect(dist3(one[0]!, other[0]!)).to.be.below(1e-6);
            expect(dist3(one.at(-1)!, other.at(-1)!)).to.be.below(1e-6);
            const length = (r: Vec3[]): number => r.slice(1).reduce((s, p, i) => s + dist3(p, r[i]!), 0);
            expect(length(one)).to.be.closeTo(length(other), 0.4 + 0.01 * length(one));
          }
          // The rims of a panel go round it once.
          for (const p of panels) {
            const steps = panelEdges(p).reduce((s, e) => s + e.run.length - 1, 0);
            expect(steps).to.equal(2 * (p.grid.length + p.grid[0]!.length - 2));
          }
        },
      ),
      { numRuns: 15 },
    );
  });

  it('the grids lie on the surface and cover it', () => {
    const mesh = egg(80, 95, 115, 14);
    const { panels, followsMm } = panelsOf(
      cutBy(whole(mesh), [
        { at: { x: 0, y: 0, z: 0 }, normal: { x: 1, y: 0, z: 0 }, all: true },
        { at: { x: 0, y: 0, z: 10 }, normal: unit3({ x: 0, y: 0.3, z: 1 }), all: true },
      ]),
      (i) => `piece ${i}`,
    );
    expect(panels).to.have.length(4);
    // Chords of 10 mm cells under a curve of 80 mm: c²/8r one way and the other.
    expect(followsMm).to.be.within(0.05, 1);
    const area = panels.reduce((s, p) => s + meshArea(gridMesh(p.grid)), 0);
    expect(area).to.be.within(0.985 * meshArea(mesh), meshArea(mesh));
    for (const q of panels.flatMap((p) => p.grid.flat())) {
      // On the egg the mesh was made from, to the chords of both.
      const share = Math.hypot(q.x / 80, q.y / 95, q.z / 115);
      expect(share).to.be.within(0.985, 1.0001);
    }
  });

  it('no triangle turns over on the square, however a disc is bent', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 90 }), fc.integer({ min: 1, max: 4 }), (bump, sharp) => {
        const mesh = lattice(12, 12, false, (u, v) => ({
          x: 100 * u,
          y: 100 * v,
          z: bump * Math.exp(-sharp * 12 * ((u - 0.5) ** 2 + (v - 0.4) ** 2)),
        }));
        const rim = new Map(
          mesh.points.flatMap((p, i): [number, { x: number; y: number }][] =>
            p.x === 0 || p.y === 0 || p.x === 100 || p.y === 100 ? [[i, { x: p.x / 100, y: p.y / 100 }]] : [],
          ),
        );
        const flat = squareMap(mesh, rim);
        for (const t of mesh.triangles) {
          const [a, b, c] = t.map((v) => flat[v]!);
          expect((b!.x - a!.x) * (c!.y - a!.y) - (b!.y - a!.y) * (c!.x - a!.x)).to.be.above(0);
        }
      }),
      { numRuns: 15 },
    );
  });

  it('a tube has no disc until it is cut, and is opened where it was not asked', () => {
    const pipe = tube(() => 50, 120);
    expect(isDisc(chartOf(whole(pipe), 0))).to.equal(false);
    const { charted, cut } = soundCharts(whole(pipe));
    expect(cut).to.be.at.least(1);
    for (let id = 0; id < chartCount(charted); id++) expect(isDisc(chartOf(charted, id))).to.equal(true);
  });
});

describe('seams that are proposed', () => {
  const last = (mesh: Mesh, limit: number, most = 24) => [...proposing(mesh, limit, most)].at(-1)!;

  it('a tube takes two pieces that do not stretch, a sphere within the stretch asked or no more pieces than allowed', () => {
    const pipe = last(
      tube(() => 60, 200),
      0.02,
    );
    expect(pipe.pieces).to.equal(2);
    expect(pipe.stretch).to.be.below(0.01);
    const ball = last(egg(100, 100, 100, 12), 0.08);
    expect(ball.stretch).to.be.at.most(0.08);
    expect(ball.pieces).to.be.at.most(16);
    const few = last(egg(100, 100, 100, 12), 0.001, 6);
    expect(few.pieces).to.be.at.most(6);
  });

  it('less stretch asks for more pieces', () => {
    const pieces = [0.15, 0.06, 0.025].map((limit) => last(egg(90, 100, 120, 10), limit).pieces);
    expect(pieces).to.deep.equal([...pieces].sort((a, b) => a - b));
    expect(pieces[2]).to.be.above(pieces[0]!);
  });

  it('a surface that is its own mirror image is cut alike on both sides', () => {
    expect(isSymmetric(gullMask())).to.equal(true);
    const [middle, ...rest] = last(egg(90, 110, 130, 10), 0.03).cuts;
    expect(middle).to.deep.include({ all: true, normal: { x: 1, y: 0, z: 0 } });
    for (let i = 0; i < rest.length; i += 2) {
      expect(rest[i + 1]!.at.x).to.be.closeTo(-rest[i]!.at.x, 1e-9);
      expect(rest[i + 1]!.normal.x).to.be.closeTo(-rest[i]!.normal.x, 1e-9);
      expect(rest[i + 1]!.normal.z).to.equal(rest[i]!.normal.z);
    }
  });
});

describe('a surface set and moved', () => {
  it('a ball moved out by its foam is a ball of the larger radius', () => {
    for (const by of [-6, 10]) {
      const { mesh: moved, held } = movedOut(egg(100, 100, 100, 12), by);
      expect(held).to.equal(0);
      for (const p of moved.points) expect(Math.hypot(p.x, p.y, p.z)).to.be.closeTo(100 + by, 0.25);
    }
  });

  it('a box moved out keeps its walls that far apart: corners are mitred', () => {
    // Six faces, corners shared: every one moves along its diagonal.
    const cube: Mesh = {
      points: [0, 1, 2, 3, 4, 5, 6, 7].map((k) => ({
        x: (k & 1) * 50,
        y: ((k >> 1) & 1) * 50,
        z: (k >> 2) * 50,
      })),
      triangles: [
        [0, 2, 3],
        [0, 3, 1],
        [4, 5, 7],
        [4, 7, 6],
        [0, 1, 5],
        [0, 5, 4],
        [2, 6, 7],
        [2, 7, 3],
        [0, 4, 6],
        [0, 6, 2],
        [1, 3, 7],
        [1, 7, 5],
      ],
    };
    expect(meshVolume(cube)).to.be.closeTo(125_000, 1e-6);
    expect(meshVolume(movedOut(cube, 5).mesh)).to.be.within(0.96 * 216_000, 216_000);
  });

  it('moved in where it is narrower than that, no face turns over, and it is reported', () => {
    const mask = gullMask();
    const normal = ({ points }: Mesh, [a, b, c]: [number, number, number]): Vec3 =>
      unit3(cross3(sub3(points[b]!, points[a]!), sub3(points[c]!, points[a]!)));
    const { mesh, held } = movedOut(mask, -30);
    expect(held).to.be.above(0);
    for (const t of mask.triangles) expect(dot3(normal(mask, t), normal(mesh, t))).to.be.above(0);
    expect(movedOut(mask, -3).held).to.equal(0);
  });

  it('is widened between two heights and nowhere else, and as wide as asked', () => {
    const pipe = tube(() => 50, 300);
    const set = setAs(pipe, {
      scale: 1,
      turnRad: 0,
      nodRad: 0,
      at: { x: 0, y: 0, z: 0 },
      wide: { fromMm: 100, toMm: 150, byMm: 12 },
    });
    const widest = (z: number): number =>
      Math.max(...set.points.filter((p) => Math.abs(p.z - z) < 1).map((p) => p.x));
    expect(widest(125)).to.be.closeTo(62, 1e-6);
    expect(widest(0)).to.be.closeTo(50, 1e-6);
    expect(widest(300)).to.be.closeTo(50, 1e-6);
    expect(set.points.map((p) => p.z)).to.deep.equal(pipe.points.map((p) => p.z));
  });
});

describe('a surface that comes apart', () => {
  it('leaves two sides that hold all of it, clear of the plane, and meet in the same points', () => {
    fc.assert(
      fc.property(eggs, way, fc.double({ min: -40, max: 40, noNaN: true }), (mesh, normal, off) => {
        const through = { x: normal.x * off, y: normal.y * off, z: normal.z * off };
        const [over, under] = [true, false].map((side) => keptSide(mesh, through, normal, side)) as [
          Mesh,
          Mesh,
        ];
        expect(meshArea(over) + meshArea(under)).to.be.closeTo(meshArea(mesh), 1e-6 * meshArea(mesh));
        const rim = (m: Mesh): string[] =>
          [...edgesOf(m)]
            .filter(([, at]) => at.length === 1)
            .flatMap(([, [t]]) => m.triangles[t!]!)
            .map((v) => m.points[v]!)
            .filter((p) => Math.abs(dot3(sub3(p, through), normal)) < 8)
            .map((p) => [p.x, p.y, p.z].map((c) => c.toFixed(6)).join(' '));
        const [a, b] = [new Set(rim(over)), new Set(rim(under))];
        const rims = [over, under].map((m) => [...edgesOf(m).values()].filter((t) => t.length === 1).length);
        // A closed surface has a rim only where it was cut, as many edges on either side.
        expect(rims[0]).to.equal(rims[1]);
        expect([...a].filter((p) => b.has(p)).length).to.be.at.least(rims[0]!);
        // Corners near the plane are not moved onto it: none stands further over than they did.
        for (const [m, sign] of [
          [over, 1],
          [under, -1],
        ] as const)
          for (const p of m.points) expect(sign * dot3(sub3(p, through), normal)).to.be.above(-3);
      }),
      { numRuns: 40 },
    );
  });
});
