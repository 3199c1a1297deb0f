import { expect } from 'chai';
import fc from 'fast-check';
import { dist2, dist3, type Vec2, type Vec3 } from '../geometry';
import { makePart, standardKinds } from '../parts';
import { contextOf, partOf } from '../parts/testing/worn.test';
import { foldedGrids } from '.';

const tenths = Array.from({ length: 11 }, (_, i) => i / 10);

/** A sheet rolled to part of a tube: the flat is as wide as the arc. */
function tube(radius: number, arc: number, high: number): { grid: Vec3[][]; flat: Vec2[][] } {
  const [rows, columns] = [5, 25];
  const at = (c: number): number => arc * (c / (columns - 1) - 0.5);
  const row = <T>(of: (c: number, r: number) => T): T[][] =>
    Array.from({ length: rows }, (_, r) => Array.from({ length: columns }, (__, c) => of(c, r)));
  return {
    grid: row((c, r) => ({
      x: radius * Math.sin(at(c)),
      y: radius * Math.cos(at(c)),
      z: (high * r) / (rows - 1),
    })),
    flat: row((c, r) => ({ x: radius * at(c), y: (high * r) / (rows - 1) })),
  };
}

/** Edges of a grid along and across, as pairs of numbers. */
const edgesOf = (rows: number, columns: number): [number, number][] =>
  Array.from({ length: rows * columns }, (_, i) => i).flatMap((i): [number, number][] => [
    ...((i + 1) % columns === 0 ? [] : [[i, i + 1] as [number, number]]),
    ...(i + columns < rows * columns ? [[i, i + columns] as [number, number]] : []),
  ]);

/** By how much the worst edge is longer or shorter than on its way from flat to form. */
function worstOf(grid: Vec3[][], flat: Vec2[][]): number {
  const [space, plan] = [grid.flat(), flat.flat()];
  const edges = edgesOf(grid.length, grid[0]!.length);
  return Math.max(
    ...foldedGrids(grid, flat, tenths).flatMap((points, n) =>
      edges.map(([a, b]) => {
        const [from, to] = [dist2(plan[a]!, plan[b]!), dist3(space[a]!, space[b]!)];
        const meant = from + tenths[n]! * (to - from);
        return meant < 2 ? 0 : Math.abs(dist3(points[a]!, points[b]!) - meant) / meant;
      }),
    ),
  );
}

describe('a piece on its way from flat to form', () => {
  it('a rolled sheet by hand: at every tenth a tube of a wider radius, no edge longer or shorter', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 200, noNaN: true }),
        fc.double({ min: 0.2, max: 6.1, noNaN: true }),
        (radius, arc) => {
          const { grid, flat } = tube(radius, arc, 80);
          expect(worstOf(grid, flat)).to.be.lessThan(0.012);
          const [half] = foldedGrids(grid, flat, [0.5]);
          // Half rolled, its ends stand as far apart as the ends of half the arc on twice the radius.
          const ends = dist3(half![0]!, half![24]!);
          expect(ends).to.be.closeTo(2 * (2 * radius) * Math.sin(arc / 4), 0.02 * radius + 0.2);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('begins flat and ends as the form', () => {
    const { grid, flat } = tube(60, 5, 90);
    const [begun, ended] = foldedGrids(grid, flat, [0, 1]);
    grid.flat().forEach((p, i) => expect(dist3(p, ended![i]!)).to.be.lessThan(1e-3));
    const plan = flat.flat();
    for (const [a, b] of [
      [0, 24],
      [0, 124],
      [24, 100],
    ] as const)
      expect(dist3(begun![a]!, begun![b]!)).to.be.closeTo(dist2(plan[a]!, plan[b]!), 1e-3);
  });

  // Cut anew by every value, so that the whole of them takes long; their pieces are of no other kind.
  const heavy = ['skinned-head', 'donor-scan', 'skinned-thing', 'donor'];
  for (const form of [...standardKinds.forms.keys()].filter((k) => !heavy.includes(k)))
    it(`${form}: every piece gets there, and none is stretched more on its way than its stretch map says`, () => {
      const made = makePart(partOf(form, {}), contextOf(), { coarse: true });
      // What is there already is not folded.
      for (const { piece, panel } of made.laid.filter((l) => !l.panel.existing)) {
        const surface = made.surfaces.find((s) => s.pieceId === panel.id)!;
        const [ended] = foldedGrids(surface.grid, surface.flat, [1]);
        const name = `${form} ${piece.name}`;
        surface.grid
          .flat()
          .forEach((p, i) => expect(dist3(p, ended![i]!), `${name} does not get there`).to.be.lessThan(1));
        expect(worstOf(surface.grid, surface.flat), name).to.be.lessThan(0.03 + (piece.stretch?.worst ?? 0));
      }
    });
});
