import { expect } from 'chai';
import fc from 'fast-check';
import { applyChanges, type BuildDoc, type Mount } from '../document';
import type { Anchor } from '../forms';
import { dist3, type Vec3 } from '../geometry';
import { derive } from '../report';
import { fixingsAt, allOntoRoot } from './mounting';
import { newBuild, newPart } from './newPart';
import { setFree } from './setFree';
import { placingsOf } from './placing';

type OnPart = Extract<Mount, { to: 'part' }>;

/** A face of a cylinder of a radius about the z axis, its inner face; the foam is as thick as told. */
const cylinder = (radiusMm: number, thickMm: number): Anchor => ({
  id: 'face',
  name: 'face',
  at: { x: 0, y: radiusMm + thickMm, z: 100 },
  out: { x: 0, y: 1, z: 0 },
  up: { x: 0, y: 0, z: 1 },
  face: {
    // Seen from outside, left to right: towards the wearer's left in front.
    grid: Array.from({ length: 41 }, (_, r) =>
      Array.from({ length: 121 }, (_, c) => {
        const turn = Math.PI / 2 + (Math.PI * (c - 60)) / 100;
        return { x: radiusMm * Math.cos(turn), y: radiusMm * Math.sin(turn), z: 5 * r };
      }),
    ),
    at: { x: 0.5, y: 0.5 },
    thickMm,
  },
});
const mount = (rest: Partial<OnPart> = {}): OnPart => ({ to: 'part', part: 'h', anchor: 'face', ...rest });
const nought: Vec3 = { x: 0, y: 0, z: 0 };
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('a part on a face', () => {
  it('lies anywhere on it: so far along the face, square to it there', () => {
    fc.assert(
      fc.property(num(40, 200), num(0, 10), num(-1, 1), num(-80, 80), (r, t, share, up) => {
        const across = share * r;
        const [{ toHost }] = fixingsAt(cylinder(r, t), mount({ acrossMm: across, alongMm: up })) as [
          ReturnType<typeof fixingsAt>[0],
        ];
        const at = toHost(nought);
        // It stays on the outer face, and as high as told.
        expect(Math.hypot(at.x, at.y)).to.be.closeTo(r + t, 0.05);
        expect(at.z).to.be.closeTo(100 + up, 0.1);
        // As far round the inner face as it was reported: an arc is its angle by its radius.
        expect(Math.abs(Math.atan2(at.x, at.y)) * r).to.be.closeTo(Math.abs(across), 0.02 * r + 0.2);
        const tip = toHost({ x: 0, y: 0, z: 10 });
        expect(Math.hypot(tip.x, tip.y)).to.be.closeTo(r + t + 10, 0.05);
      }),
      { numRuns: 60 },
    );
  });

  it('goes back as it came, turned and leaned any way, and keeps its size', () => {
    const any = fc.record({
      alongMm: num(-50, 50),
      acrossMm: num(-50, 50),
      offMm: num(-20, 20),
      turnDeg: num(-180, 180),
      leanDeg: num(-90, 90),
      nodDeg: num(-90, 90),
    });
    const point = fc.record({ x: num(-90, 90), y: num(-90, 90), z: num(-90, 90) });
    fc.assert(
      fc.property(any, point, point, fc.boolean(), (rest, p, q, mirrored) => {
        const all = fixingsAt(
          cylinder(80, 5),
          mount({ ...rest, ...(mirrored && { copies: { way: 'mirrored' as const } }) }),
        );
        expect(all).to.have.length(mirrored ? 2 : 1);
        for (const { toHost, fromHost } of all) {
          const back = fromHost(toHost(p));
          expect(dist3(back, p)).to.be.lessThan(1e-6);
          expect(dist3(toHost(p), toHost(q))).to.be.closeTo(dist3(p, q), 1e-6);
        }
        if (mirrored) {
          // What is at x on one side is at −x on the other.
          const [a, b] = all.map((f) => f.toHost(p)) as [Vec3, Vec3];
          expect(a.x).to.be.closeTo(-b.x, 0.2);
          expect(a.y).to.be.closeTo(b.y, 0.2);
          expect(a.z).to.be.closeTo(b.z, 0.2);
        }
      }),
      { numRuns: 80 },
    );
  });

  it('laid flat by 90° it lies along the face, and leaned to the right its top is to the right', () => {
    const { toHost } = fixingsAt(cylinder(80, 5), mount({ leanDeg: 90 }))[0]!;
    const top = toHost({ x: 0, y: 0, z: 30 });
    // Seen from outside, in front, the right is the wearer's left.
    expect(top.x).to.be.closeTo(-30, 1e-6);
    expect(top.y).to.be.closeTo(85, 1e-6);
    const along = fixingsAt(cylinder(80, 5), mount({ nodDeg: 90 }))[0]!.toHost({ x: 0, y: 0, z: 30 });
    expect(along.z).to.be.closeTo(130, 1e-6);
  });
});

