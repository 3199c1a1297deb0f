import { expect } from 'chai';
import fc from 'fast-check';
import polygonClipping, { type Polygon } from 'polygon-clipping';
import { signedArea, type Vec2 } from '../../geometry';
import { chance } from '../../units';
import { laidOutline, type Sheet } from '../sheets';
import { jostled, slidTogether } from './closer';
import { movedBy, slideMm, type Solid, solidOf } from './slide';
import { box, item, size } from './testing/items';

/** A star about a centre, concave more often than not. */
const star = (centre: Vec2) =>
  fc
    .record({
      points: fc.integer({ min: 3, max: 7 }),
      out: fc.double({ min: 20, max: 60, noNaN: true }),
      into: fc.double({ min: 0.2, max: 1, noNaN: true }),
      turn: fc.double({ min: 0, max: 6.3, noNaN: true }),
      clockwise: fc.boolean(),
    })
    .map(({ points, out, into, turn, clockwise }) => {
      const ring = Array.from({ length: 2 * points }, (_, i): Vec2 => {
        const r = i % 2 === 0 ? out : out * into;
        const a = turn + (i * Math.PI) / points;
        return { x: centre.x + r * Math.cos(a), y: centre.y + r * Math.sin(a) };
      });
      return clockwise ? ring.reverse() : ring;
    });

const polygon = ({ rings }: Solid): Polygon =>
  rings.map((ring) => ring.map((p): [number, number] => [p.x, p.y]));
const common = (a: Solid, b: Solid): number =>
  polygonClipping
    .intersection(polygon(a), polygon(b))
    .reduce(
      (sum, rings) =>
        sum + rings.reduce((own, r) => own + signedArea(r.map(([x, y]) => ({ x: x!, y: y! }))), 0),
      0,
    );

describe('sliding until something is met', () => {
  it('goes as far as it can and no further, by another library', () => {
    let met = 0;
    fc.assert(
      fc.property(
        star({ x: 0, y: 0 }),
        star({ x: 130, y: 15 }),
        fc.double({ min: -0.8, max: 0.8, noNaN: true }),
        (left, right, aslant) => {
          const [still, moving] = [solidOf([left]), solidOf([right])];
          const way = { x: -Math.cos(aslant), y: Math.sin(aslant) };
          const far = slideMm(moving, still, way, 120);
          const at = (mm: number): Solid => movedBy(moving, { x: way.x * mm, y: way.y * mm });
          // The other library cannot part what just touches.
          for (const share of [0.25, 0.5, 0.75, 1])
            expect(Math.abs(common(at(far * share - 0.01), still))).to.be.lessThan(1e-3);
          if (far === 120) return;
          met++;
          expect(Math.abs(common(at(far + 0.5), still))).to.be.greaterThan(0);
        },
      ),
      { numRuns: 400 },
    );
    expect(met).to.be.greaterThan(100);
  });

  it('stops at the inside of a hole', () => {
    const frame = solidOf([
      box(100, 100),
      [
        { x: 20, y: 20 },
        { x: 80, y: 20 },
        { x: 80, y: 80 },
        { x: 20, y: 80 },
      ],
    ]);
    const inside = movedBy(solidOf([box(10, 10)]), { x: 50, y: 50 });
    expect(slideMm(inside, frame, { x: -1, y: 0 }, 500)).to.be.closeTo(30, 1e-9);
    expect(slideMm(inside, frame, { x: 0, y: 1 }, 500)).to.be.closeTo(20, 1e-9);
  });

  it('slides along what it touches, and away from it', () => {
    const still = solidOf([box(50, 50)]);
    const beside = movedBy(solidOf([box(20, 20)]), { x: 50, y: 10 });
    expect(slideMm(beside, still, { x: -1, y: 0 }, 40)).to.equal(0);
    expect(slideMm(beside, still, { x: 0, y: 1 }, 40)).to.equal(40);
    expect(slideMm(beside, still, { x: 1, y: 0 }, 40)).to.equal(40);
  });
});

