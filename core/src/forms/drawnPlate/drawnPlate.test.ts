import { polygonHull, polygonLength } from 'd3-polygon';
import { expect } from 'chai';
import fc from 'fast-check';
import { limbSection, resolveBody, type Zone } from '../../body';
import type { Params } from '../../document';
import { dist3, signedArea } from '../../geometry';
import { onSlice } from '../../panel';
import { standardKinds } from '../../parts/kinds';
import { makePart, type MadePart } from '../../parts/made';
import { newPart } from '../../parts/newPart';
import {
  adult,
  adultMeasures,
  bodyOf,
  contextOf,
  expectCured,
  figureOf,
  foam,
  make,
  partOf,
  taken,
} from '../../parts/testing/worn.test';
import { cornerNodes } from '../../outline';

const zones = ['torso', 'hips', 'upperArm', 'forearm', 'thigh', 'lowerLeg'] as const;
const form = standardKinds.forms.get('drawn-plate')!;

function at(zone: Zone, params: Params, body = adult): MadePart {
  const part = partOf('drawn-plate', params, { body });
  const side = zone === 'torso' || zone === 'hips' ? ('middle' as const) : ('right' as const);
  return makePart({ ...part, mount: { to: 'wearer', zone, side } }, contextOf({ body }));
}

const rectangle = (w: number, low: number, high: number) =>
  cornerNodes([
    [-w / 2, low],
    [w / 2, low],
    [w / 2, high],
    [-w / 2, high],
  ]).map((n) => ({ ...n }));

