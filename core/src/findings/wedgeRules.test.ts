import { expect } from 'chai';
import { applyChanges, type BuildDoc, type Feature } from '../document';
import { dist3 } from '../geometry';
import { newBuild, newPart } from '../parts';
import { adultMeasures } from '../parts/testing/worn.test';
import { reportOf } from '../report/testing/reportOf';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };

const wedge = (params: Feature['params'] = {}, v = 0.5, u = 0.5): Feature => ({
  id: 'wedge',
  kind: 'spacer',
  place: { on: 'panel', panel: 'a', u, v, turnDeg: 0 },
  params: {
    fills: 'part',
    lowerMm: 2,
    upperMm: 2,
    widthMm: 30,
    lengthMm: 40,
    pressMm: 0,
    madeOf: 'part',
    foamMm: 5,
    ...params,
  },
});

/** A plate over the chest, and perhaps something else under it. */
function over(under: 'breastplate' | 'gorget' | undefined, feature: Feature, outerMm = 30): BuildDoc {
  const plate = (id: string, form: string, params: object) => {
    const part = newPart(id, wearer, form);
    return { ...part, params: { ...part.params, ...params } };
  };
  return {
    ...newBuild(`Over ${under ?? 'nothing'}`, '2026-03-01', wearer),
    parts: [
      {
        ...plate('outer', 'breastplate', {
          paddingMm: outerMm,
          ridgeMm: 0,
          halves: 1,
          topMm: 0,
          neckScoopMm: 0,
        }),
        features: [feature],
      },
      ...(under
        ? [plate('inner', under, under === 'gorget' ? {} : { paddingMm: 5, ridgeMm: 0, halves: 1 })]
        : []),
    ] as BuildDoc['parts'],
  };
}

const found = (doc: BuildDoc) => reportOf(doc).findings.find((f) => f.id.startsWith('wedge'));

describe('wedges between two parts', function () {
  this.timeout(60_000);

  it('are compared with the gap that is there, the nearest of two meshes, and the remedy fills it', () => {
    for (const outerMm of [22, 30]) {
      const doc = over('breastplate', wedge(), outerMm);
      const report = reportOf(doc);
      const [outer, inner] = report.parts;
      const off = found(doc)!;
      const set = off.remedies[0]!.changes.map((c) => c.value as number);
      // Both plates lie in the space of the figure: the nearest of the inner one, finely sampled, from each spot.
      const { points, triangles } = inner!.solid.mesh;
      const fine = triangles.flatMap(([a, b, c]) =>
        [0, 1, 2, 3, 4, 5, 6].flatMap((i) =>
          Array.from({ length: 7 - i }, (_, j) => {
            const [s, t] = [i / 6, j / 6];
            const [p, q, r] = [points[a]!, points[b]!, points[c]!];
            const at = (k: 'x' | 'y' | 'z'): number => p[k] * (1 - s - t) + q[k] * s + r[k] * t;
            return { x: at('x'), y: at('y'), z: at('z') };
          }),
        ),
      );
      const nearest = outer!.wedges[0]!.ends.map(({ spots }) => {
        const all = spots.map(({ at }) => Math.min(...fine.map((p) => dist3(p, at))));
        return all.reduce((sum, mm) => sum + mm, 0) / all.length;
      });
      for (const [i, mm] of nearest.entries()) {
        // Along the normal it is as far as to the nearest, or a little further where the two do not run alike.
        expect(set[i]).to.be.at.least(mm - 0.5);
        expect(set[i]).to.be.at.most(mm * 1.15 + 0.5);
      }
      const filled = applyChanges(doc, off.remedies[0]!.changes);
      expect(found(filled)).to.equal(undefined);
      // Made a good deal too thick it is found again.
      const thick = applyChanges(filled, [{ ...off.remedies[0]!.changes[0]!, value: set[0]! + 4 }]);
      expect(found(thick)!.excess).to.be.closeTo(2.5, 0.3);
    }
  });

  it('taper as the gap does, and grow by what the padding under the outer plate grows', () => {
    const gaps = [20, 30].map((outerMm) => {
      const doc = applyChanges(
        over('breastplate', wedge({ lengthMm: 50, widthMm: 16 }, 0.35, 0.4), outerMm),
        [{ path: ['parts', 0, 'params', 'ridgeMm'], value: 25 }],
      );
      const { changes } = found(doc)!.remedies[0]!;
      const filled = applyChanges(doc, changes);
      expect(found(filled)).to.equal(undefined);
      // As many layers as its thick end asks for.
      const layers = reportOf(filled).parts[0]!.pieces.filter((p) => p.featureId === 'wedge');
      const thickMm = Math.max(...changes.map((c) => c.value as number));
      expect(layers.reduce((sum, p) => sum + p.quantity, 0)).to.be.closeTo(thickMm / 5, 1);
      return changes.map((c) => c.value as number);
    });
    for (const [lower, upper] of gaps) expect(Math.abs(upper! - lower!)).to.be.greaterThan(2);
    for (const i of [0, 1]) expect(gaps[1]![i]! - gaps[0]![i]!).to.be.closeTo(10, 1.5);
  });

  it('hang free where nothing lies behind them: that is a finding, and no gap is made up', () => {
    expect(found(over(undefined, wedge()))!.id).to.equal('wedge-none:outer:wedge');
    expect(found(over('gorget', wedge({}, 0.3)))!.title).to.match(/no other part lies within 80 mm/);
    expect(found(over(undefined, wedge({ fills: 'wearer' })))).to.equal(undefined);
  });

  it('set to no gap at all are not cut, and the gap that is there is found and filled all the same', () => {
    const doc = over('breastplate', wedge({ lowerMm: 0, upperMm: 0 }));
    const [outer] = reportOf(doc).parts;
    expect(outer!.checks.find((c) => c.id.endsWith('feature-wedge'))!.title).to.match(/is set to 0 mm/);
    expect(outer!.pieces.some((p) => p.featureId === 'wedge')).to.equal(false);
    const filled = applyChanges(doc, found(doc)!.remedies[0]!.changes);
    expect(found(filled)).to.equal(undefined);
    expect(reportOf(filled).parts[0]!.pieces.some((p) => p.featureId === 'wedge')).to.equal(true);
  });
});
