import { expect } from 'chai';
import fc from 'fast-check';
import { irradiance, leastDistanceMm, litFace, type LitFace } from './face';

const lambert = (xMm: number, yMm: number, flux = 1) => ({ xMm, yMm, flux, lobe: 1 });
const face = (change: Partial<LitFace> = {}): LitFace => ({
  widthMm: 80,
  heightMm: 40,
  distanceMm: 15,
  sources: [lambert(20, 20), lambert(60, 20)],
  layers: [],
  wallReflectance: 0,
  ...change,
});

describe('light on a plane', () => {
  it('of a point goes with the cosine and the inverse square (Lambert, 1760): E = I·cos θ/r²', () => {
    // An even lamp of unit intensity along its axis: flux π for a Lambertian one.
    const at = (aside: number, d: number): number => irradiance({ flux: Math.PI, lobe: 1 }, aside, d);
    expect(at(0, 10)).to.be.closeTo(1 / 100, 1e-12);
    expect(at(0, 20)).to.be.closeTo(1 / 400, 1e-12);
    // At 45° a Lambertian lamp gives cos² over twice the square: a quarter of what is beneath it.
    expect(at(10, 10)).to.be.closeTo(1 / 400, 1e-12);
  });

  it('of a long line falls with the distance, not its square: E = πI′/2d for Lambertian points', () => {
    // Points of intensity I′dx·cos θ: ∫ I′ d²/(d² + x²)² dx = π I′/2d.
    const line = (d: number): number => {
      let sum = 0;
      for (let x = -4000; x <= 4000; x += 1) sum += irradiance({ flux: Math.PI, lobe: 1 }, Math.abs(x), d);
      return sum;
    };
    expect(line(40)).to.be.closeTo(Math.PI / 80, 1e-4);
    expect(line(20) / line(40)).to.be.closeTo(2, 1e-3);
  });

  it('of an even Lambertian disc is π·L·sin² of its half angle on its axis', () => {
    const [r, d] = [30, 25];
    let sum = 0;
    const step = 0.5;
    for (let x = -r; x <= r; x += step)
      for (let y = -r; y <= r; y += step)
        if (x * x + y * y <= r * r)
          sum += irradiance({ flux: Math.PI * step * step, lobe: 1 }, Math.hypot(x, y), d);
    const sin2 = (r * r) / (r * r + d * d);
    expect(sum).to.be.closeTo(Math.PI * sin2, 0.01 * Math.PI * sin2);
  });

  it('of any lobe sums to the lamp’s flux over the whole plane', () => {
    for (const lobe of [1, 4, 10]) {
      let sum = 0;
      const step = 0.2;
      for (let r = step / 2; r < 4000; r += step)
        sum += irradiance({ flux: 1, lobe }, r, 10) * 2 * Math.PI * r * step;
      expect(sum).to.be.closeTo(1, 0.005);
    }
  });
});