describe('a plate drawn on the wearer', () => {
  it('is cut as large as it is drawn, wherever it lies', () => {
    for (const zone of zones)
      for (const aroundDeg of [0, 70, -150]) {
        const { pieces } = at(zone, {
          outline: rectangle(90, 60, 160),
          aroundDeg,
          follows: 'own',
          darts: 0,
        });
        const area = pieces.reduce((sum, p) => sum + Math.abs(signedArea(p.outline)), 0);
        // A body that leans makes it longer than its height upright: by no more than a tenth here.
        expect(area / (90 * 100), `${zone} ${aroundDeg}`).to.be.within(0.96, 1.1);
      }
  });

  it('a press on it, or on the bare body beneath it, lies in the drawing where it was pressed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        fc.integer({ min: -180, max: 180 }),
        fc.integer({ min: -60, max: 60 }),
        fc.integer({ min: 30, max: 125 }),
        fc.boolean(),
        (zone, aroundDeg, x, y, grows) => {
          const outline = rectangle(100, 20, 110).map((n, i) => (i === 2 ? { ...n, xMm: x, yMm: y } : n));
          const params = { ...form.defaults(adult), outline, aroundDeg, follows: grows ? 'wearer' : 'own' };
          const made = at(zone, params);
          const point = made.model.drawnPoints[2]!;
          const input = { params, body: adult, zone, underLayerMm: 3, liningMm: 0, foam: foam(6) };
          const spot = form.drawnOn!.spot(input, point.at);
          expect(spot.x).to.be.closeTo(x, 0.3);
          expect(spot.y).to.be.closeTo(y, 1e-6);
          // A millimetre more across or up is where its grip goes.
          const moved = form.drawnOn!.spot(input, {
            x: point.at.x + point.across.x + point.up.x,
            y: point.at.y + point.across.y + point.up.y,
            z: point.at.z + point.across.z + point.up.z,
          });
          expect(moved.x).to.be.closeTo(x + 1, 0.3);
          expect(moved.y).to.be.closeTo(y + 1, 0.05);
        },
      ),
      { numRuns: 24 },
    );
  });

  it('drawn anew spot by spot, in front, at the side or behind, is where it was pressed', () => {
    for (const zone of zones)
      for (const aroundDeg of [0, 100, 180]) {
        const params = {
          ...form.defaults(adult),
          outline: rectangle(120, 60, 150),
          aroundDeg,
          follows: 'own',
        };
        const spots = at(zone, params).model.drawnPoints.map((p) => p.at);
        // Whatever was drawn before, and wherever.
        const input = {
          params: { ...form.defaults(adult), follows: 'own', aroundDeg: -40 },
          body: adult,
          zone,
          underLayerMm: 3,
          liningMm: 0,
          foam: foam(6),
        };
        const again = at(zone, { ...params, ...form.drawnOn!.drawing(input, spots) }).model.drawnPoints;
        again.forEach(({ at: p }, i) =>
          expect(dist3(p, spots[i]!), `${zone} ${aroundDeg}`).to.be.lessThan(0.5),
        );
      }
  });

  it('begins where the wearer was pressed, on what hangs there, and elsewhere in its first place', () => {
    const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };
    const mountAt = (where?: Zone) =>
      newPart('p', wearer, 'drawn-plate', standardKinds, undefined, where).mount;
    expect(mountAt('thigh')).to.deep.equal({ to: 'wearer', zone: 'thigh', side: 'pair' });
    expect(mountAt('head')).to.deep.equal({ to: 'wearer', zone: 'torso', side: 'middle' });
    expect(mountAt()).to.deep.equal(mountAt('head'));
  });

  it('grows with the tape as a share of it, and not when it stays as drawn', () => {
    const wider = resolveBody([
      ...adultMeasures.filter((m) => m.key !== 'chestGirth'),
      ...taken({ chestGirth: 980 * 1.1 }),
    ]);
    const start = form.defaults(adult);
    const width = (params: Params, body = adult): number =>
      figureOf(make('drawn-plate', params, { body }), 'width');
    const before = width(start);
    expect(width(start, wider) / before).to.be.closeTo(1.1, 1e-3);
    expect(width({ ...start, follows: 'own' }, wider)).to.be.closeTo(before, 1e-6);
    const told = make('drawn-plate', start, { body: wider }).checks.find((c) => c.id === 'grown')!;
    expect(told.title).to.match(/110 % as wide and 100 % as high/);
    expect(make('drawn-plate', start).checks.some((c) => c.id === 'grown')).to.equal(false);
    expectCured('drawn-plate', start, 'grown', { body: wider });
    // Drawn on from its size now it is no larger and no smaller.
    const [now] = told.remedies as unknown as { changes: { path: string[]; value: never }[] }[];
    const set = Object.fromEntries(now!.changes.map((c) => [c.path[1], c.value]));
    expect(width({ ...start, ...set }, wider)).to.be.closeTo(width(start, wider), 0.3);
  });

  it('is told when it goes more than once round, past the joint, or winds too much', () => {
    const thin = bodyOf({ stature: 1500, chestGirth: 700 });
    expectCured('drawn-plate', { outline: rectangle(1200, 100, 250), follows: 'own' }, 'wraps', {
      body: thin,
    });
    expectCured('drawn-plate', { outline: rectangle(200, 100, 700), follows: 'own' }, 'ends');
    const spiral = cornerNodes([
      [0, 60],
      [300, 60],
      [300, 300],
      [40, 300],
      [40, 130],
      [220, 130],
      [220, 220],
      [120, 220],
      [120, 200],
      [200, 200],
      [200, 150],
      [60, 150],
      [60, 280],
      [280, 280],
      [280, 80],
      [0, 80],
    ]);
    const wound = make('drawn-plate', { outline: spiral.map((n) => ({ ...n })), follows: 'own' });
    expect(wound.checks.find((c) => c.id === 'outline-folds')!.severity).to.equal('stop');
  });

  it('and its strap go once round the clothed limb', () => {
    const { model } = at('thigh', { outline: rectangle(160, 120, 240), follows: 'own', paddingMm: 0 });
    const [strap] = model.fastenings;
    // Round the clothed thigh by the hull of points on it.
    const section = { ...limbSection(adult, 'thigh', 180), x: 0, y: 0, z: 180 };
    const ring = Array.from({ length: 720 }, (_, i): [number, number] => {
      const p = onSlice(section, i / 2, 3);
      return [p.x, p.y];
    });
    const whole = polygonLength(polygonHull(ring)!);
    // 50 mm of overlap and 30 mm glued at either end.
    expect(strap!.lengthMm - 50 - 60 + 160).to.be.closeTo(whole, 0.005 * whole);
  });

  it('in halves meets itself along the middle', () => {
    const { pieces } = make('drawn-plate', { halves: 2 });
    expect(pieces).to.have.length(2);
    const [a, b] = pieces;
    expect(Math.abs(signedArea(a!.outline)) / Math.abs(signedArea(b!.outline))).to.be.closeTo(1, 0.01);
    expect(a!.edges.find((e) => e.id === 'right')!.mate).to.deep.equal({ pieceId: 'half-b', edgeId: 'left' });
  });
});
