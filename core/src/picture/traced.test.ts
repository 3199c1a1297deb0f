import { runs } from '../units/testing/sampled';
import { expect } from 'chai';
import fc from 'fast-check';
import { alongRun, distanceToEdge, polylineLength, signedArea, type Vec2 } from '../geometry';
import { laidPicture } from './scale';
import { type OnTable, photographed, type Shot, shotPicture } from './simulatedCamera';
import { squaredPicture } from './squared';
import { otsu, type Traced, tracedOn } from './traced';

const sheet = { widthMm: 210, heightMm: 297, at: { x: -190, y: 0 } };
const a4 = (grey: number): OnTable => ({
  grey,
  outline: [
    [-105, -148.5],
    [105, -148.5],
    [105, 148.5],
    [-105, 148.5],
  ].map(([x, y]) => ({ x: sheet.at.x + x!, y: y! })),
});
const straight: Shot = { widthPx: 1600, heightPx: 1200, tiltRad: 0, turnRad: 0, awayMm: 900, focalPx: 1500 };

/** What a maker would get: photographed, squared up by its sheet, traced. */
function trace(things: readonly OnTable[], shot: Shot, table = 90): Traced[] {
  const pixels = photographed([a4(250), ...things], table, shot);
  const picture = shotPicture(shot, sheet);
  const laid = laidPicture(picture, undefined)!;
  return tracedOn(squaredPicture(pixels, laid, 1600), picture, laid, 0.3).outlines;
}
/** Sides of a ring turned about, whatever its place: the picture's middle is not the table's. */
const moved = (of: readonly Vec2[], by: Vec2): Vec2[] => of.map((p) => ({ x: p.x + by.x, y: p.y + by.y }));
const middle = (of: readonly Vec2[]): Vec2 => {
  // By triangles about the first point.
  let [x, y, a] = [0, 0, 0];
  of.forEach((p, i) => {
    const q = of[(i + 1) % of.length]!;
    const w = (p.x - of[0]!.x) * (q.y - of[0]!.y) - (q.x - of[0]!.x) * (p.y - of[0]!.y);
    x += (w * (p.x + q.x + of[0]!.x)) / 3;
    y += (w * (p.y + q.y + of[0]!.y)) / 3;
    a += w;
  });
  return { x: x / a, y: y / a };
};
const offOf = (found: readonly Vec2[], drawn: readonly Vec2[]): number => {
  const [f, d] = [middle(found), middle(drawn)];
  const laid = moved(found, { x: d.x - f.x, y: d.y - f.y });
  return Math.max(...laid.map((p) => distanceToEdge(drawn, p)), ...drawn.map((p) => distanceToEdge(laid, p)));
};
const plate = [
  [0, -80],
  [90, -70],
  [120, 40],
  [60, 60],
  [40, 110],
  [-10, 100],
].map(([x, y]) => ({ x: x! + 60, y: y! }));

