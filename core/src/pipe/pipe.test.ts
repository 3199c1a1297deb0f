import { expect } from 'chai';
import fc from 'fast-check';
import { packs, rods } from '../materials';
import { boreForPack, boreOf, inside, pipeForPack, pipesForPack, plugMm } from './fits';
import { holeLine, mitreWrap, saddleWrap, sleeveMm } from './wraps';

const rod = (id: string) => rods.find((r) => r.id === id)!;

describe('pipe', () => {
  it('has the outsides and walls of ASTM D1785, Schedule 40', () => {
    // Spot values in inches: nominal, outside, least wall.
    for (const [id, outside, wall] of [
      ['pvc-1-2in', 0.84, 0.109],
      ['pvc-1in', 1.315, 0.133],
      ['pvc-2in', 2.375, 0.154],
      ['pvc-4in', 4.5, 0.237],
    ] as const) {
      expect(rod(id).acrossMm.value / 25.4).to.be.closeTo(outside, 1e-9);
      expect(rod(id).wallMm!.value / 25.4).to.be.closeTo(wall, 1e-9);
      expect(rod(id).acrossMm.provenance).to.equal('standard');
    }
    // Makers measure a one-inch pipe at about 33.5 mm (common practice, no source).
    expect(rod('pvc-1in').acrossMm.value).to.be.closeTo(33.5, 0.2);
  });

  it('wraps a mitre where a plane cuts the pipe, found by walking down its side', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 120, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.integer({ min: 0, max: 96 }),
        (across, angle, i) => {
          const { line, girthMm } = mitreWrap(across, angle);
          const p = line[i]!;
          // The plane through the lowest point of the cut, tilted by the angle about y.
          const turn = (p.x / girthMm) * 2 * Math.PI;
          const [x0, slope] = [across / 2, Math.tan((angle * Math.PI) / 180)];
          let [low, high] = [0, across * slope + 1];
          for (let k = 0; k < 60; k++) {
            const z = (low + high) / 2;
            if (z < slope * (x0 - (across / 2) * Math.cos(turn))) low = z;
            else high = z;
          }
          expect(p.y).to.be.closeTo(low, 1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('wraps a saddle where two cylinders meet, found by marching along the branch', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 40, noNaN: true }),
        fc.double({ min: 45, max: 90, noNaN: true }),
        fc.double({ min: 30, max: 90, noNaN: true }),
        (branch, main, angle) => {
          // A wall as thin as paper, so that outside and bore are one.
          const wrap = saddleWrap({ outsideMm: branch, boreMm: branch }, main, angle)!;
          const lean = (angle * Math.PI) / 180;
          const d = { x: Math.cos(lean), z: Math.sin(lean) };
          const u = { x: -Math.sin(lean), z: Math.cos(lean) };
          const along = wrap.line.map((p) => {
            const turn = (p.x / wrap.girthMm) * 2 * Math.PI;
            const [a, b] = [(branch / 2) * Math.cos(turn), (branch / 2) * Math.sin(turn)];
            const outside = (t: number): boolean => Math.hypot(t * d.z - a * u.z, b) > main / 2;
            let [low, high] = [0, 500];
            for (let k = 0; k < 60; k++) {
              const t = (low + high) / 2;
              if (outside(t)) high = t;
              else low = t;
            }
            return high;
          });
          const least = Math.min(...along);
          wrap.line.forEach((p, i) => expect(p.y).to.be.closeTo(along[i]! - least, 0.02));
        },
      ),
      { numRuns: 40 },
    );
    expect(saddleWrap({ outsideMm: 60, boreMm: 50 }, 50), 'wider than what it sits on').to.equal(undefined);
  });

  it('says what goes into what', () => {
    const one = rod('pvc-1in');
    expect(boreOf(one)).to.be.closeTo(33.401 - 2 * 3.378, 0.01);
    const fits = inside(one, rods);
    expect(fits.every((f) => f.rod.acrossMm.value < boreOf(one))).to.equal(true);
    expect(fits.map((f) => f.rod.id))
      .to.include('dowel-25')
      .and.not.to.include('dowel-28');
    // Two AA side by side: 29 by 14.5 across (IEC 60086-2), so a bore of their diagonal and room.
    const pair = { lengthMm: 50.5, widthMm: 29, thickMm: 14.5 };
    expect(boreForPack(pair)).to.be.closeTo(Math.hypot(29, 14.5) + 0.2, 1e-9);
    expect(boreOf(pipeForPack(pair, rods)!)).to.be.at.least(boreForPack(pair));
    expect(plugMm(26.6)).to.be.closeTo(27.4, 0.01);
  });

  it('spaces holes, and cuts a sleeve that closes (Steiner)', () => {
    expect(holeLine(50, 250, 50)).to.deep.equal([50, 100, 150, 200, 250]);
    expect(sleeveMm(33.4, 5, 0.5)).to.be.closeTo(Math.PI * 38.4, 1e-9);
  });

  it('names the pipe for a pack with the ones to either side, in one order', () => {
    for (const pack of packs) {
      const found = pipesForPack(pack, rods);
      const need = Math.hypot(
        ...[pack.lengthMm, pack.widthMm, pack.thickMm].sort((a, b) => a - b).slice(0, 2),
      );
      const widths = found.map((f) => f.rod.acrossMm.value);
      expect(widths).to.deep.equal([...widths].sort((a, b) => a - b));
      for (const { rod, spareMm } of found) {
        const bore = rod.acrossMm.value - 2 * rod.wallMm!.value;
        expect(spareMm, `${pack.name} in ${rod.name}`).to.be.closeTo(bore - need, 0.21);
      }
      const at = found.findIndex((f) => f.spareMm >= 0);
      // A pack does not show through its pipe.
      expect(found.filter(({ rod }) => /clear|opal/.test(rod.name))).to.have.length(0);
      // Nothing narrower that is known takes it and hides it.
      if (at >= 0)
        for (const rod of rods.filter(
          (r) =>
            r.matter !== 'clear' &&
            r.matter !== 'opal' &&
            r.shape === 'tube' &&
            r.acrossMm.value < widths[at]!,
        ))
          expect(boreOf(rod)).to.be.below(need + 0.2);
    }
  });
});
