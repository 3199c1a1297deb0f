import { expect } from 'chai';
import { applyChanges, type BuildDoc, type Feature } from '../document';
import { newBuild, newPart } from '../parts';
import { reportOf } from '../report/testing/reportOf';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: [] };

const plates: Feature = {
  id: 'plates',
  kind: 'hang-plate',
  place: { on: 'panel', panel: 'front', u: 0.5, v: 0.5, turnDeg: 0 },
  params: { massG: 50, armMm: 10, plates: 2, stepMm: 60, screwMm: 3.5, madeOf: 'pvc-board', foamMm: 6 },
};

/** A box with keyhole plates on its front, another hung there, and a third on that one's front. */
function hanging(deepMm: number): BuildDoc {
  const box = (id: string, widthMm: number, deep: number) => {
    const part = newPart(id, wearer, 'box');
    return { ...part, params: { ...part.params, widthMm, heightMm: 200, deepMm: deep } };
  };
  const on = (host: string) => ({ to: 'part' as const, part: host, anchor: 'panel:front' });
  return {
    ...newBuild('Hung', '2026-03-01', wearer),
    parts: [
      { ...box('wall', 300, 300), features: [plates] },
      {
        ...box('case', 150, deepMm),
        mount: { ...newPart('x', wearer, 'box', undefined, 'wall').mount, ...on('wall') },
      },
      {
        ...box('knob', 100, 60),
        mount: { ...newPart('x', wearer, 'box', undefined, 'case').mount, ...on('case') },
      },
    ] as BuildDoc['parts'],
  };
}

describe('what hangs on a detail that bears it', () => {
  it('is all that is mounted on its piece, its middle by the levers of the boxes', () => {
    const report = reportOf(hanging(120));
    const [hung] = report.hung;
    const [, shell, knob] = report.parts;
    expect(hung!.names).to.deep.equal([shell!.name]);
    expect(hung!.massG).to.be.closeTo(shell!.totalG + knob!.totalG, 1e-6);
    // Boxes are as heavy before their middle as behind it: half their depth out, the second beyond all of the first.
    const deepOf = ({ solid: { mesh } }: typeof shell & object): number => {
      const out = mesh.points.map((p) => p.y);
      return Math.max(...out) - Math.min(...out);
    };
    const [d1, d2] = [deepOf(shell!), deepOf(knob!)];
    const arm = (shell!.totalG * (d1 / 2) + knob!.totalG * (d1 + d2 / 2)) / (shell!.totalG + knob!.totalG);
    expect(hung!.armMm).to.be.closeTo(arm, 2);
  });

  it('raises a finding when it is more than was planned, and the remedy clears it', () => {
    const doc = hanging(120);
    const finding = reportOf(doc).findings.find((f) => f.id === 'bears:wall:plates')!;
    expect(finding.title).to.match(
      /weighs \d+ g with the centre of mass .* from the face; planned are 50 g at 10 mm/,
    );
    const cured = applyChanges(doc, finding.remedies[0]!.changes);
    expect(reportOf(cured).findings.some((f) => f.id.startsWith('bears:'))).to.equal(false);
    // Made deeper, it is too much again.
    const deeper = applyChanges(cured, [{ path: ['parts', 1, 'params', 'deepMm'], value: 400 }]);
    expect(reportOf(deeper).findings.some((f) => f.id === 'bears:wall:plates')).to.equal(true);
  });

  it('is nothing where no part is mounted, or on another panel', () => {
    const doc = hanging(120);
    const alone = { ...doc, parts: doc.parts.slice(0, 1) };
    expect(reportOf(alone).hung).to.deep.equal([]);
    const aside = applyChanges(doc, [{ path: ['parts', 1, 'mount', 'anchor'], value: 'panel:back' }]);
    expect(reportOf(aside).hung).to.deep.equal([]);
  });
});