describe('a sheet slid together', () => {
  it('closes the gaps, keeps the spacing and leaves what is locked', () => {
    const items = ['a', 'b', 'c'].map((id) => item(id, box(100, 400)));
    const byKey = new Map(items.map((i) => [`${i.partId}/${i.piece.id}`, i]));
    const laid = ['a', 'b', 'c'].map((pieceId, i) => ({
      partId: 'p',
      pieceId,
      flipped: false,
      turnRad: 0,
      x: 20 + 150 * i,
      y: 40,
      widthMm: 100,
      heightMm: 400,
      ...(pieceId === 'b' ? { locked: true as const } : {}),
    }));
    const sheet: Sheet = { ...size, laid };
    const slid = slidTogether(sheet, byKey, 6, chance(1));
    const [a, b, c] = slid.laid.map((l) => laidOutline(box(100, 400), l)[0]!);
    expect(a!.x).to.be.closeTo(6, 0.1);
    expect(b).to.deep.equal({ x: 170, y: 40 });
    expect(c!.x).to.be.closeTo(276, 0.1).and.at.least(276);
  });

  it('goes through nothing where pieces lie a hair nearer than the search keeps them', () => {
    // Boxes are laid at the spacing exactly, the search keeps a little more for rounded corners.
    const items = ['a', 'b', 'c'].map((id) => item(id, box(100, 300)));
    const byKey = new Map(items.map((i) => [`${i.partId}/${i.piece.id}`, i]));
    for (const spacing of [0, 3, 6]) {
      const laid = ['a', 'b', 'c'].map((pieceId, i) => ({
        partId: 'p',
        pieceId,
        flipped: false,
        turnRad: 0,
        x: spacing + i * (100 + spacing),
        y: spacing,
        widthMm: 100,
        heightMm: 300,
      }));
      for (const brought of [slidTogether, jostled]) {
        const { laid: now } = brought({ ...size, laid }, byKey, spacing, chance(3));
        const lefts = now.map((l) => laidOutline(box(100, 300), l)[0]!.x);
        lefts.slice(1).forEach((x, i) => expect(x - lefts[i]! - 100).to.be.at.least(spacing - 1e-6));
      }
    }
  });

  it('jostled ends no further, and nothing lies in another, by another library', () => {
    fc.assert(
      fc.property(
        fc.array(star({ x: 0, y: 0 }), { minLength: 3, maxLength: 7 }),
        fc.integer({ min: 1, max: 1000 }),
        (rings, seed) => {
          // Outlines of pieces run anticlockwise.
          const stars = rings.map((r) => (signedArea(r) > 0 ? r : [...r].reverse()));
          const items = stars.map((outline, i) => item(`s${i}`, outline));
          const byKey = new Map(items.map((i) => [`${i.partId}/${i.piece.id}`, i]));
          // In two rows, wide apart.
          const laid = items.map((i, k) => ({
            partId: 'p',
            pieceId: i.piece.id,
            flipped: false,
            turnRad: 0,
            x: 80 + 140 * Math.floor(k / 2),
            y: 90 + 200 * (k % 2),
            widthMm: 0,
            heightMm: 0,
          }));
          const sheet: Sheet = { ...size, laid };
          const solidsOn = (on: Sheet): Solid[] =>
            on.laid.map((l, i) => solidOf([laidOutline(stars[i]!, l)]));
          const end = (on: Sheet): number => Math.max(...solidsOn(on).map((s) => s.maxX));
          const slid = slidTogether(sheet, byKey, 4, chance(seed));
          const closer = jostled(slid, byKey, 4, chance(seed));
          expect(end(slid)).to.be.at.most(end(sheet) + 1e-9);
          expect(end(closer)).to.be.at.most(end(slid) + 1e-9);
          const solids = solidsOn(closer);
          solids.forEach((a, i) => {
            expect(Math.min(a.minX, a.minY)).to.be.at.least(4 - 1e-6);
            expect(a.maxY).to.be.at.most(size.heightMm - 4 + 1e-6);
            for (const b of solids.slice(i + 1)) expect(Math.abs(common(a, b))).to.be.lessThan(1e-6);
          });
        },
      ),
      { numRuns: 40 },
    );
  });
});
