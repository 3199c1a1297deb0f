import { expect } from 'chai';
import { boundsOf, dist3, dot3, lerp2, signedArea, unit3, type Vec3 } from '../geometry';
import { foam } from '../parts/testing/worn.test';
import { contourLines } from './contours';
import { edgeRun } from './edgeRun';
import { layPanels } from './lay';
import { flatPanel } from './flatPanel';
import { board, gridOf, halfTurnFor, onEllipsoid, onSlice } from './grids';
import { mirrorPiece } from './mirror';
import {
  gridMesh,
  gridNormals,
  offsetGrid,
  sides,
  sideVertices,
  splitPanel,
  tightestGridRadiusMm,
  type Panel,
} from './panel';

const edges = { bottom: 'bottom', right: 'right', top: 'top', left: 'left' };
const tube = (radius: number, fromDeg: number, toDeg: number): Panel => ({
  id: 'tube',
  name: 'tube',
  edges,
  grid: gridOf(72, 6, (u, v) =>
    onSlice({ a: radius, b: radius, x: 0, y: 0, z: v * 120 }, fromDeg + (toDeg - fromDeg) * u, 0),
  ),
});
const options = { limit: 0.08, darts: 0, seams: [] };

describe('panels', () => {
  it('have outward normals, so that pushing out makes a tube wider', () => {
    const panel = tube(50, 0, 300);
    for (const n of gridNormals(panel.grid).flat()) expect(Math.hypot(n.x, n.y, n.z)).to.be.closeTo(1, 1e-9);
    const wider = offsetGrid(panel.grid, 6).flat();
    expect(Math.max(...wider.map((p) => Math.hypot(p.x, p.y)))).to.be.closeTo(56, 0.1);
  });

  it('go round their sides counter-clockwise, each beginning where the last ended', () => {
    const panel = tube(50, 0, 200);
    const loops = sides.map((side) => sideVertices(panel, side));
    loops.forEach((run, i) => expect(run.at(-1)).to.equal(loops[(i + 1) % 4]![0]));
  });

  it('know their tightest bend', () => {
    expect(tightestGridRadiusMm(tube(60, 0, 270).grid)).to.be.closeTo(60, 0.5);
    expect(tightestGridRadiusMm(board(100, 100, { x: 0, y: 0, z: 0 }))).to.be.greaterThan(1e5);
  });

  it('split down the middle along a shared line', () => {
    const [a, b] = splitPanel(tube(50, 0, 300));
    const right = sideVertices(a, 'right').map((v) => a.grid.flat()[v]!);
    const left = sideVertices(b, 'left')
      .map((v) => b.grid.flat()[v]!)
      .reverse();
    right.forEach((p, i) => expect(dist3(p, left[i]!)).to.equal(0));
    expect(gridMesh(a.grid).triangles.length + gridMesh(b.grid).triangles.length).to.equal(
      gridMesh(tube(50, 0, 300).grid).triangles.length,
    );
  });

  it('lie flat at the neutral layer: a tube of D in foam t is (D + 2kt) round', () => {
    for (const mm of [2, 6, 10]) {
      const { piece } = flatPanel(tube(50, 0, 360), foam(mm), options);
      expect(piece.edges[0]!.lengthMm).to.be.closeTo(Math.PI * (100 + 2 * 0.5 * mm), 0.3);
      expect(piece.edges[1]!.lengthMm).to.be.closeTo(120, 0.01);
      expect(piece.stretch).to.equal(undefined);
    }
  });

  it('are mirrored point for point', () => {
    const made = flatPanel({ ...tube(80, 10, 120), id: 'a' }, foam(6), options);
    const { piece, flat } = made;
    const { piece: twin, flat: twinFlat } = mirrorPiece(
      { ...made, piece: { ...piece, marks: [{ kind: 'notch', points: [{ x: 3, y: 4 }], text: 'A' }] } },
      { ...tube(80, 10, 120), id: 'b', name: 'twin' },
    );
    const box = boundsOf(piece.outline);
    expect(twinFlat[0]![0]!.x).to.be.closeTo(box.minX + box.maxX - flat[0]!.at(-1)!.x, 1e-9);
    expect(signedArea(twin.outline)).to.be.closeTo(signedArea(piece.outline), 1e-9);
    expect(boundsOf(twin.outline)).to.deep.equal(boundsOf(piece.outline));
    expect(twin.edges.map((e) => e.id)).to.deep.equal(['bottom', 'right', 'top', 'left']);
    for (const edge of twin.edges) {
      const run = edgeRun(twin.outline, edge);
      const drawn = run.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - run[i]!.x, p.y - run[i]!.y), 0);
      expect(drawn, edge.id).to.be.closeTo(edge.lengthMm, 1e-6);
    }
    const { maxX, minX } = boundsOf(piece.outline);
    expect(twin.marks[0]!.points[0]).to.deep.equal({ x: minX + maxX - 3, y: 4 });
  });
});

