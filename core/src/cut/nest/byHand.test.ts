import { expect } from 'chai';
import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { demo } from '../../files/testing/demo';
import { boundsOf } from '../../geometry';
import { catalogue } from '../../materials';
import { reportOf } from '../../report/testing/reportOf';
import { sheetGroups } from '../packAll';
import { laidOutline, type Sheet } from '../sheets';
import { movedByHand } from './byHand';
import { keepNest, keptSheets, nestKey } from './kept';

const doc = demo('lampwarden-harness');
const report = reportOf(doc);
const group = sheetGroups(doc, report.parts, catalogue).reduce((a, b) =>
  b.items.length > a.items.length ? b : a,
);
const own = report.packed.sheets.filter(
  (s) => s.foamId === group.size.foamId && s.nominalMm === group.size.nominalMm,
);
const outlineOf = (l: Sheet['laid'][number]) =>
  group.items.find((i) => i.partId === l.partId && i.piece.id === l.pieceId)!.piece.outline;
const names = (sheets: readonly Sheet[]): string[] =>
  sheets.flatMap((s) => s.laid.map((l) => `${l.partId}/${l.pieceId}/${l.flipped}`)).sort();

/** On its sheet, and over no other, by another library. */
function sound(sheets: readonly Sheet[]): void {
  for (const sheet of sheets) {
    const rings = sheet.laid.map((l) => laidOutline(outlineOf(l), l));
    rings.forEach((ring, i) => {
      const b = boundsOf(ring);
      expect(b.minX).to.be.at.least(-1e-6);
      expect(b.minY).to.be.at.least(-1e-6);
      expect(b.maxX).to.be.at.most(sheet.widthMm + 1e-6);
      expect(b.maxY).to.be.at.most(sheet.heightMm + 1e-6);
      for (const other of rings.slice(i + 1)) {
        const o = boundsOf(other);
        if (o.minX > b.maxX || o.maxX < b.minX || o.minY > b.maxY || o.maxY < b.minY) continue;
        const over = polygonClipping.intersection(
          [ring.map((p): [number, number] => [p.x, p.y])],
          [other.map((p): [number, number] => [p.x, p.y])],
        );
        const area = over
          .flat()
          .reduce(
            (sum, r) =>
              sum +
              Math.abs(
                r.reduce(
                  (a, [x, y], k) => a + x * r[(k + 1) % r.length]![1] - r[(k + 1) % r.length]![0] * y,
                  0,
                ),
              ) /
                2,
            0,
          );
        expect(area).to.be.lessThan(0.05);
      }
    });
  }
}

describe('pieces moved by hand', () => {
  it('never lie over another or the edge, and none is lost, wherever they are dropped and however turned', () => {
    fc.assert(
      fc.property(
        fc.nat(own.length - 1),
        fc.nat(200),
        fc.nat(own.length),
        fc.integer({ min: -400, max: 400 }),
        fc.integer({ min: -300, max: 300 }),
        fc.integer({ min: 0, max: 23 }),
        (sheet, piece, toSheet, x, y, turn) => {
          const move = {
            sheet,
            piece: piece % own[sheet]!.laid.length,
            toSheet,
            byMm: { x, y },
            turnRad: (turn * Math.PI) / 12,
          };
          const made = movedByHand(own, group.items, group.size, move, doc.cut.spacingMm);
          if (!made) return;
          sound(made);
          expect(names(made)).to.deep.equal(names(own));
          // Kept as any nest is, it comes back as it was.
          const nest = keepNest(nestKey(group.items, group.size, doc.cut.spacingMm), made);
          expect(names(keptSheets(nest, group.items, group.size)!)).to.deep.equal(names(own));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('stay where they are dropped when it is clear there, and are pushed against an edge that is near', () => {
    const dropped = (byMm: { x: number; y: number }): Sheet['laid'][number] =>
      movedByHand(
        own,
        group.items,
        group.size,
        { sheet: 0, piece: 0, toSheet: own.length, byMm, turnRad: 0 },
        doc.cut.spacingMm,
      )!.at(-1)!.laid[0]!;
    const was = own[0]!.laid[0]!;
    const far = dropped({ x: 40, y: 30 });
    expect([far.x, far.y, far.turnRad]).to.deep.equal([was.x + 40, was.y + 30, was.turnRad]);
    // Half the spacing from the left edge and from the lower one.
    const near = dropped({ x: 3, y: 2 });
    const b = boundsOf(laidOutline(outlineOf(near), near));
    expect(b.minX).to.be.closeTo(doc.cut.spacingMm / 2, 0.06);
    expect(b.minY).to.be.closeTo(doc.cut.spacingMm / 2, 0.06);
  });

  it('says no where nothing is clear near', () => {
    expect(
      movedByHand(
        own,
        group.items,
        group.size,
        { sheet: 0, piece: 0, toSheet: 0, byMm: { x: 5000, y: 0 }, turnRad: 0 },
        4,
      ),
    ).to.equal(undefined);
  });
});
