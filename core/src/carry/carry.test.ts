import { expect } from 'chai';
import fc from 'fast-check';
import { dist3, inertiaAbout, meshWeight, pointWeight, rodWeight, togetherWeight } from '../geometry';
import { secondMomentMm4, sectionAreaMm2 } from '../panel';
import { newBuild, newPart } from '../parts';
import type { Part } from '../document';
import { derive } from '../report';
import { hang, type Load } from './beam';
import { breakDown } from './breakDown';
import { ballastFor } from './carried';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };

describe('a stick held at one end', () => {
  it('hangs as the beam tables say: PL³/3EI under a load at its tip, wL⁴/8EI under its own weight', () => {
    const E = 2900;
    const I = (Math.PI * (33.4 ** 4 - 26.6 ** 4)) / 64;
    const [L, grams] = [1000, 400];
    const force = grams * 9.80665e-3;
    expect(hang([{ atMm: L, massG: grams }], L, L, E * I).sagMm).to.be.closeTo(
      (force * L ** 3) / (3 * E * I),
      1e-3 * ((force * L ** 3) / (3 * E * I)),
    );
    const n = 400;
    const even: Load[] = Array.from({ length: n }, (_, i) => ({
      atMm: ((i + 0.5) / n) * L,
      massG: grams / n,
    }));
    const want = (force * L ** 3) / (8 * E * I);
    const { sagMm, hz } = hang(even, L, L, E * I);
    expect(sagMm).to.be.closeTo(want, want * 2e-3);
    // First frequency of an even cantilever: 1.8751² / 2π · √(EI/mL³), handbooks of vibration; Rayleigh is a little over.
    const kg = grams / 1000;
    const first = (1.8751 ** 2 / (2 * Math.PI)) * Math.sqrt((E * I * 1e-6) / (kg * (L / 1000) ** 3));
    expect(hz / first).to.be.within(1, 1.02);
  });

  it('hangs at the end of what it carries, which goes straight on beyond the stick (PL²/2EI is its slope there)', () => {
    const [E, I, L, grams] = [2900, 2000, 800, 300];
    const force = grams * 9.80665e-3;
    const atEnd = (force * L ** 3) / (3 * E * I);
    const slope = (force * L ** 2) / (2 * E * I);
    const { sagMm } = hang([{ atMm: L, massG: grams }], L, 1.5 * L, E * I);
    expect(sagMm / (atEnd + slope * 0.5 * L)).to.be.closeTo(1, 1e-3);
  });

  it('has the second moments of the tables', () => {
    expect(secondMomentMm4({ shape: 'round', outsideMm: 20 })).to.be.closeTo(7853.98, 0.01);
    expect(secondMomentMm4({ shape: 'bar', widthMm: 20, thickMm: 3 })).to.equal(45);
    expect(sectionAreaMm2({ shape: 'tube', outsideMm: 20, boreMm: 16 })).to.be.closeTo(36 * Math.PI, 1e-9);
  });
});

