import { expect } from 'chai';
import fc from 'fast-check';
import { limbGirthMm } from '../../body';
import type { Params } from '../../document';
import { contains, dist3, meshArea, parallelGirth, signedArea, type Vec3 } from '../../geometry';
import { triangleArea } from '../../geometry/mesh';
import { gridMesh, offsetGrid } from '../../panel';
import {
  areaOf,
  bodyOf,
  checkOf,
  edgeMm,
  expectCured,
  make,
  pieceOf,
  reportOf,
  type Made,
  type Making,
} from '../../parts/testing/worn.test';

const adult = bodyOf({
  stature: 1720,
  wristGirth: 168,
  forearmGirth: 280,
  forearmGirthAt: 175,
  elbowGirth: 268,
  forearmLength: 248,
  handGirth: 200,
  handLength: 186,
});
const ease: Params = { easeMm: 12, paddingMm: 3 };
const plain: Params = { ...ease, wristEnd: 'straight', elbowCutMm: 0 };
const how: Making = { body: adult, underLayerMm: 2, foamId: 'dense-eva' };
const bracer = (change: Params = {}, more: Making = {}): Made =>
  make('bracer', { ...ease, ...change }, { ...how, ...more });

/** Any arm, foam and gap. */
const anyArm = fc
  .record({
    wrist: fc.double({ min: 110, max: 210, noNaN: true }),
    swell: fc.double({ min: 1.25, max: 1.9, noNaN: true }),
    taper: fc.double({ min: 0.85, max: 1, noNaN: true }),
    length: fc.double({ min: 130, max: 300, noNaN: true }),
    nominalMm: fc.constantFrom(2, 4, 5, 6, 8, 10),
    k: fc.double({ min: 0.3, max: 0.55, noNaN: true }),
    gapMm: fc.double({ min: 0, max: 40, noNaN: true }),
    panels: fc.constantFrom(1, 2),
    closure: fc.constantFrom('none', 'lacing'),
    gapAtDeg: fc.integer({ min: 0, max: 359 }),
  })
  .map(({ wrist, swell, taper, length, nominalMm, k, ...params }) => ({
    params: params as Params,
    making: {
      body: bodyOf({
        stature: 1700,
        wristGirth: wrist,
        forearmGirth: wrist * swell,
        elbowGirth: wrist * swell * taper,
        forearmLength: length,
        forearmGirthAt: length * 0.7,
      }),
      underLayerMm: 2,
      foamId: 'dense-eva',
      nominalMm,
      stock: [{ foamId: 'dense-eva', nominalMm, sheets: 1, neutralFraction: k }],
    } satisfies Making,
  }));

