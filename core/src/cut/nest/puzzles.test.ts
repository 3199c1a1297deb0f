import { expect } from 'chai';
import fc from 'fast-check';
import { boundsOf, signedArea, type Vec2 } from '../../geometry';
import { byId, chance } from '../../units';
import type { Piece } from '../../panel';
import type { Turns } from '../../materials';
import { laidOutline, type ToLay } from '../sheets';
import { type Nested, nesting } from './nest';
import { dissection } from './testing/dissection';
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
  const square = (mm: number): Vec2[] => rectangle(mm, mm);
  const rectangle = (w: number, h: number): Vec2[] => [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: h },
    { x: 0, y: h },
  ];

  it('the square cut into twenty-one squares of as many sizes goes back whole (Duijvestijn, 1978)', function () {
    this.timeout(60_000);
    const sides = [50, 42, 37, 35, 33, 29, 27, 25, 24, 19, 18, 17, 16, 15, 11, 9, 8, 7, 6, 4, 2];
    expect(sides.reduce((sum, s) => sum + s * s, 0)).to.equal(112 * 112);
    expect(
      shortest(
        sides.map((s) => square(5 * s)),
        560,
        560.1,
        400,
        1,
      ),
    ).to.be.closeTo(560, 0.1);
  });

  it('a sheet cut across again and again into sixteen goes back within a hundredth', function () {
    this.timeout(60_000);
    const random = chance(5);
    let cut = [{ w: 900, h: 600 }];
    while (cut.length < 16) {
      cut.sort((a, b) => b.w * b.h - a.w * a.h);
      const [one] = cut.splice(Math.floor(random() * Math.min(4, cut.length)), 1);
      const { w, h } = one!;
      const part = Math.round((w > h ? w : h) * (0.25 + 0.5 * random()));
      cut = [
        ...cut,
        ...(w > h
          ? [
              { w: part, h },
              { w: w - part, h },
            ]
          : [
              { w, h: part },
              { w, h: h - part },
            ]),
      ];
    }
    expect(
      shortest(
        cut.map(({ w, h }) => rectangle(w, h)),
        600,
        900 * 1.01,
        400,
        1,
      ),
    ).to.be.within(900, 909);
  });

  it('rectangles of several sheets keep their spacing, lie on the sheets and lie in no other', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 30, max: 380 }), fc.integer({ min: 30, max: 280 })), {
          minLength: 2,
          maxLength: 14,
        }),
        fc.integer({ min: 0, max: 12 }),
        fc.constantFrom<Turns>('any', 'halves'),
        (sizes, spacing, turns) => {
          const items = sizes.map(([w, h], i) => item(`r${i}`, rectangle(w, h)));
          const sheet = { foamId: 'dense-eva', nominalMm: 6, widthMm: 600, heightMm: 400, turns };
          let n = 0;
          let last: Nested | undefined;
          let first: Nested | undefined;
          for (const now of nesting(items, sheet, spacing)) {
            first ??= now;
            last = now;
            if ((n += 1) === 3) break;
          }
          expect(last!.sheets * 600 + last!.lastMm).to.be.at.most(first!.sheets * 600 + first!.lastMm + 1e-6);
          const boxes = last!.packed.sheets.map(({ laid }) =>
            laid.map((l) =>
              boundsOf(
                laidOutline(
                  byId(
                    items.map(({ piece }) => piece),
                    l.pieceId,
                  )!.outline,
                  l,
                ),
              ),
            ),
          );
          expect(boxes.flat()).to.have.length(items.length - last!.packed.tooBig.length);
          for (const on of boxes)
            on.forEach((a, i) => {
              expect(Math.min(a.minX, a.minY)).to.be.at.least(spacing - 1e-6);
              expect(a.maxX).to.be.at.most(600 - spacing + 1e-6);
              expect(a.maxY).to.be.at.most(400 - spacing + 1e-6);
              for (const b of on.slice(i + 1)) {
                const apart = Math.max(a.minX - b.maxX, b.minX - a.maxX, a.minY - b.maxY, b.minY - a.maxY);
                expect(apart).to.be.at.least(spacing - 1e-6);
              }
            });
        },
      ),
      { numRuns: 40 },
    );
  });

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
    expect(shortest(boards, side * 1.02, side * 1.03, 60_000, 14)).to.be.at.most(side * 1.03);
  });

  it('a sheet cut by slanting lines into fifteen goes back within a quarter of its length, and never under it', () => {
    const pieces = dissection(15, 4, 900, 600);
    expect(pieces.reduce((sum, o) => sum + signedArea(o), 0)).to.be.closeTo(900 * 600, 1e-3);
    expect(shortest(pieces, 600, 900 * 1.25, 40_000, 1)).to.be.within(900, 900 * 1.25);
  });

  it('the twenty-eight shapes of SHAPES2 come within a twelfth of the best length known for them, and never under it', () => {
    const outlines = blazewicz(40);
    const areaMm2 = outlines.reduce((sum, o) => sum + Math.abs(signedArea(o)), 0);
    // What is recalled agrees with itself: area over width and best length is the density that was published.
    expect(areaMm2 / 1600 / (WIDTH * BEST_KNOWN)).to.be.closeTo(BEST_DENSITY, 0.001);
    const found = shortest(outlines, WIDTH * 40, (BEST_KNOWN * 40 * 13) / 12, 15_000, 1, 'halves');
    expect(found).to.be.within(BEST_KNOWN * 40, (BEST_KNOWN * 40 * 13) / 12);
  });
});
