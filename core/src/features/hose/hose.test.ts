import { expect } from 'chai';
import fc from 'fast-check';
import { dist2, meshVolume, polylineLength, type Vec3 } from '../../geometry';
import { checkOf, make } from '../../parts/testing/worn.test';
import { leastRadiusMm, roundedRun, tubeMesh } from './run';

const on = (points: [number, number][], params: object = {}) =>
  make(
    'box',
    { widthMm: 300, heightMm: 200, deepMm: 80 },
    {
      features: [
        {
          id: 'it',
          kind: 'hose',
          place: { on: 'path', panel: 'front', points },
          params: { of: 'corrugated', outsideMm: 10, bendMm: 0, ends: 'holes', ...params } as never,
        },
      ],
    },
  );

describe('the way of a hose', () => {
  const corner = [
    { x: 0, y: 0 },
    { x: 200, y: 0 },
    { x: 200, y: 150 },
  ];

  it('goes round a square corner by a quarter of a circle: shorter by 2R − πR/2 (bend allowance tables)', () => {
    for (const radiusMm of [20, 50, 120]) {
      const { line, bends } = roundedRun(corner, radiusMm);
      expect(bends).to.have.length(1);
      expect(bends[0]!.radiusMm).to.be.closeTo(radiusMm, 1e-9);
      const round = polylineLength(line);
      const byTable = 350 - 2 * radiusMm + (Math.PI * radiusMm) / 2;
      expect(round / byTable).to.be.closeTo(1, 1e-3);
    }
  });

  it('is as round as its legs leave room for, and never more than is wanted', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: fc.integer({ min: 0, max: 300 }), y: fc.integer({ min: 0, max: 300 }) }), {
          minLength: 3,
          maxLength: 6,
        }),
        fc.integer({ min: 5, max: 200 }),
        (points, wanted) => {
          fc.pre(points.slice(1).every((p, i) => dist2(p, points[i]!) > 5));
          const { line, bends } = roundedRun(points, wanted);
          expect(line[0]).to.deep.equal(points[0]);
          expect(dist2(line.at(-1)!, points.at(-1)!)).to.be.lessThan(1e-6);
          for (const { radiusMm } of bends) expect(radiusMm).to.be.at.most(wanted + 1e-9);
          expect(polylineLength(line)).to.be.at.most(polylineLength(points) + 1e-6);
        },
      ),
    );
  });

  it('has in space the radius of the circle it is drawn on', () => {
    for (const radius of [30, 75]) {
      const line: Vec3[] = Array.from({ length: 60 }, (_, i) => ({
        x: radius * Math.cos(i / 40),
        y: 10,
        z: radius * Math.sin(i / 40),
      }));
      expect(leastRadiusMm(line) / radius).to.be.closeTo(1, 0.01);
    }
  });

  it('is a closed tube of its own volume, whichever way it runs', () => {
    const ways: Vec3[] = [
      { x: 1, y: 0, z: 0 },
      { x: 0, y: 0, z: 1 },
      { x: 0.3, y: 0.5, z: 0.8 },
    ];
    for (const way of ways) {
      const line = Array.from({ length: 20 }, (_, i) => ({
        x: way.x * i * 5,
        y: way.y * i * 5,
        z: way.z * i * 5,
      }));
      const long = 95 * Math.hypot(way.x, way.y, way.z);
      // Twelve sides of a circle of 6 mm radius.
      const area = (12 / 2) * 36 * Math.sin(Math.PI / 6);
      expect(meshVolume(tubeMesh(line, 12)) / (area * long)).to.be.closeTo(1, 1e-6);
    }
  });
});

describe('a hose on a face', () => {
  it('is cut as long as it lies, with what goes into the holes, and its holes are as wide as it', () => {
    const { made } = on([
      [0.2, 0.5],
      [0.8, 0.5],
    ]);
    const front = made.laid.find((l) => l.panel.id === 'front')!;
    const long = dist2(front.flatAt({ x: 0.2, y: 0.5 }), front.flatAt({ x: 0.8, y: 0.5 }));
    expect(made.featured.work.find((w) => w.step === 'hoses')!.detail).to.include(
      `${Math.round(long + 30)} mm of`,
    );
    const holes = made.pieces.find((p) => p.id === 'front')!.holes;
    expect(holes.map((h) => h.diameterMm)).to.deep.equal([10, 10]);
    expect(dist2(holes[0]!.centre, holes[1]!.centre)).to.be.closeTo(long, 1e-6);
  });

  it('warns about a bend that is too tight, and not about a wide one', () => {
    const tight = on(
      [
        [0.4, 0.5],
        [0.45, 0.5],
        [0.45, 0.56],
        [0.4, 0.56],
      ],
      { outsideMm: 20, ends: 'face' },
    );
    expect(checkOf(tight, 'bend-it')!.title).to.match(/kinks under 50 mm/);
    const wide = on([
      [0.1, 0.2],
      [0.6, 0.2],
      [0.6, 0.9],
    ]);
    expect(checkOf(wide, 'bend-it')).to.equal(undefined);
    expect(
      checkOf(
        on(
          [
            [0.1, 0.2],
            [0.6, 0.2],
            [0.6, 0.9],
          ],
          { of: 'smooth', bendMm: 400 },
        ),
        'bend-it',
      ),
    ).to.not.equal(undefined);
  });

  it('warns when it runs through another piece, and not when it goes round it', () => {
    const plate = (v: number) =>
      make(
        'back-frame',
        {
          plates: [{ widthMm: 380, heightMm: 420, spacerMm: 0 }],
          boxes: [{ widthMm: 180, heightMm: 130, deepMm: 70, acrossMm: 0, upMm: 45 }],
          tubes: [],
        },
        {
          features: [
            {
              id: 'it',
              kind: 'hose',
              place: {
                on: 'path',
                panel: 'plate',
                points: [
                  [0.1, v],
                  [0.9, v],
                ],
              },
              params: { of: 'corrugated', outsideMm: 12, bendMm: 0, ends: 'holes' },
            },
          ],
        },
      );
    // The box stands from 45 to 175 mm of 420.
    expect(checkOf(plate(0.3), 'through-it')!.title).to.match(/runs through box 1/);
    expect(checkOf(plate(0.6), 'through-it')).to.equal(undefined);
  });
});
