import { expect } from 'chai';
import fc from 'fast-check';
import { demo } from '../files/testing/demo';
import { derive } from '../report';
import { byId } from '../units';
import { toScene } from '../view';
import { arrivals, foldedPart, shareOf, spanOf } from '.';

describe('what comes to a shell once it is together', () => {
  const report = derive(demo('lampwarden-harness'));
  const helm = byId(report.parts, 'helmet-1')!;
  const wires = report.circuits.flatMap((c) =>
    c.runs.filter((r) => r.partId === helm.id).map((r) => r.points),
  );
  const come = arrivals(helm, { wires });

  it('ends where it lies on the solid, every corner, and comes from outside', () => {
    const place = toScene(helm);
    const details = come.filter((c) => c.kind === 'detail');
    expect(details.map((d) => d.id)).to.deep.equal(
      helm.extraRuns.filter((r) => r.to > r.from).map((r) => r.id),
    );
    details.forEach((d) => {
      const run = helm.extraRuns.find((r) => r.id === d.id)!;
      helm.extras.triangles.slice(run.from, run.to).forEach((corners, t) =>
        corners.forEach((i, k) => {
          const at = d.triangles[t * 3 + k]! * 3;
          const p = place(helm.extras.points[i]!);
          const [from, to] = [d.keys[0]!, d.keys[1]!];
          const off = (key: Float32Array): number =>
            Math.hypot(key[at]! - p.x, key[at + 1]! - p.y, key[at + 2]! - p.z);
          expect(off(to)).to.be.lessThan(1e-3);
          expect(off(from)).to.be.greaterThan(60);
        }),
      );
    });
    expect(come.filter((c) => c.kind === 'wire')).to.have.length(wires.length);
  });

  it('is seen in its own steps: nothing of it before the span, all of it after', () => {
    const things = [...foldedPart(helm), ...come];
    for (const step of report.steps.filter((s) => s.partId === helm.id)) {
      const span = spanOf(things, step);
      if (!span) continue;
      const own = things.flatMap((t, i) =>
        (step.about === 'wires' && t.kind === 'wire') ||
        (['laid', 'details', 'items'].includes(step.about) &&
          t.kind === 'detail' &&
          (!step.featureIds || step.featureIds.includes(t.id))) ||
        (['seams', 'bends', 'folds', 'darts', 'attached'].includes(step.about) && t.kind === 'piece')
          ? [i]
          : [],
      );
      expect(own, step.title).to.not.have.length(0);
      for (const i of own) {
        expect(shareOf(span[0], i, things.length), step.title).to.be.at.most(1e-9);
        expect(shareOf(span[1], i, things.length), step.title).to.be.closeTo(1, 1e-9);
      }
    }
    expect(report.steps.some((s) => s.partId === helm.id && spanOf(things, s))).to.equal(true);
  });

  it('begins with nothing, ends with all, and nothing goes back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (count, at) => {
          for (let i = 0; i < count; i++) {
            expect(shareOf(0, i, count)).to.equal(0);
            expect(shareOf(1, i, count)).to.be.closeTo(1, 1e-9);
            expect(shareOf(Math.min(1, at + 0.01), i, count)).to.be.at.least(shareOf(at, i, count));
            if (i > 0) expect(shareOf(at, i, count)).to.be.at.most(shareOf(at, i - 1, count));
          }
        },
      ),
    );
  });
});