describe('mass and balance', () => {
  it('of a solid are those of the handbooks: a brick’s moments are m(b² + c²)/12', () => {
    const [a, b, c] = [60, 40, 20];
    const points = [0, 1].flatMap((x) =>
      [0, 1].flatMap((y) => [0, 1].map((z) => ({ x: x * a, y: y * b, z: z * c }))),
    );
    const at = (x: number, y: number, z: number): number => 4 * x + 2 * y + z;
    const quads = [
      [at(0, 0, 0), at(0, 1, 0), at(1, 1, 0), at(1, 0, 0)],
      [at(0, 0, 1), at(1, 0, 1), at(1, 1, 1), at(0, 1, 1)],
      [at(0, 0, 0), at(1, 0, 0), at(1, 0, 1), at(0, 0, 1)],
      [at(0, 1, 0), at(0, 1, 1), at(1, 1, 1), at(1, 1, 0)],
      [at(0, 0, 0), at(0, 0, 1), at(0, 1, 1), at(0, 1, 0)],
      [at(1, 0, 0), at(1, 1, 0), at(1, 1, 1), at(1, 0, 1)],
    ];
    const triangles = quads.flatMap(([p, q, r, s]): [number, number, number][] => [
      [p!, q!, r!],
      [p!, r!, s!],
    ]);
    const w = meshWeight({ points, triangles }, 300);
    expect(w.at).to.deep.equal({ x: 30, y: 20, z: 10 });
    expect(inertiaAbout(w, w.at, { x: 1, y: 0, z: 0 })).to.be.closeTo((300 * (b * b + c * c)) / 12, 1e-6);
    expect(inertiaAbout(w, { x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: 1 })).to.be.closeTo(
      (300 * (a * a + b * b)) / 3,
      1e-6,
    );
  });

  it('do not change with how a body is divided', () => {
    const point = fc.record({
      x: fc.double({ min: -500, max: 500, noNaN: true }),
      y: fc.double({ min: -500, max: 500, noNaN: true }),
      z: fc.double({ min: -500, max: 500, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 1, max: 900, noNaN: true }), point), {
          minLength: 2,
          maxLength: 12,
        }),
        fc.nat(),
        (all, cut) => {
          const weights = all.map(([g, p]) => pointWeight(g, p));
          const k = 1 + (cut % (weights.length - 1));
          const whole = togetherWeight(weights);
          const split = togetherWeight([
            togetherWeight(weights.slice(0, k)),
            togetherWeight(weights.slice(k)),
          ]);
          expect(dist3(whole.at, split.at)).to.be.lessThan(1e-6);
          expect(split.spread.xx / Math.max(1, whole.spread.xx)).to.be.closeTo(
            whole.spread.xx / Math.max(1, whole.spread.xx),
            1e-6,
          );
        },
      ),
    );
    const rod = rodWeight({ x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: 900 }, 300);
    const halves = togetherWeight([
      rodWeight({ x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: 350 }, (300 * 350) / 900),
      rodWeight({ x: 0, y: 0, z: 350 }, { x: 0, y: 0, z: 900 }, (300 * 550) / 900),
    ]);
    expect(halves.spread.zz).to.be.closeTo(rod.spread.zz, 1e-3);
  });

  it('come to where they are wanted with the ballast that is reported', () => {
    const sword = (footG: number): Part[] => {
      const haft = newPart('h', wearer, 'haft');
      return [
        { ...haft, params: { ...haft.params, rod: 'dowel-16', balanceMm: 90, footG } },
        newPart('b', wearer, 'blade', undefined, 'h'),
        newPart('g', wearer, 'grip', undefined, 'h'),
      ];
    };
    const of = (parts: Part[]) => derive({ ...newBuild('Sword', '2026-03-01', wearer), parts }).carried[0]!;
    const before = of(sword(0));
    expect(before.balanceMm).to.be.greaterThan(100);
    expect(before.ballast!.end).to.equal('foot');
    // The stick's own foot is where its ballast goes.
    expect(before.ballast!.armMm).to.be.closeTo(-160, 1e-9);
    expect(of(sword(before.ballast!.massG)).balanceMm).to.be.closeTo(90, 0.5);
    expect(ballastFor(1000, 200, 100, [-300, 900])!.massG).to.be.closeTo(250, 1e-9);
  });
});

describe('where a prop comes apart', () => {
  const taken = fc
    .array(fc.tuple(fc.integer({ min: 0, max: 1900 }), fc.integer({ min: 10, max: 300 })), { maxLength: 5 })
    .map((all) => all.map(([from, size]) => [from, from + size] as const));

  it('no length is over the limit, no joint lies in what goes over the stick, and none fewer would do', () => {
    fc.assert(
      fc.property(taken, fc.integer({ min: 350, max: 1200 }), (spans, limit) => {
        const found = breakDown(0, 2000, spans, limit);
        const free = (mm: number): boolean => spans.every(([a, b]) => mm <= a || mm >= b);
        // The least number of joints by breadth-first search over whole millimetres.
        let front = new Set([0]);
        let joints = 0;
        let reached = false;
        for (; joints < 9; joints++) {
          if ([...front].some((at) => at + limit >= 2000)) {
            reached = true;
            break;
          }
          const next = new Set<number>();
          for (const at of front)
            for (let mm = at + 1; mm <= at + limit && mm < 2000; mm++) if (free(mm)) next.add(mm);
          // Only the farthest are worth going on from.
          front = new Set(next.size > 0 ? [Math.max(...next)] : []);
          if (front.size === 0) break;
        }
        expect(found !== undefined).to.equal(reached);
        if (!found) return;
        expect(found.atMm).to.have.length(joints);
        expect(found.longestMm).to.be.at.most(limit + 1e-6);
        for (const at of found.atMm) expect(free(at), `joint at ${at}`).to.equal(true);
      }),
      { numRuns: 60 },
    );
  });
});
