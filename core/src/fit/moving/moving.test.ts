import { expect } from 'chai';
import { figure } from '../../body';
import { applyChanges, type Params } from '../../document';
import { adult, contextOf, bodyOf, partOf, reportOf } from '../../parts/testing/worn.test';
import { movementCures } from './remedies';
import type { MovingPart } from './joints';
import { movementsOf, type Movement } from './moving';
import { crossing, runs } from './profile';
import { sweep } from './sweep';

const worn = (form: string, change: Params = {}, body = adult): MovingPart => {
  const made = reportOf(form, change, { body });
  return { id: form, name: made.name, zone: made.zone!, mesh: made.solid.mesh };
};

const jointOf = (joint: Movement['joint'], parts: MovingPart[]): Movement | undefined =>
  movementsOf(adult, parts).find((m) => m.joint === joint);

describe('a sweep in the plane', () => {
  const bar = runs([
    { x: 10, y: 0 },
    { x: 100, y: 0 },
  ]);
  const wallAt = (deg: number) => {
    const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
    return runs([
      { x: 60 * c, y: 60 * s },
      { x: 140 * c, y: 140 * s },
    ]);
  };
  const moving = { name: 'bar', segments: bar, bare: false };

  it('ends a degree before the bar reaches the wall', () => {
    for (const deg of [17.5, 44.5, 88.5]) {
      const limit = sweep([moving], [{ name: 'wall', segments: tilted(deg), bare: false }], 1, 120);
      expect(limit.angleDeg).to.be.within(deg - 2.5, deg);
      expect(limit.pair!.map((b) => b.name)).to.deep.equal(['bar', 'wall']);
    }
    /** A short wall across the bar's way, so that they cross rather than lie on one another. */
    function tilted(deg: number) {
      const a = (deg * Math.PI) / 180;
      const b = a + 0.25;
      return runs([
        { x: 50 * Math.cos(a), y: 50 * Math.sin(a) },
        { x: 90 * Math.cos(b), y: 90 * Math.sin(b) },
      ]);
    }
  });

  it('goes all the way when nothing is in it, and lets bare meet bare', () => {
    expect(sweep([moving], [], 1, 120)).to.deep.equal({ angleDeg: 120 });
    const bare = { ...moving, bare: true };
    expect(sweep([bare], [{ name: 'skin', segments: wallAt(40), bare: true }], 1, 90).pair).to.equal(
      undefined,
    );
  });

  it('leaves out what rests on each other from the start', () => {
    const rest = {
      name: 'rest',
      segments: runs([
        { x: 50, y: -20 },
        { x: 50, y: 20 },
      ]),
      bare: false,
    };
    expect(sweep([moving], [rest], 1, 90).pair).to.equal(undefined);
  });
});

describe('slices in a plane of movement', () => {
  it('cut a trunk front and back', () => {
    const trunk = figure(adult).parts.find((p) => p.name === 'trunk')!.mesh;
    const plane = {
      pivot: { x: 0, y: 0, z: 1000 },
      along: { x: 0, y: 0, z: 1 },
      towards: { x: 0, y: 1, z: 0 },
      normal: { x: -1, y: 0, z: 0 },
    };
    const segments = crossing(trunk, plane, (p) => p);
    expect(Math.max(...segments.flat().map((p) => p.y))).to.be.greaterThan(50);
    expect(Math.min(...segments.flat().map((p) => p.y))).to.be.lessThan(-50);
  });
});

