import { expect } from 'chai';
import { applyChanges, type BuildDoc, type Finding } from '../document';
import { derive } from '../report';
import { newBuild, newPart } from './newPart';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };

const plated = (nominalMm: number): BuildDoc => {
  const part = newPart('p', wearer, 'breastplate');
  const stack = part.stack.map((ply) => ({ ...ply, nominalMm }));
  return { ...newBuild('T', '2026-03-01', wearer), parts: [{ ...part, stack }] };
};

const found = (doc: BuildDoc): Finding | undefined =>
  derive(doc).parts[0]!.checks.find((c) => c.id === 'stretch-face');

describe('a breastplate that is curved both ways', () => {
  it('gets a finding about its stretched face at 12 mm, and none at 6 mm', () => {
    expect(found(plated(6))).to.equal(undefined);
    const { title } = found(plated(12))!;
    const [, thick, face, stretch] = /the (\d+) mm foam must stretch ([\d.]+) %, up to (\d+) %/.exec(title)!;
    expect(Number(thick)).to.equal(12);
    expect(Number(face)).to.be.greaterThan(15);
    expect(Number(stretch)).to.be.lessThan(12);
  });

  it('is offered thinner foam and other seams, and each of them lowers the stretch', () => {
    const doc = plated(12);
    const before = found(doc)!;
    const labels = before.remedies.map((r) => r.label);
    expect(labels).to.include('Go to 8 mm foam');
    expect(labels.some((l) => l.startsWith('Division'))).to.equal(true);
    for (const { label, changes } of before.remedies) {
      const part = applyChanges(doc.parts[0]!, changes);
      const left = found({ ...doc, parts: [part] });
      expect(left?.excess ?? 0, label).to.be.lessThan(before.excess);
    }
  });
});