describe('bracer', () => {
  it('wraps the arm at the girth of its neutral surface (Steiner)', () => {
    const shape = bracer({ ...plain, startMm: 0, closure: 'none' });
    const standOff = 2 + 3 + 12 / (2 * Math.PI);
    // Steiner in the section's plane; the true normal leans a few degrees, which is the small difference.
    expect(edgeMm(shape.pieces[0]!, 'bottom')).to.be.closeTo(parallelGirth(168, standOff + 3), 0.2);
  });

  it('leaves exactly the gap asked, on the flat and on the solid, for one panel and two', () => {
    for (const gapMm of [20, 60]) {
      for (const panels of [1, 2]) {
        const [open, shut] = ['buckle', 'none'].map((closure) =>
          bracer({ ...plain, panels, gapMm, closure }),
        ) as [Made, Made];
        const round = (shape: Made, end: string): number =>
          shape.pieces.reduce((sum, p) => sum + edgeMm(p, end), 0);
        for (const end of ['bottom', 'top'])
          expect(round(shut, end) - round(open, end), `flat, ${end}`).to.be.closeTo(gapMm, 0.1);
        // In space, at the layer that keeps its length: straight across is a little less than round.
        const [first, last] = [open.made.laid[0]!, open.made.laid.at(-1)!];
        const k = 0.5 * 6;
        for (const row of [0, -1]) {
          const a = offsetGrid(first.panel.grid, k).at(row)![0]!;
          const b = offsetGrid(last.panel.grid, k).at(row)!.at(-1)!;
          expect(dist3(a, b), `solid, row ${row}`).to.be.within(gapMm * 0.93, gapMm + 0.05);
        }
      }
    }
  });

  it('keeps mating seams within 0.5 mm for random arms and foams', () => {
    fc.assert(
      fc.property(anyArm, ({ params, making }) => {
        const { pieces } = make('bracer', params, making);
        for (const e of pieces.flatMap((p) => p.edges).filter((x) => x.joint === 'seam'))
          expect(
            Math.abs(
              e.lengthMm -
                edgeMm(
                  pieces.find((p) => p.id === e.mate!.pieceId)!,
                  e.mate!.edgeId,
                ),
            ),
          ).to.be.lessThan(0.5);
        for (const p of pieces) {
          expect(signedArea(p.outline)).to.be.greaterThan(0);
          expect(p.outline.every((v) => Number.isFinite(v.x + v.y))).to.equal(true);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('keeps the area of the neutral surface within 0.2 %, against triangles in space', () => {
    fc.assert(
      fc.property(anyArm, ({ params, making }) => {
        const shape = make('bracer', { ...params, ...plain, closure: 'none' }, making);
        const out = shape.made.foam.neutralFraction.value * shape.made.foam.thicknessMm.value;
        const inSpace = shape.made.laid.reduce(
          (sum, { panel }) => sum + meshArea(gridMesh(offsetGrid(panel.grid, out))),
          0,
        );
        expect(areaOf(shape)).to.be.closeTo(inSpace, inSpace * 0.002);
      }),
      { numRuns: 25 },
    );
  });

  it('is the sector of a frustum on a round arm', () => {
    // Lateral area of a conical frustum: π(r1 + r2)·s (any handbook of solids).
    const round = bodyOf({
      stature: 1700,
      wristGirth: 170,
      forearmGirth: 280,
      elbowGirth: 280,
      forearmLength: 250,
    });
    const shape = make(
      'bracer',
      { ...plain, startMm: 0, endMm: 120, easeMm: 0, closure: 'none' },
      { body: round, underLayerMm: 0, nominalMm: 6 },
    );
    const [low, high] = [0, 120].map((z) => limbGirthMm(round, 'forearm', z) / (2 * Math.PI) + 3 + 3) as [
      number,
      number,
    ];
    const want = Math.PI * (low + high) * Math.hypot(120, high - low);
    // Arms are a little flatter than round, which costs a few in a thousand of area at the same girth.
    expect(areaOf(shape)).to.be.closeTo(want, want * 0.02);
  });

  it('grows with thickness and with k', () => {
    const girth = (mm: number, k: number): number =>
      edgeMm(
        bracer(
          { ...plain, closure: 'none' },
          { nominalMm: mm, stock: [{ foamId: 'dense-eva', nominalMm: mm, sheets: 1, neutralFraction: k }] },
        ).pieces[0]!,
        'bottom',
      );
    expect(girth(10, 0.5) - girth(5, 0.5)).to.be.closeTo(2 * Math.PI * 2.5, 0.3);
    expect(girth(10, 0.5) - girth(10, 0.4)).to.be.closeTo(2 * Math.PI, 0.2);
  });

  it('turns where its gap is without changing its size', () => {
    const girth = (gapAtDeg: number): number => edgeMm(bracer({ ...plain, gapAtDeg }).pieces[0]!, 'bottom');
    for (const deg of [0, 90, 271]) expect(girth(deg)).to.be.closeTo(girth(180), 0.2);
  });

  it('draws a point over the hand and scoops the elbow out', () => {
    const high = (change: Params): number =>
      Math.min(
        ...bracer(change)
          .surfaces()[0]!
          .grid.flat()
          .map((p: Vec3) => p.z),
      );
    expect(high({ wristEnd: 'straight', startMm: 10 })).to.be.closeTo(10, 0.5);
    expect(high({ wristEnd: 'point', pointMm: 40, startMm: 10 })).to.be.closeTo(-30, 1);
    const area = (elbowCutMm: number): number => areaOf(bracer({ elbowCutMm }));
    expect(area(60)).to.be.lessThan(area(20));
  });

  it('is lined by a smaller piece that lies inside the shell’s own outline', () => {
    const { pieces } = reportOf('bracer', ease, { ...how, lining: { foamId: 'dense-eva', nominalMm: 2 } });
    const [shell, lining] = [pieceOf({ pieces }, 'a'), pieceOf({ pieces }, 'lining-a')];
    expect(lining.role).to.equal('lining');
    // Its middle is 2/2 mm inside the shell's inner face, the shell's 6/2 outside: 4 mm of radius.
    expect(edgeMm(shell, 'top') - edgeMm(lining, 'top')).to.be.within(
      2 * Math.PI * 4 * 0.85,
      2 * Math.PI * 4 * 1.02,
    );
    expect(lining.areaMm2).to.be.lessThan(shell.areaMm2);
  });

  it('keeps a hole where it was put, through shell and in space', () => {
    const shape = reportOf('bracer', ease, {
      ...how,
      features: [
        {
          id: 'h',
          kind: 'hole',
          place: { on: 'panel', panel: 'a', u: 0.4, v: 0.6, turnDeg: 0 },
          params: { diameterMm: 8, count: 1, ringMm: 40 },
        },
      ],
    });
    const piece = pieceOf(shape, 'a');
    const hole = piece.holes.find((h) => h.diameterMm === 8)!;
    expect(contains(piece.outline, hole.centre)).to.equal(true);
    const [at] = shape.drawn.find((d) => d.kind === 'hole')!.points as [Vec3];
    const outer = offsetGrid(shape.surfaces[0]!.grid, 6);
    const gap = Math.min(...outer.flat().map((p) => dist3(p, at)));
    expect(gap).to.be.lessThan(15);
    // As far from the cuff's corner on the foam as on the flat, within what bending over the outside adds.
    expect(dist3(at, outer[0]![0]!)).to.be.lessThan(
      Math.hypot(hole.centre.x - piece.outline[0]!.x, hole.centre.y - piece.outline[0]!.y) * 1.1,
    );
  });

  it('tells of a bulge that a straight shell cannot follow, and cures it', () => {
    const stout = bodyOf({
      stature: 1720,
      wristGirth: 160,
      forearmGirth: 330,
      elbowGirth: 270,
      forearmLength: 250,
    });
    expectCured('bracer', { endMm: 235 }, 'bulge', { body: stout });
    expect(checkOf(bracer({ endMm: 150 }), 'bulge')).to.equal(undefined);
  });

  it('must pass the hand when closed, and its cures let it', () => {
    expectCured('bracer', { ...plain, closure: 'none', easeMm: 0, paddingMm: 0 }, 'pass', how);
  });

  it('has triangles that are none of them folded', () => {
    const { grid } = bracer().surfaces()[0]!;
    const { points, triangles } = gridMesh(grid);
    for (const [a, b, c] of triangles)
      expect(triangleArea(points[a]!, points[b]!, points[c]!)).to.be.greaterThan(0.1);
  });
});