describe('outlines traced from a photograph', function () {
  this.timeout(60_000);

  it('of a paper template come back as long within 0.3 % and as large within 1 %, however the camera is held', () => {
    fc.assert(
      fc.property(
        fc.record({
          tiltRad: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
          turnRad: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
          shade: fc.double({ min: 0, max: 0.25, noNaN: true }),
          seed: fc.integer({ min: 1, max: 1000 }),
        }),
        (view) => {
          const [found, ...more] = trace([{ outline: plate, grey: 235 }], { ...straight, ...view, noise: 4 });
          expect(more).to.deep.equal([]);
          expect(found!.areaMm2 / signedArea(plate)).to.be.closeTo(1, 0.01);
          // Of 190 mm, 0.3 % are 0.57 mm; every corner is where it is drawn, and there are no others.
          expect(offOf(found!.outline, plate)).to.be.at.most(0.57);
          expect(found!.outline).to.have.length(plate.length);
        },
      ),
      { numRuns: runs(4) },
    );
  });

  it('leave round what is round', () => {
    // A disc, and a plate whose corners have a radius of 12 mm.
    const disc = Array.from({ length: 120 }, (_, i) => ({
      x: 70 + 60 * Math.cos((i / 120) * 2 * Math.PI),
      y: 60 * Math.sin((i / 120) * 2 * Math.PI),
    }));
    const rounded = [0, 1, 2, 3].flatMap((k) =>
      Array.from({ length: 13 }, (_, i) => {
        const [turn, way] = [((k + i / 12) * Math.PI) / 2, (k * Math.PI) / 2 + Math.PI / 4];
        const middle = { x: 70 + 48 * Math.SQRT2 * Math.cos(way), y: 48 * Math.SQRT2 * Math.sin(way) };
        return { x: middle.x + 12 * Math.cos(turn), y: middle.y + 12 * Math.sin(turn) };
      }),
    );
    for (const shape of [disc, rounded]) {
      const [found] = trace([{ outline: shape, grey: 235 }], {
        ...straight,
        noise: 4,
        tiltRad: 0.2,
        turnRad: 0.3,
      });
      expect(offOf(found!.outline, shape)).to.be.at.most(0.6);
      expect(found!.areaMm2 / signedArea(shape)).to.be.closeTo(1, 0.004);
    }
  });

  it('of several pieces in one picture, dark or pale on the table, are told apart, the largest first', () => {
    const square = (x: number, y: number, r: number): Vec2[] =>
      [
        [-r, -r],
        [r, -r],
        [r, r],
        [-r, r],
      ].map(([dx, dy]) => ({ x: x + dx!, y: y + dy! }));
    const found = trace(
      [
        { outline: square(40, 120, 40), grey: 240 },
        { outline: square(180, -60, 60), grey: 235 },
        { outline: square(40, -120, 9), grey: 240 },
      ],
      { ...straight, noise: 3 },
    );
    // The smallest is under 4 cm² and taken for dirt.
    expect(found.map((f) => Math.round(f.widthMm / 10) * 10)).to.deep.equal([120, 80]);
    expect(found[0]!.areaMm2).to.be.closeTo(14_400, 144);
  });

  it('keep the lines drawn on them, dark or pale, straight or bent, and make none of noise', () => {
    /** A pen stroke so wide along a run. */
    const stroke = (run: readonly Vec2[], wide: number): Vec2[] => alongRun([...run], wide / 2)[0]!;
    const at = middle(plate);
    const straightLine = [
      { x: 70, y: -50 },
      { x: 120, y: 20 },
    ];
    const bent = Array.from({ length: 19 }, (_, i) => {
      const t = ((10 * i) / 180) * Math.PI;
      return { x: 95 + 22 * Math.cos(t), y: 40 + 22 * Math.sin(t) };
    });
    for (const [piece, pen] of [
      [235, 40],
      [60, 200],
    ] as const) {
      const [found] = trace(
        [
          { outline: plate, grey: piece },
          { outline: stroke(straightLine, 1.6), grey: pen },
          { outline: stroke(bent, 1.6), grey: pen },
        ],
        { ...straight, noise: 4, tiltRad: 0.2, seed: 3 },
        140,
      );
      const own = middle(found!.outline);
      const marks = found!.marks.map((m) => moved(m, { x: at.x - own.x, y: at.y - own.y }));
      expect(marks).to.have.length(2);
      const [long, short] = [polylineLength(bent), polylineLength(straightLine)];
      // Thinning takes half the pen's width off either end.
      expect(polylineLength(short > long ? marks[0]! : marks[1]!)).to.be.within(short - 5, short + 2);
      for (const [drawn, mark] of [
        [short > long ? straightLine : bent, marks[0]!],
        [short > long ? bent : straightLine, marks[1]!],
      ] as const)
        for (const p of mark) {
          const off = Math.min(
            ...drawn.slice(1).map((q, i) => {
              const r = drawn[i]!;
              const size = (q.x - r.x) ** 2 + (q.y - r.y) ** 2;
              const t = Math.max(
                0,
                Math.min(1, ((p.x - r.x) * (q.x - r.x) + (p.y - r.y) * (q.y - r.y)) / size),
              );
              return Math.hypot(p.x - r.x - t * (q.x - r.x), p.y - r.y - t * (q.y - r.y));
            }),
          );
          expect(off).to.be.below(1.3);
        }
    }
    expect(
      trace([{ outline: plate, grey: 235 }], { ...straight, noise: 6, shade: 0.2 })[0]!.marks,
    ).to.deep.equal([]);
  });

  it('a lens that bends lines shows in the size: the warning has a cause', () => {
    const size = (lens: number): number =>
      trace([{ outline: plate, grey: 235 }], { ...straight, lens, focalPx: 1200 })[0]!.areaMm2 /
      signedArea(plate);
    expect(size(0)).to.be.closeTo(1, 0.004);
    expect(Math.abs(size(-0.12) - 1)).to.be.greaterThan(0.01);
  });

  it('the threshold parts two heaps between them (Otsu, 1979)', () => {
    const values = Float64Array.from([...Array.from({ length: 50 }, (_, i) => 10 + (i % 5)), 80, 81, 82, 83]);
    expect(otsu(values, 100)).to.be.within(15, 80);
  });
});
