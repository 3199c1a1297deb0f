import { expect } from 'chai';
import { polygonHull, polygonLength } from 'd3-polygon';
import fc from 'fast-check';
import { levels, neckSection, resolveBody, SHOULDER_ROUND_MM, STRAP_AT, torsoSection } from '../body';
import { drawnBetween } from '../geometry';
import { closures } from '../materials';
import { anyone, bodyOf, make } from '../parts/testing/worn.test';
import { runs } from '../units/testing/sampled';
import { strapsOf } from './straps';

const pair = (body = bodyOf({ stature: 1720 }), params = {}) => {
  const shapes = [make('breastplate', params, { body }), make('backplate', params, { body })];
  const parts = shapes.map(({ made: { model } }, i) => ({
    id: String(i),
    name: String(i),
    copies: 1,
    fastenings: model.fastenings ?? [],
    ties: model.ties ?? [],
    alone: model.alone ?? [],
  }));
  return { shapes, parts, straps: strapsOf(parts) };
};

const gapOf = (lengthMm: number): number => lengthMm - closures['hook-and-loop'].betweenMm(0, 0, 50);

describe('straps between two plates', () => {
  it('go over the shoulder as a tape drawn over its round does: hull by d3-polygon, for anyone', () => {
    fc.assert(
      fc.property(anyone, (measures) => {
        const body = resolveBody(measures);
        const { parts, straps } = pair(body);
        const { lengthMm } = straps.find((s) => s.where.startsWith('over each shoulder'))!;
        const strapMm = STRAP_AT * body.shoulderBreadth.valueMm;
        // Where the upper edges come nearest to the strap, each by itself.
        const [front, behind] = parts.map(
          (p) =>
            p.ties
              .find((t) => t.name === 'shoulder')!
              .points.slice()
              .sort((a, b) => a.x - b.x)[0]!,
        );
        const at = levels(body);
        const ridge = {
          y: neckSection(body, at.chin).forwardMm,
          z: at.shoulder - SHOULDER_ROUND_MM,
        };
        const radius = SHOULDER_ROUND_MM + 3;
        const round = Array.from({ length: 721 }, (_, i): [number, number] => {
          const turn = (Math.PI * i) / 720;
          return [ridge.y + radius * Math.cos(turn), ridge.z + radius * Math.sin(turn)];
        });
        const ends = [
          [front!.y, front!.z],
          [behind!.y, behind!.z],
        ] as [number, number][];
        const straight = Math.hypot(ends[0]![0] - ends[1]![0], ends[0]![1] - ends[1]![1]);
        // Only what stands above the straight way is in its way.
        const above = round.filter(
          ([y, z]) =>
            z >
            ends[1]![1] +
              ((ends[0]![1] - ends[1]![1]) * (y - ends[1]![0])) / (ends[0]![0] - ends[1]![0]) +
              1e-9,
        );
        const tape =
          above.length === 0 ? straight : polygonLength(polygonHull([...ends, ...above])!) - straight;
        expect(gapOf(lengthMm)).to.be.closeTo(Math.hypot(tape, front!.x - behind!.x), 2);
        // Both ends are where a strap lies, not at the arms.
        for (const end of [front!, behind!]) expect(Math.abs(end.x - strapMm)).to.be.lessThan(45);
        expect(gapOf(lengthMm)).to.be.greaterThan(60);
      }),
      { numRuns: runs(40) },
    );
  });

  it('at the sides go round the wearer where the plates leave a wide gap, and straight where they do not', () => {
    const body = bodyOf({ stature: 1720 });
    const wide = pair(body, { sideDeg: 45 });
    const narrow = pair(body, { sideDeg: 80 });
    const side = (p: typeof wide): number =>
      p.straps.find((s) => !s.where.startsWith('over each shoulder'))!.lengthMm;
    expect(side(wide)).to.be.greaterThan(side(narrow));
    // A gap of 2 · 45° of the clothed girth is longer than its chord.
    const { a, b } = torsoSection(body, levels(body).waist);
    expect(gapOf(side(wide))).to.be.greaterThan(0.5 * Math.min(a, b));
  });

  it('a tape between two points goes straight unless something stands out to its left', () => {
    const from = { x: 0, y: 0 };
    const to = { x: 30, y: 40 };
    expect(drawnBetween(from, to, [])).to.be.closeTo(50, 1e-9);
    expect(drawnBetween(from, to, [{ x: 30, y: 0 }])).to.be.closeTo(50, 1e-9);
    expect(drawnBetween(from, to, [{ x: 0, y: 40 }])).to.be.closeTo(70, 1e-9);
  });

  it('alone each plate is held by straps of its own', () => {
    const { parts } = pair();
    expect(strapsOf([parts[0]!]).map((s) => s.where)).to.deep.equal(parts[0]!.alone.map((f) => f.where));
  });
});
