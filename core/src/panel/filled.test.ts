import { expect } from 'chai';
import fc from 'fast-check';
import { signedArea, type Vec2 } from '../geometry';
import { filledGrid, folds, fourSides } from './filled';

const cellsMm2 = (grid: readonly Vec2[][]): number =>
  grid
    .slice(1)
    .reduce(
      (sum, row, r) =>
        sum +
        row.slice(1).reduce((s, p, c) => s + signedArea([grid[r]![c]!, grid[r]![c + 1]!, p, row[c]!]), 0),
      0,
    );
const filled = (outline: readonly Vec2[]): Vec2[][] => filledGrid(fourSides(outline), 16, 16);
const points = (list: readonly (readonly [number, number])[]): Vec2[] => list.map(([x, y]) => ({ x, y }));

const shapes: Record<string, Vec2[]> = {
  oval: Array.from({ length: 40 }, (_, i) => ({
    x: 90 * Math.cos((Math.PI * i) / 20),
    y: 140 * Math.sin((Math.PI * i) / 20),
  })),
  'triangle on its tip': points([
    [0, 0],
    [100, 160],
    [-100, 160],
  ]),
  'triangle on its side': points([
    [-100, 0],
    [100, 0],
    [0, 160],
  ]),
  'scooped at the neck': points([
    [-100, 0],
    [100, 0],
    [110, 200],
    [50, 200],
    [0, 130],
    [-50, 200],
    [-110, 200],
  ]),
  'angle of two arms': points([
    [0, 0],
    [160, 0],
    [160, 70],
    [80, 80],
    [70, 200],
    [0, 200],
  ]),
  leaf: points([
    [0, 0],
    [60, 70],
    [70, 140],
    [0, 240],
    [-70, 140],
    [-60, 70],
  ]),
};

describe('an outline filled with a grid', () => {
  for (const [name, outline] of Object.entries(shapes))
    it(`${name}: nothing folds, and the cells make up all of it`, () => {
      const grid = filled(outline);
      expect(folds(grid)).to.equal(false);
      expect(cellsMm2(grid) / signedArea(outline)).to.be.within(0.985, 1.002);
    });

  it('keeps the corners of the drawing', () => {
    for (const outline of Object.values(shapes).filter((o) => o.length < 10)) {
      const rim = filled(outline).flat();
      for (const p of outline)
        expect(Math.min(...rim.map((q) => Math.hypot(p.x - q.x, p.y - q.y)))).to.be.lessThan(1e-6);
    }
  });

  it('lies alike on both sides of the middle of what is alike there', () => {
    for (const name of ['oval', 'triangle on its tip', 'scooped at the neck', 'leaf']) {
      const grid = filled(shapes[name]!);
      for (const row of grid)
        row.forEach((p, c) => {
          const q = row[row.length - 1 - c]!;
          expect(p.x, name).to.be.closeTo(-q.x, 0.5);
          expect(p.y, name).to.be.closeTo(q.y, 0.5);
        });
    }
  });

  it('tells of every outline that it would fold in, and fills any other', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 40, max: 160 }), { minLength: 5, maxLength: 12 }), (reach) => {
        const outline = reach.map((r, i) => ({
          x: r * Math.cos((2 * Math.PI * i) / reach.length),
          y: r * Math.sin((2 * Math.PI * i) / reach.length),
        }));
        const grid = filled(outline);
        const area = cellsMm2(grid);
        // The rim keeps every corner as long as it has steps for them, so that the area is that of the outline.
        expect(area / signedArea(outline)).to.be.within(0.9, 1.1);
        if (folds(grid)) return;
        for (const [r, row] of grid.slice(1).entries())
          for (const [c, p] of row.slice(1).entries())
            expect(signedArea([grid[r]![c]!, grid[r]![c + 1]!, p, row[c]!])).to.be.greaterThan(0);
      }),
      { numRuns: 60 },
    );
  });
});
