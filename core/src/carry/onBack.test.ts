import { expect } from 'chai';
import { resolveBody } from '../body';
import type { BuildDoc, Part } from '../document';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';
import { onBack } from './onBack';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };
const build = (parts: Part[]): BuildDoc => ({ ...newBuild('T', '2026-03-01', wearer), parts });
const frame = newPart('f', wearer, 'back-frame');
const report = derive(build([frame]));
const [own] = report.parts;
const body = resolveBody([]);

/** The frame with so much more at a place. */
const laden = (massG: number, xMm: number) => ({
  ...own!,
  weight: {
    ...own!.weight,
    massG: own!.weight.massG + massG,
    at: {
      ...own!.weight.at,
      x: (own!.weight.at.x * own!.weight.massG + massG * xMm) / (own!.weight.massG + massG),
    },
  },
});

describe('what the shoulders carry', () => {
  it('is all of the weight, half on each of what hangs in the middle', () => {
    const [b] = onBack([own!], body);
    expect(b!.rightN + b!.leftN).to.be.closeTo((own!.weight.massG / 1000) * 9.80665, 1e-9);
    expect(b!.rightN).to.be.closeTo(b!.leftN, 0.02 * b!.leftN + 1e-6);
    expect(report.onBack[0]!.rootId).to.equal('f');
    expect(b!.behindMm).to.be.greaterThan(20);
  });

  it('goes to the side a load hangs on by the law of the lever, and wholly to it beyond its strap', () => {
    const strap = 0.3 * body.shoulderBreadth.valueMm;
    const [middle] = onBack([laden(1000, 0)], body);
    const [right] = onBack([laden(1000, strap / 2)], body);
    // A kilogram half way to the strap: three quarters of it on that side.
    expect(right!.rightN - middle!.rightN).to.be.closeTo(9.80665 * 0.25, 1e-6);
    const [far] = onBack([laden(1e6, 4 * strap)], body);
    expect(far!.leftN).to.equal(0);
  });

  it('is a warning where it tires, and none on a light frame', () => {
    const find = (doc: BuildDoc) => derive(doc).findings.find((f) => f.id === 'back:f');
    expect(find(build([frame]))).to.equal(undefined);
    const heavy: Part = {
      ...newPart('h', wearer, 'haft'),
      params: { ...newPart('h', wearer, 'haft').params, footG: 3000, tipG: 3000 },
      mount: { to: 'part', part: 'f', anchor: own!.anchors[0]!.id },
    };
    expect(find(build([frame, heavy]))!.title).to.include('on the right shoulder');
  });
});