describe('moving in armour', () => {
  it('says nothing of joints that no part is near', () => {
    expect(movementsOf(adult, [])).to.deep.equal([]);
    expect(movementsOf(adult, [worn('greave')]).map((m) => m.joint)).to.deep.equal(['knee']);
  });

  it('bends the elbow less the closer two shells come to it, and names them', () => {
    const pair = (startMm: number, endMm: number): Movement =>
      jointOf('elbow', [
        worn('cuff', { endMm, easeMm: 30 }),
        worn('upper-arm', { startMm, endMm: startMm + 110, easeMm: 30 }),
      ])!;
    const [close, apart] = [pair(25, 225), pair(90, 170)];
    expect(close.angleDeg).to.be.lessThan(apart.angleDeg);
    expect(close.stoppedBy!.map((s) => s.partId)).to.deep.equal(['cuff', 'upper-arm']);
  });

  it('bends the knee with a greave and a thigh of usual reach to sit', () => {
    const knee = jointOf('knee', [worn('greave'), worn('thigh')])!;
    expect(knee.angleDeg).to.be.at.least(knee.wantedDeg);
    const long = jointOf('knee', [
      worn('greave', { endMm: 420 }),
      worn('thigh', { startMm: 0, paddingMm: 20 }),
    ])!;
    expect(long.angleDeg).to.be.lessThan(knee.angleDeg + 1e-9);
  });

  it('raises the arm less under a taller cap', () => {
    const raise = (capMm: number): number =>
      jointOf('shoulder', [worn('pauldron', { capMm }), worn('gorget')])!.angleDeg;
    expect(raise(180)).to.be.at.most(raise(70));
  });

  it('bends forward further the higher the plate ends above the belt', () => {
    const bend = (belowWaistMm: number): Movement =>
      jointOf('waist', [worn('breastplate', { belowWaistMm }), worn('belt', { atMm: -45 })])!;
    expect(bend(-60).angleDeg).to.be.greaterThan(bend(-10).angleDeg);
    expect(bend(-10).stoppedBy!.map((s) => s.partId)).to.deep.equal(['breastplate', 'belt']);
  });

  it('turns the head until the helmet meets what stands up beside it', () => {
    const free = jointOf('head', [worn('helmet'), worn('gorget')])!;
    expect(free.angleDeg).to.be.greaterThan(45);
    // A board standing beside the visor, on the breast.
    const at = 1515;
    const board: MovingPart = {
      id: 'board',
      name: 'board',
      zone: 'torso',
      mesh: {
        points: [
          { x: 40, y: 100, z: at - 60 },
          { x: 40, y: 20, z: at - 60 },
          { x: 40, y: 20, z: at + 60 },
          { x: 40, y: 100, z: at + 60 },
        ],
        triangles: [
          [0, 1, 2],
          [0, 2, 3],
        ],
      },
    };
    const stopped = jointOf('head', [worn('helmet', { visor: 'open', skirtMm: 130, faceDeg: 55 }), board]);
    expect(stopped!.angleDeg).to.be.lessThan(60);
    expect(stopped!.stoppedBy!.map((s) => s.partId)).to.deep.equal(['helmet', 'board']);
  });

  it('is worked out for small and tall wearers without an angle that is not a number', () => {
    for (const stature of [1150, 1600, 1980]) {
      const body = bodyOf({ stature });
      const parts = ['cuff', 'upper-arm', 'greave', 'thigh', 'breastplate', 'belt'].map((f) =>
        worn(f, {}, body),
      );
      for (const m of movementsOf(body, parts))
        expect(m.angleDeg, `${m.joint} at ${stature}`).to.be.within(0, m.mostDeg);
    }
  });

  it('is freed by every cure that is offered, and by none that the form would refuse', () => {
    const context = contextOf();
    const parts = [partOf('breastplate', { belowWaistMm: 40 }), partOf('belt', { atMm: -20 })];
    const moving = parts.map((p) => ({ ...worn(p.form, p.params), id: p.id }));
    const waist = movementsOf(adult, moving).find((m) => m.joint === 'waist')!;
    expect(waist.angleDeg).to.be.lessThan(waist.wantedDeg);
    const remedies = movementCures(waist, context, moving, parts);
    expect(new Set(remedies.map((c) => c.partId)).size, 'either may give way').to.equal(2);
    for (const cure of remedies) {
      const changed = parts.map((p) => (p.id === cure.partId ? applyChanges(p, cure.changes) : p));
      const after = movementsOf(
        adult,
        changed.map((p) => ({ ...worn(p.form, p.params), id: p.id })),
      ).find((m) => m.joint === 'waist')!;
      expect(after.angleDeg, cure.label).to.be.greaterThan(waist.angleDeg);
    }
    const last = [partOf('breastplate', { belowWaistMm: 160 }), partOf('belt', { atMm: -200, heightMm: 25 })];
    const stuck = last.map((p) => ({ ...worn(p.form, p.params), id: p.id }));
    const found = movementsOf(adult, stuck).find((m) => m.joint === 'waist')!;
    for (const cure of movementCures(found, context, stuck, last))
      expect(cure.partId, cure.label).to.equal('breastplate');
  });
});
