import { expect } from 'chai';
import { polygonHull, polygonLength } from 'd3-polygon';
import fc from 'fast-check';
import {
  type Body,
  figure,
  levels,
  neckSection,
  resolveBody,
  SHOULDER_ROUND_MM,
  STRAP_AT,
  torsoSection,
} from '../body';
import type { Vec3 } from '../geometry';
import { anyone } from '../parts/testing/worn.test';
import { runs } from '../units/testing/sampled';
import { strapDownMm, strapRoundMm, strapWayMm } from './strapWay';

const backOf = (body: Body): number => {
  const { forwardMm, b } = torsoSection(body, levels(body).chest);
  return forwardMm - b;
};

/** Where a plane so far from the middle cuts the trunk of the figure as it is drawn. */
function cutAt(body: Body, acrossMm: number): [number, number][] {
  const { points, triangles } = figure(body).parts.find((p) => p.of === 'trunk')!.mesh;
  return triangles.flatMap((t) =>
    t.flatMap((from, i): [number, number][] => {
      const [p, q] = [points[from]!, points[t[(i + 1) % 3]!]!] as [Vec3, Vec3];
      if (p.x > acrossMm === q.x > acrossMm) return [];
      const s = (acrossMm - p.x) / (q.x - p.x);
      return [[p.y + s * (q.y - p.y), p.z + s * (q.z - p.z)]];
    }),
  );
}

describe('straps over the shoulders', () => {
  it('are as long as a tape drawn over the figure as it is drawn: hull of its cut by d3-polygon, for anyone', () => {
    fc.assert(
      fc.property(anyone, fc.integer({ min: 300, max: 420 }), (measures, heightMm) => {
        const body = resolveBody(measures);
        const at = levels(body);
        const acrossMm = STRAP_AT * body.shoulderBreadth.valueMm;
        const anchor: [number, number] = [backOf(body), at.waist + heightMm];
        const ridge = { y: neckSection(body, at.chin).forwardMm, z: at.shoulder - SHOULDER_ROUND_MM };
        const over = Array.from({ length: 361 }, (_, i): [number, number] => {
          const turn = (Math.PI * i) / 360;
          return [ridge.y - SHOULDER_ROUND_MM * Math.cos(turn), ridge.z + SHOULDER_ROUND_MM * Math.sin(turn)];
        });
        const front = cutAt(body, acrossMm).filter(
          ([y, z]) => z >= at.underBust - 1e-6 && z <= ridge.z && y > torsoSection(body, z).forwardMm,
        );
        const last = front.reduce((a, b) => (b[1] < a[1] ? b : a));
        const tape =
          polygonLength(polygonHull([anchor, ...over, ...front])!) -
          Math.hypot(anchor[0] - last[0], anchor[1] - last[1]);
        const ours = strapDownMm(body, 0, { topMm: anchor[1], forwardMm: anchor[0] });
        expect(ours, 'down').to.be.closeTo(tape, 0.02 * tape);
        // Round the side: the ring of the figure there, as far out as the strap lies.
        const ring = figure(body)
          .parts.find((p) => p.of === 'trunk')!
          .mesh.points.filter((p) => Math.abs(p.z - at.underBust) < 1e-6)
          .sort((p, q) => Math.atan2(p.y, p.x) - Math.atan2(q.y, q.x));
        const side = ring.reduce((sum, p, i) => {
          const q = ring[(i + 1) % ring.length]!;
          const long = Math.hypot(q.x - p.x, q.y - p.y);
          // Of each side of it as much as lies further out than the strap.
          const [least, most] = [Math.min(p.x, q.x), Math.max(p.x, q.x)];
          const share = most === least ? 1 : (most - Math.max(acrossMm, least)) / (most - least);
          return sum + (most > acrossMm ? long * share : 0);
        }, 0);
        expect(strapRoundMm(body, 0), 'round').to.be.closeTo(side, 0.02 * side);
      }),
      { numRuns: runs(25) },
    );
  });

  it('are longer over more clothes, for a larger chest and for what reaches further down', () => {
    fc.assert(
      fc.property(anyone, (measures) => {
        const body = resolveBody(measures);
        const { waist } = levels(body);
        const way = (underMm: number, footMm = 0): number =>
          strapWayMm(body, underMm, {
            topMm: waist + 350,
            footMm: waist + footMm,
            forwardMm: backOf(body) - underMm,
          });
        expect(way(20)).to.be.greaterThan(way(3));
        expect(way(3, -80)).to.be.greaterThan(way(3));
      }),
      { numRuns: runs(25) },
    );
  });
});
