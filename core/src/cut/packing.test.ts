import { expect } from 'chai';
import fc from 'fast-check';
import { boundsOf } from '../geometry/polygon';
import type { Piece } from '../forms/piece';
import { laidOutline, packShelves, type ToLay } from './packing';

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

describe('shelf packing', () => {
  it('lays everything once, inside the sheet, with no two boxes closer than the spacing', () => {
    fc.assert(
      fc.property(anyItems, (items) => {
        const { sheets, tooBig } = packShelves(items, size, 5);
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
    const { sheets, tooBig } = packShelves([box('tall', 100, 800)], size, 5);
    expect(tooBig).to.have.length(0);
    expect(sheets[0]!.laid[0]!.turnRad).to.be.closeTo(Math.PI / 2, 1e-9);
  });

  it('names what fits no sheet', () => {
    expect(packShelves([box('huge', 1200, 100)], size, 5).tooBig[0]!.name).to.equal('huge');
  });
});
