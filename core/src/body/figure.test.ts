import { expect } from 'chai';
import fc from 'fast-check';
import { meshVolume } from '../geometry/mesh';
import { dist3, sliceAt, tapeGirthMm } from '../geometry';
import { resolveBody } from './estimate';
import { figure, limbFrame, onLimb } from './figure';
import { measures, shortSet, type MeasureKey } from './measures';
import type { Measure } from './wearer';
import { headAxes, levels, limbGirthMm } from './sections';
import { tapes } from './tapes';

const taken = (values: Partial<Record<MeasureKey, number>>): Measure[] =>
  (Object.entries(values) as [MeasureKey, number][]).map(([key, valueMm]) => ({
    key,
    valueMm,
    source: 'tape',
    takenOn: '2026-03-01',
  }));

const anyBody = fc
  .record({
    stature: fc.double({ min: 1100, max: 2000, noNaN: true }),
    chest: fc.double({ min: 0.48, max: 0.72, noNaN: true }),
    waist: fc.double({ min: 0.75, max: 1.1, noNaN: true }),
    hip: fc.double({ min: 0.9, max: 1.15, noNaN: true }),
  })
  .map(({ stature, chest, waist, hip }) =>
    resolveBody(
      taken({
        stature,
        chestGirth: chest * stature,
        waistGirth: waist * chest * stature,
        hipGirth: hip * chest * stature,
      }),
    ),
  );

describe('the figure', () => {
  it('has the measured girths within 0.5 % where it is sliced, for anyone', () => {
    fc.assert(
      fc.property(anyBody, (body) => {
        const at = levels(body);
        const { parts } = figure(body);
        const trunk = parts.find((p) => p.name === 'trunk')!.mesh;
        const checks: [number, MeasureKey][] = [
          [at.hip, 'hipGirth'],
          [at.waist, 'waistGirth'],
          [at.underBust, 'underBustGirth'],
          [at.chest, 'chestGirth'],
        ];
        for (const [z, key] of checks)
          expect(tapeGirthMm(sliceAt(trunk, z - 1e-6)), key).to.be.closeTo(
            body[key].valueMm,
            body[key].valueMm * 0.005,
          );
        const leg = parts.find((p) => p.name === 'right lowerLeg')!.mesh;
        const z = body.calfHeight.valueMm;
        const along = z - limbFrame(body, 'lowerLeg', 1).origin.z;
        expect(tapeGirthMm(sliceAt(leg, z))).to.be.closeTo(
          limbGirthMm(body, 'lowerLeg', along),
          body.calfGirth.valueMm * 0.01,
        );
        const head = parts.find((p) => p.name === 'head')!.mesh;
        expect(tapeGirthMm(sliceAt(head, headAxes(body).centreMm + 1e-6))).to.be.closeTo(
          body.headGirth.valueMm,
          body.headGirth.valueMm * 0.005,
        );
      }),
      { numRuns: 25 },
    );
  });

  it('is made of closed meshes that face outwards', () => {
    for (const { name, mesh } of figure(resolveBody([])).parts) {
      const edges = new Map<string, number>();
      for (const t of mesh.triangles)
        t.forEach((v, i) =>
          edges.set(`${v},${t[(i + 1) % 3]!}`, (edges.get(`${v},${t[(i + 1) % 3]!}`) ?? 0) + 1),
        );
      for (const key of edges.keys()) expect(edges.get(key.split(',').reverse().join(',')), name).to.equal(1);
      expect(meshVolume(mesh), name).to.be.greaterThan(0);
    }
  });

  it('weighs about what people weigh', () => {
    // A body is about as dense as water; a 1.69 m typical adult weighs 60–85 kg (from memory). The loft has no feet, hands, seat or shoulder caps, so it lies below.
    const litres = figure(resolveBody([])).parts.reduce((sum, p) => sum + meshVolume(p.mesh), 0) / 1e6;
    expect(litres).to.be.within(42, 85);
  });

  it('puts a larger belly in front, not behind', () => {
    const lean = resolveBody(taken({ stature: 1750, chestGirth: 1000, waistGirth: 850, hipGirth: 980 }));
    const stout = resolveBody(taken({ stature: 1750, chestGirth: 1000, waistGirth: 1150, hipGirth: 980 }));
    const reach = (body: typeof lean): [number, number] => {
      const ys = sliceAt(figure(body).parts[0]!.mesh, levels(body).waist).map((p) => p.y);
      return [Math.min(...ys), Math.max(...ys)];
    };
    expect(reach(stout)[1] - reach(lean)[1]).to.be.greaterThan(
      3 * Math.abs(reach(stout)[0] - reach(lean)[0]),
    );
  });

  it('mirrors limbs left and right', () => {
    const body = resolveBody([]);
    const p = { x: 30, y: 10, z: 50 };
    const right = onLimb(limbFrame(body, 'forearm', 1), p);
    const left = onLimb(limbFrame(body, 'forearm', -1), p);
    expect(left.x).to.be.closeTo(-right.x, 1e-9);
    expect(left.z).to.be.closeTo(right.z, 1e-9);
  });
});

