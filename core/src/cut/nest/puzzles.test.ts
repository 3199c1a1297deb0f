import { expect } from 'chai';
import { signedArea, type Vec2 } from '../../geometry';
import type { Piece } from '../../panel';
import type { Turns } from '../../materials';
import type { ToLay } from '../sheets';
import { nesting } from './nest';
import { BEST_DENSITY, BEST_KNOWN, blazewicz, WIDTH } from './testing/blazewicz';

/** Dissections of squares and rectangles: perfect packings are known, their length is what no layout betters. */
const item = (id: string, outline: Vec2[]): ToLay => ({
  partId: 'p',
  flipped: false,
  eitherFace: true,
  piece: { id, name: id, outline, holes: [] } as unknown as Piece,
});

/** The shortest strip of a height found within so many layouts; it stops at one that is good enough. */
function shortest(
  outlines: readonly Vec2[][],
  heightMm: number,
  enoughMm: number,
  layouts: number,
  seed: number,
  turns: Turns = 'any',
): number {
  const strip = { foamId: 'dense-eva', nominalMm: 6, widthMm: 3000, heightMm, turns };
  let best = Infinity;
  let n = 0;
  for (const { lastMm, sheets } of nesting(
    outlines.map((o, i) => item(`q${i}`, o)),
    strip,
    0,
    seed,
  )) {
    if (sheets === 1) best = Math.min(best, lastMm);
    if (best <= enoughMm || (n += 1) === layouts) break;
  }
  return best;
}

describe('puzzles with perfect packings', () => {
  it('a rectangle cut into nine squares of nine sizes goes back within three hundredths of its length (Moroń, 1925)', () => {
    // The 33 × 32 squared rectangle: 18, 15, 14, 10, 9, 8, 7, 4, 1. Ten times as large; its perfect length is 330.
    const squares = [18, 15, 14, 10, 9, 8, 7, 4, 1].map((s) => [
      { x: 0, y: 0 },
      { x: 10 * s, y: 0 },
      { x: 10 * s, y: 10 * s },
      { x: 0, y: 10 * s },
    ]);
    expect(shortest(squares, 320, 330 * 1.03, 1500, 3)).to.be.at.most(330 * 1.03);
  });

  it('the seven boards of the tangram, some slanting, go back into their square within three hundredths', () => {
    // The square of 4 × 4 parted as published since 1813; slanting edges in cells want a little height.
    const side = 600;
    const board = (...corners: [number, number][]): Vec2[] =>
      corners.map(([x, y]) => ({ x: (x * side) / 4, y: (y * side) / 4 }));
    const boards = [
      board([0, 0], [4, 0], [2, 2]),
      board([0, 0], [2, 2], [0, 4]),
      board([4, 0], [4, 2], [3, 1]),
      board([3, 1], [4, 2], [3, 3], [2, 2]),
      board([4, 2], [4, 4], [2, 4]),
      board([2, 2], [3, 3], [1, 3]),
      board([0, 4], [1, 3], [3, 3], [2, 4]),
    ];
    expect(shortest(boards, side * 1.02, side * 1.03, 1500, 14)).to.be.at.most(side * 1.03);
  });

  it('the twenty-eight shapes of SHAPES2 come within a tenth of the best length known for them, and never under it', () => {
    const outlines = blazewicz(40);
    const areaMm2 = outlines.reduce((sum, o) => sum + Math.abs(signedArea(o)), 0);
    // What is recalled agrees with itself: area over width and best length is the density that was published.
    expect(areaMm2 / 1600 / (WIDTH * BEST_KNOWN)).to.be.closeTo(BEST_DENSITY, 0.001);
    const found = shortest(outlines, WIDTH * 40, BEST_KNOWN * 40 * 1.1, 15_000, 1, 'halves');
    expect(found).to.be.within(BEST_KNOWN * 40, BEST_KNOWN * 40 * 1.1);
  });
});
