import { expect } from 'chai';
import { newBuild, newPart, standardKinds } from '../parts';
import { derive } from '../report';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };
const sticks = ['pvc-1-2in', 'pvc-3-4in', 'pvc-1in', 'flat-20x3', 'dowel-20', 'alu-tube-16x1', 'foam-rod-30'];

describe('what is newly added on a stick', () => {
  for (const { kind, rides } of standardKinds.forms.values())
    if (rides)
      it(`${kind} lies in none of them`, () => {
        for (const rod of sticks) {
          const haft = newPart('h', wearer, 'haft');
          const parts = [
            { ...haft, params: { ...haft.params, rod } },
            newPart('p', wearer, kind, undefined, 'h'),
          ];
          const { standings } = derive({ ...newBuild('T', '2026-03-01', wearer), parts }, { untried: true });
          expect(
            standings.filter((s) => s.deepMm > 0.3).map((s) => s.deepMm),
            `${kind} on ${rod}`,
          ).to.deep.equal([]);
        }
      });

  it('is let into layers where a bar lies within one of them: a channel from the nearer face to its far side', () => {
    const haft = newPart('h', wearer, 'haft');
    const grip = newPart('g', wearer, 'grip', undefined, 'h');
    const parts = [
      { ...haft, params: { ...haft.params, rod: 'flat-20x3' } },
      {
        ...grip,
        params: { ...grip.params, make: 'layers' },
        stack: [10, 10, 10].map((nominalMm) => ({ foamId: 'dense-eva', nominalMm })),
      },
    ];
    const report = derive({ ...newBuild('T', '2026-03-01', wearer), parts }, { untried: true });
    expect(report.standings).to.deep.equal([]);
    // In the middle of 10 mm: half of it and half the bar.
    const cuts = report.parts[1]!.pieces.flatMap((p) => p.marks.filter((m) => m.kind === 'pocket'));
    expect(cuts.map((m) => m.text)).to.deep.equal(['channel 19 × 115 mm, 6.5 mm deep']);
  });
});
