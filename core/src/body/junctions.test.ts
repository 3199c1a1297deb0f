import { expect } from 'chai';
import fc from 'fast-check';
import { meshVolume } from '../geometry/mesh';
import { resolveBody } from './estimate';
import { figure } from './figure';
import { junctions } from './junctions';
import { levels, torsoSection } from './sections';

const anyBody = fc
  .record({
    stature: fc.double({ min: 1100, max: 2000, noNaN: true }),
    chest: fc.double({ min: 0.48, max: 0.72, noNaN: true }),
    hip: fc.double({ min: 0.9, max: 1.15, noNaN: true }),
  })
  .map(({ stature, chest, hip }) =>
    resolveBody(
      (['stature', 'chestGirth', 'hipGirth'] as const).map((key) => ({
        key,
        valueMm: { stature, chestGirth: chest * stature, hipGirth: hip * chest * stature }[key],
        source: 'tape' as const,
        takenOn: '2026-03-01',
      })),
    ),
  );

describe('what joins the parts of the figure', () => {
  it('adds nothing to a girth: at hip, waist, under bust and chest it lies within the trunk, for anyone', () => {
    fc.assert(
      fc.property(anyBody, (body) => {
        const at = levels(body);
        for (const { name, mesh } of junctions(body).filter((p) => !p.name.includes('armpit')))
          for (const z of [at.hip, at.waist, at.underBust, at.chest]) {
            const { a, b, forwardMm } = torsoSection(body, z);
            for (const p of mesh.points)
              if (Math.abs(p.z - z) < 1)
                expect(Math.hypot(p.x / a, (p.y - forwardMm) / b), `${name} at ${z}`).to.be.at.most(1.001);
          }
      }),
      { numRuns: 40, seed: 3 },
    );
  });

  it('joins both ends: it begins on the limb or the neck and ends within the trunk', () => {
    const body = resolveBody([]);
    const trunk = figure(body).parts.find((p) => p.of === 'trunk')!.mesh;
    const lowest = Math.min(...trunk.points.map((p) => p.z));
    for (const { name, mesh } of junctions(body)) {
      const zs = mesh.points.map((p) => p.z);
      expect(Math.max(...zs), name).to.be.greaterThan(lowest);
      expect(Math.abs(meshVolume(mesh)), name).to.be.greaterThan(1e5);
    }
  });

  it('is the same on both sides', () => {
    const all = junctions(resolveBody([]));
    const volume = (name: string): number => meshVolume(all.find((p) => p.name === name)!.mesh);
    expect(volume('left armpit')).to.be.closeTo(volume('right armpit'), 1);
    expect(volume('left groin')).to.be.closeTo(volume('right groin'), 1);
    for (const { name } of all) expect(volume(name), `${name} faces outwards`).to.be.greaterThan(0);
  });
});
