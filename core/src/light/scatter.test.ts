import { expect } from 'chai';
import { litFace, type LitFace } from './face';

const face = (change: Partial<LitFace> = {}): LitFace => ({
  widthMm: 60,
  heightMm: 30,
  distanceMm: 30,
  sources: [15, 45].map((xMm) => ({ xMm, yMm: 15, flux: 1, lobe: 1 })),
  layers: [],
  wallReflectance: 0.75,
  wallDiffuse: 1,
  ...change,
});

/** The same box by rays, each followed until it is taken or comes out; walls and back scatter or mirror. */
function traced({
  widthMm: w,
  heightMm: h,
  distanceMm: d,
  sources,
  wallReflectance,
  wallDiffuse = 0,
}: LitFace) {
  let seed = 7;
  const chance = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const [columns, rows] = [6, 3];
  const cells = new Float64Array(columns * rows);
  const rays = 120_000;
  let out = 0;
  for (const { xMm, yMm } of sources)
    for (let n = 0; n < rays / sources.length; n++) {
      // From the lamp, Lambertian about the way to the face; then about the normal of what it met.
      let p: [number, number, number] = [xMm, yMm, 0];
      let normal: [number, number, number] = [0, 0, 1];
      let ray: [number, number, number] | undefined;
      for (;;) {
        if (!ray) {
          const [u, turn] = [chance(), 2 * Math.PI * chance()];
          const [s, c] = [Math.sqrt(u), Math.sqrt(1 - u)];
          const [a, b] =
            normal[2] !== 0
              ? [
                  [1, 0, 0],
                  [0, 1, 0],
                ]
              : normal[0] !== 0
                ? [
                    [0, 1, 0],
                    [0, 0, 1],
                  ]
                : [
                    [1, 0, 0],
                    [0, 0, 1],
                  ];
          ray = [0, 1, 2].map(
            (k) => s * Math.cos(turn) * a![k]! + s * Math.sin(turn) * b![k]! + c * normal[k]!,
          ) as [number, number, number];
        }
        let [t, axis, far] = [Infinity, 0, 0];
        [w, h, d].forEach((size, k) => {
          const to = ray![k]! > 0 ? (size - p[k]!) / ray![k]! : ray![k]! < 0 ? -p[k]! / ray![k]! : Infinity;
          if (to > 1e-9 && to < t) [t, axis, far] = [to, k, ray![k]! > 0 ? 1 : 0];
        });
        p = [0, 1, 2].map((k) => p[k]! + t * ray![k]!) as [number, number, number];
        p[axis] = far ? [w, h, d][axis]! : 0;
        if (axis === 2 && far === 1) {
          const [i, k] = [
            Math.min(columns - 1, Math.floor((p[0] / w) * columns)),
            Math.min(rows - 1, Math.floor((p[1] / h) * rows)),
          ];
          cells[k * columns + i]! += 1;
          out += 1;
          break;
        }
        if (chance() > wallReflectance) break;
        normal = [0, 0, 0];
        normal[axis] = far ? -1 : 1;
        if (chance() < wallDiffuse) ray = undefined;
        else ray = ray.map((v, k) => (k === axis ? -v : v)) as [number, number, number];
      }
    }
  const mean = out / cells.length;
  return { passed: out / rays, shares: [...cells].map((v) => v / mean) };
}

describe('walls that scatter', () => {
  for (const [name, change] of [
    ['white, as deep as the face is high', {}],
    ['white, twice as deep', { distanceMm: 60 }],
    ['plain foam', { wallReflectance: 0.35 }],
    ['white and shallow', { distanceMm: 12 }],
    ['paint with a little shine', { wallDiffuse: 0.95 }],
  ] as const)
    it(`${name}: as much comes out, and as evenly, as of rays followed from wall to wall`, () => {
      const one = face(change);
      const rays = traced(one);
      const lit = litFace(one, 96);
      expect(lit.passed, 'passed').to.be.closeTo(rays.passed, 0.04);
      const [columns, rows] = [6, 3];
      const sums = new Float64Array(columns * rows);
      for (let r = 0; r < lit.rows; r++)
        for (let c = 0; c < lit.columns; c++)
          sums[Math.floor((r / lit.rows) * rows) * columns + Math.floor((c / lit.columns) * columns)]! +=
            lit.values[r * lit.columns + c]!;
      const mean = sums.reduce((s, v) => s + v, 0) / sums.length;
      rays.shares.forEach((share, i) => expect(sums[i]! / mean, `cell ${i}`).to.be.closeTo(share, 0.07));
    });

  /** A cube whose back shines evenly all over. */
  const cube = (change: Partial<LitFace>): LitFace =>
    face({
      widthMm: 50,
      heightMm: 50,
      distanceMm: 50,
      sources: Array.from({ length: 400 }, (_, i) => ({
        xMm: ((i % 20) + 0.5) * 2.5,
        yMm: (Math.floor(i / 20) + 0.5) * 2.5,
        flux: 1 / 400,
        lobe: 1,
      })),
      ...change,
    });

  it('a side of a black cube sends 0.1998 of its light to the one opposite (Hottel; Howell, C-11)', () => {
    expect(litFace(cube({ wallReflectance: 0 }), 64).passed).to.be.closeTo(0.1998, 0.002);
  });

  it('an even cube of grey walls: as its rays say, and below the half of three zones that are each alike', () => {
    // Walls: W = ρ(0.8(1 + B) + 0.6 W); back: B = 0.2 ρ W; out: 0.2 (1 + B) + 0.2 W. Real walls are brightest at the back.
    const rho = 0.75;
    const W = (rho * 0.8) / (1 - rho * 0.8 * 0.2 * rho - rho * 0.6);
    const zones = 0.2 * (1 + 0.2 * rho * W) + 0.2 * W;
    expect(zones).to.be.closeTo(0.5, 1e-9);
    const one = cube({ wallReflectance: rho, wallDiffuse: 1 });
    const { passed } = litFace(one, 64);
    expect(passed).to.be.closeTo(traced(one).passed, 0.015);
    expect(passed).to.be.within(0.85 * zones, zones);
  });

  it('give less out of a deep box than mirrors, and more than black ones', () => {
    const passed = (change: Partial<LitFace>): number => litFace(face({ distanceMm: 60, ...change })).passed;
    expect(passed({ wallDiffuse: 0 })).to.be.greaterThan(passed({}) + 0.1);
    expect(passed({})).to.be.greaterThan(passed({ wallReflectance: 0 }) + 0.02);
  });
});
