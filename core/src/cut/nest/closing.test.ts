import { expect } from 'chai';
import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { boundsOf, distanceToEdge, signedArea, type Vec2 } from '../../geometry';
import { chance } from '../../units';
import { packSheets } from '../packing';
import { laidOutline, type Sheet, type SheetSize, type ToLay } from '../sheets';
import { closing } from './closing';
import { box, item, size } from './testing/items';

/** A comb or a star: concave, of any size. */
const shape = fc
  .record({
    points: fc.integer({ min: 3, max: 7 }),
    out: fc.double({ min: 30, max: 120, noNaN: true }),
    into: fc.double({ min: 0.3, max: 1, noNaN: true }),
    flipped: fc.boolean(),
  })
  .map(({ points, out, into, flipped }) => ({
    flipped,
    outline: Array.from({ length: 2 * points }, (_, i): Vec2 => {
      const r = i % 2 === 0 ? out : out * into;
      return { x: r * Math.cos((i * Math.PI) / points), y: 0.6 * r * Math.sin((i * Math.PI) / points) };
    }),
  }));

const pairs = (points: readonly Vec2[]): [number, number][] => points.map(({ x, y }) => [x, y]);
const sharedMm2 = (a: readonly Vec2[], b: readonly Vec2[]): number =>
  polygonClipping
    .intersection([pairs(a)], [pairs(b)])
    .reduce((sum, poly) => sum + Math.abs(signedArea(poly[0]!.map(([x, y]) => ({ x, y })))), 0);

const outlineOf = (items: readonly ToLay[], laid: Sheet['laid'][number]): Vec2[] =>
  laidOutline(items.find((i) => i.piece.id === laid.pieceId)!.piece.outline, laid);

/** Where sheets laid end to end are used up to. */
const endOf = (sheets: readonly Sheet[], items: readonly ToLay[], { widthMm }: SheetSize): number =>
  (sheets.length - 1) * widthMm +
  Math.max(...sheets.at(-1)!.laid.map((l) => boundsOf(outlineOf(items, l)).maxX));

/** The layouts found within so many moves. */
function found(
  sheets: readonly Sheet[],
  items: readonly ToLay[],
  spacing: number,
  moves: number,
  on: SheetSize = size,
): Sheet[][] {
  const all: Sheet[][] = [];
  let n = 0;
  for (const now of closing(sheets, items, on, spacing, chance(3))) {
    if (now?.found) all.push(now.found);
    if ((n += 1) === moves) break;
  }
  return all;
}

function expectSound(sheets: readonly Sheet[], items: readonly ToLay[], spacing: number): void {
  expect(sheets.flatMap((s) => s.laid.map((l) => l.pieceId)).sort()).to.deep.equal(
    items.map((i) => i.piece.id).sort(),
  );
  for (const sheet of sheets) {
    const laid = sheet.laid.map((l) => outlineOf(items, l));
    laid.forEach((a, i) => {
      const b = boundsOf(a);
      const edge = Math.min(b.minX, b.minY, sheet.widthMm - b.maxX, sheet.heightMm - b.maxY);
      expect(edge).to.be.at.least(spacing - 0.01);
      for (const c of laid.slice(i + 1)) {
        expect(sharedMm2(a, c)).to.be.below(0.05);
        const gap = Math.min(...a.map((p) => distanceToEdge(c, p)), ...c.map((p) => distanceToEdge(a, p)));
        expect(gap).to.be.at.least(spacing - 0.01);
      }
    });
  }
}

describe('a layout closed up', function () {
  this.timeout(120_000);

  it('keeps every piece, its hand and the spacing, and every one is shorter than the one before, by another library', () => {
    let gained = 0;
    fc.assert(
      fc.property(
        fc.array(shape, { minLength: 5, maxLength: 12 }),
        fc.constantFrom(0, 5),
        (shapes, spacing) => {
          const items = shapes.map((s, i) => item(`s${i}`, s.outline, s.flipped));
          const boxes = packSheets(items, size, spacing).sheets;
          let before = endOf(boxes, items, size);
          for (const sheets of found(boxes, items, spacing, 150)) {
            expectSound(sheets, items, spacing);
            for (const l of sheets.flatMap((s) => s.laid))
              expect(l.flipped).to.equal(items.find((i) => i.piece.id === l.pieceId)!.flipped);
            expect(endOf(sheets, items, size)).to.be.below(before);
            before = endOf(sheets, items, size);
            gained += 1;
          }
        },
      ),
      { numRuns: 10 },
    );
    expect(gained).to.be.above(20);
  });

  it('empties the last sheet where the pieces go on fewer, and goes on with the one before', () => {
    const items = Array.from({ length: 6 }, (_, i) => item(`b${i}`, box(300, 240)));
    const laid = (k: number, x: number): Sheet['laid'][number] => ({
      ...{ pieceId: `b${k}`, partId: 'p', flipped: false, turnRad: 0, widthMm: 300, heightMm: 240 },
      ...{ x, y: 5 },
    });
    const sheet = (from: number): Sheet => ({
      ...size,
      laid: [0, 1, 2].map((k) => laid(from + k, 5 + 305 * k)),
    });
    const last = found([sheet(0), sheet(3)], items, 5, 4000).at(-1)!;
    expect(last).to.have.length(1);
    expectSound(last, items, 5);
  });

  it('leaves what is locked, and lays in no hole of an offcut', () => {
    const items = Array.from({ length: 8 }, (_, i) => item(`b${i}`, box(90 + 10 * i, 80)));
    const start = packSheets(items, size, 5).sheets;
    start[0]!.laid[0]!.locked = true;
    const locked = { ...start[0]!.laid[0]! };
    for (const sheets of found(start, items, 5, 600)) {
      expectSound(sheets, items, 5);
      expect(sheets[0]!.laid.find((l) => l.locked)).to.deep.equal(locked);
    }
    const offcut = { id: 'o', place: '', since: '', outline: box(400, 300), holes: [box(100, 100)] };
    const on: SheetSize = { ...size, offcuts: [offcut] };
    const small: Sheet = { ...size, widthMm: 400, heightMm: 300, offcut, laid: [] };
    const clear = box(100, 100);
    const some = found([small, ...start], items, 5, 3000, on);
    expect(some.length).to.be.above(0);
    for (const sheets of some)
      for (const sheet of sheets.filter((s) => s.offcut))
        for (const l of sheet.laid) expect(sharedMm2(outlineOf(items, l), clear)).to.be.below(0.05);
  });

  it('ends where only offcuts are used, or nothing but what is locked is on the last sheet', () => {
    const items = [item('a', box(100, 100)), item('b', box(90, 90))];
    const [sheet] = packSheets(items, size, 5).sheets;
    sheet!.laid.forEach((l) => (l.locked = true));
    expect(found([sheet!], items, 5, 100)).to.deep.equal([]);
    const offcut = { id: 'o', place: '', since: '', outline: box(400, 300) };
    const only = { ...sheet!, widthMm: 400, heightMm: 300, offcut };
    expect(found([only], items, 5, 100)).to.deep.equal([]);
  });
});