describe('the tape set', () => {
  it('is about forty measures, each explained', () => {
    expect(measures.length).to.be.within(38, 42);
    expect(new Set(measures.map((m) => m.key)).size).to.equal(measures.length);
    for (const m of measures) expect(m.how.length, m.key).to.be.greaterThan(20);
  });

  it('agrees with the survey means (from memory) within 4 %, from stature alone', () => {
    // Typical adult means, women / men, averaged; common military survey, from memory.
    const means: Partial<Record<MeasureKey, number>> = {
      headGirth: 567.5,
      headLength: 194,
      headBreadth: 150.5,
      neckGirth: 364,
      shoulderBreadth: 390,
      chestGirth: 1002.5,
      waistGirth: 901,
      wristGirth: 165.5,
      forearmGirth: 287.5,
      upperArmGirth: 331.5,
      thighGirth: 621,
      calfGirth: 383,
      handLength: 187,
      handGirth: 199.5,
    };
    const body = resolveBody(taken({ stature: 1693 }));
    for (const [key, mean] of Object.entries(means))
      expect(body[key as MeasureKey].valueMm, key).to.be.closeTo(mean, mean * 0.04);
  });

  it('needs eight readings for a figure with nothing guessed at random', () => {
    const body = resolveBody(taken(Object.fromEntries(shortSet.map((k) => [k, resolveBody([])[k].valueMm]))));
    for (const m of Object.values(body)) expect(m.from ?? '').not.to.equal('a typical adult');
  });
});

describe('tapes on the figure', () => {
  it('are as long as the girths they stand for, the tape lying on the skin', () => {
    const body = resolveBody([]);
    for (const { key, points } of tapes(body).filter((t) =>
      ['chestGirth', 'waistGirth', 'hipGirth', 'calfGirth', 'wristGirth', 'headGirth'].includes(t.key),
    )) {
      const length = points.slice(1).reduce((sum, p, i) => sum + dist3(p, points[i]!), 0);
      expect(length, key).to.be.closeTo(body[key].valueMm + 2 * Math.PI * 2, body[key].valueMm * 0.006);
    }
  });

  it('run as far as the lengths they stand for, and there is one for every measure', () => {
    const body = resolveBody([]);
    const drawn = new Map(tapes(body).map((t) => [t.key, t.points]));
    expect([...drawn.keys()]).to.have.members(Object.keys(body));
    for (const key of [
      'headLength',
      'headBreadth',
      'shoulderBreadth',
      'footLength',
      'handLength',
      'calfHeight',
      'kneeHeight',
      'insideLeg',
      'stature',
      'forearmGirthAt',
      'eyeDepth',
      'earDepth',
      'earLength',
      'noseOut',
    ] as const) {
      const points = drawn.get(key)!;
      const length = points.slice(1).reduce((sum, p, i) => sum + dist3(p, points[i]!), 0);
      expect(length, key).to.be.closeTo(body[key].valueMm, body[key].valueMm * 0.06);
    }
  });
});
