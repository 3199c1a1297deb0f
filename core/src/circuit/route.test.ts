import { expect } from 'chai';
import fc from 'fast-check';
import Graph from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { dist3, type Vec3 } from '../geometry';
import { gridOf } from '../panel';
import { newPart, partReport } from '../parts';
import { contextOf } from '../parts/testing/worn.test';
import { demo } from '../files/testing/demo';
import { reportOf } from '../report/testing/reportOf';
import { shortest, waysOf, wireRoute } from './route';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };
const made = (form: string) => partReport(newPart('p', wearer, form), contextOf());

describe('the way of a wire', () => {
  it('is as long as the shortest way by a graph library, whatever spots it joins', () => {
    const ways = waysOf(made('bracer'));
    const graph = new Graph({ type: 'undirected', multi: false });
    ways.spots.forEach((_, i) => graph.addNode(String(i)));
    ways.next.forEach((hops, a) =>
      hops.forEach(({ to, mm }) => graph.mergeEdge(String(a), String(to), { weight: mm })),
    );
    fc.assert(
      fc.property(fc.nat(ways.spots.length - 1), fc.nat(ways.spots.length - 1), (a, b) => {
        const path = dijkstra.bidirectional(graph, String(a), String(b), 'weight') as string[] | null;
        const own = shortest(ways, a, b);
        expect(own === undefined).to.equal(path === null);
        if (!path || !own) return;
        const mm = path
          .slice(1)
          .reduce((sum, to, i) => sum + dist3(ways.spots[Number(path[i])]!, ways.spots[Number(to)]!), 0);
        expect(own.mm).to.be.closeTo(mm, 1e-6);
        const walked = own.points.slice(1).reduce((sum, p, i) => sum + dist3(own.points[i]!, p), 0);
        expect(own.mm).to.be.closeTo(walked, 1e-6);
      }),
      { numRuns: 60 },
    );
  });

  it('round a cylinder is the helix of its development, within a thirtieth', () => {
    const r = 60;
    const grid = gridOf(24, 24, (u, v) => ({
      x: r * Math.cos(u * Math.PI),
      y: r * Math.sin(u * Math.PI),
      z: 300 * v,
    }));
    const flat = grid.map((row, i) => row.map((_, j) => ({ x: (j / 24) * Math.PI * r, y: (i / 24) * 300 })));
    const part = { surfaces: [{ pieceId: 'a', grid, flat }], pieces: [] };
    for (const [i, j, k, l] of [
      [0, 0, 24, 24],
      [0, 12, 24, 0],
      [6, 3, 18, 21],
    ] as const) {
      const way = wireRoute(part, grid[i]![j]!, grid[k]![l]!);
      const developed = Math.hypot(((j - l) / 24) * Math.PI * r, ((i - k) / 24) * 300);
      expect(way.mm / developed).to.be.within(0.985, 1.034);
      expect(way.mm).to.be.greaterThan(dist3(grid[i]![j]!, grid[k]![l]!));
    }
  });

  it('never leaves the foam: every spot of it lies on a piece, and a step is no longer than a seam or a mesh', () => {
    for (const form of ['bracer', 'helmet', 'gorget', 'box', 'shield']) {
      const part = made(form);
      const onFoam = part.surfaces.filter((s) => !s.loose).flatMap((s) => s.grid.flat());
      const near = (p: Vec3): number => Math.min(...onFoam.map((q) => dist3(p, q)));
      const ways = waysOf(part);
      for (const [a, b] of [
        [0.1, 0.9],
        [0.3, 0.6],
      ] as const) {
        const [from, to] = [Math.floor(a * ways.spots.length), Math.floor(b * ways.spots.length)];
        const way = shortest(ways, from, to);
        if (!way) continue;
        expect(Math.max(...way.points.map(near)), form).to.be.lessThan(1e-6);
        expect(way.mm, form).to.be.at.least(dist3(ways.spots[from]!, ways.spots[to]!) - 1e-9);
      }
    }
  });
});

describe('a wire from part to part', () => {
  it('runs along the foam to where the parts come nearest, and straight over the gap only', () => {
    const doc = demo('lampwarden-harness');
    const report = reportOf(doc);
    const circuit = report.circuits.find((c) => c.partIds.length > 1)!;
    const runs = circuit.runs.filter((r) => circuit.partIds.includes(r.partId));
    expect(new Set(runs.map((r) => r.partId)).size).to.equal(2);
    const walked = runs.reduce(
      (sum, r) => sum + r.points.slice(1).reduce((mm, p, i) => mm + dist3(r.points[i]!, p), 0),
      0,
    );
    // Two conductors, two loops of 80 mm in each; what is over is the gap between collar and back plate.
    const gapMm = circuit.wireMm / 2 - 2 * 80 - walked;
    expect(gapMm).to.be.within(0, 120);
  });
});
