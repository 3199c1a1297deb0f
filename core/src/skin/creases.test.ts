import { expect } from 'chai';
import type { Mesh, Vec3 } from '../geometry';
import { chartCount } from './charted';
import { creasesOf, creaseWay, onCrease } from './creases';
import { cutByLine } from './cutByLine';
import { whole } from './propose';
import { vertexAt } from './shortest';
import { egg } from './testing/surfaces';

/** A cube of a hundred, in squares of so many along an edge. */
function cube(steps: number): Mesh {
  const mesh = egg(1, 1, 1, steps);
  for (const p of mesh.points) {
    const most = Math.max(Math.abs(p.x), Math.abs(p.y), Math.abs(p.z));
    Object.assign(p, { x: (50 * p.x) / most, y: (50 * p.y) / most, z: (50 * p.z) / most });
  }
  return mesh;
}

const isOnEdge = (p: Vec3): boolean =>
  [p.x, p.y, p.z].filter((c) => Math.abs(Math.abs(c) - 50) < 1e-6).length >= 2;

describe('creases of a surface', () => {
  it('of a cube are its twelve edges, of a smooth egg none', () => {
    const mesh = cube(6);
    const creases = creasesOf(mesh);
    // Six steps along each of twelve edges: five points between corners, and eight corners.
    expect(creases.size).to.equal(12 * 5 + 8);
    for (const [v, next] of creases) {
      expect(isOnEdge(mesh.points[v]!)).to.equal(true);
      expect(next).to.have.length(Math.hypot(...Object.values(mesh.points[v]!)) > 86 ? 3 : 2);
    }
    expect(creasesOf(egg(80, 95, 115, 14)).size).to.equal(0);
  });

  it('are gone along where that is no detour', () => {
    const mesh = cube(6);
    const creases = creasesOf(mesh);
    const at = (x: number, y: number, z: number): number => vertexAt(mesh, { x, y, z });
    const along = creaseWay(mesh, creases, at(-50, -50, -50), at(50, -50, -50), 100)!;
    expect(along).to.have.length(7);
    // Across a face the edges are 200 against 141 straight.
    expect(creaseWay(mesh, creases, at(-50, -50, 50), at(50, 50, 50), Math.SQRT2 * 100)).to.equal(undefined);
  });

  it('draw spots beside them and the seam between: a square drawn near the edges of a face parts just that face', () => {
    const mesh = cube(6);
    const near = [
      [-46, -47],
      [47, -45],
      [46, 46],
      [-45, 47],
      [-46, -47],
    ].map(([x, y]): Vec3 => ({ x: x!, y: y!, z: 50 }));
    expect(onCrease(mesh, creasesOf(mesh), { x: 0, y: 0, z: 50 })).to.equal(undefined);
    const cut = cutByLine(whole(mesh), near);
    expect(chartCount(cut)).to.equal(2);
    const top = cut.mesh.triangles.filter((t) => t.every((v) => Math.abs(cut.mesh.points[v]!.z - 50) < 1e-6));
    expect(top).to.have.length(72);
    const charts = new Set(cut.mesh.triangles.flatMap((t, i) => (top.includes(t) ? [cut.chart[i]] : [])));
    expect(charts.size).to.equal(1);
    expect(cut.chart.filter((c) => charts.has(c))).to.have.length(72);
  });
});
