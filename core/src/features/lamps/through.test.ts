import { expect } from 'chai';
import type { Check, Feature } from '../../document';
import { throughFoam } from '../../materials';
import { partReport, standardKinds } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';

const begun = standardKinds.features.get('lamps')!.start({ panel: 'face', edge: '', at: { x: 0.5, y: 0.5 } });
function lit(foamId: string, nominalMm: number, awayMm = 10) {
  const lamps: Feature = {
    id: 'l',
    kind: 'lamps',
    ...begun,
    params: { ...begun.params, count: 4, layout: 'grid', rows: 2, pitchMm: 25, shows: 'through', awayMm },
  };
  const report = partReport(
    { ...partOf('box'), stack: [{ foamId, nominalMm }], features: [lamps] },
    contextOf(),
  );
  const reported: Check | undefined = report.checks.find((c) => c.id === 'through-l');
  return { report, reported };
}
const share = (title: string): number => Number(/^(\d+) % of the light/.exec(title)![1]);

describe('lamps behind foam that light goes through', () => {
  it('pass of twice the foam the square of the share (law of Lambert and Bouguer), spread by its root', () => {
    const [one, two] = [throughFoam('pe-white', 3)!, throughFoam('pe-white', 6)!];
    expect(two.transmission).to.be.closeTo(one.transmission ** 2, 1e-12);
    expect(two.spreadMm / one.spreadMm).to.be.closeTo(Math.SQRT2, 1e-12);
    expect(throughFoam('dense-eva', 5)).to.equal(undefined);
  });

  it('cut no holes, and say how much comes through and how even it is, the thicker the less', () => {
    const [thin, thick] = [lit('pe-white', 3), lit('pe-white', 10)];
    for (const { report, reported } of [thin, thick]) {
      expect(report.pieces.flatMap((p) => p.holes).filter((h) => h.kind === 'lamp')).to.deep.equal([]);
      expect(reported!.title).to.match(/darkest spot between the lamps/);
    }
    expect(share(thick.reported!.title)).to.be.lessThan(share(thin.reported!.title) / 3);
    // As deep behind the wall as the lamp is long and it stands away.
    expect(thin.report.items[0]!.fit!.needMm).to.be.closeTo(10 + 8.6, 1);
  });

  it('in opaque foam are a stop, and holes are the way out', () => {
    const { report, reported } = lit('dense-eva', 5);
    expect(reported!.severity).to.equal('stop');
    const cured = partReport(
      {
        ...partOf('box'),
        features: [{ id: 'l', kind: 'lamps', ...begun, params: { ...begun.params, shows: 'hole' } }],
      },
      contextOf(),
    );
    expect(reported!.remedies.map((c) => ('label' in c ? c.label : c.need))[0]).to.equal(
      'Cut a hole for every lamp',
    );
    expect(cured.checks.some((c) => c.id === 'through-l')).to.equal(false);
    expect(report.items).to.have.length(4);
  });
});