describe('copies of a part', () => {
  const wearer = { name: 'A', underLayerMm: 2, measures: [] };
  const host = { ...newPart('h', wearer, 'box'), name: 'Chest' };
  const spike = { ...newPart('s', wearer, 'turned'), name: 'Spike' };
  const doc = (rest: Partial<OnPart>): BuildDoc => ({
    ...newBuild('T', '2026-03-01', wearer),
    parts: [host, { ...spike, mount: { to: 'part', part: 'h', anchor: 'panel:face', ...rest } }],
  });
  const one = derive(doc({}));
  const nine = derive(doc({ copies: { way: 'row', count: 9, alongMm: 5, acrossMm: 0 } }));

  it('are one template cut nine times, nine times the foam, the work and the mass', () => {
    const [p, q] = [one.parts[1]!, nine.parts[1]!];
    expect(q.copies).to.equal(9);
    expect(q.pieces.map((x) => x.quantity)).to.deep.equal(p.pieces.map((x) => 9 * x.quantity));
    expect(q.pieces.length).to.equal(p.pieces.length);
    expect(nine.totals.foamAreaMm2 - one.totals.foamAreaMm2).to.be.closeTo(8 * p.areaMm2, 1e-6);
    const cut = (r: typeof one) => r.steps.find((s) => s.id === 's:cut')!.workMin;
    expect(cut(nine)).to.be.within(8.5 * cut(one) - 40, 9 * cut(one));
    // On the sheets there are nine of each.
    const laid = (r: typeof one): number =>
      r.packed.sheets.flatMap((s) => s.laid).filter((x) => x.partId === 's').length;
    expect(laid(nine)).to.equal(9 * laid(one));
  });

  it('stand where they were reported, in a row and round, and what hangs on them is there as often', () => {
    const at = (r: typeof one, id = 's'): Vec3[] => allOntoRoot(r.parts, id, 'h').map((to) => to(nought));
    const row = at(nine);
    expect(row).to.have.length(9);
    row.slice(1).forEach((p, i) => expect(dist3(p, row[i]!)).to.be.closeTo(5, 1e-6));
    const six = derive(doc({ copies: { way: 'round', count: 6, sweepDeg: 360, radiusMm: 20 } }));
    const round = at(six);
    const middle = at(one)[0]!;
    for (const p of round) expect(dist3(p, middle)).to.be.closeTo(20, 1e-6);
    // Six on a circle stand a radius apart.
    round.forEach((p, i) => expect(dist3(p, round[(i + 1) % 6]!)).to.be.closeTo(20, 1e-6));
    const ball = {
      ...newPart('b', wearer, 'turned'),
      mount: { to: 'part' as const, part: 's', anchor: 'top' },
    };
    const more = derive({
      ...doc({ copies: { way: 'mirrored' } }),
      parts: [...doc({ copies: { way: 'mirrored' } }).parts, ball],
    });
    expect(more.parts[2]!.copies).to.equal(2);
    expect(at(more, 'b')).to.have.length(2);
    expect(placingsOf(more.body, more.parts, 'b')).to.have.length(2);
  });

  it('stand in a ring round an axis that is no face, each pointing away from it when it is nodded', () => {
    const axis: Anchor = {
      id: 'axis',
      name: 'axis',
      at: { x: 0, y: 0, z: 50 },
      out: { x: 0, y: 0, z: 1 },
      up: { x: 0, y: 1, z: 0 },
      along: { x: 0, y: 0, z: 1 },
    };
    const ring = mount({ nodDeg: 90, copies: { way: 'round', count: 6, sweepDeg: 360, radiusMm: 60 } });
    const all = fixingsAt(axis, ring);
    expect(all).to.have.length(6);
    for (const { toHost } of all) {
      const [foot, tip] = [toHost({ x: 0, y: 0, z: 0 }), toHost({ x: 0, y: 0, z: 40 })];
      expect(foot.z).to.be.closeTo(50, 1e-9);
      expect(tip.z).to.be.closeTo(50, 1e-9);
      expect(Math.hypot(foot.x, foot.y)).to.be.closeTo(60, 1e-9);
      expect(Math.hypot(tip.x, tip.y)).to.be.closeTo(100, 1e-9);
    }
    const feet = all.map(({ toHost }) => toHost({ x: 0, y: 0, z: 0 }));
    const apart = feet.map((p, i) => Math.hypot(p.x - feet[(i + 1) % 6]!.x, p.y - feet[(i + 1) % 6]!.y));
    for (const mm of apart) expect(mm).to.be.closeTo(60, 1e-9);
    expect(setFree(ring, axis)).to.equal(undefined);
  });

  it('one may be set free: it stays where it stood, and the others where they are', () => {
    const all: OnPart[] = [
      mount({ copies: { way: 'row', count: 5, alongMm: 7, acrossMm: -3 }, alongMm: 4 }),
      mount({ copies: { way: 'row', count: 2, alongMm: 7, acrossMm: 0 } }),
      mount({ copies: { way: 'round', count: 6, sweepDeg: 360, radiusMm: 22 }, turnDeg: 15 }),
      mount({ copies: { way: 'round', count: 4, sweepDeg: 90, radiusMm: 22 }, acrossMm: 5 }),
      mount({ copies: { way: 'round', count: 2, sweepDeg: 60, radiusMm: 22 } }),
    ];
    for (const m of all) {
      const { kept, own } = setFree(m, cylinder(80, 5))!;
      const before = fixingsAt(cylinder(80, 5), m);
      const after = [...fixingsAt(cylinder(80, 5), kept), ...fixingsAt(cylinder(80, 5), own)];
      expect(after).to.have.length(before.length);
      before.forEach((f, i) => {
        for (const p of [nought, { x: 9, y: 2, z: 3 }])
          expect(dist3(f.toHost(p), after[i]!.toHost(p)), JSON.stringify(m.copies)).to.be.lessThan(0.01);
      });
    }
    expect(setFree(mount(), cylinder(80, 5))).to.equal(undefined);
    expect(setFree(mount({ copies: { way: 'mirrored' } }), cylinder(80, 5))).to.equal(undefined);
  });

  it('an edit goes to all of them', () => {
    const longer = derive(
      applyChanges(doc({ copies: { way: 'row', count: 9, alongMm: 5, acrossMm: 0 } }), [
        { path: ['parts', 1, 'stack', 0, 'nominalMm'], value: 6 },
      ]),
    );
    expect(longer.parts[1]!.pieces.every((p) => p.quantity % 9 === 0)).to.equal(true);
  });
});