describe('a lit face', () => {
  const any = fc.record({
    widthMm: fc.integer({ min: 20, max: 300 }),
    heightMm: fc.integer({ min: 10, max: 200 }),
    distanceMm: fc.integer({ min: 3, max: 60 }),
    wallReflectance: fc.constantFrom(0, 0.5, 0.85),
    layers: fc.array(
      fc.record({
        transmission: fc.double({ min: 0.3, max: 0.95, noNaN: true }),
        spreadMm: fc.double({ min: 0, max: 8, noNaN: true }),
      }),
      { maxLength: 3 },
    ),
    places: fc.array(
      fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
      { minLength: 1, maxLength: 6 },
    ),
  });
  const made = ({ places, ...rest }: typeof any extends fc.Arbitrary<infer T> ? T : never): LitFace => ({
    ...rest,
    sources: places.map(([x, y]) => lambert(x * rest.widthMm, y * rest.heightMm)),
  });

  it('never gives out more than is put in, and every layer more takes from it', () => {
    fc.assert(
      fc.property(any, (given) => {
        const one = made(given);
        const lit = litFace(one, 64);
        expect(lit.passed).to.be.within(0, 1);
        const more = litFace({ ...one, layers: [...one.layers, { transmission: 0.6, spreadMm: 2 }] }, 64);
        expect(more.passed).to.be.at.most(lit.passed + 1e-9);
        expect(more.evenness).to.be.at.least(lit.evenness - 0.02);
      }),
      { numRuns: 60 },
    );
  });

  it('is told the same by a grid twice as fine, to a hundredth', () => {
    fc.assert(
      fc.property(any, (given) => {
        const one = made({ ...given, distanceMm: Math.max(8, given.distanceMm) });
        const [coarse, fine] = [litFace(one, 96), litFace(one, 192)];
        expect(fine.evenness).to.be.closeTo(coarse.evenness, 0.01);
      }),
      { numRuns: 25 },
    );
  });

  it('is evener further away, with walls that give light back, and with more lamps', () => {
    const even = (change: Partial<LitFace>): number => litFace(face(change)).evenness;
    expect(even({ distanceMm: 30 })).to.be.greaterThan(even({ distanceMm: 10 }));
    expect(even({ wallReflectance: 0.85 })).to.be.greaterThan(even({}));
    const four = [10, 30, 50, 70].map((x) => lambert(x, 20, 0.5));
    expect(even({ sources: four })).to.be.greaterThan(even({}));
  });

  it('loses nothing in a box of mirrors, be it deep', () => {
    for (const distanceMm of [10, 30, 60])
      expect(litFace(face({ wallReflectance: 1, distanceMm }), 48).passed, `${distanceMm} mm`).to.be.within(
        0.96,
        1,
      );
  });

  it('agrees with half a million rays followed from wall to wall, shallow and deep', () => {
    let seed = 1;
    const chance = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
    for (const [distanceMm, rho] of [
      [15, 0.85],
      [60, 0.85],
      [40, 0.35],
    ] as const) {
      const one = face({ distanceMm, wallReflectance: rho, sources: [lambert(20, 12), lambert(60, 20)] });
      const [columns, rows] = [8, 4];
      const cells = new Float64Array(columns * rows);
      const rays = 250_000;
      for (const { xMm, yMm } of one.sources)
        for (let n = 0; n < rays; n++) {
          // A Lambertian ray: the square of the sine is even.
          const [u, way] = [chance(), 2 * Math.PI * chance()];
          const aside = distanceMm * Math.sqrt(u / (1 - u));
          let weight = 1;
          const walk = (from: number, by: number, size: number): number => {
            let at = from + by;
            while (at < 0 || at > size) {
              at = at < 0 ? -at : 2 * size - at;
              weight *= rho;
              if (weight < 1e-6) return size / 2;
            }
            return at;
          };
          const x = walk(xMm, aside * Math.cos(way), one.widthMm);
          const y = walk(yMm, aside * Math.sin(way), one.heightMm);
          const cell =
            Math.min(rows - 1, Math.floor((y / one.heightMm) * rows)) * columns +
            Math.min(columns - 1, Math.floor((x / one.widthMm) * columns));
          cells[cell]! += weight;
        }
      const sum = cells.reduce((s, v) => s + v, 0);
      const lit = litFace(one, 80);
      expect(lit.passed, `${distanceMm} mm`).to.be.closeTo(sum / (2 * rays), 0.02);
      // The same cells, as means of the finer grid.
      const mean = (c: number, r: number): number => {
        let of = 0;
        const [w, h] = [lit.columns / columns, lit.rows / rows];
        for (let i = r * h; i < (r + 1) * h; i++)
          for (let k = c * w; k < (c + 1) * w; k++) of += lit.values[i * lit.columns + k]!;
        return of / (w * h);
      };
      const ours = Array.from(cells, (_, i) => mean(i % columns, Math.floor(i / columns)));
      const whole = ours.reduce((s, v) => s + v, 0);
      ours.forEach((v, i) =>
        expect((v / whole) * cells.length).to.be.closeTo((cells[i]! / sum) * cells.length, 0.05),
      );
    }
  });

  it('finds the least distance that is even enough, and says when there is none', () => {
    const walls = face({ wallReflectance: 0.85, layers: [{ transmission: 0.5, spreadMm: 3 }] });
    const least = leastDistanceMm(walls, 0.7, 60)!;
    expect(litFace({ ...walls, distanceMm: least }, 48).evenness).to.be.at.least(0.7);
    expect(litFace({ ...walls, distanceMm: least - 1.5 }, 48).evenness).to.be.lessThan(0.7);
    expect(leastDistanceMm(face({ sources: [lambert(0, 0)] }), 0.95, 20)).to.equal(undefined);
  });

  it('through two diffusers is that of one whose share is their product and whose spread is the root of their squares', () => {
    const [a, b] = [
      { transmission: 0.5, spreadMm: 3 },
      { transmission: 0.8, spreadMm: 4 },
    ];
    const two = litFace(face({ layers: [a, b] }));
    const one = litFace(face({ layers: [{ transmission: 0.4, spreadMm: 5 }] }));
    expect(two.passed).to.be.closeTo(one.passed, 1e-9);
    two.values.forEach((v, i) => expect(v).to.be.closeTo(one.values[i]!, 1e-12));
  });
});
