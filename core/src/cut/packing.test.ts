import { expect } from 'chai';
import fc from 'fast-check';
import { boundsOf } from '../geometry';
import type { Piece } from '../panel';
import { snuggest, take, type Rect } from './freeRoom';
import { packSheets } from './packing';
import { laidOutline, type ToLay } from './sheets';

const size = { foamId: 'dense-eva', nominalMm: 6, widthMm: 1000, heightMm: 500 };

const box = (id: string, w: number, h: number, skew = 0): ToLay => ({
  partId: 'p',
  flipped: false,
  piece: {
    id,
    name: id,
    outline: [
      { x: 0, y: 0 },
      { x: w, y: 0 },
      { x: w + skew, y: h },
      { x: skew, y: h },
    ],
  } as unknown as Piece,
});

const anyItems = fc
  .array(
    fc.record({
      w: fc.double({ min: 20, max: 480, noNaN: true }),
      h: fc.double({ min: 20, max: 400, noNaN: true }),
      skew: fc.double({ min: -60, max: 60, noNaN: true }),
      flipped: fc.boolean(),
    }),
    { minLength: 1, maxLength: 14 },
  )
  .map((all) => all.map(({ w, h, skew, flipped }, i) => ({ ...box(`b${i}`, w, h, skew), flipped })));

describe('laying pieces on sheets', () => {
  it('lays everything once, inside the sheet, with no two boxes closer than the spacing', () => {
    fc.assert(
      fc.property(anyItems, (items) => {
        const { sheets, tooBig } = packSheets(items, size, 5);
        expect(sheets.flatMap((s) => s.laid).length + tooBig.length).to.equal(items.length);
        for (const sheet of sheets) {
          const boxes = sheet.laid.map((l) =>
            boundsOf(laidOutline(items.find((i) => i.piece.id === l.pieceId)!.piece.outline, l)),
          );
          for (const b of boxes) {
            expect(b.minX).to.be.at.least(5 - 1e-6);
            expect(b.minY).to.be.at.least(5 - 1e-6);
            expect(b.maxX).to.be.at.most(995 + 1e-6);
            expect(b.maxY).to.be.at.most(495 + 1e-6);
          }
          boxes.forEach((a, i) =>
            boxes.slice(i + 1).forEach((b) => {
              const apart = Math.max(a.minX - b.maxX, b.minX - a.maxX, a.minY - b.maxY, b.minY - a.maxY);
              expect(apart).to.be.at.least(5 - 1e-6);
            }),
          );
        }
      }),
      { numRuns: 40 },
    );
  });

  it('turns a piece that stands too high', () => {
    const { sheets, tooBig } = packSheets([box('tall', 100, 800)], size, 5);
    expect(tooBig).to.have.length(0);
    expect(sheets[0]!.laid[0]!.turnRad).to.be.closeTo(Math.PI / 2, 1e-9);
  });

  it('names what fits no sheet', () => {
    expect(packSheets([box('huge', 1200, 100)], size, 5).tooBig[0]!.name).to.equal('huge');
  });

  it('fills the room beside large pieces before it opens another sheet', () => {
    // Two halves of a sheet and eight small pieces that fit beside and above them only together.
    const items = [
      box('left', 480, 380),
      box('right', 480, 380),
      ...Array.from({ length: 8 }, (_, i) => box(`s${i}`, 110, 90)),
    ];
    expect(packSheets(items, size, 5).sheets).to.have.length(1);
  });

  it('stands a piece on end where lying would need another sheet', () => {
    const items = [box('wide', 880, 480), box('strip', 400, 90)];
    const { sheets } = packSheets(items, size, 5);
    expect(sheets).to.have.length(1);
    expect(sheets[0]!.laid[1]!.heightMm).to.be.closeTo(400, 1e-6);
  });
});

describe('free room', () => {
  const rects = fc.array(
    fc.record({
      x: fc.integer({ min: 0, max: 90 }),
      y: fc.integer({ min: 0, max: 90 }),
      width: fc.integer({ min: 1, max: 40 }),
      height: fc.integer({ min: 1, max: 40 }),
    }),
    { maxLength: 6 },
  );

  it('covers exactly what is not taken, square by square', () => {
    fc.assert(
      fc.property(rects, (taken) => {
        const free = taken.reduce<Rect[]>(
          (left, t) => take(left, t),
          [{ x: 0, y: 0, width: 100, height: 100 }],
        );
        const inside = (r: Rect, x: number, y: number): boolean =>
          x >= r.x && x < r.x + r.width && y >= r.y && y < r.y + r.height;
        for (let x = 0.5; x < 100; x += 3)
          for (let y = 0.5; y < 100; y += 3)
            expect(free.some((r) => inside(r, x, y))).to.equal(!taken.some((r) => inside(r, x, y)));
      }),
    );
  });

  it('is chosen by the snuggest fit', () => {
    const wide = { x: 0, y: 0, width: 100, height: 50 };
    const snug = { x: 200, y: 0, width: 31, height: 60 };
    expect(snuggest([wide, snug], 30, 40)!.rect).to.equal(snug);
    expect(snuggest([wide], 101, 10)).to.equal(undefined);
  });
});
