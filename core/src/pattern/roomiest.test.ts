import { expect } from 'chai';
import { contains, type Vec2 } from '../geometry';
import { reportOf } from '../report/testing/reportOf';
import { pieceShapes } from './drawing';
import { roomiest } from './roomiest';
import { sourcedPieces } from './sourcedPieces';
import { demo } from '../files/testing/demo';

describe('names on pieces', () => {
  const items = ['lampwarden-harness', 'lampwarden-bracers'].flatMap((n) => sourcedPieces(reportOf(demo(n))));

  it('lie on their own piece and on no hole or mark', () => {
    for (const { piece, source } of items) {
      const words = pieceShapes(piece, source).filter(
        (s) => s.kind === 'text' && (s.text.includes(piece.name) || s.text.includes(source.foamName)),
      );
      expect(words.length, piece.name).to.be.greaterThan(0);
      for (const w of words) {
        if (w.kind !== 'text') continue;
        const middle: Vec2 = {
          x: w.at.x - (Math.sin(w.turnRad ?? 0) * w.heightMm) / 2,
          y: w.at.y + (Math.cos(w.turnRad ?? 0) * w.heightMm) / 2,
        };
        expect(contains(piece.outline, middle), `${source.partName} ${piece.name}: ${w.text}`).to.equal(true);
        for (const m of piece.marks)
          if (m.points.length > 2)
            expect(contains(m.points, middle), `${piece.name} on ${m.kind}`).to.equal(false);
        for (const h of piece.holes)
          expect(Math.hypot(h.centre.x - middle.x, h.centre.y - middle.y)).to.be.greaterThan(
            h.diameterMm / 2,
          );
      }
    }
  });

  it('find the room there is: the middle of a square, beside a hole in its middle', () => {
    const outline = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 0, y: 100 },
    ];
    const plain = roomiest({ outline, holes: [], marks: [] });
    expect(plain.clearMm).to.be.closeTo(50, 1);
    const hole = { id: 'h', kind: 'hole' as const, centre: { x: 50, y: 50 }, diameterMm: 40 };
    const beside = roomiest({ outline, holes: [hole], marks: [] });
    // Largest circle in a corner beside a disc of radius 24 in the middle: r = (50√2 − 24) / (1 + √2).
    expect(beside.clearMm).to.be.closeTo((50 * Math.SQRT2 - 24) / (1 + Math.SQRT2), 1.5);
  });

  it('takes no heed of a bevel line, which runs round the whole piece', () => {
    const square = (mm: number) => [
      { x: -mm, y: -mm },
      { x: mm, y: -mm },
      { x: mm, y: mm },
      { x: -mm, y: mm },
    ];
    const found = roomiest({
      outline: square(50),
      holes: [],
      marks: [{ kind: 'bevel', points: square(44), text: 'bevel line' }],
    });
    expect(found.clearMm).to.be.closeTo(50, 1);
  });
});
