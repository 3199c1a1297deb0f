import { expect } from 'chai';
import type { Feature, Params } from '../../document';
import { boundsOf, meshVolume, signedArea } from '../../geometry';
import { newPart, partReport } from '../../parts';
import { contextOf, make } from '../../parts/testing/worn.test';
import { arcOf, flatMm, section } from './arc';

const humped = (over: Params = {}): Feature => ({
  id: 'hump',
  kind: 'hump',
  place: { on: 'panel', panel: 'board', u: 0.5, v: 0.5, turnDeg: 0 },
  params: { widthMm: 60, highMm: 30, lengthMm: 100, formers: 3, madeOf: 'dense-eva', foamMm: 4, ...over },
});

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };
/** A flat board of 300 by 200 and 10 mm, with a hump on it or nothing. */
function board(over?: Params) {
  const part = newPart('one', wearer, 'shield');
  const outline = [
    [-150, 0],
    [150, 0],
    [150, 200],
    [-150, 200],
  ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm!, node: 'corner', side: 'bevel' }));
  return partReport(
    {
      ...part,
      stack: [{ foamId: 'dense-eva', nominalMm: 10 }],
      features: over ? [humped(over)] : [],
      params: { ...part.params, shape: 'drawn', bevelMm: 0, bossMm: 0, outline },
    },
    contextOf(),
  );
}