describe('laying', () => {
  it('splits a piece that would overlap itself and seams the halves', () => {
    // A flat spiral of more than a turn: it lies over its own start.
    const ring: Panel = {
      id: 'ring',
      name: 'ring',
      edges,
      grid: gridOf(48, 2, (u, v) => ({
        x: (60 - 20 * v) * Math.cos(u * 7.4),
        y: (60 - 20 * v) * Math.sin(u * 7.4),
        z: 0,
      })),
    };
    const made = layPanels([ring], [], () => foam(2), { limit: 0.1, darts: 0 }).map((l) => l.piece);
    expect(made.map((p) => p.id)).to.deep.equal(['ringa', 'ringb']);
    const seam = made[0]!.edges.find((e) => e.id === 'right')!;
    expect(seam.mate).to.deep.equal({ pieceId: 'ringb', edgeId: 'left' });
  });

  it('states the ease of mates that differ, on both, with opposite signs', () => {
    const short: Panel = { ...tube(50, 0, 90), id: 'short' };
    const long: Panel = { ...tube(53, 0, 90), id: 'long' };
    const made = layPanels(
      [short, long],
      [{ a: ['short', 'top'], b: ['long', 'bottom'], kind: 'seam' }],
      () => foam(2),
      { limit: 0.1, darts: 0 },
    ).map((l) => l.piece);
    const [top] = made[0]!.edges.filter((e) => e.id === 'top');
    const [bottom] = made[1]!.edges.filter((e) => e.id === 'bottom');
    expect(top!.easeMm).to.be.closeTo(-(Math.PI / 2) * 3, 0.1);
    expect(bottom!.easeMm).to.be.closeTo(-top!.easeMm!, 1e-9);
    expect(made[0]!.marks.filter((m) => m.kind === 'notch')).to.have.length(1);
  });
});

describe('helpers of forms', () => {
  it('cover a width of an ellipse by turn of normals, exactly for a circle', () => {
    expect(halfTurnFor({ a: 100, b: 100 }, 90, 2 * Math.PI * 100 * 0.25, 0)).to.be.closeTo(45, 0.5);
    const flatFront = halfTurnFor({ a: 180, b: 120 }, 90, 150, 5);
    const roundSide = halfTurnFor({ a: 180, b: 120 }, 0, 150, 5);
    expect(flatFront).to.be.lessThan(roundSide);
  });

  it('put points of an ellipsoid on it', () => {
    const axes = { x: 80, y: 100, z: 110 };
    for (const [az, el] of [
      [0, 0],
      [90, 30],
      [200, -40],
    ] as const) {
      const p = onEllipsoid(axes, { x: 0, y: 0, z: 0 }, az, el);
      expect((p.x / 80) ** 2 + (p.y / 100) ** 2 + (p.z / 110) ** 2).to.be.closeTo(1, 1e-9);
    }
  });

  it('draw contours where a value crosses a level, and none outside', () => {
    const mesh = gridMesh(gridOf(4, 4, (u, v) => ({ x: u, y: v, z: 0 })));
    const flat = mesh.points.map(({ x, y }) => ({ x, y }));
    const values = mesh.points.map((p) => p.x * 10);
    for (const line of contourLines(mesh.triangles, flat, values, 3.7, lerp2))
      for (const p of line) expect(p.x).to.be.closeTo(0.37, 1e-9);
    expect(contourLines(mesh.triangles, flat, values, 11, lerp2)).to.deep.equal([]);
  });
});

describe('a spot of a panel', () => {
  const tilted = (p: { x: number; y: number }): number => p.x * 0.3 + p.y * 0.7;
  const dome: Panel = {
    id: 'dome',
    name: 'dome',
    edges,
    grid: gridOf(12, 9, (u, v) =>
      onEllipsoid({ x: 90, y: 100, z: 110 }, { x: 0, y: 0, z: 0 }, 40 + 70 * u, -30 + 60 * v),
    ),
  };

  it('goes to the flat and comes back, on flat grids, tubes and domes, with darts and without', () => {
    for (const panel of [tube(50, 0, 250), dome]) {
      for (const darts of [0, 2]) {
        const laid = flatPanel(panel, foam(6), { limit: 0.02, darts, seams: [] });
        for (const u of [0.03, 0.2, 0.5, 0.77, 0.98])
          for (const v of [0.05, 0.4, 0.93]) {
            const back = laid.uvAt(laid.flatAt({ x: u, y: v }));
            expect(back?.x, `${u} ${v}`).to.be.closeTo(u, 1e-6);
            expect(back?.y, `${u} ${v}`).to.be.closeTo(v, 1e-6);
          }
      }
    }
  });

  it('lies on the row and column it is named by', () => {
    const laid = flatPanel(dome, foam(6), options);
    const columns = dome.grid[0]!.length - 1;
    const rows = dome.grid.length - 1;
    for (const [r, c] of [
      [0, 0],
      [3, 4],
      [rows, columns],
    ] as const) {
      const at = laid.flatAt({ x: c / columns, y: r / rows });
      expect(tilted(at)).to.be.closeTo(tilted(laid.flat[r]![c]!), 1e-6);
    }
  });

  it('is none off the foam', () => {
    const laid = flatPanel(tube(50, 0, 200), foam(6), options);
    expect(laid.uvAt({ x: -500, y: 20 })).to.equal(undefined);
  });
});

describe('normals of a grid on a round rim', () => {
  it('stand on the surface at its corners too, where row and column run on into one another', () => {
    // A round cap of a ball, its rim divided in four.
    const radius = 300;
    const steps = 16;
    const grid = Array.from({ length: steps + 1 }, (_, r) =>
      Array.from({ length: steps + 1 }, (_, c): Vec3 => {
        const [u, v] = [(2 * c) / steps - 1, (2 * r) / steps - 1];
        // A square drawn to a disc, so that its corners lie on the round.
        const [x, y] = [150 * u * Math.sqrt(1 - (v * v) / 2), 150 * v * Math.sqrt(1 - (u * u) / 2)];
        return { x, y, z: Math.sqrt(radius * radius - x * x - y * y) };
      }),
    );
    gridNormals(grid).forEach((row, r) =>
      row.forEach((n, c) => expect(dot3(n, unit3(grid[r]![c]!)), `${r} ${c}`).to.be.greaterThan(0.99)),
    );
  });
});