describe('a hump over a face', () => {
  it('is cut to its arc: a half-round of 60 mm in 4 mm foam whose middle keeps its length is π · 28 mm', () => {
    const arc = arcOf(60, 30, 4, 0.5);
    expect([arc.radiusMm, arc.centreMm]).to.deep.equal([30, 0]);
    expect(flatMm(arc, 'outer')).to.be.closeTo(Math.PI * 28, 1e-9);
    // It stands upright on the face: no bevel.
    expect(flatMm(arc, 'inner')).to.be.closeTo(Math.PI * 28, 1e-9);
    // Its formers are half discs of 26 mm.
    expect(signedArea(section(arc, 26))).to.be.closeTo((Math.PI * 26 * 26) / 2, 5);
  });

  it('is a part of a circle where it is lower: chord and height by Pythagoras, arc against a fine polygon', () => {
    const arc = arcOf(80, 20, 5, 0.5);
    expect(arc.radiusMm).to.be.closeTo(50, 1e-9);
    expect((arc.radiusMm - 20) ** 2 + 40 ** 2).to.be.closeTo(arc.radiusMm ** 2, 1e-9);
    const outer = section(arc, arc.radiusMm);
    const b = boundsOf(outer);
    expect([b.minX, b.maxX, b.minY, b.maxY].map((mm) => Math.round(mm * 1e6) / 1e6)).to.deep.equal([
      -40, 40, 0, 20,
    ]);
    // A circle of 47.5 mm through the same angle as the outer face has at its foot.
    const angle = 2 * Math.asin(40 / 50);
    expect(flatMm(arc, 'outer')).to.be.closeTo(47.5 * angle, 1e-9);
    // The inner face meets the face of the part 30 mm under the crown's centre: it is shorter by the bevel.
    expect(flatMm(arc, 'inner')).to.be.closeTo(47.5 * 2 * Math.acos(30 / 45), 1e-9);
  });

  it('is a strip, its formers, and half of a cylinder on the face, with the weight of its foam', () => {
    const made = board({});
    const own = made.pieces.filter((p) => p.role === 'laid');
    const [strip, former] = own;
    expect(own.map((p) => [p.name, p.quantity])).to.deep.equal([
      ['hump, strip', 1],
      ['hump, former', 3],
    ]);
    const size = boundsOf(strip!.outline);
    expect([size.maxX - size.minX, size.maxY - size.minY]).to.deep.equal([Math.PI * 28, 100]);
    expect(strip!.marks.filter((m) => m.kind === 'bevel')).to.deep.equal([]);
    expect(meshVolume(made.extras)).to.be.closeTo(((Math.PI * 30 * 30) / 2) * 100, 500);
    const top = Math.max(...made.extras.points.map((p) => Math.abs(p.y)));
    expect(top - 5).to.be.closeTo(30, 0.1);
    const foam = (Math.PI * 28 * 100 + (3 * (Math.PI * 26 * 26)) / 2) * 4 * 100 * 1e-6;
    expect(made.foamG - board().foamG).to.be.closeTo(foam, 0.05);
    expect(former!.areaMm2).to.be.closeTo((Math.PI * 26 * 26) / 2, 5);
  });

  it('has its feet bevelled where it is less than half round, and weighs what is left', () => {
    const strip = board({ widthMm: 80, highMm: 20, foamMm: 5 }).pieces.find((p) => p.name === 'hump, strip')!;
    const [outer, inner] = [95 * Math.asin(0.8), 95 * Math.acos(30 / 45)];
    const bevels = strip.marks.filter((m) => m.kind === 'bevel');
    // Drawn on the piece: as far from either edge as the inner face is shorter there, from end to end.
    const { minX, maxX, minY, maxY } = boundsOf(strip.outline);
    const lost = (outer - inner) / 2;
    expect(bevels[0]!.points[0]!.x - minX).to.be.closeTo(lost, 1e-9);
    expect(maxX - bevels[1]!.points[0]!.x).to.be.closeTo(lost, 1e-9);
    for (const { points } of bevels) expect(points.map((p) => p.y)).to.deep.equal([minY, maxY]);
    expect(bevels[0]!.bevel!.deg).to.be.closeTo((Math.atan((outer - inner) / 10) * 180) / Math.PI, 1e-9);
    expect(strip.volumeMm3).to.be.closeTo((100 * 5 * (outer + inner)) / 2, 1e-6);
  });

  it('says what cannot be bent, what closes in again and what falls away, and one press mends the first two', () => {
    const ids = (over: Params) =>
      board(over)
        .checks.map((c) => c.id)
        .filter((id) => id.startsWith('hump-'));
    expect(ids({})).to.deep.equal([]);
    expect(ids({ foamMm: 10 })).to.include('hump-bend-hump');
    expect(ids({ highMm: 45 })).to.include('hump-high-hump');
    for (const [over, id] of [
      [{ foamMm: 10 }, 'hump-bend-hump'],
      [{ highMm: 45 }, 'hump-high-hump'],
    ] as const) {
      const remedies = board(over).checks.find((c) => c.id === id)!.remedies;
      expect(remedies, id).to.not.deep.equal([]);
      for (const { changes } of remedies) {
        const [change] = changes;
        expect(ids({ ...over, [String(change!.path.at(-1))]: change!.value as number })).to.not.include(id);
      }
    }
    // An arm is round: it falls away on either side under feet 120 mm apart.
    const bracer = make(
      'bracer',
      {},
      {
        features: [
          {
            ...humped({ widthMm: 120, highMm: 30 }),
            place: { on: 'panel', panel: 'a', u: 0.5, v: 0.5, turnDeg: 0 },
          },
        ],
      },
    );
    expect(bracer.checks.some((c) => c.id.endsWith('hump-foot-hump'))).to.equal(true);
  });

  it('is as large on a face that leans, whichever way it is turned', () => {
    const area = Math.abs(signedArea(section(arcOf(20, 8, 2, 0.5), (100 + 64) / 16)));
    let leaning = 0;
    for (const form of ['helmet', 'pauldron', 'faceted', 'gorget'])
      for (const { panel } of make(form).made.laid.slice(0, 3))
        for (const turnDeg of [0, 30, 90]) {
          const small = humped({ widthMm: 20, highMm: 8, lengthMm: 15, formers: 2, foamMm: 2 });
          const place = { on: 'panel', panel: panel.id, u: 0.5, v: 0.5, turnDeg } as const;
          const { solids } = make(form, {}, { features: [{ ...small, place }] }).made.featured;
          for (const solid of solids) {
            leaning += 1;
            expect(Math.abs(meshVolume(solid)), `${form} ${panel.id}`).to.be.closeTo(
              area * 15,
              0.01 * area * 15,
            );
          }
        }
    expect(leaning).to.be.greaterThan(8);
  });

  it('is left off where it reaches beyond its piece or is no higher than its foam', () => {
    const titles = (over: Params) =>
      board(over)
        .checks.map((c) => c.title)
        .join();
    expect(titles({ lengthMm: 300 })).to.match(/a hump reaches beyond/);
    expect(titles({ highMm: 6, foamMm: 6 })).to.match(/hardly higher than its foam/);
    // Half of a narrow tube is lower than thick foam, however high it is asked to be.
    expect(titles({ widthMm: 15, highMm: 30, foamMm: 10 })).to.match(/hardly higher than its foam/);
  });
});
